import {
  type AlterationView,
  type AskedWire,
  may,
  ROLE_WORD,
  type Role,
  type StepBefore,
  type StepWire,
  TARGET_TOLERANCE,
  type Target,
  toAsked,
  toCm,
} from '@rocchetto/contract';
import { handUnit } from '@rocchetto/contract/alterations.ts';
import {
  dayIn,
  formatSentence,
  printDate,
  readLength,
  type Sheet,
  type SheetUnit,
  say,
} from '@rocchetto/core';
import {
  ALTERATION_STEPS,
  asMade,
  type Box,
  CannotAlter,
  findGarmentKind,
  findKind,
  genericBoxes,
  mayStep,
  measuredBy,
  STATE_WORD,
  stands,
  tryAlteration,
  UNDONE_BY_ONE_KEY,
} from '@rocchetto/core/alter/index.ts';
import type { Tx } from '../../db/pool.ts';
import type { SignedIn } from '../../http/context.ts';
import { HttpError } from '../../http/problem.ts';
import {
  addStep,
  alterationsOfOrder,
  beginWork,
  broughtIn,
  endWork,
  isAtWork,
  isHandedOver,
  openBoxes,
  promise,
  promiseKept,
  workingOn,
  writeAsked,
  writeBoxes,
  writeState,
} from '../../records/alterations.ts';
import { readHouse } from '../../records/house.ts';
import { madeSheet } from '../../records/made-sheet.ts';
import { TEXTS } from './texts.ts';

/** What asking does to this garment: its boxes and what is measured again. @throws HttpError 422 when it cannot be made */
export async function prepared(
  tx: Tx,
  orderId: number,
  asked: AskedWire,
  now: Date,
  except: number | null,
): Promise<{ readonly boxes: readonly Box[]; readonly targets: readonly Target[] }> {
  const made = await madeSheet(tx, orderId, now);
  const kind = findKind(asked.kind)!;
  const whole = (): readonly Box[] => [
    {
      id: 'whole',
      panel: '',
      piece: kind.opens[0] ?? kind.name,
      layer: 'outer',
      seam: kind.name,
      side: asked.side,
      edges: 1,
      each: null,
      even: true,
    },
  ];
  const came = made ? undefined : await broughtIn(tx, orderId);
  if (came) {
    const garment = { kind: findGarmentKind(came.kind)!, lined: came.lined };
    const boxes = possible(handUnit(asked) ?? (await readHouse(tx)).unit, () =>
      genericBoxes(garment, toAsked(asked)),
    );
    return { boxes: boxes.length > 0 ? boxes : whole(), targets: [] };
  }
  // What is not measured yet has no panels to try it on: it is kept in words, and worked out when it is agreed.
  if (!made || made.sheet.panels.length === 0 || kind.moves.length === 0)
    return { boxes: whole(), targets: [] };
  const standing = (await alterationsOfOrder(tx, orderId)).filter((a) => a.id !== except && stands(a.status));
  const { applied, effect } = possible(handUnit(asked) ?? made.sheet.input.house.rounding.unit, () =>
    tryAlteration(
      made.sheet,
      asMade(
        made.sheet,
        standing.map((a) => toAsked(a.asked)),
      ),
      toAsked(asked),
      made.cut,
    ),
  );
  return {
    boxes: applied.boxes,
    targets: firstOfEach(effect.moved).map(({ id, name, kind: of, after }) => ({
      id,
      name,
      target: after,
      tolerance: TARGET_TOLERANCE[of],
    })),
  };
}

/** Of a measure that differs left and right the side that moved more, which comes first. */
const firstOfEach = <T extends { readonly id: string }>(list: readonly T[]): T[] =>
  list.filter((m, i) => list.findIndex((x) => x.id === m.id) === i);

/** The unit that a length was written in. */
const unitOfText = (text: string): SheetUnit => {
  const read = readLength(text, 'cm');
  return read.ok && read.written.unit === 'in' ? 'in' : 'cm';
};

/** What the cloth can give; what it cannot is refused in its sentence. */
function possible<T>(unit: SheetUnit, make: () => T): T {
  try {
    return make();
  } catch (error) {
    if (!(error instanceof CannotAlter)) throw error;
    throw new HttpError(422, 'cannot-alter', formatSentence(error.message, unit));
  }
}

/**
 * What done work should measure now: alone it moved less than together with the others that are done. Answers for each
 * alteration of an order; what all of them make is worked out once.
 */
