import { may, type OrderFull, type OrderWrite, type Role, toLeads } from '@rocchetto/contract';
import type { Changed } from '@rocchetto/contract/live.ts';
import { dayIn, isCut } from '@rocchetto/core';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once, type Reply } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { versioned } from '../../http/versioned.ts';
import { readClient } from '../../records/clients.ts';
import { readHouse } from '../../records/house.ts';
import {
  addGarment,
  addOrder,
  changeBrief,
  changeOrder,
  fullOrder,
  garmentsOfOrder,
  isUntouched,
  readOrder,
  refuseCancelled,
} from '../../records/orders.ts';
import { isActive } from '../../records/staff.ts';
import { listOrders } from './list.ts';
import { TEXTS } from './texts.ts';

/** What follows an order's number for its second, third … garment. */
const LETTERS = ['', ...'bcdefghijkl'];

async function checkPeople(tx: Tx, wanted: OrderWrite) {
  if (!(await readClient(tx, wanted.clientId)))
    throw new HttpError(422, 'no-such-client', TEXTS.noSuchClient);
  if (wanted.responsibleId !== null && !(await isActive(tx, wanted.responsibleId)))
    throw new HttpError(422, 'no-such-staff', TEXTS.noSuchStaff);
  if (wanted.wornOn && wanted.dueOn && wanted.dueOn > wanted.wornOn)
    throw new HttpError(422, 'due-after-worn', TEXTS.dueAfterWorn);
}

/** The order as it is now, told to every page that shows it. */
async function told(tx: Tx, id: number, role: Role): Promise<Reply<OrderFull>> {
  const order = (await fullOrder(tx, id, may(role, 'session.read')))!;
  return {
    body: order,
    changed: [
      ['order', id, order.version],
      ['client', order.clientId, 0],
    ],
  };
}

export function orderRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /orders', async (c, { query }) => {
    const { timeZone, rules } = await readHouse(deps.pool);
    const today = dayIn(timeZone, deps.now());
    return await listOrders(deps.pool, { ...query, me: c.get('who').id, today, leads: toLeads(rules) });
  });
  on(app, 'POST /orders', (c, { role, body: wanted }) =>
    once(c, deps, async (tx) => {
      await checkPeople(tx, wanted);
      const id = await addOrder(tx, wanted, null);
      await remember(tx, 'order', id, c.get('who').id, 'added', undefined, wanted);
      return told(tx, id, role);
    }),
  );
  on(app, 'GET /orders/:id', async (c, { role }) => {
    const order = await fullOrder(deps.pool, idParam(c, 'order'), may(role, 'session.read'));
    if (!order) throw notFound('order');
    return order;
  });
  on(app, 'PUT /orders/:id', (c, { role, body: { version, ...wanted } }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      await versioned(tx, {
        what: 'order',
        id,
        version,
        mine: wanted,
        who: c.get('who'),
        did: 'changed',
        read: (t) => readOrder(t, id, true),
        write: async (t, before) => {
          if (before.clientId !== wanted.clientId && !(await isUntouched(t, id)))
            throw new HttpError(422, 'client-stays', TEXTS.clientStays);
          await checkPeople(t, wanted);
          await changeOrder(t, id, wanted);
          return wanted;
        },
      });
      return told(tx, id, role);
    });
  });
  on(app, 'POST /orders/:id/garments', (c, { role, body: { what } }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      const there = await garmentsOfOrder(tx, id);
      const first = there[0] && (await readOrder(tx, there[0].id, true));
      if (!first) throw notFound('order');
      // Counted again once the first is held: two hands at once give two letters.
      const count = (await garmentsOfOrder(tx, first.id)).length;
      if (count >= LETTERS.length)
        throw new HttpError(422, 'too-many-garments', TEXTS.tooManyGarments(LETTERS.length));
      const made = await addGarment(tx, first.id, LETTERS[count]!, what);
      await remember(tx, 'order', made, c.get('who').id, 'added', undefined, { what, with: first.number });
      const reply = await told(tx, made, role);
      const others = there.map((g): Changed => ['order', g.id, 0]);
      return { ...reply, changed: [...(reply.changed ?? []), ...others] };
    });
  });
  on(app, 'PUT /orders/:id/brief', (c, { role, body: { version, brief } }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      await versioned(tx, {
        what: 'order',
        id,
        version,
        mine: { brief },
        who: c.get('who'),
        did: 'brief changed',
        read: (t) => readOrder(t, id, true),
        write: async (t, before) => {
          refuseCancelled(before);
          if (isCut(before.stage)) throw new HttpError(409, 'already-cut', TEXTS.alreadyCut);
          await changeBrief(t, id, brief);
          return { brief };
        },
        kept: (before) => ({ brief: before.brief }),
      });
      return told(tx, id, role);
    });
  });
  return app;
}
