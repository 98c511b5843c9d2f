import pg from 'pg';

export type Pool = pg.Pool;
export type Tx = pg.PoolClient;
/** Whatever runs a query: the pool or an open transaction. */
export type Db = Pick<pg.Pool, 'query'>;

// bigint ids fit a JavaScript number; dates stay the text they are (local wall dates, no zone).
pg.types.setTypeParser(pg.types.builtins.INT8, Number);
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

/** One pool for a server process. A lost connection is logged, never fatal: the next query opens another. */
export function openPool(connectionString: string, onError: (error: Error) => void, max = 10): Pool {
  const pool = new pg.Pool({
    connectionString,
    max,
    connectionTimeoutMillis: 5000,
    statement_timeout: 15000,
    // Typing slips: half of a word's trigrams are enough (the default 0.6 misses "margret" for "margaret").
    // Indexes lie in memory or on a solid-state disk: at the default price the planner reads all clients instead.
    options: '-c pg_trgm.word_similarity_threshold=0.5 -c random_page_cost=1.1',
  });
  pool.on('error', onError);
  return pool;
}

/** Runs `work` in one transaction: committed when it returns, rolled back when it throws. */
export async function inTransaction<T>(pool: Pool, work: (tx: Tx) => Promise<T>): Promise<T> {
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
