import { Bezier } from 'bezier-js';
import { type Cm, cm } from '../units/length.ts';

/** A place on a flat panel, cm: x away from the centre line, y down from the part's top line. */
export type Point = readonly [x: number, y: number];
/** A straight line, or a cubic curve with its two control points. */
export type Segment =
  | readonly [from: Point, to: Point]
  | readonly [from: Point, c1: Point, c2: Point, to: Point];

/** Where a segment begins, cm. */
export const startOf = (s: Segment): Point => s[0];
/** Where a segment ends, cm. */
export const endOf = (s: Segment): Point => s[s.length - 1]!;
/** Between two points, straight, cm. */
export const distance = (a: Point, b: Point): number => size(b[0] - a[0], b[1] - a[1]);
/** Length of a vector of cloth: no panel is so large or small that its squares would overflow. */
const size = (x: number, y: number): number => Math.sqrt(x * x + y * y);

const isCurve = (s: Segment): s is Segment & { length: 4 } => s.length === 4;
const { Tvalues, Cvalues } = Bezier.getUtils();
const PLACES = Tvalues.length;

/** One coordinate of a cubic's derivative at t. */
const slope = (s: Segment & { length: 4 }, i: 0 | 1, t: number): number => {
  const u = 1 - t;
  return 3 * (u * u * (s[1][i] - s[0][i]) + 2 * u * t * (s[2][i] - s[1][i]) + t * t * (s[3][i] - s[2][i]));
};

/** Length along a segment up to t, cm: on a curve by Legendre–Gauss quadrature at the places and weights of bezier-js. */
function lengthTo(s: Segment, t: number): number {
  if (!isCurve(s)) return t * distance(s[0], s[1]);
  // A third of the derivative: a quadratic of each coordinate.
  const ax = s[1][0] - s[0][0];
  const bx = s[2][0] - s[1][0];
  const cx = s[3][0] - s[2][0];
  const ay = s[1][1] - s[0][1];
  const by = s[2][1] - s[1][1];
  const cy = s[3][1] - s[2][1];
  // The same two quadratics as powers of the parameter.
  const qx = ax - 2 * bx + cx;
  const qy = ay - 2 * by + cy;
  const lx = 2 * (bx - ax);
  const ly = 2 * (by - ay);
  const half = t / 2;
  let sum = 0;
  for (let i = 0; i < PLACES; i++) {
    const at = half * (Tvalues[i]! + 1);
    const x = ax + at * (lx + at * qx);
    const y = ay + at * (ly + at * qy);
    sum += Cvalues[i]! * Math.sqrt(x * x + y * y);
  }
  return 1.5 * t * sum;
}

/** Length along a line or curve, cm. */
export const lengthOf = (s: Segment): Cm => cm(lengthTo(s, 1));

/** The point at parameter t, 0 to 1. */
export function pointAt(s: Segment, t: number): Point {
  const u = 1 - t;
  if (!isCurve(s)) return [s[0][0] * u + s[1][0] * t, s[0][1] * u + s[1][1] * t];
  const a = u * u * u;
  const b = 3 * u * u * t;
  const c = 3 * u * t * t;
  const d = t * t * t;
  return [
    a * s[0][0] + b * s[1][0] + c * s[2][0] + d * s[3][0],
    a * s[0][1] + b * s[1][1] + c * s[2][1] + d * s[3][1],
  ];
}

/** The direction of travel at parameter t, of length 1. */
export function directionAt(s: Segment, t: number): Point {
  let x = isCurve(s) ? slope(s, 0, t) : s[1][0] - s[0][0];
  let y = isCurve(s) ? slope(s, 1, t) : s[1][1] - s[0][1];
  if (size(x, y) < 1e-9) {
    x = endOf(s)[0] - startOf(s)[0];
    y = endOf(s)[1] - startOf(s)[1];
  }
  const q = size(x, y) || 1;
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
    t = Math.min(1, Math.max(0, t - off / size(slope(s, 0, t), slope(s, 1, t))));
  }
  return t;
}

/** The same path walked the other way. */
export const reversed = (path: readonly Segment[]): Segment[] =>
  path.map((s) => [...s].reverse() as unknown as Segment).reverse();

/** Every point of a segment moved. */
export const mapped = (s: Segment, move: (p: Point) => Point): Segment => s.map(move) as unknown as Segment;

/** The stretch of a segment between two of its parameters, 0 ≤ from < to ≤ 1. */
export function stretch(s: Segment, from: number, to: number): Segment {
  if (from <= 0 && to >= 1) return s;
  if (!isCurve(s)) return [pointAt(s, from), pointAt(s, to)];
  // De Casteljau's blossom: the new control points are the cubic's polar form at from and to.
  const polar = (a: number, b: number, c: number): Point => [polarOf(s, 0, a, b, c), polarOf(s, 1, a, b, c)];
  return [polar(from, from, from), polar(from, from, to), polar(from, to, to), polar(to, to, to)];
}

/** One coordinate of a cubic's polar form. */
const polarOf = (s: Segment & { length: 4 }, i: 0 | 1, a: number, b: number, c: number): number => {
  const p = s[0][i] + (s[1][i] - s[0][i]) * a;
  const q = s[1][i] + (s[2][i] - s[1][i]) * a;
  const r = s[2][i] + (s[3][i] - s[2][i]) * a;
  const u = p + (q - p) * b;
  return u + (q + (r - q) * b - u) * c;
};

