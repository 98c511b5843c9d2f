import type { Role } from '@rocchetto/contract';
import { allTimes, type DiaryBook, findTimes, type Question } from '@rocchetto/core/diary/find.ts';
import { joined } from '@rocchetto/core/diary/spans.ts';
import type { Span } from '@rocchetto/core/diary/zoned.ts';
import { seeded } from '@rocchetto/demo/figures.ts';
import { createApp } from '@rocchetto/server/app/app.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import { openPool, type Pool } from '@rocchetto/server/db/pool.ts';
import { NO_LIVE } from '@rocchetto/server/live/live.ts';
import { readBookRows } from '@rocchetto/server/records/diary/book-rows.ts';
import { openSignIn } from '@rocchetto/server/records/sign-ins.ts';
import { pino } from 'pino';
import type { Cluster } from '../tools/cluster.ts';
import { interleaved, line, ms } from './interleaved.ts';
import { percentile } from './percentile.ts';

const [STAFF, ROOMS, WEEKS, APPOINTMENTS] = [40, 10, 8, 5000];
const DAY = 1440;
const MONDAY = Math.floor(Date.UTC(2027, 0, 4) / 60_000);

/** A large house over eight weeks, as free times are looked for in it. */
function largeHouse(): DiaryBook {
  const rnd = seeded(3);
  const days = Array.from({ length: WEEKS * 7 }, (_, d) => d).filter((d) => d % 7 < 5);
  const works = days.flatMap((d) => [
    { from: MONDAY + d * DAY + 540, to: MONDAY + d * DAY + 750 },
    { from: MONDAY + d * DAY + 810, to: MONDAY + d * DAY + 1080 },
  ]);
  const busy = (n: number): Span[] =>
    joined(
      Array.from({ length: n }, () => {
        const from = MONDAY + days[Math.floor(rnd() * days.length)]! * DAY + 540 + Math.floor(rnd() * 96) * 5;
        return { from, to: from + 55 };
      }),
    );
  return {
    staff: Array.from({ length: STAFF }, (_, i) => ({
      id: i + 1,
      name: `Hand ${i}`,
      skills: i % 4 === 0 ? ['fitting', 'bridal'] : i % 2 ? ['fitting'] : ['tailoring'],
      works,
      busy: busy(APPOINTMENTS / STAFF),
    })),
    rooms: Array.from({ length: ROOMS }, (_, i) => ({
      id: i + 1,
      name: `Room ${i}`,
      goodFor: i === 0 ? ['fitting', 'bridal', 'step-free'] : ['fitting'],
      busy: busy(APPOINTMENTS / ROOMS),
    })),
  };
}

const question = (book: DiaryBook, hands: Question['hands'], room: Question['room']): Question => ({
  minutes: 45,
  buffer: 10,
  hands,
  room,
  within: book.staff[0]!.works,
  step: 15,
  prefer: [5],
});

/** The same house in a database: bookings that do not overlap, as the diary keeps them; each room has its own client. */
async function fill(pool: Pool): Promise<string> {
  const hours = [1, 2, 3, 4, 5].flatMap((weekday) => [
    { weekday, from: '09:00', to: '12:30' },
    { weekday, from: '13:30', to: '18:00' },
  ]);
  await pool.query(
    `insert into staff (name, name_key, role, skills, hours) select 'Hand ' || i, 'hand ' || i, 'fitter', array['fitting'], $1 from generate_series(1, $2::int) i`,
    [JSON.stringify({ version: 1, hours }), STAFF],
  );
  await pool.query(
    `insert into room (name, name_key, good_for) select 'Room ' || i, 'room ' || i, array['fitting'] from generate_series(1, $1::int) i`,
    [ROOMS],
  );
  await pool.query(
    `insert into client (code, name, search) select 'B-' || i, 'Bench Client ' || i, 'bench client b-' || i from generate_series(1, $1::int) i`,
    [ROOMS],
  );
  const start = new Date(Date.now() + DAY * 60_000).toISOString().slice(0, 10);
  const per = Math.ceil(APPOINTMENTS / (WEEKS * 7) / ROOMS);
  await pool.query(
    `with made as (
       insert into appointment (kind, client_id, status, minutes, buffer, made_by)
       select 'fitting', 1 + (i - 1) % $2::int, 'confirmed', 45, 10, 1 from generate_series(1, $1::int) i returning id)
     , numbered as (select id, row_number() over (order by id) - 1 as n from made)
     , placed as (
       insert into slot (appointment_id, during, room_id, state)
       select id, tstzrange(at, at + interval '45 minutes'), 1 + n % $2::int, 'taken'
         from (select id, n, $3::date + (n / ($2::int * $4::int))::int * interval '1 day' + interval '9 hours' + ((n / $2::int) % $4::int)::int * interval '55 minutes' as at from numbered) x
       returning id, room_id, during)
     insert into slot_staff (slot_id, staff_id) select id, room_id from placed`,
    [APPOINTMENTS, ROOMS, start, per],
  );
  await pool.query('analyze');
  return start;
}

