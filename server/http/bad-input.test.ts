import { ROUTES } from '@rocchetto/contract';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  type Caller,
  clientBody,
  json,
  sessionBody,
  skirtOrder,
  startTestApp,
  type TestApp,
} from '../app/testing.ts';
import { describeApi } from './describe.ts';

let t: TestApp;
let principal: Caller;
let order: Awaited<ReturnType<typeof skirtOrder>>;
beforeAll(async () => {
  t = await startTestApp();
  principal = await t.as('principal');
  order = await skirtOrder(principal);
});
afterAll(() => t.close());
const sheetChange = (change: object) =>
  principal.send('POST', `/orders/${order.orderId}/sheet/changes`, { version: 0, change });
const orderWith = (more: object) =>
  principal.send('POST', '/orders', { clientId: order.clientId, what: 'Skirt', ...more });

describe('bad input gets a sentence', () => {
  it.each<[string, () => Promise<Response>, RegExp]>([
    [
      'NUL in a text',
      () => principal.send('POST', '/clients', '{"name":"A\\u0000b"}'),
      /name.*can’t be saved/,
    ],
    [
      'half a surrogate pair',
      () => principal.send('POST', '/clients', '{"name":"A\\ud800b"}'),
      /can’t be saved/,
    ],
    [
      'NUL deep in a brief',
      () =>
        principal.send('PUT', `/orders/${order.orderId}/brief`, {
          version: 2,
          brief: { parts: [], cloth: { name: 'a\0' } },
        }),
      /brief.cloth.name/,
    ],
    ['NUL in a query', () => principal.get('/clients?q=a%00b'), /can’t be saved/],
    ['NUL in an order search', () => principal.get('/orders?q=%00'), /can’t be saved/],
    ['a day that is not', () => principal.get('/orders?afterDue=2026-99-99&afterId=1'), /afterDue/],
    ['an id with a half', () => principal.get('/clients/likely?name=ada&except=1.5'), /except/],
    ['the year 0', () => orderWith({ dueOn: '0000-01-01' }), /year/],
    [
      'an offset past the world',
      () =>
        principal.send('POST', '/readings', {
          ...sessionBody(order.clientId, null, []),
          session: { ...sessionBody(order.clientId, null, []).session, at: '2026-03-09T10:00:00+33:59' },
        }),
      /date and time/,
    ],
    [
      'an override of a figure that is not',
      () =>
        sheetChange({
          kind: 'override',
          id: crypto.randomUUID(),
          figure: 'sail',
          target: 'finished',
          value: '3 cm',
          reason: 'x',
        }),
      /no figure called “sail”/,
    ],
    [
      'an acceptance of a warning that is not',
      () => sheetChange({ kind: 'accept', code: 'sail', reason: 'x' }),
      /no longer applies/,
    ],
    [
      'a time zone that the platform knows and the diary does not',
      () => principal.send('PUT', '/house', { version: 1, studio: 'A', timeZone: 'NsT' }),
      /time zone/,
    ],
    [
      'a time zone that is not',
      () => principal.send('PUT', '/house', { version: 1, studio: 'A', timeZone: 'Moon/Base' }),
      /time zone/,
    ],
  ])('%s', async (_, ask, says) => {
    const problem = await json(ask(), 422);
    expect([problem.detail, ...(problem.problems ?? [])].join(' ')).toMatch(says);
  });
  it('lists within lists, thousands deep, are refused before anything is built of them, signed in or not', async () => {
    const deep = `${'['.repeat(20_000)}${']'.repeat(20_000)}`;
    const brief = `{"version":1,"brief":{"parts":${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}}}`;
    const stranger = await t.app.request('/api/sign-in', { method: 'POST', body: deep });
    expect([stranger.status, ((await stranger.json()) as { code: string }).code]).toEqual([400, 'too-deep']);
    for (const body of [deep, brief, `{"name":${deep}}`])
      expect((await json(principal.send('POST', '/clients', body), 400)).code).toBe('too-deep');
    // Brackets inside a text are letters.
    const name = `${'['.repeat(90)} "quoted\\" ${'{'.repeat(90)}`;
    expect((await json(principal.send('POST', '/clients', clientBody(name)), 201)).name).toBe(name);
  });
  it('36 dashes are no key', async () => {
    const res = await principal.send('POST', '/clients', clientBody('Dash'), {
      'idempotency-key': '-'.repeat(36),
    });
    expect(res.status).toBe(400);
  });
  it('an offset of nearly a day is an instant like another', async () => {
    const body = sessionBody(order.clientId, null, ['waist 70 cm']);
    await json(
      principal.send('POST', '/readings', {
        ...body,
        session: { ...body.session, at: '2026-03-09T10:00:00+23:59' },
      }),
    );
    expect((await json(principal.get(`/sessions/${body.session.id}`))).at).toContain('2026-03-08T10:01:00');
  });
});

