import { type PlanAccept, timesOf } from '@rocchetto/contract';
import { dayIn } from '@rocchetto/core';
import { ofTable, workStepOf } from '@rocchetto/core/plan/past.ts';
import { Hono } from 'hono';
import { isTaken } from '../../db/error-kinds.ts';
import { remember } from '../../db/history.ts';
import type { Db, Tx } from '../../db/pool.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { conflict, HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { addBench } from '../../records/diary/bench.ts';
import { kindOf } from '../../records/diary/book.ts';
import { bookAppointment } from '../../records/diary/book-appointment.ts';
import { readRules, readWork } from '../../records/diary/hours.ts';
import { houseBench } from '../../records/house.ts';
import { readOrder, refuseCancelled } from '../../records/orders.ts';
import { threadsFor } from '../../threads/pool.ts';
import { glances } from './glance.ts';
import type { PlanJobs } from './jobs.ts';
import { giveStep, keepChoices, type PlanRow, readPlan, stampOf, tookOf } from './sql.ts';
import { TEXTS } from './texts.ts';
import { pastFrom, viewPlan } from './view.ts';

const inThread = threadsFor<PlanJobs>();

/** The table of times as the studio has it. */
async function houseTimes(db: Db) {
  const { bench, unit } = await houseBench(db);
  return timesOf(bench, unit);
}

/** What can be promised of an order, how its work goes, and what of the plan is taken into bench and diary. */
export function planRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /orders/:id/plan', async (c) => viewPlan(deps.pool, idParam(c, 'order'), deps.now()));

  on(app, 'GET /plan-past', async (_c) =>
    pastFrom(await tookOf(deps.pool), await houseTimes(deps.pool)).map(({ factors: _, ...p }) => p),
  );

  const glance = glances(deps, () =>
    inThread({ kind: 'figures', person: 0 }, 'promises', deps.url, {}, deps.now().toISOString()),
  );
  on(app, 'GET /promises/broken', async () => {
    const { today, orders } = await glance();
    return { today, orders: orders.filter((o) => o.holds === 'no' || o.broken.length > 0) };
  });
  on(app, 'GET /promises', async (c, { query }) => {
    const asked = { kind: 'figures', person: c.get('who').id, latest: true } as const;
    return await inThread(asked, 'promises', deps.url, query, deps.now().toISOString());
  });

  on(app, 'PUT /orders/:id/plan', (c, { body: { version, choices } }) => {
    const id = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, id, true))) throw notFound('order');
      kindOf((await readRules(tx)).rules.kinds, choices.fittingKind);
      const before = (await readPlan(tx, id))!;
      if (before.version !== version) throw conflict(before.choices, choices);
      const by = c.get('who').id;
      const now = await keepChoices(tx, id, choices, by, deps.now());
      await remember(tx, 'order', id, by, 'plan changed', before.choices ?? undefined, choices);
      return { body: { version: now }, changed: [['order', id, 0]] };
    });
  });

  on(app, 'POST /orders/:id/plan/accept', async (c, { body }) => {
    const id = idParam(c, 'order');
    try {
      return await once(c, deps, async (tx) => {
        const order = await readOrder(tx, id, true);
        if (!order) throw notFound('order');
        refuseCancelled(order);
        if (body.work.length + body.meetings.length === 0)
          throw new HttpError(422, 'nothing-chosen', TEXTS.nothingChosen);
        // Two hands at once, or two presses: the second sees what the first took.
        if (stampOf((await readPlan(tx, id))!) !== body.stamp)
          throw new HttpError(409, 'given-meanwhile', TEXTS.givenMeanwhile);
        const by = c.get('who').id;
        await giveWork(tx, deps, id, body.work, await readPlan(tx, id));
        for (const m of body.meetings) {
          const { kind, minutes, slot } = m;
          const times = { kind, minutes, slots: [slot], heldUntil: null, whoComes: '', bring: '', note: '' };
          await bookAppointment(tx, deps.now(), { ...times, clientId: order.clientId, orderId: id }, by);
        }
        await remember(tx, 'order', id, by, 'plan taken up', undefined, body);
        return {
          body: { work: body.work.length, meetings: body.meetings.length },
          changed: [
            ['diary', 0, 0],
            ['order', id, 0],
          ],
        };
      });
    } catch (error) {
      if (!isTaken(error)) throw error;
      throw new HttpError(409, 'taken', TEXTS.taken);
    }
  });
  return app;
}

async function giveWork(
  tx: Tx,
  deps: Deps,
  id: number,
  work: PlanAccept['work'],
  plan: PlanRow | undefined,
): Promise<void> {
  const times = await houseTimes(tx);
  const byHand = new Set(plan?.choices?.own.map((o) => o.id));
  const { zone } = await readRules(tx);
  const today = dayIn(zone, deps.now());
  for (const { step, ...w } of work) {
    if (w.day < today) throw new HttpError(422, 'past', TEXTS.past);
    if (!(await readWork(tx, w.staffId))) throw new HttpError(422, 'no-such-staff', TEXTS.noSuchStaff);
    const made = await addBench(tx, id, w);
    const kind = byHand.has(step) ? null : workStepOf(step);
    await giveStep(tx, made, step, kind && ofTable(kind, times));
  }
}
