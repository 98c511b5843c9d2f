import { Bezier } from 'bezier-js';
import fc from 'fast-check';
import pc from 'polygon-clipping';
import { describe, expect, it } from 'vitest';
import { cm } from '../units/length.ts';
import {
  crossing,
  directionAt,
  emptyBox,
  endOf,
  lengthOf,
  offset,
  type Point,
  parameterAt,
  pointAt,
  reachAlong,
  type Segment,
  startOf,
  stretch,
} from './curve.ts';
import { dartOn, edgeLength, held, sewnLength, sewnWidthAt, widthAt } from './measure.ts';
import { cutOutline, cutSize, mirrored, pathData, sewnOutline, sewnSize } from './outline.ts';
import { edge, edgeOf, type Panel } from './panel.ts';
import { arc, levelFrom, levelOfLength, rounded, seamThrough, straight } from './shape.ts';

/** The path as a polygon of many points: what every measure is judged against. */
const polygon = (path: readonly Segment[], steps: number): Point[] =>
  path.flatMap((s) => Array.from({ length: steps }, (_, i) => pointAt(s, i / steps)));
const along = (points: readonly Point[]) =>
  points.slice(1).reduce((a, p, i) => a + Math.hypot(p[0] - points[i]![0], p[1] - points[i]![1]), 0);
const area = (ring: readonly Point[]) =>
  Math.abs(
    ring.reduce((a, [x, y], i) => {
      const [u, v] = ring[(i + 1) % ring.length]!;
      return a + x * v - u * y;
    }, 0) / 2,
  );

const coordinate = fc.double({ min: -60, max: 60, noNaN: true });
const point = fc.tuple(coordinate, coordinate) as fc.Arbitrary<Point>;
const lean = fc.double({ min: -0.3, max: 0.3, noNaN: true });
/** A curve as seams are: its control points near the thirds of its chord, without cusps. */
const cubic = fc
  .tuple(point, point, lean, lean)
  .filter(([a, b]) => Math.hypot(b[0] - a[0], b[1] - a[1]) > 3)
  .map(([a, b, u, v]): Segment & { length: 4 } => {
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    const at = (t: number, out: number): Point => [a[0] + dx * t - dy * out, a[1] + dy * t + dx * out];
    return [a, at(1 / 3, u), at(2 / 3, v), b];
  });

/** A half skirt panel by hand: waist, side, hem, centre on the fold, one dart. */
function panel(allowance = 1.5): Panel {
  const waist = levelOfLength([0, 0], 1.2, 20.5);
  const corner = endOf(waist);
  const side = [
    ...seamThrough([corner, [26, 20]]),
    [
      [26, 20],
      [25, 60],
    ] as const,
  ];
  return {
    id: 'x.front',
    name: 'front',
    share: 'front',
    layer: 'outer',
    cut: 'fold',
    count: 1,
    grain: 'lengthwise',
    edges: [
      edge('waist', 'waist', [waist], cm(1.3)),
      edge('side', 'side', side, cm(allowance)),
      edge('hem', 'hem', [[...levelFrom([0, 61], [25, 60])].reverse() as unknown as Segment], cm(4)),
      edge('centre', 'centre', straight([0, 61], [0, 0]), cm(0), { fold: true }),
    ],
    darts: [
      dartOn([waist], {
        id: 'd',
        figure: 'd-intake',
        edge: 'waist',
        at: cm(9),
        intake: cm(2.5),
        length: cm(9),
      }),
    ],
    lines: [],
    marks: [],
    across: { centre: 'centre', side: 'side' },
    note: '',
  };
}

