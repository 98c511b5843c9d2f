import type { GarmentRow, GarmentWrite } from '@rocchetto/contract';
import { api, change } from '../api/base.ts';

const garments = api.injectEndpoints({
  endpoints: (b) => ({
    garments: b.query<GarmentRow[], void>({ query: () => '/garments', providesTags: ['House'] }),
    saveGarment: b.mutation<GarmentRow, GarmentWrite>({
      query: (body) => change('/garments', 'POST', body),
      invalidatesTags: (_, error) => (error ? [] : ['House']),
    }),
    dropGarment: b.mutation<void, number>({
      query: (id) => change(`/garments/${id}`, 'DELETE'),
      invalidatesTags: (_, error) => (error ? [] : ['House']),
    }),
  }),
});
export const { useGarmentsQuery, useSaveGarmentMutation, useDropGarmentMutation } = garments;
