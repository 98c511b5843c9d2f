import {
  heldBack,
  may,
  type OrderAlterations,
  type PointView,
  type Role,
  TARGET_TOLERANCE,
  toAsked,
  toCm,
} from '@rocchetto/contract';
import {
  type DrawingView,
  drawGarment,
  insideOf,
  printDate,
  printSheet,
  type Sheet,
  type SheetUnit,
  tell,
} from '@rocchetto/core';
import {
  alike,
  CannotAlter,
  type DrawnPanel,
  findGarmentKind,
  findKind,
  finishedPoints,
  type Halves,
  inTheWay,
  stands,
  tryAlteration,
} from '@rocchetto/core/alter/index.ts';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Db, Tx } from '../../db/pool.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once, type Reply } from '../../http/once.ts';
import { conflict, notFound, Refusal } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import {
  addAlteration,
  addHandOver,
  addPoint,
  addStep,
  alterationsOfOrder,
  broughtIn,
  countPins,
  handOvers,
  holdAlteration,
  isHandedOver,
  isOfOrder,
  openAlterations,
  pinsOf,
  pointsRead,
  seenBy,
  takeBack,
  touch,
  writeAsked,
  writeBox,
  writeBoxes,
} from '../../records/alterations.ts';
import { questionsOf } from '../../records/design.ts';
import { houseBench, readHouse } from '../../records/house.ts';
import { leavingView } from '../../records/leaving.ts';
import { madeSheet } from '../../records/made-sheet.ts';
import { readOrder } from '../../records/orders.ts';
import { threadsFor } from '../../threads/pool.ts';
import type { AlterationJobs } from './jobs.ts';
import { prepared, takeStep, targetsOf } from './service.ts';

const inThread = threadsFor<AlterationJobs>();

