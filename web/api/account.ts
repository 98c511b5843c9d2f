import type { AnswerOf, DoorsWrite, PassphraseChange } from '@rocchetto/contract';
import type { z } from 'zod';
import { api, change } from './base.ts';

const account = api.injectEndpoints({
  endpoints: (b) => ({
    account: b.query<AnswerOf<'GET /me/account'>, void>({
      query: () => '/me/account',
      providesTags: ['Staff'],
    }),
    changeUnit: b.mutation<AnswerOf<'PUT /me/unit'>, 'cm' | 'in' | null>({
      query: (unit) => change('/me/unit', 'PUT', { unit }),
      invalidatesTags: (_, error) => (error ? [] : ['Me']),
    }),
    changePassphrase: b.mutation<AnswerOf<'POST /me/passphrase'>, z.infer<typeof PassphraseChange>>({
      query: (body) => change('/me/passphrase', 'POST', body),
      invalidatesTags: (_, error) => (error ? [] : ['Staff']),
    }),
    endSignIn: b.mutation<AnswerOf<'DELETE /me/sign-ins/:id'>, number>({
      query: (id) => change(`/me/sign-ins/${id}`, 'DELETE'),
      invalidatesTags: (_, error) => (error ? [] : ['Staff']),
    }),
    beginFactor: b.mutation<AnswerOf<'POST /me/second-factor'>, void>({
      query: () => change('/me/second-factor', 'POST'),
    }),
    confirmFactor: b.mutation<AnswerOf<'POST /me/second-factor/confirm'>, string>({
      query: (code) => change('/me/second-factor/confirm', 'POST', { code }),
    }),
    dropFactor: b.mutation<AnswerOf<'POST /me/second-factor/off'>, string>({
      query: (passphrase) => change('/me/second-factor/off', 'POST', { passphrase }),
      invalidatesTags: (_, error) => (error ? [] : ['Staff', 'Me']),
    }),
    doors: b.query<AnswerOf<'GET /security/doors'>, void>({
      query: () => '/security/doors',
      providesTags: ['House'],
    }),
    changeDoors: b.mutation<AnswerOf<'PUT /security/doors'>, DoorsWrite>({
      query: (body) => change('/security/doors', 'PUT', body),
      invalidatesTags: (_, error) => (error ? [] : ['House', 'Me']),
    }),
    securityEvents: b.query<AnswerOf<'GET /security'>, number | null>({
      query: (before) => ({ url: '/security', params: before === null ? {} : { before } }),
      keepUnusedDataFor: 0,
    }),
  }),
});
export const {
  useAccountQuery,
  useChangeUnitMutation,
  useChangePassphraseMutation,
  useEndSignInMutation,
  useBeginFactorMutation,
  useConfirmFactorMutation,
  useDropFactorMutation,
  useDoorsQuery,
  useChangeDoorsMutation,
  useSecurityEventsQuery,
} = account;
