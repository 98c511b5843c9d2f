import { parseArgs } from 'node:util';
import { type ServerType, serve } from '@hono/node-server';
import { foldText } from '@rocchetto/core';
import type { ClientBase } from 'pg';
import { pino } from 'pino';
import { startQueue } from '../areas/messages/queue.ts';
import { isDatabaseDown } from '../db/error-kinds.ts';
import { migrate } from '../db/migrate.ts';
import { openPool } from '../db/pool.ts';
import { roleOf } from '../db/program-role.ts';
import { purgeHourly } from '../db/purge.ts';
import { checkAnswers } from '../http/route.ts';
import { openLive } from '../live/live.ts';
import { makeSetupLink } from '../records/sign-ins.ts';
import { endWork } from '../threads/pool.ts';
import { createApp } from './app.ts';

/** Writes in hand have this long to finish when the server is asked to end, ms. */
const GRACE = 15_000;

/**
 * Before anyone is on the staff: a principal, and the link with which they set name and passphrase. Run under the
 * start lock. Null when somebody has a passphrase, or when a link was made in the last ten seconds: of several
 * processes that start together one prints it, and every later start prints a new one.
 */
async function firstLink(db: ClientBase): Promise<string | null> {
  const name = 'Principal';
  await db.query(
    `insert into staff (name, name_key, role) select $1, $2, 'principal' where not exists (select 1 from staff)`,
    [name, foldText(name)],
  );
  const { rows } = await db.query<{ id: number }>(
    `select id from staff s where role = 'principal' and active and not exists (select 1 from staff where passphrase_hash is not null)
        and not exists (select 1 from setup_link l where l.staff_id = s.id and l.used_at is null and l.expires_at > now() + interval '3 days' - interval '10 seconds')
      order by id limit 1`,
  );
  return rows[0] ? makeSetupLink(db, rows[0].id) : null;
}

const listening = (app: ReturnType<typeof createApp>, port: number, host: string) =>
  new Promise<ServerType>((done, fail) => {
    const server = serve(
      {
        fetch: app.fetch,
        port,
        hostname: host,
        // An idle connection is kept longer than a proxy or a page keeps it: whoever closes first is not reading then.
        serverOptions: { keepAliveTimeout: 75_000, headersTimeout: 80_000 },
      },
      () => done(server),
    );
    server.once('error', (error: NodeJS.ErrnoException) =>
      fail(
        error.code === 'EADDRINUSE'
          ? new Error(`Port ${port} is in use. Choose another with --port or PORT.`)
          : error,
      ),
    );
  });

/**
 * A library that loses its connection may leave a promise that nobody hears: a lost database is no reason to end.
 * Anything else ends the process, as it would without this.
 */
process.on('unhandledRejection', (error) => {
  if (!isDatabaseDown(error)) throw error;
  process.stderr.write(`A connection to the database was lost: ${(error as Error).message}\n`);
});

/** Where the server listens: --port and --host, else PORT and HOST. @throws Error in a plain sentence */
function whereTo(args: string[]): { port: number; host: string } {
  let values: { port?: string | undefined; host?: string | undefined };
  try {
    ({ values } = parseArgs({ args, options: { port: { type: 'string' }, host: { type: 'string' } } }));
  } catch (error) {
    throw new Error(`${(error as Error).message}. Use --port NUMBER and --host NAME.`);
  }
  const asked = values.port ?? process.env.PORT ?? '4180';
  const port = Number(asked);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`“${asked}” is not a port. Use a number from 1 to 65535.`);
  return { port, host: values.host ?? process.env.HOST ?? '127.0.0.1' };
}

async function main() {
  const databaseUrl = process.env.DATABASE_URL;
  if (!databaseUrl)
    throw new Error('DATABASE_URL is not set: say which PostgreSQL to use, or run ./rocchetto demo.');
  // Tests look at every answer by its schema; it takes as long as the answer is long.
  if (process.env.CHECK_ANSWERS === '1') checkAnswers();
  const { port, host } = whereTo(process.argv.slice(2));
  const log = pino({ level: process.env.LOG_LEVEL ?? 'info' });
  const pool = openPool(databaseUrl, (error) => log.warn({ err: error.message }, 'database connection lost'));
  let live: ReturnType<typeof openLive> | undefined;
  let server: ServerType | undefined;
  // Where a second role owns the tables, only the migrations are run under it.
  const owner = process.env.MIGRATIONS_URL ?? databaseUrl;
  const begin = async (db: ClientBase) => {
    live = openLive(databaseUrl, log);
    server = await listening(
      createApp({ pool, log, live, url: databaseUrl, now: () => new Date() }),
      port,
      host,
    );
    return firstLink(db);
  };
  const link = await migrate(owner, begin, roleOf(databaseUrl));
  const stopPurging = purgeHourly(pool, log);
  const queue = startQueue(
    databaseUrl,
    { pool, log, live: live!, now: () => new Date() },
    process.env.PUBLIC_URL?.replace(/\/$/, '') ?? `http://${host}:${port}`,
  );
  process.send?.('listening');
  // Started by another program (the demo, the tests) that says where it is, it says nothing itself.
  if (!process.send) process.stdout.write(`Rocchetto is at http://${host}:${port}\n`);
  if (link)
    process.stdout.write(
      `Nobody has signed up yet. Set the owner's name and passphrase here, once: http://${host}:${port}/setup#${link}\n`,
    );

  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    stopPurging();
    setTimeout(() => process.exit(1), GRACE).unref();
    // No new connection; those that wait for nothing end now, streams are told to end, answers in hand are given.
    const closed = new Promise<void>((done) => server!.close(() => done()));
    await live!.close();
    const idle = setInterval(() => 'closeIdleConnections' in server! && server.closeIdleConnections(), 50);
    await closed;
    clearInterval(idle);
    await queue.stop();
    await endWork();
    await pool.end();
    process.exit(0);
  };
  for (const word of ['SIGTERM', 'SIGINT'] as const) process.on(word, () => void stop());
  // Started by the script: when that is gone, however it went, so is the server.
  process.on('disconnect', () => void stop());
}

main().catch((error: Error) => {
  process.stderr.write(`${error.message}\n`);
  process.exit(1);
});