/** Alterations from the asking to the check, and the bench they are worked at. */
export function alterationRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();

  on(app, 'GET /orders/:id/alterations', async (c, { role }) => {
    const id = idParam(c, 'order');
    if (!(await readOrder(deps.pool, id))) throw notFound('order');
    const all = await told(deps.pool, id, deps.now());
    return { ...all, alterations: all.alterations.map((a) => seenBy(role, a)) };
  });

  on(app, 'POST /orders/:id/alterations', (c, { body }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, orderId, true))) throw notFound('order');
      if (body.appointmentId !== null && !(await isOfOrder(tx, body.appointmentId, orderId)))
        throw new Refusal(422, 'other-appointment', 'This appointment does not belong to the order.');
      const since = await isHandedOver(tx, orderId);
      if (since !== null)
        throw new Refusal(
          409,
          'handed-over',
          `This garment was handed over on ${printDate(since.slice(0, 10))}. Take it back in with the reason, then ask.`,
        );
      const { boxes, targets } = await prepared(tx, orderId, body.asked, deps.now(), null);
      const by = c.get('who').id;
      const { bench } = await houseBench(tx);
      const minutes = bench.kinds[body.asked.kind]?.minutes ?? findKind(body.asked.kind)!.minutes;
      const id = await addAlteration(tx, { orderId, by, minutes, targets, ...body });
      await writeBoxes(tx, id, boxes);
      await addStep(tx, id, by, deps.now(), 'asked', { words: '' });
      await remember(tx, 'order', orderId, by, 'alteration asked for', undefined, { id, ...body.asked });
      return kept(orderId, { id, version: 1 });
    });
  });

  on(app, 'PUT /alterations/:id', (c, { role, body: { version, asked } }) => {
    const id = idParam(c, 'alteration');
    return once(c, deps, async (tx) => {
      const before = await held(tx, { id, version, role }, asked);
      if (before.status !== 'asked')
        throw new Refusal(
          409,
          'agreed',
          'What was agreed stays as it is. Withdraw it with the reason, and ask for the new one.',
        );
      const { boxes, targets } = await prepared(tx, before.orderId, asked, deps.now(), id);
      await writeAsked(tx, id, asked, targets);
      await writeBoxes(tx, id, boxes);
      await touch(tx, id);
      await addStep(tx, id, c.get('who').id, deps.now(), 'changed', { words: '' });
      await remember(tx, 'order', before.orderId, c.get('who').id, 'alteration changed', before.asked, asked);
      return kept(before.orderId, { id, version: version + 1 });
    });
  });

  on(app, 'POST /alterations/:id/steps', (c, { role, body: { version, step } }) => {
    const id = idParam(c, 'alteration');
    return once(c, deps, async (tx) => {
      const a = await held(tx, { id, version, role }, step);
      await takeStep(tx, a, step, { who: c.get('who'), role, now: deps.now() });
      await remember(tx, 'order', a.orderId, c.get('who').id, `alteration: ${step.step}`, undefined, {
        id,
        ...step,
      });
      // What is given, taken back or done moves somebody's day.
      return kept(a.orderId, { id, version: version + 1 }, true);
    });
  });

  // A tick has no version: two hands tick two pieces at once, and neither is told to look again.
  on(app, 'POST /alterations/:id/boxes', (c, { body: { box, to, reason } }) => {
    const id = idParam(c, 'alteration');
    return once(c, deps, async (tx) => {
      const a = await holdAlteration(tx, id);
      if (!a) throw notFound('alteration');
      if (a.status !== 'agreed' && a.status !== 'in-work')
        throw new Refusal(
          409,
          'not-at-the-bench',
          'Pieces are ticked while the work is agreed and not yet done.',
        );
      const who = c.get('who').id;
      const at = { doneAt: to === 'done' ? deps.now() : null, doneBy: to === 'done' ? who : null };
      if (!(await writeBox(tx, id, box, { ...at, struck: to === 'struck' ? reason : null })))
        throw new Refusal(422, 'no-such-piece', 'This alteration touches no such piece.');
      if (to === 'struck') await addStep(tx, id, who, deps.now(), 'struck', { words: reason, box });
      return kept(a.orderId, { id, version: a.version });
    });
  });

  on(app, 'POST /orders/:id/pins', (c, { body: { way, pins } }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, orderId, true))) throw notFound('order');
      await countPins(tx, orderId, way, pins, c.get('who').id, deps.now());
      return kept(orderId, { pins: await pinsOf(tx, orderId) });
    });
  });

  on(app, 'POST /orders/:id/points', (c, { role, body: { readings, accepted } }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, orderId, true))) throw notFound('order');
      if (accepted && !may(role, 'alter.accept'))
        throw new Refusal(
          403,
          'not-yours',
          'A fitter or the principal accepts what lies outside its tolerance.',
        );
      const points = new Map((await told(tx, orderId, deps.now())).points.map((p) => [p.id, p]));
      const by = c.get('who').id;
      for (const [id, written] of Object.entries(readings)) {
        const p = points.get(id);
        if (!p)
          throw new Refusal(422, 'no-such-point', 'One of the readings is of nothing that this garment has.');
        const within = p.target === null || Math.abs(toCm(written) - p.target) <= (p.tolerance ?? 0) + 1e-9;
        const stands =
          within || !accepted
            ? { acceptedBy: '', reason: '' }
            : { acceptedBy: accepted.name, reason: accepted.reason };
        await addPoint(
          tx,
          orderId,
          { point: id, written, target: p.target, tolerance: p.tolerance, within, ...stands },
          by,
          deps.now(),
        );
      }
      await remember(tx, 'order', orderId, by, 'garment measured', undefined, { readings, accepted });
      return kept(orderId, { ok: true });
    });
  });

  on(app, 'POST /orders/:id/hand-over', (c, { body: { clientName } }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, orderId, true))) throw notFound('order');
      if ((await isHandedOver(tx, orderId)) !== null)
        throw new Refusal(409, 'handed-over', 'This garment is handed over already.');
      const { inTheWay: open, cautions } = await told(tx, orderId, deps.now());
      if (open.length > 0)
        throw new Refusal(409, 'in-the-way', `Before it is handed over: ${open[0]}`, { problems: open });
      await addHandOver(tx, orderId, c.get('who').id, deps.now(), clientName, cautions);
      await remember(tx, 'order', orderId, c.get('who').id, 'handed over', undefined, { clientName });
      return kept(orderId, { ok: true });
    });
  });
  on(app, 'POST /orders/:id/take-back', (c, { body: { reason } }) => {
    const orderId = idParam(c, 'order');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, orderId, true))) throw notFound('order');
      if (!(await takeBack(tx, orderId, c.get('who').id, deps.now(), reason)))
        throw new Refusal(409, 'in-the-house', 'This garment is in the house; it was not handed over.');
      await remember(tx, 'order', orderId, c.get('who').id, 'taken back in', undefined, { reason });
      return kept(orderId, { ok: true });
    });
  });

  on(app, 'GET /orders/:id/fitting-record.pdf', async (c, { role }) => {
    const id = idParam(c, 'order');
    const order = await readOrder(deps.pool, id);
    if (!order) throw notFound('order');
    const [all, made, house, questions, leaving] = await Promise.all([
      told(deps.pool, id, deps.now()),
      madeSheet(deps.pool, id, deps.now()),
      readHouse(deps.pool),
      questionsOf(deps.pool, id),
      leavingView(deps.pool, id, deps.now()),
    ]);
    if (!leaving) throw notFound('order');
    const unit = made?.sheet.input.house.rounding.unit ?? 'cm';
    const pdf = await inThread({ kind: 'paper', person: c.get('who').id }, 'fittingRecord', {
      ...all,
      alterations: all.alterations.map((a) => seenBy(role, a)),
      questions,
      leaving,
      studio: house.studio,
      timeZone: house.timeZone,
      number: order.number,
      what: order.what,
      client: order.clientName,
      unit,
      views: made ? viewsOf(made.sheet, unit) : [],
    });
    return c.body(new Uint8Array(pdf), 200, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="fitting-record-${order.number}.pdf"`,
    });
  });

  on(
    app,
    'GET /bench',
    async (_c, { query }) => await openAlterations(deps.pool, query.staffId ?? null, deps.now()),
  );
  return app;
}

/** What marks lie on: front, back and panels. */
function viewsOf(sheet: Sheet, unit: SheetUnit): DrawingView[] {
  const { views, panels } = drawGarment(sheet, printSheet(sheet, unit));
  return [...views, insideOf(views), panels].filter((v) => v !== null);
}

async function held(
  tx: Tx,
  { id, version, role }: { readonly id: number; readonly version: number; readonly role: Role },
  mine: unknown,
) {
  const a = await holdAlteration(tx, id);
  if (!a) throw notFound('alteration');
  if (a.version !== version) throw conflict(seenBy(role, a), mine);
  return a;
}

/** @param diary whether somebody's day or what an appointment waits for changed with it */
const kept = <const A>(orderId: number, body: A, diary = false): Reply<A> => ({
  body,
  changed: [['alterations', orderId, 0], ...(diary ? [['diary', 0, 0] as const] : [])],
});

/** A reading of the finished garment as it is shown: against what it lay is the point’s own. */
const readingView = (r: Found | undefined): PointView['reading'] =>
  r
    ? {
        written: r.written,
        within: r.within,
        acceptedBy: r.acceptedBy,
        reason: r.reason,
        by: r.by,
        at: r.at,
      }
    : null;
type Found = NonNullable<ReturnType<Awaited<ReturnType<typeof pointsRead>>['get']>>;

/** An order’s alterations, each drawn on the panels as they are made by then. */
async function told(db: Db, orderId: number, now: Date): Promise<OrderAlterations> {
  const alterations = await alterationsOfOrder(db, orderId);
  const made = await madeSheet(db, orderId, now);
  const drawn: Record<number, readonly DrawnPanel[]> = {};
  let by: Halves | null = null;
  if (made) {
    by = alike(made.sheet.panels);
    for (const a of alterations) {
      // What went into the sheet is on its panels already.
      if (a.status === 'declined' || a.status === 'withdrawn' || a.status === 'in-sheet') continue;
      const asked = toAsked(a.asked);
      try {
        const trial = tryAlteration(made.sheet, by, asked, false);
        drawn[a.id] = trial.drawn;
        if (stands(a.status)) by = trial.applied;
      } catch (error) {
        // A later revision of the sheet may have no such seam; the words still tell what was agreed.
        if (!(error instanceof CannotAlter)) throw error;
      }
    }
  }
  const came = await broughtIn(db, orderId);
  const read = by || came ? await pointsRead(db, orderId) : null;
  const asItCame = came ? (findGarmentKind(came.kind)?.points ?? []) : [];
  const agreed = new Map(made ? finishedPoints(alike(made.sheet.panels)).map((p) => [p.id, p.target]) : []);
  const points = (by ? finishedPoints(by) : []).map((p): PointView => {
    const found = read?.get(p.id);
    // A reading of before an alteration says nothing of what the garment is now.
    const still = found && found.target !== null && Math.abs(found.target - p.target) < 0.01 ? found : null;
    return {
      id: p.id,
      name: p.name,
      target: p.target,
      tolerance: TARGET_TOLERANCE[p.kind],
      agreed: agreed.get(p.id) ?? null,
      required: p.kind === 'girth',
      reading: still && readingView(still),
    };
  });
  const pins = await pinsOf(db, orderId);
  const of = alterations.map((a) => ({
    status: a.status,
    name: findKind(a.asked.kind)?.name ?? a.asked.kind,
  }));
  const unit = made?.sheet.input.house.rounding.unit ?? 'cm';
  const targets = targetsOf(alterations, made?.sheet ?? null);
  return {
    alterations: alterations.map((a) => ({ ...a, targets: targets(a) })),
    drawn,
    broughtIn: came ?? null,
    pins,
    points: [
      ...points,
      ...asItCame.map(
        (p): PointView => ({
          ...p,
          target: null,
          agreed: null,
          tolerance: null,
          required: false,
          reading: readingView(read?.get(p.id)),
        }),
      ),
    ],
    handOvers: await handOvers(db, orderId),
    // What was brought in, or has no sheet, was never cut here.
    inTheWay: inTheWay({
      undecided: heldBack(await questionsOf(db, orderId), 'hand-over'),
      alterations: of,
      pins,
      cut: made?.cut ?? true,
      points: points.map(({ name, required, reading: r }) => ({
        name,
        required,
        state: r === null ? 'open' : r.within ? 'within' : r.acceptedBy ? 'accepted' : 'outside',
      })),
    }),
    cautions: (made?.sheet.cautions ?? []).map((k) => tell(k.sentence, unit)),
  };
}
