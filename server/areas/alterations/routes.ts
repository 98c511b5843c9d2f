import type { Role } from '@rocchetto/contract';
import { printDate } from '@rocchetto/core';
import { findKind } from '@rocchetto/core/alter/index.ts';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { conflict, HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import {
  addAlteration,
  addStep,
  holdAlteration,
  isHandedOver,
  isOfOrder,
  openAlterations,
  seenBy,
  touch,
  writeAsked,
  writeBox,
  writeBoxes,
} from '../../records/alterations.ts';
import { houseBench, readHouse } from '../../records/house.ts';
import { readOrder, refuseCancelled } from '../../records/orders.ts';
import { prepared, takeStep } from './service.ts';
import { TEXTS } from './texts.ts';

import { kept, settled, told } from './told.ts';
import { undoStep } from './undo.ts';

/** Alterations from the asking to the check, and the bench they are worked at. */
export function alterationRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();

  on(app, 'GET /orders/:id/alterations', async (c, { role }) => {
    const id = idParam(c, 'order');
    if (!(await readOrder(deps.pool, id))) throw notFound('order');
    const all = await told(deps.pool, id, deps.now());
    return { ...all, alterations: all.alterations.map((a) => seenBy(role, a)) };
  });

  on(app, 'POST /orders/:id/alterations', (c, { body }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      const order = await readOrder(tx, orderId, true);
      if (!order) throw notFound('order');
      refuseCancelled(order);
      if (body.appointmentId !== null && !(await isOfOrder(tx, body.appointmentId, orderId)))
        throw new HttpError(422, 'other-appointment', TEXTS.otherAppointment);
      const since = await isHandedOver(tx, orderId);
      if (since !== null)
        throw new HttpError(
          409,
          'handed-over',
          TEXTS.handedOverOn(printDate(since.slice(0, 10), (await readHouse(tx)).dateOrder)),
        );
      const { boxes, targets } = await prepared(tx, orderId, body.asked, deps.now(), null);
      const by = c.get('who').id;
      const { bench } = await houseBench(tx);
      const minutes = bench.kinds[body.asked.kind]?.minutes ?? findKind(body.asked.kind)!.minutes;
      const id = await addAlteration(tx, { orderId, by, minutes, targets, ...body });
      await writeBoxes(tx, id, boxes);
      await addStep(tx, id, by, deps.now(), 'asked', { words: '' });
      await remember(tx, 'order', orderId, by, 'alteration asked for', undefined, { id, ...body.asked });
      return kept(orderId, { id, version: 1 });
    });
  });

  on(app, 'PUT /alterations/:id', (c, { role, body: { version, asked } }) => {
    const id = idParam(c, 'alteration');
    return once(c, deps, async (tx) => {
      const before = await held(tx, { id, version, role }, asked);
      if (before.status !== 'asked') throw new HttpError(409, 'agreed', TEXTS.agreed);
      const { boxes, targets } = await prepared(tx, before.orderId, asked, deps.now(), id);
      await writeAsked(tx, id, asked, targets);
      await writeBoxes(tx, id, boxes);
      await touch(tx, id);
      await addStep(tx, id, c.get('who').id, deps.now(), 'changed', { words: '' });
      await remember(tx, 'order', before.orderId, c.get('who').id, 'alteration changed', before.asked, asked);
      return kept(before.orderId, { id, version: version + 1 });
    });
  });

  on(app, 'POST /alterations/:id/steps', (c, { role, body: { version, step } }) => {
    const id = idParam(c, 'alteration');
    return once(c, deps, async (tx) => {
      const a = await held(tx, { id, version, role }, step);
      await takeStep(tx, a, step, { who: c.get('who'), role, now: deps.now() });
      await settled(tx, a.orderId, deps.now());
      await remember(tx, 'order', a.orderId, c.get('who').id, `alteration: ${step.step}`, undefined, {
        id,
        ...step,
      });
      // What is given, taken back or done moves somebody's day.
      return kept(a.orderId, { id, version: version + 1 }, true);
    });
  });

  on(app, 'POST /alterations/:id/undo', (c, { role, body: { version } }) => {
    const id = idParam(c, 'alteration');
    return once(c, deps, async (tx) => {
      const a = await held(tx, { id, version, role }, { step: 'undo' });
      await undoStep(tx, a, { who: c.get('who'), now: deps.now() });
      await settled(tx, a.orderId, deps.now());
      await remember(tx, 'order', a.orderId, c.get('who').id, 'alteration: undo', undefined, { id });
      return kept(a.orderId, { id, version: version + 1 }, true);
    });
  });

  // A tick has no version: two hands tick two pieces at once, and neither is told to look again.
  on(app, 'POST /alterations/:id/boxes', (c, { body: { box, to, reason } }) => {
    const id = idParam(c, 'alteration');
    return once(c, deps, async (tx) => {
      const a = await holdAlteration(tx, id);
      if (!a) throw notFound('alteration');
      if (a.status !== 'agreed' && a.status !== 'in-work')
        throw new HttpError(409, 'not-at-the-bench', TEXTS.notAtTheBench);
      const who = c.get('who').id;
      const at = { doneAt: to === 'done' ? deps.now() : null, doneBy: to === 'done' ? who : null };
      if (!(await writeBox(tx, id, box, { ...at, struck: to === 'struck' ? reason : null })))
        throw new HttpError(422, 'no-such-piece', TEXTS.noSuchPiece);
      if (to === 'struck') await addStep(tx, id, who, deps.now(), 'struck', { words: reason, box });
      return kept(a.orderId, { id, version: a.version });
    });
  });

  on(
    app,
    'GET /bench',
    async (_c, { query }) => await openAlterations(deps.pool, query.staffId ?? null, deps.now()),
  );
  return app;
}

async function held(
  tx: Tx,
  { id, version, role }: { readonly id: number; readonly version: number; readonly role: Role },
  mine: unknown,
) {
  const a = await holdAlteration(tx, id);
  if (!a) throw notFound('alteration');
  if (a.version !== version) throw conflict(seenBy(role, a), mine);
  return a;
}
