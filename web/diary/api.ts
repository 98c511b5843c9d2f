import type {
  AppointmentDetails,
  AppointmentStep,
  AppointmentView,
  BusyFile,
  BusyKept,
  BusyWrite,
  ClosureWrite,
  DiaryHouse,
  DiaryRuleChange,
  DiaryRules,
  DiaryView,
  FeedView,
  LeaveWrite,
  MoveAppointment,
  NewAppointment,
  Outbox,
  RoomWrite,
  StaffWork,
  TimesQuery,
  TimeView,
  WouldStand,
  WouldStandAsked,
} from '@rocchetto/contract';
import type { z } from 'zod';
import { api, change, LIST, STEP } from '../api/base.ts';

/** What a change of one appointment moves on the screens. */
const moved = (_: unknown, error: unknown, { id }: { id: number }) =>
  error ? [] : [{ type: 'Diary' as const, id }, { type: 'Diary' as const, id: LIST }, 'Order' as const];
const settled = (_: unknown, error: unknown) => (error ? [] : ['Diary' as const, 'Staff' as const]);
type Step<T extends z.ZodType> = { id: number } & z.infer<T>;

export interface Wishes extends Partial<Omit<TimesQuery, 'notOn' | 'away'>> {
  readonly kind: string;
  readonly notOn?: string;
}

