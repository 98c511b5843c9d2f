import {
  type Brief,
  type Carried,
  type Cm,
  cm,
  DANGER_DAYS,
  DEFAULT_HOUSE,
  type EaseOverlay,
  findPart,
  type HouseRules,
  type Kept,
  type Leads,
  type OwnRules,
  type PartBrief,
  plainWhy,
  type SheetInput,
  type SheetUnit,
  showInput,
  withUnit,
} from '@rocchetto/core';
import type { BriefWire, HouseRulesWire, HouseWire } from './brief.ts';
import { parseLength, toCm } from './parse-length.ts';
import type { PartWire } from './parts.ts';
import type { SpecFile } from './spec.ts';
import { specReading } from './spec-reading.ts';

// From what a file or a wire holds to what core computes from. Nothing here checks (the schemas have), so that a
// page that only shows a sheet loads no schemas.

/** One part's fields as core reads them: lengths in cm. A part nobody knows keeps its texts. */
export function toPart(w: PartWire): PartBrief {
  const fields = findPart(w.part)?.fields ?? {};
  const value = (id: string, v: unknown) =>
    fields[id]?.kind === 'length' && typeof v === 'string' ? toCm(v) : v;
  return Object.fromEntries(Object.entries(w).map(([id, v]) => [id, value(id, v)])) as PartBrief;
}

/** The same of a part that is still being typed, a number alone in `unit`: a length that cannot be read yet is its default. */
export function typedPart(w: PartWire, unit: SheetUnit): PartBrief {
  const fields = findPart(w.part)?.fields ?? {};
  const value = (id: string, v: unknown) => {
    const field = fields[id];
    if (field?.kind !== 'length') return v;
    const read = parseLength(withUnit(typeof v === 'string' ? v : null, unit) ?? '');
    return read.ok ? read.cm : field.default === null ? null : toCm(field.default);
  };
  return Object.fromEntries(Object.entries(w).map(([id, v]) => [id, value(id, v)])) as PartBrief;
}

const toCloth = <C extends { readonly width: string | null }>(c: C) => ({
  ...c,
  width: c.width === null ? null : toCm(c.width),
});

/** Lengths become cm; everything else stays. */
export function toBrief(w: BriefWire): Brief {
  const { version: _, own, cloths, ...brief } = w;
  return {
    ...brief,
    cloth: toCloth(w.cloth),
    heel: w.heel === null ? null : toCm(w.heel),
    parts: w.parts.map(toPart),
    // A device may still show what it was told before steps were known.
    steps: (w.steps ?? []).map((s) => ({ ...s, amount: s.amount === null ? null : toCm(s.amount) })),
    ...(own ? { own: toOwn(own) } : {}),
    ...(cloths?.length ? { cloths: cloths.map(toCloth) } : {}),
  };
}

const lengths = <K extends string>(o: Partial<Record<K, string | null | undefined>>) =>
  Object.fromEntries(
    Object.entries(o).flatMap(([k, v]) => (typeof v === 'string' ? [[k, toCm(v)]] : [])),
  ) as Partial<Record<K, Cm>>;

/** What an order has of its own as core reads it; undefined where it has nothing. */
function toOwn({
  none,
  hemTwice,
  hemFaced,
  why,
  girths,
  allowances,
  ease,
}: NonNullable<BriefWire['own']>): OwnRules {
  return {
    none,
    hemTwice,
    hemFaced,
    why: plainWhy(why),
    girths: girths === null ? null : toCm(girths),
    allowances: lengths(allowances),
    ease: lengths(ease),
  };
}

