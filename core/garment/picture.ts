import type { Point } from '../draft/curve.ts';
import type { Panel } from '../draft/panel.ts';

/** One stroke of a drawing. Coordinates cm. */
export interface Stroke {
  readonly d: string;
  readonly kind: 'outline' | 'seam' | 'level' | 'dart' | 'zip' | 'band' | 'cut' | 'fold';
  /** id of the figure the stroke shows, to light it up */
  readonly figure: string | null;
}

/** A figure's place: where its letter points. */
export interface Pointed {
  readonly figure: string;
  readonly at: Point;
}

/** A part as it looks on the wearer, from the front and from behind: waist at y 0, centre at x 0, cm. */
export interface Picture {
  readonly front: { readonly strokes: readonly Stroke[]; readonly points: readonly Pointed[] };
  readonly back: { readonly strokes: readonly Stroke[]; readonly points: readonly Pointed[] };
}
export const NO_PICTURE: Picture = {
  front: { strokes: [], points: [] },
  back: { strokes: [], points: [] },
};

/** Where a figure is found on a flat panel, with the line that shows it. */
export interface Place extends Pointed {
  readonly panel: Panel['id'];
  readonly stroke?: string;
}
