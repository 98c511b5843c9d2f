import type { Allowances } from '../garment/allowances.ts';
import type { Brief } from '../garment/brief.ts';
import type { FixedDarts } from '../garment/darts.ts';
import type { EaseOverlay } from '../garment/fit.ts';
import type { Reading } from '../measures/session.ts';
import type { Cm } from '../units/length.ts';
import type { Rounding } from '../units/rounding.ts';
import type { Override } from './figure.ts';

/** The house's own figures, laid over the tables. Lengths cm. */
export interface HouseRules {
  readonly rounding: Rounding;
  /** moved from each back quarter to the front quarter (negative: to the back) */
  readonly balance: { readonly waist: Cm; readonly hip: Cm };
  readonly ease: EaseOverlay;
  readonly allowances: Partial<Allowances>;
  readonly darts: { readonly front?: FixedDarts | undefined; readonly back?: FixedDarts | undefined };
  /** hip level below the waist when it was not read */
  readonly hipDrop: Cm;
}

export interface Acceptance {
  readonly code: string;
  /** the warning as it was accepted; when it now says something else the acceptance lapses */
  readonly sentence?: string | undefined;
  readonly by: string;
  readonly at: string;
  readonly reason: string;
}

export interface SheetHead {
  readonly studio: string;
  readonly order: string;
  readonly client: string;
  readonly what: string;
  readonly occasion: string;
  /** ISO dates or empty */
  readonly wornOn: string;
  readonly dueOn: string;
  readonly responsible: string;
}

export interface SessionHead {
  /** ISO date or empty */
  readonly date: string;
  readonly measurer: string;
  readonly scribe: string;
  readonly beneath: string;
  readonly heel: Cm | null;
  readonly waistRule: string;
  readonly hipRule: string;
}

/** Everything a sheet is computed from. The same input always gives the same sheet. */
export interface SheetInput {
  readonly head: SheetHead;
  readonly brief: Brief;
  readonly session: SessionHead;
  readonly readings: readonly Reading[];
  readonly house: HouseRules;
  readonly overrides: readonly Override[];
  readonly accepted: readonly Acceptance[];
  /** ISO date against which the session's age is judged */
  readonly asOf: string;
  /** lengths of the brief and the session as somebody wrote them, which is how they print in either unit */
  readonly given?: { readonly clothWidth?: string | null; readonly heel?: string | null };
  /** the studio's time zone, in which instants become days; UTC when left out */
  readonly timeZone?: string;
}
