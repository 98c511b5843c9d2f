import type { AnswerOf } from '@rocchetto/contract';
import { api, change } from './base.ts';
import { movesOrder } from './moves.ts';

const photos = api.injectEndpoints({
  endpoints: (b) => ({
    photos: b.query<AnswerOf<'GET /orders/:id/photos'>, number>({
      query: (orderId) => `/orders/${orderId}/photos`,
      providesTags: (_, __, id) => [{ type: 'Alterations', id }],
    }),
    dropPhoto: b.mutation<AnswerOf<'DELETE /photos/:id'>, { id: number; orderId: number }>({
      query: ({ id }) => change(`/photos/${id}`, 'DELETE'),
      invalidatesTags: movesOrder,
    }),
  }),
});
export const { usePhotosQuery, useDropPhotoMutation } = photos;
