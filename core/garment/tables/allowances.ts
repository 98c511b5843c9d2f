import { type Cm, cm, type SheetUnit } from '../../units/length.ts';
import { roundLength } from '../../units/rounding.ts';

/**
 * Seam and hem allowances beyond the seam line, cm per edge. House table (common practice, no source): side seams 1.5,
 * 2.5 in a close garment, 3 where later letting out is wanted; a straight hem 4, a flared one 2, a sleeve's 3, a lining's a
 * double roll of 2 × 0.6.
 */
export const ALLOWANCES = {
  side: 1.5,
  centre: 1.5,
  shoulder: 1.5,
  waist: 1.3,
  neck: 1,
  armhole: 1,
  zip: 2,
  hem: 4,
  flaredHem: 2,
  liningHem: 1.2,
  sleeveHem: 3,
  band: 1.3,
  facing: 1,
} as const;
export type AllowanceId = keyof typeof ALLOWANCES;
export type Allowances = { readonly [id in AllowanceId]: Cm };
export const ALLOWANCE_NAME: Readonly<Record<AllowanceId, string>> = {
  side: 'side seam',
  centre: 'centre seam',
  shoulder: 'shoulder',
  waist: 'waist',
  neck: 'neck',
  armhole: 'armhole',
  sleeveHem: 'sleeve hem',
  zip: 'seam of a zip',
  hem: 'straight hem',
  flaredHem: 'flared hem',
  liningHem: 'hem of a lining',
  band: 'band',
  facing: 'facing',
};
export const ALLOWANCE_IDS = Object.keys(ALLOWANCES) as AllowanceId[];

/** What a cloth wants of its seams (common practice): French seams 1 in all where it is sheer, 2 to overcast where it frays, no hem on a border. */
const WANTED = {
  french: { ids: ['side', 'centre', 'shoulder'], cm: 1 },
  overcast: { ids: ['side', 'centre', 'shoulder'], cm: 2 },
  border: { ids: ['hem', 'flaredHem', 'sleeveHem'], cm: 0 },
} as const;

/** The allowances of a garment. A hand that marks in inches gets the nearest eighth of each (1.5 cm is 5⁄8 in). */
export function allowancesFor(
  close: boolean,
  letOut: boolean,
  unit: SheetUnit,
  house: Partial<Allowances> = {},
  cloth: { readonly frays?: boolean; readonly sheer?: boolean; readonly border?: boolean } = {},
): Allowances {
  const side = letOut ? 3 : close ? 2.5 : ALLOWANCES.side;
  const mark = (n: number): Cm =>
    unit === 'in' ? roundLength(cm(n), { unit, step: 0.125, mode: 'nearest' }) : cm(n);
  const table = { ...ALLOWANCES } as { -readonly [id in AllowanceId]: number };
  for (const id of ALLOWANCE_IDS) table[id] = house[id] ?? mark(id === 'side' ? side : ALLOWANCES[id]);
  // A seam that has to be let out, or is close, keeps what that wants.
  if (cloth.sheer && !letOut) for (const id of WANTED.french.ids) table[id] = mark(WANTED.french.cm);
  else if (cloth.frays)
    for (const id of WANTED.overcast.ids) table[id] = Math.max(table[id], mark(WANTED.overcast.cm));
  if (cloth.border) for (const id of WANTED.border.ids) table[id] = WANTED.border.cm;
  return table as Allowances;
}
