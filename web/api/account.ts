import type {
  Account,
  DoorsWrite,
  FactorBegun,
  FactorOn,
  PassphraseChange,
  SecurityEvents,
} from '@rocchetto/contract';
import type { z } from 'zod';
import { api, change } from './base.ts';

const account = api.injectEndpoints({
  endpoints: (b) => ({
    account: b.query<Account, void>({ query: () => '/me/account', providesTags: ['Staff'] }),
    changePassphrase: b.mutation<object, z.infer<typeof PassphraseChange>>({
      query: (body) => change('/me/passphrase', 'POST', body),
      invalidatesTags: (_, error) => (error ? [] : ['Staff']),
    }),
    endSignIn: b.mutation<object, number>({
      query: (id) => change(`/me/sign-ins/${id}`, 'DELETE'),
      invalidatesTags: (_, error) => (error ? [] : ['Staff']),
    }),
    beginFactor: b.mutation<FactorBegun, void>({ query: () => change('/me/second-factor', 'POST') }),
    confirmFactor: b.mutation<FactorOn, string>({
      query: (code) => change('/me/second-factor/confirm', 'POST', { code }),
    }),
    dropFactor: b.mutation<object, string>({
      query: (passphrase) => change('/me/second-factor/off', 'POST', { passphrase }),
      invalidatesTags: (_, error) => (error ? [] : ['Staff', 'Me']),
    }),
    doors: b.query<DoorsWrite, void>({ query: () => '/security/doors', providesTags: ['House'] }),
    changeDoors: b.mutation<DoorsWrite, DoorsWrite>({
      query: (body) => change('/security/doors', 'PUT', body),
      invalidatesTags: (_, error) => (error ? [] : ['House', 'Me']),
    }),
    securityEvents: b.query<SecurityEvents, number | null>({
      query: (before) => ({ url: '/security', params: before === null ? {} : { before } }),
      keepUnusedDataFor: 0,
    }),
  }),
});
export const {
  useAccountQuery,
  useChangePassphraseMutation,
  useEndSignInMutation,
  useBeginFactorMutation,
  useConfirmFactorMutation,
  useDropFactorMutation,
  useDoorsQuery,
  useChangeDoorsMutation,
  useSecurityEventsQuery,
} = account;
