import { request } from 'node:http';
import { serve } from '@hono/node-server';
import { foldText } from '@rocchetto/core';
import { seeded } from '@rocchetto/demo/figures.ts';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { createApp } from '@rocchetto/server/app.ts';
import { openSignIn } from '@rocchetto/server/auth/sql.ts';
import { SEARCH_SQL, searchText, searchValues } from '@rocchetto/server/clients/sql.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import { openPool, type Pool } from '@rocchetto/server/db/pool.ts';
import { NO_LIVE } from '@rocchetto/server/live/live.ts';
import { Hono } from 'hono';
import { pino } from 'pino';
import type { Cluster } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { percentile, timed } from './percentile.ts';

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

/** One GET over a kept-alive loopback connection. */
function get(port: number, path: string, cookie: string): Promise<void> {
  return new Promise((done, fail) => {
    request({ host: '127.0.0.1', port, path, headers: { cookie }, agent: undefined }, (res) => {
      res.resume();
      res.on('end', () => (res.statusCode === 200 ? done() : fail(new Error(`${path}: ${res.statusCode}`))));
    })
      .on('error', fail)
      .end();
  });
}

export async function routesBench(cluster: Cluster, say: (line: string) => void) {
  await cluster.ensureDatabase('bench', true);
  const url = cluster.url('bench');
  await migrate(url);
  await seedDemo(url);
  const pool = openPool(url, () => undefined);
  await manyClients(pool, 100_000);
  const { rows } = await pool.query<{ id: number }>(`select id from staff where role = 'fitter' limit 1`);
  const cookie = `rocchetto=${await openSignIn(pool, rows[0]!.id)}`;
  const app = createApp({
    pool,
    log: pino({ level: 'silent' }),
    live: NO_LIVE,
    now: () => new Date(),
  });
  const bare = new Hono().get('/bare', async (c) => c.json((await pool.query('select 1 as one')).rows[0]));
  const [port, barePort] = [await freePort(), await freePort()];
  const servers = [
    serve({ fetch: app.fetch, port, hostname: '127.0.0.1' }),
    serve({ fetch: bare.fetch, port: barePort, hostname: '127.0.0.1' }),
  ];
  try {
    const words = [
      'margret',
      'thornb',
      'zoe fern',
      'aakjaer',
      'severine',
      'lockhrat',
      'bjork',
      'wilma',
      'corsobali',
      'ingrid dahl',
      'b-4242',
      'petra nov',
      'xenia',
      'quistmerna',
      'odette',
    ];
    const word = (i: number) => words[i % words.length]!;
    const query = (i: number) => pool.query(SEARCH_SQL, searchValues(foldText(word(i)), 20));
    const search = (i: number) => get(port, `/api/clients?q=${encodeURIComponent(word(i))}`, cookie);
    const [sql, route] = [await timed(300, 60, query), await timed(300, 60, search)];
    const [a, b] = [percentile(sql, 95), percentile(route, 95)];
    say(
      `client search, 100,000 clients: route p95 ${b.toFixed(1)} ms (median ${percentile(route, 50).toFixed(1)}), bare SQL p95 ${a.toFixed(1)} ms (median ${percentile(sql, 50).toFixed(1)}); ratio ${(b / a).toFixed(2)}. Aim: under 2 × bare + 5 ms = ${(2 * a + 5).toFixed(1)} ms.`,
    );
    const one = await timed(500, 50, () => get(barePort, '/bare', cookie));
    const sheet = await timed(500, 50, () => get(port, '/api/orders/2/sheet', cookie));
    const paper = await timed(20, 2, () => get(port, '/api/orders/2/sheet.pdf', cookie));
    const [x, y] = [percentile(one, 95), percentile(sheet, 95)];
    say(
      `sheet route: p95 ${y.toFixed(1)} ms (median ${percentile(sheet, 50).toFixed(1)}), bare Hono route with one select 1 p95 ${x.toFixed(1)} ms (median ${percentile(one, 50).toFixed(1)}); ratio ${(y / x).toFixed(2)}.`,
    );
    say(`sheet as PDF: median ${percentile(paper, 50).toFixed(0)} ms.`);
  } finally {
    for (const server of servers) server.close();
    await pool.end();
  }
}
