import type { AnswerOf, HouseBench, HouseRulesWire, HouseSettings } from '@rocchetto/contract';
import { api, change } from './base.ts';

const house = api.injectEndpoints({
  endpoints: (b) => ({
    house: b.query<AnswerOf<'GET /house'>, void>({ query: () => '/house', providesTags: ['House'] }),
    firstSteps: b.query<AnswerOf<'GET /house/first-steps'>, void>({
      query: () => '/house/first-steps',
      providesTags: ['House', 'Staff', 'Client', 'Order', 'Diary'],
    }),
    putFirstStepsAway: b.mutation<AnswerOf<'POST /house/first-steps/away'>, void>({
      query: () => change('/house/first-steps/away', 'POST', {}),
      invalidatesTags: (_, error) => (error ? [] : ['Me']),
    }),
    houseRules: b.query<AnswerOf<'GET /house/rules'>, void>({
      query: () => '/house/rules',
      providesTags: ['House'],
    }),
    changeHouseRules: b.mutation<AnswerOf<'PUT /house/rules'>, { version: number; rules: HouseRulesWire }>({
      query: (body) => change('/house/rules', 'PUT', body),
      invalidatesTags: (_, error) => (error ? [] : ['House', 'Me', 'Order', 'Sheet']),
    }),
    houseBench: b.query<AnswerOf<'GET /house/bench'>, void>({
      query: () => '/house/bench',
      providesTags: ['House'],
    }),
    changeHouseBench: b.mutation<AnswerOf<'PUT /house/bench'>, { version: number; bench: HouseBench }>({
      query: (body) => change('/house/bench', 'PUT', body),
      invalidatesTags: (_, error) => (error ? [] : ['House']),
    }),
    changeHouse: b.mutation<AnswerOf<'PUT /house'>, HouseSettings & { version: number; rounding?: string }>({
      query: (body) => change('/house', 'PUT', body),
      invalidatesTags: (_, error) => (error ? [] : ['House', 'Me', 'Order', 'Sheet']),
    }),
  }),
});
export const {
  useHouseQuery,
  useFirstStepsQuery,
  usePutFirstStepsAwayMutation,
  useHouseRulesQuery,
  useChangeHouseRulesMutation,
  useHouseBenchQuery,
  useChangeHouseBenchMutation,
  useChangeHouseMutation,
} = house;
