import type { MeasuringListChange } from '@rocchetto/contract';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readClient } from '../../records/clients.ts';
import { readHouse } from '../../records/house.ts';
import {
  addMeasuringList,
  changeMeasuringList,
  dropMeasuringList,
  measuringLists,
  nameTaken,
  readMeasuringList,
} from './lists.ts';
import { inThread, printOn, sendPdf } from './on-paper.ts';
import { TEXTS } from './texts.ts';

type Of = 'house' | 'clients';

/** Standing lists of what is measured: the house's, and those that are one client's own. */
export function listRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /measuring-lists', async (_c) => await measuringLists(deps.pool, 'house'));
  on(app, 'POST /measuring-lists', (c, { body }) =>
    once(c, deps, async (tx) => {
      const list = await addMeasuringList(tx, 'house', body);
      if (!list) throw taken(body.name);
      await remember(tx, 'measuring-list', list.id, c.get('who').id, 'added', undefined, body);
      return { body: list, changed: [['house', 1, 0]] };
    }),
  );
  on(app, 'PUT /measuring-lists/:id', (c, { body }) => change(deps, c, 'house', body));
  on(app, 'DELETE /measuring-lists/:id', (c) => drop(deps, c, 'house'));
  on(app, 'GET /measuring-lists/:id/list.pdf', (c) => print(deps, c, 'house'));

  on(app, 'GET /clients/:id/measuring-lists', async (c) => {
    const id = idParam(c, 'client');
    if (!(await readClient(deps.pool, id))) throw notFound('client');
    return await measuringLists(deps.pool, id);
  });
  on(app, 'POST /clients/:id/measuring-lists', (c, { body }) => {
    const clientId = idParam(c, 'client');
    return once(c, deps, async (tx) => {
      if (!(await readClient(tx, clientId))) throw notFound('client');
      const list = await addMeasuringList(tx, clientId, body);
      if (!list) throw taken(body.name);
      // The history of a client tells that there is one, in no words of its own.
      await remember(tx, 'client', clientId, c.get('who').id, 'measuring list added', undefined, undefined);
      return { body: list, changed: [['client', clientId, 0]] };
    });
  });
  on(app, 'PUT /client-lists/:id', (c, { body }) => change(deps, c, 'clients', body));
  on(app, 'DELETE /client-lists/:id', (c) => drop(deps, c, 'clients'));
  on(app, 'GET /client-lists/:id/list.pdf', (c) => print(deps, c, 'clients'));
  return app;
}

function change(deps: Deps, c: Ctx, of: Of, body: MeasuringListChange) {
  const id = idParam(c, 'list');
  return once(c, deps, async (tx) => {
    const before = await readMeasuringList(tx, id, of);
    if (!before) throw notFound('list');
    if (await nameTaken(tx, id, body.name)) throw taken(body.name);
    const list = await changeMeasuringList(tx, id, body);
    if (!list) throw new HttpError(409, 'stale', TEXTS.stale);
    const who = c.get('who').id;
    if (before.clientId !== null) {
      await remember(tx, 'client', before.clientId, who, 'measuring list changed', undefined, undefined);
      return { body: list, changed: [['client', before.clientId, 0] as const] };
    }
    await remember(tx, 'measuring-list', id, who, 'changed', before, body);
    return { body: list, changed: [['house', 1, 0] as const] };
  });
}

function drop(deps: Deps, c: Ctx, of: Of) {
  const id = idParam(c, 'list');
  return once(c, deps, async (tx) => {
    const before = await readMeasuringList(tx, id, of);
    if (!before) throw notFound('list');
    await dropMeasuringList(tx, id);
    const who = c.get('who').id;
    if (before.clientId !== null) {
      await remember(tx, 'client', before.clientId, who, 'measuring list removed', undefined, undefined);
      return { body: { ok: true as const }, changed: [['client', before.clientId, 0] as const] };
    }
    await remember(tx, 'measuring-list', id, who, 'removed', { name: before.name }, undefined);
    return { body: { ok: true as const }, changed: [['house', 1, 0] as const] };
  });
}

async function print(deps: Deps, c: Ctx, of: Of) {
  const list = await readMeasuringList(deps.pool, idParam(c, 'list'), of);
  if (!list) throw notFound('list');
  const client = list.clientId === null ? null : await readClient(deps.pool, list.clientId);
  const { studio, paper } = await readHouse(deps.pool);
  const page = {
    studio,
    title: `To measure: ${list.name}`,
    under: client ? client.name : 'Client ______________________________',
    items: list.measures.map((id) => ({ id, needed: true })),
  };
  return sendPdf(c, await inThread(printOn(c, paper), 'measuringList', page), `to-measure-${list.id}`);
}

const taken = (name: string) => new HttpError(422, 'name-taken', TEXTS.nameTaken(name));
