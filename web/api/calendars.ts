import type { AnswerOf, BusyWrite } from '@rocchetto/contract';
import type { z } from 'zod';
import { api, change, LIST } from './base.ts';
import { movesHours } from './moves.ts';

const calendars = api.injectEndpoints({
  endpoints: (b) => ({
    feeds: b.query<AnswerOf<'GET /feeds'>, void>({
      query: () => '/feeds',
      providesTags: [{ type: 'Diary', id: 'FEEDS' }],
    }),
    addFeed: b.mutation<AnswerOf<'POST /feeds'>, { roomId: number | null }>({
      query: (body) => change('/feeds', 'POST', body),
      invalidatesTags: [{ type: 'Diary', id: 'FEEDS' }],
    }),
    removeFeed: b.mutation<AnswerOf<'DELETE /feeds/:id'>, number>({
      query: (id) => change(`/feeds/${id}`, 'DELETE'),
      invalidatesTags: [{ type: 'Diary', id: 'FEEDS' }],
    }),
    busy: b.query<AnswerOf<'GET /busy'>, void>({
      query: () => '/busy',
      providesTags: [{ type: 'Diary', id: LIST }],
    }),
    addBusy: b.mutation<AnswerOf<'POST /busy'>, z.infer<typeof BusyWrite>>({
      query: (body) => change('/busy', 'POST', body),
      invalidatesTags: movesHours,
    }),
    removeBusy: b.mutation<AnswerOf<'DELETE /busy/:id'>, number>({
      query: (id) => change(`/busy/${id}`, 'DELETE'),
      invalidatesTags: movesHours,
    }),
  }),
});
export const {
  useFeedsQuery,
  useAddFeedMutation,
  useRemoveFeedMutation,
  useBusyQuery,
  useAddBusyMutation,
  useRemoveBusyMutation,
} = calendars;
