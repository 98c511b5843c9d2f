import type { Point, Segment } from '../../draft/curve.ts';
import { bendOf, fairSide } from '../../draft/fair-side.ts';
import { mirrored, pathData } from '../../draft/outline.ts';
import { seamThrough } from '../../draft/shape.ts';
import type { Figure } from '../../figure/figure.ts';
import type { Opens } from '../part.ts';
import type { Picture, Pointed, Stroke } from '../picture.ts';

type Strokes = Stroke[];
export interface View {
  readonly strokes: Strokes;
  readonly points: Pointed[];
}
/** One side of a silhouette before anything is drawn on it. */
export const emptyView = (): View => ({ strokes: [], points: [] });

/** Half of a skirt as it hangs, seen from one side, cm: half widths at heights below the waist, the last at the hem. */
export interface HalfSkirt {
  readonly waist: number;
  /** half widths between waist and widest line, by height */
  readonly through: readonly Point[];
  readonly wide: Point;
  readonly hem: number;
  /** the hem's height at the viewer's left, centre and right */
  readonly left: number;
  readonly centre: number;
  readonly right: number;
}

/** The half width at a height, straight between the known ones: where levels and letters are drawn. */
export function halfWidth(h: HalfSkirt, y: number): number {
  const points: Point[] = [[h.waist, 0], ...h.through, h.wide, [h.hem, Math.max(h.left, h.right)]];
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1]!, points[i]!];
    if (y <= b[1] || i === points.length - 1) return a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1] || 1);
  }
  return h.waist;
}

/** The outline of a skirt from one side. */
export function skirtOutline(h: HalfSkirt): Stroke {
  const waist: Point = [h.waist, 0];
  const side: Segment[] =
    h.wide[1] <= 0
      ? []
      : h.through.length > 0 && h.wide[0] > h.waist
        ? [fairSide(waist, h.wide, bendOf(waist, h.through, h.wide))]
        : seamThrough([waist, ...h.through, h.wide]);
  const bend: Point = h.wide[1] > 0 ? h.wide : [h.waist, 0];
  const right: Segment[] = [...side, [bend, [h.hem, h.right]]];
  const left = mirrored([...side, [bend, [h.hem, h.left]]]);
  const hem = `Q${n(h.hem * 0.4)} ${n(h.centre)} 0 ${n(h.centre)} Q${n(-h.hem * 0.4)} ${n(h.centre)} ${n(-h.hem)} ${n(h.left)}`;
  return {
    kind: 'outline',
    figure: null,
    d: `${pathData(right)} ${hem} ${pathData(left).replace(/^M/, 'L')} Z`,
  };
}

/** A band above a waist of this half width. */
export const bandStroke = (waist: number, band: number, figure: string): Stroke => ({
  kind: 'band',
  figure,
  d: `M${n(-waist)} 0 L${n(-waist)} ${n(-band)} L${n(waist)} ${n(-band)} L${n(waist)} 0`,
});

/** A line across at a height, cm from the waist, as wide at both sides; it points at its figure. */
export const levelStroke = (figure: string, half: number, y: number): Stroke => ({
  kind: 'level',
  figure,
  d: `M${n(-half)} ${n(y)} L${n(half)} ${n(y)}`,
});

/** Gathers: short strokes below a seam, each as long as its place in the row says. */
export function gatherStrokes(half: number, y: number, figure: string | null): Stroke {
  const count = Math.max(3, Math.round(half / 2));
  const d = Array.from({ length: 2 * count + 1 }, (_, i) => {
    const x = -half + (half * (i + 0.5)) / (count + 0.5);
    return `M${n(x)} ${n(y)} L${n(x * 1.04)} ${n(y + (i % 2 === 0 ? 3 : 5))}`;
  }).join(' ');
  return { kind: 'dart', figure, d };
}

/** The zip of a garment whose waist is y 0, from `top` to `end`, in the view it is seen in. */
export function zipStrokes(
  opens: Opens,
  face: 'front' | 'back',
  { top, end, halfAt }: { top: number; end: number; halfAt: (y: number) => number },
): View {
  const view = emptyView();
  if (opens !== 'left-side') {
    if (face !== (opens === 'centre-back' ? 'back' : 'front')) return view;
    view.strokes.push({ kind: 'zip', figure: 'zip', d: `M0.5 ${n(top)} L0.5 ${n(end)}` });
    view.points.push({ figure: 'zip', at: [0.5, top + (end - top) * 0.8] });
    return view;
  }
  // Seen from behind the left side is on the left; from the front on the right.
  const side = face === 'back' ? -1 : 1;
  const at = (y: number) => `${n(side * (halfAt(y) - 0.7))} ${n(y)}`;
  const steps = Array.from({ length: 7 }, (_, i) => top + ((end - top) * i) / 6);
  view.strokes.push({
    kind: 'zip',
    figure: 'zip',
    d: steps.map((y, i) => `${i ? 'L' : 'M'}${at(y)}`).join(' '),
  });
  if (face === 'front') view.points.push({ figure: 'zip', at: [side * (halfAt(end) - 0.7), end] });
  return view;
}

/** A button on the centre line. */
export const buttonStroke = (y: number, figure: string): Stroke => ({
  kind: 'seam',
  figure,
  d: `M-0.7 ${n(y)} Q-0.7 ${n(y - 0.7)} 0 ${n(y - 0.7)} Q0.7 ${n(y - 0.7)} 0.7 ${n(y)} Q0.7 ${n(y + 0.7)} 0 ${n(y + 0.7)} Q-0.7 ${n(y + 0.7)} -0.7 ${n(y)}`,
});

/** A silhouette from in front and behind. */
export const pictureOf = (front: View, back: View): Picture => ({ front, back });

/** Points at a figure when the sheet has it. */
export const point = (view: View, figure: Figure | null | undefined, at: Point) => {
  if (figure) view.points.push({ figure: figure.id, at });
};

/** A coordinate as it is written in a path: hundredths at the most. */
export const n = (x: number): string => String(Math.round(x * 100) / 100);
