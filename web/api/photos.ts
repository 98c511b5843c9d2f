import type { PhotoView } from '@rocchetto/contract';
import { api, change } from './base.ts';
import { movesOrder } from './moves.ts';

const photos = api.injectEndpoints({
  endpoints: (b) => ({
    photos: b.query<PhotoView[], number>({
      query: (orderId) => `/orders/${orderId}/photos`,
      providesTags: (_, __, id) => [{ type: 'Alterations', id }],
    }),
    dropPhoto: b.mutation<object, { id: number; orderId: number }>({
      query: ({ id }) => change(`/photos/${id}`, 'DELETE'),
      invalidatesTags: movesOrder,
    }),
  }),
});
export const { usePhotosQuery, useDropPhotoMutation } = photos;
