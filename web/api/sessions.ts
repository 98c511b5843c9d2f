import type { AnswerOf } from '@rocchetto/contract';
import { api } from './base.ts';

const measuring = api.injectEndpoints({
  endpoints: (b) => ({
    session: b.query<AnswerOf<'GET /sessions/:uuid'>, string>({
      query: (id) => `/sessions/${id}`,
      providesTags: (_, __, id) => [{ type: 'Session', id }],
    }),
    earlier: b.query<AnswerOf<'GET /clients/:id/earlier'>, { clientId: number; except: string }>({
      query: ({ clientId, except }) => ({ url: `/clients/${clientId}/earlier`, params: { except } }),
    }),
  }),
});
export const { useSessionQuery, useEarlierQuery } = measuring;
