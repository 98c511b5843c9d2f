import type { BenchKept, BenchRow, BenchWeek, BenchWrite, Proposal } from '@rocchetto/contract';
import { api, change, LIST, STEP } from './base.ts';

const kept = (_: unknown, error: unknown) => (error ? [] : (['Diary', 'Order'] as const));

const bench = api.injectEndpoints({
  endpoints: (b) => ({
    promiseWork: b.mutation<BenchKept, BenchWrite & { orderId: number }>({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/bench`, 'POST', body),
      invalidatesTags: kept,
    }),
    changeBench: b.mutation<BenchKept, BenchWrite & { id: number; version: number }>({
      query: ({ id, ...body }) => change(`/bench/${id}`, 'PUT', body),
      invalidatesTags: kept,
    }),
    doneWork: b.mutation<BenchKept, { id: number; version: number; done: boolean }>({
      query: ({ id, ...body }) => change(`/bench/${id}/done`, 'POST', body),
      extraOptions: STEP,
      invalidatesTags: kept,
    }),
    dropWork: b.mutation<BenchKept, number>({
      query: (id) => change(`/bench/${id}`, 'DELETE'),
      invalidatesTags: kept,
    }),
    benchWeek: b.query<BenchWeek, void>({
      query: () => '/bench/week',
      providesTags: [{ type: 'Alterations', id: LIST }, 'Diary'],
    }),
    proposal: b.query<Proposal, void>({
      query: () => '/bench/proposal',
      keepUnusedDataFor: 0,
      providesTags: [{ type: 'Alterations', id: LIST }, 'Diary'],
    }),
    benchRows: b.query<BenchRow[], number | null>({
      query: (staffId) => ({ url: '/bench', params: staffId === null ? {} : { staffId } }),
      providesTags: [{ type: 'Alterations', id: LIST }],
    }),
  }),
});
export const {
  usePromiseWorkMutation,
  useChangeBenchMutation,
  useDoneWorkMutation,
  useDropWorkMutation,
  useBenchWeekQuery,
  useProposalQuery,
  useBenchRowsQuery,
} = bench;
