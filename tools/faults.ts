import { randomUUID } from 'node:crypto';
import { DEMO_PASSPHRASE } from '@rocchetto/demo/people.ts';
import pg from 'pg';
import sharp from 'sharp';
import { stopChild } from './cluster.ts';
import { freePort } from './ports.ts';
import { startServer } from './serve.ts';

/** One write of some kind, told apart from every other by its mark, and how often the book holds it. */
interface Write {
  readonly kind: string;
  readonly path: string;
  readonly body: Buffer | string;
  readonly type: string;
  /** counts what bears the mark; must be 1 for what was acknowledged, 1 at the most for anything else */
  readonly count: string;
  readonly mark: string;
}
interface Ground {
  readonly clientId: number;
  readonly orderId: number;
  readonly staffId: number;
  readonly roomIds: readonly number[];
}
type Kind = (
  mark: string,
  i: number,
  g: Ground,
) => Promise<Omit<Write, 'kind' | 'mark'>> | Omit<Write, 'kind' | 'mark'>;

const json = (path: string, body: object, count: string) => ({
  path,
  body: JSON.stringify(body),
  type: 'application/json',
  count,
});
const in2027 = (i: number) => new Date(Date.UTC(2027, 0, 4 + i)).toISOString().slice(0, 10);

/** Kinds of writes that a studio at work makes. */
export const KINDS: Readonly<Record<string, Kind>> = {
  client: (m) => json('/clients', { name: m }, 'select count(*)::int as n from client where name = $1'),
  order: (m, _, g) =>
    json(
      '/orders',
      { clientId: g.clientId, what: m },
      'select count(*)::int as n from orders where what = $1',
    ),
  garment: (m, _, g) =>
    json(
      `/orders/${g.orderId}/garments`,
      { what: m },
      'select count(*)::int as n from orders where what = $1',
    ),
  readings: (m, _, g) => {
    const at = new Date().toISOString();
    const written = { value: '70', unit: 'cm', text: '70' };
    return json(
      '/readings',
      {
        session: { id: randomUUID(), clientId: g.clientId, orderId: null, at },
        readings: [{ id: randomUUID(), measure: 'waist', state: 'read', written, at, note: m }],
      },
      `select count(*)::int as n from reading where fact ->> 'note' = $1`,
    );
  },
  like: (m, _, g) =>
    json(
      `/orders/${g.orderId}/likes`,
      { words: m },
      'select count(*)::int as n from client_like where words = $1',
    ),
  question: (m, _, g) =>
    json(
      `/orders/${g.orderId}/questions`,
      { what: m },
      'select count(*)::int as n from open_question where what = $1',
    ),
  money: (m, _, g) =>
    json(
      `/orders/${g.orderId}/money`,
      { is: 'received', amount: 1, words: m },
      'select count(*)::int as n from money_noted where words = $1',
    ),
  alteration: (m, _, g) =>
    json(
      `/orders/${g.orderId}/alterations`,
      { asked: { kind: 'other', direction: 'do', amount: null, words: m }, source: 'desk' },
      `select count(*)::int as n from alteration where asked ->> 'words' = $1`,
    ),
  // A count of pins bears no words: its number is its mark, the place of the write in the run.
  pins: (_, i, g) =>
    json(
      `/orders/${g.orderId}/pins`,
      { way: 'in', pins: 100 + i },
      `select count(*)::int as n from pins_counted where pins = 100 + split_part($1, ' ', 2)::int and way = 'in'`,
    ),
  away: (m, i, g) =>
    json(
      `/clients/${g.clientId}/away`,
      { firstDay: in2027(400 + (i % 300)), lastDay: in2027(400 + (i % 300)), reason: m },
      'select count(*)::int as n from client_away where reason = $1',
    ),
  bench: (m, i, g) =>
    json(
      `/orders/${g.orderId}/bench`,
      { staffId: g.staffId, day: in2027(i % 250), minutes: 5, what: m },
      'select count(*)::int as n from bench_work where what = $1',
    ),
  room: (m) =>
    json('/rooms', { name: m, goodFor: [] }, 'select count(*)::int as n from room where name = $1'),
  closure: (m, i) =>
    json(
      '/closures',
      { name: m, firstDay: in2027(1200 + i), lastDay: in2027(1200 + i) },
      'select count(*)::int as n from closure where name = $1',
    ),
  leave: (m, i, g) =>
    json(
      '/leave',
      { staffId: g.staffId, reason: m, firstDay: in2027(4000 + i), lastDay: in2027(4000 + i) },
      'select count(*)::int as n from leave where reason = $1',
    ),
  photograph: async (m, i, g) => ({
    path: `/orders/${g.orderId}/photos?words=${encodeURIComponent(m)}`,
    body: await sharp({
      create: { width: 8, height: 8, channels: 3, background: { r: i & 255, g: (i >> 8) & 255, b: 7 } },
    })
      .png()
      .toBuffer(),
    type: 'image/png',
    count: 'select count(*)::int as n from photo where words = $1',
  }),
  flat: (m, _, g) =>
    json(
      `/orders/${g.orderId}/flat`,
      { of: 'pattern', cut: 'skirt', words: m },
      'select count(*)::int as n from flat_lay where words = $1',
    ),
  staff: (m) =>
    json('/staff', { name: m, role: 'desk' }, 'select count(*)::int as n from staff where name = $1'),
};