describe('curves, against polygons of 10,000 points and closed forms', () => {
  it('are as long as their polygons', () => {
    fc.assert(
      fc.property(cubic, (s) => {
        const judge = along([...polygon([s], 10_000), endOf(s)]);
        expect(Math.abs(lengthOf(s) - judge)).toBeLessThan(Math.max(1e-3, judge * 1e-4));
      }),
      { numRuns: 60 },
    );
  });

  it('find the point at a distance along themselves', () => {
    fc.assert(
      fc.property(cubic, fc.double({ min: 0, max: 1, noNaN: true }), (s, share) => {
        fc.pre(lengthOf(s) > 1);
        const t = parameterAt(s, share * lengthOf(s));
        const upTo = along([...polygon([s], 4000).slice(0, Math.ceil(t * 4000) + 1)]);
        expect(Math.abs(upTo - share * lengthOf(s))).toBeLessThan(Math.max(0.1, lengthOf(s) * 2e-3));
      }),
      { numRuns: 60 },
    );
  });

  it('an arc is as long as the circle says, from a sixteenth to a whole one (r × angle)', () => {
    for (const r of [5, 15.55, 92.3])
      for (const turn of [Math.PI / 8, Math.PI / 2, Math.PI, 2 * Math.PI]) {
        const length = arc([0, -r], r, Math.PI / 2, Math.PI / 2 - turn).reduce((a, s) => a + lengthOf(s), 0);
        expect(Math.abs(length - r * turn) / (r * turn)).toBeLessThan(1e-6);
      }
  });

  it('cross a height where they are at that height, falling or rising', () => {
    fc.assert(
      fc.property(cubic, fc.double({ min: 0.02, max: 0.98, noNaN: true }), (s, t) => {
        const [x, y] = pointAt(s, t);
        const found = crossing(s, y);
        expect(found).not.toBeNull();
        // A curve that turns back crosses more than once: whatever is found must lie on it at that height.
        const near = polygon([s], 4000).some(([u, v]) => Math.abs(u - found!) < 0.2 && Math.abs(v - y) < 0.2);
        expect(near || Math.abs(found! - x) < 0.05).toBe(true);
      }),
      { numRuns: 80 },
    );
    expect(
      crossing(
        [
          [0, 0],
          [4, 8],
        ],
        4,
      ),
    ).toBeCloseTo(2, 9);
    expect(
      crossing(
        [
          [0, 0],
          [4, 8],
        ],
        9,
      ),
    ).toBeNull();
  });

  it('a seam through points goes through them, ends upright, and never swings past a point', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 10, max: 40, noNaN: true }), { minLength: 2, maxLength: 5 }),
        (xs) => {
          const points = xs.map((x, i): Point => [x, i * 7]);
          const path = seamThrough(points);
          path.forEach((s, i) => {
            expect(startOf(s)).toEqual(points[i]);
            expect(endOf(s)).toEqual(points[i + 1]);
            const [a, b] = [Math.min(xs[i]!, xs[i + 1]!), Math.max(xs[i]!, xs[i + 1]!)];
            for (const [x] of polygon([s], 50)) {
              expect(x).toBeGreaterThan(a - 1e-6);
              expect(x).toBeLessThan(b + 1e-6);
            }
          });
          expect(Math.abs(directionAt(path.at(-1)!, 1)[0])).toBeLessThan(1e-6);
        },
      ),
      { numRuns: 80 },
    );
  });

  it('a level line of a length has that length, and cannot rise by more than it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 60, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (w, up) => {
          const line = levelOfLength([1.3, 0.8], up, w);
          expect(lengthOf(line)).toBeCloseTo(w, 8);
          expect(endOf(line)[1]).toBeCloseTo(0.8 - up, 9);
        },
      ),
      { numRuns: 80 },
    );
    expect(() => levelOfLength([0, 0], 5, 4)).toThrow(RangeError);
  });

  it('an offset line lies at its distance on the outer hand, a curve within a hair of it', () => {
    expect(
      offset(
        [
          [0, 0],
          [10, 0],
        ],
        2,
      ),
    ).toEqual([
      [
        [0, -2],
        [10, -2],
      ],
    ]);
    const side = seamThrough([
      [20, -1.2],
      [26, 20],
    ])[0]!;
    for (const moved of offset(side, 1.5))
      for (const [x, y] of polygon([moved], 30)) {
        const nearest = Math.min(...polygon([side], 3000).map(([u, v]) => Math.hypot(u - x, v - y)));
        expect(nearest).toBeGreaterThan(1.45);
        expect(nearest).toBeLessThan(1.55);
      }
  });
});

