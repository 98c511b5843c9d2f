import {
  type BodyOf,
  may,
  type QueryOf,
  ROUTES,
  type Role,
  type Route,
  type RouteKey,
} from '@rocchetto/contract';
import type { Hono } from 'hono';
import { body, type Ctx, checked, type Env } from './context.ts';
import { Refusal } from './problem.ts';

/** What a route's handler is given beside the request: its body and query, checked by the contract. */
export interface Asked<K extends RouteKey> {
  readonly body: BodyOf<K>;
  readonly query: QueryOf<K>;
  readonly role: Role;
}

/** Lets only those pass whose role may do what the contract says the route needs. */
function guard(c: Ctx, route: Route): Role {
  if (route.may === 'open') return 'seamstress';
  const who = c.get('who');
  if (!who)
    throw new Refusal(401, 'signed-out', 'You are signed out. Sign in again; what you wrote is still here.');
  if (route.may !== 'signed-in' && !may(who.role, route.may))
    throw new Refusal(403, 'not-yours', `This is not open to the role “${who.role}”. Ask the principal.`);
  return who.role;
}

/**
 * Answers one route of the contract. Who may, the body and the query are asked here for every route alike; the
 * handler gets what has passed.
 */
export function on<K extends RouteKey>(
  app: Hono<Env>,
  key: K,
  handle: (c: Ctx, asked: Asked<K>) => Response | Promise<Response>,
): void {
  const route: Route = ROUTES[key];
  const [method, path] = key.split(' ') as [string, string];
  app.on(method, path.replace(':uuid', ':id'), async (c) => {
    const role = guard(c, route);
    const query = route.query ? checked(route.query, c.req.query()) : undefined;
    const sent = route.body ? await body(c, route.body) : undefined;
    return handle(c, { role, query: query as QueryOf<K>, body: sent as BodyOf<K> });
  });
}
