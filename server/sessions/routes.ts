import { ReadingWire, SessionWrite } from '@rocchetto/contract';
import { Hono } from 'hono';
import { z } from 'zod';
import { readClient } from '../clients/sql.ts';
import { inTransaction } from '../db/pool.ts';
import { body, type Ctx, type Deps, type Env, needs } from '../http/context.ts';
import { notFound, Refusal } from '../http/problem.ts';
import { readOrder } from '../orders/sql.ts';
import { addReadings, addSession, earlierSessions, readSession } from './sql.ts';

const Readings = z.strictObject({ session: SessionWrite, readings: z.array(ReadingWire).max(200) });

function uuidParam(c: Ctx): string {
  const id = c.req.param('id') ?? '';
  if (!z.uuid().safeParse(id).success) throw notFound('session');
  return id;
}

/** Measuring sessions and their readings. A tablet may send everything again: what is kept stays as it is. */
export function sessionRoutes(deps: Deps): Hono<Env> {
  return new Hono<Env>()
    .get('/sessions/:id', needs('session.read'), async (c) => {
      const session = await readSession(deps.pool, uuidParam(c));
      if (!session) throw notFound('session');
      return c.json(session);
    })
    .get('/clients/:clientId/earlier', needs('session.read'), async (c) => {
      const except = c.req.query('except');
      const clientId = Number(c.req.param('clientId'));
      if (!Number.isSafeInteger(clientId)) throw notFound('client');
      return c.json(
        await earlierSessions(
          deps.pool,
          clientId,
          except && z.uuid().safeParse(except).success ? except : null,
        ),
      );
    })
    .post('/readings', needs('session.write'), async (c) => {
      const { session, readings } = await body(c, Readings);
      const who = c.get('who');
      const kept = await inTransaction(deps.pool, async (tx) => {
        const client = await readClient(tx, session.clientId);
        if (!client)
          throw new Refusal(422, 'no-such-client', 'The client of this session is not in the book.');
        if (client.minor && !session.guardian.trim())
          throw new Refusal(
            422,
            'guardian',
            'The client is a minor: name the guardian who is present before measuring.',
          );
        if (session.orderId !== null) {
          const order = await readOrder(tx, session.orderId);
          if (!order || order.clientId !== session.clientId)
            throw new Refusal(422, 'no-such-order', 'This session names an order that is not this client’s.');
        }
        await addSession(tx, session, who);
        const held = await readSession(tx, session.id);
        if (held!.clientId !== session.clientId)
          throw new Refusal(422, 'other-client', 'A session with this id belongs to another client.');
        await addReadings(tx, session.id, readings, held!.measurer, who);
        return readSession(tx, session.id);
      });
      return c.json(kept);
    });
}
