import type { Cm } from '../units/length.ts';
import type { Allowances } from './tables/allowances.ts';
import type { EaseZone } from './tables/fit.ts';

/** What an order has of its own above the studio's rules: allowances, hems, ease. Lengths cm. */
export interface OwnRules {
  /** panels are cut on their sewing lines */
  readonly none: boolean;
  readonly allowances: Partial<Allowances>;
  /** each hem is turned twice by its depth */
  readonly hemTwice: boolean;
  /** hems and vents are faced instead of turned */
  readonly hemFaced: boolean;
  /** the ease of every girth; null where the fit says it */
  readonly girths: Cm | null;
  /** the ease of single places, above that */
  readonly ease: Partial<Record<EaseZone, Cm>>;
  /** why the ease is another one than the fit's: one reason for the whole garment */
  readonly why: string;
}

/** The reason as sentences go on with it: without blanks around it and its full stop. */
export const plainWhy = (why: string): string => why.trim().replace(/\.$/, '');
