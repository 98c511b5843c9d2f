import { measuringList } from '@rocchetto/core';
import { Hono } from 'hono';
import { readHouse } from '../house/sql.ts';
import { type Ctx, type Deps, type Env, idParam } from '../http/context.ts';
import { notFound, Refusal } from '../http/problem.ts';
import { on } from '../http/route.ts';
import { readOrder } from '../orders/sql.ts';

/** What a client can take at home with somebody’s help, and nothing that needs touching close. */
const AT_HOME = [
  'bust',
  'underbust',
  'waist',
  'hip',
  'nape-to-waist',
  'arm-length',
  'waist-to-knee',
  'stature',
];

/** How the house measures, on paper: the whole guide, one order’s list, the client’s page. */
export function guideRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  // The paper's fonts and library are only loaded when somebody prints.
  const paper = () => import('./paper.ts');
  const send = (c: Ctx, pdf: Buffer, name: string) =>
    c.body(new Uint8Array(pdf), 200, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${name}.pdf"`,
    });
  on(app, 'GET /guide.pdf', async (c, { query }) => {
    const { studio } = await readHouse(deps.pool);
    const { clientPage, wholeGuide } = await paper();
    return query.for === 'client'
      ? send(c, await clientPage(studio, AT_HOME), 'measuring-at-home')
      : send(c, await wholeGuide(studio), 'how-we-measure');
  });
  on(app, 'GET /orders/:id/measuring-list.pdf', async (c) => {
    const order = await readOrder(deps.pool, idParam(c, 'order'));
    if (!order) throw notFound('order');
    const items = measuringList(order.brief?.parts ?? []);
    if (items.length === 0)
      throw new Refusal(409, 'no-brief', 'What is measured hangs on the brief; write that first.');
    const { studio } = await readHouse(deps.pool);
    const { orderList } = await paper();
    const of = { studio, number: order.number, what: order.what, client: order.clientName, items };
    return send(c, await orderList(of), `to-measure-${order.number}`);
  });
  return app;
}
