import type { AnswerOf, PairsWrite } from '@rocchetto/contract';
import { api, change } from './base.ts';

const tape = api.injectEndpoints({
  endpoints: (b) => ({
    history: b.query<AnswerOf<'GET /clients/:id/history'>, number>({
      query: (id) => `/clients/${id}/history`,
      providesTags: ['Session', 'Client'],
    }),
    whoseTape: b.query<AnswerOf<'GET /tape'>, void>({ query: () => '/tape', providesTags: ['Session'] }),
    keepPairs: b.mutation<AnswerOf<'POST /tape/pairs'>, PairsWrite>({
      query: (body) => change('/tape/pairs', 'POST', body),
      invalidatesTags: (_, error) => (error ? [] : ['Session']),
    }),
  }),
});
export const { useHistoryQuery, useWhoseTapeQuery, useKeepPairsMutation } = tape;
