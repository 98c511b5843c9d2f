import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import type { Pool } from '../db/pool.ts';
import { HttpError } from '../http/problem.ts';
import { TEXTS } from './texts.ts';

/**
 * Wrong tries, counted before anything is verified, in budgets of their own: a name from one address, an address
 * (a studio's staff share one), and a name from everywhere. The last is short, so that a neighbour who guesses at
 * a name keeps its owner out for moments only. A device on which this very person has signed in before has a budget of
 * its own, and none of the others touches it: whoever guesses elsewhere keeps nobody out there.
 */
const BUDGETS = {
  pair: { points: 5, duration: 300, blockDuration: 60 },
  address: { points: 40, duration: 300, blockDuration: 60 },
  name: { points: 30, duration: 300, blockDuration: 15 },
  device: { points: 10, duration: 300, blockDuration: 60 },
} as const;

/** Links of clients that were tried and open nothing, from one address: a guess is hopeless, a flood is not answered. */
const KNOCKS = { points: 40, duration: 300, blockDuration: 60 } as const;

const slowDown = (res: RateLimiterRes) =>
  new HttpError(429, 'slow-down', TEXTS.slowDown(Math.max(1, Math.ceil(res.msBeforeNext / 1000))));

type Budget = { readonly points: number; readonly duration: number; readonly blockDuration: number };
const limiterOf = (storeClient: Pool) => (keyPrefix: string, budget: Budget) =>
  new RateLimiterPostgres({
    storeClient,
    tableName: 'sign_in_tries',
    tableCreated: true,
    keyPrefix,
    clearExpiredByTimeout: false,
    ...budget,
  });

/**
 * Counts what is tried at pages that open with a link alone. Takes one try of an address and answers how to give it
 * back once the link has opened. @throws HttpError 429
 */
export function countKnocks(pool: Pool) {
  const byAddress = limiterOf(pool)('link', KNOCKS);
  return async (address: string): Promise<() => Promise<void>> => {
    try {
      await byAddress.consume(address);
    } catch (res) {
      throw res instanceof RateLimiterRes ? slowDown(res) : res;
    }
    return async () => void (await byAddress.reward(address));
  };
}

export function countTries(pool: Pool) {
  const limiter = limiterOf(pool);
  const [pair, byAddress, byName, byDevice] = [
    limiter('pair', BUDGETS.pair),
    limiter('address', BUDGETS.address),
    limiter('name', BUDGETS.name),
    limiter('device', BUDGETS.device),
  ];
  /** Takes one try from every budget. Answers how to give it back after a right one. @throws HttpError 429 */
  return async (
    name: string,
    address: string,
    device: Buffer | null = null,
  ): Promise<() => Promise<void>> => {
    if (device) {
      const own = device.toString('base64url');
      try {
        await byDevice.consume(own);
      } catch (res) {
        throw res instanceof RateLimiterRes ? slowDown(res) : res;
      }
      return async () => void (await byDevice.delete(own));
    }
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
