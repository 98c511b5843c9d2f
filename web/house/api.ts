import type {
  AheadView,
  HandedOver,
  HouseBench,
  HouseBenchView,
  HouseRulesView,
  HouseRulesWire,
  HouseSettings,
  HouseView,
  Role,
  StaffView,
  WouldMove,
} from '@rocchetto/contract';
import { api, change } from '../api/base.ts';

const house = api.injectEndpoints({
  endpoints: (b) => ({
    staff: b.query<StaffView[], void>({ query: () => '/staff', providesTags: ['Staff'] }),
    addStaff: b.mutation<{ id: number; path: string }, { name: string; role: Role }>({
      query: (body) => change('/staff', 'POST', body),
      invalidatesTags: ['Staff'],
    }),
    staffLink: b.mutation<{ id: number; path: string }, number>({
      query: (id) => change(`/staff/${id}/link`, 'POST'),
    }),
    removeStaff: b.mutation<void, number>({
      query: (id) => change(`/staff/${id}`, 'DELETE'),
      invalidatesTags: ['Staff'],
    }),
    ahead: b.query<AheadView, number>({
      query: (id) => `/staff/${id}/ahead`,
      providesTags: ['Diary', 'Staff'],
    }),
    handOver: b.mutation<HandedOver, { id: number; toId: number; appointments?: number[]; bench?: number[] }>(
      {
        query: ({ id, ...body }) => change(`/staff/${id}/hand-over`, 'POST', body),
        invalidatesTags: ['Diary', 'Order'],
      },
    ),
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
  useStaffQuery,
  useAddStaffMutation,
  useStaffLinkMutation,
  useRemoveStaffMutation,
  useAheadQuery,
  useHandOverMutation,
  useHouseQuery,
  useChangeHouseMutation,
  useHouseRulesQuery,
  useChangeHouseRulesMutation,
  useWouldMoveQuery,
  useHouseBenchQuery,
  useChangeHouseBenchMutation,
} = house;
