import type { AnswerOf, GarmentWrite, OwnBlockWrite } from '@rocchetto/contract';
import { api, change } from './base.ts';

const garments = api.injectEndpoints({
  endpoints: (b) => ({
    garments: b.query<AnswerOf<'GET /garments'>, void>({ query: () => '/garments', providesTags: ['House'] }),
    saveGarment: b.mutation<AnswerOf<'POST /garments'>, GarmentWrite>({
      query: (body) => change('/garments', 'POST', body),
      invalidatesTags: (_, error) => (error ? [] : ['House']),
    }),
    dropGarment: b.mutation<AnswerOf<'DELETE /garments/:id'>, number>({
      query: (id) => change(`/garments/${id}`, 'DELETE'),
      invalidatesTags: (_, error) => (error ? [] : ['House']),
    }),
    ownBlocks: b.query<AnswerOf<'GET /clients/:id/blocks'>, number>({
      query: (clientId) => `/clients/${clientId}/blocks`,
      providesTags: (_, __, id) => [{ type: 'Client', id }],
    }),
    keepBlock: b.mutation<AnswerOf<'POST /clients/:id/blocks'>, { clientId: number } & OwnBlockWrite>({
      query: ({ clientId, ...body }) => change(`/clients/${clientId}/blocks`, 'POST', body),
      invalidatesTags: (_, error, { clientId }) => (error ? [] : [{ type: 'Client', id: clientId }]),
    }),
    dropBlock: b.mutation<AnswerOf<'DELETE /blocks/:id'>, { id: number; clientId: number }>({
      query: ({ id }) => change(`/blocks/${id}`, 'DELETE'),
      invalidatesTags: (_, error, { clientId }) => (error ? [] : [{ type: 'Client', id: clientId }]),
    }),
  }),
});
export const {
  useOwnBlocksQuery,
  useKeepBlockMutation,
  useDropBlockMutation,
  useGarmentsQuery,
  useSaveGarmentMutation,
  useDropGarmentMutation,
} = garments;
