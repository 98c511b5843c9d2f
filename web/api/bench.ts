import type { AnswerOf, BenchWrite } from '@rocchetto/contract';
import { api, change, LIST } from './base.ts';

const kept = (_: unknown, error: unknown) => (error ? [] : (['Diary', 'Order'] as const));

const bench = api.injectEndpoints({
  endpoints: (b) => ({
    promiseWork: b.mutation<AnswerOf<'POST /orders/:id/bench'>, BenchWrite & { orderId: number }>({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/bench`, 'POST', body),
      invalidatesTags: kept,
    }),
    changeBench: b.mutation<AnswerOf<'PUT /bench/:id'>, BenchWrite & { id: number; version: number }>({
      query: ({ id, ...body }) => change(`/bench/${id}`, 'PUT', body),
      invalidatesTags: kept,
    }),
    dropWork: b.mutation<AnswerOf<'DELETE /bench/:id'>, number>({
      query: (id) => change(`/bench/${id}`, 'DELETE'),
      invalidatesTags: kept,
    }),
    benchWeek: b.query<AnswerOf<'GET /bench/week'>, void>({
      query: () => '/bench/week',
      providesTags: [{ type: 'Alterations', id: LIST }, 'Diary'],
    }),
    proposal: b.query<AnswerOf<'GET /bench/proposal'>, void>({
      query: () => '/bench/proposal',
      keepUnusedDataFor: 0,
      providesTags: [{ type: 'Alterations', id: LIST }, 'Diary'],
    }),
    benchRows: b.query<AnswerOf<'GET /bench'>, number | null>({
      query: (staffId) => ({ url: '/bench', params: staffId === null ? {} : { staffId } }),
      providesTags: [{ type: 'Alterations', id: LIST }],
    }),
  }),
});
export const {
  usePromiseWorkMutation,
  useChangeBenchMutation,
  useDropWorkMutation,
  useBenchWeekQuery,
  useProposalQuery,
  useBenchRowsQuery,
} = bench;
