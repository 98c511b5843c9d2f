import { may, toCm } from '@rocchetto/contract';
import {
  type DrawingView,
  drawGarment,
  insideOf,
  printSheet,
  type Sheet,
  type SheetUnit,
} from '@rocchetto/core';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import {
  addHandOver,
  addPoint,
  countPins,
  isHandedOver,
  pinsOf,
  seenBy,
  takeBack,
  uncountPins,
} from '../../records/alterations.ts';
import { questionsOf } from '../../records/design.ts';
import { readHouse } from '../../records/house.ts';
import { leavingView } from '../../records/leaving.ts';
import { madeSheet } from '../../records/made-sheet.ts';
import { readOrder } from '../../records/orders.ts';
import { threadsFor } from '../../threads/pool.ts';
import type { AlterationJobs } from './jobs.ts';
import { TEXTS } from './texts.ts';

import { kept, settled, told } from './told.ts';

const inThread = threadsFor<AlterationJobs>();

/** What is done to the finished garment: pins counted, measured again, handed over, taken back; and its record on paper. */
export function finishedRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();

  on(app, 'POST /orders/:id/pins', (c, { body: { way, pins } }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, orderId, true))) throw notFound('order');
      await countPins(tx, orderId, way, pins, c.get('who').id, deps.now());
      await settled(tx, orderId, deps.now());
      return kept(orderId, { pins: await pinsOf(tx, orderId) });
    });
  });

  on(app, 'DELETE /orders/:id/pins', (c) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, orderId, true))) throw notFound('order');
      const by = c.get('who').id;
      const gone = await uncountPins(tx, orderId, by, deps.now());
      if (!gone) throw new HttpError(409, 'no-pins', TEXTS.noPins);
      await settled(tx, orderId, deps.now());
      await remember(tx, 'order', orderId, by, 'pin count crossed out', gone, undefined);
      return kept(orderId, { pins: await pinsOf(tx, orderId) });
    });
  });

  on(app, 'POST /orders/:id/points', (c, { role, body: { readings, accepted } }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, orderId, true))) throw notFound('order');
      if (accepted && !may(role, 'alter.accept'))
        throw new HttpError(403, 'not-yours', TEXTS.onlyFittersAccept);
      const points = new Map((await told(tx, orderId, deps.now())).points.map((p) => [p.id, p]));
      const by = c.get('who').id;
      for (const [id, written] of Object.entries(readings)) {
        const p = points.get(id);
        if (!p) throw new HttpError(422, 'no-such-point', TEXTS.noSuchPoint);
        const within = p.target === null || Math.abs(toCm(written) - p.target) <= (p.tolerance ?? 0) + 1e-9;
        const stands =
          within || !accepted
            ? { acceptedBy: '', reason: '' }
            : { acceptedBy: accepted.name, reason: accepted.reason };
        await addPoint(
          tx,
          orderId,
          { point: id, written, target: p.target, tolerance: p.tolerance, within, ...stands },
          by,
          deps.now(),
        );
      }
      await settled(tx, orderId, deps.now());
      await remember(tx, 'order', orderId, by, 'garment measured', undefined, { readings, accepted });
      return kept(orderId, { ok: true });
    });
  });

  on(app, 'POST /orders/:id/hand-over', (c, { body: { clientName } }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, orderId, true))) throw notFound('order');
      if ((await isHandedOver(tx, orderId)) !== null)
        throw new HttpError(409, 'handed-over', TEXTS.handedOverAlready);
      const { inTheWay: open, cautions } = await told(tx, orderId, deps.now());
      if (open.length > 0)
        throw new HttpError(409, 'in-the-way', TEXTS.inTheWay(open[0]!), { problems: open });
      await addHandOver(tx, orderId, c.get('who').id, deps.now(), clientName, cautions);
      await remember(tx, 'order', orderId, c.get('who').id, 'handed over', undefined, { clientName });
      return kept(orderId, { ok: true });
    });
  });
  on(app, 'POST /orders/:id/take-back', (c, { body: { reason } }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, orderId, true))) throw notFound('order');
      if (!(await takeBack(tx, orderId, c.get('who').id, deps.now(), reason)))
        throw new HttpError(409, 'in-the-house', TEXTS.inTheHouse);
      await remember(tx, 'order', orderId, c.get('who').id, 'return recorded', undefined, { reason });
      return kept(orderId, { ok: true });
    });
  });

  on(app, 'GET /orders/:id/fitting-record.pdf', async (c, { role }) => {
    const id = idParam(c, 'order');
    const order = await readOrder(deps.pool, id);
    if (!order) throw notFound('order');
    const [all, made, house, questions, leaving] = await Promise.all([
      told(deps.pool, id, deps.now()),
      madeSheet(deps.pool, id, deps.now()),
      readHouse(deps.pool),
      questionsOf(deps.pool, id),
      leavingView(deps.pool, id, deps.now()),
    ]);
    if (!leaving) throw notFound('order');
    const unit = made?.sheet.input.house.rounding.unit ?? house.unit;
    const pdf = await inThread(
      { kind: 'paper', person: c.get('who').id, paper: house.paper },
      'fittingRecord',
      {
        ...all,
        alterations: all.alterations.map((a) => seenBy(role, a)),
        questions,
        leaving,
        studio: house.studio,
        timeZone: house.timeZone,
        dateOrder: house.dateOrder,
        number: order.number,
        what: order.what,
        client: order.clientName,
        unit,
        views: made ? viewsOf(made.sheet, unit) : [],
      },
    );
    return c.body(new Uint8Array(pdf), 200, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="fitting-record-${order.number}.pdf"`,
    });
  });
  return app;
}

/** What marks lie on: front, back and panels. */
function viewsOf(sheet: Sheet, unit: SheetUnit): DrawingView[] {
  const { views, panels } = drawGarment(sheet, printSheet(sheet, unit));
  return [...views, insideOf(views), panels].filter((v) => v !== null);
}
