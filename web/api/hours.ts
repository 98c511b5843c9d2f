import type {
  AnswerOf,
  ClosureWrite,
  DiaryRules,
  ImpactAsked,
  LeaveWrite,
  RoomWrite,
  StaffWork,
} from '@rocchetto/contract';
import { api, change, LIST } from './base.ts';
import { movesHours } from './moves.ts';

const hours = api.injectEndpoints({
  endpoints: (b) => ({
    diaryHouse: b.query<AnswerOf<'GET /diary/house'>, void>({
      query: () => '/diary/house',
      providesTags: [{ type: 'Diary', id: LIST }, 'Staff', 'House'],
    }),
    changeRules: b.mutation<AnswerOf<'PUT /diary/rules'>, { version: number; rules: DiaryRules }>({
      query: (body) => change('/diary/rules', 'PUT', body),
      invalidatesTags: (_, error) => (error ? [] : ['Diary', 'House']),
    }),
    impact: b.query<AnswerOf<'POST /diary/would-stand'>, ImpactAsked>({
      query: (asked) => change('/diary/would-stand', 'POST', asked),
      keepUnusedDataFor: 0,
    }),
    ruleChanges: b.query<AnswerOf<'GET /diary/rules/changes'>, void>({
      query: () => '/diary/rules/changes',
      providesTags: ['House', 'Staff', { type: 'Diary', id: LIST }],
    }),
    changeWork: b.mutation<AnswerOf<'PUT /staff/:id/work'>, StaffWork & { id: number; version: number }>({
      query: ({ id, ...body }) => change(`/staff/${id}/work`, 'PUT', body),
      invalidatesTags: movesHours,
    }),
    addRoom: b.mutation<AnswerOf<'POST /rooms'>, RoomWrite>({
      query: (body) => change('/rooms', 'POST', body),
      invalidatesTags: movesHours,
    }),
    changeRoom: b.mutation<AnswerOf<'PUT /rooms/:id'>, RoomWrite & { id: number; version: number }>({
      query: ({ id, ...body }) => change(`/rooms/${id}`, 'PUT', body),
      invalidatesTags: movesHours,
    }),
    removeRoom: b.mutation<AnswerOf<'DELETE /rooms/:id'>, number>({
      query: (id) => change(`/rooms/${id}`, 'DELETE'),
      invalidatesTags: movesHours,
    }),
    addLeave: b.mutation<AnswerOf<'POST /leave'>, LeaveWrite>({
      query: (body) => change('/leave', 'POST', body),
      invalidatesTags: movesHours,
    }),
    removeLeave: b.mutation<AnswerOf<'DELETE /leave/:id'>, number>({
      query: (id) => change(`/leave/${id}`, 'DELETE'),
      invalidatesTags: movesHours,
    }),
    addClosure: b.mutation<AnswerOf<'POST /closures'>, ClosureWrite>({
      query: (body) => change('/closures', 'POST', body),
      invalidatesTags: movesHours,
    }),
    removeClosure: b.mutation<AnswerOf<'DELETE /closures/:id'>, number>({
      query: (id) => change(`/closures/${id}`, 'DELETE'),
      invalidatesTags: movesHours,
    }),
  }),
});
export const {
  useDiaryHouseQuery,
  useChangeRulesMutation,
  useImpactQuery,
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