/** Fewer kills and cut connections than this prove nothing. */
export const LEAST_TROUBLE = 3;

export interface FaultsFound {
  readonly kinds: number;
  readonly sent: number;
  readonly acknowledged: number;
  /** acknowledged and not there */
  readonly lost: readonly string[];
  /** there more than once */
  readonly doubled: readonly string[];
  readonly kills: number;
  readonly terminated: number;
  readonly answersThrownAway: number;
  /** kinds of which no write was acknowledged: they prove nothing */
  readonly untried: readonly string[];
  /** jobs of messages still held by a process that is dead */
  readonly stuckJobs: number;
}

/**
 * Two server processes on one database, several hands that write all kinds of things, and whatever may go wrong with
 * them: processes killed, connections taken away by the database, answers thrown away and sent again under their key.
 * Bounded in time: `seconds`, or up to six times as long where a slow machine has not had its share of trouble by then.
 * Only against loopback.
 */
export async function provoke(url: string, seconds: number, hands = 4): Promise<FaultsFound> {
  const ports = [await freePort(), await freePort()];
  const servers = await Promise.all(ports.map((p) => startServer(url, p)));
  const db = new pg.Client({ connectionString: url });
  db.on('error', () => undefined);
  await db.connect();
  const until = Date.now() + seconds * 1000;
  const all: (Write & { acknowledged: boolean })[] = [];
  let [kills, terminated, thrown] = [0, 0, 0];
  let over = false;
  try {
    const ground = await groundOf(db);
    const call = async (i: number, path: string, init: RequestInit) =>
      fetch(`http://127.0.0.1:${ports[i % 2]}/api${path}`, { ...init, signal: AbortSignal.timeout(8000) });
    const said = await call(0, '/sign-in', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Odile Marchetti', passphrase: DEMO_PASSPHRASE }),
    });
    const cookie = said.headers.getSetCookie()[0]!.split(';')[0]!;
    const { csrf } = (await (await call(0, '/me', { headers: { cookie } })).json()) as { csrf: string };
    const names = Object.keys(KINDS);
    let next = 0;
    const hand = async () => {
      while (!over) {
        const i = next++;
        const kind = names[i % names.length]!;
        const mark = `fault ${i} ${randomUUID().slice(0, 8)}`;
        const write = { ...(await KINDS[kind]!(mark, i, ground)), kind, mark, acknowledged: false };
        all.push(write);
        const key = randomUUID();
        // As a tablet does: sent again under its key until it is answered for.
        for (let tries = 0; tries < 12; tries++) {
          const throwAway = Math.random() < 0.15;
          const res = await call(i + tries, write.path, {
            method: 'POST',
            headers: { cookie, 'x-csrf-token': csrf, 'content-type': write.type, 'idempotency-key': key },
            body: typeof write.body === 'string' ? write.body : new Uint8Array(write.body),
          }).catch(() => null);
          if (throwAway && res) {
            thrown++;
            continue;
          }
          if (res?.ok) write.acknowledged = true;
          if (res && res.status < 500 && res.status !== 429) break;
          await new Promise((r) => setTimeout(r, 60));
        }
      }
    };
    const trouble = async () => {
      // A slow machine starts a killed process in seconds: it goes on until enough has gone wrong to prove something.
      const enough = () => kills + terminated > LEAST_TROUBLE && tried(all).size === names.length;
      while (Date.now() < until || (!enough() && Date.now() < until + 5 * seconds * 1000)) {
        await new Promise((r) => setTimeout(r, 350 + Math.random() * 500));
        if (Math.random() < 0.35) {
          const which = Math.random() < 0.5 ? 0 : 1;
          servers[which]!.kill('SIGKILL');
          kills++;
          servers[which] = await startServer(url, ports[which]!);
        } else {
          const { rows } = await db.query(
            `select count(pg_terminate_backend(pid))::int as n from (select pid from pg_stat_activity
               where datname = current_database() and pid <> pg_backend_pid() and backend_type = 'client backend' order by random() limit 3) x`,
          );
          terminated += rows[0].n;
        }
      }
      over = true;
    };
    await Promise.all([trouble(), ...Array.from({ length: hands }, hand)]);
    return await looked(db, all, { kills, terminated, thrown });
  } finally {
    over = true;
    for (const s of servers) await stopChild(s, 'SIGTERM', 5000);
    await db.end();
  }
}

