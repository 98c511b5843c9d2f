import type { Cm } from '../units/length.ts';
import type { Point, Segment } from './curve.ts';

export type PanelLayer = 'outer' | 'underlining' | 'lining' | 'interfacing';

/** One named side of a panel's outline. Lengths cm. */
export interface Edge {
  /** waist, side, hem, centre, shoulder, armhole, neck … */
  readonly id: string;
  readonly name: string;
  readonly path: readonly Segment[];
  /** beyond the seam line; 0 on a fold */
  readonly allowance: Cm;
  readonly fold: boolean;
  /** what is gathered or pleated away along it when it is sewn */
  readonly gather: Cm;
  /** what is taken away along it is laid in pleats, whose lines are marked */
  readonly pleated?: true;
  /** a hem or casing: its allowance is folded back over the panel along this edge */
  readonly turned?: boolean;
  /** the body line it lies on, where that is not the one it has its id from: a waist edge that is sewn under the bust */
  readonly line?: string;
}

/** A dart, open on the flat panel and closed when it is sewn. */
export interface Dart {
  readonly id: string;
  /** id of the figure that tells its intake */
  readonly figure: string;
  readonly edge: string;
  /** along the open edge from its first point to the dart's middle */
  readonly at: Cm;
  readonly intake: Cm;
  readonly length: Cm;
  readonly tip: Point;
  /** where its legs leave the edge, in the order of the edge */
  readonly legs: readonly [Point, Point];
}

/** A dart inside the panel with two ends: as wide as its intake at its middle, nothing at its upper and lower end. */
export interface InnerDart {
  readonly id: string;
  /** id of the figure that tells its intake */
  readonly figure: string;
  /** its middle, where it is widest */
  readonly at: Point;
  readonly intake: Cm;
  readonly up: Point;
  readonly down: Point;
}

/** A body line that crosses the panel. */
export interface LineAcross {
  readonly id: string;
  readonly name: string;
  readonly y: Cm;
}

/** A height at which a girth is measured; `over` the place that cloth was turned about, where the panel begins there. */
export interface MeasuredLevel extends LineAcross {
  readonly over?: Point;
}

export interface PanelMark {
  readonly kind: 'notch' | 'thread mark' | 'zip-end' | 'fold line' | 'drill' | 'lengthen' | 'bone channel';
  readonly name: string;
  readonly at: Point;
  /** where a line that is marked ends */
  readonly to?: Point;
  /** the way of a line that is not straight */
  readonly along?: readonly Segment[];
}

/**
 * What a panel is beside its share of figures: `facing` what only finishes an edge, `yoke` what lies above a seam across,
 * `centre` and `side` which of several panels of one face, `under` a collar’s under piece.
 */
export type PanelKind =
  | 'facing'
  | 'yoke'
  | 'centre'
  | 'side'
  | 'train'
  | 'cuff'
  | 'under'
  | 'fall'
  | 'pocket'
  | 'button-band';

/**
 * A flat piece at full size, cm: usually the right half, where `cut` says the rest. Its outline is a ring of edges
 * walked with the cloth on the right hand (top from the centre outward, down the side, the hem back, up the centre).
 */
export interface Panel {
  readonly id: string;
  readonly name: string;
  /** what shares of figures call it: front, back, panel … */
  readonly share: string;
  readonly is?: readonly PanelKind[];
  /** which face of the body it lies on, where its share does not say */
  readonly face?: 'front' | 'back';
  readonly layer: PanelLayer;
  readonly cut: 'fold' | 'pair' | 'single';
  /** pieces of cloth that are cut from it */
  readonly count: number;
  readonly grain: string;
  /** laid with its length across the cloth, from selvedge to selvedge */
  readonly sideways?: boolean;
  readonly edges: readonly Edge[];
  readonly darts: readonly Dart[];
  readonly inner?: readonly InnerDart[];
  readonly lines: readonly LineAcross[];
  /** heights at which its girth is measured though no line is drawn there, since cloth above was turned */
  readonly levels?: readonly MeasuredLevel[];
  readonly marks: readonly PanelMark[];
  /** edges between which a width is taken; a centre that ends higher up counts as x = 0 below it */
  readonly across: { readonly centre: string; readonly side: string };
  readonly note: string;
  /** how far its centre edge lies beside the centre line, where a band sewn to it covers the rest, cm */
  readonly beside?: Cm;
  /** cut as it is drawn with the right side of the cloth up, or down; where left and right are not alike */
  readonly up?: boolean;
  /** panels that go round the body together, where a part has several such rings one below the other */
  readonly ring?: string;
}

/** Whether a panel is of a kind. */
export const isA = (p: Pick<Panel, 'is'>, kind: PanelKind): boolean => p.is?.includes(kind) ?? false;

/** An edge with nothing gathered; `more` says what is otherwise. */
export const edge = (
  id: string,
  name: string,
  path: readonly Segment[],
  allowance: Cm,
  more: Partial<Edge> = {},
): Edge => ({ id, name, path, allowance, fold: false, gather: 0 as Cm, ...more });

/** The body line a lower or upper edge lies on. */
export const lineOf = (e: Pick<Edge, 'id' | 'line'>): string => e.line ?? e.id;

/** The edge of this id. @throws RangeError when the panel has none */
export function edgeOf(panel: Panel, id: string): Edge {
  const found = panel.edges.find((e) => e.id === id);
  if (!found) throw new RangeError(`${panel.name} has no edge ${id}`);
  return found;
}
