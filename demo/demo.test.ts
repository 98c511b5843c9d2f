import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, startTestApp, type TestApp } from '../server/app/testing.ts';
import { seedDiary } from './diary.ts';
import { DEMO_PASSPHRASE } from './people.ts';
import { seedDemo } from './seed.ts';

let t: TestApp;
let fitter: Caller;
beforeAll(async () => {
  t = await startTestApp(() => new Date());
  await seedDemo(t.url);
  await seedDemo(t.url);
  fitter = await t.as('fitter');
});
afterAll(() => t.close());
const count = async (what: string) =>
  (await t.pool.query(`select count(*)::int as n from ${what}`)).rows[0].n as number;

describe('the demo', () => {
  it('is seeded once: 7 staff, 40 clients, 60 orders, sessions over two years in both units', async () => {
    expect(await count(`staff where name not like 'Test %'`)).toBe(7);
    expect(await count('client')).toBe(40);
    expect(await count('orders where with_id is null')).toBe(60);
    expect(await count('orders where with_id is not null')).toBe(1);
    expect(await count(`(select distinct unit from session) u`)).toBe(2);
    expect(await count(`session where at < now() - interval '600 days'`)).toBeGreaterThan(0);
    expect(await count(`session where at > now() - interval '10 days'`)).toBeGreaterThan(0);
  });
  it('holds skirts at every stage', async () => {
    const { rows } = await t.pool.query('select distinct status from sheet order by status');
    expect(rows.map((r) => r.status)).toEqual(['agreed', 'cut', 'draft']);
    expect(await count(`sheet where revision = 2`)).toBeGreaterThan(0);
  });
  it('every order that was measured prints a whole sheet: all of the book but what is only spoken of or brought in', async () => {
    const { rows } = await t.pool.query<{ id: number }>(
      'select distinct order_id as id from session where order_id is not null',
    );
    expect(rows.length).toBeGreaterThan(54);
    for (const { id } of rows) {
      const file = await json(fitter.get(`/orders/${id}/sheet.json`));
      expect(file.printed.figures.filter((f: { mark: string }) => f.mark.includes('absent'))).toEqual([]);
    }
  });
  it('has a diary of five past and four coming weeks, with what goes wrong in one', async () => {
    expect(await count('appointment')).toBeGreaterThan(100);
    expect(await count(`slot where upper(during) < now() - interval '28 days'`)).toBeGreaterThan(0);
    expect(await count(`slot where lower(during) > now() + interval '21 days'`)).toBeGreaterThan(0);
    expect(await count(`appointment where status = 'did-not-come'`)).toBe(1);
    expect(await count(`slot where state = 'left' and reason <> ''`)).toBe(1);
    expect(await count(`appointment where status = 'offered'`)).toBe(1);
    expect(await count(`history where what like '%refused'`)).toBe(1);
    expect(await count('bench_work')).toBeGreaterThan(6);
    const { rows } = await t.pool.query('select distinct status from alteration order by 1');
    expect(rows.map((r) => r.status)).toEqual([
      'accepted',
      'agreed',
      'asked',
      'checked',
      'declined',
      'done',
      'in-work',
    ]);
    expect([await count('busy_file'), await count('client_away')]).toEqual([1, 1]);
    expect([await count('leave'), await count('closure'), await count('room')]).toEqual([1, 1, 2]);
  });
  it('can be seeded on any day of the week: no story lies over another', async () => {
    const tx = await t.pool.connect();
    try {
      const staff = (
        await tx.query(
          `select id, name, role, '' as csrf from staff where name not like 'Test %' order by id`,
        )
      ).rows;
      const clients = (await tx.query('select id from client order by id')).rows;
      for (let k = 0; k < 7; k++) {
        await tx.query('begin');
        await tx.query(
          'truncate alteration, appointment, leave, closure, room, bench_work, busy_file, client_away cascade',
        );
        await seedDiary(tx, { staff, clients }, new Date(Date.now() + k * 86_400_000));
        const { rows } = await tx.query(
          `select count(*)::int as n from appointment where status = 'offered'`,
        );
        expect(rows[0].n).toBe(1);
        // On a Sunday too it opens on a studio at work.
        const { rows: then } = await tx.query(
          `select count(*)::int as n from slot where (lower(during) at time zone (select time_zone from house))::date
             = ((now() + $1 * interval '1 day') at time zone (select time_zone from house))::date`,
          [k],
        );
        expect(then[0].n, `day ${k}`).toBeGreaterThan(0);
        await tx.query('rollback');
      }
    } finally {
      await tx.query('rollback');
      tx.release();
    }
  });
  it('lets its staff in with the demo passphrase', async () => {
    const res = await t.app.request('/api/sign-in', {
      method: 'POST',
      body: JSON.stringify({ name: 'Odile Marchetti', passphrase: DEMO_PASSPHRASE }),
      headers: { 'content-type': 'application/json' },
    });
    expect(res.status).toBe(200);
  });
});
