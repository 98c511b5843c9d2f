import pLimit from 'p-limit';
import pg from 'pg';
import { inTheWay } from './error-kinds.ts';

export type Pool = pg.Pool;
export type Tx = pg.PoolClient;
/** Whatever runs a query: the pool or an open transaction. */
export type Db = Pick<pg.Pool, 'query'>;

// bigint ids fit a JavaScript number; dates stay the text they are (local wall dates, no zone).
pg.types.setTypeParser(pg.types.builtins.INT8, Number);
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

/** A statement waits this long for a row that another hand holds; then its connection serves others for a moment. */
const LOCK_WAIT = 300;
/** How long a change is tried again while its row is held, ms. */
const PATIENCE = 3000;
/** Connections that changes leave free, so that reading never waits for writing. */
const KEPT_FOR_READING = 3;

const writers = new WeakMap<Pool, ReturnType<typeof pLimit>>();

/** No statement takes longer, ms: below what a page waits for its answer, so that nobody holds a connection for nothing. */
const LONGEST = 8000;

/**
 * One pool for a server process. A lost connection is logged, never fatal: the next query opens another.
 * @param patience how long a statement may take, ms
 */
export function openPool(
  connectionString: string,
  onError: (error: Error) => void,
  { max = 12, patience = LONGEST }: { readonly max?: number; readonly patience?: number } = {},
): Pool {
  const pool = new pg.Pool({
    connectionString,
    max,
    connectionTimeoutMillis: 5000,
    statement_timeout: patience,
    lock_timeout: LOCK_WAIT,
    // Typing slips: half of a word's trigrams are enough (the default 0.6 misses "margret" for "margaret").
    // Indexes lie in memory or on a solid-state disk: at the default price the planner reads all clients instead.
    options: '-c pg_trgm.word_similarity_threshold=0.5 -c random_page_cost=1.1',
  });
  pool.on('error', onError);
  // A connection that is checked out when it is lost tells nobody but itself; unheard, that ends the process.
  pool.on('connect', (client) => client.on('error', onError));
  writers.set(pool, pLimit(Math.max(1, max - KEPT_FOR_READING)));
  return pool;
}

/**
 * Does `work` again, for about 3 seconds, while a row it needs is held by another transaction; between tries its
 * connection serves others. @throws the lock's own error (55P03) when the row is still held then
 */
export async function patiently<T>(work: () => Promise<T>): Promise<T> {
  const until = performance.now() + PATIENCE;
  for (;;) {
    try {
      return await work();
    } catch (error) {
      if (!inTheWay(error) || performance.now() > until) throw error;
      await new Promise((r) => setTimeout(r, 20 + Math.random() * 60));
    }
  }
}

/**
 * Runs `work` in one transaction: committed when it returns, rolled back when it throws, begun again while a row
 * it needs is held. @throws whatever `work` throws
 */
export const inTransaction = <T>(pool: Pool, work: (tx: Tx) => Promise<T>): Promise<T> =>
  patiently(() => {
    const limit = writers.get(pool);
    return limit ? limit(() => once(pool, work)) : once(pool, work);
  });

async function once<T>(pool: Pool, work: (tx: Tx) => Promise<T>): Promise<T> {
  const tx = await pool.connect();
  let broken: Error | undefined;
  try {
    await tx.query('begin');
    const result = await work(tx);
    await tx.query('commit');
    return result;
  } catch (error) {
    await tx.query('rollback').catch((e) => {
      broken = e;
    });
    throw error;
  } finally {
    tx.release(broken);
  }
}
