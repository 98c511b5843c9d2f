import type { Cm, SheetUnit } from '../units/length.ts';

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
  /** what it was divided by: it prints as its whole and this, not as what came of it */
  readonly by?: number;
  /** true for what was read at the tape, whose words are for those who may read sessions */
  readonly reading?: boolean;
}

/** How far a figure can be trusted, one glance on screen and paper. */
export type Mark = 'read' | 'computed' | 'estimated' | 'overridden' | 'warned' | 'absent';

/** What one panel gets of a figure: exact, and rounded once the house's way for the hand that marks it. */
export interface Share {
  /** front, back, panel … */
  readonly panel: string;
  /** how many such panels the whole has; a half panel on the fold counts twice */
  readonly times: number;
  readonly exact: Cm;
  readonly rounded: Cm;
  readonly terms: readonly Term[];
  /** why it was rounded as it was, where that is not the nearest step */
  readonly note: string;
}

export type FigureGroup = 'girth' | 'level' | 'length' | 'dart' | 'band' | 'opening';

/** What a hand may set of a figure: an ease, or the finished figure itself. */
export const TARGETS = ['wearing', 'style', 'finished'] as const;
export type Target = (typeof TARGETS)[number];

/** A figure set by hand: what the rule gave stays beside it. */
export interface Override {
  readonly id: string;
  readonly figure: string;
  readonly target: Target;
  readonly value: Cm;
  /** as the fitter wrote it, with its unit */
  readonly written: string;
  readonly reason: string;
  readonly by: string;
  readonly at: string;
}

/** One figure of the sheet, with its parts. All lengths cm. */
export interface Figure {
  /** a body line's own name (`hip`), or a part's key and the figure's (`skirt.hem`) */
  readonly id: string;
  readonly letter: string;
  /** the section it stands in: `body`, `opening` or a part's key */
  readonly section: string;
  readonly name: string;
  readonly group: FigureGroup;
  readonly terms: readonly Term[];
  /** what the rules alone give; null when a measurement is missing */
  readonly rule: Cm | null;
  /** what counts; null when absent */
  readonly finished: Cm | null;
  /** the finished figure rounded once, for figures that are marked whole */
  readonly marked: Cm | null;
  /** what each panel gets, for figures that are shared */
  readonly shares: readonly Share[];
  readonly tolerance: Cm;
  readonly marks: readonly Mark[];
  readonly overrides: readonly Override[];
  /** what may be set by hand; empty for a figure that is measured on the draft */
  readonly settable: readonly Target[];
  /** the unit a bought thing is sold in, in which it always prints; null for a figure that is marked */
  readonly bought: SheetUnit | null;
  readonly note: string;
  readonly why: readonly string[];
  /** how far the cloth stretches there, percent, where that is not what the order's own does */
  readonly gives?: number;
}

/** A check made on the sheet. A warned one must be accepted by name before the sheet is agreed. */
export interface Check {
  readonly code: string;
  readonly figure: string | null;
  readonly state: 'passed' | 'warned' | 'accepted';
  /** true where a figure is absent: nothing to accept, something to measure */
  readonly absent?: boolean;
  readonly sentence: string;
  readonly accepted: { readonly by: string; readonly at: string; readonly reason: string } | null;
}

export interface Piece {
  /** the panel it is cut from */
  readonly panel: string;
  readonly name: string;
  readonly layer: 'outer' | 'underlining' | 'lining' | 'interfacing';
  /** which of the order's other cloths it is cut from, and what that or its underlining is called; absent where it is none */
  readonly from?: 'second' | 'third' | 'fourth';
  readonly cloth?: string;
  /** pieces of cloth, both halves of a pair counted */
  readonly count: number;
  /** cut on the fold: opened out it is twice as wide */
  readonly folded: boolean;
  readonly cut: string;
  readonly grain: string;
  /** laid with its length across the cloth */
  readonly sideways?: boolean;
  /** cut size with allowances, cm: across the grain and along it; null when a figure is absent */
  readonly width: Cm | null;
  readonly length: Cm | null;
  /** what width and length are made of */
  readonly why: string;
  readonly note: string;
}

/** Something to lay ready beside the cloth. A length, when there is one, is in cm. */
export interface Notion {
  readonly name: string;
  readonly is?: 'bone';
  readonly length: Cm | null;
  /** the unit it is sold in, where that is not the sheet's */
  readonly bought?: SheetUnit | null;
  /** how many are bought, each of this length, where a number can be told; one where nothing is said */
  readonly count?: number;
  readonly note: string;
}

export interface Caution {
  readonly code: string;
  readonly sentence: string;
}
