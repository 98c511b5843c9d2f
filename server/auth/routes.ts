import { foldText } from '@rocchetto/core';
import { Hono } from 'hono';
import { deleteCookie, setCookie } from 'hono/cookie';
import { inTransaction } from '../db/pool.ts';
import type { Ctx, Deps, Env } from '../http/context.ts';
import { COOKIE, cookieOf } from '../http/cookie.ts';
import { Refusal } from '../http/problem.ts';
import { on } from '../http/route.ts';
import { nameStaff } from '../staff/sql.ts';
import { behind } from './address.ts';
import { hashPassphrase, verifyPassphrase } from './passphrase.ts';
import { closeSignIn, findStaff, openSignIn, setupLinkHolds, useSetupLink } from './sql.ts';
import { countTries } from './tries.ts';

/** Signing in and out, and setting a passphrase from a one-time link. Open to everyone. */
export function authRoutes(deps: Deps): Hono<Env> {
  const takeTry = countTries(deps.pool);
  const { addressOf, isSecure } = behind();
  const keep = (c: Ctx, token: string) =>
    setCookie(c, COOKIE, token, {
      httpOnly: true,
      sameSite: 'Lax',
      path: '/',
      secure: isSecure(c),
      maxAge: 7 * 86_400,
    });

  const app = new Hono<Env>();
  on(app, 'POST /sign-in', async (c, { body: { name, passphrase } }) => {
    const giveBack = await takeTry(foldText(name), addressOf(c));
    const staff = await findStaff(deps.pool, foldText(name));
    if (!(await verifyPassphrase(staff?.passphrase_hash ?? null, passphrase)) || !staff)
      throw new Refusal(
        401,
        'wrong-sign-in',
        'Name and passphrase do not belong together. Check both and try again.',
      );
    await giveBack();
    keep(c, await openSignIn(deps.pool, staff.id));
    return c.json({ ok: true });
  });
  on(app, 'POST /sign-out', async (c) => {
    const token = cookieOf(c);
    if (token) await closeSignIn(deps.pool, token);
    deleteCookie(c, COOKIE, { path: '/' });
    return c.json({ ok: true });
  });
  on(app, 'POST /setup', async (c, { body: { token, passphrase, name } }) => {
    // A link is known to be good before anything is hashed for it: hashing is dear, and anyone may ask.
    if (!(await setupLinkHolds(deps.pool, token))) throw linkUsed();
    const hash = await hashPassphrase(passphrase);
    const cookie = await inTransaction(deps.pool, async (tx) => {
      const staffId = await useSetupLink(tx, token);
      if (staffId === undefined) throw linkUsed();
      if (name) await nameStaff(tx, staffId, name);
      await tx.query('update staff set passphrase_hash = $2 where id = $1', [staffId, hash]);
      await tx.query('delete from sign_in where staff_id = $1', [staffId]);
      return { token: await openSignIn(tx, staffId), staffId };
    });
    deps.live.tell([['staff', cookie.staffId, 0]]);
    keep(c, cookie.token);
    return c.json({ ok: true });
  });
  return app;
}

const linkUsed = () =>
  new Refusal(410, 'link-used', 'This link is used up or too old. Ask the principal for a new one.');
