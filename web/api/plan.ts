import type { AnswerOf, PlanAccept, PlanChoices } from '@rocchetto/contract';
import { api, change, LIST } from './base.ts';

const plan = api.injectEndpoints({
  endpoints: (b) => ({
    plan: b.query<AnswerOf<'GET /orders/:id/plan'>, number>({
      query: (id) => `/orders/${id}/plan`,
      // What anybody books or gives may move it: it is never shown from the day before.
      keepUnusedDataFor: 0,
      providesTags: (_, __, id) => [
        { type: 'Order', id },
        { type: 'Diary', id: LIST },
      ],
    }),
    promises: b.query<AnswerOf<'GET /promises'>, Record<string, string | number>>({
      query: (params) => ({ url: '/promises', params }),
      keepUnusedDataFor: 0,
      providesTags: [
        { type: 'Order', id: LIST },
        { type: 'Diary', id: LIST },
      ],
    }),
    brokenPromises: b.query<AnswerOf<'GET /promises/broken'>, void>({
      query: () => '/promises/broken',
      keepUnusedDataFor: 60,
    }),
    planPast: b.query<AnswerOf<'GET /plan-past'>, void>({
      query: () => '/plan-past',
      providesTags: [{ type: 'Diary', id: LIST }],
    }),
    choosePlan: b.mutation<
      AnswerOf<'PUT /orders/:id/plan'>,
      { id: number; version: number; choices: PlanChoices }
    >({
      query: ({ id, ...body }) => change(`/orders/${id}/plan`, 'PUT', body),
      invalidatesTags: (_, __, { id }) => [{ type: 'Order', id }],
    }),
    takePlan: b.mutation<AnswerOf<'POST /orders/:id/plan/accept'>, PlanAccept & { id: number }>({
      query: ({ id, ...body }) => change(`/orders/${id}/plan/accept`, 'POST', body),
      // Refused since something moved: the plan is read again as well.
      invalidatesTags: (_, __, { id }) => [
        { type: 'Order', id },
        { type: 'Diary', id: LIST },
      ],
    }),
  }),
});
export const {
  useBrokenPromisesQuery,
  usePlanPastQuery,
  usePlanQuery,
  usePromisesQuery,
  useChoosePlanMutation,
  useTakePlanMutation,
} = plan;
