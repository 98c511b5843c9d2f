import { type Cm, cm } from '../units/length.ts';
import { lengthOf, type Point, parameterAt, pointAt, type Segment, stretch } from './curve.ts';

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
