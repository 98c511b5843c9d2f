import { fork } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';
import { join } from 'node:path';
import { serve } from '@hono/node-server';
import { DANGER_DAYS, foldText } from '@rocchetto/core';
import { seeded } from '@rocchetto/demo/figures.ts';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { createApp } from '@rocchetto/server/app/app.ts';
import { listOrders } from '@rocchetto/server/areas/orders/list.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import { openPool, type Pool } from '@rocchetto/server/db/pool.ts';
import { NO_LIVE } from '@rocchetto/server/live/live.ts';
import { SEARCH_SQL, searchText, searchValues } from '@rocchetto/server/records/clients.ts';
import { orderSearch } from '@rocchetto/server/records/orders.ts';
import { openSignIn } from '@rocchetto/server/records/sign-ins.ts';
import { Hono } from 'hono';
import { pino } from 'pino';
import { type Cluster, root, stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';
import { interleaved, line } from './interleaved.ts';
import { percentile } from './percentile.ts';

const FIRST =
  'Ada Bea Cleo Dora Edda Fleur Greta Hilda Ingrid Jonna Katja Lieve Maren Nadia Odette Petra Quinta Rosa Saskia Thea Ulla Vera Wilma Xenia Yvette Zita Marguerite Séverine Björk Zoë'.split(
    ' ',
  );
const LAST =
  'Aalto Brack Corso Dahl Ewing Falk Garde Hollis Ibarra Jansen Kovac Lund Moreau Novak Oakes Prins Quist Rask Sauer Tveit Ueda Vogel Wilde Xu Ystad Zeller Ferncliffe Lockhart Thornbury Aakjær'.split(
    ' ',
  );

export async function manyClients(pool: Pool, count: number) {
  const rnd = seeded(7);
  const pick = (list: readonly string[]) => list[Math.floor(rnd() * list.length)]!;
  const syllable = () => pick('ba ko li mer na per ri sto ta vin wel zan dor fen gal'.split(' '));
  for (let from = 0; from < count; from += 5000) {
    const rows = Array.from({ length: Math.min(5000, count - from) }, (_, i) => {
      const name = `${pick(FIRST)} ${pick(LAST)}${syllable()}${syllable()}`;
      const phone = `0${Math.floor(100000000 + rnd() * 899999999)}`;
      const code = `B-${from + i}`;
      return { code, name, phone, search: searchText(code, name) };
    });
    await pool.query(
      `insert into client (code, name, phone, phone_digits, search) select x.code, x.name, x.phone, x.phone, x.search from jsonb_to_recordset($1::jsonb) x(code text, name text, phone text, search text)`,
      [JSON.stringify(rows)],
    );
  }
  await pool.query('analyze client');
}

const WHAT =
  'Straight skirt,Day dress,Waistcoat,Evening gown,Trousers,Coat,Blouse,Bridal gown,Cape,Jumpsuit'.split(',');

/** Orders over twenty years, nine in ten of them cut, in the words of ten garments. */
export async function manyOrders(pool: Pool, count: number) {
  const rnd = seeded(11);
  const { rows: clients } = await pool.query<{ id: number; name: string; code: string }>(
    'select id, name, code from client order by id',
  );
  for (let from = 0; from < count; from += 5000) {
    const rows = Array.from({ length: Math.min(5000, count - from) }, (_, i) => {
      const client = clients[Math.floor(rnd() * clients.length)]!;
      const number = `B-${from + i}`;
      const what = `${WHAT[Math.floor(rnd() * WHAT.length)]!}${rnd() < 0.001 ? ' in vicuna' : ''}`;
      const days = Math.floor(rnd() * 7300) - 7000;
      const due = new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
      const stage =
        rnd() < 0.9 ? 'cut' : ['asked', 'brief', 'measured', 'sheet', 'agreed'][Math.floor(rnd() * 5)]!;
      return {
        number,
        client: client.id,
        what,
        due,
        stage,
        search: orderSearch([number, what], client.name, client.code),
      };
    });
    await pool.query(
      `insert into orders (number, client_id, what, due_on, stage, search) select x.number, x.client, x.what, x.due, x.stage, x.search
         from jsonb_to_recordset($1::jsonb) x(number text, client bigint, what text, due date, stage text, search text)`,
      [JSON.stringify(rows)],
    );
  }
  await pool.query('vacuum analyze orders');
}

const agent = new Agent({ keepAlive: true, maxSockets: 64 });

/** One request over a kept-alive loopback connection. */
function ask(
  port: number,
  path: string,
  headers: Record<string, string>,
  send?: { readonly method: 'POST'; readonly body: string },
): Promise<string> {
  return new Promise((done, fail) => {
    const req = request(
      { host: '127.0.0.1', port, path, headers, agent, method: send?.method ?? 'GET' },
      (res) => {
        let text = '';
        res.setEncoding('utf8');
        res.on('data', (c: string) => {
          text += c;
        });
        res.on('end', () =>
          (res.statusCode ?? 500) < 400
            ? done(text)
            : fail(new Error(`${path}: ${res.statusCode} ${text.slice(0, 200)}`)),
        );
      },
    );
    // A kept-alive connection that the server closed just as it was taken up again: once more, on a new one.
    req.on('error', (error) =>
      req.reusedSocket && !send ? ask(port, path, headers).then(done, fail) : fail(error),
    );
    req.end(send?.body);
  });
}

/** The orders list as bare as it can be: fifty rows of the index by due date, with their names. */
const BARE_LIST = `select o.id, o.number, o.what, o.occasion, o.worn_on, o.due_on, o.client_id, c.name, st.name as responsible, o.stage
  from orders o join client c on c.id = o.client_id left join staff st on st.id = o.responsible_id
 where (coalesce(o.due_on, 'infinity'::date), o.id) > ($1::date, $2) order by coalesce(o.due_on, 'infinity'::date), o.id limit 50`;
/** A search as bare as it can be: the same fifty, of those that hold the word. */
const BARE_SEARCH = BARE_LIST.replace(/where .* order by/, `where o.search like '%' || $1 || '%' order by`);

export async function routesBench(cluster: Cluster, say: (text: string) => void) {
  await cluster.ensureDatabase('bench', true);
  const url = cluster.url('bench');
  await migrate(url);
  await seedDemo(url);
  const pool = openPool(url, () => undefined, { max: 24, patience: 300_000 });
  await manyClients(pool, 100_000);
  await manyOrders(pool, 200_000);
  const { rows } = await pool.query<{ id: number }>(`select id from staff where role = 'fitter' limit 1`);
  const cookie = { cookie: `rocchetto=${await openSignIn(pool, rows[0]!.id)}` };
  const app = createApp({ pool, url, log: pino({ level: 'silent' }), live: NO_LIVE, now: () => new Date() });
  const bare = new Hono().get('/bare', async (c) => c.json((await pool.query('select 1 as one')).rows[0]));
  const [port, barePort] = [await freePort(), await freePort()];
  const servers = [
    serve({ fetch: app.fetch, port, hostname: '127.0.0.1' }),
    serve({ fetch: bare.fetch, port: barePort, hostname: '127.0.0.1' }),
  ];
  const get = (path: string) => ask(port, `/api${path}`, cookie);
  try {
    const names =
      'margret,thornb,zoe fern,aakjaer,severine,lockhrat,bjork,wilma,corsobali,ingrid dahl,b-4242,petra nov,xenia,quistmerna,odette'.split(
        ',',
      );
    const name = (i: number) => names[i % names.length]!;
    say(
      line(
        'client search, 100,000 clients, route',
        await interleaved(
          300,
          60,
          (i) => pool.query(SEARCH_SQL, searchValues(foldText(name(i)), 20)),
          (i) => get(`/clients?q=${encodeURIComponent(name(i))}`),
        ),
        'its SQL bare',
        'Aim: ≤ 2.',
      ),
    );

    const today = new Date().toISOString().slice(0, 10);
    const list = (more: object) =>
      listOrders(pool, { q: '', view: 'work', me: rows[0]!.id, today, leads: DANGER_DAYS, ...more });
    for (const view of ['work', 'all', 'mine', 'danger', 'week', 'client'] as const)
      say(
        line(
          `orders list, 200,000 orders, view “${view}”`,
          await interleaved(
            150,
            30,
            () => pool.query(BARE_LIST, ['2020-01-01', 0]),
            () => list({ view }),
          ),
          'the bare keyset query',
          view === 'work' || view === 'all' ? 'Aim: ≤ 2.' : '',
        ),
      );
    say(
      line(
        'orders list, a page further on',
        await interleaved(
          150,
          30,
          () => pool.query(BARE_LIST, ['2020-01-01', 0]),
          () => list({ view: 'all', afterDue: '2020-01-01', afterId: 1 }),
        ),
        'the bare keyset query',
        'Aim: ≤ 2.',
      ),
    );
    const words = 'vicuna,gown,skirt,b-4242,thornbury,bridal,quistmerna,no such thing'.split(',');
    for (const word of words)
      say(
        line(
          `orders search “${word}”`,
          await interleaved(
            60,
            10,
            () => pool.query(BARE_SEARCH, [word]),
            () => list({ q: word, view: 'all' }),
          ),
          'the bare query',
          'Aim: ≤ 2.',
        ),
      );

    const one = () => ask(barePort, '/bare', {});
    say(
      line(
        'sheet route',
        await interleaved(500, 50, one, () => get('/orders/2/sheet')),
        'a bare route with select 1',
        'Aim: ≤ 6.',
      ),
    );
    const first = await app.request('/api/orders/2/sheet', { headers: cookie });
    const etag = first.headers.get('etag')!;
    const unchanged = () => ask(port, '/api/orders/2/sheet', { ...cookie, 'if-none-match': etag });
    say(
      line(
        'sheet route, unchanged (304)',
        await interleaved(500, 50, one, unchanged),
        'a bare route with select 1',
        '',
      ),
    );
    say(
      line(
        'sheet as PDF',
        await interleaved(20, 3, one, () => get('/orders/2/sheet.pdf')),
        'a bare route with select 1',
        '',
      ),
    );
    await postBench(pool, url, cookie, say);
  } finally {
    for (const server of servers) server.close();
    agent.destroy();
    await pool.end();
  }
}

/**
 * Readings a second: a server of its own and 20 hands in another process, one reading each time, against bare inserts
 * of the same rows by 20 connections; turns of two seconds.
 */
export async function postBench(
  pool: Pool,
  url: string,
  cookie: Record<string, string>,
  say: (text: string) => void,
) {
  const port = await freePort();
  const server = await startServer(url, port, { LOG_LEVEL: 'silent' });
  const hands = fork(join(root, 'benchmarks/posting-hands.ts'), { execArgv: ['--import', 'tsx'] });
  const told = () => new Promise<unknown>((done) => hands.once('message', done));
  try {
    await told();
    const { csrf } = JSON.parse(await ask(port, '/api/me', cookie)) as { csrf: string };
    const headers = { ...cookie, 'x-csrf-token': csrf, 'content-type': 'application/json' };
    const at = new Date().toISOString();
    const { rows } = await pool.query<{ client_id: number }>('select client_id from orders where id = 2');
    const session = () => ({ id: randomUUID(), clientId: rows[0]!.client_id, orderId: 2, at });
    const [sessions, bareSession] = [Array.from({ length: 20 }, session), session()];
    await ask(port, '/api/readings', headers, {
      method: 'POST',
      body: JSON.stringify({ session: bareSession, readings: [] }),
    });
    const insert = () =>
      pool.query(
        `insert into reading (id, session_id, measure, state, fact, read_by, staff_id, at) values ($1, $2, 'waist', 'read', $3, 'x', 1, now())`,
        [
          randomUUID(),
          bareSession.id,
          '{"written": {"value": "70", "unit": "cm", "text": "70"}, "way": "whole", "tape": "snug"}',
        ],
      );
    const inserts = async () => {
      const until = performance.now() + 2000;
      let n = 0;
      await Promise.all(
        Array.from({ length: 20 }, async () => {
          for (; performance.now() < until; n++) await insert();
        }),
      );
      return n / 2;
    };
    const posts = async () => {
      hands.send({ port, headers, sessions, ms: 2000 });
      return ((await told()) as number) / 2;
    };
    const rates: [number[], number[]] = [[], []];
    await posts();
    for (let turn = 0; turn < 5; turn++) {
      rates[0].push(await inserts());
      rates[1].push(await posts());
    }
    const [bare, ours] = rates.map((r) => percentile(r, 50)) as [number, number];
    say(
      `POST readings, 20 clients: ${ours.toFixed(0)} a second, bare inserts ${bare.toFixed(0)} a second (medians of 5 turns); ${(ours / bare).toFixed(2)} of bare. Aim: ≥ 500 a second.`,
    );
  } finally {
    hands.kill();
    await stopChild(server, 'SIGTERM', 5000);
  }
}
