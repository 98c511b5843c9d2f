import { type Settings, type SheetChange, type StepsWire, toAsked, toSheetInput } from '@rocchetto/contract';
import { computeSheet, dayIn, printDate } from '@rocchetto/core';
import {
  type AlterationState,
  asSteps,
  isForSheet,
  mayStep,
  STATE_WORD,
} from '@rocchetto/core/alter/index.ts';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import type { SignedIn } from '../../http/context.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { addStep, endWork, holdAlteration, promise, writeState } from '../../records/alterations.ts';
import { readHouse } from '../../records/house.ts';
import { changeBrief, readOrder } from '../../records/orders.ts';
import { parseGround, sheetGround } from '../../records/sheets.ts';
import { specOfOrder } from '../../records/spec-of-order.ts';
import { TEXTS } from './texts.ts';

interface Doing {
  readonly who: SignedIn;
  readonly now: Date;
}
type Carry = Extract<SheetChange['change'], { kind: 'carry' }>;

/** The alteration, its row held; of this order, and one that changes panels. */
async function held(tx: Tx, orderId: number, id: number) {
  const a = await holdAlteration(tx, id);
  if (!a || a.orderId !== orderId) throw notFound('alteration');
  return a;
}
const state = (tx: Tx, a: Awaited<ReturnType<typeof held>>, status: AlterationState) =>
  writeState(tx, a.id, {
    status,
    price: a.price,
    neededOn: a.neededOn,
    staffId: a.staffId,
    minutes: a.minutes,
    agreedName: a.agreedName,
    doneBy: a.doneById,
  });

/**
 * What was agreed at a fitting goes into the sheet, and nothing of it is left for the bench; or it is left for the bench,
 * as it is. @throws HttpError 404, 409, 422
 */
export async function carry(
  tx: Tx,
  orderId: number,
  s: Settings,
  { alterationId, to }: Carry,
  { who, now, at }: Doing & { readonly at: string },
): Promise<Settings> {
  const a = await held(tx, orderId, alterationId);
  if (!isForSheet(toAsked(a.asked).kind)) throw new HttpError(422, 'not-of-the-sheet', TEXTS.notOfTheSheet);
  if (!mayStep('carry', a.status)) throw new HttpError(409, 'not-now', TEXTS.notNow(STATE_WORD[a.status]));
  if (s.changes.some((c) => c.alterationId === alterationId))
    throw new HttpError(409, 'decided', TEXTS.decided);
  const steps = to === 'block' ? await stepped(tx, orderId, a, { s, now, who }) : null;
  if (to !== 'bench') {
    await endWork(tx, a.id, now);
    await promise(tx, { id: a.id, orderId, what: a.sentence, at: now }, null);
    await state(tx, a, 'in-sheet');
  }
  const words =
    to === 'sheet'
      ? `on ${printDate(at.slice(0, 10), (await readHouse(tx)).dateOrder)}`
      : 'left for the bench, when the cloth is cut';
  await addStep(tx, a.id, who.id, now, 'carry', { words });
  return { ...s, changes: [...s.changes, { alterationId, to, asked: a.asked, by: a.agreedName, at, steps }] };
}

/** The steps of a block that say the same as a change; null where none do. */
async function stepsLike(
  tx: Tx,
  orderId: number,
  a: Awaited<ReturnType<typeof held>>,
  { s, now }: { readonly s: Settings; readonly now: Date },
): Promise<StepsWire | null> {
  const ground = parseGround(await sheetGround(tx, orderId, null));
  const spec = specOfOrder(ground, s, dayIn(ground.house.timeZone, now));
  const steps = asSteps(toAsked(a.asked), spec.garment.parts, computeSheet(toSheetInput(spec)).figures);
  return (
    steps?.map(({ step, part, sign }) => ({ step, part, amount: signed(a.asked.amount!, sign), to: '' })) ??
    null
  );
}

/** The steps that say the same go into the brief, from which the client’s own block is kept. @throws HttpError 422 */
async function stepped(
  tx: Tx,
  orderId: number,
  a: Awaited<ReturnType<typeof held>>,
  { s, now, who }: Doing & { readonly s: Settings },
): Promise<StepsWire> {
  const order = await readOrder(tx, orderId, true);
  const steps = await stepsLike(tx, orderId, a, { s, now });
  if (!steps || !order?.brief) throw new HttpError(422, 'no-step', TEXTS.noStep);
  const brief = { ...order.brief, steps: [...order.brief.steps, ...steps] };
  await changeBrief(tx, orderId, brief);
  await remember(tx, 'order', orderId, who.id, 'brief changed', order.brief, brief);
  return steps;
}
const signed = (amount: string, sign: 1 | -1): string => (sign < 0 ? `-${amount}` : amount);

/** What was decided of a change is open again. @throws HttpError 404, 409 */
export async function uncarry(
  tx: Tx,
  orderId: number,
  s: Settings,
  alterationId: number,
  { who, now }: Doing,
): Promise<Settings> {
  const was = s.changes.find((c) => c.alterationId === alterationId);
  if (!was) throw new HttpError(409, 'not-decided', TEXTS.notDecided);
  const a = await held(tx, orderId, alterationId);
  if (was.to === 'block') {
    // Of a change that was kept before its steps were, they are found as they were then.
    const brought = was.steps ?? (await stepsLike(tx, orderId, a, { s, now })) ?? [];
    await unstepped(tx, orderId, brought, who);
  }
  if (a.status === 'in-sheet') {
    await state(tx, a, 'agreed');
    await addStep(tx, a.id, who.id, now, 'uncarry', { words: '' });
  }
  return { ...s, changes: s.changes.filter((c) => c.alterationId !== alterationId) };
}

/** The steps that a change brought leave the brief again; what a hand wrote or changed since stays. */
async function unstepped(tx: Tx, orderId: number, brought: StepsWire, who: SignedIn): Promise<void> {
  const order = await readOrder(tx, orderId, true);
  if (!order?.brief) return;
  const steps = [...order.brief.steps];
  for (const b of brought) {
    // Steps that say the same are the same: which of them goes makes no difference.
    const at = steps.findLastIndex(
      (t) => t.step === b.step && t.part === b.part && t.amount === b.amount && t.to === b.to,
    );
    if (at >= 0) steps.splice(at, 1);
  }
  if (steps.length === order.brief.steps.length) return;
  const brief = { ...order.brief, steps };
  await changeBrief(tx, orderId, brief);
  await remember(tx, 'order', orderId, who.id, 'brief changed', order.brief, brief);
}
