import type {
  ClosureWrite,
  DiaryHouse,
  DiaryRuleChange,
  DiaryRules,
  LeaveWrite,
  RoomWrite,
  StaffWork,
  WouldStand,
  WouldStandAsked,
} from '@rocchetto/contract';
import { api, change, LIST } from './base.ts';
import { movesHours } from './moves.ts';

const hours = api.injectEndpoints({
  endpoints: (b) => ({
    diaryHouse: b.query<DiaryHouse, void>({
      query: () => '/diary/house',
      providesTags: [{ type: 'Diary', id: LIST }, 'Staff', 'House'],
    }),
    changeRules: b.mutation<{ version: number }, { version: number; rules: DiaryRules }>({
      query: (body) => change('/diary/rules', 'PUT', body),
      invalidatesTags: (_, error) => (error ? [] : ['Diary', 'House']),
    }),
    wouldStand: b.query<WouldStand, WouldStandAsked>({
      query: (asked) => change('/diary/would-stand', 'POST', asked),
      keepUnusedDataFor: 0,
    }),
    ruleChanges: b.query<DiaryRuleChange[], void>({
      query: () => '/diary/rules/changes',
      providesTags: ['House', 'Staff', { type: 'Diary', id: LIST }],
    }),
    changeWork: b.mutation<{ version: number }, StaffWork & { id: number; version: number }>({
      query: ({ id, ...body }) => change(`/staff/${id}/work`, 'PUT', body),
      invalidatesTags: movesHours,
    }),
    addRoom: b.mutation<{ id: number }, RoomWrite>({
      query: (body) => change('/rooms', 'POST', body),
      invalidatesTags: movesHours,
    }),
    changeRoom: b.mutation<{ version: number }, RoomWrite & { id: number; version: number }>({
      query: ({ id, ...body }) => change(`/rooms/${id}`, 'PUT', body),
      invalidatesTags: movesHours,
    }),
    removeRoom: b.mutation<void, number>({
      query: (id) => change(`/rooms/${id}`, 'DELETE'),
      invalidatesTags: movesHours,
    }),
    addLeave: b.mutation<{ id: number }, LeaveWrite>({
      query: (body) => change('/leave', 'POST', body),
      invalidatesTags: movesHours,
    }),
    removeLeave: b.mutation<void, number>({
      query: (id) => change(`/leave/${id}`, 'DELETE'),
      invalidatesTags: movesHours,
    }),
    addClosure: b.mutation<{ id: number }, ClosureWrite>({
      query: (body) => change('/closures', 'POST', body),
      invalidatesTags: movesHours,
    }),
    removeClosure: b.mutation<void, number>({
      query: (id) => change(`/closures/${id}`, 'DELETE'),
      invalidatesTags: movesHours,
    }),
  }),
});
export const {
  useDiaryHouseQuery,
  useChangeRulesMutation,
  useWouldStandQuery,
  useRuleChangesQuery,
  useChangeWorkMutation,
  useAddRoomMutation,
  useChangeRoomMutation,
  useRemoveRoomMutation,
  useAddLeaveMutation,
  useRemoveLeaveMutation,
  useAddClosureMutation,
  useRemoveClosureMutation,
} = hours;
