import { type Cm, cm } from '../units/length.ts';

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
 * out is wanted; hem 4; lining hem a double roll of 2 × 0.6.
 */
export function skirtAllowances(
  close: boolean,
  letOut: boolean,
  house: Partial<Allowances> = {},
): Allowances {
  const side = letOut ? 3 : close ? 2.5 : 1.5;
  return {
    side: cm(side),
    waist: cm(1.3),
    zip: cm(2),
    hem: cm(4),
    liningHem: cm(1.2),
    band: cm(1.3),
    ...house,
  };
}
