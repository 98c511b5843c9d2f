import type { ImportView } from '@rocchetto/contract';
import type { Column } from '@rocchetto/core';
import { api, change } from '../api/base.ts';

const imports = api.injectEndpoints({
  endpoints: (b) => ({
    importFile: b.query<ImportView, number>({ query: (id) => `/imports/${id}`, keepUnusedDataFor: 0 }),
    mapImport: b.mutation<
      ImportView,
      { id: number; columns: readonly Column[]; encoding: ImportView['encoding'] }
    >({
      query: ({ id, ...body }) => change(`/imports/${id}`, 'PUT', body),
      async onQueryStarted({ id }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled.catch(() => ({ data: null }));
        if (data) dispatch(imports.util.upsertQueryData('importFile', id, data));
      },
    }),
    takeImport: b.mutation<object, number>({
      query: (id) => change(`/imports/${id}/take`, 'POST', {}),
      invalidatesTags: (_, error) => (error ? [] : ['Client', 'Session']),
    }),
  }),
});
export const { useImportFileQuery, useMapImportMutation, useTakeImportMutation } = imports;
