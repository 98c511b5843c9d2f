import type { AnswerOf, SheetChange, SheetView } from '@rocchetto/contract';
import { decide } from '@rocchetto/contract/decide.ts';
import { AGREEING, api, change, LIST, STEP } from './base.ts';
import type { store } from './store.ts';

const touched = (_: unknown, error: unknown, { id }: { id: number }) =>
  error
    ? []
    : ([
        { type: 'Order', id },
        { type: 'Order', id: LIST },
        // What was agreed at a fitting goes into the sheet, and stands so in its own list.
        { type: 'Alterations', id },
      ] as const);

/** The answer to a change is the sheet as it is now: it is shown as it comes, without asking again. */
async function show(
  { id }: { id: number },
  {
    dispatch,
    queryFulfilled,
  }: { dispatch: typeof store.dispatch; queryFulfilled: Promise<{ data: SheetView }> },
  takeBack: () => void = () => undefined,
) {
  const done = await queryFulfilled.catch(takeBack);
  if (done) dispatch(sheet.util.upsertQueryData('sheet', { id, revision: null }, done.data));
}

const sheet = api.injectEndpoints({
  endpoints: (b) => ({
    sheet: b.query<AnswerOf<'GET /orders/:id/sheet'>, { id: number; revision: number | null }>({
      query: ({ id, revision }) => ({
        url: `/orders/${id}/sheet`,
        params: revision ? { revision } : {},
      }),
      providesTags: (_, __, { id }) => [{ type: 'Sheet', id }],
    }),
    changeSheet: b.mutation<
      AnswerOf<'POST /orders/:id/sheet/changes'>,
      { id: number; by: string } & SheetChange
    >({
      query: ({ id, by: _, ...body }) => change(`/orders/${id}/sheet/changes`, 'POST', body),
      extraOptions: STEP,
      invalidatesTags: touched,
      async onQueryStarted(asked, told) {
        const drawn = { id: asked.id, revision: null };
        // A sheet that was asked for before the change would put the old figure back meanwhile.
        const before = told.dispatch(sheet.util.getRunningQueryThunk('sheet', drawn));
        before?.abort();
        // A draft shows the change at once, by the same rules as the server; a refusal takes it back.
        const shown = told.dispatch(
          sheet.util.updateQueryData('sheet', drawn, (view) => {
            if (view.status !== 'draft' || view.kept || view.version !== asked.version) return undefined;
            const spec = decide(view.spec, asked.change, { by: asked.by, at: new Date().toISOString() });
            return { ...view, spec };
          }),
        );
        await show(asked, told, () => {
          shown.undo();
          if (before)
            void told.dispatch(
              sheet.endpoints.sheet.initiate(drawn, { forceRefetch: true, subscribe: false }),
            );
        });
      },
    }),
    agreeSheet: b.mutation<
      AnswerOf<'POST /orders/:id/sheet/agree'>,
      { id: number; version: number; name: string }
    >({
      query: ({ id, ...body }) => change(`/orders/${id}/sheet/agree`, 'POST', body),
      extraOptions: AGREEING,
      invalidatesTags: touched,
      onQueryStarted: show,
    }),
    cutSheet: b.mutation<AnswerOf<'POST /orders/:id/sheet/cut'>, { id: number; version: number }>({
      query: ({ id, ...body }) => change(`/orders/${id}/sheet/cut`, 'POST', body),
      extraOptions: AGREEING,
      invalidatesTags: touched,
      onQueryStarted: show,
    }),
  }),
});
export const {
  useSheetQuery,
  useLazySheetQuery,
  useChangeSheetMutation,
  useAgreeSheetMutation,
  useCutSheetMutation,
} = sheet;
