import type { Point, Segment } from './curve.ts';

/** The flattest bend: so far down from the corner to the wide line its two tangents meet, as a part of that height. */
const FLATTEST = 0.75;
/** The fullest: so far sideways for each cm down may a side seam leave its waist, and no sooner than this part of the height. */
const STEEPEST = 0.7;
const SOONEST = 0.06;

/**
 * Where the tangents of a fair side seam meet, as a part of the height from its corner down to the wide line where it is
 * upright: the flattest at which it still reaches every point. It is a parabola, bulging outward all along, so it passes
 * points that would dent it outside of them; those further out than it may bend, and those beyond the wide line, it misses.
 * Points with growing y, cm.
 */
export function bendOf([x0, y0]: Point, points: readonly Point[], [x1, y1]: Point): number {
  const height = y1 - y0;
  const run = x1 - x0;
  const fullest = Math.min(FLATTEST, Math.max(SOONEST, run / (STEEPEST * height)));
  const bends = points.map(([x, y]) => {
    const u = Math.sqrt(Math.min(1, Math.max(0, (x1 - x) / run)));
    if (u >= 1) return FLATTEST;
    if (u <= 0) return fullest;
    return (y - u * u * y0 - (1 - u) ** 2 * y1 - 2 * u * (1 - u) * y0) / (2 * u * (1 - u) * height);
  });
  return Math.max(fullest, Math.min(FLATTEST, ...bends));
}

/** How far out a fair side seam of this bend lies at a height, cm. */
export function fairAt([x0, y0]: Point, [x1, y1]: Point, bend: number, y: number): number {
  if (y <= y0) return x0;
  if (y >= y1) return x1;
  // y = u² y0 + 2u(1 − u) m + (1 − u)² y1, solved for u; x = x1 − u² (x1 − x0).
  const m = y0 + bend * (y1 - y0);
  const [a, b, c] = [y0 - 2 * m + y1, 2 * (m - y1), y1 - y];
  const u = Math.abs(a) < 1e-9 ? -c / b : (-b - Math.sqrt(b * b - 4 * a * c)) / (2 * a);
  return x1 - u * u * (x1 - x0);
}

/** The fair side seam itself, from its corner down to the wide line, where it is upright. */
export function fairSide(corner: Point, wide: Point, bend: number): Segment {
  const meet: Point = [wide[0], corner[1] + bend * (wide[1] - corner[1])];
  const toward = (p: Point): Point => [p[0] + ((meet[0] - p[0]) * 2) / 3, p[1] + ((meet[1] - p[1]) * 2) / 3];
  return [corner, toward(corner), toward(wide), wide];
}
