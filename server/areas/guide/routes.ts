import { type Paper, toPart } from '@rocchetto/contract';
import { dayIn, inTapeOrder, measuringTogether, printDate, resolveAll, USUAL_AT_HOME } from '@rocchetto/core';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { notFound, Refusal } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readClient } from '../../records/clients.ts';
import { readHouse } from '../../records/house.ts';
import { garmentsOfOrder, readOrder } from '../../records/orders.ts';
import { readSession } from '../../records/sessions.ts';
import { threadsFor } from '../../threads/pool.ts';
import type { GuideJobs } from './jobs.ts';
import {
  addMeasuringList,
  changeMeasuringList,
  dropMeasuringList,
  measuringLists,
  nameTaken,
  readMeasuringList,
} from './lists.ts';

const inThread = threadsFor<GuideJobs>();

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/** How the house measures, on paper: the whole guide, one order’s list, the client’s page. */
export function guideRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  const printOn = (c: Ctx, paper: Paper) => ({ kind: 'paper', person: c.get('who').id, paper }) as const;
  const send = (c: Ctx, pdf: Buffer, name: string) =>
    c.body(new Uint8Array(pdf), 200, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${name}.pdf"`,
    });
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
    return send(c, await pdf, home ? 'measuring-at-home' : 'how-we-measure');
  });
  on(app, 'GET /manual.pdf', async (c) => {
    const { studio, paper } = await readHouse(deps.pool);
    const key = `manual ${paper} ${studio}`;
    const pdf = printed.get(key) ?? inThread(printOn(c, paper), 'manual', studio);
    printed.set(key, pdf);
    pdf.catch(() => printed.delete(key));
    return send(c, await pdf, 'manual');
  });
  on(app, 'GET /sessions/:uuid/card.pdf', async (c) => {
    const id = c.req.param('id') ?? '';
    const session = UUID.test(id) ? await readSession(deps.pool, id) : undefined;
    const client = session && (await readClient(deps.pool, session.clientId));
    if (!session || !client) throw notFound('session');
    const { studio, timeZone, rules, paper } = await readHouse(deps.pool);
    const rows = inTapeOrder(
      [...resolveAll(session.readings)].flatMap(([of, m]) =>
        m.net === null ? [] : [{ id: of, cm: m.net, asRead: m.asRead }],
      ),
      rules.tape,
    );
    const { beneath, heel } = session.details;
    const day = printDate(dayIn(timeZone, session.at));
    const card = { studio, client: client.name, day, measurer: session.measurer, beneath, heel, rows };
    return send(c, await inThread(printOn(c, paper), 'measureCard', card), `measures-${client.code}`);
  });
  on(app, 'GET /orders/:id/measuring-list.pdf', async (c) => {
    const order = await readOrder(deps.pool, idParam(c, 'order'));
    if (!order) throw notFound('order');
    const garments = await garmentsOfOrder(deps.pool, order.id);
    const items = measuringTogether(garments.map((g) => g.parts.map(toPart)));
    if (items.length === 0)
      throw new Refusal(409, 'no-brief', 'The brief decides what is measured. Write the brief first.');
    const { studio, rules, paper } = await readHouse(deps.pool);
    const of = {
      studio,
      title: `To measure for ${order.number}`,
      under: `${order.what}, ${order.clientName}`,
      items: inTapeOrder(items, rules.tape),
    };
    return send(c, await inThread(printOn(c, paper), 'measuringList', of), `to-measure-${order.number}`);
  });
  on(app, 'GET /measuring-lists', async (_c) => await measuringLists(deps.pool));
  on(app, 'POST /measuring-lists', (c, { body }) =>
    once(c, deps, async (tx) => {
      const list = await addMeasuringList(tx, body);
      if (!list) throw taken(body.name);
      await remember(tx, 'measuring-list', list.id, c.get('who').id, 'added', undefined, body);
      return { body: list, changed: [['house', 1, 0]] };
    }),
  );
  on(app, 'PUT /measuring-lists/:id', (c, { body }) => {
    const id = idParam(c, 'list');
    return once(c, deps, async (tx) => {
      const before = await readMeasuringList(tx, id);
      if (!before) throw notFound('list');
      if (await nameTaken(tx, id, body.name)) throw taken(body.name);
      const list = await changeMeasuringList(tx, id, body);
      if (!list)
        throw new Refusal(
          409,
          'stale',
          'Someone else has changed this list meanwhile. Nothing was saved. Close it, open it again, and change it there.',
        );
      await remember(tx, 'measuring-list', id, c.get('who').id, 'changed', before, body);
      return { body: list, changed: [['house', 1, 0]] };
    });
  });
  on(app, 'DELETE /measuring-lists/:id', (c) => {
    const id = idParam(c, 'list');
    return once(c, deps, async (tx) => {
      const name = await dropMeasuringList(tx, id);
      if (name === null) throw notFound('list');
      await remember(tx, 'measuring-list', id, c.get('who').id, 'removed', { name }, undefined);
      return { body: { ok: true }, changed: [['house', 1, 0]] };
    });
  });
  on(app, 'GET /measuring-lists/:id/list.pdf', async (c) => {
    const list = await readMeasuringList(deps.pool, idParam(c, 'list'));
    if (!list) throw notFound('list');
    const { studio, paper } = await readHouse(deps.pool);
    const of = {
      studio,
      title: `To measure: ${list.name}`,
      under: 'Client ______________________________',
      items: list.measures.map((id) => ({ id, needed: true })),
    };
    return send(c, await inThread(printOn(c, paper), 'measuringList', of), `to-measure-${list.id}`);
  });
  return app;
}

const taken = (name: string) =>
  new Refusal(
    422,
    'name-taken',
    `There is already a list called “${name}”. Nothing was saved. Choose another name.`,
  );
