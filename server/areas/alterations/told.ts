import {
  heldBack,
  type OrderAlterations,
  type PointView,
  TARGET_TOLERANCE,
  toAsked,
} from '@rocchetto/contract';
import { formatSentence } from '@rocchetto/core';
import {
  CannotAlter,
  findGarmentKind,
  findKind,
  finishedPoints,
  type Halves,
  halvesOf,
  inTheWay,
  stands,
  tryAlteration,
} from '@rocchetto/core/alter/index.ts';
import type { DrawnPanel } from '@rocchetto/core/draft/drawn-panel.ts';
import type { Db, Tx } from '../../db/pool.ts';
import type { Reply } from '../../http/once.ts';
import { alterationsOfOrder, broughtIn, handOvers, pinsOf, pointsRead } from '../../records/alterations.ts';
import { questionsOf } from '../../records/design.ts';
import { readHouse } from '../../records/house.ts';
import { madeSheet } from '../../records/made-sheet.ts';
import { settleStage } from '../../records/orders.ts';
import { targetsOf } from './service.ts';

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
export async function told(db: Db, orderId: number, now: Date): Promise<OrderAlterations> {
  const alterations = await alterationsOfOrder(db, orderId);
  const made = await madeSheet(db, orderId, now);
  const drawn: Record<number, readonly DrawnPanel[]> = {};
  let by: Halves | null = null;
  if (made) {
    by = halvesOf(made.sheet);
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
  const agreed = new Map(made ? finishedPoints(halvesOf(made.sheet)).map((p) => [p.id, p]) : []);
  const points = (by ? finishedPoints(by) : []).map((p): PointView => {
    const found = read?.get(p.id);
    const was = agreed.get(p.id);
    // A reading of before an alteration says nothing of what the garment is now.
    const still = found && found.target !== null && Math.abs(found.target - p.target) < 0.01 ? found : null;
    return {
      id: p.id,
      name: p.name,
      target: p.target,
      tolerance: TARGET_TOLERANCE[p.kind],
      agreed: was?.target ?? null,
      inFront: was ? p.front - was.front : null,
      required: p.kind === 'girth',
      reading: still && readingView(still),
    };
  });
  const pins = await pinsOf(db, orderId);
  const of = alterations.map((a) => ({
    status: a.status,
    name: findKind(a.asked.kind)?.name ?? a.asked.kind,
  }));
  const unit = made?.sheet.input.house.rounding.unit ?? (await readHouse(db)).unit;
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
          inFront: null,
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
    cautions: (made?.sheet.cautions ?? []).map((k) => formatSentence(k.sentence, unit)),
  };
}

/** @param diary whether somebody's day or what an appointment waits for changed with it */
export const kept = <const A>(orderId: number, body: A, diary = false): Reply<A> => ({
  body,
  changed: [['alterations', orderId, 0], ...(diary ? [['diary', 0, 0] as const] : [])],
});

/** Whether the garment is ready: nothing stands in the way of handing it over. Asked after each thing that may decide it. */
export async function settled(tx: Tx, orderId: number, now: Date): Promise<void> {
  await settleStage(tx, orderId, (await told(tx, orderId, now)).inTheWay.length === 0);
}
