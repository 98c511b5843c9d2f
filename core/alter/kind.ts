import type { Cm } from '../units/length.ts';
import type { Way } from './move-edge.ts';

/** How the pin tells an amount: a fold pinned takes twice its width out; a length is what it is. */
export type Pinned = 'fold' | 'length';
/** How an amount was written down: never a bare number. */
export const AS = ['pinned', 'total'] as const;
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

/** What a kind does to the panels. */
export type Move =
  /** moves an edge; the amount is shared over all its seam edges (a girth), or is what each of them moves (a length) */
  | {
      readonly do: 'edge';
      readonly edge: string;
      readonly way: Way;
      readonly amount: 'shared' | 'each';
      readonly face?: 'front' | 'back';
      /** only on panels that have this edge too: an underarm is a side seam below an armhole */
      readonly beside?: string;
      /** turns the direction round, for what goes out where another goes in */
      readonly turned?: true;
    }
  /** lengthens or shortens across a body line, or half way between two */
  | {
      readonly do: 'level';
      readonly between: readonly [from: string, to: string];
      readonly face?: 'front' | 'back';
    }
  /** at the centre, to nothing at the side seam */
  | {
      readonly do: 'wedge';
      readonly between: readonly [from: string, to: string];
      readonly face: 'front' | 'back';
    }
  /** darts take more where cloth is taken (a girth, shared over all), or as much as a panel grows (each) */
  | {
      readonly do: 'dart';
      readonly edge: string;
      readonly amount: 'shared' | 'each';
      readonly face?: 'front' | 'back';
    }
  /** slashed from one edge to the edge across and spread there (a girth, shared over all panels) */
  | { readonly do: 'spread'; readonly edge: string; readonly hinge: string }
  /** darts of an edge moved along it, the amount each */
  | { readonly do: 'dart-shift'; readonly edge: string; readonly face?: 'front' | 'back' }
  /** a dart where there was none, the amount shared over both sides; at `begins`, so long as to `zero` */
  | { readonly do: 'dart-new'; readonly edge: string };

/** A kind of alteration, as data. */
export interface AlterationKind {
  readonly id: string;
  readonly name: string;
  readonly group: 'girth' | 'length' | 'edge' | 'shape' | 'other';
  readonly pinned: Pinned;
  readonly directions: readonly Direction[];
  /** empty where the work changes no panel */
  readonly moves: readonly Move[];
  /** it can begin, stay full and run to nothing along its seam */
  readonly tapers?: true;
  /** where it is full when no run is given: at the seam’s first end (top, centre) or its last; all along otherwise */
  readonly full?: 'start' | 'end';
  /** or the body lines where it is full and where it is nothing; past the last full one it fades over so many cm */
  readonly levels?: {
    readonly full: readonly string[];
    readonly nothing: readonly string[];
    readonly fade?: number;
  };
  /** seams that are opened for it, in words */
  readonly opens: readonly string[];
  /** work at the bench, minutes (house default, invented; no source) */
  readonly minutes: number;
  /** what is looked at or measured again afterwards, in words */
  readonly after: readonly string[];
  /** whether an amount must be given */
  readonly amount: 'needed' | 'optional' | 'none';
  /** what kept in mind while it is done, in a sentence */
  readonly note?: string;
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
