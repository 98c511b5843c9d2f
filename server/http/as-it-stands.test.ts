import { afterAll, beforeAll, expect, it } from 'vitest';
import { type Caller, json, skirtOrder, startTestApp, type TestApp } from '../app/testing.ts';
import { hasTag } from './tags.ts';

let t: TestApp;
let principal: Caller;
let orderId = 0;
let clientId = 0;
beforeAll(async () => {
  t = await startTestApp();
  principal = await t.as('principal');
  ({ orderId, clientId } = await skirtOrder(principal, { phone: '0555 1', note: 'a note' }));
  await json(principal.send('POST', '/rooms', { name: 'Bay', goodFor: ['fitting'] }), 201);
});
afterAll(() => t.close());

const lines = async () => (await t.pool.query('select count(*)::int as n from history')).rows[0].n as number;
interface Saved {
  readonly version: number;
}
/** What a form sends of a record that nobody touched, and where. */
const forms: [string, () => Promise<{ path: string; body: object; version: () => Promise<number> }>][] = [
  [
    'a client',
    async () => {
      const c = await json(principal.get(`/clients/${clientId}`));
      const { name, phone, email, address, note, minor, guardian } = c;
      const path = `/clients/${clientId}`;
      return {
        path,
        body: { version: c.version, name, phone, email, address, note, minor, guardian },
        version: async () => ((await json(principal.get(path))) as Saved).version,
      };
    },
  ],
  [
    'an order',
    async () => {
      const path = `/orders/${orderId}`;
      const o = await json(principal.get(path));
      const { what, occasion, wornOn, dueOn, responsibleId } = o;
      return {
        path,
        body: { version: o.version, clientId, what, occasion, wornOn, dueOn, responsibleId },
        version: async () => ((await json(principal.get(path))) as Saved).version,
      };
    },
  ],
  [
    'a brief',
    async () => {
      const o = await json(principal.get(`/orders/${orderId}`));
      return {
        path: `/orders/${orderId}/brief`,
        body: { version: o.version, brief: o.brief },
        version: async () => ((await json(principal.get(`/orders/${orderId}`))) as Saved).version,
      };
    },
  ],
  [
    'a room',
    async () => {
      const find = async () => (await json(principal.get('/diary/house'))).rooms[0];
      const { id, name, goodFor, version } = await find();
      return {
        path: `/rooms/${id}`,
        body: { version, name, goodFor },
        version: async () => (await find()).version,
      };
    },
  ],
  [
    'the work of one of the staff',
    async () => {
      const find = async () => (await json(principal.get('/diary/house'))).staff[0];
      const { id, skills, initials, mark, hours, version } = await find();
      return {
        path: `/staff/${id}/work`,
        body: { version, skills, initials, mark, hours },
        version: async () => (await find()).version,
      };
    },
  ],
];

it.each(forms)(
  '%s saved as it stands is no change: no line in the history, no new version',
  async (_, form) => {
    const { path, body, version } = await form();
    const [before, written] = [await version(), await lines()];
    await json(principal.send('PUT', path, body));
    expect([await version(), await lines()]).toEqual([before, written]);
  },
);

it('a change of one field is one', async () => {
  const { path, body, version } = await forms[0]![1]();
  const before = await version();
  await json(principal.send('PUT', path, { ...body, note: 'another note' }));
  expect(await version()).toBe(before + 1);
});

// RFC 9110, 8.8.3.2: the table of examples (from memory): weak comparison takes W/"1" and "1" for the same.
it.each<[string | undefined, string, boolean]>([
  ['"1"', '"1"', true],
  ['W/"1"', '"1"', true],
  ['W/"1"', 'W/"1"', true],
  ['W/"1"', 'W/"2"', false],
  ['"x", W/"1"', '"1"', true],
  ['*', '"1"', true],
  [undefined, '"1"', false],
])('a request that has %s has %s: %s', (asked, etag, has) => expect(hasTag(asked, etag)).toBe(has));
