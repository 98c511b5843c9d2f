import { type ServerType, serve } from '@hono/node-server';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../../app/app.ts';
import {
  type Caller,
  clientBody,
  json,
  sessionBody,
  skirtOrder,
  startTestApp,
  type TestApp,
} from '../../app/testing.ts';
import { openPool } from '../../db/pool.ts';
import { openLive } from '../../live/live.ts';

let t: TestApp;
let fitter: Caller;
let second: { server: ServerType; port: number; close: () => Promise<void> };

/** A second process's server on the same database, on a port of its own: streams need a real connection. */
async function anotherServer(url: string) {
  const pool = openPool(url, () => undefined);
  const log = pino({ level: 'silent' });
  const live = openLive(url, log);
  const app = createApp({ pool, url, log, live, now: () => new Date() });
  const server = await new Promise<ServerType>((done) => {
    const s = serve({ fetch: app.fetch, port: 0, hostname: '127.0.0.1' }, () => done(s));
  });
  return {
    server,
    port: (server.address() as { port: number }).port,
    close: async () => {
      await live.close();
      await new Promise((done) => server.close(done));
      await pool.end();
    },
  };
}
beforeAll(async () => {
  t = await startTestApp();
  fitter = await t.as('fitter');
  second = await anotherServer(t.url);
});
afterAll(async () => {
  await second.close();
  await t.close();
});

/** A page's stream from the second server, and how to wait for something to be told. */
async function listen(who: Caller) {
  const stop = new AbortController();
  const res = await fetch(`http://127.0.0.1:${second.port}/api/live`, {
    headers: { cookie: who.cookie },
    signal: stop.signal,
  });
  const reader = res.body!.pipeThrough(new TextDecoderStream()).getReader();
  let told = '';
  let ended = false;
  void (async () => {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      told += value;
    }
    ended = true;
  })().catch(() => {
    ended = true;
  });
  const until = async (holds: () => boolean) => {
    for (let i = 0; i < 400 && !holds(); i++) await new Promise((r) => setTimeout(r, 25));
    expect(holds(), told).toBe(true);
  };
  await until(() => told.includes('event: again'));
  return {
    status: res.status,
    type: res.headers.get('content-type'),
    hears: (what: string) => until(() => told.includes(what)),
    heard: () => told,
    ends: () => until(() => ended),
    close: () => stop.abort(),
  };
}

describe('live changes', () => {
  it('reach a page of another process, as ids and versions and nothing else', async () => {
    const page = await listen(fitter);
    expect(page.type).toContain('text/event-stream');
    const client = await json(
      fitter.send('POST', '/clients', clientBody('Heard Of', { phone: '0555 987' })),
      201,
    );
    await page.hears(JSON.stringify(['client', client.id, 1]));
    await json(fitter.send('PUT', `/clients/${client.id}`, { ...clientBody('Heard Again'), version: 1 }));
    await page.hears(JSON.stringify(['client', client.id, 2]));
    expect(page.heard()).not.toMatch(/Heard|0555/);
    page.close();
  });
  it('name no session to those who may not read sessions', async () => {
    const [mine, theirs] = [await listen(fitter), await listen(await t.as('desk'))];
    const { clientId, orderId } = await skirtOrder(fitter);
    const body = sessionBody(clientId, orderId, ['waist 70 cm']);
    await json(fitter.send('POST', '/readings', body));
    await mine.hears(body.session.id);
    await theirs.hears(JSON.stringify(['order', orderId, 0]));
    expect(theirs.heard()).not.toContain(body.session.id);
    mine.close();
    theirs.close();
  });
  it('of a ticked box tell the order, and ask nobody to look at the diary again', async () => {
    const { orderId } = await skirtOrder(fitter);
    const asked = { kind: 'other', direction: 'do', amount: null, words: 'a button' };
    const { id } = await json(
      fitter.send('POST', `/orders/${orderId}/alterations`, { asked, source: 'desk' }),
      201,
    );
    await json(
      fitter.send('POST', `/alterations/${id}/steps`, { version: 1, step: { step: 'agree', name: 'she' } }),
    );
    await new Promise((r) => setTimeout(r, 150));
    const page = await listen(fitter);
    await json(fitter.send('POST', `/alterations/${id}/boxes`, { box: 'whole', to: 'done' }));
    await page.hears(JSON.stringify(['alterations', orderId, 0]));
    await new Promise((r) => setTimeout(r, 150));
    expect(page.heard()).not.toContain('"diary"');
    page.close();
  });
  it('begin again after the database took the connection away: pages are told to look once more', async () => {
    const page = await listen(fitter);
    const before = page.heard().split('event: again').length;
    await t.pool.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen %' and datname = current_database()`,
    );
    await page.hears('event: again\ndata: \n\nevent: again');
    expect(page.heard().split('event: again').length).toBeGreaterThan(before);
    const client = await json(fitter.send('POST', '/clients', clientBody('After The Loss')), 201);
    await page.hears(JSON.stringify(['client', client.id, 1]));
    page.close();
  });
  it('end at once when their bearer leaves the staff, signs out or locks, and are bounded for one sign-in', async () => {
    const principal = await t.as('principal');
    const { id } = await json(principal.send('POST', '/staff', { name: 'Soon Gone', role: 'desk' }), 201);
    const leaves = await listen(await t.asStaff(id));
    await json(principal.send('DELETE', `/staff/${id}`));
    await leaves.ends();
    const two = await t.as('desk');
    const [out, stays] = [await listen(two), await listen(await t.as('desk'))];
    await two.send('POST', '/sign-out');
    await out.ends();
    const three = await t.as('desk');
    const locks = await listen(three);
    await json(three.send('POST', '/lock'));
    await locks.ends();
    await json(fitter.send('POST', '/clients', clientBody('Still Heard')), 201);
    await stays.hears('"client"');
    const many = [];
    for (let i = 0; i < 13; i++) many.push(await listen(fitter));
    await many[0]!.ends();
    await json(fitter.send('POST', '/clients', clientBody('Heard By Twelve')), 201);
    await many[12]!.hears('"client"');
    for (const p of [...many, stays]) p.close();
  }, 60_000);
  it('are for the signed-in, and end when the server does', async () => {
    expect((await t.app.request('/api/live')).status).toBe(401);
    const third = await anotherServer(t.url);
    const res = await fetch(`http://127.0.0.1:${third.port}/api/live`, {
      headers: { cookie: fitter.cookie },
    });
    const reading = res.text();
    await new Promise((r) => setTimeout(r, 200));
    await third.close();
    expect(await reading).toContain('again');
  });
});
