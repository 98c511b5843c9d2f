import type { ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { DEMO_PASSPHRASE } from '@rocchetto/demo/people.ts';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { clientBody, json, sessionBody, startTestApp, type TestApp } from '@rocchetto/server/app/testing.ts';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { stopChild } from './cluster.ts';
import { freePort } from './ports.ts';
import { keepServing, startServer } from './serve.ts';

let t: TestApp;
const ports: number[] = [];
const servers: ChildProcess[] = [];
beforeAll(async () => {
  t = await startTestApp();
  await seedDemo(t.url);
  for (let i = 0; i < 2; i++) {
    ports.push(await freePort());
    servers.push(await startServer(t.url, ports[i]!));
  }
});
afterAll(async () => {
  for (const s of servers) await stopChild(s, 'SIGTERM', 3000);
  await t.close();
});

const at = (process: number, path: string, init: RequestInit = {}) =>
  fetch(`http://127.0.0.1:${ports[process]}/api${path}`, init);
const post = (process: number, path: string, body: unknown, headers: Record<string, string> = {}) =>
  at(process, path, {
    method: 'POST',
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json', ...headers },
  });
const signIn = (process: number, name: string, passphrase = DEMO_PASSPHRASE) =>
  post(process, '/sign-in', { name, passphrase });

async function hands(name: string) {
  const cookie = (await signIn(0, name)).headers.get('set-cookie')!.split(';')[0]!;
  const { csrf } = await json(at(1, '/me', { headers: { cookie } }));
  return { cookie, 'x-csrf-token': csrf as string };
}

describe('two server processes on one database', () => {
  it('know each other’s sign-ins and sign-outs', async () => {
    const mine = await hands('Ines Kovar');
    expect((await at(1, '/me', { headers: mine })).status).toBe(200);
    await post(1, '/sign-out', {}, mine);
    expect((await at(0, '/me', { headers: mine })).status).toBe(401);
  });

  it('count wrong tries together', async () => {
    const seen: number[] = [];
    for (let i = 0; i < 8; i++) seen.push((await signIn(i % 2, 'Wren Halloran', 'wrong wrong wrong')).status);
    expect(seen.filter((s) => s === 401).length).toBeLessThanOrEqual(6);
    expect((await signIn(0, 'Wren Halloran')).status).toBe(429);
    expect((await signIn(1, 'Wren Halloran')).status).toBe(429);
  });

  it('make a write that is sent to both at once only once', async () => {
    const mine = await hands('Jonah Fell');
    const key = { 'idempotency-key': randomUUID() };
    const answers = await Promise.all(
      [0, 1, 0, 1].map((p) => post(p, '/clients', clientBody('Both Doors'), { ...mine, ...key })),
    );
    const ids = await Promise.all(answers.map(async (a) => (await json(a, 201)).id));
    expect(new Set(ids).size).toBe(1);
  });

  it('let one of two savers through and give the other both texts', async () => {
    const mine = await hands('Jonah Fell');
    const client = await json(post(0, '/clients', clientBody('Two Doors'), mine), 201);
    const put = (p: number, note: string) =>
      at(p, `/clients/${client.id}`, {
        method: 'PUT',
        body: JSON.stringify({ ...clientBody('Two Doors', { note }), version: client.version }),
        headers: { 'content-type': 'application/json', ...mine },
      });
    const answers = await Promise.all([put(0, 'north'), put(1, 'south')]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
    const lost = (await answers.find((a) => a.status === 409)!.json()) as {
      mine: { note: string };
      theirs: { note: string };
    };
    expect([lost.mine.note, lost.theirs.note].sort()).toEqual(['north', 'south']);
  });

  it('keep readings that a tablet sends to one and repeats to the other', async () => {
    const mine = await hands('Bram Teller');
    const body = sessionBody(1, null, ['waist 70 cm', 'hip 96 cm']);
    await Promise.all([0, 1].map((p) => post(p, '/readings', body, mine)));
    const session = await json(at(1, `/sessions/${body.session.id}`, { headers: mine }));
    expect(session.readings).toHaveLength(2);
  });

  it('one of them killed in the middle: everything it acknowledged is with the other', async () => {
    const mine = await hands('Jonah Fell');
    const acknowledged: string[] = [];
    const writing = (async () => {
      for (let i = 0; i < 200; i++) {
        const name = `Struck ${i}`;
        const res = await post(0, '/clients', clientBody(name), mine).catch(() => null);
        if (res?.status !== 201) return;
        acknowledged.push(name);
      }
    })();
    await new Promise((r) => setTimeout(r, 250));
    servers[0]!.kill('SIGKILL');
    await writing;
    expect(acknowledged.length).toBeGreaterThan(0);
    const { rows } = await t.pool.query<{ name: string }>(
      `select name from client where name like 'Struck %'`,
    );
    const kept = new Set(rows.map((r) => r.name));
    expect(acknowledged.filter((name) => !kept.has(name))).toEqual([]);
    expect((await at(1, '/me', { headers: mine })).status).toBe(200);
  });

  it('a demo’s server that is killed is started again at the same address, and ends when it is told to', async () => {
    const port = await freePort();
    const kept = await keepServing(t.url, port);
    const alive = () =>
      fetch(`http://127.0.0.1:${port}/api/health`).then(
        (r) => r.status,
        () => 0,
      );
    expect(await alive()).toBe(200);
    const first = kept.current();
    first.kill('SIGKILL');
    await vi.waitFor(async () => expect(kept.current() !== first && (await alive())).toBe(200), {
      timeout: 25_000,
      interval: 200,
    });
    await kept.stop();
    expect(await alive()).toBe(0);
  });
});
