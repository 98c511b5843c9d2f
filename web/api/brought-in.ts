import type { AnswerOf, BroughtInWrite } from '@rocchetto/contract';
import { api, change } from './base.ts';

const broughtIn = api.injectEndpoints({
  endpoints: (b) => ({
    bringIn: b.mutation<AnswerOf<'POST /brought-in'>, BroughtInWrite>({
      query: (body) => change('/brought-in', 'POST', body),
      invalidatesTags: (_, error) => (error ? [] : ['Order', 'Client']),
    }),
    ticket: b.query<AnswerOf<'GET /tickets'>, string>({
      query: (code) => ({ url: '/tickets', params: { code } }),
      keepUnusedDataFor: 0,
    }),
  }),
});
export const { useBringInMutation, useLazyTicketQuery } = broughtIn;
