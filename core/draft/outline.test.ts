import { describe, expect, it } from 'vitest';
import { cm } from '../units/length.ts';
import type { Point } from './curve.ts';
import { cutSize, sewnSize } from './outline.ts';
import { edge, type Panel } from './panel.ts';
import { straight } from './shape.ts';

/** A piece with straight edges, walked with the cloth on the right hand; the same allowance all round, or one for each edge. */
function polygon(points: readonly Point[], allowances: number | readonly number[]): Panel {
  return {
    id: 'x.piece',
    name: 'piece',
    share: 'piece',
    layer: 'outer',
    cut: 'single',
    count: 1,
    grain: '',
    edges: points.map((p, i) =>
      edge(
        `e${i}`,
        `e${i}`,
        straight(p, points[(i + 1) % points.length]!),
        cm(typeof allowances === 'number' ? allowances : allowances[i]!),
      ),
    ),
    darts: [],
    lines: [],
    marks: [],
    across: { centre: 'e0', side: 'e1' },
    note: '',
  };
}
const mirrored = (points: readonly Point[]): Point[] => {
  const [first, ...rest] = points.map(([x, y]): Point => [-x, y]);
  return [first!, ...rest.reverse()];
};
const near = ({ width, height }: { width: number; height: number }) => ({
  width: expect.closeTo(width, 6),
  height: expect.closeTo(height, 6),
});

// Worked by hand with plane geometry; every piece also mirrored: cloth has no handedness.
describe('the size of a piece with its seams', () => {
  const sizes = (points: readonly Point[], a: number | readonly number[]) => cutSize(polygon(points, a));

  it('of a rectangle is its own and each edge’s allowance, whichever it is', () => {
    const box: Point[] = [
      [0, 0],
      [30, 0],
      [30, 50],
      [0, 50],
    ];
    expect(sewnSize(polygon(box, 2))).toEqual(near({ width: 30, height: 50 }));
    expect(sizes(box, [1.3, 2, 4, 1.5])).toEqual(near({ width: 30 + 2 + 1.5, height: 50 + 1.3 + 4 }));
    expect(sizes(box, [1.3, 2, 4, 0])).toEqual(near({ width: 32, height: 55.3 }));
    expect(sizes(box, 0)).toEqual(near({ width: 30, height: 50 }));
  });

  it('at a right-angled corner turned by 45° the seams meet √2 further out', () => {
    const diamond: Point[] = [
      [0, -20],
      [20, 0],
      [0, 20],
      [-20, 0],
    ];
    const reach = 40 + 2 * 1.5 * Math.SQRT2;
    expect(sizes(diamond, 1.5)).toEqual(near({ width: reach, height: reach }));
  });

  it('at a point so sharp that its seams would meet far out it is cut off square past it, on both sides alike', () => {
    // Base 3, 40 long: the point is 4.3° sharp, where its cut lines would meet 38 cm beyond it.
    const wedge: Point[] = [
      [0, 0],
      [3, 0],
      [0, 40],
    ];
    const slant = Math.hypot(3, 40);
    const [sin, cos] = [3 / slant, 40 / slant];
    // Along the slant: out by 1.5 across it, and 1.5 on past the point.
    const tip = 40 + 1.5 * sin + 1.5 * cos;
    // The upper right corner, where the level cut line meets the slanted one.
    const right = 3 + 1.5 * cos + ((1.5 + 1.5 * sin) / cos) * sin;
    for (const points of [wedge, mirrored(wedge)])
      expect(sizes(points, 1.5)).toEqual(near({ width: 1.5 + right, height: 1.5 + tip }));
    // Without the cutting off it would be a third longer.
    expect(1.5 + tip).toBeLessThan(40 + 5);
  });

  it('where the cloth has a corner inward nothing stands out', () => {
    const corner: Point[] = [
      [0, 0],
      [30, 0],
      [30, 20],
      [10, 20],
      [10, 50],
      [0, 50],
    ];
    for (const points of [corner, mirrored(corner)])
      expect(sizes(points, 1)).toEqual(near({ width: 32, height: 52 }));
  });

  it('an edge without an allowance, a fold, adds nothing on its side', () => {
    const half: Point[] = [
      [0, 0],
      [20, 2],
      [24, 60],
      [0, 58],
    ];
    const { width, height } = sizes(half, [1.3, 1.5, 4, 0]);
    expect(width).toBeGreaterThan(24 + 1.4);
    expect(width).toBeLessThan(24 + 2.2);
    expect(height).toBeGreaterThan(60 + 1.3 + 3.9);
    expect(height).toBeLessThan(60 + 1.3 + 4.4);
  });
});
