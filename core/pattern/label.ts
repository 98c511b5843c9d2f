import polylabel from 'polylabel';
import type { Point } from '../draft/curve.ts';
import { inside } from './polyline.ts';

/** Words in a piece: rows around a place, in letters that fit there. */
export interface Label {
  readonly at: Point;
  /** height of the letters, cm */
  readonly size: number;
  readonly upright: boolean;
  readonly rows: readonly string[];
}

/** Letters are no larger and no smaller than this, cm; what is smaller nobody reads on paper. */
const LARGEST = 0.6;
const SMALLEST = 0.18;
/** A letter is about so wide, and a row so high, as parts of its size. */
const WIDE = 0.75;
export const HIGH = 1.8;
/** Room is looked for as finely as this, cm. */
const FINE = 0.25;

/** How far one may go from a place each way and stay in the ring, cm: the less of both, twice. */
export function roomAlong([x, y]: Point, ring: readonly Point[], [dx, dy]: Point, width: number): number {
  const clear = (sign: number): number => {
    for (let d = FINE; d < 60; d += FINE)
      for (const w of [-width / 2, 0, width / 2])
        if (!inside([x + sign * d * dx + w * dy, y + sign * d * dy + w * dx], ring)) return d - FINE;
    return 60;
  };
  return 2 * Math.min(clear(1), clear(-1));
}

/** The place in a ring that lies farthest from it and from what is in it. */
export function middleOf(ring: readonly Point[], holes: readonly Point[][] = []): Point {
  const rings = [ring, ...holes].map((r) => r.map(([x, y]): [number, number] => [x, y]));
  const found = polylabel(rings, 0.2);
  return [found[0]!, found[1]!];
}

/**
 * Where a label lies in a piece: as far as possible from its cut line and from what is drawn in it, along its longer way,
 * in the largest letters that fit.
 */
export function labelIn(ring: readonly Point[], rows: readonly string[], holes: readonly Point[][]): Label {
  const at = middleOf(ring, holes);
  const longest = Math.max(...rows.map((r) => r.length));
  const fits = (way: Point): number => {
    let size = LARGEST;
    // Letters that are smaller need less room across, so that more is found along.
    while (size > SMALLEST && roomAlong(at, ring, way, rows.length * HIGH * size) < longest * WIDE * size)
      size -= 0.03;
    return Math.max(SMALLEST, size);
  };
  const [level, upright] = [fits([1, 0]), fits([0, 1])];
  return { at, size: Math.max(level, upright), upright: upright > level + 1e-9, rows };
}
