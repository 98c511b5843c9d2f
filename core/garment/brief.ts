import type { Cm } from '../units/length.ts';
import type { FitClass, School } from './fit.ts';

/** The cloth bought for the order. */
export interface Cloth {
  readonly name: string;
  readonly width: Cm | null;
  /** stretch around the body in percent; a plain woven has 0 */
  readonly stretch: number;
  /** weight in g/m², null when not known */
  readonly weight: number | null;
}

/** What was agreed before the tape came out. Lengths cm. */
export interface Brief {
  readonly fit: FitClass;
  readonly school: School;
  readonly cloth: Cloth;
  /** name of the lining cloth; empty means unlined */
  readonly lining: string;
  readonly beneath: string;
  readonly shoes: string;
  readonly heel: Cm | null;
  /** wider allowances for later letting out */
  readonly letOut: boolean;
  readonly note: string;
  readonly parts: readonly PartBrief[];
}

/** A straight skirt in woven cloth, opening at the waist. */
export interface StraightSkirtBrief {
  readonly part: 'straight-skirt';
  /** waist to hem that is wanted, used at each station that was not read */
  readonly length: Cm | null;
  /** finished width of the waistband; 0 means a faced waist */
  readonly band: Cm;
  readonly overlap: Cm;
  /** how much each side edge runs in at the hem, 0 to 2.5 */
  readonly taper: Cm;
  readonly hemOpening: { readonly kind: 'none' | 'vent' | 'slit'; readonly height: Cm };
  readonly zip: 'centre-back' | 'left-side';
}

/** One part of a garment; later parts join this union. */
export type PartBrief = StraightSkirtBrief;
