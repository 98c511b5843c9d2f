import type {
  HouseBench,
  HouseBenchView,
  HouseRulesView,
  HouseRulesWire,
  HouseSettings,
  HouseView,
  WouldMove,
} from '@rocchetto/contract';
import { api, change } from './base.ts';

const house = api.injectEndpoints({
  endpoints: (b) => ({
    house: b.query<HouseView, void>({ query: () => '/house', providesTags: ['House'] }),
    houseRules: b.query<HouseRulesView, void>({ query: () => '/house/rules', providesTags: ['House'] }),
    changeHouseRules: b.mutation<{ version: number }, { version: number; rules: HouseRulesWire }>({
      query: (body) => change('/house/rules', 'PUT', body),
      invalidatesTags: (_, error) => (error ? [] : ['House', 'Me', 'Order', 'Sheet']),
    }),
    houseBench: b.query<HouseBenchView, void>({ query: () => '/house/bench', providesTags: ['House'] }),
    changeHouseBench: b.mutation<{ version: number }, { version: number; bench: HouseBench }>({
      query: (body) => change('/house/bench', 'PUT', body),
      invalidatesTags: (_, error) => (error ? [] : ['House']),
    }),
    wouldMove: b.query<WouldMove, HouseRulesWire>({
      query: (rules) => change('/house/rules/would-move', 'POST', { rules }),
      keepUnusedDataFor: 0,
    }),
    changeHouse: b.mutation<HouseView, HouseSettings & { version: number }>({
      query: (body) => change('/house', 'PUT', body),
      invalidatesTags: (_, error) => (error ? [] : ['House', 'Me', 'Order', 'Sheet']),
    }),
  }),
});
export const {
  useHouseQuery,
  useHouseRulesQuery,
  useChangeHouseRulesMutation,
  useHouseBenchQuery,
  useChangeHouseBenchMutation,
  useWouldMoveQuery,
  useChangeHouseMutation,
} = house;
