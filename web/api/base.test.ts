import { configureStore } from '@reduxjs/toolkit';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AGREEING, api, change, STEP, setCsrfToken } from './base.ts';

interface Asked {
  readonly method: string;
  readonly path: string;
  readonly headers: Headers;
  readonly body: string;
}
let asked: Asked[];
/** How the stand-in server answers, one after another; the last one goes on. */
let answers: (() => Response)[];
const json = (body: unknown, status = 200, headers: Record<string, string> = {}) => {
  return () => Response.json(body, { status, headers });
};
const away = () => {
  throw new TypeError('no network');
};

const { endpoints } = api.injectEndpoints({
  endpoints: (b) => ({
    look: b.query<{ n: number }, string>({ query: (q) => ({ url: '/looked', params: { q } }) }),
    write: b.mutation<unknown, { to: string; body: object }>({
      query: ({ to, body }) => change(to, 'POST', body),
    }),
    step: b.mutation<unknown, { to: string; body: object }>({
      query: ({ to, body }) => change(to, 'POST', body),
      extraOptions: STEP,
    }),
    agree: b.mutation<unknown, { to: string; body: object }>({
      query: ({ to, body }) => change(to, 'POST', body),
      extraOptions: AGREEING,
    }),
  }),
});

const opened = () =>
  configureStore({
    reducer: { api: api.reducer },
    middleware: (usual) => usual().concat(api.middleware),
  });
let store: ReturnType<typeof opened>;
const look = (q: string) =>
  store.dispatch(endpoints.look.initiate(q, { forceRefetch: true, subscribe: false }));
const write = (to: string, body: object) => store.dispatch(endpoints.write.initiate({ to, body }));

