import { randomBytes } from 'node:crypto';
import type { BroughtInWrite } from '@rocchetto/contract';
import { handUnit } from '@rocchetto/contract';
import { dayIn, formatSentence, printDate } from '@rocchetto/core';
import { readTicket, ticketCode } from '@rocchetto/core/alter/index.ts';
import { printMoney } from '@rocchetto/core/units/print-money.ts';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { addBroughtIn, alterationsOfOrder, broughtIn, orderOfTicket } from '../../records/alterations.ts';
import { readClient } from '../../records/clients.ts';
import { readHouse } from '../../records/house.ts';
import { addOrder, readOrder } from '../../records/orders.ts';
import { threadsFor } from '../../threads/pool.ts';
import type { AlterationJobs } from './jobs.ts';
import { TEXTS } from './texts.ts';

const inThread = threadsFor<AlterationJobs>();

/** Garments that are brought in to be altered: each an order of its own, with how it came and a claim ticket. */
export function broughtInRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();

  on(app, 'POST /brought-in', (c, { body }) =>
    once(c, deps, async (tx) => {
      if (!(await readClient(tx, body.clientId)))
        throw new HttpError(422, 'no-such-client', TEXTS.noSuchClient);
      const { clientId, what, dueOn } = body;
      const by = c.get('who').id;
      const order = { clientId, what, occasion: '', wornOn: null, dueOn, responsibleId: null };
      const id = await addOrder(tx, order, null);
      const code = await fresh(tx, id, body, by, deps.now());
      await remember(tx, 'order', id, by, 'brought in', undefined, body);
      return { body: { orderId: id, code }, changed: [['order', id, 1]] };
    }),
  );

  on(app, 'GET /tickets', async (_c, { query }) => {
    const code = readTicket(query.code);
    if (code === null) throw new HttpError(422, 'no-ticket', TEXTS.noTicket);
    const orderId = await orderOfTicket(deps.pool, code);
    if (orderId === undefined) throw new HttpError(404, 'no-such-ticket', TEXTS.noSuchTicket);
    return { orderId };
  });

  on(app, 'GET /orders/:id/ticket.pdf', async (c) => {
    const id = idParam(c, 'order');
    const [order, came, house] = await Promise.all([
      readOrder(deps.pool, id),
      broughtIn(deps.pool, id),
      readHouse(deps.pool),
    ]);
    if (!order || !came) throw notFound('ticket');
    const alterations = await alterationsOfOrder(deps.pool, id);
    const pdf = await inThread({ kind: 'paper', person: c.get('who').id }, 'ticket', {
      pageSize: 'A6',
      info: { title: `Ticket ${order.number}`, creator: 'Rocchetto' },
      content: [
        { text: house.studio, bold: true, fontSize: 12 },
        { text: `${order.number} · ${order.what}`, margin: [0, 4, 0, 0] },
        {
          text: `Brought in ${printDate(dayIn(house.timeZone, came.at), house.dateOrder)}`,
          margin: [0, 1, 0, 0],
        },
        ...(order.dueOn
          ? [
              {
                text: `Ready ${printDate(order.dueOn, house.dateOrder)}`,
                bold: true,
                margin: [0, 1, 0, 0] as [number, number, number, number],
              },
            ]
          : []),
        {
          text: `${came.code.slice(0, 3)}-${came.code.slice(3)}`,
          bold: true,
          fontSize: 26,
          margin: [0, 8, 0, 6],
        },
        { qr: came.code, fit: 96 },
        {
          ul: alterations
            .filter((a) => a.status !== 'declined' && a.status !== 'withdrawn')
            .map(
              (a) =>
                formatSentence(a.sentence, handUnit(a.asked) ?? house.unit) +
                (a.price === null ? '' : ` ${printMoney(a.price, house.currency)}`),
            ),
          margin: [0, 8, 0, 0],
        },
        { text: `Condition: ${came.condition}`, margin: [0, 6, 0, 0], color: '#333' },
      ],
    });
    return c.body(new Uint8Array(pdf), 200, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="ticket-${order.number}.pdf"`,
    });
  });
  return app;
}

/** Keeps it under a code that no other ticket has. */
async function fresh(tx: Tx, orderId: number, w: BroughtInWrite, by: number, at: Date): Promise<string> {
  for (let i = 0; i < 20; i++) {
    const code = ticketCode(randomBytes(5));
    if (await addBroughtIn(tx, orderId, w, code, by, at)) return code;
  }
  throw new Error('no free ticket code in twenty tries');
}
