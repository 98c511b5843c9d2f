import type { AnswerOf, EstimateChoices } from '@rocchetto/contract';
import { api, change } from './base.ts';

type Of = { readonly orderId: number };
const estimate = api.injectEndpoints({
  endpoints: (b) => ({
    estimate: b.query<AnswerOf<'GET /orders/:id/estimate'>, number>({
      query: (id) => `/orders/${id}/estimate`,
      // Sheet, plan, lays and the house's rates move it: it is never shown from the day before.
      keepUnusedDataFor: 0,
      providesTags: (_, __, id) => [
        { type: 'Order', id },
        { type: 'Alterations', id },
      ],
    }),
    priceEstimate: b.mutation<
      AnswerOf<'PUT /orders/:id/estimate'>,
      Of & { version: number; choices: EstimateChoices }
    >({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/estimate`, 'PUT', body),
      invalidatesTags: (_, __, { orderId }) => [{ type: 'Alterations', id: orderId }],
    }),
    keepEstimate: b.mutation<AnswerOf<'POST /orders/:id/estimates'>, Of & { stamp: string }>({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/estimates`, 'POST', body),
      // Refused since it moved: it is read again as well.
      invalidatesTags: (_, __, { orderId }) => [{ type: 'Alterations', id: orderId }],
    }),
    agreeEstimate: b.mutation<AnswerOf<'POST /estimates/:id/agree'>, Of & { id: number; name: string }>({
      query: ({ id, name }) => change(`/estimates/${id}/agree`, 'POST', { name }),
      invalidatesTags: (_, __, { orderId }) => [{ type: 'Alterations', id: orderId }],
    }),
    withdrawEstimate: b.mutation<
      AnswerOf<'POST /estimates/:id/withdraw'>,
      Of & { id: number; reason: string }
    >({
      query: ({ id, reason }) => change(`/estimates/${id}/withdraw`, 'POST', { reason }),
      invalidatesTags: (_, __, { orderId }) => [{ type: 'Alterations', id: orderId }],
    }),
  }),
});
export const {
  useEstimateQuery,
  usePriceEstimateMutation,
  useKeepEstimateMutation,
  useAgreeEstimateMutation,
  useWithdrawEstimateMutation,
} = estimate;
