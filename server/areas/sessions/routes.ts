import type { Changed } from '@rocchetto/contract/live.ts';
import { Hono } from 'hono';
import { z } from 'zod';
import { patiently } from '../../db/pool.ts';
import { ordersTogether } from '../../db/together.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { earlierSessions, readSession } from '../../records/sessions.ts';
import { aheadBy, inStudioTime } from './clock.ts';
import { keepBatch } from './keep.ts';

function uuidParam(c: Ctx): string {
  const id = c.req.param('id') ?? '';
  if (!z.uuid().safeParse(id).success) throw notFound('session');
  return id;
}

/** Measuring sessions and their readings. A tablet may send everything again: what is kept stays as it is. */
export function sessionRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /sessions/:uuid', async (c) => {
    const session = await readSession(deps.pool, uuidParam(c));
    if (!session) throw notFound('session');
    return session;
  });
  on(
    app,
    'GET /clients/:id/earlier',
    async (c, { query }) => await earlierSessions(deps.pool, idParam(c, 'client'), query.except ?? null),
  );
  on(app, 'POST /readings', async (c, { body }) => {
    const { session, readings } = inStudioTime(body, aheadBy(c.req.header('x-device-time'), deps.now()));
    // One statement keeps the batch: it is whole or not at all, without a transaction around it.
    const answer = await patiently(() => keepBatch(deps.pool, session, readings, c.get('who'), deps.now()));
    const changed: Changed[] = [
      ['session', session.id, 0],
      ['client', session.clientId, 0],
    ];
    if (answer.kept.length > 0) {
      if (session.orderId !== null)
        for (const id of await ordersTogether(deps.pool, session.orderId)) changed.push(['order', id, 0]);
      deps.live.tell(changed);
    }
    return answer;
  });
  return app;
}
