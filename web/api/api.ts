import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type {
  BriefWire,
  ClientFull,
  ClientRow,
  ClientView,
  ClientWrite,
  Me,
  OrderFull,
  OrderRow,
  OrderWrite,
  Role,
  SheetChange,
  SheetView,
  StaffView,
} from '@rocchetto/contract';
import type { Reading } from '@rocchetto/core';

let csrf = '';

/** One key for one intended change: a repeat of the same call carries the same key. */
const keyed = (url: string, method: string, body: unknown) => ({
  url,
  method,
  body: body as object,
  headers: { 'idempotency-key': crypto.randomUUID() },
});

/** A measuring session as the server tells it. */
export interface SessionFull {
  readonly id: string;
  readonly clientId: number;
  readonly orderId: number | null;
  readonly at: string;
  readonly measurer: string;
  readonly unit: 'cm' | 'in';
  readonly details: {
    readonly scribe: string;
    readonly beneath: string;
    readonly heel: string | null;
    readonly posture: string;
    readonly waistRule: string;
    readonly hipRule: string;
    readonly guardian: string;
  };
  readonly readings: readonly Reading[];
}
export interface Earlier {
  readonly id: string;
  readonly at: string;
  readonly readings: readonly Reading[];
}

export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({
    baseUrl: '/api',
    prepareHeaders: (headers) => {
      if (csrf) headers.set('x-csrf-token', csrf);
      return headers;
    },
  }),
  tagTypes: ['Me', 'Clients', 'Client', 'Orders', 'Order', 'Sheet', 'Session', 'Staff'],
  endpoints: (b) => ({
    me: b.query<Me, void>({
      query: () => '/me',
      transformResponse: (me: Me) => {
        csrf = me.csrf;
        return me;
      },
      providesTags: ['Me'],
    }),
    signIn: b.mutation<void, { name: string; passphrase: string }>({
      query: (body) => ({ url: '/sign-in', method: 'POST', body }),
    }),
    signOut: b.mutation<void, void>({ query: () => ({ url: '/sign-out', method: 'POST', body: {} }) }),
    setUp: b.mutation<void, { token: string; name: string; passphrase: string }>({
      query: (body) => ({ url: '/setup', method: 'POST', body }),
    }),
    clients: b.query<ClientRow[], { q: string; after?: ClientRow | undefined }>({
      query: ({ q, after }) => ({
        url: '/clients',
        params: q ? { q } : after ? { afterName: after.name, afterId: after.id } : {},
      }),
      providesTags: ['Clients'],
    }),
    likely: b.query<ClientRow[], { name: string; phone: string; except: number }>({
      query: (params) => ({ url: '/clients/likely', params }),
    }),
    client: b.query<ClientFull, number>({ query: (id) => `/clients/${id}`, providesTags: ['Client'] }),
    addClient: b.mutation<ClientView, ClientWrite>({
      query: (body) => keyed('/clients', 'POST', body),
      invalidatesTags: ['Clients'],
    }),
    changeClient: b.mutation<ClientView, ClientWrite & { id: number; version: number }>({
      query: ({ id, ...body }) => keyed(`/clients/${id}`, 'PUT', body),
      invalidatesTags: ['Clients', 'Client', 'Orders', 'Order'],
    }),
    orders: b.query<OrderRow[], { q: string; after?: OrderRow | undefined }>({
      query: ({ q, after }) => ({
        url: '/orders',
        params: {
          ...(q ? { q } : {}),
          ...(after ? { afterDue: after.dueOn ?? 'infinity', afterId: after.id } : {}),
        },
      }),
      providesTags: ['Orders'],
    }),
    order: b.query<OrderFull, number>({ query: (id) => `/orders/${id}`, providesTags: ['Order'] }),
    addOrder: b.mutation<OrderFull, OrderWrite>({
      query: (body) => keyed('/orders', 'POST', body),
      invalidatesTags: ['Orders', 'Client'],
    }),
    changeOrder: b.mutation<OrderFull, OrderWrite & { id: number; version: number }>({
      query: ({ id, ...body }) => keyed(`/orders/${id}`, 'PUT', body),
      invalidatesTags: ['Orders', 'Order', 'Sheet', 'Client'],
    }),
    changeBrief: b.mutation<OrderFull, { id: number; version: number; brief: BriefWire }>({
      query: ({ id, ...body }) => keyed(`/orders/${id}/brief`, 'PUT', body),
      invalidatesTags: ['Orders', 'Order', 'Sheet'],
    }),
    importSpec: b.mutation<SheetView, { id: number; spec: unknown }>({
      query: ({ id, spec }) => keyed(`/orders/${id}/import`, 'POST', spec),
      invalidatesTags: ['Orders', 'Order', 'Sheet', 'Session', 'Client'],
    }),
    session: b.query<SessionFull, string>({ query: (id) => `/sessions/${id}`, providesTags: ['Session'] }),
    earlier: b.query<Earlier[], { clientId: number; except: string }>({
      query: ({ clientId, except }) => ({ url: `/clients/${clientId}/earlier`, params: { except } }),
      providesTags: ['Session'],
    }),
    sheet: b.query<SheetView, { id: number; revision: number | null }>({
      query: ({ id, revision }) => ({ url: `/orders/${id}/sheet`, params: revision ? { revision } : {} }),
      providesTags: ['Sheet'],
    }),
    changeSheet: b.mutation<SheetView, { id: number } & SheetChange>({
      query: ({ id, ...body }) => keyed(`/orders/${id}/sheet/changes`, 'POST', body),
      invalidatesTags: ['Sheet', 'Order', 'Orders'],
    }),
    agreeSheet: b.mutation<SheetView, { id: number; version: number; name: string }>({
      query: ({ id, ...body }) => keyed(`/orders/${id}/sheet/agree`, 'POST', body),
      invalidatesTags: ['Sheet', 'Order', 'Orders'],
    }),
    cutSheet: b.mutation<SheetView, { id: number; version: number }>({
      query: ({ id, ...body }) => keyed(`/orders/${id}/sheet/cut`, 'POST', body),
      invalidatesTags: ['Sheet', 'Order', 'Orders'],
    }),
    staff: b.query<StaffView[], void>({ query: () => '/staff', providesTags: ['Staff'] }),
    addStaff: b.mutation<{ id: number; path: string }, { name: string; role: Role }>({
      query: (body) => keyed('/staff', 'POST', body),
      invalidatesTags: ['Staff'],
    }),
    staffLink: b.mutation<{ id: number; path: string }, number>({
      query: (id) => keyed(`/staff/${id}/link`, 'POST', {}),
    }),
    removeStaff: b.mutation<void, number>({
      query: (id) => ({ url: `/staff/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Staff'],
    }),
  }),
});

/** The token that every change carries; the outbox of readings sends outside the API slice. */
export const csrfToken = () => csrf;

export const {
  useMeQuery,
  useSignInMutation,
  useSignOutMutation,
  useSetUpMutation,
  useClientsQuery,
  useLikelyQuery,
  useClientQuery,
  useAddClientMutation,
  useChangeClientMutation,
  useOrdersQuery,
  useOrderQuery,
  useAddOrderMutation,
  useChangeOrderMutation,
  useChangeBriefMutation,
  useImportSpecMutation,
  useSessionQuery,
  useEarlierQuery,
  useSheetQuery,
  useChangeSheetMutation,
  useAgreeSheetMutation,
  useCutSheetMutation,
  useStaffQuery,
  useAddStaffMutation,
  useStaffLinkMutation,
  useRemoveStaffMutation,
} = api;
