import { type Cm, cm } from '../units/length.ts';
import {
  endOf,
  lengthOf,
  type Point,
  parameterAt,
  pointAt,
  type Segment,
  startOf,
  stretch,
} from './curve.ts';

/** Length of a path, cm. */
export const pathLength = (path: readonly Segment[]): Cm => cm(path.reduce((sum, s) => sum + lengthOf(s), 0));

/** Pieces shorter than this are left out where a path is cut, cm. */
const HAIR = 1e-6;
/** A curve that is bent is first cut into pieces of at most this, so that every piece bends with it, cm. */
const PIECE = 6;

/** One piece of a path: where along the path it begins and ends, cm. */
export interface Piece {
  readonly from: number;
  readonly to: number;
  readonly segment: Segment;
}

/** A path cut at distances along itself, and its curves into short pieces. */
export function piecesOf(path: readonly Segment[], at: readonly number[]): Piece[] {
  const out: Piece[] = [];
  let begun = 0;
  for (const s of path) {
    const length = lengthOf(s);
    const here = begun;
    const inner = at.filter((d) => d > here + HAIR && d < here + length - HAIR).map((d) => d - here);
    if (s.length === 4) {
      const n = Math.ceil(length / PIECE);
      for (let i = 1; i < n; i++) inner.push((length * i) / n);
    }
    const cuts = [0, ...new Set(inner), length].sort((a, b) => a - b);
    for (let i = 0; i + 1 < cuts.length; i++) {
      const [a, b] = [cuts[i]!, cuts[i + 1]!];
      if (b - a < HAIR && cuts.length > 2) continue;
      out.push({
        from: here + a,
        to: here + b,
        segment: stretch(s, a === 0 ? 0 : parameterAt(s, a), b === length ? 1 : parameterAt(s, b)),
      });
    }
    begun += length;
  }
  return out;
}

/** The path between two distances along it, cm. */
export const between = (path: readonly Segment[], from: number, to: number): Segment[] =>
  piecesOf(path, [from, to])
    .filter((p) => p.from >= from - HAIR && p.to <= to + HAIR && p.to - p.from > HAIR)
    .map((p) => p.segment);

/** How far along a path the place nearest to a point lies, cm, and how far off the path the point is. */
export function alongOf(
  path: readonly Segment[],
  [x, y]: Point,
): { readonly along: number; readonly off: number } {
  let best = { along: 0, off: Number.POSITIVE_INFINITY };
  let begun = 0;
  for (const s of path) {
    const length = lengthOf(s);
    const n = Math.max(1, Math.ceil(length / 0.25));
    for (let i = 0; i <= n; i++) {
      const at = (length * i) / n;
      const [u, v] = pointAt(s, parameterAt(s, at));
      const off = Math.hypot(u - x, v - y);
      if (off < best.off) best = { along: begun + at, off };
    }
    begun += length;
  }
  return best;
}

/** The path without its first stretch of so many cm; no segment of the rest is cut apart. */
export function withoutStart(path: readonly Segment[], by: number): readonly Segment[] {
  let left = by;
  for (const [i, s] of path.entries()) {
    const length = lengthOf(s);
    if (left < length - HAIR) {
      const first = left <= HAIR ? s : stretch(s, parameterAt(s, left), 1);
      return [first, ...path.slice(i + 1)];
    }
    left -= length;
  }
  return [];
}

/** How far along a path it first lies so far from the centre, cm; null where it never does. */
export function alongAtX(path: readonly Segment[], x: number): number | null {
  let begun = 0;
  for (const s of path) {
    const [a, b] = [startOf(s)[0] - x, endOf(s)[0] - x];
    if (Math.abs(a) < 1e-9) return begun;
    if (a * b <= 0) {
      let [low, high] = [0, 1];
      for (let i = 0; i < 40; i++) {
        const middle = (low + high) / 2;
        if ((pointAt(s, middle)[0] - x) * a > 0) low = middle;
        else high = middle;
      }
      return begun + lengthOf(stretch(s, 0, low));
    }
    begun += lengthOf(s);
  }
  return null;
}

/** About how far along a path the place nearest to a point lies, cm, to a few millimetres. */
export function about(path: readonly Segment[], [x, y]: Point): number {
  let [best, near, begun] = [0, Number.POSITIVE_INFINITY, 0];
  for (const s of path) {
    const n = s.length === 2 ? 64 : 24;
    let last = startOf(s);
    for (let i = 0; i <= n; i++) {
      const at = pointAt(s, i / n);
      begun += Math.hypot(at[0] - last[0], at[1] - last[1]);
      last = at;
      const off = Math.hypot(at[0] - x, at[1] - y);
      if (off < near) [near, best] = [off, begun];
    }
  }
  return best;
}
