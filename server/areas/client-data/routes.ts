import { ERASED } from '@rocchetto/contract/live.ts';
import { dayIn } from '@rocchetto/core';
import { Hono } from 'hono';
import { stream } from 'hono/streaming';
import { remember } from '../../db/history.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { conflict, HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readClient } from '../../records/clients.ts';
import { readHouse } from '../../records/house.ts';
import { noteEvent } from '../../records/security-events.ts';
import { threadsFor } from '../../threads/pool.ts';
import { asCsv, asJson } from './export.ts';
import { everyClient } from './export-sql.ts';
import type { ClientDataJobs } from './jobs.ts';
import { deleteClient, eraseClient, hasAnything } from './sql.ts';
import { TEXTS } from './texts.ts';

const inThread = threadsFor<ClientDataJobs>();

/** One client's data: out as a bundle, or erased on request. Both stand in the history. */
export function clientDataRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /clients/:id/data.zip', async (c) => {
    const id = idParam(c, 'client');
    const { studio, timeZone, paper, dateOrder } = await readHouse(deps.pool);
    const who = c.get('who').id;
    const made = await inThread(
      { kind: 'paper', person: who, paper },
      'clientBundle',
      deps.url,
      id,
      studio,
      timeZone,
      dateOrder,
    );
    if (!made) throw notFound('client');
    await remember(deps.pool, 'client', id, who, 'data downloaded', undefined, undefined);
    await noteEvent(deps.pool, { what: 'export', staffId: who, words: made.code });
    return c.body(made.zip as Uint8Array<ArrayBuffer>, 200, {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="${made.code}-data.zip"`,
    });
  });
  const sendAll = async (c: Ctx, parts: AsyncGenerator<string>, type: string, name: string) => {
    await remember(
      deps.pool,
      'house',
      1,
      c.get('who').id,
      `all clients downloaded as ${type}`,
      undefined,
      undefined,
    );
    await noteEvent(deps.pool, { what: 'export', staffId: c.get('who').id, words: `all clients as ${type}` });
    c.header('content-type', `${type}; charset=utf-8`);
    c.header('content-disposition', `attachment; filename="${name}"`);
    // Written as it is read: no more of the book than a page of it is held at a time.
    return stream(c, async (out) => {
      for await (const part of parts) {
        if (out.aborted) return;
        await out.write(part);
      }
    });
  };
  on(app, 'GET /export/clients.csv', async (c) => {
    const { timeZone } = await readHouse(deps.pool);
    const day = (at: string) => dayIn(timeZone, at);
    return sendAll(c, asCsv(everyClient(deps.pool), day), 'text/csv', 'clients.csv');
  });
  on(app, 'GET /export/clients.json', (c) =>
    sendAll(c, asJson(everyClient(deps.pool)), 'application/json', 'clients.json'),
  );
  on(app, 'POST /clients/:id/erase', (c, { body: { version, reason } }) => {
    const id = idParam(c, 'client');
    return once(c, deps, async (tx) => {
      const client = await readClient(tx, id, true);
      if (!client) throw notFound('client');
      if (client.version !== version) throw conflict(client, { reason });
      const open = await tx.query(
        `select number from orders where client_id = $1 and stage not in ('asked', 'handed-over', 'cancelled') order by id limit 1`,
        [id],
      );
      if (open.rows[0]) throw new HttpError(409, 'order-open', TEXTS.orderOpen(open.rows[0].number));
      const erased = await eraseClient(tx, client);
      // The reason is kept; a name in it is not.
      const told = reason.replaceAll(client.name, client.code);
      await remember(tx, 'client', id, c.get('who').id, 'erased', undefined, { ...erased, reason: told });
      await noteEvent(tx, { what: 'erase', staffId: c.get('who').id, words: client.code });
      const stays = [
        `${client.code} itself`,
        ...(erased.orders
          ? [
              `${erased.orders} order ${erased.orders === 1 ? 'number' : 'numbers'} with what was made and when`,
            ]
          : []),
        ...(erased.sheetsKept
          ? [
              `the figures of ${erased.sheetsKept} agreed ${erased.sheetsKept === 1 ? 'sheet' : 'sheets'}, without name or readings`,
            ]
          : []),
        'that it was erased, when, by whom and why',
        'what is in backups made before today: delete those, or erase again after restoring one',
      ];
      return {
        body: { erased, stays },
        changed: [['client', id, ERASED]],
      };
    });
  });
  on(app, 'DELETE /clients/:id', (c) => {
    const id = idParam(c, 'client');
    return once(c, deps, async (tx) => {
      const client = await readClient(tx, id, true);
      if (!client) throw notFound('client');
      if (await hasAnything(tx, id)) throw new HttpError(409, 'not-empty', TEXTS.notEmpty);
      await deleteClient(tx, client);
      await remember(tx, 'client', id, c.get('who').id, 'deleted', undefined, { code: client.code });
      return { body: { ok: true as const }, changed: [['client', id, ERASED]] };
    });
  });
  return app;
}
