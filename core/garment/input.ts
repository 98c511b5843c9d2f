import type { Ages } from '../checks/stale.ts';
import type { DateOrder } from '../dates/read-date.ts';
import type { Override } from '../figure/figure.ts';
import type { Schools } from '../measures/schools.ts';
import type { Reading } from '../measures/session.ts';
import type { Cm, SheetUnit } from '../units/length.ts';
import type { HouseRounding } from '../units/rounding.ts';
import type { Carried } from './carried.ts';
import type { LaidLength } from './laid-length.ts';
import type { OwnRules } from './own.ts';
import type { StepTaken } from './steps.ts';
import type { Allowances } from './tables/allowances.ts';
import type { ClothTrait } from './tables/cloth-traits.ts';
import type { FixedDarts } from './tables/darts.ts';
import type { EaseOverlay, FitClass, School } from './tables/fit.ts';

/** The cloth bought for the order. */
export interface Cloth extends Readonly<Partial<Record<ClothTrait, boolean>>> {
  readonly name: string;
  readonly width: Cm | null;
  /** stretch around the body in percent; a plain woven has 0 */
  readonly stretch: number;
  /** stretch lengthwise in percent */
  readonly stretchAlong?: number;
  /** weight in g/m², null when not known */
  readonly weight: number | null;
  /** what its panels are mounted on; empty or absent where they are not underlined */
  readonly underlining?: string;
}

/** A cloth beside the order's own, and what is cut from it: keys of parts, and kinds of panels (`CUT_KINDS`). */
export interface OtherCloth extends Cloth {
  readonly of: readonly string[];
}

/** One part of a garment as briefed: its id, and what its fields say. Lengths cm. */
export interface PartBrief {
  readonly part: string;
  readonly [field: string]: Cm | number | string | boolean | null;
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
  /** how the block was adapted, in the order in which it was done */
  readonly steps?: readonly StepTaken[];
  /** cloths beside it, at most three, each for parts and panels of its own */
  readonly cloths?: readonly OtherCloth[];
  /** allowances and ease of this order alone, above the house's */
  readonly own?: OwnRules;
}

/** The house's own figures, laid over the tables. Lengths cm. */
export interface HouseRules {
  readonly rounding: HouseRounding;
  /** front and back rounded each by itself, or as a pair: one may differ by a step where that brings the sum nearer */
  readonly pairing: 'each' | 'pair';
  /** the band cut to the marked waist, or to the finished one with the rest eased on, up to 1 cm */
  readonly band: 'marked' | 'eased';
  /** the unit zips are bought in; the one the hand marks in when null */
  readonly zips: SheetUnit | null;
  /** moved from each back quarter to the front quarter (negative: to the back) */
  readonly balance: { readonly bust: Cm; readonly waist: Cm; readonly hip: Cm };
  readonly ease: EaseOverlay;
  readonly allowances: Partial<Allowances>;
  readonly darts: { readonly front?: FixedDarts | undefined; readonly back?: FixedDarts | undefined };
  /** how old a measuring may be, days */
  readonly ages: Ages;
  /** hip level below the waist when it was not read */
  readonly hipDrop: Cm;
  readonly shape: {
    /** how much a skirt's waist rises at the side seam, and drops at centre back */
    readonly sideRise: Cm;
    readonly backDrop: Cm;
    /** how much a centre back seam with a zip is shaped in at the waist */
    readonly centreIn: Cm;
    /** shoulder slope in degrees when it is not known */
    readonly slope: number;
    /** side-neck to side-neck when it was not read */
    readonly neckWidth: Cm;
    /** of the crotch extensions, what the front has more and the back less than a sixteenth and an eighth */
    readonly forkForward: Cm;
  };
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
  /** how neckline depths were read; straight down where it is not said */
  readonly neckDepth?: Schools['neckDepth'];
  /** how the girths of a sleeve were read; snug where it is not said */
  readonly sleeveGirth?: Schools['sleeveGirth'];
  /** what the client reported to have changed; the figures are stale sooner then */
  readonly changed?: string;
}

/** Everything a sheet is computed from. The same input always gives the same sheet. */
export interface SheetInput {
  readonly head: SheetHead;
  readonly brief: Brief;
  readonly session: SessionHead;
  readonly readings: readonly Reading[];
  readonly house: HouseRules;
  readonly overrides: readonly Override[];
  /** changes agreed at a fitting before the cloth was cut, taken into the sheet */
  readonly changes?: readonly Carried[];
  readonly accepted: readonly Acceptance[];
  /** lays that were kept, which say how much cloth is to be bought while they are of these panels */
  readonly laid?: readonly LaidLength[];
  /** ISO date against which the session's age is judged */
  readonly asOf: string;
  /** lengths of the brief and the session as somebody wrote them, which is how they print in either unit */
  readonly given?: {
    readonly clothWidth?: string | null;
    /** of the other cloths, in their order */
    readonly widths?: readonly (string | null)[];
    readonly heel?: string | null;
  };
  /** the studio's time zone, in which instants become days; UTC when left out */
  readonly timeZone?: string;
  /** which of day and month the studio writes first; the day when left out */
  readonly dateOrder?: DateOrder;
}
