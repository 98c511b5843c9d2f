import type { AnswerOf, ImportView } from '@rocchetto/contract';
import type { Column } from '@rocchetto/core';
import { api, change } from './base.ts';

const imports = api.injectEndpoints({
  endpoints: (b) => ({
    importFile: b.query<AnswerOf<'GET /imports/:id'>, { id: number; from: number }>({
      query: ({ id, from }) => ({ url: `/imports/${id}`, params: { from } }),
      keepUnusedDataFor: 0,
    }),
    mapImport: b.mutation<
      AnswerOf<'PUT /imports/:id'>,
      {
        id: number;
        columns: readonly Column[];
        encoding: ImportView['encoding'];
        leave: readonly number[];
        from: number;
      }
    >({
      query: ({ id, from: _, ...body }) => change(`/imports/${id}`, 'PUT', body),
      async onQueryStarted({ id, from }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled.catch(() => ({ data: null }));
        if (!data) return;
        // The answer shows the first rows; another page of them is asked for again.
        dispatch(imports.util.upsertQueryData('importFile', { id, from: 0 }, data));
        if (from > 0) dispatch(imports.endpoints.importFile.initiate({ id, from }, { forceRefetch: true }));
      },
    }),
    takeImport: b.mutation<AnswerOf<'POST /imports/:id/take'>, number>({
      query: (id) => change(`/imports/${id}/take`, 'POST', {}),
      invalidatesTags: (_, error) => (error ? [] : ['Client', 'Session']),
    }),
  }),
});
export const { useImportFileQuery, useMapImportMutation, useTakeImportMutation } = imports;
