import type { Changed } from '@rocchetto/contract/live.ts';
import { isCut } from '@rocchetto/core';
import { Hono } from 'hono';
import { z } from 'zod';
import { remember } from '../../db/history.ts';
import { patiently } from '../../db/pool.ts';
import { ordersTogether } from '../../db/together.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readOrder } from '../../records/orders.ts';
import { earlierSessions, readSession } from '../../records/sessions.ts';
import { aheadBy, inStudioTime } from './clock.ts';
import { keepBatch } from './keep.ts';
import { TEXTS } from './texts.ts';
import { useMeasuring } from './use-measuring.ts';

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
  on(app, 'POST /orders/:id/measuring', (c, { body: { sessionId } }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      const order = await readOrder(tx, orderId, true);
      if (!order) throw notFound('order');
      if (isCut(order.stage)) throw new HttpError(409, 'already-cut', TEXTS.alreadyCut);
      const made = await useMeasuring(tx, order, sessionId, c.get('who'), deps.now());
      await remember(
        tx,
        'order',
        orderId,
        c.get('who').id,
        'used an earlier measuring',
        { sessionId },
        { sessionId: made.sessionId, readings: made.readings },
      );
      const together = await ordersTogether(tx, orderId);
      return {
        body: made,
        changed: [
          ['session', made.sessionId, 0],
          ['client', order.clientId, 0],
          ...together.map((id): Changed => ['order', id, 0]),
        ],
      };
    });
  });
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
