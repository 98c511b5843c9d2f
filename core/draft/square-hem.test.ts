import { describe, expect, it } from 'vitest';
import { cm } from '../units/length.ts';
import { directionAt, endOf, type Point, type Segment, startOf } from './curve.ts';
import { edgeLength } from './measure.ts';
import { edge, edgeOf, type Panel } from './panel.ts';
import { hemLift, squareHem } from './square-hem.ts';

const line = (a: Point, b: Point): Segment[] => [[a, b]];
/** A skirt panel 60 long: its hem from `left` to `right` at the foot, its waist from 0 to 20; held at a fold where it says so. */
function skirt(left: number, right: number, held: 'left' | 'right' | 'none'): Panel {
  const corners: Point[] = [
    [0, 0],
    [20, 0],
    [right, 60],
    [left, 60],
  ];
  const [a, b, c, d] = corners as [Point, Point, Point, Point];
  return {
    id: 'skirt',
    name: 'skirt',
    share: 'panel',
    layer: 'outer',
    cut: 'single',
    count: 1,
    grain: '',
    edges: [
      edge('waist', 'waist', line(a, b), cm(1)),
      edge(held === 'right' ? 'centre' : 'side', 'side', line(b, c), cm(1), { fold: held === 'right' }),
      edge('hem', 'hem', line(c, d), cm(4)),
      edge(held === 'left' ? 'centre' : 'other', 'other side', line(d, a), cm(1), { fold: held === 'left' }),
    ],
    darts: [],
    lines: [],
    marks: [],
    across: { centre: 'centre', side: 'side' },
    note: '',
  };
}
/** The angle between the hem and the seam at each of its ends, degrees. */
function corners(p: Panel): readonly [first: number, last: number] {
  const i = p.edges.findIndex((e) => e.id === 'hem');
  const [before, hem, after] = [p.edges[i - 1]!, p.edges[i]!, p.edges[(i + 1) % p.edges.length]!];
  const angle = ([a, b]: Point, [c, d]: Point) => (Math.acos(a * c + b * d) * 180) / Math.PI;
  return [
    angle(directionAt(before.path.at(-1)!, 1), directionAt(hem.path[0]!, 0)),
    angle(directionAt(hem.path.at(-1)!, 1), directionAt(after.path[0]!, 0)),
  ];
}
const ring = (p: Panel): boolean =>
  p.edges.every((e, i) => {
    const next = startOf(p.edges[(i + 1) % p.edges.length]!.path[0]!);
    const end = endOf(e.path.at(-1)!);
    return Math.hypot(end[0] - next[0], end[1] - next[1]) < 1e-9;
  });

describe('a hem that meets its seams square', () => {
  it.each([
    ['held at the fold it ends at', 'left', 0, 32],
    ['held at the fold it begins at', 'right', -12, 20],
  ] as const)(
    '%s, it stays there and level, and is square to the seam that flares',
    (_, held, left, right) => {
      const [old, now] = [skirt(left, right, held), squareHem(skirt(left, right, held), 'hem')];
      expect(ring(now)).toBe(true);
      const hem = edgeOf(now, 'hem').path;
      const [begin, end] = [startOf(hem[0]!), endOf(hem.at(-1)!)];
      const kept = held === 'left' ? end : begin;
      expect(kept).toEqual([held === 'left' ? left : right, 60]);
      // Level where it is held, by its tangent; square at the other end.
      const level = held === 'left' ? directionAt(hem.at(-1)!, 1) : directionAt(hem[0]!, 0);
      expect(Math.abs(level[1])).toBeLessThan(1e-9);
      expect(corners(now)[held === 'left' ? 0 : 1]).toBeCloseTo(90, 6);
      // Lifted along its seam by three tenths of its reach by the lean.
      const lean = Math.atan2(12, 60);
      const lift = 0.3 * 32 * Math.tan(lean);
      expect(hemLift(old, 'hem')).toBeCloseTo(lift, 6);
      const seam = held === 'left' ? 'side' : 'other';
      expect(edgeLength(old, seam) - edgeLength(now, seam)).toBeCloseTo(lift, 6);
    },
  );

  it('between two seams that flare it keeps its middle and is lifted at both, alike', () => {
    const [old, now] = [skirt(-10, 30, 'none'), squareHem(skirt(-10, 30, 'none'), 'hem')];
    expect(ring(now)).toBe(true);
    for (const a of corners(now)) expect(a).toBeCloseTo(90, 6);
    const hem = edgeOf(now, 'hem').path;
    expect(hem).toHaveLength(2);
    expect(endOf(hem[0]!)).toEqual([10, 60]);
    for (const way of [directionAt(hem[0]!, 1), directionAt(hem[1]!, 0)]) {
      expect(way[0]).toBeCloseTo(-1, 9);
      expect(way[1]).toBeCloseTo(0, 9);
    }
    const shorter = (id: string) => edgeLength(old, id) - edgeLength(now, id);
    expect(shorter('side')).toBeCloseTo(0.3 * 20 * (10 / 60), 6);
    expect(shorter('other')).toBeCloseTo(shorter('side'), 9);
  });

  it('at a seam that tapers the seam goes on a little; at one that falls straight nothing is done', () => {
    const tapered = squareHem(skirt(0, 14, 'left'), 'hem');
    expect(edgeLength(tapered, 'side')).toBeGreaterThan(edgeLength(skirt(0, 14, 'left'), 'side'));
    expect(corners(tapered)[0]).toBeCloseTo(90, 6);
    const straight = skirt(0, 20, 'left');
    expect(squareHem(straight, 'hem').edges).toEqual(straight.edges);
    expect(hemLift(straight, 'hem')).toBe(0);
  });

  it('is lifted as far as its neighbour’s, where that is said; by no more than a quarter of itself on its own', () => {
    const [old, now] = [skirt(0, 32, 'left'), squareHem(skirt(0, 32, 'left'), 'hem', 3)];
    expect(edgeLength(old, 'side') - edgeLength(now, 'side')).toBeCloseTo(3, 9);
    expect(hemLift(skirt(0, 300, 'left'), 'hem')).toBeCloseTo(75, 6);
    expect(() => squareHem(old, 'sail')).toThrow('skirt has no edge sail');
  });
});