/** x where a segment crosses the height y; null where it does not. */
export function crossing(s: Segment, y: number): number | null {
  if (!isCurve(s)) {
    const a = s[0][1];
    const b = s[1][1];
    if (Math.abs(a - b) < 1e-12) return Math.abs(y - a) < 1e-9 ? endOf(s)[0] : null;
    const t = (y - a) / (b - a);
    return t < -1e-9 || t > 1 + 1e-9 ? null : pointAt(s, t)[0];
  }
  const p0 = s[0][1];
  const p1 = s[1][1];
  const p2 = s[2][1];
  const p3 = s[3][1];
  // Between its turns a curve only falls or only rises.
  let from = 0;
  for (const until of pieces(turns(p0, p1, p2, p3))) {
    const t = between(p0, p1, p2, p3, y, from, until);
    if (t !== null) return pointAt(s, t)[0];
    from = until;
  }
  return null;
}

const WHOLE: readonly number[] = [1];
/** Where its stretches without a turn end. */
const pieces = (turned: readonly number[]): readonly number[] =>
  turned.length === 0 ? WHOLE : [...turned, 1].sort((t, u) => t - u);

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
  const first = off(from);
  const last = off(until);
  if (Math.abs(first) < 1e-9) return from;
  if (Math.abs(last) < 1e-9) return until;
  if (first < 0 === last < 0) return null;
  let lo = from;
  let hi = until;
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

/** A moved curve lies this near to its true place, cm: less than any line that is drawn. */
const HAIR = 0.002;

/** A segment moved sideways by `d`, to the left hand of travel with y down (outward on a panel); a curve may become several. */
export function offset(s: Segment, d: number): Segment[] {
  if (d === 0 || distance(startOf(s), endOf(s)) < 1e-9) return [s];
  if (!isCurve(s)) return [[aside(s, 0, d), aside(s, 1, d)]];
  return alongside(s, d, 0, 1, 6);
}

/** The point beside a segment at t, `d` to the left hand of travel. */
function aside(s: Segment, t: number, d: number): Point {
  const [p, way] = [pointAt(s, t), directionAt(s, t)];
  return [p[0] + d * way[1], p[1] - d * way[0]];
}

/**
 * What runs beside a curve from one parameter to another: one cubic with the same directions at its ends, its arms
 * changed as its chord is; halved until it lies where it should. (bezier-js moves some gentle curves by a tenth of their
 * distance beside their place.)
 */
function alongside(s: Segment & { length: 4 }, d: number, from: number, to: number, left: number): Segment[] {
  const own = stretch(s, from, to) as Segment & { length: 4 };
  const [a, b] = [aside(s, from, d), aside(s, to, d)];
  const wider = distance(a, b) / (distance(own[0], own[3]) || 1);
  const arm = (p: Point, at: Point, c: Point): Point => [
    p[0] + (c[0] - at[0]) * wider,
    p[1] + (c[1] - at[1]) * wider,
  ];
  const made: Segment = [a, arm(a, own[0], own[1]), arm(b, own[3], own[2]), b];
  const there = [0.25, 0.5, 0.75].every((t) => {
    const [p, way] = [pointAt(own, t), directionAt(own, t)];
    const [x, y] = pointAt(made, t);
    // How far it is from the curve, measured square to it.
    return Math.abs((x - p[0]) * way[1] - (y - p[1]) * way[0] - d) < HAIR;
  });
  if (there || left === 0) return [made];
  const middle = (from + to) / 2;
  return [...alongside(s, d, from, middle, left - 1), ...alongside(s, d, middle, to, left - 1)];
}

/** Least and greatest x and y: [x0, y0, x1, y1]. */
export type Box = [x0: number, y0: number, x1: number, y1: number];
/** A box that holds nothing yet: reach stretches it. */
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
  reachAt(box, s, 0, d);
  reachAt(box, s, 1, d);
  if (!isCurve(s)) return;
  for (const t of turns(s[0][0], s[1][0], s[2][0], s[3][0])) reachAt(box, s, t, d);
  for (const t of turns(s[0][1], s[1][1], s[2][1], s[3][1])) reachAt(box, s, t, d);
}

function reachAt(box: Box, s: Segment, t: number, d: number): void {
  const p = pointAt(s, t);
  if (d === 0) {
    reach(box, p[0], p[1]);
    return;
  }
  const way = directionAt(s, t);
  reach(box, p[0] + d * way[1], p[1] - d * way[0]);
}

/** No place where it turns back. */
const NONE: readonly number[] = [];

/** Where a coordinate of a cubic turns back: parameters between 0 and 1. */
function turns(p0: number, p1: number, p2: number, p3: number): readonly number[] {
  // Control points in order, as on nearly every seam: it never turns.
  if ((p0 <= p1 && p1 <= p2 && p2 <= p3) || (p0 >= p1 && p1 >= p2 && p2 >= p3)) return NONE;
  const a = -p0 + 3 * p1 - 3 * p2 + p3;
  const b = 2 * (p0 - 2 * p1 + p2);
  const c = p1 - p0;
  const inside = (t: number) => t > 0 && t < 1;
  if (Math.abs(a) < 1e-12) return Math.abs(b) < 1e-12 ? NONE : [-c / b].filter(inside);
  const disc = b * b - 4 * a * c;
  if (disc < 0) return NONE;
  const r = Math.sqrt(disc);
  return [(-b + r) / (2 * a), (-b - r) / (2 * a)].filter(inside);
}
