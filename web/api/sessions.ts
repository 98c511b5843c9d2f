import type { Earlier, SessionFull } from '@rocchetto/contract';
import { api } from './base.ts';

const measuring = api.injectEndpoints({
  endpoints: (b) => ({
    session: b.query<SessionFull, string>({
      query: (id) => `/sessions/${id}`,
      providesTags: (_, __, id) => [{ type: 'Session', id }],
    }),
    earlier: b.query<Earlier[], { clientId: number; except: string }>({
      query: ({ clientId, except }) => ({ url: `/clients/${clientId}/earlier`, params: { except } }),
    }),
  }),
});
export const { useSessionQuery, useEarlierQuery } = measuring;
