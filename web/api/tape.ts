import type { HistoryView, PairsWrite, WhoseTape } from '@rocchetto/contract';
import { api, change } from './base.ts';

const tape = api.injectEndpoints({
  endpoints: (b) => ({
    history: b.query<HistoryView, number>({
      query: (id) => `/clients/${id}/history`,
      providesTags: ['Session', 'Client'],
    }),
    whoseTape: b.query<WhoseTape, void>({ query: () => '/tape', providesTags: ['Session'] }),
    keepPairs: b.mutation<object, PairsWrite>({
      query: (body) => change('/tape/pairs', 'POST', body),
      invalidatesTags: (_, error) => (error ? [] : ['Session']),
    }),
  }),
});
export const { useHistoryQuery, useWhoseTapeQuery, useKeepPairsMutation } = tape;