/** How long free times take: in core, and the route against what it reads and computes. Answers a day with bookings. */
export async function diaryBench(cluster: Cluster, say: (line: string) => void): Promise<string> {
  const book = largeHouse();
  const half = (at: number) => String(Math.floor(at / 720));
  for (const [what, hands, room] of [
    ['a fitting', [['fitting']], ['fitting']],
    ['a bridal fitting with two', [['bridal'], ['fitting', 'bridal']], ['bridal']],
  ] as const) {
    const q = question(book, hands, room);
    const samples: number[] = [];
    for (let i = 0; i < 60; i++) {
      const t = performance.now();
      findTimes(book, q, half);
      if (i >= 10) samples.push(performance.now() - t);
    }
    say(
      `free times for ${what}, ${STAFF} staff, ${ROOMS} rooms, ${WEEKS} weeks, ${APPOINTMENTS} appointments, in core: median ${ms(percentile(samples, 50))} ms (p95 ${ms(percentile(samples, 95))}), of ${[...allTimes(book, q)].length} possible. Aim: ≤ 50 ms.`,
    );
  }
  await cluster.ensureDatabase('bench_diary');
  const url = cluster.url('bench_diary');
  await migrate(url);
  const pool = openPool(url, () => undefined, { patience: 300_000 });
  try {
    const { rows } = await pool.query<{ id: number }>(
      `insert into staff (name, name_key, role) values ('Bench', 'bench', $1) returning id`,
      ['desk' satisfies Role],
    );
    const start = await fill(pool);
    const app = createApp({
      pool,
      url,
      log: pino({ level: 'silent' }),
      live: NO_LIVE,
      now: () => new Date(),
    });
    const cookie = `rocchetto=${await openSignIn(pool, rows[0]!.id)}`;
    const until = new Date(Date.parse(start) + WEEKS * 7 * 86_400_000).toISOString().slice(0, 10);
    const within = { from: Date.parse(start) / 60_000, to: Date.parse(until) / 60_000 };
    const q = question(book, [['fitting']], ['fitting']);
    const bare = async () => {
      await readBookRows(pool, within, start, until);
      findTimes(book, q, half);
    };
    const ours = async () => {
      const res = await app.request(`/api/diary/times?kind=fitting&from=${start}&until=${until}`, {
        headers: { cookie },
      });
      if (res.status !== 200) throw new Error(await res.text());
      await res.text();
    };
    say(
      line(
        'free times, route',
        await interleaved(40, 8, bare, ours),
        'its bare SQL and core',
        'Aim: ratio ≤ 2.',
      ),
    );
    const day = async () => {
      const res = await app.request(`/api/diary?day=${start}&days=7`, { headers: { cookie } });
      if (res.status !== 200) throw new Error(await res.text());
      await res.text();
    };
    const one = async () => void (await pool.query({ name: 'one', text: 'select 1' }));
    say(
      line(
        'a week of the diary, route',
        await interleaved(40, 8, one, day),
        '`select 1`',
        'No aim; under 100 ms.',
      ),
    );
    return start;
  } finally {
    await pool.end();
  }
}
