import { type Settings, type SheetChange, toAsked } from '@rocchetto/contract';
import { printDate } from '@rocchetto/core';
import { type AlterationState, isForSheet, mayStep, STATE_WORD } from '@rocchetto/core/alter/index.ts';
import { addStep, endWork, holdAlteration, promise, writeState } from '../alterations/sql.ts';
import type { Tx } from '../db/pool.ts';
import type { SignedIn } from '../http/context.ts';
import { notFound, Refusal } from '../http/problem.ts';

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
 * as it is. @throws Refusal 404, 409, 422
 */
export async function carry(
  tx: Tx,
  orderId: number,
  s: Settings,
  { alterationId, to }: Carry,
  { who, now, at }: Doing & { readonly at: string },
): Promise<Settings> {
  const a = await held(tx, orderId, alterationId);
  if (!isForSheet(toAsked(a.asked).kind))
    throw new Refusal(422, 'not-of-the-sheet', 'This changes no panel: it is work for the bench.');
  if (!mayStep('carry', a.status))
    throw new Refusal(409, 'not-now', `It is ${STATE_WORD[a.status]}; it cannot go into the sheet now.`);
  if (s.changes.some((c) => c.alterationId === alterationId))
    throw new Refusal(409, 'decided', 'This was decided already; open it again first.');
  if (to === 'sheet') {
    await endWork(tx, a.id, now);
    await promise(tx, { id: a.id, orderId, what: a.sentence, at: now }, null);
    await state(tx, a, 'in-sheet');
  }
  const words =
    to === 'sheet' ? `on ${printDate(at.slice(0, 10))}` : 'left for the bench, when the cloth is cut';
  await addStep(tx, a.id, who.id, now, 'carry', { words });
  return { ...s, changes: [...s.changes, { alterationId, to, asked: a.asked, by: a.agreedName, at }] };
}

/** What was decided of a change is open again. @throws Refusal 404, 409 */
export async function uncarry(
  tx: Tx,
  orderId: number,
  s: Settings,
  alterationId: number,
  { who, now }: Doing,
): Promise<Settings> {
  if (!s.changes.some((c) => c.alterationId === alterationId))
    throw new Refusal(409, 'not-decided', 'Nothing was decided of this change.');
  const a = await held(tx, orderId, alterationId);
  if (a.status === 'in-sheet') {
    await state(tx, a, 'agreed');
    await addStep(tx, a.id, who.id, now, 'uncarry', { words: '' });
  }
  return { ...s, changes: s.changes.filter((c) => c.alterationId !== alterationId) };
}
