import type { Notion } from '../figure/figure.ts';
import { bought } from '../garment/cloth.ts';
import { CLOTH_NAME, CLOTHS, type ClothId } from '../garment/laid-length.ts';
import { CM_PER, type Cm, type SheetUnit } from '../units/length.ts';
import { hundredths } from './hundredths.ts';

/** Kinds of notions and how they are sold: by the piece, or by the metre or yard. */
export const SOLD = {
  zip: { name: 'zip', by: 'piece' },
  button: { name: 'button', by: 'piece' },
  hook: { name: 'hook and eye, or bar', by: 'piece' },
  bone: { name: 'bone, cut and tipped', by: 'piece' },
  channel: { name: 'bone channel', by: 'length' },
  stay: { name: 'stay ribbon or tape', by: 'length' },
  cord: { name: 'lacing cord', by: 'length' },
  elastic: { name: 'elastic', by: 'length' },
  braid: { name: 'horsehair braid', by: 'length' },
  ribbon: { name: 'ribbon for hanging loops', by: 'length' },
  trim: { name: 'trim', by: 'length' },
  pads: { name: 'shoulder pads, a pair', by: 'piece' },
  buckle: { name: 'buckle', by: 'piece' },
  thread: { name: 'thread, a reel', by: 'piece' },
  other: { name: 'other notion', by: 'piece' },
} as const;
export type Sold = keyof typeof SOLD;

/** By what its name holds, the first that fits. */
const FINDS: readonly (readonly [RegExp, Sold])[] = [
  [/^bone channels/, 'channel'],
  [/^bones/, 'bone'],
  [/^zip/, 'zip'],
  [/hook|snap/, 'hook'],
  [/button/, 'button'],
  [/^(waist stay|stay tape)/, 'stay'],
  [/^lacing cord/, 'cord'],
  [/elastic/, 'elastic'],
  [/horsehair/, 'braid'],
  [/hanging loops/, 'ribbon'],
  [/trim|lace|fringe/, 'trim'],
  [/shoulder pads/, 'pads'],
  [/buckle/, 'buckle'],
  [/^thread(,|$)/, 'thread'],
];
/** Said with the notions, and not bought for one garment. */
const NOT_BOUGHT = /^(needle|stitch)(,|$)/;

/** The cloths of a garment as the sheet names them. */
export type ClothName = (typeof CLOTH_NAME)[ClothId];
export const CLOTH_NAMES: readonly ClothName[] = CLOTHS.map((of) => CLOTH_NAME[of]);
/** A cloth of the lay as the sheet names it. */
export const clothName = (of: ClothId): ClothName => CLOTH_NAME[of];
/** Whether a line of the sheet’s notions is one of its cloths. */
export const isCloth = (n: Pick<Notion, 'name'>): n is Notion & { readonly name: ClothName } =>
  (CLOTH_NAMES as readonly string[]).includes(n.name);

/** A notion as it is bought: its kind and how much of it, pieces or metres or yards; null where no number can be told. */
export interface Bought {
  readonly as: Sold;
  readonly quantity: number | null;
}
const PER_UNIT: Readonly<Record<SheetUnit, number>> = { cm: 100, in: 36 * CM_PER.in };

/** Metres, or yards for what is sold by the inch. */
export const metres = (length: number, unit: SheetUnit): number => length / PER_UNIT[unit];

/** What is bought of a notion; null for what is none, and for cloth. */
export function boughtAs(n: Notion, unit: SheetUnit): Bought | null {
  if (NOT_BOUGHT.test(n.name) || isCloth(n)) return null;
  const as = FINDS.find(([is]) => is.test(n.name))?.[1] ?? 'other';
  const count = n.count ?? 1;
  if (SOLD[as].by === 'length')
    return { as, quantity: n.length === null ? null : count * metres(n.length, n.bought ?? unit) };
  // How many buttons there are along a row of loops no draft tells.
  return { as, quantity: n.count === undefined && /buttons/.test(n.name) ? null : count };
}

/** What a length of cloth costs as it is bought, up to the next step in which it is sold, at so much a metre (a yard), in the house’s money. */
export const clothCost = (needed: Cm, unit: SheetUnit, rate: number): number =>
  hundredths(metres(bought(needed, unit), unit) * rate) / 100;
