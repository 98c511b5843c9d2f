import { unitOf } from '@rocchetto/contract';
import { clothInHand } from '@rocchetto/contract/cloth-lay.ts';
import { beforeShrinking, clothFaults } from '@rocchetto/core/lay/cloth.ts';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readHouse } from '../../records/house.ts';
import { clientCodeOf, readOrder } from '../../records/orders.ts';
import { threadsFor } from '../../threads/pool.ts';
import { keepLay, keptLays, newestLay } from './cloth-sql.ts';
import type { SheetJobs } from './jobs.ts';
import { TEXTS } from './texts.ts';
import { viewSheet } from './view.ts';

const inThread = threadsFor<SheetJobs>();

/** How the pieces of an order lie on its cloth. It holds panels and no reading, so all who see the sheet get the same. */
export function clothRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  const asked = async (c: Ctx) => {
    const id = idParam(c, 'order');
    const [view, kept, house] = await Promise.all([
      viewSheet(deps.pool, id, null, deps.now()),
      keptLays(deps.pool, id),
      readHouse(deps.pool),
    ]);
    return {
      id,
      view,
      kept,
      thread: { kind: 'paper', person: c.get('who').id, paper: house.paper } as const,
    };
  };
  on(app, 'GET /orders/:id/cloth', async (c) => {
    const { view, kept, thread } = await asked(c);
    return await inThread(thread, 'cloth', view, kept, unitOf(view.spec));
  });
  on(app, 'POST /orders/:id/cloth', async (c, { body }) => {
    const { id, view, thread } = await asked(c);
    const faults = clothFaults(clothInHand(body.cloth));
    if (faults.length > 0) throw new HttpError(422, 'cloth', TEXTS.cloth(faults.join(' ')));
    const judged = await inThread(thread, 'layJudged', view, body);
    if ('refused' in judged) throw new HttpError(judged.moved ? 409 : 422, 'lay', judged.refused);
    return once(c, deps, async (tx) => {
      // Two hands at once: the second sees what the first kept.
      if (!(await readOrder(tx, id, true))) throw notFound('order');
      if ((await newestLay(tx, id, body.of)) !== body.over)
        throw new HttpError(409, 'lay-changed', TEXTS.layChanged);
      const made = await keepLay(tx, id, body, {
        revision: view.revision,
        takes: beforeShrinking(judged.length, clothInHand(body.cloth)),
        width: clothInHand(body.cloth).width,
        by: c.get('who').id,
        at: deps.now(),
      });
      await remember(tx, 'order', id, c.get('who').id, `lay kept, ${body.of}`, undefined, undefined);
      return { body: { id: made }, changed: [['order', id, 0]] };
    });
  });
  on(app, 'GET /orders/:id/cloth.pdf', async (c, { query }) => {
    const { id, view, kept, thread } = await asked(c);
    const code = await clientCodeOf(deps.pool, id);
    const pdf = await inThread(thread, 'layPdf', view, kept, query.of, code, unitOf(view.spec));
    if ('refused' in pdf) throw new HttpError(409, 'no-lay', pdf.refused);
    return c.body(new Uint8Array(pdf.pdf), 200, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="lay-${view.spec.order.number}-${query.of}.pdf"`,
    });
  });
  return app;
}
