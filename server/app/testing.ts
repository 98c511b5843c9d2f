import { randomUUID } from 'node:crypto';
import type { Role } from '@rocchetto/contract';
import { foldText, readLength } from '@rocchetto/core';
import type { Hono } from 'hono';
import pg from 'pg';
import { pino } from 'pino';
import { migrate } from '../db/migrate.ts';
import { openPool, type Pool } from '../db/pool.ts';
import type { Env } from '../http/context.ts';
import { checkAnswers } from '../http/route.ts';
import { type Live, openLive } from '../live/live.ts';
import { openSignIn } from '../records/sign-ins.ts';
import { createApp } from './app.ts';

/** A browser that is signed in, in as far as the server can tell. */
export interface Caller {
  readonly name: string;
  readonly cookie: string;
  readonly get: (path: string) => Promise<Response>;
  readonly send: (
    method: string,
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ) => Promise<Response>;
}
export interface TestApp {
  readonly app: Hono<Env>;
  readonly pool: Pool;
  readonly url: string;
  readonly live: Live;
  readonly as: (role: Role) => Promise<Caller>;
  readonly asStaff: (id: number) => Promise<Caller>;
  readonly close: () => Promise<void>;
}

const TEMPLATE = 't_migrated';

/** A database of this name that holds today's empty studio: migrated once a cluster, then copied. */
async function emptyStudio(admin: string, database: string): Promise<string> {
  const at = (name: string) => Object.assign(new URL(admin), { pathname: `/${name}` }).toString();
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  try {
    await client.query(`select pg_advisory_lock(hashtext($1))`, [TEMPLATE]);
    const { rows } = await client.query(`select from pg_database where datname = $1`, [TEMPLATE]);
    if (rows.length === 0) {
      // It gets its name when it is whole: a run that was ended halfway leaves none.
      const making = `${TEMPLATE}_${randomUUID().replaceAll('-', '')}`;
      await client.query(`create database ${making}`);
      await migrate(at(making));
      await client.query(`alter database ${making} rename to ${TEMPLATE}`);
    }
    await client.query(`select pg_advisory_unlock(hashtext($1))`, [TEMPLATE]);
    await client.query(`create database ${database} template ${TEMPLATE}`);
  } finally {
    await client.end();
  }
  return at(database);
}

/** A fresh, migrated database of the test cluster, and the server on it. */
export async function startTestApp(now = () => new Date('2026-03-10T12:00:00Z')): Promise<TestApp> {
  checkAnswers();
  const admin = process.env.TEST_DATABASE_ADMIN_URL;
  if (!admin) throw new Error('These tests need a PostgreSQL: run ./rocchetto test.');
  const url = await emptyStudio(admin, `t_${randomUUID().replaceAll('-', '')}`);
  const pool = openPool(url, () => undefined);
  const log = pino({ level: process.env.TEST_LOG ?? 'silent' });
  const live = openLive(url, log);
  const app = createApp({ pool, log, live, url, now });
  const as = async (role: Role): Promise<Caller> => {
    const name = `Test ${role}`;
    const { rows } = await pool.query<{ id: number }>(
      `insert into staff (name, name_key, role) values ($1, $2, $3) on conflict (name_key) where active do update set role = excluded.role returning id`,
      [name, foldText(name), role],
    );
    return asStaff(rows[0]!.id, name);
  };
  const asStaff = async (id: number, name = ''): Promise<Caller> => {
    const cookie = `rocchetto=${await openSignIn(pool, id)}`;
    const me = (await (await app.request('/api/me', { headers: { cookie } })).json()) as { csrf: string };
    return {
      name,
      cookie,
      get: async (path) => app.request(`/api${path}`, { headers: { cookie } }),
      send: async (method, path, body, headers = {}) =>
        app.request(`/api${path}`, {
          method,
          headers: { cookie, 'x-csrf-token': me.csrf, 'content-type': 'application/json', ...headers },
          body: body === undefined ? '{}' : typeof body === 'string' ? body : JSON.stringify(body),
        }),
    };
  };
  return {
    app,
    pool,
    url,
    as,
    asStaff,
    live,
    close: async () => {
      await live.close();
      await pool.end();
    },
  };
}

export const clientBody = (name: string, more: object = {}) => ({
  name,
  phone: '',
  email: '',
  address: '',
  note: '',
  minor: false,
  guardian: '',
  ...more,
});

/** The JSON of an answer, whose status is checked first so that a refusal shows its sentence. */
// biome-ignore lint/suspicious/noExplicitAny: tests look at what they name
export async function json(answer: Promise<Response> | Response, status = 200): Promise<any> {
  const res = await answer;
  const text = await res.text();
  if (res.status !== status) throw new Error(`${res.status} instead of ${status}: ${text}`);
  return JSON.parse(text);
}

const SKIRT = {
  parts: [{ part: 'straight-skirt', length: '62 cm', hemOpening: { kind: 'vent', height: '18 cm' } }],
  lining: 'cupro',
};

/** A client, and an order of a skirt whose brief is written. */
export async function skirtOrder(who: Caller, client: object = {}) {
  const { id: clientId } = await json(
    who.send('POST', '/clients', clientBody('Nell Arkwright', client)),
    201,
  );
  const order = await json(
    who.send('POST', '/orders', {
      clientId,
      what: 'Straight skirt',
      wornOn: '2026-05-01',
      dueOn: '2026-04-28',
    }),
    201,
  );
  const briefed = await json(
    who.send('PUT', `/orders/${order.id}/brief`, { version: order.version, brief: SKIRT }),
  );
  return { clientId: clientId as number, orderId: order.id as number, version: briefed.version as number };
}

/** Readings of one session, "waist 70 cm" each. */
export function sessionBody(
  clientId: number,
  orderId: number | null,
  lines: readonly string[],
  more: object = {},
) {
  const at = '2026-03-09T10:00:00Z';
  return {
    session: { id: randomUUID(), clientId, orderId, at, ...more },
    readings: lines.map((line) => {
      const [measure, ...typed] = line.split(' ');
      const read = readLength(typed.join(' '), 'cm');
      if (!read.ok) throw new Error(read.sentence);
      return { id: randomUUID(), measure, state: 'read', written: read.written, at };
    }),
  };
}
