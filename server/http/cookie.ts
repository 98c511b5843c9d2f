import { getCookie } from 'hono/cookie';
import type { Ctx } from './context.ts';

export const COOKIE = 'rocchetto';

/** The sign-in's token that a request carries, if any. */
export const cookieOf = (c: Ctx): string | undefined => getCookie(c, COOKIE);
