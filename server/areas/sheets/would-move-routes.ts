import { Hono } from 'hono';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { on } from '../../http/route.ts';
import { threadsFor } from '../../threads/pool.ts';
import type { SheetJobs } from './jobs.ts';

const inThread = threadsFor<SheetJobs>();

/** What something that is not kept yet would move in the orders in work. */
export function wouldMoveRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  const asked = (c: Ctx) => ({ kind: 'figures', person: c.get('who').id, latest: true }) as const;
  const now = () => deps.now().toISOString();
  on(
    app,
    'POST /house/rules/would-move',
    async (c, { body }) => await inThread(asked(c), 'wouldMove', deps.url, body, now()),
  );
  on(
    app,
    'POST /clients/:id/would-move',
    async (c, { body }) =>
      await inThread(asked(c), 'clientWouldMove', deps.url, idParam(c, 'client'), body, now()),
  );
  return app;
}
