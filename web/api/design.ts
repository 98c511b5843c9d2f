import type { AnswerOf, QuestionDecided } from '@rocchetto/contract';
import type { z } from 'zod';
import { api, change } from './base.ts';

type Of = { readonly orderId: number };
const touched = (_: unknown, error: unknown, { orderId }: Of) =>
  error ? [] : [{ type: 'Alterations' as const, id: orderId }, 'Client' as const];

const design = api.injectEndpoints({
  endpoints: (b) => ({
    design: b.query<AnswerOf<'GET /orders/:id/design'>, number>({
      query: (orderId) => `/orders/${orderId}/design`,
      providesTags: (_, __, id) => [{ type: 'Alterations', id }],
    }),
    decideQuestion: b.mutation<
      AnswerOf<'POST /questions/:id/decided'>,
      Of & { id: number } & z.input<typeof QuestionDecided>
    >({
      query: ({ id, orderId: _, ...body }) => change(`/questions/${id}/decided`, 'POST', body),
      invalidatesTags: touched,
    }),
    clientLikes: b.query<AnswerOf<'GET /clients/:id/likes'>, number>({
      query: (id) => `/clients/${id}/likes`,
      providesTags: ['Client'],
    }),
    dropLike: b.mutation<AnswerOf<'DELETE /likes/:id'>, number>({
      query: (id) => change(`/likes/${id}`, 'DELETE'),
      invalidatesTags: (_, error) => (error ? [] : ['Client']),
    }),
    fitHistory: b.query<AnswerOf<'GET /orders/:id/learnt'>, number>({
      query: (orderId) => `/orders/${orderId}/learnt`,
      providesTags: ['Alterations', 'Order'],
    }),
  }),
});
export const {
  useDesignQuery,
  useDecideQuestionMutation,
  useClientLikesQuery,
  useDropLikeMutation,
  useFitHistoryQuery,
} = design;
