import { findPart } from './registry.ts';

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
  {
    id: 'empire-dress',
    name: 'dress with a seam under the bust, gathered skirt',
    parts: [{ ...BODICE, ends: 'under-bust' }, { part: 'gathered-skirt' }],
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
    id: 'skirt-pockets',
    name: 'straight skirt with patch pockets',
    parts: [
      { part: 'straight-skirt', hemOpening: 'vent', openingHeight: '18 cm' },
      { part: 'details', pockets: 'patch', flaps: true },
    ],
  },
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
    parts: [{ part: 'top', neckline: 'wide', neckFront: '9 cm', widen: '6 cm', band: '0 cm', below: 'hip' }],
  },
  {
    id: 'stretch-dress',
    name: 'stretch dress',
    parts: [
      { part: 'top', shaped: 'shaped', length: '98 cm', widen: '3 cm' },
      { part: 'sleeve', cap: 'easy' },
    ],
  },
  {
    id: 'sheath',
    name: 'sheath dress without a waist seam',
    parts: [{ part: 'long-bodice', below: '60 cm', slits: '16 cm' }],
  },
  {
    id: 'jacket',
    name: 'jacket, buttoned in front',
    parts: [
      {
        part: 'long-bodice',
        worn: 'jacket',
        zip: 'centre-front',
        closes: 'buttons',
        neckline: 'v',
        neckFront: '18 cm',
      },
      { part: 'sleeve', shape: 'fitted' },
    ],
  },
  {
    id: 'waistcoat',
    name: 'waistcoat, buttoned',
    parts: [
      {
        part: 'long-bodice',
        below: '12 cm',
        neckline: 'v',
        neckFront: '20 cm',
        zip: 'centre-front',
        closes: 'buttons',
        shaping: 'princess-armhole',
      },
    ],
  },
  {
    id: 'coat',
    name: 'coat with a collar',
    parts: [
      {
        part: 'long-bodice',
        worn: 'coat',
        below: '62 cm',
        flare: '4 cm',
        zip: 'centre-front',
        closes: 'buttons',
        shaping: 'shoulder',
      },
      { part: 'sleeve', shape: 'straight' },
      { part: 'collar', kind: 'shirt' },
    ],
  },
  {
    id: 'princess-coat',
    name: 'coat with princess seams',
    parts: [
      {
        part: 'long-bodice',
        worn: 'coat',
        below: '58 cm',
        flare: '5 cm',
        zip: 'centre-front',
        closes: 'buttons',
        shaping: 'princess-shoulder',
      },
      { part: 'sleeve', shape: 'straight' },
      { part: 'collar', kind: 'stand' },
    ],
  },
  { id: 'dance-suit', name: 'dancer’s suit', parts: [{ part: 'dance-suit' }] },
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
  {
    id: 'gown-overskirt',
    name: 'gown with an overskirt',
    parts: [
      { part: 'boned-bodice' },
      { part: 'gored-skirt', gores: '6', flare: '4 cm', length: '104 cm' },
      { part: 'overskirt', train: '40 cm' },
    ],
  },
];

type Parts = readonly Readonly<Record<string, unknown>>[];

/**
 * The named garment that these parts are: made of the same parts, and of those the one whose own choices they share most.
 * Lengths and counts are every order's own.
 */
export function namedGarment<G extends { readonly parts: Parts }>(
  parts: Parts,
  named: readonly G[],
): G | undefined {
  let best: { garment: G; like: number } | undefined;
  for (const garment of named) {
    const like = likeness(garment.parts, parts);
    if (like !== null && (!best || like > best.like)) best = { garment, like };
  }
  return best?.garment;
}

/** The name these parts go by: a named garment's that is made of the same, else the parts' own. */
export const garmentName = (parts: Parts, named: readonly NamedGarment[] = GARMENTS): string | null =>
  namedGarment(parts, named)?.name ?? null;

/** How many of the choices that a named garment makes these parts share, less those they do not; null for other parts. */
function likeness(named: Parts, own: Parts): number | null {
  if (named.length !== own.length || named.some((p, i) => p.part !== own[i]!.part)) return null;
  let like = 0;
  for (const [i, p] of named.entries())
    for (const [id, f] of Object.entries(findPart(String(p.part))?.fields ?? {}))
      if ((f.kind === 'choice' || f.kind === 'yes-no') && p[id] !== undefined)
        like += p[id] === (own[i]![id] ?? f.default) ? 1 : -1;
  return like;
}
