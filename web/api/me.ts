import type { AnswerOf, Me } from '@rocchetto/contract';
import { api, setCsrfToken } from './base.ts';

const session = api.injectEndpoints({
  endpoints: (b) => ({
    me: b.query<AnswerOf<'GET /me'>, void>({
      query: () => '/me',
      transformResponse: (me: Me) => {
        setCsrfToken(me.csrf);
        return me;
      },
      providesTags: ['Me'],
    }),
  }),
});
export const { useMeQuery } = session;
