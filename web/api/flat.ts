import type { AnswerOf } from '@rocchetto/contract';
import { api, change } from './base.ts';

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
      { orderId: number; of: string; cut: string; words: string }
    >({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/flat`, 'POST', body),
      invalidatesTags: (_, error, { orderId }) => (error ? [] : [{ type: 'Order', id: orderId }]),
    }),
    readFlat: b.mutation<
      AnswerOf<'POST /flat/:id/readings'>,
      { orderId: number; id: number; readings: readonly { id: string; point: string; written: string }[] }
    >({
      query: ({ id, readings }) => change(`/flat/${id}/readings`, 'POST', { readings }),
      // The answer is the whole table: it stands at once, without asking again.
      async onQueryStarted({ orderId }, { dispatch, queryFulfilled }) {
        const done = await queryFulfilled.catch(() => null);
        if (done) dispatch(flat.util.upsertQueryData('flat', orderId, done.data));
      },
    }),
  }),
});
export const { useFlatQuery, useLayFlatMutation, useReadFlatMutation } = flat;
