import { api, change } from './base.ts';
import { movesOrder } from './moves.ts';

const leaving = api.injectEndpoints({
  endpoints: (b) => ({
    handOver: b.mutation<object, { orderId: number; clientName: string; cautionsRead: true }>({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/hand-over`, 'POST', body),
      invalidatesTags: movesOrder,
    }),
    takeBack: b.mutation<object, { orderId: number; reason: string }>({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/take-back`, 'POST', body),
      invalidatesTags: movesOrder,
    }),
  }),
});
export const { useHandOverMutation, useTakeBackMutation } = leaving;
