import type { AnswerOf, AskedWire, StepWire } from '@rocchetto/contract';
import { api, change, STEP } from './base.ts';
import { movesOrder } from './moves.ts';

type On = { readonly id: number; readonly orderId: number };

const alterations = api.injectEndpoints({
  endpoints: (b) => ({
    alterations: b.query<AnswerOf<'GET /orders/:id/alterations'>, number>({
      query: (orderId) => `/orders/${orderId}/alterations`,
      providesTags: (_, __, id) => [{ type: 'Alterations', id }],
    }),
    /** work in words, without panels of its own */
    askFor: b.mutation<AnswerOf<'POST /orders/:id/alterations'>, { orderId: number; note: string }>({
      query: ({ orderId, note }) =>
        change(`/orders/${orderId}/alterations`, 'POST', {
          source: 'bench',
          asked: { version: 2, kind: 'other', direction: 'do', note },
        }),
      invalidatesTags: (_, error, { orderId }) => (error ? [] : [{ type: 'Alterations', id: orderId }]),
    }),
    changeAsked: b.mutation<AnswerOf<'PUT /alterations/:id'>, On & { version: number; asked: AskedWire }>({
      query: ({ id, orderId: _, ...body }) => change(`/alterations/${id}`, 'PUT', body),
      invalidatesTags: movesOrder,
    }),
    step: b.mutation<AnswerOf<'POST /alterations/:id/steps'>, On & { version: number; step: StepWire }>({
      query: ({ id, orderId: _, ...body }) => change(`/alterations/${id}/steps`, 'POST', body),
      extraOptions: STEP,
      invalidatesTags: movesOrder,
    }),
    undoStep: b.mutation<AnswerOf<'POST /alterations/:id/undo'>, On & { version: number }>({
      query: ({ id, version }) => change(`/alterations/${id}/undo`, 'POST', { version }),
      extraOptions: STEP,
      invalidatesTags: movesOrder,
    }),
  }),
});
export const {
  useAskForMutation,
  useAlterationsQuery,
  useChangeAskedMutation,
  useStepMutation,
  useUndoStepMutation,
} = alterations;
