import type { SheetChange, SheetView } from '@rocchetto/contract';
import { api, change, LIST } from '../api/base.ts';
import type { store } from '../api/store.ts';

const touched = (_: unknown, error: unknown, { id }: { id: number }) =>
  error
    ? []
    : ([
        { type: 'Order', id },
        { type: 'Order', id: LIST },
      ] as const);

/** The answer to a change is the sheet as it is now: it is shown as it comes, without asking again. */
async function show(
  { id }: { id: number },
  {
    dispatch,
    queryFulfilled,
  }: { dispatch: typeof store.dispatch; queryFulfilled: Promise<{ data: SheetView }> },
) {
  const done = await queryFulfilled.catch(() => null);
  if (done) dispatch(sheet.util.upsertQueryData('sheet', { id, revision: null }, done.data));
}

const sheet = api.injectEndpoints({
  endpoints: (b) => ({
    sheet: b.query<SheetView, { id: number; revision: number | null }>({
      query: ({ id, revision }) => ({
        url: `/orders/${id}/sheet`,
        params: revision ? { revision } : {},
      }),
      providesTags: (_, __, { id }) => [{ type: 'Sheet', id }],
    }),
    changeSheet: b.mutation<SheetView, { id: number } & SheetChange>({
      query: ({ id, ...body }) => change(`/orders/${id}/sheet/changes`, 'POST', body),
      invalidatesTags: touched,
      onQueryStarted: show,
    }),
    agreeSheet: b.mutation<SheetView, { id: number; version: number; name: string }>({
      query: ({ id, ...body }) => change(`/orders/${id}/sheet/agree`, 'POST', body),
      invalidatesTags: touched,
      onQueryStarted: show,
    }),
    cutSheet: b.mutation<SheetView, { id: number; version: number }>({
      query: ({ id, ...body }) => change(`/orders/${id}/sheet/cut`, 'POST', body),
      invalidatesTags: touched,
      onQueryStarted: show,
    }),
  }),
});
export const { useSheetQuery, useChangeSheetMutation, useAgreeSheetMutation, useCutSheetMutation } = sheet;
