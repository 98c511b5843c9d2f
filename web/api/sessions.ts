import type { AnswerOf, MeasuringListChange, MeasuringListWrite } from '@rocchetto/contract';
import { api, change } from './base.ts';

const measuring = api.injectEndpoints({
  endpoints: (b) => ({
    session: b.query<AnswerOf<'GET /sessions/:uuid'>, string>({
      query: (id) => `/sessions/${id}`,
      providesTags: (_, __, id) => [{ type: 'Session', id }],
    }),
    earlier: b.query<AnswerOf<'GET /clients/:id/earlier'>, { clientId: number; except?: string }>({
      query: ({ clientId, except }) => ({
        url: `/clients/${clientId}/earlier`,
        params: except ? { except } : {},
      }),
      providesTags: (_, __, { clientId }) => [{ type: 'Client', id: clientId }],
    }),
    useMeasuring: b.mutation<AnswerOf<'POST /orders/:id/measuring'>, { orderId: number; sessionId: string }>({
      query: ({ orderId, sessionId }) => change(`/orders/${orderId}/measuring`, 'POST', { sessionId }),
      invalidatesTags: (_, error, { orderId }) =>
        error
          ? []
          : [
              { type: 'Order', id: orderId },
              { type: 'Sheet', id: orderId },
            ],
    }),
    measuringLists: b.query<AnswerOf<'GET /measuring-lists'>, void>({
      query: () => '/measuring-lists',
      providesTags: ['House'],
    }),
    addMeasuringList: b.mutation<AnswerOf<'POST /measuring-lists'>, MeasuringListWrite>({
      query: (body) => change('/measuring-lists', 'POST', body),
      invalidatesTags: (_, error) => (error ? [] : ['House']),
    }),
    changeMeasuringList: b.mutation<
      AnswerOf<'PUT /measuring-lists/:id'>,
      MeasuringListChange & { id: number }
    >({
      query: ({ id, ...body }) => change(`/measuring-lists/${id}`, 'PUT', body),
      invalidatesTags: (_, error) => (error ? [] : ['House']),
    }),
    dropMeasuringList: b.mutation<AnswerOf<'DELETE /measuring-lists/:id'>, number>({
      query: (id) => change(`/measuring-lists/${id}`, 'DELETE'),
      invalidatesTags: (_, error) => (error ? [] : ['House']),
    }),
  }),
});
export const {
  useSessionQuery,
  useEarlierQuery,
  useUseMeasuringMutation,
  useMeasuringListsQuery,
  useAddMeasuringListMutation,
  useChangeMeasuringListMutation,
  useDropMeasuringListMutation,
} = measuring;
