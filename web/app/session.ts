import type { Me } from '@rocchetto/contract';
import { api, change, setCsrfToken } from '../api/base.ts';

const session = api.injectEndpoints({
  endpoints: (b) => ({
    me: b.query<Me, void>({
      query: () => '/me',
      transformResponse: (me: Me) => {
        setCsrfToken(me.csrf);
        return me;
      },
      providesTags: ['Me'],
    }),
    signOut: b.mutation<void, void>({ query: () => change('/sign-out', 'POST') }),
  }),
});
export const { useMeQuery, useSignOutMutation } = session;
