import type { MiddlewareHandler } from 'hono';
import { behind } from '../../http/address.ts';
import type { Deps, Env } from '../../http/context.ts';
import { cookieOf } from '../../http/cookie.ts';
import { HttpError } from '../../http/problem.ts';
import { noteOnce } from '../../records/security-events.ts';
import { whoHolds } from '../../records/sign-ins.ts';
import { TEXTS } from './texts.ts';

/** A change must come from our own pages: the Origin, when a browser sends one, is the host it speaks to. */
export const sameOrigin: MiddlewareHandler<Env> = async (c, next) => {
  if (c.req.method !== 'GET' && c.req.method !== 'HEAD') {
    const origin = c.req.header('origin');
    const site = c.req.header('sec-fetch-site');
    if (
      (origin !== undefined && hostOf(origin) !== c.req.header('host')) ||
      (site !== undefined && site !== 'same-origin')
    )
      throw new HttpError(403, 'other-origin', TEXTS.otherOrigin);
  }
  await next();
};

const hostOf = (origin: string) => (URL.canParse(origin) ? new URL(origin).host : '');

/** What is open to somebody who still has to set up a second factor. */
const FOR_THE_FACTOR = /^\/me(\/account|\/second-factor(\/confirm)?|\/passphrase)?$/;

/** Knows the signed-in staff by cookie, and asks for the CSRF token on every change. */
export const signedIn =
  (deps: Deps, { addressOf } = behind()): MiddlewareHandler<Env> =>
  async (c, next) => {
    const token = cookieOf(c);
    const who = token ? await whoHolds(deps.pool, token) : undefined;
    if (!who) throw new HttpError(401, 'signed-out', TEXTS.signedOut);
    const path = c.req.path.slice('/api'.length);
    if (who.locked && path !== '/unlock')
      throw new HttpError(423, 'locked', TEXTS.locked(who.name), { theirs: { name: who.name } });
    // What was written on this device is only ever sent under the sign-in of its writer.
    const author = c.req.header('x-author');
    if (author !== undefined && author !== String(who.id)) {
      await noteOnce(deps.pool, { what: 'other-author', staffId: who.id, address: addressOf(c) });
      throw new HttpError(409, 'other-author', TEXTS.otherAuthor);
    }
    if (who.factorOwed && !FOR_THE_FACTOR.test(path))
      throw new HttpError(403, 'factor-needed', TEXTS.factorNeeded);
    // The passphrase itself proves that it is no other site's doing.
    if (
      c.req.method !== 'GET' &&
      c.req.method !== 'HEAD' &&
      path !== '/unlock' &&
      c.req.header('x-csrf-token') !== who.csrf
    )
      throw new HttpError(403, 'no-csrf-token', TEXTS.noCsrfToken);
    c.set('who', who);
    await next();
  };
