import { foldText } from '@rocchetto/core';
import { Hono } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import { inTransaction } from '../../db/pool.ts';
import { behind } from '../../http/address.ts';
import type { Ctx, Deps, Env } from '../../http/context.ts';
import { COOKIE, cookieOf } from '../../http/cookie.ts';
import { HttpError } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import {
  DEVICE_COOKIE,
  DEVICE_SECONDS,
  forgetDevices,
  knownDevice,
  rememberDevice,
  writeHash,
} from '../../records/doors.ts';
import { readHouse } from '../../records/house.ts';
import { noteEvent, noteOnce } from '../../records/security-events.ts';
import {
  closeSignIn,
  findStaff,
  openSignIn,
  setupLinkHolds,
  useSetupLink,
  whoHolds,
} from '../../records/sign-ins.ts';
import { nameStaff } from '../../records/staff.ts';
import { countKnocks, countTries } from '../../records/tries.ts';
import { hashPassphrase, verifyPassphrase } from './passphrase.ts';
import { readFactor, useCode } from './second-factor.ts';
import { refuseWeak } from './strength.ts';
import { TEXTS } from './texts.ts';

/** Signing in and out, and setting a passphrase from a one-time link. Open to everyone. */
export function authRoutes(deps: Deps): Hono<Env> {
  const takeTry = countTries(deps.pool);
  const knock = countKnocks(deps.pool);
  const { addressOf, isSecure } = behind();
  const cookie = (c: Ctx, name: string, token: string, maxAge: number) =>
    setCookie(c, name, token, { httpOnly: true, sameSite: 'Lax', path: '/', secure: isSecure(c), maxAge });
  const keep = (c: Ctx, token: string) => cookie(c, COOKIE, token, 7 * 86_400);
  /** Takes a try; one too many is written down, once in a while. @throws HttpError 429 */
  const counted = async (c: Ctx, name: string, device: Buffer | null) => {
    try {
      return await takeTry(foldText(name), addressOf(c), device);
    } catch (error) {
      if (error instanceof HttpError)
        await noteOnce(deps.pool, { what: 'slowed-down', name, address: addressOf(c) });
      throw error;
    }
  };

  const app = new Hono<Env>();
  on(app, 'POST /sign-in', async (c, { body: { name, passphrase, code } }) => {
    const here = getCookie(c, DEVICE_COOKIE);
    const device = await knownDevice(deps.pool, here, foldText(name));
    const giveBack = await counted(c, name, device);
    const staff = await findStaff(deps.pool, foldText(name));
    const at = { staffId: staff?.id ?? null, name, address: addressOf(c) };
    if (!(await verifyPassphrase(staff?.passphrase_hash ?? null, passphrase)) || !staff) {
      await noteEvent(deps.pool, { what: 'sign-in-failed', ...at });
      throw new HttpError(401, 'wrong-sign-in', TEXTS.wrongSignIn);
    }
    const asked = (await readFactor(deps.pool, staff.id))?.onAt != null;
    if (asked && code === '') {
      // The passphrase is right: asking for the code is no wrong try.
      await giveBack();
      throw new HttpError(401, 'code-needed', TEXTS.codeNeeded);
    }
    if (asked) {
      const used = await inTransaction(deps.pool, (tx) => useCode(tx, staff.id, code, deps.now()));
      if (used === 'wrong') {
        await noteEvent(deps.pool, { what: 'code-failed', ...at });
        throw new HttpError(401, 'wrong-code', TEXTS.wrongCode);
      }
      if (used === 'recovery') await noteEvent(deps.pool, { what: 'recovery-used', ...at });
    }
    await giveBack();
    // Whoever was signed in on this device is so no longer.
    const before = cookieOf(c);
    if (before) await closeSignIn(deps.pool, before);
    const agent = c.req.header('user-agent') ?? '';
    keep(c, await openSignIn(deps.pool, staff.id, agent));
    cookie(
      c,
      DEVICE_COOKIE,
      await rememberDevice(deps.pool, staff.id, device ? here : undefined),
      DEVICE_SECONDS,
    );
    await noteEvent(deps.pool, { what: 'signed-in', ...at, words: device ? '' : 'on a new device' });
    return { ok: true };
  });
  on(app, 'POST /sign-out', async (c) => {
    const token = cookieOf(c);
    if (token) {
      const who = await whoHolds(deps.pool, token, false);
      await closeSignIn(deps.pool, token);
      if (who) deps.live.tell([['staff', who.id, 0]]);
    }
    deleteCookie(c, COOKIE, { path: '/' });
    return { ok: true };
  });
  on(app, 'POST /setup', async (c, { body: { token, passphrase, name } }) => {
    // A link is known to be good before anything is hashed for it: hashing is dear, and anyone may ask.
    const opens = await knock(addressOf(c));
    const bearer = await setupLinkHolds(deps.pool, token);
    if (bearer === undefined) throw linkUsed();
    await opens();
    const { studio } = await readHouse(deps.pool);
    await refuseWeak(passphrase, studio, name || bearer);
    const hash = await hashPassphrase(passphrase);
    const signedIn = await inTransaction(deps.pool, async (tx) => {
      const staffId = await useSetupLink(tx, token);
      if (staffId === undefined) throw linkUsed();
      if (name) await nameStaff(tx, staffId, name);
      await writeHash(tx, staffId, hash);
      await tx.query('delete from sign_in where staff_id = $1', [staffId]);
      await forgetDevices(tx, staffId);
      await noteEvent(tx, { what: 'passphrase-set', staffId, address: addressOf(c) });
      // A link is not the second factor: with one, the way in is the door.
      const asked = (await readFactor(tx, staffId))?.onAt != null;
      const opened = asked ? null : await openSignIn(tx, staffId, c.req.header('user-agent') ?? '');
      return { token: opened, staffId };
    });
    deps.live.tell([['staff', signedIn.staffId, 0]]);
    const before = cookieOf(c);
    if (before) await closeSignIn(deps.pool, before);
    if (signedIn.token) keep(c, signedIn.token);
    return { ok: true, in: signedIn.token !== null };
  });
  return app;
}

const linkUsed = () => new HttpError(410, 'link-used', TEXTS.linkUsed);
