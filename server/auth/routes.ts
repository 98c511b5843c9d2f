import { getConnInfo } from '@hono/node-server/conninfo';
import { Setup, SignIn } from '@rocchetto/contract';
import { foldText } from '@rocchetto/core';
import { Hono } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import { inTransaction } from '../db/pool.ts';
import { body, type Ctx, type Deps, type Env } from '../http/context.ts';
import { Refusal } from '../http/problem.ts';
import { COOKIE } from './guard.ts';
import { hashPassphrase, verifyPassphrase } from './passphrase.ts';
import { closeSignIn, findStaff, openSignIn, useSetupLink } from './sql.ts';

/** Five wrong tries for a name from one address within five minutes, then a pause of a minute. */
const TRIES = { points: 5, duration: 300, blockDuration: 60 };

function addressOf(c: Ctx): string {
  try {
    return getConnInfo(c).remote.address ?? 'unknown';
  } catch {
    return 'unknown';
  }
}

/** Signing in and out, and setting a passphrase from a one-time link. Open to everyone. */
export function authRoutes(deps: Deps): Hono<Env> {
  const tries = new RateLimiterPostgres({
    storeClient: deps.pool,
    tableName: 'sign_in_tries',
    tableCreated: true,
    keyPrefix: '',
    ...TRIES,
    clearExpiredByTimeout: false,
  });
  const keep = (c: Ctx, token: string) =>
    setCookie(c, COOKIE, token, {
      httpOnly: true,
      sameSite: 'Lax',
      path: '/',
      secure: c.req.header('x-forwarded-proto') === 'https',
      maxAge: 7 * 86_400,
    });

  return new Hono<Env>()
    .post('/sign-in', async (c) => {
      const { name, passphrase } = await body(c, SignIn);
      const key = `${foldText(name)}|${addressOf(c)}`.slice(0, 200);
      const used = await tries.get(key);
      if (used && used.consumedPoints > TRIES.points) throw slowDown(used);
      const staff = await findStaff(deps.pool, foldText(name));
      if (!(await verifyPassphrase(staff?.passphrase_hash ?? null, passphrase)) || !staff) {
        await tries.consume(key).catch((res) => {
          throw res instanceof RateLimiterRes ? slowDown(res) : res;
        });
        throw new Refusal(
          401,
          'wrong-sign-in',
          'Name and passphrase do not belong together. Check both and try again.',
        );
      }
      await tries.delete(key);
      keep(c, await openSignIn(deps.pool, staff.id));
      return c.json({ ok: true });
    })
    .post('/sign-out', async (c) => {
      const token = getCookie(c, COOKIE);
      if (token) await closeSignIn(deps.pool, token);
      deleteCookie(c, COOKIE, { path: '/' });
      return c.json({ ok: true });
    })
    .post('/setup', async (c) => {
      const { token, passphrase, name } = await body(c, Setup);
      const hash = await hashPassphrase(passphrase);
      const cookie = await inTransaction(deps.pool, async (tx) => {
        const staffId = await useSetupLink(tx, token);
        if (staffId === undefined)
          throw new Refusal(
            410,
            'link-used',
            'This link is used up or too old. Ask the principal for a new one.',
          );
        await tx.query('update staff set passphrase_hash = $2 where id = $1', [staffId, hash]);
        if (name)
          await tx.query('update staff set name = $2, name_key = $3 where id = $1', [
            staffId,
            name,
            foldText(name),
          ]);
        await tx.query('delete from sign_in where staff_id = $1', [staffId]);
        return openSignIn(tx, staffId);
      });
      keep(c, cookie);
      return c.json({ ok: true });
    });
}

const slowDown = (res: RateLimiterRes) =>
  new Refusal(
    429,
    'slow-down',
    `Too many wrong tries. Wait ${Math.max(1, Math.ceil(res.msBeforeNext / 1000))} seconds, then try again.`,
  );
