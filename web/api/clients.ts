import type { AnswerOf, ClientAwayWrite, ClientRow, ClientWrite } from '@rocchetto/contract';
import { api, change, LIST } from './base.ts';

const clients = api.injectEndpoints({
  endpoints: (b) => ({
    clients: b.query<AnswerOf<'GET /clients'>, { q: string; after?: ClientRow | undefined }>({
      query: ({ q, after }) => ({
        url: '/clients',
        params: q ? { q } : after ? { afterName: after.name, afterId: after.id } : {},
      }),
      providesTags: [{ type: 'Client', id: LIST }],
    }),
    likely: b.query<AnswerOf<'GET /clients/likely'>, { name: string; phone: string; except: number }>({
      query: (params) => ({ url: '/clients/likely', params }),
    }),
    client: b.query<AnswerOf<'GET /clients/:id'>, number>({
      query: (id) => `/clients/${id}`,
      providesTags: (_, __, id) => [{ type: 'Client', id }],
    }),
    addClient: b.mutation<AnswerOf<'POST /clients'>, ClientWrite>({
      query: (body) => change('/clients', 'POST', body),
      invalidatesTags: [{ type: 'Client', id: LIST }],
    }),
    addAway: b.mutation<AnswerOf<'POST /clients/:id/away'>, ClientAwayWrite & { clientId: number }>({
      query: ({ clientId, ...body }) => change(`/clients/${clientId}/away`, 'POST', body),
      invalidatesTags: (_, error, { clientId }) => (error ? [] : [{ type: 'Client', id: clientId }, 'Diary']),
    }),
    dropAway: b.mutation<AnswerOf<'DELETE /client-away/:id'>, { id: number; clientId: number }>({
      query: ({ id }) => change(`/client-away/${id}`, 'DELETE'),
      invalidatesTags: (_, error, { clientId }) => (error ? [] : [{ type: 'Client', id: clientId }, 'Diary']),
    }),
    changeClient: b.mutation<AnswerOf<'PUT /clients/:id'>, ClientWrite & { id: number; version: number }>({
      query: ({ id, ...body }) => change(`/clients/${id}`, 'PUT', body),
      invalidatesTags: (_, error, { id }) =>
        error ? [] : [{ type: 'Client', id }, { type: 'Client', id: LIST }, 'Order'],
    }),
    deleteClient: b.mutation<AnswerOf<'DELETE /clients/:id'>, number>({
      query: (id) => change(`/clients/${id}`, 'DELETE'),
      invalidatesTags: (_, error) => (error ? [] : [{ type: 'Client', id: LIST }]),
    }),
    eraseClient: b.mutation<
      AnswerOf<'POST /clients/:id/erase'>,
      { id: number; version: number; reason: string }
    >({
      query: ({ id, ...body }) => change(`/clients/${id}/erase`, 'POST', body),
      invalidatesTags: (_, error) => (error ? [] : ['Client', 'Order', 'Session', 'Sheet']),
    }),
  }),
});
export const {
  useClientsQuery,
  useLikelyQuery,
  useClientQuery,
  useAddClientMutation,
  useChangeClientMutation,
  useAddAwayMutation,
  useDropAwayMutation,
  useDeleteClientMutation,
  useEraseClientMutation,
} = clients;