describe('against bezier-js, which cuts and offsets the same curves by its own way', () => {
  const curve = fc
    .array(
      fc.tuple(fc.double({ min: -60, max: 60, noNaN: true }), fc.double({ min: -60, max: 60, noNaN: true })),
      {
        minLength: 4,
        maxLength: 4,
      },
    )
    .map((points) => points as unknown as Segment);
  const library = (s: Segment) => new Bezier(s.map(([x, y]) => ({ x, y })));
  it('a stretch is the one that the library splits off', () => {
    fc.assert(
      fc.property(
        curve,
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.double({ min: 0.5, max: 1, noNaN: true }),
        (s, a, b) => {
          fc.pre(b - a > 1e-3);
          library(s)
            .split(a, b)
            .points.forEach((p, i) => {
              expect(stretch(s, a, b)[i]![0]).toBeCloseTo(p.x, 8);
              expect(stretch(s, a, b)[i]![1]).toBeCloseTo(p.y, 8);
            });
        },
      ),
    );
  });
});

describe('a point that is very sharp', () => {
  /** A triangle of this width at its foot, 40 high, walked with the cloth on the right hand. */
  const spike = (wide: number, a: number): Panel => {
    const [top, right, left] = [
      [0, 0],
      [wide / 2, 40],
      [-wide / 2, 40],
    ] as const;
    return {
      ...panel(),
      darts: [],
      lines: [],
      marks: [],
      edges: [
        edge('side', 'side', straight(top, right), cm(a)),
        edge('hem', 'hem', straight(right, left), cm(a)),
        edge('centre', 'centre', straight(left, top), cm(a)),
      ],
    };
  };
  it.each([[30], [10], [6], [2], [0.5]])(
    '%d wide it is cut past its point by its allowance, and not far past it',
    (wide) => {
      const p = spike(wide, 1.5);
      const over = cutSize(p).height - sewnSize(p).height - 1.5;
      expect(over).toBeGreaterThan(1.4);
      expect(over).toBeLessThan(4 * 1.5 + 0.1);
      // The box is that of the line as it is drawn.
      const ys = cutOutline(p).flatMap((s) => s.map(([, y]) => y));
      expect(cutSize(p).height).toBeCloseTo(Math.max(...ys) - Math.min(...ys), 6);
    },
  );
});

describe('a curve moved sideways', () => {
  /** The true line beside a curve, by 10,000 points. */
  const beside = (s: Segment, d: number): Point[] =>
    Array.from({ length: 10_001 }, (_, i) => {
      const [[x, y], way] = [pointAt(s, i / 10_000), directionAt(s, i / 10_000)];
      return [x + d * way[1], y - d * way[0]];
    });
  it.each([
    ['a collar', levelOfLength([0, 4], 1.5, 23.17), 4],
    ['a waist', levelOfLength([0, 0], 1.2, 18), -1.5],
    [
      'an underarm',
      [
        [-15, 14],
        [-8.7, 14],
        [-6.9, 0],
        [0, 0],
      ] as Segment,
      1.5,
    ],
    ['a neckline', rounded([0, 9], [7, 0]), -6],
    ['a neckline outward', rounded([0, 9], [7, 0]), 1],
    [
      'a side seam',
      seamThrough([
        [20, -1.2],
        [26, 20],
      ])[0]!,
      2,
    ],
  ] as const)('%s: its length and its places are those of 10,000 points', (_, curve, d) => {
    const moved = offset(curve, d);
    const truth = beside(curve, d);
    expect(moved.reduce((a, s) => a + lengthOf(s), 0)).toBeCloseTo(along(truth), 2);
    for (const [x, y] of polygon(moved, 20))
      expect(Math.min(...truth.map(([u, v]) => Math.hypot(u - x, v - y)))).toBeLessThan(0.01);
    for (const [i, s] of moved.slice(1).entries()) expect(startOf(s)).toEqual(endOf(moved[i]!));
  });
});

