import type {
  AskedWire,
  BenchRow,
  BenchWeek,
  BoxWrite,
  BroughtInWrite,
  OrderAlterations,
  PhotoView,
  Proposal,
  StepWire,
} from '@rocchetto/contract';
import type { z } from 'zod';
import { api, change, LIST, STEP } from '../api/base.ts';

interface Kept {
  readonly id: number;
  readonly version: number;
}
type On = { readonly id: number; readonly orderId: number };
const touched = (_: unknown, error: unknown, { orderId }: { orderId: number }) =>
  error
    ? []
    : [
        { type: 'Alterations' as const, id: orderId },
        { type: 'Alterations' as const, id: LIST },
        { type: 'Order' as const, id: orderId },
        // What is agreed waits at the sheet while the cloth is not cut.
        { type: 'Sheet' as const, id: orderId },
        'Diary' as const,
      ];

const alterations = api.injectEndpoints({
  endpoints: (b) => ({
    alterations: b.query<OrderAlterations, number>({
      query: (orderId) => `/orders/${orderId}/alterations`,
      providesTags: (_, __, id) => [{ type: 'Alterations', id }],
    }),
    changeAsked: b.mutation<Kept, On & { version: number; asked: AskedWire }>({
      query: ({ id, orderId: _, ...body }) => change(`/alterations/${id}`, 'PUT', body),
      invalidatesTags: touched,
    }),
    step: b.mutation<Kept, On & { version: number; step: StepWire }>({
      query: ({ id, orderId: _, ...body }) => change(`/alterations/${id}/steps`, 'POST', body),
      extraOptions: STEP,
      invalidatesTags: touched,
    }),
    tick: b.mutation<Kept, On & z.input<typeof BoxWrite>>({
      query: ({ id, orderId: _, ...body }) => change(`/alterations/${id}/boxes`, 'POST', body),
      // A tick moves nobody's day: neither the diary nor free times are asked for again.
      invalidatesTags: (_, error, { orderId }) =>
        error
          ? []
          : [
              { type: 'Alterations', id: orderId },
              { type: 'Alterations', id: LIST },
            ],
    }),
    photos: b.query<PhotoView[], number>({
      query: (orderId) => `/orders/${orderId}/photos`,
      providesTags: (_, __, id) => [{ type: 'Alterations', id }],
    }),
    dropPhoto: b.mutation<object, { id: number; orderId: number }>({
      query: ({ id }) => change(`/photos/${id}`, 'DELETE'),
      invalidatesTags: touched,
    }),
    handOver: b.mutation<object, { orderId: number; clientName: string; cautionsRead: true }>({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/hand-over`, 'POST', body),
      invalidatesTags: touched,
    }),
    takeBack: b.mutation<object, { orderId: number; reason: string }>({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/take-back`, 'POST', body),
      invalidatesTags: touched,
    }),
    bringIn: b.mutation<{ orderId: number; code: string }, BroughtInWrite>({
      query: (body) => change('/brought-in', 'POST', body),
      invalidatesTags: (_, error) => (error ? [] : ['Order', 'Client']),
    }),
    ticket: b.query<{ orderId: number }, string>({
      query: (code) => ({ url: '/tickets', params: { code } }),
      keepUnusedDataFor: 0,
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
  useAlterationsQuery,
  useChangeAskedMutation,
  useStepMutation,
  useTickMutation,
  useBenchRowsQuery,
  useProposalQuery,
  useBenchWeekQuery,
  useBringInMutation,
  useLazyTicketQuery,
  usePhotosQuery,
  useDropPhotoMutation,
  useHandOverMutation,
  useTakeBackMutation,
} = alterations;
