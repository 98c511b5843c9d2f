import type { AnswerOf } from '@rocchetto/contract';
import { api, change, LIST } from './base.ts';

const messages = api.injectEndpoints({
  endpoints: (b) => ({
    messages: b.query<
      AnswerOf<'GET /messages'>,
      { show?: 'told' | 'to-come'; appointment?: number; before?: number }
    >({
      query: (params) => ({ url: '/messages', params }),
      providesTags: [{ type: 'Diary', id: LIST }],
    }),
    setCarrier: b.mutation<AnswerOf<'POST /messages/carrier'>, { fails: boolean }>({
      query: (body) => change('/messages/carrier', 'POST', body),
      invalidatesTags: [{ type: 'Diary', id: LIST }],
    }),
  }),
});
export const { useMessagesQuery, useSetCarrierMutation } = messages;
