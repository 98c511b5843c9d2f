import type { Point } from '../draft/curve.ts';
import type { Panel } from '../draft/panel.ts';
import type { Making } from '../figure/build.ts';
import type { RawCheck } from '../figure/check.ts';
import type { Caution, Figure, Notion, Piece } from '../figure/figure.ts';
import type { WhichSide } from '../measures/convert.ts';
import type { Measured } from '../measures/session.ts';
import type { Cm } from '../units/length.ts';
import type { Reshape } from './adapted-parts.ts';
import type { Fields, ValuesOf } from './fields.ts';
import type { SheetInput } from './input.ts';
import type { Joint } from './joint.ts';
import type { Leaves } from './leaves.ts';
import type { BodyLine, Lift, LineWanted, Zone } from './lines.ts';
import type { Meeting } from './meeting.ts';
import type { Picture, Place } from './picture.ts';
import type { Shape } from './shoulders.ts';
import type { StepId } from './steps.ts';
import type { Allowances } from './tables/allowances.ts';
import type { Face } from './tables/darts.ts';
import type { EaseZone, Hang } from './tables/fit.ts';

/** What a part wants measured: without `needs` its figures are absent, without `helps` it falls back. */
export interface Wants {
  readonly needs: readonly string[];
  readonly helps: readonly string[];
}

/** The edges at which parts of one garment meet. */
export type JoinEdge = 'waist' | 'armhole' | 'neck';

/** Where a garment can open. */
export const OPENS = ['centre-back', 'left-side', 'centre-front'] as const;
export type Opens = (typeof OPENS)[number];

/** What closes an opening. */
export const CLOSES = ['zip', 'buttons', 'loops', 'lacing'] as const;
export type Closes = (typeof CLOSES)[number];

/** What every part of one garment works with. */
export interface GarmentContext extends Making {
  readonly input: SheetInput;
  /** the half that is drafted; the right stands for both where they are alike */
  readonly which: WhichSide;
  readonly measured: ReadonlyMap<string, Measured>;
  readonly hang: Hang;
  readonly allowances: Allowances;
  /** a house length in a step of the hand that marks: as it is in cm, the nearest eighth in inches */
  readonly stepped: (length: Cm) => Cm;
  /** how panels are shaped, by the house and by what was read of neck and shoulders, in steps of the hand that marks */
  readonly shape: Shape;
  /** a body line of this garment; undefined when no part crosses it or it was not read */
  readonly line: (zone: Zone) => BodyLine | undefined;
  /** where the garment opens */
  readonly opens: Opens | null;
  readonly closes: Closes;
  /** where a bodice ends, and what hangs from it is sewn on */
  readonly joint: Joint;
}

/** What one part works with. */
export interface PartContext extends GarmentContext {
  /** the instance: `skirt`, or `sleeve-2` where there are two */
  readonly key: string;
  /** the id of one of this part's figures, checks or panels */
  readonly id: (name: string) => string;
  /** what hangs above, when this part is joined to it */
  readonly above: Drafted | null;
  /** true when another part hangs from this one at the waist */
  readonly below: boolean;
  /** the edges of this part that another one joins: what finished them by themselves is given up */
  readonly joined: ReadonlySet<JoinEdge>;
}