/** Texts, numbers and things that a schema does not expect. */
const NASTY = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    '',
    '\0',
    '\ud800',
    '0000-01-01',
    '2026-99-99',
    '9'.repeat(400),
    -1,
    0,
    1.5,
    1e308,
    2 ** 53,
    true,
    [],
    {},
    [[]],
    "'; drop table client; --",
    '%',
    '_\\',
    '\u202e',
    '𝒜'.repeat(99),
    'NaN',
    '+23:59',
    '../..',
    '{"a":1}',
    '1e999',
  ),
  fc.string({ unit: 'binary', maxLength: 60 }),
  fc.jsonValue({ maxDepth: 2 }) as fc.Arbitrary<unknown>,
);
// biome-ignore lint/suspicious/noExplicitAny: JSON Schema as it comes
type Schema = any;

/** Values that a JSON schema describes, and now and then ones that it does not. */
function valuesOf(s: Schema, depth = 0): fc.Arbitrary<unknown> {
  const right = (): fc.Arbitrary<unknown> => {
    if (s.const !== undefined) return fc.constant(s.const);
    if (s.enum) return fc.constantFrom(...s.enum);
    if (s.anyOf || s.oneOf) return fc.oneof(...(s.anyOf ?? s.oneOf).map((x: Schema) => valuesOf(x, depth)));
    switch (s.type) {
      case 'string':
        if (s.format === 'uuid') return fc.uuid();
        if (s.format === 'date-time' || s.format === 'date')
          return fc
            .date({ noInvalidDate: true, min: new Date(0), max: new Date('2100-01-01') })
            .map((d) => (s.format === 'date' ? d.toISOString().slice(0, 10) : d.toISOString()));
        return fc.oneof(
          fc.string({ maxLength: 30 }),
          fc.constantFrom('62 cm', '24 1/2 in', '70', 'waist', 'hip'),
        );
      case 'integer':
        return fc.integer({ min: 0, max: 9 });
      case 'number':
        return fc.float({ noNaN: true });
      case 'boolean':
        return fc.boolean();
      case 'null':
        return fc.constant(null);
      case 'array':
        return depth > 3 ? fc.constant([]) : fc.array(valuesOf(s.items ?? {}, depth + 1), { maxLength: 3 });
      case 'object': {
        const fields = Object.fromEntries(
          Object.entries(s.properties ?? {}).map(([k, v]) => [k, valuesOf(v, depth + 1)]),
        );
        return fc.record(fields, { requiredKeys: s.required ?? [] });
      }
      default:
        return NASTY;
    }
  };
  return fc.oneof({ weight: 14, arbitrary: right() }, { weight: 1, arbitrary: NASTY });
}