/** The kinds of which a write was acknowledged. */
const tried = (all: readonly (Write & { acknowledged: boolean })[]) =>
  new Set(all.filter((w) => w.acknowledged).map((w) => w.kind));

async function groundOf(db: pg.Client): Promise<Ground> {
  const { rows } = await db.query(`select
    (select o.id::int from orders o join client c on c.id = o.client_id where not c.minor and o.stage in ('asked', 'brief', 'measured', 'sheet', 'agreed') and o.with_id is null order by o.id limit 1) as "orderId",
    (select id::int from staff where active and role = 'seamstress' order by id limit 1) as "staffId",
    (select json_agg(id) from room where active) as "roomIds"`);
  const client = await db.query('select client_id::int as id from orders where id = $1', [rows[0].orderId]);
  return { ...rows[0], clientId: client.rows[0].id };
}

async function looked(
  db: pg.Client,
  all: readonly (Write & { acknowledged: boolean })[],
  { kills, terminated, thrown }: { kills: number; terminated: number; thrown: number },
): Promise<FaultsFound> {
  const [lost, doubled]: [string[], string[]] = [[], []];
  for (const w of all) {
    const { rows } = await db.query<{ n: number }>(w.count, [w.mark]);
    const n = rows[0]?.n ?? 0;
    if (w.acknowledged && n === 0) lost.push(`${w.kind} ${w.mark}`);
    if (n > 1) doubled.push(`${w.kind} ${w.mark}`);
  }
  const done = tried(all);
  const { rows } = await db.query<{ n: number }>(
    `select count(*)::int as n from graphile_worker.jobs where locked_at < now() - interval '5 minutes'`,
  );
  return {
    kinds: Object.keys(KINDS).length,
    sent: all.length,
    acknowledged: all.filter((w) => w.acknowledged).length,
    lost,
    doubled,
    kills,
    terminated,
    answersThrownAway: thrown,
    untried: Object.keys(KINDS).filter((k) => !done.has(k)),
    stuckJobs: rows[0]!.n,
  };
}
