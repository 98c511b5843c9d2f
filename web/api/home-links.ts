import type { HomeLinkView } from '@rocchetto/contract';
import { api, change } from './base.ts';

const homeLinks = api.injectEndpoints({
  endpoints: (b) => ({
    homeLinks: b.query<HomeLinkView[], number>({
      query: (id) => `/orders/${id}/home-links`,
      providesTags: (_, __, id) => [{ type: 'Order', id }],
    }),
    addHomeLink: b.mutation<{ id: number; path: string }, number>({
      query: (id) => change(`/orders/${id}/home-links`, 'POST'),
      invalidatesTags: (_, error, id) => (error ? [] : [{ type: 'Order', id }]),
    }),
    closeHomeLink: b.mutation<void, { id: number; orderId: number }>({
      query: ({ id }) => change(`/home-links/${id}/close`, 'POST'),
      invalidatesTags: (_, error, { orderId }) => (error ? [] : [{ type: 'Order', id: orderId }]),
    }),
  }),
});
export const { useHomeLinksQuery, useAddHomeLinkMutation, useCloseHomeLinkMutation } = homeLinks;