export function targetsOf(
  all: readonly AlterationView[],
  sheet: Pick<Sheet, 'panels' | 'left'> | null,
): (a: AlterationView) => readonly Target[] {
  let by: ReadonlyMap<string, number> | null = null;
  return (a) => {
    if (!sheet || a.status !== 'done') return a.targets;
    by ??= measuredBy(
      asMade(
        sheet,
        all.filter((x) => MADE.includes(x.status)).map((x) => toAsked(x.asked)),
      ),
    );
    return a.targets.map((t) => ({ ...t, target: by!.get(t.id) ?? t.target }));
  };
}
const MADE: readonly AlterationView['status'][] = ['done', 'checked', 'accepted'];

/** What a role needs for a step, beyond working at the bench. */
const NEEDS_MORE: Partial<Record<StepWire['step'], 'alter.ask' | 'alter.accept'>> = {
  agree: 'alter.ask',
  decline: 'alter.ask',
  withdraw: 'alter.ask',
  'ask-again': 'alter.ask',
  accept: 'alter.accept',
};

const no = (code: string, sentence: string) => new HttpError(409, code, sentence);

/** Takes one step of an alteration whose row is held. @throws HttpError 403, 409, 422 */
export async function takeStep(
  tx: Tx,
  a: AlterationView,
  w: StepWire,
  { who, role, now }: { readonly who: SignedIn; readonly role: Role; readonly now: Date },
): Promise<void> {
  const more = NEEDS_MORE[w.step];
  if (more && !may(role, more)) throw new HttpError(403, 'not-yours', TEXTS.notOpenToRole(ROLE_WORD[role]));
  if (!mayStep(w.step, a.status))
    throw no('not-now', TEXTS.notNow(STATE_WORD[a.status], ALTERATION_STEPS[w.step].word));
  const to = ALTERATION_STEPS[w.step].to ?? a.status;
  const fields = {
    status: to,
    price: a.price,
    neededOn: a.neededOn,
    staffId: a.staffId,
    minutes: a.minutes,
    agreedName: a.agreedName,
    doneBy: a.doneById,
  };
  const kept = (more: Partial<typeof fields> = {}) => writeState(tx, a.id, { ...fields, ...more });
  const before = UNDONE_BY_ONE_KEY.includes(w.step)
    ? { before: { status: a.status, staffId: a.staffId, doneBy: a.doneById } satisfies StepBefore }
    : {};
  const told = (words: string, more: object = {}) =>
    addStep(tx, a.id, who.id, now, w.step, { words, ...before, ...more });
  switch (w.step) {
    case 'agree': {
      // What others agreed to meanwhile counts: it is worked out on the garment as it is by now.
      const { boxes, targets } = await prepared(tx, a.orderId, a.asked, now, a.id);
      await writeAsked(tx, a.id, a.asked, targets);
      await writeBoxes(tx, a.id, boxes);
      await kept({ agreedName: w.name, price: w.price, neededOn: w.neededOn });
      await told(
        [`by ${w.name}`, w.neededOn && `needed on ${printDate(w.neededOn, (await readHouse(tx)).dateOrder)}`]
          .filter(Boolean)
          .join(', '),
        w.price === null ? {} : { price: w.price },
      );
      return;
    }
    case 'decline':
    case 'withdraw':
      await endWork(tx, a.id, now);
      await promise(tx, { id: a.id, orderId: a.orderId, what: a.sentence, at: now }, null);
      await kept();
      await told(w.reason);
      return;
    case 'ask-again':
      if ((await isHandedOver(tx, a.orderId)) !== null) throw no('handed-over', TEXTS.handedOver);
      await kept({ agreedName: '' });
      await told(w.reason);
      return;
    case 'assign':
      return assign(tx, a, w, { who, role, now, kept, told });
    case 'start': {
      const on = await workingOn(tx, who.id);
      if (on) throw no('busy', TEXTS.busy(on.orderNumber));
      if (a.staffId !== null && a.staffId !== who.id && !may(role, 'alter.accept'))
        throw no('given-away', TEXTS.givenAway(a.staffName!));
      await beginWork(tx, a.id, who.id, now);
      await kept({ staffId: a.staffId ?? who.id });
      await told('');
      return;
    }
    case 'pause':
      await endWork(tx, a.id, now);
      await kept();
      await told(w.note);
      return;
    case 'finish': {
      const open = a.boxes.filter((b) => b.doneAt === null && b.struck === null);
      if (open.length > 0)
        throw new HttpError(
          409,
          'boxes-open',
          TEXTS.boxesOpen(
            open.length === 1 ? 'One piece is' : `${open.length} pieces are`,
            open.map((b) => b.piece).join(', '),
          ),
        );
      await endWork(tx, a.id, now);
      await kept({ doneBy: who.id, staffId: a.staffId ?? who.id });
      await told(w.note);
      return;
    }
    case 'check':
      return check(a, w, { tx, who, now, kept, told });
    case 'back':
      await openBoxes(tx, a.id);
      await kept({ doneBy: null });
      await told(w.reason);
      return;
    case 'accept':
      await promiseKept(tx, a.id, now, who.id);
      await kept();
      await told(`by ${w.name}, ${w.reason}`);
      return;
  }
}

