import type { Face, SeamKind } from '../garment/seams.ts';
import type { Cm } from '../units/length.ts';
import type { Way } from './move-edge.ts';

/** How the pin tells an amount: a fold pinned takes twice its width out; a length is what it is. */
export type Pinned = 'fold' | 'length';
/**
 * How an amount was written down: never a bare number. As pinned: at each edge of every seam that is named, so that a
 * seam gives twice. The others are totals: of each seam, of one side, of all that is asked. `fold` is what “as pinned”
 * meant before: a fold of so much in all, shared over its edges; it is read, and no more written.
 */
export const AS = ['pinned', 'seam', 'side', 'total', 'fold'] as const;
export type As = (typeof AS)[number];

/** Which half of the garment: the client’s own left and right. */
export const SIDES = ['both', 'left', 'right'] as const;
export type Side = (typeof SIDES)[number];

/** One way in which a kind can be made: its word, and whether it adds cloth (+1) or takes it (−1). */
export interface Direction {
  readonly id: string;
  readonly word: string;
  readonly sign: 1 | -1;
}

/** Places along a seam, by the body line or end they lie at: where the amount is full, and where it is nothing. */
export interface Levels {
  readonly full: readonly Level[];
  readonly nothing: readonly Level[];
  /** past the last full one it fades over so many cm */
  readonly fade?: number;
}
/** `start` and `end` of the seam; `apex` over the bust point or shoulder blade; `fork` of a leg; `underarm`; or a line. */
export type Level = 'start' | 'end' | 'apex' | 'fork' | 'underarm' | 'bust' | 'waist' | 'hip' | 'knee';

/** What a kind does to the panels. */
export type Move =
  /** moves a seam: the amount is a girth shared over its edges, or what each of them moves (a length) */
  | {
      readonly do: 'edge';
      /** each part is altered at the first of these that it bears */
      readonly seam: readonly SeamKind[];
      readonly way: Way;
      readonly amount: 'shared' | 'each';
      readonly face?: Face;
      /** only on panels that have one of these too: an underarm is a side seam below an armhole */
      readonly beside?: readonly SeamKind[] | undefined;
      /** turns the direction round, for what goes out where another goes in */
      readonly turned?: true;
      /** where it is full and where nothing, when no run is given, other than the kind says */
      readonly levels?: Levels;
      /** full in the middle of the edge and nothing at both its ends */
      readonly bowed?: true;
    }
  /** lengthens or shortens across a body line, or half way between two */
  | {
      readonly do: 'level';
      readonly between: readonly [from: Level, to: Level];
      readonly face?: Face;
    }
  /** evenly over the panel at the centre, to nothing at the side seam */
  | {
      readonly do: 'wedge';
      readonly between: readonly [from: Level, to: Level];
      readonly face: Face;
    }
  /** darts take more where cloth is taken (a girth, shared over all), or as much as a panel grows (each) */
  | {
      readonly do: 'dart';
      /** darts that lie on this edge, and for the waist those with two ends */
      readonly edge: string;
      readonly amount: 'shared' | 'each';
      readonly face?: Face;
    }
  /** slashed from one edge to the edge across and spread there (a girth, shared over all panels) */
  | { readonly do: 'spread'; readonly edge: string; readonly hinge: readonly string[] }
  /** darts of an edge moved along it, the amount each */
  | { readonly do: 'dart-shift'; readonly edge: string; readonly face?: Face }
  /** a dart where there was none, the amount shared over both sides; at `begins`, so long as to `zero` */
  | { readonly do: 'dart-new'; readonly edge: string }
  /** longer over the bust, a dart that was turned away from the side seam taking it up */
  | { readonly do: 'fuller' }
  /** what the waist gained or lost by the moves before is taken out or let in again at the side seams */
  | { readonly do: 'keep-waist' };

/** What a garment must have for a kind that changes no panel. */
export type Need =
  | 'elastic'
  | 'lacing'
  | 'zip'
  | 'pocket'
  | 'lining'
  | 'straps'
  | 'sleeve'
  | 'shoulder'
  | 'cuff';

/** Something else that is asked with a kind: words, one of some choices, a length or a number. */
export interface Detail {
  readonly id: string;
  readonly label: string;
  readonly is: 'words' | 'length' | 'number' | 'choice';
  readonly choices?: readonly string[];
}

/** A kind of alteration, as data. */
export interface AlterationKind {
  readonly id: string;
  readonly name: string;
  readonly group: 'girth' | 'length' | 'edge' | 'shape' | 'other';
  readonly pinned: Pinned;
  readonly directions: readonly Direction[];
  /** empty where the work changes no panel */
  readonly moves: readonly Move[];
  /** what is done on a garment that does not bear the moves above: the first of these that it bears */
  readonly otherwise?: readonly (readonly Move[])[];
  /** the face it is asked for where nothing else is said */
  readonly usual?: Face;
  /** other words that people look for it by */
  readonly words?: string;
  /** what a garment must have for work that changes no panel */
  readonly needs?: Need;
  /** what else is asked and read back */
  readonly details?: readonly Detail[];
  /** it can begin, stay full and run to nothing along its seam */
  readonly tapers?: true;
  /** where it is full when no run is given: at the seam’s first end (top, centre) or its last; all along otherwise */
  readonly full?: 'start' | 'end';
  /** or the places where it is full and where it is nothing */
  readonly levels?: Levels;
  /** seams that are opened for it, in words */
  readonly opens: readonly string[];
  /** work at the bench, minutes (house default, invented; no source) */
  readonly minutes: number;
  /** what is looked at or measured again afterwards, in words */
  readonly after: readonly string[];
  /** whether an amount must be given */
  readonly amount: 'needed' | 'optional' | 'none';
  /** when it is done among the work on one garment: widths and lengths first, shapes and edges then, hems, the press last */
  readonly turn?: 'first' | 'hem' | 'last';
  /** it marks a hem from the floor: after whatever else moves how the garment hangs */
  readonly marksHem?: true;
  /** the garment hangs otherwise afterwards, so that a hem that was marked before is marked again */
  readonly rehangs?: true;
  /** the armhole is another one afterwards, so that a sleeve that was set before is set again */
  readonly otherArmhole?: true;
  /** what kept in mind while it is done, in a sentence */
  readonly note?: string;
  /** the same, of a garment that is lined */
  readonly liningNote?: string;
}

export const IN: Direction = { id: 'in', word: 'take in', sign: -1 };
export const OUT: Direction = { id: 'out', word: 'let out', sign: 1 };
export const UP: Direction = { id: 'up', word: 'take up', sign: -1 };
export const DOWN: Direction = { id: 'down', word: 'let down', sign: 1 };
export const SHORTER: Direction = { id: 'shorter', word: 'shorten', sign: -1 };
export const LONGER: Direction = { id: 'longer', word: 'lengthen', sign: 1 };
export const LOWER: Direction = { id: 'lower', word: 'lower', sign: -1 };
export const HIGHER: Direction = { id: 'higher', word: 'raise', sign: 1 };

/** Where an alteration runs along its seam, cm from where the seam begins at the top or the centre. */
export interface Run {
  /** from here it takes its full amount; before it runs up from nothing at `begins` */
  readonly begins: Cm | null;
  readonly fullFrom: Cm | null;
  readonly fullTo: Cm | null;
  /** here it is nothing again */
  readonly zero: Cm | null;
}
