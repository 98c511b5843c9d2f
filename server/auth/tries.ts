import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import type { Pool } from '../db/pool.ts';
import { Refusal } from '../http/problem.ts';

/**
 * Wrong tries, counted before anything is verified, in budgets of their own: a name from one address, an address
 * (a studio's staff share one), and a name from everywhere. The last is short, so that a neighbour who guesses at
 * a name keeps its owner out for moments only.
 */
const BUDGETS = {
  pair: { points: 5, duration: 300, blockDuration: 60 },
  address: { points: 40, duration: 300, blockDuration: 60 },
  name: { points: 30, duration: 300, blockDuration: 15 },
} as const;

const slowDown = (res: RateLimiterRes) =>
  new Refusal(
    429,
    'slow-down',
    `Too many wrong tries. Wait ${Math.max(1, Math.ceil(res.msBeforeNext / 1000))} seconds, then try again.`,
  );

export function countTries(pool: Pool) {
  const limiter = (keyPrefix: string, budget: (typeof BUDGETS)[keyof typeof BUDGETS]) =>
    new RateLimiterPostgres({
      storeClient: pool,
      tableName: 'sign_in_tries',
      tableCreated: true,
      keyPrefix,
      clearExpiredByTimeout: false,
      ...budget,
    });
  const [pair, byAddress, byName] = [
    limiter('pair', BUDGETS.pair),
    limiter('address', BUDGETS.address),
    limiter('name', BUDGETS.name),
  ];
  /** Takes one try from every budget. Answers how to give it back after a right one. @throws Refusal 429 */
  return async (name: string, address: string): Promise<() => Promise<void>> => {
    const key = { pair: `${name}|${address}`.slice(0, 200), address, name: name.slice(0, 200) };
    try {
      await byAddress.consume(key.address);
      await pair.consume(key.pair);
      await byName.consume(key.name);
    } catch (res) {
      throw res instanceof RateLimiterRes ? slowDown(res) : res;
    }
    return async () => {
      await Promise.all([pair.delete(key.pair), byAddress.reward(key.address), byName.reward(key.name)]);
    };
  };
}
