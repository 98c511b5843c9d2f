import {
  type Brief,
  cm,
  computeSheet,
  DEFAULT_HOUSE,
  type EaseOverlay,
  type HouseRules,
  type Reading,
  readLength,
  type Sheet,
  type SheetInput,
  type SheetUnit,
} from '@rocchetto/core';
import type { BriefWire, HouseWire } from './brief.ts';
import { toCm } from './parse-length.ts';
import type { SpecFile } from './spec.ts';

// From what a file or a wire holds to what core computes from. Nothing here checks (the schemas have), so that a
// page that only shows a sheet loads no schemas.

/** Lengths become cm; everything else stays. */
export function toBrief(w: BriefWire): Brief {
  return {
    ...w,
    cloth: { ...w.cloth, width: w.cloth.width === null ? null : toCm(w.cloth.width) },
    heel: w.heel === null ? null : toCm(w.heel),
    parts: w.parts.map((p) => ({
      part: p.part,
      length: p.length === null ? null : toCm(p.length),
      band: toCm(p.band),
      overlap: toCm(p.overlap),
      taper: toCm(p.taper),
      hemOpening: { kind: p.hemOpening.kind, height: toCm(p.hemOpening.height) },
      zip: p.zip,
    })),
  };
}

export function toHouse(w: HouseWire | undefined): HouseRules {
  if (!w) return DEFAULT_HOUSE;
  const lengths = <K extends string>(o: Partial<Record<K, string | undefined>>) =>
    Object.fromEntries(Object.entries(o).flatMap(([k, v]) => (typeof v === 'string' ? [[k, toCm(v)]] : [])));
  const darts = (d: { count: number; intake: string } | undefined) =>
    d && { count: d.count, intake: toCm(d.intake) };
  return {
    rounding: w.rounding ?? DEFAULT_HOUSE.rounding,
    balance: w.balance ? { waist: toCm(w.balance.waist), hip: toCm(w.balance.hip) } : DEFAULT_HOUSE.balance,
    ease: Object.fromEntries(
      Object.entries(w.ease ?? {}).map(([zone, row]) => [zone, lengths(row)]),
    ) as EaseOverlay,
    allowances: lengths(w.allowances ?? {}),
    darts: { front: darts(w.darts?.front), back: darts(w.darts?.back) },
    hipDrop: w.hipDrop ? toCm(w.hipDrop) : DEFAULT_HOUSE.hipDrop,
  };
}

const specReading = (r: SpecFile['readings'][number], i: number, spec: SpecFile): Reading => {
  const read = r.state === 'read' ? readLength(r.value, 'cm') : null;
  return {
    ...r,
    id: `reading-${i + 1}`,
    written: read?.ok ? read.written : null,
    replaces: null,
    by: r.by || spec.session.measurer,
    wroteBy: spec.session.scribe,
    at: r.at || `${spec.session.date || '1970-01-01'}T00:00:00Z`,
  };
};

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
    accepted: spec.accepted,
    asOf: spec.asOf || spec.session.date || '1970-01-01',
    given: { clothWidth: spec.garment.cloth.width, heel: spec.session.heel ?? spec.garment.heel },
    timeZone: spec.timeZone ?? 'UTC',
  };
}

/** The unit a sheet is printed in when nobody asks: the one the hand marks in. */
export const unitOf = (spec: SpecFile): SheetUnit => spec.house?.rounding?.unit ?? 'cm';

/** The sheet a view shows: as it was agreed, whatever the rules say today, or computed while it is a draft. */
export const sheetOfView = (view: { readonly spec: SpecFile; readonly kept: Sheet | null }): Sheet =>
  view.kept ?? computeSheet(toSheetInput(view.spec));
