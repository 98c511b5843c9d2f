import { type Cm, cm, type SheetUnit } from '../units/length.ts';
import { roundLength } from '../units/rounding.ts';

/** Seam and hem allowances, cm per edge. House table (common practice, no source). */
export interface Allowances {
  readonly side: Cm;
  readonly waist: Cm;
  readonly zip: Cm;
  readonly hem: Cm;
  readonly liningHem: Cm;
  readonly band: Cm;
}

/**
 * The allowances of a woven straight skirt: side seams 1.5, 2.5 in a close garment, 3 where later letting
 * out is wanted; hem 4; lining hem a double roll of 2 × 0.6. A hand that marks in inches gets the nearest
 * eighth of each (1.5 cm is 5⁄8 in).
 */
export function skirtAllowances(
  close: boolean,
  letOut: boolean,
  unit: SheetUnit,
  house: Partial<Allowances> = {},
): Allowances {
  const side = letOut ? 3 : close ? 2.5 : 1.5;
  const mark = (n: number): Cm =>
    unit === 'in' ? roundLength(cm(n), { unit, step: 0.125, mode: 'nearest' }) : cm(n);
  return {
    side: mark(side),
    waist: mark(1.3),
    zip: mark(2),
    hem: mark(4),
    liningHem: mark(1.2),
    band: mark(1.3),
    ...house,
  };
}
