import {
  decide,
  heldBack,
  NO_SETTINGS,
  type Settings,
  type SheetChange,
  type SpecFile,
  toSheetInput,
  undecided,
} from '@rocchetto/contract';
import { computeSheet, dayIn, formatSentence, openMatters, shownSheet } from '@rocchetto/core';
import { remember } from '../../db/history.ts';
import type { Tx } from '../../db/pool.ts';
import { isTogether } from '../../db/together.ts';
import type { SignedIn } from '../../http/context.ts';
import { conflict, HttpError, notFound } from '../../http/problem.ts';
import { questionsOf } from '../../records/design.ts';
import { readOrder, refuseCancelled } from '../../records/orders.ts';
import { readSession } from '../../records/sessions.ts';
import {
  parseGround,
  readSheet,
  type SheetGround,
  type SheetRecord,
  saveAgreed,
  saveCut,
  saveDraft,
  sheetGround,
} from '../../records/sheets.ts';
import { specOfOrder } from '../../records/spec-of-order.ts';
import { agreedChanges } from './agreed.ts';
import { carry, uncarry } from './carry.ts';
import { TEXTS } from './texts.ts';
import { viewSheet } from './view.ts';

/** All that the order's newest sheet is told from. */
async function groundNow(tx: Tx, orderId: number): Promise<SheetGround> {
  return parseGround(await sheetGround(tx, orderId, null));
}
const specNow = async (tx: Tx, orderId: number, settings: Settings, now: Date): Promise<SpecFile> => {
  const ground = await groundNow(tx, orderId);
  return specOfOrder(ground, settings, dayIn(ground.house.timeZone, now));
};

async function lockedSheet(
  tx: Tx,
  orderId: number,
  version: number,
  mine: unknown,
  now: Date,
): Promise<SheetRecord | undefined> {
  const order = await readOrder(tx, orderId, true);
  if (!order) throw notFound('order');
  refuseCancelled(order);
  const record = await readSheet(tx, orderId);
  if (record?.status === 'cut') throw new HttpError(409, 'already-cut', TEXTS.alreadyCut);
  if ((record?.version ?? 0) !== version) throw conflict(await viewSheet(tx, orderId, null, now), mine);
  return record;
}

/** Makes one change. On an agreed sheet it opens the next revision; the agreed one stays as it is. */
export async function changeSheet(
  tx: Tx,
  orderId: number,
  { version, change }: SheetChange,
  who: SignedIn,
  now: Date,
) {
  const record = await lockedSheet(tx, orderId, version, change, now);
  const before = record?.settings ?? NO_SETTINGS;
  const settings = await applyChange(tx, orderId, before, change, who, now);
  const draft = record?.status === 'draft' || !record;
  const revision = draft ? (record?.revision ?? 1) : record.revision + 1;
  await saveDraft(tx, orderId, revision, version + 1, settings);
  await remember(tx, 'sheet', orderId, who.id, change.kind, before, { revision, change });
}

async function applyChange(
  tx: Tx,
  orderId: number,
  s: Settings,
  change: SheetChange['change'],
  who: SignedIn,
  now: Date,
): Promise<Settings> {
  const stamp = { by: who.name, at: now.toISOString() };
  const sheetWith = async (settings: Settings) =>
    computeSheet(toSheetInput(await specNow(tx, orderId, settings, now)));
  switch (change.kind) {
    case 'override': {
      const set = decide(s, change, stamp);
      const sheet = await sheetWith(set);
      if (!sheet.figures.some((f) => f.id === change.figure))
        throw new HttpError(422, 'no-such-figure', TEXTS.noSuchFigure(change.figure));
      const refused = sheet.refused.find(
        ({ override: o }) => o.figure === change.figure && o.target === change.target,
      );
      if (refused)
        throw new HttpError(
          422,
          'cannot-follow',
          TEXTS.cannotFollow(formatSentence(refused.sentence, set.house.rounding?.unit ?? 'cm')),
        );
      return set;
    }
    case 'accept': {
      const check = (await sheetWith(s)).checks.find(
        (k) => k.code === change.code && k.state !== 'passed' && !k.absent,
      );
      if (!check) throw new HttpError(422, 'no-such-warning', TEXTS.noSuchWarning);
      return decide(s, change, stamp, check.sentence);
    }
    case 'carry':
      return carry(tx, orderId, s, change, { who, now, at: stamp.at });
    case 'uncarry':
      return uncarry(tx, orderId, s, change.alterationId, { who, now });
    case 'session': {
      const session = await readSession(tx, change.sessionId);
      if (!session?.orderId || !(await isTogether(tx, session.orderId, orderId)))
        throw new HttpError(422, 'other-session', TEXTS.otherSession);
      return { ...s, sessionId: change.sessionId };
    }
    default:
      return decide(s, change, stamp);
  }
}

/** Agrees the sheet by name. Nothing may be absent and every warning must be accepted first. */
export async function agreeSheet(
  tx: Tx,
  orderId: number,
  version: number,
  name: string,
  who: SignedIn,
  now: Date,
) {
  const record = await lockedSheet(tx, orderId, version, { name }, now);
  if (record?.status === 'agreed')
    throw new HttpError(409, 'already-agreed', TEXTS.alreadyAgreed(record.revision));
  const settings = record?.settings ?? NO_SETTINGS;
  const spec = await specNow(tx, orderId, settings, now);
  const unit = spec.house?.rounding?.unit ?? 'cm';
  const sheet = computeSheet(toSheetInput(spec));
  const waits = heldBack(await questionsOf(tx, orderId), 'sheet');
  const agreed = undecided(agreedChanges(await groundNow(tx, orderId), settings, spec));
  const open = [
    ...openMatters(sheet).map((s) => formatSentence(s, unit)),
    ...agreed.map((s) => formatSentence(s, unit)),
    ...(waits ? [waits] : []),
  ];
  if (open.length > 0)
    throw new HttpError(422, 'open-matters', TEXTS.openMatters(open[0]!), { problems: open });
  const revision = record?.revision ?? 1;
  await saveDraft(tx, orderId, revision, version, settings);
  await saveAgreed(tx, orderId, revision, version + 1, spec, shownSheet(sheet), who.id, name);
  await remember(tx, 'sheet', orderId, who.id, 'agreed', undefined, { revision, name });
}

export async function cutSheet(tx: Tx, orderId: number, version: number, who: SignedIn, now: Date) {
  const record = await lockedSheet(tx, orderId, version, { cut: true }, now);
  if (record?.status !== 'agreed') throw new HttpError(409, 'not-agreed', TEXTS.notAgreed);
  const waits = heldBack(await questionsOf(tx, orderId), 'cut');
  if (waits) throw new HttpError(409, 'undecided', waits);
  const ground = await groundNow(tx, orderId);
  const open = undecided(agreedChanges(ground, record.settings, record.spec!));
  if (open.length > 0)
    throw new HttpError(
      409,
      'undecided',
      formatSentence(open[0]!, record.spec!.house?.rounding?.unit ?? 'cm'),
      {
        problems: open.map((s) => formatSentence(s, record.spec!.house?.rounding?.unit ?? 'cm')),
      },
    );
  await saveCut(tx, orderId, record.revision, version + 1, who.id);
  await remember(tx, 'sheet', orderId, who.id, 'cut', undefined, { revision: record.revision });
}
