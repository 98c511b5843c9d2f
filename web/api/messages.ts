import type { AnswerOf, MailServerWrite } from '@rocchetto/contract';
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
    sendAgain: b.mutation<AnswerOf<'POST /messages/:id/again'>, number>({
      query: (id) => change(`/messages/${id}/again`, 'POST', {}),
      invalidatesTags: [{ type: 'Diary', id: LIST }],
    }),
    mailServer: b.query<AnswerOf<'GET /house/mail'>, void>({
      query: () => '/house/mail',
      providesTags: ['House'],
    }),
    changeMailServer: b.mutation<AnswerOf<'PUT /house/mail'>, MailServerWrite & { version: number }>({
      query: (body) => change('/house/mail', 'PUT', body),
      invalidatesTags: (_, error) => (error ? [] : ['House', { type: 'Diary', id: LIST }]),
    }),
    tryMail: b.mutation<AnswerOf<'POST /house/mail/try'>, string>({
      query: (to) => change('/house/mail/try', 'POST', { to }),
    }),
  }),
});
export const {
  useMessagesQuery,
  useSetCarrierMutation,
  useSendAgainMutation,
  useMailServerQuery,
  useChangeMailServerMutation,
  useTryMailMutation,
} = messages;
