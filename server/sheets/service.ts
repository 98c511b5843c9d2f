import {
  type HouseWire,
  type SheetChange,
  type SheetView,
  type SpecFile,
  toSheetInput,
} from '@rocchetto/contract';
import { type Change, changesBetween, computeSheet, openMatters, type Sheet, tell } from '@rocchetto/core';
import { remember } from '../db/history.ts';
import type { Db, Tx } from '../db/pool.ts';
import type { SignedIn } from '../http/context.ts';
import { conflict, notFound, Refusal } from '../http/problem.ts';
import { readOrder } from '../orders/sql.ts';
import { readSession } from '../sessions/sql.ts';
import { NO_SETTINGS, specOfOrder } from './spec-of-order.ts';
import { readSheet, type Settings, type SheetRecord, saveAgreed, saveCut, saveDraft } from './sql.ts';

const computed = (spec: SpecFile) => computeSheet(toSheetInput(spec));
const moved = (before: Sheet, after: Sheet): Change[] => changesBetween(before.figures, after.figures);

/** The sheet as it stands: a kept one from its own record, a draft from brief, readings and settings now. */
export async function viewSheet(
  db: Db,
  orderId: number,
  revision: number | null,
  today: string,
): Promise<SheetView> {
  const record = await readSheet(db, orderId, revision);
  if (!record && revision !== null && revision !== 1) throw notFound('revision');
  const live =
    record?.spec && revision !== null
      ? null
      : await specOfOrder(db, orderId, record?.settings ?? NO_SETTINGS, today);
  const spec = record?.spec ?? live!.spec;
  const kept = record?.kept ?? null;
  const previous =
    (record?.revision ?? 1) > 1 ? await readSheet(db, orderId, record!.revision - 1) : undefined;
  return {
    revision: record?.revision ?? 1,
    status: record?.status ?? 'draft',
    version: record?.version ?? 0,
    agreedBy: record?.agreedBy ?? null,
    agreedName: record?.agreedName ?? null,
    agreedAt: record?.agreedAt?.toISOString() ?? null,
    cutBy: record?.cutBy ?? null,
    cutAt: record?.cutAt?.toISOString() ?? null,
    sessionId: live?.sessionId ?? record?.settings.sessionId ?? null,
    spec,
    kept,
    since: previous?.kept ? moved(previous.kept, kept ?? computed(spec)) : [],
    // A cut sheet is past moving; only alterations act on it.
    moved: record?.status === 'agreed' && live ? moved(kept!, computed(live.spec)) : [],
  };
}

async function lockedSheet(
  tx: Tx,
  orderId: number,
  version: number,
  mine: unknown,
  today: string,
): Promise<SheetRecord | undefined> {
  if (!(await readOrder(tx, orderId, true))) throw notFound('order');
  const record = await readSheet(tx, orderId, null);
  if (record?.status === 'cut')
    throw new Refusal(
      409,
      'already-cut',
      'This sheet is cut: its figures stay. What is still to change is an alteration.',
    );
  if ((record?.version ?? 0) !== version) throw conflict(await viewSheet(tx, orderId, null, today), mine);
  return record;
}

/** Makes one change. On an agreed sheet it opens the next revision; the agreed one stays as it is. */
export async function changeSheet(
  tx: Tx,
  orderId: number,
  { version, change }: SheetChange,
  who: SignedIn,
  today: string,
) {
  const record = await lockedSheet(tx, orderId, version, change, today);
  const before = record?.settings ?? NO_SETTINGS;
  const settings = await applyChange(tx, orderId, before, change, who, today);
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
  today: string,
): Promise<Settings> {
  const stamp = { by: who.name, at: new Date().toISOString() };
  switch (change.kind) {
    case 'override': {
      const { kind: _, ...rest } = change;
      const others = s.overrides.filter(
        (o) => o.id !== change.id && !(o.figure === change.figure && o.target === change.target),
      );
      return { ...s, overrides: [...others, { ...rest, ...stamp }] };
    }
    case 'withdraw':
      return {
        ...s,
        overrides: s.overrides.filter((o) => o.figure !== change.figure || o.target !== change.target),
      };
    case 'accept': {
      const { spec } = await specOfOrder(tx, orderId, s, today);
      const check = computed(spec).checks.find((k) => k.code === change.code && k.state !== 'passed');
      if (!check)
        throw new Refusal(
          422,
          'no-such-warning',
          'This warning no longer stands; there is nothing to accept.',
        );
      return {
        ...s,
        accepted: [
          ...s.accepted.filter((a) => a.code !== change.code),
          { code: change.code, sentence: check.sentence, reason: change.reason, ...stamp },
        ],
      };
    }
    case 'unaccept':
      return { ...s, accepted: s.accepted.filter((a) => a.code !== change.code) };
    case 'house':
      return { ...s, house: { ...s.house, ...withoutUndefined(change.house) } };
    case 'session': {
      const session = await readSession(tx, change.sessionId);
      if (!session || session.orderId !== orderId)
        throw new Refusal(422, 'other-session', 'This session does not belong to the order.');
      return { ...s, sessionId: change.sessionId };
    }
    case 'revise':
      return s;
  }
}

const withoutUndefined = (house: HouseWire): HouseWire =>
  Object.fromEntries(Object.entries(house).filter(([, v]) => v !== undefined));

/** Agrees the sheet by name. Nothing may be absent and every warning must be accepted first. */
export async function agreeSheet(
  tx: Tx,
  orderId: number,
  version: number,
  name: string,
  who: SignedIn,
  today: string,
) {
  const record = await lockedSheet(tx, orderId, version, { name }, today);
  if (record?.status === 'agreed')
    throw new Refusal(
      409,
      'already-agreed',
      `Revision ${record.revision} is agreed already. Change something, and the next revision begins.`,
    );
  const settings = record?.settings ?? NO_SETTINGS;
  const { spec } = await specOfOrder(tx, orderId, settings, today);
  const unit = spec.house?.rounding?.unit ?? 'cm';
  const sheet = computed(spec);
  const open = openMatters(sheet).map((s) => tell(s, unit));
  if (open.length > 0)
    throw new Refusal(422, 'open-matters', `Before it can be agreed: ${open[0]}`, { problems: open });
  const revision = record?.revision ?? 1;
  await saveDraft(tx, orderId, revision, version, settings);
  await saveAgreed(tx, orderId, revision, version + 1, spec, sheet, who.id, name);
  await remember(tx, 'sheet', orderId, who.id, 'agreed', undefined, { revision, name });
}

export async function cutSheet(tx: Tx, orderId: number, version: number, who: SignedIn, today: string) {
  const record = await lockedSheet(tx, orderId, version, { cut: true }, today);
  if (record?.status !== 'agreed')
    throw new Refusal(409, 'not-agreed', 'Only an agreed sheet is cut from. Agree it first.');
  await saveCut(tx, orderId, record.revision, version + 1, who.id);
  await remember(tx, 'sheet', orderId, who.id, 'cut', undefined, { revision: record.revision });
}
