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
  cloth: writtenCloth(v.cloth, unit),
  heel: withUnit(v.heel, unit),
  parts: v.parts.map((p) => writtenPart(p, unit)),
  own: writtenOwn(v.own, unit),
  cloths: writtenCloths(v.cloths, unit),
});

const writtenCloth = <C extends Partial<BriefWire['cloth']>>(cloth: C, unit: SheetUnit) => ({
  ...cloth,
  width: withUnit(cloth.width ?? null, unit),
  weight: cloth.weight ?? null,
  stretch: cloth.stretch ?? 0,
  stretchAlong: cloth.stretchAlong ?? 0,
  underlining: (cloth.underlining ?? '').trim(),
});

/** The other cloths as they are sent: one of which nothing is said is none. */
function writtenCloths(cloths: BriefWire['cloths'], unit: SheetUnit): BriefWire['cloths'] {
  const said = (cloths ?? []).filter((c) =>
    Object.values(c ?? {}).some((v) => (Array.isArray(v) ? v.length > 0 : Boolean(v))),
  );
  return said.length === 0
    ? undefined
    : said.map((c) => ({ ...writtenCloth(c, unit), name: (c.name ?? '').trim(), of: c.of ?? [] }));
}

/** What the order has of its own, as it is sent; left out where it has nothing. */
export function writtenOwn(own: BriefWire['own'], unit: SheetUnit): BriefWire['own'] {
  if (!own) return undefined;
  const lengths = <T extends object>(o: T | undefined): T =>
    Object.fromEntries(
      Object.entries(o ?? {}).map(([k, v]) => [k, withUnit((v ?? null) as string | null, unit)]),
    ) as T;
  const { none = false, hemTwice = false, hemFaced = false, why = '' } = own;
  // With no allowances at all, those of its own are not asked.
  const written = {
    none,
    hemTwice: hemTwice && !none,
    hemFaced,
    why: why.trim(),
    girths: withUnit(own.girths ?? null, unit),
    allowances: lengths(none ? ({} as typeof own.allowances) : own.allowances),
    ease: lengths(own.ease),
  };
  const says =
    none ||
    written.hemTwice ||
    hemFaced ||
    written.girths !== null ||
    [written.allowances, written.ease].some((o) => Object.values(o).some((v) => v !== null));
  return says ? written : undefined;
}
