import { Bezier } from 'bezier-js';
import { type Cm, cm } from '../units/length.ts';

/** A place on a flat panel, cm: x away from the centre line, y down from the part's top line. */
export type Point = readonly [x: number, y: number];
/** A straight line, or a cubic curve with its two control points. */
export type Segment =
  | readonly [from: Point, to: Point]
  | readonly [from: Point, c1: Point, c2: Point, to: Point];

export const startOf = (s: Segment): Point => s[0];
export const endOf = (s: Segment): Point => s[s.length - 1]!;
export const distance = (a: Point, b: Point): number => Math.hypot(b[0] - a[0], b[1] - a[1]);

const at = ([x, y]: Point) => ({ x, y });
const bezier = (s: Segment & { length: 4 }) => new Bezier(at(s[0]), at(s[1]), at(s[2]), at(s[3]));
const isCurve = (s: Segment): s is Segment & { length: 4 } => s.length === 4;
const { length: integrate } = Bezier.getUtils();

/** The derivative of a cubic at t. */
function speed([p, q, r, s]: Segment & { length: 4 }, t: number): { x: number; y: number } {
  const u = 1 - t;
  const [a, b, c] = [3 * u * u, 6 * u * t, 3 * t * t];
  return {
    x: a * (q[0] - p[0]) + b * (r[0] - q[0]) + c * (s[0] - r[0]),
    y: a * (q[1] - p[1]) + b * (r[1] - q[1]) + c * (s[1] - r[1]),
  };
}

/** Length along a segment up to t, cm. */
function lengthTo(s: Segment, t: number): number {
  if (!isCurve(s)) return t * distance(s[0], s[1]);
  return integrate((u: number) => {
    const { x, y } = speed(s, u * t);
    return { x: x * t, y: y * t };
  });
}

const lengths = new WeakMap<Segment, Cm>();
/** Length along a line or curve, cm (Legendre–Gauss quadrature of bezier-js). Segments never change, so it is taken once. */
export function lengthOf(s: Segment): Cm {
  const known = lengths.get(s);
  if (known !== undefined) return known;
  const length = cm(lengthTo(s, 1));
  lengths.set(s, length);
  return length;
}

/** The point at parameter t, 0 to 1. */
export function pointAt(s: Segment, t: number): Point {
  const u = 1 - t;
  if (!isCurve(s)) return [s[0][0] * u + s[1][0] * t, s[0][1] * u + s[1][1] * t];
  const [p, q, r, e] = s;
  const [a, b, c, d] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
  return [a * p[0] + b * q[0] + c * r[0] + d * e[0], a * p[1] + b * q[1] + c * r[1] + d * e[1]];
}

/** The direction of travel at parameter t, of length 1. */
export function directionAt(s: Segment, t: number): Point {
  let { x, y } = isCurve(s) ? speed(s, t) : { x: s[1][0] - s[0][0], y: s[1][1] - s[0][1] };
  if (Math.hypot(x, y) < 1e-9) [x, y] = [endOf(s)[0] - startOf(s)[0], endOf(s)[1] - startOf(s)[1]];
  const q = Math.hypot(x, y) || 1;
  return [x / q, y / q];
}

/** The parameter at a distance along a segment (Newton, to 1e-7 cm). */
export function parameterAt(s: Segment, along: number): number {
  const whole = lengthOf(s);
  if (whole === 0) return 0;
  let t = Math.min(1, Math.max(0, along / whole));
  if (!isCurve(s)) return t;
  for (let i = 0; i < 8; i++) {
    const off = lengthTo(s, t) - along;
    if (Math.abs(off) < 1e-7) break;
    const { x, y } = speed(s, t);
    t = Math.min(1, Math.max(0, t - off / Math.hypot(x, y)));
  }
  return t;
}

/** The same path walked the other way. */
export const reversed = (path: readonly Segment[]): Segment[] =>
  path.map((s) => [...s].reverse() as unknown as Segment).reverse();

/** Every point of a segment moved. */
export const mapped = (s: Segment, move: (p: Point) => Point): Segment => s.map(move) as unknown as Segment;

/** x where a segment crosses the height y; null where it does not. */
export function crossing(s: Segment, y: number): number | null {
  const [a, b] = [startOf(s)[1], endOf(s)[1]];
  if (!isCurve(s)) {
    if (Math.abs(a - b) < 1e-12) return Math.abs(y - a) < 1e-9 ? endOf(s)[0] : null;
    const t = (y - a) / (b - a);
    return t < -1e-9 || t > 1 + 1e-9 ? null : pointAt(s, t)[0];
  }
  const [p0, p1, p2, p3] = [s[0][1], s[1][1], s[2][1], s[3][1]];
  // Between its turns a curve only falls or only rises.
  const ts = [0, ...turns(p0, p1, p2, p3).sort((t, u) => t - u), 1];
  for (let i = 1; i < ts.length; i++) {
    const t = between(p0, p1, p2, p3, y, ts[i - 1]!, ts[i]!);
    if (t !== null) return pointAt(s, t)[0];
  }
  return null;
}

