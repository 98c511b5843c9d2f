import {
  type BaseQueryApi,
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

interface How {
  /** a step of a record that has versions: after this page's own before it, on top of what they have made */
  readonly step?: boolean;
  /** it says yes to what is shown: not when a step that is shown already is refused meanwhile */
  readonly seen?: boolean;
}
/** Marks an endpoint as a step, in its `extraOptions`. */
export const STEP: How = { step: true };
export const AGREEING: How = { step: true, seen: true };

/** Whether the last step of a record was kept, while that is not known. */
const going = new Map<string, Promise<boolean>>();

const step = (asked: FetchArgs, api: BaseQueryApi, { seen }: How) => {
  const record = recordOf(asked.url);
  const shown = seen ? going.get(record) : undefined;
  const result = inLine(record, async () => {
    if (shown && !(await shown)) {
      const detail = 'Your last change was not saved, so nothing was agreed. Check the sheet and try again.';
      const data = { type: 'about:blank', title: 'not kept', status: 422, code: 'not-kept', detail };
      return { error: { status: 422, data } };
    }
    const version = onTop(asked.url, asked.body);
    const answer = await send({ ...asked, body: { ...asked.body, version } }, api, {});
    if (!answer.error) taken(asked.url, asked.body, version, (answer.data as { version: number }).version);
    return answer;
  });
  const kept = result.then((r) => !r.error);
  going.set(record, kept);
  void kept.then(() => going.get(record) === kept && going.delete(record));
  return result;
};

const baseQuery: BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError, How | undefined> = (
  args,
  api,
  how,
) => (how?.step ? step(args as FetchArgs, api, how) : send(args, api, {}));

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
