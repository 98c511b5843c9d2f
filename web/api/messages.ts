import type { Outbox } from '@rocchetto/contract';
import { api, change, LIST } from './base.ts';

const messages = api.injectEndpoints({
  endpoints: (b) => ({
    messages: b.query<Outbox, { show?: 'told' | 'to-come'; appointment?: number; before?: number }>({
      query: (params) => ({ url: '/messages', params }),
      providesTags: [{ type: 'Diary', id: LIST }],
    }),
    setCarrier: b.mutation<{ fails: boolean }, { fails: boolean }>({
      query: (body) => change('/messages/carrier', 'POST', body),
      invalidatesTags: [{ type: 'Diary', id: LIST }],
    }),
  }),
});
export const { useMessagesQuery, useSetCarrierMutation } = messages;
