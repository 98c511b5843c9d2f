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
    clientLists: b.query<AnswerOf<'GET /clients/:id/measuring-lists'>, number>({
      query: (id) => `/clients/${id}/measuring-lists`,
      providesTags: (_, __, id) => [{ type: 'Client', id }],
    }),
    addClientList: b.mutation<
      AnswerOf<'POST /clients/:id/measuring-lists'>,
      MeasuringListWrite & { clientId: number }
    >({
      query: ({ clientId, ...body }) => change(`/clients/${clientId}/measuring-lists`, 'POST', body),
      invalidatesTags: (_, error, { clientId }) => (error ? [] : [{ type: 'Client', id: clientId }]),
    }),
    changeClientList: b.mutation<
      AnswerOf<'PUT /client-lists/:id'>,
      MeasuringListChange & { id: number; clientId: number }
    >({
      query: ({ id, clientId: _, ...body }) => change(`/client-lists/${id}`, 'PUT', body),
      invalidatesTags: (_, error, { clientId }) => (error ? [] : [{ type: 'Client', id: clientId }]),
    }),
    dropClientList: b.mutation<AnswerOf<'DELETE /client-lists/:id'>, { id: number; clientId: number }>({
      query: ({ id }) => change(`/client-lists/${id}`, 'DELETE'),
      invalidatesTags: (_, error, { clientId }) => (error ? [] : [{ type: 'Client', id: clientId }]),
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
  useClientListsQuery,
  useAddClientListMutation,
  useChangeClientListMutation,
  useDropClientListMutation,
} = measuring;
