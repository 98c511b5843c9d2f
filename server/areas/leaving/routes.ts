import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { leavingOf, leavingView, writeCare, writeRack } from '../../records/leaving.ts';
import { moneyView, noteMoney, takeMoneyBack } from '../../records/money.ts';
import { readOrder } from '../../records/orders.ts';

/** How a garment leaves: its care, where it hangs until it is fetched, and the money that was spoken of. */
export function leavingRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();

  on(app, 'GET /orders/:id/money', async (c) => {
    const id = idParam(c, 'order');
    if (!(await readOrder(deps.pool, id))) throw notFound('order');
    return await moneyView(deps.pool, id);
  });
  on(app, 'POST /orders/:id/money', (c, { body }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, id, true))) throw notFound('order');
      const by = c.get('who').id;
      const made = await noteMoney(tx, id, body, by, deps.now());
      await remember(tx, 'order', id, by, 'payment added', undefined, { id: made, ...body });
      return { body: { id: made }, changed: [['alterations', id, 0]] };
    });
  });
  on(app, 'DELETE /money/:id', (c) => {
    const id = idParam(c, 'note');
    return once(c, deps, async (tx) => {
      const by = c.get('who').id;
      const gone = await takeMoneyBack(tx, id, by, deps.now());
      if (!gone) throw notFound('note');
      await remember(tx, 'order', gone.orderId, by, 'payment removed', gone, undefined);
      return { body: { ok: true }, changed: [['alterations', gone.orderId, 0]] };
    });
  });

  on(app, 'GET /orders/:id/leaving', async (c) => {
    const id = idParam(c, 'order');
    const view = await leavingView(deps.pool, id, deps.now());
    if (!view) throw notFound('order');
    return view;
  });
  on(app, 'PUT /orders/:id/rack', (c, { body: { rack } }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, id, true))) throw notFound('order');
      const before = await leavingOf(tx, id);
      await writeRack(tx, id, rack);
      await remember(tx, 'order', id, c.get('who').id, 'rail place', { rack: before?.rack }, { rack });
      return { body: { ok: true }, changed: [['alterations', id, 0]] };
    });
  });
  on(app, 'PUT /orders/:id/care', (c, { body: { lines } }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, id, true))) throw notFound('order');
      const before = await leavingOf(tx, id);
      const kept = Object.fromEntries(Object.entries(lines).filter(([, words]) => words !== ''));
      await writeCare(tx, id, kept);
      await remember(tx, 'order', id, c.get('who').id, 'care text', before?.care, kept);
      return { body: { ok: true }, changed: [['alterations', id, 0]] };
    });
  });
  return app;
}
