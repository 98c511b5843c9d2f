import { Logger, run, runOnce, type TaskList } from 'graphile-worker';
import pg from 'pg';
import { inTransaction, type Pool } from '../db/pool.ts';
import type { Deps } from '../http/context.ts';
import { type Live, NO_LIVE } from '../live/live.ts';
import { tryOf } from './message-sql.ts';
import { sendMessage } from './messages.ts';

/** How soon a queue that lost its database begins again, ms. */
const AGAIN = 3000;

/** What the queue carries out. A task that throws is tried again later, each time after a longer while. */
const tasks = (pool: Pool, live: Pick<Live, 'tell'>, now: () => Date, address: string): TaskList => ({
  tell: async (payload) => {
    const { id } = payload as { id: number };
    try {
      await inTransaction(pool, (tx) => sendMessage(tx, id, now(), address));
    } catch (error) {
      await tryOf(pool, id, (error as Error).message);
      throw error;
    } finally {
      live.tell([['diary', 0, 0]]);
    }
  },
});

const quiet = new Logger(() => () => undefined);

/** Runs what is due now, once: for tests. */
export async function runDue(databaseUrl: string, pool: Pool, now: () => Date): Promise<void> {
  await runOnce({
    connectionString: databaseUrl,
    taskList: tasks(pool, NO_LIVE, now, 'https://studio.example'),
    logger: quiet,
    noHandleSignals: true,
  });
}

/**
 * Carries out jobs while the process lives; any number of processes may, each job is done by one. When the database is
 * lost it begins again by itself.
 * @param address where clients reach the studio's pages, without a slash at its end
 */
export function startQueue(
  databaseUrl: string,
  { pool, log, live, now }: Pick<Deps, 'pool' | 'log' | 'live' | 'now'>,
  address: string,
): { stop: () => Promise<void> } {
  let stopped = false;
  let runner: Awaited<ReturnType<typeof run>> | undefined;
  const own = new pg.Pool({ connectionString: databaseUrl, max: 3 });
  own.on('error', () => undefined);
  own.on('connect', (client) => client.on('error', () => undefined));
  const going = (async () => {
    while (!stopped) {
      try {
        runner = await run({
          pgPool: own,
          taskList: tasks(pool, live, now, address),
          concurrency: 2,
          pollInterval: 2000,
          noHandleSignals: true,
          logger: quiet,
        });
        await runner.promise;
      } catch (error) {
        if (!stopped) log.warn({ err: (error as Error).message }, 'the queue of messages begins again');
      }
      if (!stopped) await new Promise((r) => setTimeout(r, AGAIN));
    }
  })();
  return {
    stop: async () => {
      stopped = true;
      await runner?.stop().catch(() => undefined);
      await Promise.race([going, new Promise((r) => setTimeout(r, AGAIN + 500))]);
      await own.end().catch(() => undefined);
    },
  };
}
