import { openPool, type Pool } from '../db/pool.ts';

/** A worker asks the database by itself; a statement of it may take as long as a whole book takes. */
const pools = new Map<string, Pool>();
export function poolOf(url: string): Pool {
  const known = pools.get(url);
  if (known) return known;
  const pool = openPool(url, () => undefined, { max: 2, patience: 120_000 });
  pools.set(url, pool);
  return pool;
}
