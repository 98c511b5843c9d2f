import { findPart, GARMENTS } from '@rocchetto/core';
import { SpecFile } from './spec.ts';
import { readings } from './testing.ts';

export const EXACT = { unit: 'cm', step: 0, mode: 'nearest' } as const;
export const HALF = { unit: 'cm', step: 0.5, mode: 'nearest' } as const;

interface More {
  /** laid over every part that has the field */
  readonly fields?: Readonly<Record<string, unknown>>;
  readonly garment?: object;
  readonly house?: object;
  readonly rest?: object;
}

type PartRow = Readonly<Record<string, unknown>>;

/** Whether a part has the field, and what is laid over it is one of its choices. */
function takes(part: PartRow, name: string, value: unknown): boolean {
  if (!FIELD_OF[String(part.part)]!.includes(name)) return false;
  const field = findPart(String(part.part))?.fields[name];
  return field?.kind !== 'choice' || field.options.some((o) => o.value === value);
}

/** A spec of one of the house's garments, or of these parts, for tests: half centimetres, unlined, no cloth width, 62 cm long. */
export function garmentSpec(
  garment: string | readonly PartRow[],
  lines: readonly string[],
  more: More = {},
): SpecFile {
  const parts =
    typeof garment === 'string'
      ? GARMENTS.find((g) => g.id === garment)?.parts
      : (garment as readonly PartRow[]);
  if (!parts) throw new Error(`no garment ${String(garment)}`);
  const skirt = (p: Readonly<Record<string, unknown>>) => String(p.part).includes('skirt');
  return SpecFile.parse({
    format: 'rocchetto-spec',
    version: 2,
    garment: {
      parts: parts.map((p) => ({
        ...p,
        ...(skirt(p) ? { length: '62 cm' } : {}),
        ...Object.fromEntries(Object.entries(more.fields ?? {}).filter(([f, value]) => takes(p, f, value))),
      })),
      ...more.garment,
    },
    session: { date: '2026-03-02', measurer: 'Fitter' },
    readings: readings(...lines),
    house: { rounding: HALF, ...more.house },
    ...more.rest,
  });
}

const FREE = ['length', 'band', 'overlap', 'zip'];
const FIELD_OF: Record<string, readonly string[]> = {
  'straight-skirt': [...FREE, 'taper', 'takenUp', 'hemOpening', 'openingHeight'],
  'gathered-skirt': [...FREE, 'ratio'],
  'circle-skirt': [...FREE, 'circle'],
  'gored-skirt': [...FREE, 'gores', 'flare', 'flareFrom', 'train'],
  'pleated-skirt': [...FREE, 'pleats', 'count', 'stitched'],
  'tiered-skirt': [...FREE, 'tiers'],
  'knit-skirt': ['length', 'rule', 'taper', 'balanced'],
  trousers: ['band', 'overlap'],
  'pull-on-trousers': ['passes'],
  'darted-bodice': ['plan', 'neckline', 'neckFront', 'neckBack', 'widen', 'zip', 'shaping', 'closes'],
  'long-bodice': ['plan', 'neckline', 'neckFront', 'widen', 'zip', 'closes', 'flare', 'shaping', 'below'],
  'boned-bodice': ['reduction', 'dip', 'underlined', 'zip'],
  top: ['neckline', 'neckFront', 'widen', 'shaped'],
  'dance-suit': ['neckline', 'neckFront', 'widen'],
  'cut-on-top': ['neckFront', 'widen'],
  collar: ['kind', 'depth'],
  overskirt: ['ratio', 'train'],
  details: ['pockets', 'belt', 'trim', 'fringe'],
  sleeve: ['goes', 'shape', 'cap', 'head', 'end', 'cuffCloses', 'slashes', 'spread', 'fullness'],
};