interface Doing {
  readonly who: SignedIn;
  readonly now: Date;
  readonly kept: (more?: Partial<Parameters<typeof writeState>[2]>) => Promise<unknown>;
  readonly told: (words: string, more?: object) => Promise<unknown>;
}

/** Gives it to somebody, for a day or for whenever they come to it. A bench hand gives it to nobody but themselves. */
async function assign(
  tx: Tx,
  a: AlterationView,
  w: Extract<StepWire, { step: 'assign' }>,
  { who, role, now, kept, told }: Doing & { readonly role: Role },
): Promise<void> {
  const own = w.staffId === who.id && (a.staffId === null || a.staffId === who.id);
  if (!may(role, 'alter.ask') && !own) throw new HttpError(403, 'not-yours', TEXTS.onlyAssignersAssign);
  const name = w.staffId === null ? null : await isAtWork(tx, w.staffId);
  if (name === undefined) throw new HttpError(422, 'no-such-staff', TEXTS.noSuchStaff);
  if (w.staffId === null && w.day !== null) throw new HttpError(422, 'day-of-nobody', TEXTS.dayOfNobody);
  const { timeZone, dateOrder, unit } = await readHouse(tx);
  if (w.day !== null && w.day < dayIn(timeZone, now)) throw new HttpError(422, 'past', TEXTS.past);
  const minutes = w.minutes ?? a.minutes;
  await promise(
    tx,
    {
      id: a.id,
      orderId: a.orderId,
      what: formatSentence(a.sentence, handUnit(a.asked) ?? unit)
        .replace(/\.$/, '')
        .slice(0, 200),
      at: now,
    },
    w.staffId !== null && w.day !== null
      ? { staffId: w.staffId, day: w.day, minutes: Math.max(5, Math.min(720, minutes)) }
      : null,
  );
  await kept({ staffId: w.staffId, minutes });
  await told(
    `${name ?? 'nobody'}${w.day ? `, ${printDate(w.day, dateOrder)}` : ''}${w.note ? `. ${w.note}` : ''}`,
  );
}

/** Checked by another than who did it, each target measured again within its tolerance. */
async function check(
  a: AlterationView,
  w: Extract<StepWire, { step: 'check' }>,
  { tx, who, now, kept, told }: Doing & { readonly tx: Tx },
): Promise<void> {
  const own = a.doneById === who.id;
  if (own && !(await readHouse(tx)).ownCheck) throw no('own-work', TEXTS.ownWork);
  const made = await madeSheet(tx, a.orderId, now);
  const targets = targetsOf(await alterationsOfOrder(tx, a.orderId), made?.sheet ?? null)(a);
  if (targets.some((t) => w.readings[t.id] === undefined) && w.note === '')
    throw new HttpError(422, 'not-measured', TEXTS.notMeasured(targets.map((t) => t.name).join(', ')));
  const known = new Map(targets.map((t) => [t.id, t]));
  const verdicts = Object.entries(w.readings).map(([id, text]) => {
    const t = known.get(id);
    if (!t) throw new HttpError(422, 'no-such-target', TEXTS.noSuchTarget);
    const off = toCm(text) - t.target;
    return { ...t, text, off, within: Math.abs(off) <= t.tolerance + 1e-9 };
  });
  const outside = verdicts.find((v) => !v.within);
  if (outside)
    throw new HttpError(
      422,
      'outside',
      formatSentence(
        `${outside.name}: ${outside.text} is ${say(Math.abs(outside.off))} ${outside.off > 0 ? 'more' : 'less'} than ${say(outside.target)}, and ${say(outside.tolerance)} is allowed. Send it back with a reason, or accept it by name.`,
        // In the unit of the hand that measured it.
        unitOfText(outside.text),
      ),
    );
  await promiseKept(tx, a.id, now, who.id);
  await kept();
  const read = verdicts.map((v) => `${v.name} ${v.text} (${say(v.target)})`).join('; ');
  await told(
    [read, w.note, own ? 'own work, checked by the one who did it' : ''].filter(Boolean).join('. '),
    { readings: w.readings },
  );
}
