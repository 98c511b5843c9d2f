import { Logger, run, runOnce, type TaskList } from 'graphile-worker';
import pg from 'pg';
import { inTransaction, type Pool } from '../../db/pool.ts';
import type { Deps } from '../../http/context.ts';
import { type Live, NO_LIVE } from '../../live/live.ts';
import { mailedMessage, refusedMessage, tryOf } from '../../records/diary/messages.ts';
import { writeMessage } from '../../records/diary/telling.ts';
import { MailRefused, sendMail } from './smtp.ts';

/** How soon a queue that lost its database begins again, ms. */
const AGAIN = 3000;
/** A job takes moments: one that is held for longer is of a process that was killed, and is given free, ms. */
const LOOK = 60_000;
const FREE_THE_DEAD = `select graphile_worker.force_unlock_workers(array(
  select distinct locked_by from graphile_worker.jobs where locked_at < now() - interval '2 minutes'))`;

/** What the queue carries out. A task that throws is tried again later, each time after a longer while. */
const tasks = (pool: Pool, live: Pick<Live, 'tell'>, now: () => Date, address: string): TaskList => ({
  tell: async (payload) => {
    const { id } = payload as { id: number };
    try {
      const to = await inTransaction(pool, (tx) => writeMessage(tx, id, now(), address));
      if (!to) return;
      if (!to.from)
        throw new Error('The studio has no e-mail address to send from. Add it in Studio settings.');
      // Outside of any transaction: a mail server that is slow holds nothing. Killed between the two, the letter goes again.
      await sendMail(to, to.letter, `message-${id}`);
      await inTransaction(pool, (tx) => mailedMessage(tx, id, now()));
    } catch (error) {
      if (error instanceof MailRefused) return refusedMessage(pool, id, now(), error.message);
      await tryOf(pool, id, (error as Error).message).catch(() => undefined);
      throw error;
    } finally {
      live.tell([['diary', 0, 0]]);
    }
  },
});

const quiet = new Logger(() => () => undefined);

/** The queue's own connections; one that is lost is heard, so that it ends nothing but itself. */
function ownPool(connectionString: string): pg.Pool {
  const own = new pg.Pool({ connectionString, max: 3 });
  own.on('error', () => undefined);
  own.on('connect', (client) => client.on('error', () => undefined));
  return own;
}

/** Runs what is due now, once: for tests. */
export async function runDue(databaseUrl: string, pool: Pool, now: () => Date): Promise<void> {
  const own = ownPool(databaseUrl);
  try {
    const taskList = tasks(pool, NO_LIVE, now, 'https://studio.example');
    await runOnce({ pgPool: own, taskList, logger: quiet, noHandleSignals: true });
  } finally {
    await own.end();
  }
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
  const own = ownPool(databaseUrl);
  const freeing = setInterval(() => void own.query(FREE_THE_DEAD).catch(() => undefined), LOOK);
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
      clearInterval(freeing);
      await runner?.stop().catch(() => undefined);
      await Promise.race([going, new Promise((r) => setTimeout(r, AGAIN + 500))]);
      await own.end().catch(() => undefined);
    },
  };
}
