import { describe, expect, it } from 'vitest';
import { crossing, directionAt, type Point, pointAt } from './curve.ts';
import { bendOf, fairAt, fairSide } from './fair-side.ts';

const CORNER: Point = [21.7, -1.2];
const WIDE: Point = [24.75, 20.6];
const made = (points: readonly Point[], wide = WIDE) => {
  const bend = bendOf(CORNER, points, wide);
  return { bend, seam: fairSide(CORNER, wide, bend) };
};

describe('a fair side seam', () => {
  it('bulges outward all along, is upright where it ends, and never lies inside a point it can reach', () => {
    for (const points of [
      [[22.5, 10.3]],
      [[24.2, 9]],
      [
        [23, 6],
        [24, 10.3],
      ],
      [
        [21.8, 9.3],
        [22.4, 10.3],
      ],
    ] as Point[][]) {
      const { seam } = made(points);
      const leans = Array.from({ length: 21 }, (_, i) => directionAt(seam, i / 20)).map(([x, y]) => x / y);
      leans.slice(1).forEach((l, i) => void expect(l).toBeLessThan(leans[i]! + 1e-9));
      expect(leans.at(-1)).toBeCloseTo(0, 9);
      for (const [x, y] of points) expect(crossing(seam, y)!).toBeGreaterThan(x - 1e-6);
    }
  });
  it('goes through the point that decides, and its place at a height is the one on the seam', () => {
    const { seam, bend } = made([[24.2, 9]]);
    expect(crossing(seam, 9)).toBeCloseTo(24.2, 6);
    for (const t of [0.1, 0.4, 0.8]) {
      const [x, y] = pointAt(seam, t);
      expect(fairAt(CORNER, WIDE, bend, y)).toBeCloseTo(x, 6);
    }
  });
  it('keeps its bend where a point cannot be reached: beyond the wide line, or too far out too soon', () => {
    for (const points of [[[26, 9]], [[24.7, 0.5]]] as Point[][]) {
      const [x, y] = directionAt(made(points).seam, 0);
      expect(x / y).toBeCloseTo(0.7, 6);
    }
    expect(made([[21.7, 10]]).bend).toBe(0.75);
  });
});
