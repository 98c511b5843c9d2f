import type { Logger } from 'pino';
import type { Pool } from './pool.ts';

const HOUR = 3_600_000;
/** One process purges at a time; another that comes meanwhile leaves it to that one. */
const PURGE_LOCK = 7243;

/**
 * What is past its time, each found by its own index: sign-ins that have ended, links used or too old (also a client's own), tries
 * that no longer count, and first answers of changes (a tablet repeats a write within minutes; after a week
 * nobody asks for it), and files of an old book that nobody took.
 */
const PURGES = [
  'delete from sign_in where expires_at < now()',
  'delete from known_device where expires_at < now()',
  `delete from second_factor where on_at is null and made_at < now() - interval '1 day'`,
  `delete from setup_link where expires_at < now() - interval '1 day'`,
  `delete from sign_in_tries where expire < extract(epoch from now()) * 1000`,
  `delete from write_once where at < now() - interval '7 days'`,
  `delete from client_link where expires_at < now()`,
  // What she sent stays in the session it made; of the link only that it was there for a while.
  `delete from home_link where expires_at < now() - interval '90 days'`,
  // An old book that nobody took within a week: its file holds other people's data.
  `delete from import_file where state in ('open', 'failed') and at < now() - interval '7 days'`,
];

export async function purge(pool: Pool): Promise<void> {
  const tx = await pool.connect();
  let broken: Error | undefined;
  try {
    const { rows } = await tx.query<{ mine: boolean }>('select pg_try_advisory_lock($1) as mine', [
      PURGE_LOCK,
    ]);
    if (!rows[0]?.mine) return;
    for (const sql of PURGES) await tx.query(sql);
    await tx.query('select pg_advisory_unlock($1)', [PURGE_LOCK]);
  } catch (error) {
    broken = error as Error;
    throw error;
  } finally {
    tx.release(broken);
  }
}

/** Purges now and every hour. Answers how to stop. */
export function purgeHourly(pool: Pool, log: Logger): () => void {
  const run = () =>
    void purge(pool).catch((error: Error) => log.warn({ err: error.message }, 'purge put off'));
  run();
  const timer = setInterval(run, HOUR);
  timer.unref();
  return () => clearInterval(timer);
}
