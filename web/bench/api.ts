import type { BenchKept, BenchWrite } from '@rocchetto/contract';
import { api, change, STEP } from '../api/base.ts';

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
  }),
});
export const { usePromiseWorkMutation, useChangeBenchMutation, useDoneWorkMutation, useDropWorkMutation } =
  bench;