const { paths } = describeApi() as { paths: Record<string, Record<string, Schema>> };
const LEFT_OUT = [
  'GET /live',
  'POST /sign-out',
  'POST /sign-in',
  'POST /setup',
  // These shut the door behind the one who asks; each has a test of its own.
  'POST /lock',
  'DELETE /me/sign-ins/{id}',
  'PUT /security/doors',
  // Paper takes long to print, and its routes take nothing but a number: each has a test of its own.
  'GET /orders/{id}/sheet.pdf',
  'GET /orders/{id}/bench-cards.pdf',
  'GET /orders/{id}/toile.pdf',
  'GET /orders/{id}/fitting-record.pdf',
  'GET /orders/{id}/ticket.pdf',
  'GET /orders/{id}/measuring-list.pdf',
  'GET /sessions/{id}/card.pdf',
  'GET /guide.pdf',
  'GET /manual.pdf',
  'GET /clients/{id}/data.zip',
  // The whole book is long; it has a test of its own.
  'GET /export/clients.csv',
  'GET /export/clients.json',
];
/** What takes nothing that could be otherwise is asked once. */
const takesNothing = (method: string, path: string, op: Schema): boolean =>
  method === 'get' && !path.includes('{') && !op.parameters?.some((p: Schema) => p.in === 'query');
const wanted = (method: string, path: string) => !LEFT_OUT.includes(`${method.toUpperCase()} ${path}`);
const plain = Object.entries(paths).flatMap(([path, methods]) =>
  Object.entries(methods).flatMap(([method, op]) =>
    wanted(method, path) && takesNothing(method, path, op) ? [path] : [],
  ),
);
/** One request of one route, from its own description. */
const requests = Object.entries(paths).flatMap(([path, methods]) =>
  Object.entries(methods)
    .filter(([method, op]) => wanted(method, path) && !takesNothing(method, path, op))
    .map(([method, op]) => {
      const query = (op.parameters ?? []).filter((p: Schema) => p.in === 'query');
      const id = path.includes('/sessions/')
        ? fc.oneof(fc.uuid(), fc.webPath())
        : fc.oneof(
            { weight: 9, arbitrary: fc.integer({ min: 1, max: 5 }).map(String) },
            { weight: 1, arbitrary: fc.string({ minLength: 1 }) },
          );
      return fc.record({
        method: fc.constant(method.toUpperCase()),
        path: id.map((i) => path.replace('{id}', encodeURIComponent(i.toWellFormed()))),
        query: fc.record(Object.fromEntries(query.map((p: Schema) => [p.name, valuesOf(p.schema)])), {
          requiredKeys: [],
        }),
        body: op.requestBody ? valuesOf(op.requestBody.content['application/json'].schema) : fc.constant({}),
      });
    }),
);

describe('10,000 requests over all routes, made from their schemas', () => {
  it('answer no 5xx', async () => {
    expect(requests.length + plain.length).toBe(Object.keys(ROUTES).length - LEFT_OUT.length);
    for (const path of plain) expect([path, (await principal.get(path)).status]).toEqual([path, 200]);
    const seen = new Map<number, number>();
    await fc.assert(
      fc.asyncProperty(fc.oneof(...requests), async ({ method, path, query, body }) => {
        const q = new URLSearchParams(
          Object.entries(query).map(([k, v]) => [
            k,
            typeof v === 'string' ? v.toWellFormed() : (JSON.stringify(v) ?? ''),
          ]),
        );
        const address = `${path}?${q}`;
        const res = await (method === 'GET' ? principal.get(address) : principal.send(method, address, body));
        seen.set(res.status, (seen.get(res.status) ?? 0) + 1);
        expect(res.status, `${method} ${address} ${JSON.stringify(body)?.slice(0, 500)}`).toBeLessThan(500);
      }),
      { numRuns: 10_000 },
    );
    // A fuzz that is refused everywhere proves little: some of it must go through.
    expect(seen.get(200) ?? 0).toBeGreaterThan(500);
    expect(seen.get(201) ?? 0).toBeGreaterThan(20);
  }, 1_800_000);
});