beforeEach(() => {
  asked = [];
  answers = [json({ n: 1 })];
  store = opened();
  // A page's own addresses have no host.
  const Asking = Request;
  vi.stubGlobal(
    'Request',
    class extends Asking {
      constructor(address: string, init?: RequestInit) {
        super(new URL(address, 'http://studio.test'), init);
      }
    },
  );
  vi.stubGlobal('fetch', async (request: Request) => {
    const { pathname, search } = new URL(request.url);
    const body = await request.text();
    asked.push({ method: request.method, path: pathname + search, headers: request.headers, body });
    const answer = answers.length > 1 ? answers.shift()! : answers[0]!;
    return answer();
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
  setCsrfToken('');
});
const keys = () => asked.map((a) => a.headers.get('idempotency-key'));

describe('a change', () => {
  it('carries the page’s token, its words and a key; a question carries no key', async () => {
    setCsrfToken('a token');
    await write('/orders', { what: 'Skirt' });
    await look('token');
    expect(asked[0]).toMatchObject({ method: 'POST', path: '/api/orders', body: '{"what":"Skirt"}' });
    expect(asked[0]!.headers.get('x-csrf-token')).toBe('a token');
    expect(keys()[0]).toMatch(/^[0-9a-f-]{36}$/);
    expect(keys()[1]).toBeNull();
  });

  it('keeps its key through a lost answer, a refusal and a second press', async () => {
    answers = [away, json({ detail: 'Somebody else is saving this.' }, 503), json({}), json({})];
    for (let press = 0; press < 4; press++) await write('/orders', { what: 'Pressed again' });
    expect(new Set(keys()).size).toBe(1);
  });

  it('is another one when its words, its address or its time are others', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    await write('/orders', { what: 'Words' });
    await write('/orders', { what: 'Other words' });
    await write('/clients', { what: 'Words' });
    vi.advanceTimersByTime(2000);
    await write('/orders', { what: 'Words' });
    expect(new Set(keys()).size).toBe(4);
  });

  it('tells its refusal as the server put it, and silence as what it is', async () => {
    answers = [json({ detail: 'An order needs a garment.' }, 422), away];
    expect((await write('/orders', { n: 1 })).error).toMatchObject({
      status: 422,
      data: { detail: 'An order needs a garment.' },
    });
    expect((await write('/orders', { n: 2 })).error).toMatchObject({ status: 'FETCH_ERROR' });
  });
});

describe('a step', () => {
  const step = (to: string, body: object) => store.dispatch(endpoints.step.initiate({ to, body }));
  const versions = () => asked.map((a) => JSON.parse(a.body).version);

  it('pressed before the one before it is answered waits for it, and goes on top of what it made', async () => {
    answers = [json({ version: 3 }), json({ version: 4 })];
    await Promise.all(
      ['give', 'Remove'].map((does) => step('/alterations/9001/steps', { version: 2, does })),
    );
    expect(versions()).toEqual([2, 3]);
    expect(new Set(keys()).size).toBe(2);
  });

  it('pressed twice goes out twice as it is, under one key', async () => {
    answers = [json({ version: 3 })];
    const press = () => step('/alterations/9002/steps', { version: 2, does: 'give' });
    await Promise.all([press(), press()]);
    expect(versions()).toEqual([2, 2]);
    expect(new Set(keys()).size).toBe(1);
  });

  it('that says yes waits for what is shown, and says nothing when that was refused', async () => {
    const agree = (to: string) => store.dispatch(endpoints.agree.initiate({ to, body: { version: 2 } }));
    answers = [json({ version: 3 }), json({ version: 4 })];
    await Promise.all([
      step('/orders/9004/sheet/changes', { version: 2, hip: '3 cm' }),
      agree('/orders/9004/sheet/agree'),
    ]);
    expect(versions()).toEqual([2, 3]);
    asked = [];
    answers = [json({ detail: 'Somebody else is saving this.' }, 503)];
    const [changed, agreed] = await Promise.all([
      step('/orders/9005/sheet/changes', { version: 2, hip: '3 cm' }),
      agree('/orders/9005/sheet/agree'),
    ]);
    expect(changed.error).toMatchObject({ status: 503 });
    expect(agreed.error).toMatchObject({ data: { detail: expect.stringContaining('nothing was agreed') } });
    expect(asked).toHaveLength(1);
    // Once the refusal is on the screen, it is what is shown that is agreed.
    answers = [json({ version: 3 })];
    expect((await agree('/orders/9005/sheet/agree')).error).toBeUndefined();
  });

  it('that was refused leaves the next one where the page is', async () => {
    answers = [json({ detail: 'Somebody has saved this.' }, 409), json({ version: 8 })];
    const first = await step('/alterations/9003/steps', { version: 6, does: 'give' });
    expect(first.error).toMatchObject({ status: 409 });
    await step('/alterations/9003/steps', { version: 7, does: 'give' });
    expect(versions()).toEqual([6, 7]);
  });
});

describe('an answer that carries a tag', () => {
  it('is asked for by its tag, and unchanged it is the very same', async () => {
    answers = [json({ n: 7 }, 200, { etag: '"seven"' }), () => new Response(null, { status: 304 })];
    const first = await look('seven');
    const again = await look('seven');
    expect(asked[0]!.headers.has('if-none-match')).toBe(false);
    expect(asked[1]!.headers.get('if-none-match')).toBe('"seven"');
    expect(again.data).toEqual({ n: 7 });
    expect(again.data).toBe(first.data);
  });

  it('belongs to its address: another question is asked without it, and a change never asks by it', async () => {
    answers = [json({ n: 8 }, 200, { etag: '"eight"' })];
    await look('eight');
    await look('nine');
    await write('/looked', {});
    expect(asked.slice(1).map((a) => a.headers.get('if-none-match'))).toEqual([null, null]);
  });

  it('gives way to a newer one, and a refusal does not take its place', async () => {
    answers = [
      json({ n: 1 }, 200, { etag: '"one"' }),
      json({ n: 2 }, 200, { etag: '"two"' }),
      json({ detail: 'Not yours.' }, 403, { etag: '"no"' }),
      () => new Response(null, { status: 304 }),
    ];
    for (let i = 0; i < 3; i++) await look('newer');
    expect((await look('newer')).data).toEqual({ n: 2 });
    expect(asked.at(-1)!.headers.get('if-none-match')).toBe('"two"');
  });

  it('is let go once a hundred others have come', async () => {
    answers = [json({ n: 1 }, 200, { etag: '"x"' })];
    for (let i = 0; i <= 101; i++) await look(`many ${i}`);
    await look('many 101');
    await look('many 0');
    expect(asked.slice(-2).map((a) => a.headers.get('if-none-match'))).toEqual(['"x"', null]);
  });
});
