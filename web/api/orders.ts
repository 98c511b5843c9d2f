import type {
  AnswerOf,
  BriefWire,
  OrderCancel,
  OrderFull,
  OrderRow,
  OrderView,
  OrderWrite,
} from '@rocchetto/contract';
import type { Stage } from '@rocchetto/core/thread/stage.ts';
import { api, change, LIST } from './base.ts';

export interface OrdersAsked {
  readonly q?: string;
  readonly view?: OrderView;
  readonly stage?: Stage | undefined;
  readonly responsible?: number | undefined;
  readonly after?: OrderRow | undefined;
}

const given = (params: Record<string, unknown>) =>
  Object.fromEntries(Object.entries(params).filter(([, v]) => v !== undefined && v !== ''));

const orders = api.injectEndpoints({
  endpoints: (b) => ({
    orders: b.query<AnswerOf<'GET /orders'>, OrdersAsked>({
      query: ({ after, ...asked }) => ({
        url: '/orders',
        params: given({
          ...asked,
          afterDue: after && (after.dueOn ?? 'infinity'),
          afterId: after?.id,
        }),
      }),
      providesTags: [{ type: 'Order', id: LIST }],
    }),
    order: b.query<AnswerOf<'GET /orders/:id'>, number>({
      query: (id) => `/orders/${id}`,
      // A device may still show what it was told before an order could hold several garments.
      transformResponse: (o: OrderFull) => ({
        ...o,
        garments: o.garments ?? [
          { id: o.id, number: o.number, what: o.what, stage: o.stage, parts: o.brief?.parts ?? [] },
        ],
      }),
      providesTags: (_, __, id) => [{ type: 'Order', id }],
    }),
    addOrder: b.mutation<AnswerOf<'POST /orders'>, OrderWrite>({
      query: (body) => change('/orders', 'POST', body),
      invalidatesTags: (_, error, { clientId }) =>
        error
          ? []
          : [
              { type: 'Order', id: LIST },
              { type: 'Client', id: clientId },
            ],
    }),
    addGarment: b.mutation<AnswerOf<'POST /orders/:id/garments'>, { id: number; what: string }>({
      query: ({ id, what }) => change(`/orders/${id}/garments`, 'POST', { what }),
      invalidatesTags: (made, error, { id }) =>
        error
          ? []
          : [
              { type: 'Order', id: LIST },
              { type: 'Order', id },
              ...(made?.garments.map((g) => ({ type: 'Order' as const, id: g.id })) ?? []),
              ...(made ? [{ type: 'Client' as const, id: made.clientId }] : []),
            ],
    }),
    changeOrder: b.mutation<AnswerOf<'PUT /orders/:id'>, OrderWrite & { id: number; version: number }>({
      query: ({ id, ...body }) => change(`/orders/${id}`, 'PUT', body),
      invalidatesTags: (_, error, { id, clientId }) =>
        error
          ? []
          : [
              { type: 'Order', id },
              { type: 'Order', id: LIST },
              { type: 'Sheet', id },
              { type: 'Client', id: clientId },
            ],
    }),
    cancelOrder: b.mutation<AnswerOf<'POST /orders/:id/cancel'>, OrderCancel & { id: number }>({
      query: ({ id, ...body }) => change(`/orders/${id}/cancel`, 'POST', body),
      invalidatesTags: (_, error, { id }) =>
        error ? [] : [{ type: 'Order', id }, { type: 'Order', id: LIST }, { type: 'Sheet', id }, 'Diary'],
    }),
    reopenOrder: b.mutation<AnswerOf<'POST /orders/:id/reopen'>, { id: number; version: number }>({
      query: ({ id, ...body }) => change(`/orders/${id}/reopen`, 'POST', body),
      invalidatesTags: (_, error, { id }) =>
        error
          ? []
          : [
              { type: 'Order', id },
              { type: 'Order', id: LIST },
              { type: 'Sheet', id },
            ],
    }),
    changeBrief: b.mutation<
      AnswerOf<'PUT /orders/:id/brief'>,
      { id: number; version: number; brief: BriefWire }
    >({
      query: ({ id, ...body }) => change(`/orders/${id}/brief`, 'PUT', body),
      invalidatesTags: (_, error, { id }) =>
        error
          ? []
          : [
              { type: 'Order', id },
              { type: 'Order', id: LIST },
              { type: 'Sheet', id },
            ],
    }),
    importSpec: b.mutation<AnswerOf<'POST /orders/:id/import'>, { id: number; spec: unknown }>({
      query: ({ id, spec }) => change(`/orders/${id}/import`, 'POST', spec),
      invalidatesTags: (_, error, { id }) =>
        error
          ? []
          : [{ type: 'Order', id }, { type: 'Order', id: LIST }, { type: 'Sheet', id }, 'Session', 'Client'],
    }),
  }),
});
export const {
  useOrdersQuery,
  useOrderQuery,
  useAddOrderMutation,
  useAddGarmentMutation,
  useChangeOrderMutation,
  useCancelOrderMutation,
  useReopenOrderMutation,
  useChangeBriefMutation,
  useImportSpecMutation,
} = orders;