/** What a part's draft says to the rest of the garment. */
export interface Drafted {
  readonly panels: readonly Panel[];
  /** its left half is another than its right: it is drafted for itself */
  readonly uneven?: boolean;
  /** sewn length of an edge that joins, cm: the whole waist or neckline, one armhole; null while something is absent */
  readonly sewn: Partial<Record<JoinEdge, Cm | null>>;
  /** how an edge it takes should meet what gives it; equal where nothing is said */
  readonly meets?: Partial<Record<JoinEdge, Meeting>>;
  /** marked girth at a depth below the waist, cm */
  readonly girthAt?: (depth: Cm) => Cm | null;
  /** how far down from the waist `girthAt` goes */
  readonly reaches?: Cm;
  /** an opening of this part ends at least here below the waist, cm, with the reason; `whole` where that is all the way down */
  readonly opensAtLeast?: { readonly depth: Cm; readonly because: string; readonly whole?: boolean };
  /** how far above the waist it ends, or hangs from, cm; at the waist where nothing is said, null while that is not known */
  readonly up?: Cm | null;
  /** from its upper edge to the waist along the opening, cm */
  readonly opensAbove?: Cm;
  /** what its upper edge carries and the opening crosses as well, cm: a stand at the centre back */
  readonly opensOver?: { readonly name: string; readonly length: Cm };
  /** where a sleeve hangs: the ends of its armhole as it is worn, the waist at y 0, cm */
  /** where a collar lies: the side-neck, and the height of the neckline at the centre front and back, the waist at y 0, cm */
  readonly neckline?: { readonly side: Point; readonly front: number; readonly back: number };
  readonly arm?: { readonly shoulder: Point; readonly underarm: Point };
  /** where the sewn darts lie, from the centre along the sewn waist, cm */
  readonly sewnDarts?: Readonly<Record<Face, readonly Cm[]>>;
  /** figures of its own that have an ease of a zone, so that the sheet says how they fit */
  readonly zones?: readonly { readonly zone: EaseZone; readonly figure: string }[];
  /** measures it was drafted by without asking for them, where what it asks for was not read */
  readonly uses?: readonly string[];
  /** where figures are found on the flat panels */
  readonly places: () => readonly Place[];
}

/** Pieces, things to lay ready and cautions of one part. */
export interface Cutting {
  readonly pieces: readonly Piece[];
  readonly notions: readonly Notion[];
  readonly allowances: readonly { readonly name: string; readonly cm: Cm }[];
  readonly cautions: readonly Caution[];
}

/** A garment part: data, draft and what is read off it, all in one folder. Adding a part is adding one of these. */
export interface GarmentPart<F extends Fields = Fields, D extends Drafted = Drafted> {
  readonly id: string;
  readonly name: string;
  /** begins the ids of what the part brings: `skirt` → `skirt.hem` */
  readonly key: string;
  readonly fields: F;
  readonly hangsFrom: Hang;
  readonly joins: {
    readonly gives: readonly JoinEdge[];
    readonly takes: readonly { readonly edge: JoinEdge; readonly needed: boolean }[];
    /** fields that a join replaces: a skirt under a bodice has no band of its own */
    readonly givenUp: readonly string[];
  };
  /** the steps by which it can be adapted */
  readonly adapts?: readonly StepId[];
  /** how its panels follow those that act on them */
  readonly reshape?: Reshape;
  /** falls free of waist and hip, so that it can hang from a seam above the waist */
  readonly hangsAbove?: true;
  /** lies on the others without a seam that joins it: never a garment by itself */
  readonly free?: true;
  readonly wants: (values: ValuesOf<F>) => Wants;
  /** what it asks for and leaves unused as things are, each with why */
  readonly leaves?: (c: PartContext, values: ValuesOf<F>, d: D) => Leaves;
  readonly lines: (
    values: ValuesOf<F>,
    context: Omit<GarmentContext, 'line' | 'refuse'>,
  ) => readonly LineWanted[];
  readonly lifts?: (
    values: ValuesOf<F>,
    line: (zone: Zone) => BodyLine | undefined,
    fit: SheetInput['brief']['fit'],
  ) => readonly Lift[];
  readonly draft: (c: PartContext, values: ValuesOf<F>) => D;
  readonly figures: (c: PartContext, values: ValuesOf<F>, d: D) => readonly Figure[];
  readonly checks: (c: PartContext, values: ValuesOf<F>, d: D, opening: OpeningMade) => readonly RawCheck[];
  readonly picture: (c: PartContext, values: ValuesOf<F>, d: D) => Picture;
  readonly cutting: (c: PartContext, values: ValuesOf<F>, d: D, opening: OpeningMade) => Cutting;
}

/** The garment's one opening as it was worked out. */
export interface OpeningMade {
  readonly zip: Figure | null;
  /** where it ends below the waist, cm; null when it is not known */
  readonly endsAt: Cm | null;
}

/** Types a part by its fields and its draft; to the registry both are the part's own matter. */
export const definePart = <const F extends Fields, D extends Drafted>(part: GarmentPart<F, D>): GarmentPart =>
  part as unknown as GarmentPart;
