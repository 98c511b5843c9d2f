import type { MiddlewareHandler } from 'hono';
import type { Deps, Env } from '../http/context.ts';
import { cookieOf } from '../http/cookie.ts';
import { Refusal } from '../http/problem.ts';
import { whoHolds } from './sql.ts';

/** A change must come from our own pages: the Origin, when a browser sends one, is the host it speaks to. */
export const sameOrigin: MiddlewareHandler<Env> = async (c, next) => {
  if (c.req.method !== 'GET' && c.req.method !== 'HEAD') {
    const origin = c.req.header('origin');
    const site = c.req.header('sec-fetch-site');
    if (
      (origin !== undefined && hostOf(origin) !== c.req.header('host')) ||
      (site !== undefined && site !== 'same-origin')
    )
      throw new Refusal(403, 'other-origin', 'This change came from another site and was not made.');
  }
  await next();
};

const hostOf = (origin: string) => (URL.canParse(origin) ? new URL(origin).host : '');

/** Knows the signed-in staff by cookie, and asks for the CSRF token on every change. */
export const signedIn =
  (deps: Deps): MiddlewareHandler<Env> =>
  async (c, next) => {
    const token = cookieOf(c);
    const who = token ? await whoHolds(deps.pool, token) : undefined;
    if (!who)
      throw new Refusal(
        401,
        'signed-out',
        'You are signed out. Sign in again; what you wrote is still here.',
      );
    if (c.req.method !== 'GET' && c.req.method !== 'HEAD' && c.req.header('x-csrf-token') !== who.csrf)
      throw new Refusal(
        403,
        'no-csrf-token',
        'This page is out of date. Reload it and try again; what you wrote is still here.',
      );
    c.set('who', who);
    await next();
  };
