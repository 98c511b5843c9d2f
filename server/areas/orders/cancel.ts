import type { Changed } from '@rocchetto/contract/live.ts';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { conflict, HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { leaveSlots, readAppointment, stepAppointment } from '../../records/diary/appointments.ts';
import { readRules } from '../../records/diary/hours.ts';
import { planMessages } from '../../records/diary/telling.ts';
import { cancelOrder, readOrder, reopenOrder, upcomingOf } from '../../records/orders.ts';
import { TEXTS } from './texts.ts';

/** An order that is not wanted any more, and one that is wanted again: nothing of it is lost in between. */
export function cancelRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'POST /orders/:id/cancel', (c, { body: { version, reason, appointments } }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      const order = await readOrder(tx, id, true);
      if (!order) throw notFound('order');
      if (order.stage === 'cancelled') throw new HttpError(409, 'cancelled', TEXTS.cancelled);
      if (order.stage === 'handed-over') throw new HttpError(409, 'handed-over', TEXTS.handedOver);
      if (order.version !== version) throw conflict(order, { reason });
      const by = { by: c.get('who').id, at: deps.now() };
      await cancelOrder(tx, id, reason, by.by, by.at);
      const gone = appointments ? await cancelAhead(tx, id, by) : [];
      await remember(tx, 'order', id, by.by, 'cancelled', undefined, { reason, appointments: gone });
      return {
        body: { id, version: version + 1 },
        changed: [
          ['order', id, version + 1],
          ...gone.map((a): Changed => ['diary', a, 0]),
        ] satisfies readonly Changed[],
      };
    });
  });
  on(app, 'POST /orders/:id/reopen', (c, { body: { version } }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      const order = await readOrder(tx, id, true);
      if (!order) throw notFound('order');
      if (order.stage !== 'cancelled') throw new HttpError(409, 'not-cancelled', TEXTS.notCancelled);
      if (order.version !== version) throw conflict(order, {});
      await reopenOrder(tx, id);
      await remember(
        tx,
        'order',
        id,
        c.get('who').id,
        'reopened',
        { reason: order.cancelledReason },
        undefined,
      );
      return { body: { id, version: version + 1 }, changed: [['order', id, version + 1]] };
    });
  });
  return app;
}

/** Cancels what is offered or booked ahead for an order, and tells the client. */
async function cancelAhead(tx: Tx, orderId: number, by: { by: number; at: Date }): Promise<number[]> {
  const { zone } = await readRules(tx);
  const ids = await upcomingOf(tx, orderId, by.at);
  for (const id of ids) {
    await leaveSlots(tx, id, { reason: 'order cancelled', ...by });
    await stepAppointment(tx, id, 'cancelled', { heldUntil: null });
    await planMessages(tx, zone, (await readAppointment(tx, zone, id))!, 'cancelled', by.at);
    await remember(tx, 'appointment', id, by.by, 'cancelled', undefined, { reason: 'order cancelled' });
  }
  return ids;
}
