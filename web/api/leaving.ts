import type { AnswerOf } from '@rocchetto/contract';
import { api, change } from './base.ts';
import { movesOrder } from './moves.ts';

const leaving = api.injectEndpoints({
  endpoints: (b) => ({
    handOver: b.mutation<
      AnswerOf<'POST /orders/:id/hand-over'>,
      { orderId: number; clientName: string; cautionsRead: true }
    >({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/hand-over`, 'POST', body),
      invalidatesTags: movesOrder,
    }),
    uncountPins: b.mutation<AnswerOf<'DELETE /orders/:id/pins'>, number>({
      query: (orderId) => change(`/orders/${orderId}/pins`, 'DELETE'),
      invalidatesTags: (_, error, orderId) => movesOrder(undefined, error, { orderId }),
    }),
    takeBack: b.mutation<AnswerOf<'POST /orders/:id/take-back'>, { orderId: number; reason: string }>({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/take-back`, 'POST', body),
      invalidatesTags: movesOrder,
    }),
  }),
});
export const { useHandOverMutation, useTakeBackMutation, useUncountPinsMutation } = leaving;
