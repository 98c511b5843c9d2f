import type { StoredEstimate } from '@rocchetto/contract';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { conflict, HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readHouse } from '../../records/house.ts';
import { readOrder, refuseCancelled } from '../../records/orders.ts';
import { threadsFor } from '../../threads/pool.ts';
import { viewEstimate } from './estimate.ts';
import {
  agreeEstimate,
  estimateChoices,
  keepEstimate,
  keepEstimateChoices,
  orderOfEstimate,
  withdrawEstimate,
} from './estimate-sql.ts';
import type { PlanJobs } from './jobs.ts';
import { TEXTS } from './texts.ts';

const inThread = threadsFor<PlanJobs>();

/** What an order would cost; estimates kept, agreed and withdrawn. Nothing is paid through this program. */
export function estimateRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /orders/:id/estimate', async (c) => viewEstimate(deps.pool, idParam(c, 'order'), deps.now()));

  on(app, 'PUT /orders/:id/estimate', (c, { body: { version, choices } }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      await heldOrder(tx, id);
      const before = await estimateChoices(tx, id);
      if (before.version !== version) throw conflict(before.choices, choices);
      const by = c.get('who').id;
      const now = await keepEstimateChoices(tx, id, choices, by, deps.now());
      await remember(tx, 'order', id, by, 'estimate changed', before.choices ?? undefined, choices);
      return { body: { version: now }, changed: [['alterations', id, 0]] };
    });
  });

  on(app, 'POST /orders/:id/estimates', (c, { body: { stamp } }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      const order = await heldOrder(tx, id);
      refuseCancelled(order);
      const seen = await viewEstimate(tx, id, deps.now());
      if (seen.none) throw new HttpError(409, 'brought-in', TEXTS.broughtIn(seen.none));
      if (seen.stamp !== stamp) throw new HttpError(409, 'moved-meanwhile', TEXTS.movedMeanwhile);
      if (seen.estimate.asked === null) throw new HttpError(422, 'no-price', TEXTS.noPrice);
      const { sheet, estimate, choices } = seen;
      const made: StoredEstimate = {
        version: 1,
        sheet,
        until: choices.until,
        words: choices.words,
        estimate,
      };
      const by = c.get('who').id;
      const kept = await keepEstimate(tx, id, made, by, deps.now());
      await remember(tx, 'order', id, by, 'estimate kept', undefined, { id: kept, asked: estimate.asked });
      return { body: { id: kept }, changed: [['alterations', id, 0]] };
    });
  });

  on(app, 'POST /estimates/:id/agree', (c, { body: { name } }) => {
    const id = idParam(c, 'estimate');
    return once(c, deps, async (tx) => {
      const { orderId, revision } = await found(tx, id);
      refuseCancelled(await heldOrder(tx, orderId));
      const by = c.get('who').id;
      if (!(await agreeEstimate(tx, id, orderId, name, by, deps.now())))
        throw new HttpError(409, 'not-open', TEXTS.notOpen(revision));
      await remember(tx, 'order', orderId, by, 'estimate agreed', undefined, { revision, name });
      return { body: { ok: true }, changed: [['alterations', orderId, 0]] };
    });
  });

  on(app, 'POST /estimates/:id/withdraw', (c, { body: { reason } }) => {
    const id = idParam(c, 'estimate');
    return once(c, deps, async (tx) => {
      const { orderId, revision } = await found(tx, id);
      await heldOrder(tx, orderId);
      const by = c.get('who').id;
      if (!(await withdrawEstimate(tx, id, reason, by, deps.now())))
        throw new HttpError(409, 'not-open', TEXTS.notOpenForClient(revision));
      await remember(tx, 'order', orderId, by, 'estimate withdrawn', undefined, { revision, reason });
      return { body: { ok: true }, changed: [['alterations', orderId, 0]] };
    });
  });

  on(app, 'GET /orders/:id/estimate.pdf', async (c, { query }) => {
    const id = idParam(c, 'order');
    const [view, house] = await Promise.all([viewEstimate(deps.pool, id, deps.now()), readHouse(deps.pool)]);
    if (view.none) throw new HttpError(409, 'brought-in', view.none);
    const kept = query.revision === undefined ? null : view.kept.find((k) => k.revision === query.revision);
    if (kept === undefined) throw notFound('estimate');
    const { studio, address, phone, email, currency, timeZone, dateOrder } = house;
    const paper = {
      order: view.order,
      kept,
      now: kept ? null : view,
      house: { studio, address, phone, email, currency, timeZone, dateOrder },
      detail: query.detail === '1',
      at: deps.now().toISOString(),
    };
    const pdf = await inThread(
      { kind: 'paper', person: c.get('who').id, paper: house.paper },
      'estimatePdf',
      paper,
    );
    return c.body(new Uint8Array(pdf), 200, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="estimate-${view.order.number}-${kept ? kept.revision : 'draft'}.pdf"`,
    });
  });
  return app;
}

async function heldOrder(tx: Tx, id: number) {
  const order = await readOrder(tx, id, true);
  if (!order) throw notFound('order');
  return order;
}
async function found(tx: Tx, id: number) {
  const of = await orderOfEstimate(tx, id);
  if (!of) throw notFound('estimate');
  return of;
}
