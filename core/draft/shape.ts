import { lengthOf, type Point, type Segment } from './curve.ts';

/** A straight line, as a path. */
export const straight = (a: Point, b: Point): Segment[] => [[a, b]];

/**
 * A seam through points going down, as cubics: it leaves the first along the chord and is upright at the last, and
 * never swings past a point (Fritsch–Carlson slopes). Points with growing y, cm; `leaves` is another slope at the first,
 * sideways for each cm down.
 */
export function seamThrough(points: readonly Point[], leaves?: number): Segment[] {
  const n = points.length;
  if (n < 2) return [];
  const chord = points.slice(1).map(([x, y], i) => (x - points[i]![0]) / (y - points[i]![1]));
  const slope = points.map((_, i) => {
    if (i === n - 1) return 0;
    if (i === 0 && leaves !== undefined) return leaves;
    if (i === 0) return 1.5 * chord[0]! - (n === 2 ? 0 : 0.5 * chord[0]!);
    const [a, b] = [chord[i - 1]!, chord[i]!];
    return a * b <= 0 ? 0 : (2 * a * b) / (a + b);
  });
  return chord.map((_, i) => {
    const [a, b] = [points[i]!, points[i + 1]!];
    const third = (b[1] - a[1]) / 3;
    return [
      a,
      [a[0] + slope[i]! * third, a[1] + third],
      [b[0] - slope[i + 1]! * third, b[1] - third],
      b,
    ] as const;
  });
}

/** A seam that leaves `a` upright, bends outward for a part of its way and falls straight to `b`: one fair line. */
export function flared(a: Point, b: Point, bends: number): Segment {
  const turn = a[1] + (b[1] - a[1]) * bends;
  return [a, [a[0], turn], [a[0] + (b[0] - a[0]) * 0.4, turn + (b[1] - turn) * 0.4], b];
}
/** How far a flare bends before it falls straight: little from the hip, more from the knee (common practice). */
export const BENDS = { hip: 0.12, knee: 0.33 } as const;

/** A line that leaves `a` level and bends to `b`: a parabola, as one cubic. The seam at a waist, a hem. */
export const levelFrom = (a: Point, b: Point): Segment => [
  a,
  [a[0] + (b[0] - a[0]) / 3, a[1]],
  [b[0] - (b[0] - a[0]) / 3, b[1] - (2 * (b[1] - a[1])) / 3],
  b,
];

/** A seam that bends at `m` without a corner: straight towards its ends, its direction there the mean of both ways. */
export function bentAt(a: Point, m: Point, b: Point): Segment[] {
  const third = (from: Point, to: Point): Point => [
    from[0] + (to[0] - from[0]) / 3,
    from[1] + (to[1] - from[1]) / 3,
  ];
  const [before, after] = [Math.hypot(m[0] - a[0], m[1] - a[1]), Math.hypot(b[0] - m[0], b[1] - m[1])];
  const [x, y] = [
    (m[0] - a[0]) / before + (b[0] - m[0]) / after,
    (m[1] - a[1]) / before + (b[1] - m[1]) / after,
  ];
  const size = Math.hypot(x, y) || 1;
  const from = (by: number): Point => [m[0] + (x / size) * by, m[1] + (y / size) * by];
  return [
    [a, third(a, m), from(-before / 3), m],
    [m, from(after / 3), third(b, m), b],
  ];
}

/**
 * A waist or hem from `a` at the centre to `b` at the side, as one cubic: it leaves a centre that leans square to it, and
 * reaches a side that leans square to that. `leaves`: how far down it goes for each cm across where it leaves; `ends`: how
 * far up where it ends; null where it only bends.
 */
export function waistFrom(a: Point, b: Point, leaves: number, ends: number | null): Segment {
  const [run, up] = [b[0] - a[0], a[1] - b[1]];
  const level = levelFrom(a, b);
  // As far along as the rise has room for, so that it does not dip below where it began.
  const reach =
    up <= 0 || !ends || ends < 0 ? run / 6 : Math.max(run / 6, Math.min(run / 3, (0.85 * up) / ends));
  return [
    a,
    leaves !== 0 ? [a[0] + run / 6, a[1] + (leaves * run) / 6] : (level[1] as Point),
    ends !== null ? [b[0] - reach, b[1] + reach * ends] : (level[2] as Point),
    b,
  ];
}

/** The level line from `a` rising by `up`, as long as `length` along itself. @throws RangeError when it rises more than it is long */
export function levelOfLength(
  a: Point,
  up: number,
  length: number,
  line: (a: Point, b: Point) => Segment = levelFrom,
): Segment {
  if (length <= Math.abs(up)) throw new RangeError('A seam cannot rise by more than its length');
  // A flat parabola is longer than its run by two thirds of its rise squared over that; the rest is made up in a step or two.
  let x = length - (2 * up * up) / (3 * length);
  for (let i = 0; ; i++) {
    const made = line(a, [a[0] + x, a[1] - up]);
    const off = length - lengthOf(made);
    if (Math.abs(off) < 1e-10 || i > 20) return made;
    x += off;
  }
}

/**
 * An arc about a centre, from one angle to another (radians, x = cos, y = sin, y down), as cubics of at most 22.5°:
 * their length differs from the circle's by less than one part in ten million.
 */
export function arc([cx, cy]: Point, radius: number, start: number, end: number): Segment[] {
  const steps = Math.max(1, Math.ceil(Math.abs(end - start) / (Math.PI / 8)));
  const step = (end - start) / steps;
  const k = (4 / 3) * Math.tan(step / 4) * radius;
  return Array.from({ length: steps }, (_, i) => {
    const [a, b] = [start + i * step, start + (i + 1) * step];
    const p: Point = [cx + radius * Math.cos(a), cy + radius * Math.sin(a)];
    const q: Point = [cx + radius * Math.cos(b), cy + radius * Math.sin(b)];
    return [
      p,
      [p[0] - k * Math.sin(a), p[1] + k * Math.cos(a)],
      [q[0] + k * Math.sin(b), q[1] - k * Math.cos(b)],
      q,
    ] as const;
  });
}

/** A quarter-ellipse-like curve from a to b that leaves `a` level and reaches `b` upright: a neckline, an underarm. */
export const rounded = (a: Point, b: Point, fullness = 0.5523): Segment => [
  a,
  [a[0] + (b[0] - a[0]) * fullness, a[1]],
  [b[0], b[1] - (b[1] - a[1]) * fullness],
  b,
];
