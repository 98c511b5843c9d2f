import type { Skill } from '../diary/kinds.ts';
import type { Sold } from './sold.ts';

/** What the house reckons an estimate with, in its own money; what is not set is told, never guessed. */
export interface HouseRates {
  /** an hour of each skill */
  readonly hour: Readonly<Partial<Record<Skill, number>>>;
  /** notions, a piece or a metre (a yard) of each kind */
  readonly notions: Readonly<Partial<Record<Sold, number>>>;
  /** what the house adds to work, and to cloth and notions, per cent */
  readonly share: { readonly work: number; readonly goods: number };
  /** what is asked for to begin with, per cent of the price */
  readonly deposit: number;
  /** a price goes up to the next multiple of this; 0: to the hundredth */
  readonly step: number;
}
export const NO_RATES: HouseRates = {
  hour: {},
  notions: {},
  share: { work: 0, goods: 0 },
  deposit: 0,
  step: 0,
};
