import { type ClientFull, type ClientView, ClientWrite, may, type Role } from '@rocchetto/contract';
import { foldText } from '@rocchetto/core';
import { Hono } from 'hono';
import { z } from 'zod';
import { remember } from '../db/history.ts';
import { body, type Deps, type Env, idParam, needs } from '../http/context.ts';
import { once } from '../http/once.ts';
import { conflict, notFound } from '../http/problem.ts';
import { listOrders } from '../orders/sql.ts';
import { sessionsOfClient } from '../sessions/sql.ts';
import { addClient, changeClient, likelyDuplicates, listClients, readClient, searchClients } from './sql.ts';
import { vcard } from './vcard.ts';

/** The card as this role may see it. */
const seenBy = <T extends ClientView>(role: Role, client: T): T =>
  may(role, 'client.contact') ? client : { ...client, phone: null, email: null, address: null, note: '' };

const Change = ClientWrite.extend({ version: z.int() });

export function clientRoutes(deps: Deps): Hono<Env> {
  return new Hono<Env>()
    .get('/clients', needs('client.read'), async (c) => {
      const q = c.req.query('q')?.trim() ?? '';
      const [afterName, afterId] = [c.req.query('afterName'), Number(c.req.query('afterId'))];
      const after =
        afterName !== undefined && Number.isSafeInteger(afterId)
          ? { name: afterName.slice(0, 200), id: afterId }
          : null;
      const rows = q ? await searchClients(deps.pool, q.slice(0, 200)) : await listClients(deps.pool, after);
      const contact = may(c.get('who').role, 'client.contact');
      if (contact) return c.json(rows);
      // Who may not see a number does not find anyone by it either.
      const known = /\d{3}/.test(q)
        ? rows.filter((r) => foldText(`${r.code} ${r.name}`).includes(foldText(q)))
        : rows;
      return c.json(known.map((r) => ({ ...r, phone: null })));
    })
    .get('/clients/likely', needs('client.write'), async (c) => {
      const [name, phone] = [c.req.query('name') ?? '', c.req.query('phone') ?? ''];
      return c.json(
        await likelyDuplicates(
          deps.pool,
          name.slice(0, 200),
          phone.slice(0, 60),
          Number(c.req.query('except')) || 0,
        ),
      );
    })
    .post('/clients', needs('client.write'), async (c) => {
      const wanted = await body(c, ClientWrite);
      return once(c, deps, async (tx) => {
        const client = await addClient(tx, wanted);
        await remember(tx, 'client', client.id, c.get('who').id, 'added', undefined, wanted);
        return { status: 201, body: client };
      });
    })
    .get('/clients/:id', needs('client.read'), async (c) => {
      const id = idParam(c, 'client');
      const client = await readClient(deps.pool, id);
      if (!client) throw notFound('client');
      const { role } = c.get('who');
      const orders = await listOrders(deps.pool, { clientId: id });
      const sessions = may(role, 'session.read') ? await sessionsOfClient(deps.pool, id) : [];
      return c.json(seenBy(role, { ...client, orders, sessions }) satisfies ClientFull);
    })
    .put('/clients/:id', needs('client.write'), async (c) => {
      const id = idParam(c, 'client');
      const { version, ...wanted } = await body(c, Change);
      return once(c, deps, async (tx) => {
        const before = await readClient(tx, id, true);
        if (!before) throw notFound('client');
        if (before.version !== version) throw conflict(before, wanted);
        const after = await changeClient(tx, id, before.code, wanted);
        await remember(tx, 'client', id, c.get('who').id, 'changed', before, after);
        return { status: 200, body: after };
      });
    })
    .get('/clients/:id/card.vcf', needs('client.contact'), async (c) => {
      const client = await readClient(deps.pool, idParam(c, 'client'));
      if (!client) throw notFound('client');
      return c.body(vcard(client), 200, {
        'content-type': 'text/vcard; charset=utf-8',
        'content-disposition': `attachment; filename="${client.code}.vcf"`,
      });
    });
}
