import type { AnswerOf, Role } from '@rocchetto/contract';
import { api, change } from './base.ts';

const staff = api.injectEndpoints({
  endpoints: (b) => ({
    staff: b.query<AnswerOf<'GET /staff'>, void>({ query: () => '/staff', providesTags: ['Staff'] }),
    addStaff: b.mutation<AnswerOf<'POST /staff'>, { name: string; role: Role }>({
      query: (body) => change('/staff', 'POST', body),
      invalidatesTags: ['Staff'],
    }),
    changeStaff: b.mutation<
      AnswerOf<'PUT /staff/:id'>,
      { id: number; name: string; role: Role; was: { name: string; role: Role } }
    >({
      query: ({ id, ...body }) => change(`/staff/${id}`, 'PUT', body),
      invalidatesTags: ['Staff', 'Me', 'Diary'],
    }),
    staffLink: b.mutation<AnswerOf<'POST /staff/:id/link'>, number>({
      query: (id) => change(`/staff/${id}/link`, 'POST'),
      invalidatesTags: ['Staff'],
    }),
    withdrawLink: b.mutation<AnswerOf<'DELETE /staff/:id/link'>, number>({
      query: (id) => change(`/staff/${id}/link`, 'DELETE'),
      invalidatesTags: ['Staff'],
    }),
    removeStaff: b.mutation<AnswerOf<'DELETE /staff/:id'>, number>({
      query: (id) => change(`/staff/${id}`, 'DELETE'),
      invalidatesTags: ['Staff'],
    }),
    ahead: b.query<AnswerOf<'GET /staff/:id/ahead'>, number>({
      query: (id) => `/staff/${id}/ahead`,
      providesTags: ['Diary', 'Staff'],
    }),
    handWorkOver: b.mutation<
      AnswerOf<'POST /staff/:id/hand-over'>,
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
  useChangeStaffMutation,
  useStaffLinkMutation,
  useWithdrawLinkMutation,
  useRemoveStaffMutation,
  useAheadQuery,
  useHandWorkOverMutation,
} = staff;
