import type { Cm } from '../units/length.ts';

/** Why a part of a figure is there. */
export type TermKind =
  | 'body'
  | 'tape'
  | 'wearing'
  | 'style'
  | 'layers'
  | 'stretch'
  | 'share'
  | 'take'
  | 'add';

/** One signed part of a figure. The parts of a figure add up to it. */
export interface Term {
  readonly kind: TermKind;
  readonly label: string;
  readonly cm: Cm;
  readonly because: string;
}

/** How far a figure can be trusted, one glance on screen and paper. */
export type Mark = 'read' | 'computed' | 'estimated' | 'overridden' | 'warned' | 'absent';

/** The amount a hand marks on one piece: exact, and rounded once the house's way. */
export interface Share {
  readonly exact: Cm;
  readonly rounded: Cm;
  readonly terms: readonly Term[];
}

export type FigureGroup = 'girth' | 'level' | 'length' | 'dart' | 'band' | 'opening';

/** A figure set by hand: what the rule gave stays beside it. */
export interface Override {
  readonly id: string;
  readonly figure: string;
  /** what is set: an ease, or the finished figure itself */
  readonly target: 'wearing' | 'style' | 'finished';
  readonly value: Cm;
  /** as the fitter wrote it, with its unit */
  readonly written: string;
  readonly reason: string;
  readonly by: string;
  readonly at: string;
}

/** One figure of the sheet, with its parts. All lengths cm. */
export interface Figure {
  readonly id: string;
  readonly letter: string;
  readonly name: string;
  readonly group: FigureGroup;
  readonly terms: readonly Term[];
  /** what the rules alone give; null when a measurement is missing */
  readonly rule: Cm | null;
  /** what counts; null when absent */
  readonly finished: Cm | null;
  /** the finished figure rounded once, for figures that are marked whole */
  readonly marked: Cm | null;
  readonly front: Share | null;
  readonly back: Share | null;
  readonly tolerance: Cm;
  readonly marks: readonly Mark[];
  readonly overrides: readonly Override[];
  readonly note: string;
  readonly why: readonly string[];
}

/** A check made on the sheet. A warned one must be accepted by name before the sheet is agreed. */
export interface Check {
  readonly code: string;
  readonly figure: string | null;
  readonly state: 'passed' | 'warned' | 'accepted';
  readonly sentence: string;
  readonly accepted: { readonly by: string; readonly at: string; readonly reason: string } | null;
}

export interface Piece {
  readonly name: string;
  readonly layer: 'outer' | 'lining' | 'interfacing';
  readonly count: number;
  readonly cut: string;
  readonly grain: string;
  /** cut size with allowances, cm; null when a figure is absent */
  readonly width: Cm | null;
  readonly length: Cm | null;
  /** what width and length are made of */
  readonly why: string;
  readonly note: string;
}

/** Something to lay ready beside the cloth. A length, when there is one, is in cm. */
export interface Notion {
  readonly name: string;
  readonly length: Cm | null;
  readonly note: string;
}

export interface Caution {
  readonly code: string;
  readonly sentence: string;
}
