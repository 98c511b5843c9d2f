import type { AlterationView } from '@rocchetto/contract';
import { ALTERATION_STEPS } from '@rocchetto/core/alter/index.ts';
import type { Tx } from '../../db/pool.ts';
import type { SignedIn } from '../../http/context.ts';
import { HttpError } from '../../http/problem.ts';
import {
  addStep,
  beforeLastStep,
  beginWork,
  dropWork,
  isHandedOver,
  promiseKept,
  resumeWork,
  workingOn,
  writeState,
} from '../../records/alterations.ts';
import { TEXTS } from './texts.ts';

/** What is taken back within this time never was: its minutes go on, or go, ms. */
const AT_ONCE = 60_000;

/**
 * Takes back the last step of an alteration whose row is held, when the same hand took it with one key. It stays in the
 * list of steps, with its undoing after it. @throws HttpError 409
 */
export async function undoStep(
  tx: Tx,
  a: AlterationView,
  { who, now }: { readonly who: SignedIn; readonly now: Date },
): Promise<void> {
  const last = await beforeLastStep(tx, a.id);
  if (!last || last.by !== who.id) throw new HttpError(409, 'nothing-to-undo', TEXTS.nothingToUndo);
  if ((await isHandedOver(tx, a.orderId)) !== null) throw new HttpError(409, 'handed-over', TEXTS.handedOver);
  const { step, before } = last;
  const since = new Date(now.getTime() - AT_ONCE);
  let status = before.status;
  if (step === 'start') await dropWork(tx, a.id, since, now);
  if (step === 'check') await promiseKept(tx, a.id, null, null);
  if ((step === 'pause' || step === 'finish') && before.status === 'in-work') {
    // Whoever has begun something else meanwhile goes on with that.
    if (await workingOn(tx, who.id)) status = 'agreed';
    else if (!(await resumeWork(tx, a.id, who.id, since))) await beginWork(tx, a.id, who.id, now);
  }
  const { price, neededOn, minutes, agreedName } = a;
  const { staffId, doneBy } = before;
  await writeState(tx, a.id, { status, price, neededOn, minutes, agreedName, staffId, doneBy });
  await addStep(tx, a.id, who.id, now, 'undo', { words: `“${ALTERATION_STEPS[step].word}”` });
}
