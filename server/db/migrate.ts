import { fileURLToPath } from 'node:url';
import { Logger, runMigrations } from 'graphile-worker';
import { runner } from 'node-pg-migrate';
import pg from 'pg';
import { grantProgram } from './program-role.ts';
import { SERVER } from './where.ts';

const dir = fileURLToPath(new URL('migrations', SERVER));
/** What processes that start on one database take turns by. */
const START_LOCK = 7241;

/**
 * Brings the database to the newest shape, then runs `then`, all under one lock: of several processes that start
 * together one does it and the others wait.
 * @param databaseUrl of the role that owns the tables  @param program the role the program works under, when it is another
 */
export async function migrate<T = void>(
  databaseUrl: string,
  then?: (db: pg.ClientBase) => Promise<T>,
  program?: string,
): Promise<T | undefined> {
  const quiet = () => undefined;
  const client = new pg.Client({ connectionString: databaseUrl });
  // Lost while waiting: the query in hand says so; this only keeps the loss from ending the process.
  client.on('error', quiet);
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [START_LOCK]);
    await runner({
      dbClient: client,
      noLock: true,
      dir,
      ignorePattern: '(?!.*\\.sql$).*',
      direction: 'up',
      migrationsTable: 'migration',
      log: quiet,
      logger: { info: quiet, debug: quiet, warn: quiet, error: (m) => process.stderr.write(`${m}\n`) },
      checkOrder: true,
    });
    // The queue of jobs keeps its own tables in its own schema; under the same lock.
    await runMigrations({ connectionString: databaseUrl, logger: new Logger(() => quiet) });
    if (program) await grantProgram(client, program);
    return await then?.(client);
  } finally {
    await client.end();
  }
}
