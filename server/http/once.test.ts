import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, clientBody, json, startTestApp, type TestApp } from '../app/testing.ts';

let t: TestApp;
let principal: Caller;
beforeAll(async () => {
  t = await startTestApp();
  principal = await t.as('principal');
});
afterAll(() => t.close());
const count = async (sql: string) => (await t.pool.query(`select count(*)::int as n from ${sql}`)).rows[0].n;

describe('a change with a key', () => {
  it('sent again with the same content is made once; with other content it is refused, not called a success', async () => {
    const key = { 'idempotency-key': randomUUID() };
    const add = (name: string) => principal.send('POST', '/clients', clientBody(name), key);
    const first = await json(add('Keyed One'), 201);
    expect(await json(add('Keyed One'), 201)).toEqual(first);
    const problem = await json(add('Keyed Two'), 422);
    expect(problem.code).toBe('key-used');
    expect(await count(`client where name like 'Keyed %'`)).toBe(1);
    const elsewhere = await principal.send(
      'PUT',
      `/clients/${first.id}`,
      { ...clientBody('Keyed One'), version: 1 },
      key,
    );
    expect(elsewhere.status).toBe(422);
  });
  it('that was refused keeps its key for the corrected one', async () => {
    const key = { 'idempotency-key': randomUUID() };
    expect((await principal.send('POST', '/orders', { clientId: 999_999, what: 'Cape' }, key)).status).toBe(
      422,
    );
    const client = await json(principal.send('POST', '/clients', clientBody('Later')), 201);
    expect((await principal.send('POST', '/orders', { clientId: client.id, what: 'Cape' }, key)).status).toBe(
      201,
    );
  });
  it('adds to the staff once, gives a link that works each time, and keeps no link where it could be read', async () => {
    const key = { 'idempotency-key': randomUUID() };
    const add = async () =>
      json(principal.send('POST', '/staff', { name: 'Once Only', role: 'desk' }, key), 201);
    const [one, two] = [await add(), await add()];
    expect(two.id).toBe(one.id);
    expect(await count(`staff where name = 'Once Only'`)).toBe(1);
    const kept = await t.pool.query('select body::text as b from write_once where key = $1', [
      key['idempotency-key'],
    ]);
    expect(kept.rows[0].b).not.toContain('setup');
    const set = (path: string) =>
      t.app.request('/api/setup', {
        method: 'POST',
        body: JSON.stringify({ token: path.split('#')[1], passphrase: 'four plain words here' }),
      });
    expect((await set(one.path)).status).toBe(410);
    expect((await set(two.path)).status).toBe(200);
  });
});

describe('a row that another hand holds', () => {
  it('stalls neither reading nor other changes, and is waited for about three seconds', async () => {
    const [held, free] = [
      await json(principal.send('POST', '/clients', clientBody('Held')), 201),
      await json(principal.send('POST', '/clients', clientBody('Free')), 201),
    ];
    const put = (c: { id: number; version: number }) =>
      principal.send('PUT', `/clients/${c.id}`, { ...clientBody('Changed'), version: c.version });
    const holder = await t.pool.connect();
    try {
      await holder.query('begin');
      await holder.query('select 1 from client where id = $1 for update', [held.id]);
      const start = performance.now();
      const order: string[] = [];
      const waiting = Array.from({ length: 20 }, () =>
        put(held).then(async (r) => {
          order.push('held');
          return r;
        }),
      );
      for (let i = 0; i < 20; i++) {
        expect((await principal.get(`/clients/${held.id}`)).status).toBe(200);
        order.push('read');
      }
      expect((await put(free)).status).toBe(200);
      order.push('free');
      const answers = await Promise.all(waiting);
      expect(performance.now() - start).toBeGreaterThan(2500);
      expect(order.indexOf('held')).toBeGreaterThan(order.indexOf('free'));
      for (const a of answers) {
        expect(a.status).toBe(503);
        expect(((await a.json()) as { detail: string }).detail).toContain('Someone else is saving this');
      }
    } finally {
      await holder.query('rollback');
      holder.release();
    }
    expect((await put(held)).status).toBe(200);
  }, 60_000);
});
