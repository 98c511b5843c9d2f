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
  { id: 'gored-skirt', name: 'gored skirt', parts: [{ part: 'gored-skirt' }] },
  {
    id: 'trumpet-skirt',
    name: 'trumpet skirt, flared from the knee',
    parts: [{ part: 'gored-skirt', gores: '8', flareFrom: 'knee', flare: '10 cm' }],
  },
  { id: 'pleated-skirt', name: 'pleated skirt', parts: [{ part: 'pleated-skirt' }] },
  { id: 'tiered-skirt', name: 'tiered skirt', parts: [{ part: 'tiered-skirt' }] },
  { id: 'knit-skirt', name: 'knit skirt, pulled on', parts: [{ part: 'knit-skirt' }] },
  { id: 'trousers', name: 'trousers with a fly', parts: [{ part: 'trousers' }] },
  {
    id: 'shorts',
    name: 'shorts, side zip',
    parts: [{ part: 'trousers', goes: 'length', inseam: '14 cm', zip: 'left-side' }],
  },
  {
    id: 'pull-on-trousers',
    name: 'pull-on trousers',
    parts: [{ part: 'pull-on-trousers', goes: 'floor' }],
  },
  {
    id: 'sports-shorts',
    name: 'sports shorts',
    parts: [{ part: 'pull-on-trousers', goes: 'length', inseam: '20 cm', guards: true }],
  },
  {
    id: 'princess-dress',
    name: 'princess dress, gored skirt',
    parts: [
      { part: 'darted-bodice', shaping: 'princess-shoulder' },
      { part: 'gored-skirt', gores: '8' },
    ],
  },
  {
    id: 'shirt-blouse',
    name: 'blouse, buttoned, shirt collar and cuffs',
    parts: [
      { part: 'darted-bodice', zip: 'centre-front', closes: 'buttons', shaping: 'shoulder' },
      { part: 'sleeve', shape: 'straight', end: 'cuff' },
      { part: 'collar', kind: 'shirt' },
    ],
  },
  {
    id: 't-shirt',
    name: 'T-shirt',
    parts: [{ part: 'top' }, { part: 'sleeve', goes: 'length', length: '20 cm', cap: 'easy' }],
  },
  {
    id: 'easy-top',
    name: 'easy top, faced neckline',
    parts: [{ part: 'top', neckline: 'wide', neckFront: '9 cm', widen: '6 cm', band: '0 cm' }],
  },
  {
    id: 'stretch-dress',
    name: 'stretch dress',
    parts: [
      { part: 'top', shaped: 'shaped', length: '98 cm', widen: '3 cm' },
      { part: 'sleeve', cap: 'easy' },
    ],
  },
  { id: 'cut-on-top', name: 'top with cut-on sleeves', parts: [{ part: 'cut-on-top' }] },
  {
    id: 'bustier',
    name: 'bustier, laced',
    parts: [{ part: 'boned-bodice', below: '8 cm', closes: 'lacing' }],
  },
  {
    id: 'gown',
    name: 'gown, boned bodice and a train',
    parts: [
      { part: 'boned-bodice' },
      { part: 'gored-skirt', gores: '8', flare: '14 cm', length: '108 cm', train: '60 cm' },
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
