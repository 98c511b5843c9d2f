import { GARMENTS } from '@rocchetto/core';
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

/** A spec of one of the house's garments for tests: half centimetres, unlined, no cloth width, 62 cm long. */
export function garmentSpec(id: string, lines: readonly string[], more: More = {}): SpecFile {
  const made = GARMENTS.find((g) => g.id === id);
  if (!made) throw new Error(`no garment ${id}`);
  const skirt = (p: Readonly<Record<string, unknown>>) => String(p.part).includes('skirt');
  return SpecFile.parse({
    format: 'rocchetto-spec',
    version: 2,
    garment: {
      parts: made.parts.map((p) => ({
        ...p,
        ...(skirt(p) ? { length: '62 cm' } : {}),
        ...Object.fromEntries(
          Object.entries(more.fields ?? {}).filter(([f]) => FIELD_OF[String(p.part)]!.includes(f)),
        ),
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
  'long-bodice': ['plan', 'neckline', 'neckFront', 'widen', 'zip', 'closes', 'flare'],
  'boned-bodice': ['reduction', 'dip', 'underlined', 'zip'],
  top: ['neckline', 'neckFront', 'widen', 'shaped'],
  'dance-suit': ['neckline', 'neckFront', 'widen'],
  'cut-on-top': ['neckFront', 'widen'],
  collar: ['kind', 'depth'],
  overskirt: ['ratio', 'train'],
  details: ['pockets', 'belt', 'trim', 'fringe'],
  sleeve: ['goes', 'shape', 'cap', 'head', 'end', 'cuffCloses', 'slashes', 'spread', 'fullness'],
};
