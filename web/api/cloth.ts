import type { AnswerOf } from '@rocchetto/contract';
import type { LayKeep } from '@rocchetto/contract/cloth-lay.ts';
import { api, change } from './base.ts';

/** A kept lay on one page. */
export const layPaper = (id: number, of: string): string => `/api/orders/${id}/cloth.pdf?of=${of}`;

const cloth = api.injectEndpoints({
  endpoints: (b) => ({
    cloth: b.query<AnswerOf<'GET /orders/:id/cloth'>, number>({
      query: (id) => `/orders/${id}/cloth`,
      providesTags: (_, __, id) => [
        { type: 'Sheet', id },
        { type: 'Order', id },
      ],
    }),
    keepLay: b.mutation<AnswerOf<'POST /orders/:id/cloth'>, LayKeep & { orderId: number }>({
      query: ({ orderId, ...body }) => change(`/orders/${orderId}/cloth`, 'POST', body),
      invalidatesTags: (_, error, { orderId }) =>
        error
          ? []
          : [
              { type: 'Order', id: orderId },
              { type: 'Sheet', id: orderId },
            ],
    }),
  }),
});
export const { useClothQuery, useKeepLayMutation } = cloth;