export function toHouse(w: HouseWire | undefined): HouseRules {
  if (!w) return DEFAULT_HOUSE;
  const darts = (d: { count: number; intake: string } | undefined) =>
    d && { count: d.count, intake: toCm(d.intake) };
  return {
    rounding: w.rounding ?? DEFAULT_HOUSE.rounding,
    pairing: w.pairing ?? DEFAULT_HOUSE.pairing,
    band: w.band ?? DEFAULT_HOUSE.band,
    zips: w.zips ?? null,
    balance: w.balance
      ? { bust: toCm(w.balance.bust), waist: toCm(w.balance.waist), hip: toCm(w.balance.hip) }
      : DEFAULT_HOUSE.balance,
    ease: Object.fromEntries(
      Object.entries(w.ease ?? {}).map(([zone, row]) => [zone, lengths(row ?? {})]),
    ) as EaseOverlay,
    allowances: lengths(w.allowances ?? {}),
    darts: { front: darts(w.darts?.front), back: darts(w.darts?.back) },
    hipDrop: w.hipDrop ? toCm(w.hipDrop) : DEFAULT_HOUSE.hipDrop,
    ages: { ...DEFAULT_HOUSE.ages, ...given(w.ages) },
    shape: {
      ...DEFAULT_HOUSE.shape,
      ...lengths({ ...w.shape, slope: undefined }),
      ...(w.shape?.slope === undefined ? {} : { slope: w.shape.slope }),
    },
  };
}

/** Without what is not said. */
const given = <T extends object>(o: T | undefined) =>
  Object.fromEntries(Object.entries(o ?? {}).filter(([, v]) => v !== undefined)) as {
    [K in keyof T]: NonNullable<T[K]>;
  };

/** The house's lead times, its own over the usual ones, days. */
export const toLeads = (w: HouseRulesWire): Leads => ({ ...DANGER_DAYS, ...given(w.leads) });

type Changes = SpecFile['changes'];
/** Set by `carried.ts`: what alters panels is loaded where changes are taken into sheets, and not with every sheet. */
let readChanges: ((changes: Changes) => readonly Carried[]) | null = null;
export const changesReadBy = (f: (changes: Changes) => readonly Carried[]): void => {
  readChanges = f;
};
/** @throws Error where a page computes a sheet with changes and has not loaded how they are taken in */
function toCarried(changes: Changes | undefined): readonly Carried[] {
  // A device may still show what it was told before changes were known.
  if (!changes || changes.length === 0) return [];
  if (!readChanges)
    throw new Error('a sheet with agreed changes is computed where contract/carried.ts is loaded');
  return readChanges(changes);
}

/** What core computes from. The session's own date stands in for "today" when the file names none. */
export function toSheetInput(spec: SpecFile): SheetInput {
  return {
    head: { ...spec.order, order: spec.order.number },
    brief: toBrief(spec.garment),
    session: { ...spec.session, heel: spec.session.heel === null ? null : toCm(spec.session.heel) },
    readings: spec.readings.map((r, i) => specReading(r, i, spec)),
    house: toHouse(spec.house),
    overrides: spec.overrides.map((o, i) => ({
      ...o,
      id: `override-${i + 1}`,
      value: cm(toCm(o.value)),
      written: o.value,
    })),
    changes: toCarried(spec.changes),
    accepted: spec.accepted,
    ...(spec.laid
      ? { laid: spec.laid.map((l) => ({ ...l, length: toCm(l.length), width: toCm(l.width) })) }
      : {}),
    asOf: spec.asOf || spec.session.date || '1970-01-01',
    given: {
      clothWidth: spec.garment.cloth.width,
      widths: (spec.garment.cloths ?? []).map((c) => c.width),
      heel: spec.session.heel ?? spec.garment.heel,
    },
    timeZone: spec.timeZone ?? 'UTC',
    ...(spec.dateOrder ? { dateOrder: spec.dateOrder } : {}),
  };
}

/** The unit a sheet is printed in when nobody asks: the one the hand marks in. */
export const unitOf = (spec: SpecFile): SheetUnit => spec.house?.rounding?.unit ?? 'cm';

/** The sheet a view shows: as it was agreed, whatever the rules say today, or computed while it is a draft. */
export const sheetOfView = (view: { readonly spec: SpecFile; readonly kept: Kept | null }): Kept =>
  view.kept ?? showInput(toSheetInput(view.spec));
