import { directionAt, distance, type Point, pointAt, type Segment } from './curve.ts';
import type { Panel } from './panel.ts';

/** How far a notch's tick goes inward from the seam line, cm. */
const TICK = 0.6;

/** A notch as a tick across the seam line: from a little inside to the cut line; null where it lies on no edge. */
export function tick(panel: Panel, at: Point): readonly [Point, Point] | null {
  let nearest: { away: number; way: Point; allowance: number } | null = null;
  for (const e of panel.edges)
    for (const s of e.path)
      for (let i = 0; i <= 64; i++) {
        const away = distance(pointAt(s, i / 64), at);
        if (!nearest || away < nearest.away - 1e-9)
          nearest = { away, way: directionAt(s, i / 64), allowance: e.allowance };
      }
  if (!nearest || nearest.away > 1) return null;
  const out: Point = [nearest.way[1], -nearest.way[0]];
  const to = (by: number): Point => [at[0] + by * out[0], at[1] + by * out[1]];
  return [to(-TICK), to(nearest.allowance)];
}

/** Half of a drill mark's cross, cm. */
const DRILL = 0.5;
/** A drill mark: two strokes of 1 cm that cross at the point. */
export const cross = ([x, y]: Point): Segment[] => [
  [
    [x - DRILL, y],
    [x + DRILL, y],
  ],
  [
    [x, y - DRILL],
    [x, y + DRILL],
  ],
];

/** An arrow along the warp, with its barbs. */
export function grainArrow([from, to]: readonly [Point, Point]): Segment[] {
  const length = distance(from, to) || 1;
  const way: Point = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  const barb = Math.min(2, length / 4);
  const barbs = (at: Point, by: 1 | -1): Segment[] =>
    ([0.8, -0.8] as const).map(
      (side) =>
        [
          at,
          [at[0] - by * barb * way[0] + side * way[1], at[1] - by * barb * way[1] - side * way[0]],
        ] as const,
    );
  return [[from, to], ...barbs(to, 1), ...barbs(from, -1)];
}
