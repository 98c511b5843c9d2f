import { lengthOf, type Point, pointAt, type Segment, startOf } from '../draft/curve.ts';

/** Points on a curve are no further apart than this, cm: on a curve of 5 cm radius the chord lies within 0.002 of it. */
const STEP = 0.25;

/** A path as points, its curves in short steps, cm. */
export function pointsAlong(path: readonly Segment[]): Point[] {
  const out: Point[] = [];
  for (const s of path) {
    if (out.length === 0) out.push(startOf(s));
    const n = s.length === 2 ? 1 : Math.max(4, Math.ceil(lengthOf(s) / STEP));
    for (let i = 1; i <= n; i++) out.push(pointAt(s, i / n));
  }
  return out;
}

/** Points as straight segments; closed, back to the first. */
export const lines = (points: readonly Point[], closed = false): Segment[] => [
  ...points.slice(1).map((p, i) => [points[i]!, p] as const),
  ...(closed && points.length > 2 ? [[points.at(-1)!, points[0]!] as const] : []),
];

/** Area of a ring, cm²; without its sign. */
export function areaOf(ring: readonly Point[]): number {
  let twice = 0;
  ring.forEach(([x, y], i) => {
    const [u, v] = ring[(i + 1) % ring.length]!;
    twice += x * v - u * y;
  });
  return Math.abs(twice) / 2;
}

/** Whether a point lies within a ring. */
export function inside([x, y]: Point, ring: readonly Point[]): boolean {
  let odd = false;
  ring.forEach(([x0, y0], i) => {
    const [x1, y1] = ring[(i + 1) % ring.length]!;
    if (y0 > y !== y1 > y && x < x0 + ((x1 - x0) * (y - y0)) / (y1 - y0)) odd = !odd;
  });
  return odd;
}

/** From a point to the nearest place on a line of points, cm. */
export function offLine([x, y]: Point, points: readonly Point[]): number {
  let best = Number.POSITIVE_INFINITY;
  for (let i = 0; i + 1 < points.length; i++) {
    const [[ax, ay], [bx, by]] = [points[i]!, points[i + 1]!];
    const [dx, dy] = [bx - ax, by - ay];
    const whole = dx * dx + dy * dy;
    const t = whole === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / whole));
    best = Math.min(best, Math.hypot(x - ax - t * dx, y - ay - t * dy));
  }
  return best;
}
