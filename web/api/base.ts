import {
  type BaseQueryFn,
  createApi,
  type FetchArgs,
  type FetchBaseQueryError,
  fetchBaseQuery,
} from '@reduxjs/toolkit/query/react';
import { noteAnswer } from '../offline/connection.ts';
import { inLine } from './in-line.ts';
import { keyFor, landed } from './intent.ts';
import { onTop, recordOf, taken } from './own-steps.ts';

let csrf = '';
/** The token that every change carries; the outbox of readings sends outside the API slice. */
export const csrfToken = () => csrf;
export const setCsrfToken = (token: string) => {
  csrf = token;
};

const fetchJson = fetchBaseQuery({
  baseUrl: '/api',
  prepareHeaders: (headers) => void (csrf && headers.set('x-csrf-token', csrf)),
});

/** Answers of addresses that carry a tag, in memory only: unchanged ones come back as 304 and are the same object. */
const tagged = new Map<string, { etag: string; data: unknown }>();

type Ask = BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError>;

/** Every change carries its intent's key; an unchanged sheet is not sent twice. */
const send: Ask = async (args, api, extra) => {
  const ask: FetchArgs = typeof args === 'string' ? { url: args } : args;
  const changes = ask.method !== undefined && ask.method !== 'GET';
  const address = `${ask.url}?${new URLSearchParams(ask.params)}`;
  const held = changes ? undefined : tagged.get(address);
  const intent = changes ? keyFor(ask.method!, ask.url, ask.body) : null;
  const headers = {
    ...(ask.headers as Record<string, string> | undefined),
    ...(intent ? { 'idempotency-key': intent.key } : {}),
    ...(held ? { 'if-none-match': held.etag } : {}),
  };
  // A change that is on its way goes on when its page is left; a browser carries few and small ones that far.
  const keepalive = changes && JSON.stringify(ask.body ?? '').length < 8000;
  const result = await fetchJson(
    {
      ...ask,
      keepalive,
      headers,
      validateStatus: (r) => (r.status >= 200 && r.status < 300) || r.status === 304,
    },
    api,
    extra,
  );
  if (!changes) noteAnswer(result.meta?.response?.headers);
  const status = result.meta?.response?.status;
  if (status === 304 && held) return { data: held.data, meta: result.meta };
  if (intent && !result.error) landed(intent);
  const etag = result.meta?.response?.headers.get('etag');
  if (!changes && etag && !result.error) {
    tagged.set(address, { etag, data: result.data });
    if (tagged.size > 100) tagged.delete(tagged.keys().next().value!);
  }
  return result;
};

/** A step of a record that has versions: one after another, each on top of what this page's own before it have made. */
const step: Ask = (args, api, extra) => {
  const asked = args as FetchArgs;
  return inLine(recordOf(asked.url), async () => {
    const version = onTop(asked.url, asked.body);
    const result = await send({ ...asked, body: { ...asked.body, version } }, api, extra);
    if (!result.error) taken(asked.url, asked.body, version, (result.data as { version: number }).version);
    return result;
  });
};

/** Marks an endpoint as such a step, in its `extraOptions`. */
export const STEP = { step: true } as const;
const baseQuery: BaseQueryFn<
  string | FetchArgs,
  unknown,
  FetchBaseQueryError,
  Partial<typeof STEP> | undefined
> = (args, api, extra) => (extra?.step ? step : send)(args, api, {});

/** The studio's server, as the screens see it. Each folder injects its own endpoints. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery,
  tagTypes: ['Me', 'House', 'Client', 'Order', 'Sheet', 'Session', 'Staff', 'Diary', 'Alterations'],
  endpoints: () => ({}),
});

/** Stands for a list in a tag's id. */
export const LIST = 'LIST';

export const change = (url: string, method: 'POST' | 'PUT' | 'DELETE', body: unknown = {}): FetchArgs => ({
  url,
  method,
  body,
});
