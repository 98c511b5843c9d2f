import { NO_SETTINGS, type SheetView, type SpecFile, toSheetInput } from '@rocchetto/contract';
import { type Change, changesBetween, dayIn, type Kept, showInput, withoutReadings } from '@rocchetto/core';
import type { Db } from '../../db/pool.ts';
import { notFound } from '../../http/problem.ts';
import { unprintable } from '../../paper/faces.ts';
import { type KeptSheets, keptGround, parseGround, type SheetRecord } from '../../records/sheets.ts';
import { specOfOrder } from '../../records/spec-of-order.ts';
import { agreedChanges } from './agreed.ts';

export const computed = (spec: SpecFile): Kept => showInput(toSheetInput(spec));
const moved = (before: Kept, after: Kept): Change[] => changesBetween(before.figures, after.figures);

/** A sheet agreed before sheets were kept as computed is computed from its own spec. */
const keptOf = (record: Pick<SheetRecord, 'spec'> | null, kept: Kept | null): Kept | null =>
  kept ?? (record?.spec ? computed(record.spec) : null);

/** The sheet as it stands: a kept one from its own record, a draft from brief, readings and settings now. */
export function viewOfGround(
  text: string,
  keptSheets: KeptSheets,
  revision: number | null,
  now: Date,
): SheetView {
  const ground = parseGround(text);
  const { order, record, previous, house } = ground;
  if (!order) throw notFound('order');
  if (!record && revision !== null && revision !== 1) throw notFound('revision');
  const live =
    record?.spec && revision !== null
      ? null
      : specOfOrder(ground, record?.settings ?? NO_SETTINGS, dayIn(house.timeZone, now));
  const spec = record?.spec ?? live!;
  // A draft with agreed changes is worked out here: what alters panels is not loaded with every page that shows a sheet.
  const kept = keptOf(record, keptSheets.record) ?? (live && live.changes.length > 0 ? computed(live) : null);
  const settings = record?.settings ?? NO_SETTINGS;
  const before = keptOf(previous, keptSheets.previous);
  return {
    revision: record?.revision ?? 1,
    status: record?.status ?? 'draft',
    version: record?.version ?? 0,
    agreedBy: record?.agreedBy ?? null,
    agreedName: record?.agreedName ?? null,
    agreedAt: instant(record?.agreedAt),
    cutBy: record?.cutBy ?? null,
    cutAt: instant(record?.cutAt),
    timeZone: house.timeZone,
    unprintable: unprintable(textsOf(spec)),
    sessionId: live ? (ground.session?.id ?? null) : (record?.settings.sessionId ?? null),
    spec,
    kept,
    since: before ? moved(before, kept ?? computed(spec)) : [],
    // A cut sheet is past moving; only alterations act on it.
    moved: record?.status === 'agreed' && live ? moved(kept!, computed(live)) : [],
    agreed:
      record?.status === 'cut' || revision !== null ? [] : agreedChanges(ground, settings, live ?? spec),
  };
}

const instant = (at: string | null | undefined) => (at ? new Date(at).toISOString() : null);

/** Every text of a spec that can come to paper. */
function* textsOf(value: unknown): Generator<string> {
  if (typeof value === 'string') yield value;
  else if (typeof value === 'object' && value !== null)
    for (const inner of Object.values(value)) yield* textsOf(inner);
}

/** The view for hands that may not read readings: figures as they are, nothing of what was called out. */
export const viewWithoutReadings = (view: SheetView): SheetView => ({
  ...view,
  spec: { ...view.spec, readings: [] },
  kept: withoutReadings(view.kept ?? computed(view.spec)),
});

export async function viewSheet(
  db: Db,
  orderId: number,
  revision: number | null,
  now: Date,
): Promise<SheetView> {
  const { ground, kept } = await keptGround(db, orderId, revision);
  return viewOfGround(ground, kept, revision, now);
}
