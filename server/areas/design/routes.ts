import type { DesignView } from '@rocchetto/contract';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { conflict, HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readClient } from '../../records/clients.ts';
import {
  addLike,
  addQuestion,
  countQuestions,
  decide,
  dropLike,
  holdQuestion,
  likesOf,
  questionsOf,
} from '../../records/design.ts';
import { readOrder } from '../../records/orders.ts';
import { lessonsFor } from './fit-history.ts';
import { TEXTS } from './texts.ts';

/** More open matters than one garment ever has. */
const MOST = 60;

/** What stands beside the brief: open questions, what the client likes, what earlier fittings have taught. */
export function designRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();

  on(app, 'GET /orders/:id/design', async (c) => {
    const order = await readOrder(deps.pool, idParam(c, 'order'));
    if (!order) throw notFound('order');
    const [questions, likes] = [
      await questionsOf(deps.pool, order.id),
      await likesOf(deps.pool, order.clientId),
    ];
    return { questions, likes } satisfies DesignView;
  });

  on(app, 'POST /orders/:id/questions', (c, { body }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, orderId, true))) throw notFound('order');
      if ((await countQuestions(tx, orderId)) >= MOST)
        throw new HttpError(409, 'many-questions', TEXTS.manyQuestions(MOST));
      const by = c.get('who').id;
      const id = await addQuestion(tx, orderId, body, by, deps.now());
      await remember(tx, 'order', orderId, by, 'question added', undefined, { id, ...body });
      return { body: { id, version: 1 }, changed: [['alterations', orderId, 0]] };
    });
  });

  on(app, 'POST /questions/:id/decided', (c, { body }) => {
    const id = idParam(c, 'question');
    return once(c, deps, async (tx) => {
      const q = await holdQuestion(tx, id);
      if (!q) throw notFound('question');
      if (q.version !== body.version) throw conflict(q, body);
      const by = c.get('who').id;
      await decide(tx, id, body.decision, body.name, by, deps.now());
      await remember(
        tx,
        'order',
        q.orderId,
        by,
        body.decision === null ? 'question reopened' : 'question decided',
        { what: q.what, decision: q.decision },
        { decision: body.decision, name: body.name },
      );
      return { body: { id, version: q.version + 1 }, changed: [['alterations', q.orderId, 0]] };
    });
  });

  on(app, 'POST /orders/:id/likes', (c, { body: { words } }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      const order = await readOrder(tx, orderId, true);
      if (!order) throw notFound('order');
      const by = c.get('who').id;
      const id = await addLike(tx, order.clientId, orderId, words, by, deps.now());
      await remember(tx, 'client', order.clientId, by, 'like added', undefined, { id, words });
      return {
        body: { id },
        changed: [
          ['alterations', orderId, 0],
          ['client', order.clientId, 0],
        ],
      };
    });
  });
  on(app, 'GET /clients/:id/likes', async (c) => {
    const id = idParam(c, 'client');
    if (!(await readClient(deps.pool, id))) throw notFound('client');
    return await likesOf(deps.pool, id);
  });
  on(app, 'DELETE /likes/:id', (c) => {
    const id = idParam(c, 'like');
    return once(c, deps, async (tx) => {
      const gone = await dropLike(tx, id, deps.now());
      if (!gone) throw notFound('like');
      await remember(
        tx,
        'client',
        gone.clientId,
        c.get('who').id,
        'like removed',
        { words: gone.words },
        undefined,
      );
      return { body: { ok: true }, changed: [['client', gone.clientId, 0]] };
    });
  });

  on(app, 'GET /orders/:id/learnt', async (c) => {
    const order = await readOrder(deps.pool, idParam(c, 'order'));
    if (!order) throw notFound('order');
    return await lessonsFor(deps.pool, order.clientId, order.id, deps.now());
  });
  return app;
}
