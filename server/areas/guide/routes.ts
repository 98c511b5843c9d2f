import { toPart } from '@rocchetto/contract';
import { dayIn, inTapeOrder, measuringTogether, printDate, resolveAll, USUAL_AT_HOME } from '@rocchetto/core';
import { Hono } from 'hono';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readClient } from '../../records/clients.ts';
import { readHouse } from '../../records/house.ts';
import { garmentsOfOrder, readOrder } from '../../records/orders.ts';
import { readSession } from '../../records/sessions.ts';
import { listRoutes } from './list-routes.ts';
import { inThread, printOn, sendPdf } from './on-paper.ts';
import { TEXTS } from './texts.ts';

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** How the house measures, on paper: the whole guide, one order’s list, the client’s page. */
export function guideRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  // It hangs on nothing but the studio's name: printed once, it is sent again as it is.
  const printed = new Map<string, Promise<Buffer>>();
  on(app, 'GET /guide.pdf', async (c, { query }) => {
    const { studio, paper } = await readHouse(deps.pool);
    const home = query.for === 'client';
    const key = `${query.for} ${paper} ${studio}`;
    const pdf = printed.get(key) ?? inThread(printOn(c, paper), 'guide', studio, home ? USUAL_AT_HOME : null);
    if (!printed.has(key) && printed.size > 7) printed.clear();
    printed.set(key, pdf);
    // One that failed is not kept: the next hand tries again.
    pdf.catch(() => printed.delete(key));
    return sendPdf(c, await pdf, home ? 'measuring-at-home' : 'how-we-measure');
  });
  on(app, 'GET /manual.pdf', async (c) => {
    const { studio, paper } = await readHouse(deps.pool);
    const key = `manual ${paper} ${studio}`;
    const pdf = printed.get(key) ?? inThread(printOn(c, paper), 'manual', studio);
    printed.set(key, pdf);
    pdf.catch(() => printed.delete(key));
    return sendPdf(c, await pdf, 'manual');
  });
  on(app, 'GET /sessions/:uuid/card.pdf', async (c) => {
    const id = c.req.param('id') ?? '';
    const session = UUID.test(id) ? await readSession(deps.pool, id) : undefined;
    const client = session && (await readClient(deps.pool, session.clientId));
    if (!session || !client) throw notFound('session');
    const { studio, timeZone, dateOrder, rules, paper } = await readHouse(deps.pool);
    const rows = inTapeOrder(
      [...resolveAll(session.readings)].flatMap(([of, m]) =>
        m.net === null ? [] : [{ id: of, cm: m.net, asRead: m.asRead }],
      ),
      rules.tape,
    );
    const { beneath, heel } = session.details;
    const day = printDate(dayIn(timeZone, session.at), dateOrder);
    const card = { studio, client: client.name, day, measurer: session.measurer, beneath, heel, rows };
    return sendPdf(c, await inThread(printOn(c, paper), 'measureCard', card), `measures-${client.code}`);
  });
  on(app, 'GET /orders/:id/measuring-list.pdf', async (c) => {
    const order = await readOrder(deps.pool, idParam(c, 'order'));
    if (!order) throw notFound('order');
    const garments = await garmentsOfOrder(deps.pool, order.id);
    const items = measuringTogether(garments.map((g) => g.parts.map(toPart)));
    if (items.length === 0) throw new HttpError(409, 'no-brief', TEXTS.noBrief);
    const { studio, rules, paper } = await readHouse(deps.pool);
    const of = {
      studio,
      title: `To measure for ${order.number}`,
      under: `${order.what}, ${order.clientName}`,
      items: inTapeOrder(items, rules.tape),
    };
    return sendPdf(c, await inThread(printOn(c, paper), 'measuringList', of), `to-measure-${order.number}`);
  });
  app.route('/', listRoutes(deps));
  return app;
}