const diary = api.injectEndpoints({
  endpoints: (b) => ({
    diaryHouse: b.query<DiaryHouse, void>({
      query: () => '/diary/house',
      providesTags: [{ type: 'Diary', id: LIST }, 'Staff', 'House'],
    }),
    diary: b.query<DiaryView, { day: string; days?: number }>({
      query: (params) => ({ url: '/diary', params }),
      providesTags: [{ type: 'Diary', id: LIST }],
    }),
    appointment: b.query<AppointmentView, number>({
      query: (id) => `/appointments/${id}`,
      providesTags: (_, __, id) => [{ type: 'Diary', id }],
    }),
    times: b.query<{ kind: string; minutes: number; says: string; times: TimeView[] }, Wishes>({
      query: (params) => ({ url: '/diary/times', params }),
      providesTags: [{ type: 'Diary', id: LIST }],
    }),
    series: b.query<{ times: TimeView[] }, Wishes & { count: number; apart: number; lastBy?: string }>({
      query: (params) => ({ url: '/diary/series', params }),
      providesTags: [{ type: 'Diary', id: LIST }],
    }),
    book: b.mutation<AppointmentView, Partial<NewAppointment>>({
      query: (body) => change('/appointments', 'POST', body),
      invalidatesTags: (_, error) => (error ? [] : [{ type: 'Diary', id: LIST }, 'Order']),
    }),
    moveAppointment: b.mutation<AppointmentView, Step<typeof MoveAppointment>>({
      query: ({ id, ...body }) => change(`/appointments/${id}/move`, 'POST', body),
      extraOptions: STEP,
      invalidatesTags: moved,
    }),
    stepAppointment: b.mutation<AppointmentView, { id: number } & z.input<typeof AppointmentStep>>({
      query: ({ id, ...body }) => change(`/appointments/${id}/status`, 'POST', body),
      extraOptions: STEP,
      invalidatesTags: moved,
    }),
    readyAppointment: b.mutation<AppointmentView, { id: number; version: number; ready: boolean }>({
      query: ({ id, ...body }) => change(`/appointments/${id}/ready`, 'POST', body),
      extraOptions: STEP,
      invalidatesTags: moved,
    }),
    closeClientPage: b.mutation<{ ended: number }, number>({
      query: (id) => change(`/appointments/${id}/close-link`, 'POST'),
    }),
    messages: b.query<Outbox, { show?: 'told' | 'to-come'; appointment?: number; before?: number }>({
      query: (params) => ({ url: '/messages', params }),
      providesTags: [{ type: 'Diary', id: LIST }],
    }),
    feeds: b.query<FeedView[], void>({
      query: () => '/feeds',
      providesTags: [{ type: 'Diary', id: 'FEEDS' }],
    }),
    addFeed: b.mutation<{ id: number; path: string }, { roomId: number | null }>({
      query: (body) => change('/feeds', 'POST', body),
      invalidatesTags: [{ type: 'Diary', id: 'FEEDS' }],
    }),
    removeFeed: b.mutation<void, number>({
      query: (id) => change(`/feeds/${id}`, 'DELETE'),
      invalidatesTags: [{ type: 'Diary', id: 'FEEDS' }],
    }),
    busy: b.query<BusyFile[], void>({
      query: () => '/busy',
      providesTags: [{ type: 'Diary', id: LIST }],
    }),
    addBusy: b.mutation<BusyKept, z.infer<typeof BusyWrite>>({
      query: (body) => change('/busy', 'POST', body),
      invalidatesTags: settled,
    }),
    removeBusy: b.mutation<void, number>({
      query: (id) => change(`/busy/${id}`, 'DELETE'),
      invalidatesTags: settled,
    }),
    noteAppointment: b.mutation<AppointmentView, { id: number } & z.infer<typeof AppointmentDetails>>({
      query: ({ id, ...body }) => change(`/appointments/${id}`, 'PUT', body),
      invalidatesTags: moved,
    }),
    setCarrier: b.mutation<{ fails: boolean }, { fails: boolean }>({
      query: (body) => change('/messages/carrier', 'POST', body),
      invalidatesTags: [{ type: 'Diary', id: LIST }],
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
      invalidatesTags: settled,
    }),
    addRoom: b.mutation<{ id: number }, RoomWrite>({
      query: (body) => change('/rooms', 'POST', body),
      invalidatesTags: settled,
    }),
    changeRoom: b.mutation<{ version: number }, RoomWrite & { id: number; version: number }>({
      query: ({ id, ...body }) => change(`/rooms/${id}`, 'PUT', body),
      invalidatesTags: settled,
    }),
    removeRoom: b.mutation<void, number>({
      query: (id) => change(`/rooms/${id}`, 'DELETE'),
      invalidatesTags: settled,
    }),
    addLeave: b.mutation<{ id: number }, LeaveWrite>({
      query: (body) => change('/leave', 'POST', body),
      invalidatesTags: settled,
    }),
    removeLeave: b.mutation<void, number>({
      query: (id) => change(`/leave/${id}`, 'DELETE'),
      invalidatesTags: settled,
    }),
    addClosure: b.mutation<{ id: number }, ClosureWrite>({
      query: (body) => change('/closures', 'POST', body),
      invalidatesTags: settled,
    }),
    removeClosure: b.mutation<void, number>({
      query: (id) => change(`/closures/${id}`, 'DELETE'),
      invalidatesTags: settled,
    }),
  }),
});
export const {
  useCloseClientPageMutation,
  useDiaryHouseQuery,
  useDiaryQuery,
  useAppointmentQuery,
  useTimesQuery,
  useSeriesQuery,
  useBookMutation,
  useMoveAppointmentMutation,
  useStepAppointmentMutation,
  useReadyAppointmentMutation,
  useMessagesQuery,
  useSetCarrierMutation,
  useBusyQuery,
  useAddBusyMutation,
  useRemoveBusyMutation,
  useNoteAppointmentMutation,
  useFeedsQuery,
  useAddFeedMutation,
  useRemoveFeedMutation,
  useChangeRulesMutation,
  useRuleChangesQuery,
  useWouldStandQuery,
  useChangeWorkMutation,
  useAddRoomMutation,
  useChangeRoomMutation,
  useRemoveRoomMutation,
  useAddLeaveMutation,
  useRemoveLeaveMutation,
  useAddClosureMutation,
  useRemoveClosureMutation,
} = diary;
