import {
  type AnswerOf,
  type BodyOf,
  may,
  type QueryOf,
  ROLE_WORD,
  ROUTES,
  type Role,
  type Route,
  type RouteKey,
} from '@rocchetto/contract';
import type { Hono } from 'hono';
import { z } from 'zod';
import { body, type Ctx, checked, type Env } from './context.ts';
import { HttpError } from './problem.ts';
import { TEXTS } from './texts.ts';

/** What a route's handler is given beside the request: its body and query, checked by the contract. */
export interface Asked<K extends RouteKey> {
  readonly body: BodyOf<K>;
  readonly query: QueryOf<K>;
  readonly role: Role;
}

/** What a handler gives: the answer as the contract has it, or a response that it made itself (a file, a 304). */
type Answered<K extends RouteKey> = AnswerOf<K> | Response;

let lookAtAnswers = false;
/** From now on every answer is looked at by its schema as it travels: for tests, it takes as long as the answer is long. */
export const checkAnswers = (): void => {
  lookAtAnswers = true;
};
function looked(key: string, route: Route, answered: unknown): void {
  const result = route.answer?.safeParse(JSON.parse(JSON.stringify(answered)));
  if (result?.success) return;
  const says = `${key} answers what the contract does not say: ${result ? z.prettifyError(result.error) : 'no schema'}`;
  process.stderr.write(`${says}\n`);
  throw new Error(says);
}

/** Lets only those pass whose role may do what the contract says the route needs. */
function guard(c: Ctx, route: Route): Role {
  if (route.may === 'open') return 'seamstress';
  const who = c.get('who');
  if (!who) throw new HttpError(401, 'signed-out', TEXTS.signedOut);
  if (route.may !== 'signed-in' && !may(who.role, route.may))
    throw new HttpError(403, 'not-yours', TEXTS.notYours(ROLE_WORD[who.role]));
  return who.role;
}

/**
 * Answers one route of the contract. Who may, the body and the query are asked here for every route alike; the
 * handler gets what has passed.
 */
export function on<K extends RouteKey>(
  app: Hono<Env>,
  key: K,
  handle: (c: Ctx, asked: Asked<K>) => Answered<K> | Promise<Answered<K>>,
): void {
  const route: Route = ROUTES[key];
  const [method, path] = key.split(' ') as [string, string];
  app.on(method, path.replace(':uuid', ':id'), async (c) => {
    const role = guard(c, route);
    const query = route.query ? checked(route.query, c.req.query()) : undefined;
    const sent = route.body ? await body(c, route.body) : undefined;
    const answered = await handle(c, { role, query: query as QueryOf<K>, body: sent as BodyOf<K> });
    if (answered instanceof Response) return answered;
    if (lookAtAnswers) looked(key, route, answered);
    return c.json(answered as object, route.status ?? 200);
  });
}
