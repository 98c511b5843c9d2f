import type {
  AnswerOf,
  AppointmentDetails,
  AppointmentStep,
  MoveAppointment,
  NewAppointment,
  TimesQuery,
} from '@rocchetto/contract';
import type { z } from 'zod';
import { api, change, LIST, STEP } from './base.ts';

/** What a change of one appointment moves on the screens. */
const moved = (_: unknown, error: unknown, { id }: { id: number }) =>
  error ? [] : [{ type: 'Diary' as const, id }, { type: 'Diary' as const, id: LIST }, 'Order' as const];
type Step<T extends z.ZodType> = { id: number } & z.infer<T>;

export interface Wishes extends Partial<Omit<TimesQuery, 'notOn' | 'away'>> {
  readonly kind: string;
  readonly notOn?: string;
}

const diary = api.injectEndpoints({
  endpoints: (b) => ({
    diary: b.query<AnswerOf<'GET /diary'>, { day: string; days?: number }>({
      query: (params) => ({ url: '/diary', params }),
      providesTags: [{ type: 'Diary', id: LIST }],
    }),
    appointment: b.query<AnswerOf<'GET /appointments/:id'>, number>({
      query: (id) => `/appointments/${id}`,
      providesTags: (_, __, id) => [{ type: 'Diary', id }],
    }),
    times: b.query<AnswerOf<'GET /diary/times'>, Wishes>({
      query: (params) => ({ url: '/diary/times', params }),
      providesTags: [{ type: 'Diary', id: LIST }],
    }),
    series: b.query<
      AnswerOf<'GET /diary/series'>,
      Wishes & { count: number; apart: number; lastBy?: string }
    >({
      query: (params) => ({ url: '/diary/series', params }),
      providesTags: [{ type: 'Diary', id: LIST }],
    }),
    book: b.mutation<AnswerOf<'POST /appointments'>, Partial<NewAppointment>>({
      query: (body) => change('/appointments', 'POST', body),
      invalidatesTags: (_, error) => (error ? [] : [{ type: 'Diary', id: LIST }, 'Order']),
    }),
    moveAppointment: b.mutation<AnswerOf<'POST /appointments/:id/move'>, Step<typeof MoveAppointment>>({
      query: ({ id, ...body }) => change(`/appointments/${id}/move`, 'POST', body),
      extraOptions: STEP,
      invalidatesTags: moved,
    }),
    stepAppointment: b.mutation<
      AnswerOf<'POST /appointments/:id/status'>,
      { id: number } & z.input<typeof AppointmentStep>
    >({
      query: ({ id, ...body }) => change(`/appointments/${id}/status`, 'POST', body),
      extraOptions: STEP,
      invalidatesTags: moved,
    }),
    readyAppointment: b.mutation<
      AnswerOf<'POST /appointments/:id/ready'>,
      { id: number; version: number; ready: boolean }
    >({
      query: ({ id, ...body }) => change(`/appointments/${id}/ready`, 'POST', body),
      extraOptions: STEP,
      invalidatesTags: moved,
    }),
    closeClientPage: b.mutation<AnswerOf<'POST /appointments/:id/close-link'>, number>({
      query: (id) => change(`/appointments/${id}/close-link`, 'POST'),
    }),
    noteAppointment: b.mutation<
      AnswerOf<'PUT /appointments/:id'>,
      { id: number } & z.infer<typeof AppointmentDetails>
    >({
      query: ({ id, ...body }) => change(`/appointments/${id}`, 'PUT', body),
      invalidatesTags: moved,
    }),
  }),
});
export const {
  useDiaryQuery,
  useAppointmentQuery,
  useTimesQuery,
  useSeriesQuery,
  useBookMutation,
  useMoveAppointmentMutation,
  useStepAppointmentMutation,
  useReadyAppointmentMutation,
  useCloseClientPageMutation,
  useNoteAppointmentMutation,
} = diary;
