import type { BusyFile, BusyKept, BusyWrite, FeedView } from '@rocchetto/contract';
import type { z } from 'zod';
import { api, change, LIST } from './base.ts';
import { movesHours } from './moves.ts';

const calendars = api.injectEndpoints({
  endpoints: (b) => ({
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
      invalidatesTags: movesHours,
    }),
    removeBusy: b.mutation<void, number>({
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
