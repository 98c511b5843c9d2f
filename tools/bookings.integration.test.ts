import type { ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { seeded } from '@rocchetto/core/garment/testing.ts';
import { DEMO_PASSPHRASE } from '@rocchetto/demo/people.ts';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { json, startTestApp, type TestApp } from '@rocchetto/server/app/testing.ts';
import { type ToldStep, takenUp } from '@rocchetto/server/areas/plan/testing.ts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { stopChild } from './cluster.ts';
import { freePort } from './ports.ts';
import { startServer } from './serve.ts';

/** Bookings of the storm. The large size (10,000) is run by hand: `BOOKINGS=10000`. */
const BOOKINGS = Number(process.env.BOOKINGS ?? 600);
const HANDS = 20;

let t: TestApp;
const ports: number[] = [];
const servers: ChildProcess[] = [];
beforeAll(async () => {
  t = await startTestApp(() => new Date());
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

async function hands() {
  const base = `http://127.0.0.1:${ports[0]}/api`;
  const res = await fetch(`${base}/sign-in`, {
    method: 'POST',
    body: JSON.stringify({ name: 'Jonah Fell', passphrase: DEMO_PASSPHRASE }),
    headers: { 'content-type': 'application/json' },
  });
  const cookie = res.headers.get('set-cookie')!.split(';')[0]!;
  const { csrf } = await json(fetch(`${base}/me`, { headers: { cookie } }));
  return { cookie, 'x-csrf-token': csrf as string, 'content-type': 'application/json' };
}

/** Two that are kept for the same hands or the same room at one moment, found apart from the constraints. */
const OVERLAPS = `
  with kept as (
    select s.id, s.room_id, tstzrange(lower(s.during), upper(s.during) + make_interval(mins => a.buffer)) as during
      from slot s join appointment a on a.id = s.appointment_id where s.state <> 'left')
  select count(*)::int as n from kept x join kept y on x.id < y.id and x.during && y.during
   where x.room_id = y.room_id
      or exists (select 1 from slot_staff p join slot_staff q on q.staff_id = p.staff_id where p.slot_id = x.id and q.slot_id = y.id)`;

describe('many hands book at once over two processes, one of which is killed', () => {
  it('no two overlap, none that was acknowledged is lost or doubled, and each that was refused was told', async () => {
    const headers = await hands();
    const house = await json(fetch(`http://127.0.0.1:${ports[0]}/api/diary/house`, { headers }));
    const fitters = house.staff.filter((s: { skills: string[] }) => s.skills.includes('fitting'));
    const day = new Date(Date.now() + 40 * 86_400_000);
    const days = Array.from({ length: Math.max(10, BOOKINGS / 40) }, (_, i) =>
      new Date(day.getTime() + i * 86_400_000).toISOString().slice(0, 10),
    );
    const acknowledged: number[] = [];
    const refused = new Map<string, number>();
    const untold: string[] = [];

    const one = async (rnd: () => number) => {
      const pick = <T>(list: readonly T[]): T => list[Math.floor(rnd() * list.length)]!;
      const minute = 540 + Math.floor(rnd() * 96) * 5;
      const body = JSON.stringify({
        kind: 'consultation',
        clientId: 1 + Math.floor(rnd() * 40),
        minutes: 20 + Math.floor(rnd() * 5) * 10,
        slots: [
          {
            day: pick(days),
            time: `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`,
            staff: [pick<{ id: number }>(fitters).id],
            roomId: pick<{ id: number }>(house.rooms).id,
          },
        ],
      });
      const key = randomUUID();
      // A hand whose answer is lost, or who is told to wait, asks the other door with the same key.
      for (let tries = 0; tries < 40; tries++) {
        const port = ports[(tries + Math.floor(rnd() * 2)) % 2];
        const res = await fetch(`http://127.0.0.1:${port}/api/appointments`, {
          method: 'POST',
          body,
          headers: { ...headers, 'idempotency-key': key },
        }).catch(() => null);
        const answer = (await res?.json().catch(() => null)) as {
          id: number;
          code: string;
          detail: string;
        } | null;
        if (!res || !answer || res.status === 503) {
          await new Promise((r) => setTimeout(r, 60 + rnd() * 100));
          continue;
        }
        if (res.status === 201) acknowledged.push(answer.id);
        else if ((res.status === 409 || res.status === 422) && answer.detail.length > 10)
          refused.set(answer.code, (refused.get(answer.code) ?? 0) + 1);
        else untold.push(`${res.status} ${answer.detail}`);
        return;
      }
      untold.push('never answered');
    };
    const storm = Promise.all(
      Array.from({ length: HANDS }, async (_, hand) => {
        const rnd = seeded(hand + 1);
        for (let i = 0; i < BOOKINGS / HANDS; i++) await one(rnd);
      }),
    );
    await new Promise((r) => setTimeout(r, 600));
    servers[0]!.kill('SIGKILL');
    await new Promise((r) => setTimeout(r, 300));
    servers[0] = await startServer(t.url, ports[0]!);
    await t.pool.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()`,
    );
    await storm;

    expect(untold).toEqual([]);
    const told = [...refused.values()].reduce((a, b) => a + b, 0);
    expect(acknowledged.length + told).toBe(BOOKINGS);
    // Both kinds of answer must come, or nothing was tried.
    expect(acknowledged.length).toBeGreaterThan(BOOKINGS / 20);
    expect(refused.get('taken') ?? 0).toBeGreaterThan(BOOKINGS / 100);
    expect(new Set(acknowledged).size).toBe(acknowledged.length);
    const { rows } = await t.pool.query(`select id from appointment where id = any($1)`, [acknowledged]);
    expect(rows.length).toBe(acknowledged.length);
    // Nothing is in the book that nobody was told of.
    const { rows: all } = await t.pool.query(
      `select a.id from appointment a join slot s on s.appointment_id = a.id
        where a.kind = 'consultation' and a.status = 'confirmed' and lower(s.during) > now() + interval '39 days'`,
    );
    expect(all.map((r) => r.id).filter((id) => !acknowledged.includes(id))).toEqual([]);
    expect((await t.pool.query(OVERLAPS)).rows[0].n).toBe(0);
  });
});

describe('a plan is taken up while its server is killed', () => {
  it('is in bench and diary whole and once, or not at all, whatever was answered', async () => {
    const headers = await hands();
    const at = (path: string) => `http://127.0.0.1:${ports[0]}/api${path}`;
    const read = async (path: string) => await json(fetch(at(path), { headers }));
    const fitter = await (async () => {
      const res = await fetch(at('/sign-in'), {
        method: 'POST',
        body: JSON.stringify({ name: 'Bram Teller', passphrase: DEMO_PASSPHRASE }),
        headers: { 'content-type': 'application/json' },
      });
      const cookie = res.headers.get('set-cookie')!.split(';')[0]!;
      const { csrf } = await json(fetch(at('/me'), { headers: { cookie } }));
      return { cookie, 'x-csrf-token': csrf as string, 'content-type': 'application/json' };
    })();
    const { rows: orders } = await t.pool.query<{ id: number }>(
      `select id from orders o where brief is not null and stage in ('brief', 'measured', 'sheet')
          and not exists (select 1 from bench_work b where b.order_id = o.id) order by id desc limit 6`,
    );
    expect(orders.length).toBe(6);
    const rnd = seeded(300);
    let [whole, none] = [0, 0];
    for (const [i, { id }] of orders.entries()) {
      const before = await read(`/orders/${id}`);
      const view: { stamp: string; steps: ToldStep[] } = await json(
        fetch(at(`/orders/${id}/plan`), { headers: fitter }),
      );
      const open = view.steps.filter((s) => !s.booked && s.earliest !== null);
      const wanted = takenUp(view.stamp, open);
      const body = JSON.stringify(wanted);
      const key = randomUUID();
      const send = () =>
        fetch(at(`/orders/${id}/plan/accept`), {
          method: 'POST',
          body,
          headers: { ...fitter, 'idempotency-key': key },
        });
      const first = send().then(
        (res) => res.status,
        () => null,
      );
      // The first before it can have begun, the last once it has answered, the others anywhere between.
      if (i === orders.length - 1) await first;
      else if (i > 0) await new Promise((r) => setTimeout(r, rnd() * 60));
      servers[0]!.kill('SIGKILL');
      const answered = await first;
      servers[0] = await startServer(t.url, ports[0]!);
      const there = async () => {
        const now = await read(`/orders/${id}`);
        const minutes = (of: { bench: { minutes: number }[] }) => of.bench.reduce((n, b) => n + b.minutes, 0);
        return {
          minutes: minutes(now) - minutes(before),
          meetings: now.appointments.length - before.appointments.length,
        };
      };
      const all = {
        minutes: wanted.work.reduce((n, w) => n + w.minutes, 0),
        meetings: wanted.meetings.length,
      };
      const after = await there();
      if (after.minutes + after.meetings > 0 || answered === 201) {
        whole++;
        expect(after, `order ${id}`).toEqual(all);
      } else none++;
      // The hand sends it again, not knowing: then it is there, once.
      const again = await send();
      expect(again.status, `order ${id}: ${await again.clone().text()}`).toBe(201);
      expect(await there(), `order ${id}, again`).toEqual(all);
    }
    expect(whole, 'was there when the server came back').toBeGreaterThan(0);
    expect(none, 'was not there when the server came back').toBeGreaterThan(0);
    expect((await t.pool.query(OVERLAPS)).rows[0].n).toBe(0);
  });
});
