import { serve } from '@hono/node-server';
import { foldText } from '@rocchetto/core';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { makeSetupLink } from './auth/sql.ts';
import { migrate } from './db/migrate.ts';
import { openPool, type Pool } from './db/pool.ts';

/** Today in the studio's zone (the machine's, or TZ), as yyyy-mm-dd. */
const today = () => new Intl.DateTimeFormat('sv-SE').format(new Date());

/** Before anyone is on the staff: a principal, and the link with which they set name and passphrase. */
async function firstLink(pool: Pool): Promise<string | null> {
  const name = 'Principal';
  await pool.query(
    `insert into staff (name, name_key, role) select $1, $2, 'principal' where not exists (select 1 from staff)`,
    [name, foldText(name)],
  );
  const { rows } = await pool.query<{ id: number }>(
    `select id from staff where role = 'principal' and active and not exists (select 1 from staff where passphrase_hash is not null) limit 1`,
  );
  return rows[0] ? makeSetupLink(pool, rows[0].id) : null;
}

async function main() {
  const databaseUrl = process.env.DATABASE_URL;
  if (!databaseUrl)
    throw new Error('DATABASE_URL is not set: say which PostgreSQL to use, or run ./rocchetto demo.');
  const port = Number(process.env.PORT ?? 4180);
  const host = process.env.HOST ?? '127.0.0.1';
  const log = pino({ level: process.env.LOG_LEVEL ?? 'info' });
  await migrate(databaseUrl);
  const pool = openPool(databaseUrl, (error) => log.warn({ err: error.message }, 'database connection lost'));
  const app = createApp({ pool, log, today });
  const server = serve({ fetch: app.fetch, port, hostname: host }, async () => {
    process.send?.('listening');
    const link = await firstLink(pool);
    if (link)
      process.stdout.write(
        `First start. Set the principal's name and passphrase here, once: http://${host}:${port}/setup#${link}\n`,
      );
  });
  server.on('error', (error: NodeJS.ErrnoException) => {
    process.stderr.write(
      error.code === 'EADDRINUSE'
        ? `Port ${port} is in use. Choose another with --port or PORT.\n`
        : `${error.message}\n`,
    );
    process.exit(1);
  });
  const stop = () => {
    server.close(() => pool.end().then(() => process.exit(0)));
    setTimeout(() => process.exit(0), 3000).unref();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  // Started by the script: when that is gone, however it went, so is the server.
  process.on('disconnect', stop);
}

main().catch((error: Error) => {
  process.stderr.write(`${error.message}\n`);
  process.exit(1);
});
