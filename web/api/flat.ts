import type { AnswerOf, FlatView } from '@rocchetto/contract';
import { api, change } from './base.ts';
import type { store } from './store.ts';

const flat = api.injectEndpoints({
  endpoints: (b) => ({
    flat: b.query<AnswerOf<'GET /orders/:id/flat'>, number>({
      query: (orderId) => `/orders/${orderId}/flat`,
      providesTags: (_, __, id) => [
        { type: 'Order', id },
        { type: 'Sheet', id },
      ],
    }),
    layFlat: b.mutation<
      AnswerOf<'POST /orders/:id/flat'>,
      { orderId: number; of: string; cut: string; words: string; tolerance: string | null }
    >({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/flat`, 'POST', body),
      invalidatesTags: (_, error, { orderId }) => (error ? [] : [{ type: 'Order', id: orderId }]),
    }),
    readFlat: b.mutation<
      AnswerOf<'POST /flat/:id/readings'>,
      { orderId: number; id: number; readings: readonly { id: string; point: string; written: string }[] }
    >({
      query: ({ id, readings }) => change(`/flat/${id}/readings`, 'POST', { readings }),
      onQueryStarted: shown,
    }),
    setFlatTolerance: b.mutation<
      AnswerOf<'PUT /flat/:id'>,
      { orderId: number; id: number; tolerance: string | null }
    >({
      query: ({ id, tolerance }) => change(`/flat/${id}`, 'PUT', { tolerance }),
      onQueryStarted: shown,
    }),
    acceptFlat: b.mutation<
      AnswerOf<'PUT /flat/:id/changes'>,
      { orderId: number; id: number; point: string; accepted: boolean }
    >({
      query: ({ id, point, accepted }) => change(`/flat/${id}/changes`, 'PUT', { point, accepted }),
      onQueryStarted: shown,
    }),
  }),
});
/** The answer is the whole table: it stands at once, without asking again. */
async function shown(
  { orderId }: { orderId: number },
  {
    dispatch,
    queryFulfilled,
  }: { dispatch: typeof store.dispatch; queryFulfilled: Promise<{ data: readonly FlatView[] }> },
) {
  const done = await queryFulfilled.catch(() => null);
  if (done) dispatch(flat.util.upsertQueryData('flat', orderId, done.data));
}
export const {
  useAcceptFlatMutation,
  useSetFlatToleranceMutation,
  useFlatQuery,
  useLayFlatMutation,
  useReadFlatMutation,
} = flat;
