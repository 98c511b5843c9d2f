import type { ChildProcess } from 'node:child_process';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { startTestApp, type TestApp } from '@rocchetto/server/app/testing.ts';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { stopChild } from './cluster.ts';
import { freePort } from './ports.ts';
import { startServer } from './serve.ts';

let t: TestApp;
const ports: number[] = [];
const servers: ChildProcess[] = [];
beforeAll(async () => {
  t = await startTestApp(() => new Date());
  await seedDemo(t.url);
});
afterAll(async () => {
  for (const s of servers) await stopChild(s, 'SIGTERM', 3000);
  await t.close();
});

const count = async (sql: string) => (await t.pool.query<{ n: number }>(sql)).rows[0]!.n;
const waiting = () =>
  count(`select count(*)::int as n from message where state = 'waiting' and due_at <= now()`);
/** What two minutes do by themselves: jobs of a process that was killed are free again, and what failed is tried. */
const twoMinutesLater = async () => {
  await t.pool.query(
    `select graphile_worker.force_unlock_workers(array(select distinct locked_by from graphile_worker.jobs where locked_by is not null))`,
  );
  await t.pool.query(
    `select graphile_worker.reschedule_jobs(array(select id from graphile_worker.jobs where attempts > 0), run_at := now())`,
  );
};

describe('two processes at one queue, one killed and every connection cut in the middle', () => {
  it('each message goes exactly once, and the process that was not killed lives on', async () => {
    const due = await waiting();
    expect(due).toBeGreaterThan(30);
    for (let i = 0; i < 2; i++) {
      ports.push(await freePort());
      servers.push(await startServer(t.url, ports[i]!));
    }
    const cut = () =>
      t.pool
        .query(
          `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()`,
        )
        .catch(() => undefined);
    await vi.waitFor(async () => expect(await waiting()).toBeLessThan(due), { timeout: 60_000, interval: 5 });
    await cut();
    servers[0]!.kill('SIGKILL');
    await new Promise((r) => setTimeout(r, 300));
    await cut();
    servers[0] = await startServer(t.url, ports[0]!);
    await vi.waitFor(
      async () => {
        await twoMinutesLater();
        expect(await waiting()).toBe(0);
      },
      { timeout: 120_000, interval: 1000 },
    );
    const sent = await count(`select count(*)::int as n from message where state = 'sent'`);
    expect(sent).toBeGreaterThan(20);
    expect(
      await count(
        `select count(*)::int as n from message m
          where (select count(*) from carried k where k.message_id = m.id) <> case m.state when 'sent' then 1 else 0 end`,
      ),
    ).toBe(0);
    // The one that was not killed answers, and is the one that was started.
    expect(servers[1]!.exitCode).toBeNull();
    expect((await fetch(`http://127.0.0.1:${ports[1]}/api/health`)).status).toBe(200);
  });
});
