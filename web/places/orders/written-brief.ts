import type { BriefWire, PartWire } from '@rocchetto/contract';
import { partFor, type SheetUnit, withUnit } from '@rocchetto/core';

/** A part as it is sent: lengths get their unit; a field left empty says its default. */
export function writtenPart(p: PartWire, unit: SheetUnit): PartWire {
  const { fields } = partFor(p.part);
  return Object.fromEntries(
    Object.entries(p).flatMap(([field, v]): [string, unknown][] => {
      const f = fields[field];
      if (f?.kind !== 'length') return v === null || v === undefined ? [] : [[field, v]];
      const text = withUnit(v as string | null, unit);
      return text === null && f.default !== null ? [[field, `0 ${unit}`]] : [[field, text]];
    }),
  ) as unknown as PartWire;
}

/** A brief as the form holds it, as it is sent. */
export const writtenBrief = (v: BriefWire, unit: SheetUnit): unknown => ({
  ...v,
  version: 2,
  cloth: {
    ...v.cloth,
    width: withUnit(v.cloth.width, unit),
    weight: v.cloth.weight ?? null,
    stretch: v.cloth.stretch ?? 0,
    stretchAlong: v.cloth.stretchAlong ?? 0,
  },
  heel: withUnit(v.heel, unit),
  parts: v.parts.map((p) => writtenPart(p, unit)),
});
