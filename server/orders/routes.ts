import { BriefChange, may, OrderWrite } from '@rocchetto/contract';
import { Hono } from 'hono';
import { z } from 'zod';
import { readClient } from '../clients/sql.ts';
import { remember } from '../db/history.ts';
import type { Tx } from '../db/pool.ts';
import { body, type Deps, type Env, idParam, needs } from '../http/context.ts';
import { once } from '../http/once.ts';
import { conflict, notFound, Refusal } from '../http/problem.ts';
import { addOrder, changeBrief, changeOrder, fullOrder, listOrders, readOrder } from './sql.ts';

const Change = OrderWrite.extend({ version: z.int() });

async function checkPeople(tx: Tx, wanted: z.infer<typeof OrderWrite>) {
  if (!(await readClient(tx, wanted.clientId)))
    throw new Refusal(422, 'no-such-client', 'The client of this order is not in the book.');
  if (wanted.responsibleId !== null) {
    const known = await tx.query('select 1 from staff where id = $1 and active', [wanted.responsibleId]);
    if (!known.rowCount) throw new Refusal(422, 'no-such-staff', 'The one responsible is not on the staff.');
  }
  if (wanted.wornOn && wanted.dueOn && wanted.dueOn > wanted.wornOn)
    throw new Refusal(
      422,
      'due-after-worn',
      'The order is due after the day it is worn. Check the two dates.',
    );
}

export function orderRoutes(deps: Deps): Hono<Env> {
  return new Hono<Env>()
    .get('/orders', needs('order.read'), async (c) => {
      const [due, id] = [c.req.query('afterDue'), Number(c.req.query('afterId'))];
      const after =
        due !== undefined && /^(\d{4}-\d\d-\d\d|infinity)$/.test(due) && Number.isSafeInteger(id)
          ? { due, id }
          : null;
      return c.json(await listOrders(deps.pool, { q: c.req.query('q')?.trim().slice(0, 100) ?? '', after }));
    })
    .post('/orders', needs('order.write'), async (c) => {
      const wanted = await body(c, OrderWrite);
      return once(c, deps, async (tx) => {
        await checkPeople(tx, wanted);
        const id = await addOrder(tx, wanted, null);
        await remember(tx, 'order', id, c.get('who').id, 'added', undefined, wanted);
        return { status: 201, body: await fullOrder(tx, id, true) };
      });
    })
    .get('/orders/:id', needs('order.read'), async (c) => {
      const order = await fullOrder(deps.pool, idParam(c, 'order'), may(c.get('who').role, 'session.read'));
      if (!order) throw notFound('order');
      return c.json(order);
    })
    .put('/orders/:id', needs('order.write'), async (c) => {
      const id = idParam(c, 'order');
      const { version, ...wanted } = await body(c, Change);
      return once(c, deps, async (tx) => {
        const before = await readOrder(tx, id, true);
        if (!before) throw notFound('order');
        if (before.version !== version) throw conflict(before, wanted);
        if (before.clientId !== wanted.clientId)
          throw new Refusal(
            422,
            'client-stays',
            'An order stays with its client. Make a new order for another client.',
          );
        await checkPeople(tx, wanted);
        await changeOrder(tx, id, wanted);
        await remember(tx, 'order', id, c.get('who').id, 'changed', before, wanted);
        return { status: 200, body: await fullOrder(tx, id, true) };
      });
    })
    .put('/orders/:id/brief', needs('sheet.write'), async (c) => {
      const id = idParam(c, 'order');
      const { version, brief } = await body(c, BriefChange);
      return once(c, deps, async (tx) => {
        const before = await readOrder(tx, id, true);
        if (!before) throw notFound('order');
        if (before.version !== version) throw conflict(before, { brief });
        if (before.stage === 'cut')
          throw new Refusal(
            409,
            'already-cut',
            'The cloth is cut: the brief stays as it is. What is still to change is an alteration.',
          );
        await changeBrief(tx, id, brief);
        await remember(tx, 'order', id, c.get('who').id, 'brief changed', before.brief, brief);
        return { status: 200, body: await fullOrder(tx, id, true) };
      });
    });
}
