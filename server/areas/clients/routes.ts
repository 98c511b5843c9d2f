import { type ClientFull, type ClientView, may, type Role } from '@rocchetto/contract';
import { dayIn } from '@rocchetto/core';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { versioned } from '../../http/versioned.ts';
import {
  addClient,
  changeClient,
  likelyDuplicates,
  listClients,
  readClient,
  searchClients,
} from '../../records/clients.ts';
import { clientAway } from '../../records/diary/ahead.ts';
import { readHouse } from '../../records/house.ts';
import { ordersOfClient, renameOrders } from '../../records/orders.ts';
import { sessionsOfClient } from '../../records/sessions.ts';
import { vcard } from './vcard.ts';

/** The card as this role may see it. */
const seenBy = <T extends ClientView>(role: Role, client: T): T =>
  may(role, 'client.contact') ? client : { ...client, phone: null, email: null, address: null, note: '' };

export function clientRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /clients', async (_c, { role, query }) => {
    const contact = may(role, 'client.contact');
    const q = query.q.trim();
    const { afterName: name, afterId: id } = query;
    const rows = q
      ? await searchClients(deps.pool, q, contact)
      : await listClients(deps.pool, name !== undefined && id !== undefined ? { name, id } : null);
    return contact ? rows : rows.map((r) => ({ ...r, phone: null }));
  });
  on(
    app,
    'GET /clients/likely',
    async (_c, { query: { name, phone, except } }) => await likelyDuplicates(deps.pool, name, phone, except),
  );
  on(app, 'POST /clients', (c, { body: wanted }) =>
    once(c, deps, async (tx) => {
      const client = await addClient(tx, wanted);
      await remember(tx, 'client', client.id, c.get('who').id, 'added', undefined, wanted);
      return { body: client, changed: [['client', client.id, client.version]] };
    }),
  );
  on(app, 'GET /clients/:id', async (c, { role }) => {
    const id = idParam(c, 'client');
    const client = await readClient(deps.pool, id);
    if (!client) throw notFound('client');
    const orders = await ordersOfClient(deps.pool, id);
    const sessions = may(role, 'session.read') ? await sessionsOfClient(deps.pool, id) : [];
    const { timeZone } = await readHouse(deps.pool);
    const away = await clientAway(deps.pool, id, dayIn(timeZone, deps.now()));
    return seenBy(role, { ...client, orders, sessions, away }) satisfies ClientFull;
  });
  on(app, 'PUT /clients/:id', (c, { body: { version, ...wanted } }) => {
    const id = idParam(c, 'client');
    return once(c, deps, async (tx) => {
      const now = await versioned(tx, {
        what: 'client',
        id,
        version,
        mine: wanted,
        who: c.get('who'),
        did: 'changed',
        read: (t) => readClient(t, id, true),
        write: async (t, before) => {
          if (before.name !== wanted.name) await renameOrders(t, id, wanted.name, before.code);
          return changeClient(t, id, before.code, wanted);
        },
      });
      const after = (await readClient(tx, id))!;
      return { body: after, changed: now === version ? [] : [['client', id, now]] };
    });
  });
  on(app, 'GET /clients/:id/card.vcf', async (c) => {
    const client = await readClient(deps.pool, idParam(c, 'client'));
    if (!client) throw notFound('client');
    return c.body(vcard(client), 200, {
      'content-type': 'text/vcard; charset=utf-8',
      'content-disposition': `attachment; filename="${client.code}.vcf"`,
    });
  });
  return app;
}