describe('a panel', () => {
  it('is a closed ring, walked with the cloth on the right hand', () => {
    const ring = sewnOutline(panel());
    ring.forEach((s, i) => {
      const next = startOf(ring[(i + 1) % ring.length]!);
      expect(Math.hypot(endOf(s)[0] - next[0], endOf(s)[1] - next[1])).toBeLessThan(1e-9);
    });
  });

  it('measures its edges open and sewn, and its widths with and without what a dart holds there', () => {
    const p = panel();
    expect(edgeLength(p, 'waist')).toBeCloseTo(20.5, 8);
    expect(sewnLength(p, 'waist')).toBeCloseTo(18, 8);
    expect(widthAt(p, 20)).toBeCloseTo(26, 6);
    expect(sewnWidthAt(p, 20)).toBeCloseTo(26, 6);
    const dart = p.darts[0]!;
    const foot = (dart.legs[0][1] + dart.legs[1][1]) / 2;
    expect(held(dart, foot)).toBeCloseTo(2.5, 9);
    expect(held(dart, foot + 4.5)).toBeCloseTo(1.25, 9);
    expect(held(dart, foot + 9)).toBe(0);
    expect(sewnWidthAt(p, foot + 4.5)!).toBeCloseTo(widthAt(p, foot + 4.5)! - 1.25, 9);
    expect(widthAt(p, 70)).toBeNull();
    expect(() => edgeOf(p, 'collar')).toThrow(RangeError);
  });

  it('has its cut line round its seam line (areas by polygon-clipping), on the fold along it', () => {
    for (const allowance of [0, 0.5, 1.5, 3]) {
      const p = panel(allowance);
      const [sewn, cut] = [polygon(sewnOutline(p), 200), polygon(cutOutline(p), 200)];
      const outside = pc.difference([sewn as [number, number][]], [cut as [number, number][]]);
      const left = outside.reduce((a, poly) => a + area(poly[0]! as Point[]), 0);
      expect(left / area(sewn)).toBeLessThan(1e-4);
      expect(Math.min(...cut.map(([x]) => x))).toBeGreaterThan(-1e-6);
      // A strip of its allowance along each edge, and the corners: within a tenth of what that makes.
      const strip = p.edges.reduce((a, e) => a + e.allowance * edgeLength(p, e.id), 0);
      expect(area(cut) - area(sewn)).toBeGreaterThan(strip * 0.95);
      expect(area(cut) - area(sewn)).toBeLessThan(strip * 1.1 + 12);
    }
  });

  it('knows its cut size without drawing the line: the box of that line', () => {
    for (const allowance of [0, 1.5, 3]) {
      const p = panel(allowance);
      const box = emptyBox();
      for (const s of cutOutline(p)) reachAlong(box, s, 0);
      expect(cutSize(p).width).toBeCloseTo(box[2] - box[0], 2);
      expect(cutSize(p).height).toBeCloseTo(box[3] - box[1], 2);
      expect(cutSize(p).width).toBeGreaterThanOrEqual(sewnSize(p).width);
      expect(cutSize(p).height).toBeGreaterThanOrEqual(sewnSize(p).height);
    }
  });

  it('mirrors whole, and writes itself as SVG path data', () => {
    const p = panel();
    const [half, other] = [polygon(sewnOutline(p), 100), polygon(mirrored(sewnOutline(p)), 100)];
    expect(area(other)).toBeCloseTo(area(half), 6);
    expect(Math.max(...other.map(([x]) => x))).toBeLessThan(1e-9);
    expect(pathData(sewnOutline(p), true)).toMatch(/^M0 0 C[\d. -]+( [CL][\d. -]+)+ Z$/);
  });
});
