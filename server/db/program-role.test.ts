import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../app/app.ts';
import { clientBody, json, startTestApp, type TestApp } from '../app/testing.ts';
import { runDue } from '../areas/messages/queue.ts';
import { NO_LIVE } from '../live/live.ts';
import { openSignIn } from '../records/sign-ins.ts';
import { openPool, type Pool } from './pool.ts';
import { grantProgram } from './program-role.ts';

let t: TestApp;
let program: Pool;
let url: string;
const role = `program_${randomUUID().slice(0, 8)}`;
beforeAll(async () => {
  t = await startTestApp();
  await t.as('principal');
  const owner = new pg.Client({ connectionString: t.url });
  await owner.connect();
  await owner.query(`create role ${role} login password 'only-here'`);
  await grantProgram(owner, role);
  await owner.end();
  url = Object.assign(new URL(t.url), { username: role, password: 'only-here' }).toString();
  program = openPool(url, () => undefined);
});
afterAll(async () => {
  await program.end();
  const owner = new pg.Client({ connectionString: t.url });
  await owner.connect();
  await owner.query(`drop owned by ${role}`);
  await owner.query(`drop role ${role}`);
  await owner.end();
  await t.close();
});

describe('the program under a role of its own', () => {
  it.each([
    `update history set what = 'nothing happened'`,
    'delete from history',
    'truncate history',
    `set rocchetto.erasing = 'on'; update history set after = null`,
    `set rocchetto.erasing = 'on'; delete from security_event`,
    'alter table history disable trigger all',
    'drop trigger history_is_kept on history',
    'truncate reading',
    'delete from migration',
    `select erase_history(1)`,
  ])('may not %s', async (sql) => {
    await expect(program.query(sql)).rejects.toThrow(/permission denied|must be owner|only added/);
  });

  it('does all its work: a client is added, changed, told, erased; the queue runs', async () => {
    const log = (await import('pino')).pino({ level: 'silent' });
    const app = createApp({ pool: program, url, log, live: NO_LIVE, now: () => new Date() });
    const { rows } = await t.pool.query(`select id from staff where role = 'principal'`);
    const cookie = `rocchetto=${await openSignIn(program, rows[0].id)}`;
    const { csrf } = await json(app.request('/api/me', { headers: { cookie } }));
    const send = (method: string, path: string, body: object) =>
      app.request(`/api${path}`, {
        method,
        body: JSON.stringify(body),
        headers: { cookie, 'x-csrf-token': csrf, 'content-type': 'application/json' },
      });
    const { id } = await json(send('POST', '/clients', clientBody('Under Another Role')), 201);
    await json(
      send('PUT', `/clients/${id}`, { ...clientBody('Under Another Role', { note: 'x' }), version: 1 }),
    );
    await json(send('POST', `/clients/${id}/erase`, { version: 2, reason: 'asked' }));
    const left = await t.pool.query(
      `select before, after from history where entity = 'client' and entity_id = $1 and what <> 'erased'`,
      [String(id)],
    );
    expect(left.rows.length).toBeGreaterThan(0);
    expect(left.rows.every((r) => r.before === null && r.after === null)).toBe(true);
    await program.query(`select graphile_worker.add_job('tell', '{"id": 999999}')`);
    await runDue(url, program, () => new Date());
    expect((await program.query('select 1 from graphile_worker.jobs')).rowCount).toBe(0);
  });
});
