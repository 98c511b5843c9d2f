import type { BenchKept, BenchWork, BenchWrite } from '@rocchetto/contract';
import { dayIn } from '@rocchetto/core';
import { loadOf, overloadWords } from '@rocchetto/core/diary/load.ts';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { once, type Reply } from '../../http/once.ts';
import { conflict, HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { orderExists } from '../../records/diary/ahead.ts';
import { isClient } from '../../records/diary/appointments.ts';
import {
  addBench,
  addClientAway,
  benchMinutes,
  doneBench,
  dropBench,
  dropClientAway,
  holdBench,
  writeBench,
} from '../../records/diary/bench.ts';
import { readBook } from '../../records/diary/book.ts';
import { readRules, readWork } from '../../records/diary/hours.ts';
import { TEXTS } from './texts.ts';

/** Work promised at the bench, and the days on which a client cannot come: what a time is found around. */
export function benchRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();

  on(app, 'POST /orders/:id/bench', (c, { body }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await orderExists(tx, orderId))) throw notFound('order');
      const says = await check(tx, deps, body);
      const id = await addBench(tx, orderId, body);
      await remember(tx, 'order', orderId, c.get('who').id, 'bench work scheduled', undefined, {
        id,
        ...body,
      });
      return kept(orderId, { id, version: 1, says: await says() });
    });
  });

  on(app, 'PUT /bench/:id', (c, { body: { version, ...body } }) =>
    changed(c, deps, version, body, 'bench work changed', async (tx, id) => {
      const says = await check(tx, deps, body);
      await writeBench(tx, id, body);
      return says();
    }),
  );

  on(app, 'POST /bench/:id/done', (c, { body: { version, done, took } }) =>
    changed(
      c,
      deps,
      version,
      { done, took },
      done ? 'bench work done' : 'bench work not done',
      async (tx, id) => {
        await doneBench(tx, id, done ? deps.now() : null, c.get('who').id, took);
        return null;
      },
    ),
  );

  on(app, 'DELETE /bench/:id', (c) => {
    const id = idParam(c, 'bench work');
    return once(c, deps, async (tx) => {
      const work = await holdBench(tx, id);
      if (!work) throw notFound('bench work');
      throwLinked(work);
      await dropBench(tx, id, deps.now());
      await remember(tx, 'order', work.orderId, c.get('who').id, 'bench work removed', work, undefined);
      return kept(work.orderId, { id, version: work.version + 1, says: null });
    });
  });

  on(app, 'POST /clients/:id/away', (c, { body }) => {
    const clientId = idParam(c, 'client');
    return once(c, deps, async (tx) => {
      if (!(await isClient(tx, clientId))) throw notFound('client');
      const id = await addClientAway(tx, clientId, body);
      await remember(tx, 'client', clientId, c.get('who').id, 'client unavailable', undefined, body);
      return { body: { id }, changed: [['client', clientId, 0]] };
    });
  });
  on(app, 'DELETE /client-away/:id', (c) => {
    const id = idParam(c, 'days away');
    return once(c, deps, async (tx) => {
      const clientId = await dropClientAway(tx, id);
      if (clientId === undefined) throw notFound('days away');
      await remember(tx, 'client', clientId, c.get('who').id, 'client available again', undefined, undefined);
      return { body: { ok: true }, changed: [['client', clientId, 0]] };
    });
  });
  return app;
}

/** Work on an alteration is changed and ticked where its pieces are. */
function throwLinked(w: BenchWork): void {
  if (w.alterationId !== null) throw new HttpError(409, 'alteration', TEXTS.alteration);
}

const kept = (orderId: number, body: BenchKept): Reply<BenchKept> => ({
  body,
  changed: [
    ['diary', 0, 0],
    ['order', orderId, 0],
  ],
});

function changed(
  c: Ctx,
  deps: Deps,
  version: number,
  mine: unknown,
  did: string,
  work: (tx: Tx, id: number) => Promise<string | null>,
) {
  const id = idParam(c, 'bench work');
  return once(c, deps, async (tx) => {
    const before = await holdBench(tx, id);
    if (!before) throw notFound('bench work');
    if (before.version !== version) throw conflict(before, mine);
    throwLinked(before);
    const says = await work(tx, id);
    await remember(tx, 'order', before.orderId, c.get('who').id, did, before, mine);
    return kept(before.orderId, { id, version: version + 1, says });
  });
}

/** Whether it can be promised at all; the answer tells, once it is kept, what it asks of the day. @throws HttpError 422 */
async function check(tx: Tx, deps: Deps, w: BenchWrite): Promise<() => Promise<string | null>> {
  const { zone, dateOrder, rules } = await readRules(tx);
  const today = dayIn(zone, deps.now());
  if (w.day < today) throw new HttpError(422, 'past', TEXTS.past);
  if (!(await readWork(tx, w.staffId))) throw new HttpError(422, 'no-such-staff', TEXTS.noSuchStaff);
  return async () => {
    const book = await readBook(tx, zone, rules, [w.day, w.day]);
    const hand = book.staff.find((s) => s.id === w.staffId)!;
    const load = loadOf(hand.works, hand.busy, await benchMinutes(tx, w.staffId, w.day));
    return overloadWords(hand.name, w.day, today, load, dateOrder);
  };
}
