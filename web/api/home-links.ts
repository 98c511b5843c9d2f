import type { AnswerOf } from '@rocchetto/contract';
import { api, change } from './base.ts';

const homeLinks = api.injectEndpoints({
  endpoints: (b) => ({
    homeLinks: b.query<AnswerOf<'GET /orders/:id/home-links'>, number>({
      query: (id) => `/orders/${id}/home-links`,
      providesTags: (_, __, id) => [{ type: 'Order', id }],
    }),
    addHomeLink: b.mutation<AnswerOf<'POST /orders/:id/home-links'>, number>({
      query: (id) => change(`/orders/${id}/home-links`, 'POST'),
      invalidatesTags: (_, error, id) => (error ? [] : [{ type: 'Order', id }]),
    }),
    closeHomeLink: b.mutation<AnswerOf<'POST /home-links/:id/close'>, { id: number; orderId: number }>({
      query: ({ id }) => change(`/home-links/${id}/close`, 'POST'),
      invalidatesTags: (_, error, { orderId }) => (error ? [] : [{ type: 'Order', id: orderId }]),
    }),
  }),
});
export const { useHomeLinksQuery, useAddHomeLinkMutation, useCloseHomeLinkMutation } = homeLinks;
