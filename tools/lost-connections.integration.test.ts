import type { ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { DEMO_PASSPHRASE } from '@rocchetto/demo/people.ts';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { json } from '@rocchetto/server/app/testing.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Cluster, startCluster, stopChild } from './cluster.ts';
import { freePort } from './ports.ts';
import { startServer } from './serve.ts';

let cluster: Cluster;
let server: ChildProcess;
let base = '';
let hands: Record<string, string> = {};
beforeAll(async () => {
  cluster = await startCluster('lost', true);
  await cluster.ensureDatabase('rocchetto');
  const url = cluster.url('rocchetto');
  await migrate(url);
  await seedDemo(url);
  const port = await freePort();
  server = await startServer(url, port, { LOG_LEVEL: 'silent' });
  base = `http://127.0.0.1:${port}/api`;
  const signedIn = await fetch(`${base}/sign-in`, {
    method: 'POST',
    body: JSON.stringify({ name: 'Bram Teller', passphrase: DEMO_PASSPHRASE }),
  });
  const cookie = signedIn.headers.get('set-cookie')!.split(';')[0]!;
  const { csrf } = await json(fetch(`${base}/me`, { headers: { cookie } }));
  hands = { cookie, 'x-csrf-token': csrf };
}, 120_000);
afterAll(async () => {
  if (server) await stopChild(server, 'SIGTERM', 5000);
  await cluster?.discard();
});

/** Writers who go on until told to stop; what was acknowledged, and every other answer. */
function writers(count: number) {
  let going = true;
  const kept: string[] = [];
  const other = new Map<string, number>();
  const all = Array.from({ length: count }, async () => {
    while (going) {
      const name = `Kept ${randomUUID()}`;
      try {
        const res = await fetch(`${base}/clients`, {
          method: 'POST',
          body: JSON.stringify({ name }),
          headers: { ...hands, 'content-type': 'application/json' },
        });
        const body = (await res.json()) as { code: string; detail?: string };
        if (res.status === 201) kept.push(name);
        else other.set(`${res.status} ${body.code}`, (other.get(`${res.status} ${body.code}`) ?? 0) + 1);
      } catch (error) {
        other.set(String(error), (other.get(String(error)) ?? 0) + 1);
      }
    }
  });
  return {
    stop: async () => {
      going = false;
      await Promise.all(all);
      return { kept, other };
    },
  };
}

async function inBook(names: readonly string[]) {
  const client = new pg.Client({ connectionString: cluster.url('rocchetto') });
  await client.connect();
  const { rows } = await client.query(
    'select count(*)::int as n, count(distinct name)::int as d from client where name = any($1)',
    [names],
  );
  await client.end();
  return rows[0] as { n: number; d: number };
}

describe('a lost database connection', () => {
  it('never ends the server: backends terminated under load, every other answer a 503 in words', async () => {
    const rounds = Number(process.env.LOST_ROUNDS ?? 60);
    const admin = new pg.Client({ connectionString: cluster.url('postgres') });
    await admin.connect();
    const work = writers(8);
    let ended = 0;
    for (let i = 0; i < rounds; i++) {
      await new Promise((r) => setTimeout(r, 40));
      const { rowCount } = await admin.query(
        `select pg_terminate_backend(pid) from pg_stat_activity where datname = 'rocchetto' and state <> 'idle' limit 3`,
      );
      ended += rowCount ?? 0;
    }
    await admin.end();
    await new Promise((r) => setTimeout(r, 300));
    const { kept, other } = await work.stop();
    expect(server.exitCode).toBeNull();
    expect(ended).toBeGreaterThan(rounds / 4);
    expect([...other.keys()].filter((k) => k !== '503 database-away')).toEqual([]);
    expect(await inBook(kept)).toEqual({ n: kept.length, d: kept.length });
  }, 120_000);

  it('nor does a restart of PostgreSQL under load; the server comes back by itself', async () => {
    const rounds = Number(process.env.RESTART_ROUNDS ?? 3);
    const work = writers(8);
    for (let i = 0; i < rounds; i++) {
      await new Promise((r) => setTimeout(r, 300));
      await cluster.stop();
      cluster = await startCluster('lost');
    }
    await new Promise((r) => setTimeout(r, 500));
    const { kept, other } = await work.stop();
    expect(server.exitCode).toBeNull();
    expect([...other.keys()].filter((k) => k !== '503 database-away')).toEqual([]);
    expect(kept.length).toBeGreaterThan(0);
    expect(await inBook(kept)).toEqual({ n: kept.length, d: kept.length });
    expect((await fetch(`${base}/health`)).status).toBe(200);
  }, 180_000);

  it('SIGTERM ends an idle server at once, and lets a write in hand finish', async () => {
    const url = cluster.url('rocchetto');
    const port = await freePort();
    const idle = await startServer(url, port, { LOG_LEVEL: 'silent' });
    const stream = await fetch(`http://127.0.0.1:${port}/api/live`, { headers: hands });
    expect(stream.status).toBe(200);
    await (await fetch(`http://127.0.0.1:${port}/api/health`)).text();
    const start = performance.now();
    await stopChild(idle, 'SIGTERM', 14_000);
    expect(idle.exitCode).toBe(0);
    expect(performance.now() - start).toBeLessThan(10_000);

    const busy = await startServer(url, port, { LOG_LEVEL: 'silent' });
    const holder = new pg.Client({ connectionString: url });
    await holder.connect();
    await holder.query('begin');
    const { rows } = await holder.query(
      'select id, version, name from client order by id limit 1 for update',
    );
    const write = fetch(`http://127.0.0.1:${port}/api/clients/${rows[0].id}`, {
      method: 'PUT',
      body: JSON.stringify({ name: rows[0].name, note: 'finished', version: rows[0].version }),
      headers: { ...hands, 'content-type': 'application/json' },
    });
    await new Promise((r) => setTimeout(r, 400));
    busy.kill('SIGTERM');
    await new Promise((r) => setTimeout(r, 300));
    await holder.query('commit');
    await holder.end();
    expect((await write).status).toBe(200);
    if (busy.exitCode === null) await new Promise((r) => busy.once('exit', r));
    expect(busy.exitCode).toBe(0);
  }, 60_000);
});