/** Where a cubic that only falls or rises from t = lo to hi reaches y: Newton, kept between what lies above and below. */
function between(
  p0: number,
  p1: number,
  p2: number,
  p3: number,
  y: number,
  from: number,
  until: number,
): number | null {
  const off = (t: number) => {
    const u = 1 - t;
    return u * u * u * p0 + 3 * u * u * t * p1 + 3 * u * t * t * p2 + t * t * t * p3 - y;
  };
  const [first, last] = [off(from), off(until)];
  if (Math.abs(first) < 1e-9) return from;
  if (Math.abs(last) < 1e-9) return until;
  if (first < 0 === last < 0) return null;
  let [lo, hi] = [from, until];
  let t = from + ((until - from) * first) / (first - last);
  for (let i = 0; i < 60; i++) {
    const here = off(t);
    if (Math.abs(here) < 1e-10) break;
    if (here < 0 === first < 0) lo = t;
    else hi = t;
    const u = 1 - t;
    const next = t - here / (3 * (u * u * (p1 - p0) + 2 * u * t * (p2 - p1) + t * t * (p3 - p2)));
    t = next > lo && next < hi ? next : (lo + hi) / 2;
  }
  return t;
}

/** A segment moved sideways by `d`, to the left hand of travel with y down (outward on a panel); a curve may become several. */
export function offset(s: Segment, d: number): Segment[] {
  if (d === 0 || distance(startOf(s), endOf(s)) < 1e-9) return [s];
  if (!isCurve(s)) {
    const [x, y] = directionAt(s, 0);
    return [mapped(s, (p) => [p[0] + d * y, p[1] - d * x])];
  }
  const made = bezier(s).offset(-d);
  return (Array.isArray(made) ? made : []).map(
    (b) => (b as Bezier).points.map((p) => [p.x, p.y]) as unknown as Segment,
  );
}

/** Least and greatest x and y: [x0, y0, x1, y1]. */
export type Box = [x0: number, y0: number, x1: number, y1: number];
export const emptyBox = (): Box => [Infinity, Infinity, -Infinity, -Infinity];

/** Stretches a box to a point. */
export function reach(box: Box, x: number, y: number): void {
  box[0] = Math.min(box[0], x);
  box[1] = Math.min(box[1], y);
  box[2] = Math.max(box[2], x);
  box[3] = Math.max(box[3], y);
}

/**
 * Stretches a box to a segment moved outward by `d`. A curve moved by the same everywhere turns back where the curve
 * itself does, so its ends and turns are enough.
 */
export function reachAlong(box: Box, s: Segment, d: number): void {
  if (!isCurve(s)) {
    const [dx, dy] = d === 0 ? [0, 0] : directionAt(s, 0);
    reach(box, s[0][0] + d * dy, s[0][1] - d * dx);
    reach(box, s[1][0] + d * dy, s[1][1] - d * dx);
    return;
  }
  reachAt(box, s, 0, d);
  reachAt(box, s, 1, d);
  for (const i of [0, 1] as const)
    for (const t of turns(s[0][i], s[1][i], s[2][i], s[3][i])) reachAt(box, s, t, d);
}

function reachAt(box: Box, s: Segment, t: number, d: number): void {
  const [x, y] = pointAt(s, t);
  const [dx, dy] = d === 0 ? [0, 0] : directionAt(s, t);
  reach(box, x + d * dy, y - d * dx);
}

/** Where a coordinate of a cubic turns back: parameters between 0 and 1. */
function turns(p0: number, p1: number, p2: number, p3: number): number[] {
  const a = -p0 + 3 * p1 - 3 * p2 + p3;
  const b = 2 * (p0 - 2 * p1 + p2);
  const c = p1 - p0;
  const inside = (t: number) => t > 0 && t < 1;
  if (Math.abs(a) < 1e-12) return Math.abs(b) < 1e-12 ? [] : [-c / b].filter(inside);
  const disc = b * b - 4 * a * c;
  if (disc < 0) return [];
  const r = Math.sqrt(disc);
  return [(-b + r) / (2 * a), (-b - r) / (2 * a)].filter(inside);
}
