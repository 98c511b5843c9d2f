import type { AheadView, HandedOver, Role, StaffView } from '@rocchetto/contract';
import { api, change } from './base.ts';

const staff = api.injectEndpoints({
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
    handWorkOver: b.mutation<
      HandedOver,
      { id: number; toId: number; appointments?: number[]; bench?: number[] }
    >({
      query: ({ id, ...body }) => change(`/staff/${id}/hand-over`, 'POST', body),
      invalidatesTags: ['Diary', 'Order'],
    }),
  }),
});
export const {
  useStaffQuery,
  useAddStaffMutation,
  useStaffLinkMutation,
  useRemoveStaffMutation,
  useAheadQuery,
  useHandWorkOverMutation,
} = staff;
