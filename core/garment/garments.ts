import type { PartBrief } from './input.ts';

/** A garment with a name: the parts it is made of, with what their fields say from the start. */
export interface NamedGarment {
  readonly id: string;
  readonly name: string;
  /** parts as a brief writes them: lengths with their unit; what is left out takes the field's default */
  readonly parts: readonly Readonly<Record<string, unknown>>[];
}

const BODICE = { part: 'darted-bodice' };
/** What the house makes before it saves compositions of its own. */
export const GARMENTS: readonly NamedGarment[] = [
  {
    id: 'straight-skirt',
    name: 'straight skirt',
    parts: [{ part: 'straight-skirt', hemOpening: 'vent', openingHeight: '18 cm' }],
  },
  { id: 'gathered-skirt', name: 'gathered skirt on a band', parts: [{ part: 'gathered-skirt' }] },
  { id: 'circle-skirt', name: 'circle skirt', parts: [{ part: 'circle-skirt' }] },
  { id: 'bodice', name: 'darted bodice', parts: [BODICE] },
  {
    id: 'day-dress-straight',
    name: 'day dress, straight skirt',
    parts: [BODICE, { part: 'straight-skirt', hemOpening: 'vent', openingHeight: '18 cm' }],
  },
  {
    id: 'day-dress-gathered',
    name: 'day dress, gathered skirt',
    parts: [BODICE, { part: 'gathered-skirt' }],
  },
  { id: 'day-dress-circle', name: 'day dress, circle skirt', parts: [BODICE, { part: 'circle-skirt' }] },
  {
    id: 'day-dress-sleeved',
    name: 'day dress, fitted sleeves',
    parts: [
      BODICE,
      { part: 'sleeve', shape: 'fitted' },
      { part: 'straight-skirt', hemOpening: 'vent', openingHeight: '18 cm' },
    ],
  },
  {
    id: 'day-dress-puffed',
    name: 'day dress, puffed sleeves',
    parts: [
      BODICE,
      { part: 'sleeve', goes: 'length', length: '26 cm', head: 'gathered', end: 'elastic' },
      { part: 'gathered-skirt' },
    ],
  },
];

/** The name these parts go by: a named garment's that is made of the same, else the parts' own. */
export const garmentName = (
  parts: readonly Pick<PartBrief, 'part'>[],
  named: readonly NamedGarment[] = GARMENTS,
): string | null => named.find((g) => sameParts(g.parts, parts))?.name ?? null;

const sameParts = (a: readonly Readonly<Record<string, unknown>>[], b: readonly Pick<PartBrief, 'part'>[]) =>
  a.length === b.length && a.every((p, i) => p.part === b[i]!.part);
