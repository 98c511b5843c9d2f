import { Bezier } from 'bezier-js';
import { describe, expect, it } from 'vitest';
import { cm } from '../units/length.ts';
import { lengthOf, type Point, type Segment } from './curve.ts';
import { dartOn, edgeLength, sewnLength } from './measure.ts';
import { cutApart, liesOn, moveDart, seamOver } from './move-dart.ts';
import { sewnOutline } from './outline.ts';
import { edge, edgeOf, type Panel } from './panel.ts';

const APEX: Point = [9, 26];
/** Half a front as small as the tests need: its bust dart in the side seam, a waist dart below the bust point. */
function front(): Panel {
  const side: Segment[] = [
    [
      [24, 21],
      [24, 24],
    ],
    [
      [24, 24],
      [20, 43],
    ],
  ];
  const waist: Segment[] = [
    [
      [20, 43],
      [0, 43],
    ],
  ];
  return {
    id: 'front',
    name: 'front',
    share: 'front',
    layer: 'outer',
    cut: 'fold',
    count: 1,
    grain: '',
    edges: [
      edge(
        'neck',
        'neck',
        [
          [
            [0, 8],
            [4, 8],
            [7, 5],
            [7, 0],
          ],
        ],
        cm(1),
      ),
      edge(
        'shoulder',
        'shoulder',
        [
          [
            [7, 0],
            [19, 4],
          ],
        ],
        cm(1.5),
      ),
      edge(
        'armhole',
        'armhole',
        [
          [
            [19, 4],
            [17, 12],
            [19, 20],
            [24, 21],
          ],
        ],
        cm(1),
      ),
      edge('side', 'side', side, cm(1.5)),
      edge('waist', 'waist', waist, cm(1)),
      edge(
        'centre',
        'centre',
        [
          [
            [0, 43],
            [0, 8],
          ],
        ],
        cm(0),
        { fold: true },
      ),
    ],
    darts: [
      dartOn(waist, { id: 'w', figure: 'w', edge: 'waist', at: cm(11), intake: cm(3), length: cm(14) }, APEX),
      dartOn(side, { id: 'b', figure: 'b', edge: 'side', at: cm(5), intake: cm(3), length: cm(12) }, APEX),
    ],
    lines: [],
    marks: [{ kind: 'notch', name: 'balance', at: [19, 4] }],
    across: { centre: 'centre', side: 'side' },
    note: '',
  };
}
const closed = (p: Panel) =>
  sewnOutline(p).every((s, i, all) => {
    const next = all[(i + 1) % all.length]!;
    return Math.hypot(s.at(-1)![0] - next[0][0], s.at(-1)![1] - next[0][1]) < 1e-6;
  });
const area = (p: Panel) => {
  const points = sewnOutline(p).flatMap((s): Point[] => {
    if (s.length === 2) return [s[0]];
    const curve = new Bezier(s.map(([x, y]) => ({ x, y })));
    return Array.from({ length: 500 }, (_, i) => {
      const q = curve.get(i / 500);
      return [q.x, q.y];
    });
  });
  return (
    Math.abs(
      points.reduce((sum, [x, y], i) => {
        const [u, v] = points[(i + 1) % points.length]!;
        return sum + x * v - u * y;
      }, 0),
    ) / 2
  );
};

/** How far a point lies from a path, by bezier-js, cm. */
const offPath = (path: readonly Segment[], [x, y]: Point): number =>
  Math.min(
    ...path.map((s) => {
      const [a, b] = [s[0], s.at(-1)!];
      const all =
        s.length > 2
          ? s
          : [
              a,
              [(2 * a[0] + b[0]) / 3, (2 * a[1] + b[1]) / 3],
              [(a[0] + 2 * b[0]) / 3, (a[1] + 2 * b[1]) / 3],
              b,
            ];
      return new Bezier(all.map((q) => ({ x: q[0]!, y: q[1]! }))).project({ x, y }).d!;
    }),
  );

describe('a dart that is moved', () => {
  it.each([
    ['shoulder', 6],
    ['armhole', 8],
    ['neck', 6],
  ] as const)('to the %s: every sewn edge stays as long, the ring closes, the turn is rigid', (to, along) => {
    const [old, now] = [front(), moveDart(front(), 'b', { edge: to, along, figure: 'm', short: 2.5 }, APEX)];
    expect(closed(now)).toBe(true);
    for (const e of old.edges)
      expect(Math.abs(sewnLength(now, e.id) - sewnLength(old, e.id)), e.id).toBeLessThan(
        e.id === 'side' ? 0.15 : 1e-4,
      );
    const dart = now.darts.find((d) => d.id === 'b')!;
    expect(dart.edge).toBe(to);
    expect(edgeLength(now, to) - edgeLength(old, to)).toBeCloseTo(dart.intake, 6);
    // Both mouths are seen from one point under one angle: a turn about it, cloth neither gained nor lost but between legs.
    const middle: Point = [(dart.legs[0][0] + dart.legs[1][0]) / 2, (dart.legs[0][1] + dart.legs[1][1]) / 2];
    const far = (dart.length + 2.5) / dart.length;
    const pivot: Point = [
      middle[0] + (dart.tip[0] - middle[0]) * far,
      middle[1] + (dart.tip[1] - middle[1]) * far,
    ];
    expect(Math.hypot(pivot[0] - APEX[0], pivot[1] - APEX[1])).toBeLessThan(1e-6);
    const was = old.darts.find((d) => d.id === 'b')!;
    const reach = (d: typeof dart) => d.legs.map(([x, y]) => Math.hypot(x - pivot[0], y - pivot[1]));
    const angle = (d: typeof dart) => 2 * Math.asin(d.intake / 2 / reach(d)[0]!);
    expect(reach(dart)[0]).toBeCloseTo(reach(dart)[1]!, 6);
    // The old legs differ by what is trued; the angle between them is the one that opens.
    const between = (d: typeof dart) => {
      const [a, b] = d.legs.map(([x, y]) => Math.atan2(y - pivot[1], x - pivot[0]));
      return Math.abs(a! - b!);
    };
    expect(angle(dart)).toBeCloseTo(between(was), 6);
    const wedge = (d: typeof dart) => (reach(d)[0]! * reach(d)[1]! * Math.sin(between(d))) / 2;
    expect(Math.abs(area(now) - wedge(dart) - (area(old) - wedge(was)))).toBeLessThan(6);
    expect(now.darts.find((d) => d.id === 'w')).toEqual(old.darts.find((d) => d.id === 'w'));
  });
  it.each([
    ['shoulder', 6],
    ['armhole', 8],
    ['waist', 4],
  ] as const)(
    'to the %s: whatever else lies on the edges stays on them, darts and notches too',
    (to, along) => {
      const bare = front();
      const edges = ['neck', 'shoulder', 'armhole', 'side', 'waist'] as const;
      const places = edges.flatMap((id) => {
        const path = edgeOf(bare, id).path;
        const whole = edgeLength(bare, id);
        return [0.1, 0.35, 0.6, 0.9].map((t) => ({ id, path, along: whole * t }));
      });
      // Small darts all round, but where the moved one is cut, or comes from.
      const small = places
        .filter(
          (q) =>
            !(q.id === 'side' && Math.abs(q.along - 5) < 2.2) &&
            !(q.id === to && Math.abs(q.along - along) < 1),
        )
        .map((q, i) =>
          dartOn(
            q.path,
            { id: `s${i}`, figure: '', edge: q.id, at: cm(q.along), intake: cm(0.4), length: cm(2) },
            APEX,
          ),
        );
      const marks = small.map((d) => ({ kind: 'notch' as const, name: d.id, at: d.legs[0] }));
      const old: Panel = { ...bare, darts: [...bare.darts.filter((d) => d.id === 'b'), ...small], marks };
      const now = moveDart(old, 'b', { edge: to, along, figure: 'm', short: 2.5 }, APEX);
      expect(now.darts).toHaveLength(small.length + 1);
      const spread = edgeLength(now, to) - edgeLength(old, to);
      for (const d of small) {
        const is = now.darts.find((x) => x.id === d.id)!;
        const path = edgeOf(now, is.edge).path;
        // Where its dart has gone a seam is trued over a few centimetres; elsewhere it is as it was.
        const most = d.edge === 'side' ? 0.7 : 0.01;
        for (const leg of is.legs) expect(offPath(path, leg), `${d.id} on the ${d.edge}`).toBeLessThan(most);
        // It has turned as a whole, or not at all.
        const reach = (x: typeof d, k: 0 | 1) => Math.hypot(x.tip[0] - x.legs[k][0], x.tip[1] - x.legs[k][1]);
        expect(reach(is, 0)).toBeCloseTo(reach(d, 0), 6);
        expect(now.marks.find((m) => m.name === d.id)!.at).toEqual(is.legs[0]);
        // Along the edge that was opened, what lies beyond the cut lies so much further on.
        if (d.edge === to) expect(is.at - d.at).toBeCloseTo(d.at > along ? spread : 0, 6);
      }
      const dart = now.darts.find((d) => d.id === 'b')!;
      const middle: Point = [
        (dart.legs[0][0] + dart.legs[1][0]) / 2,
        (dart.legs[0][1] + dart.legs[1][1]) / 2,
      ];
      // Its tip lies on the way from its mouth to the bust point, 2.5 before it.
      expect(Math.hypot(dart.tip[0] - APEX[0], dart.tip[1] - APEX[1])).toBeCloseTo(2.5, 6);
      expect(Math.hypot(dart.tip[0] - middle[0], dart.tip[1] - middle[1])).toBeCloseTo(dart.length, 6);
    },
  );

  it('into the waist dart becomes one with it', () => {
    const old = front();
    const waist = old.darts.find((d) => d.id === 'w')!;
    const now = moveDart(
      old,
      'b',
      { edge: 'waist', along: waist.at - waist.intake / 2, figure: 'm', short: 2.5 },
      APEX,
    );
    expect(closed(now)).toBe(true);
    expect(now.darts).toHaveLength(1);
    expect(now.darts[0]!.intake).toBeGreaterThan(waist.intake + 2);
    expect(sewnLength(now, 'waist')).toBeCloseTo(sewnLength(old, 'waist'), 4);
    expect(Math.abs(sewnLength(now, 'side') - sewnLength(old, 'side'))).toBeLessThan(0.15);
  });
  it('says what it cannot: no such dart, no such edge, its own edge', () => {
    const to = { edge: 'shoulder', along: 6, figure: 'm', short: 2 };
    expect(() => moveDart(front(), 'x', to, APEX)).toThrow('no dart');
    expect(() => moveDart(front(), 'b', { ...to, edge: 'hem' }, APEX)).toThrow('hem');
    expect(() => moveDart(front(), 'b', { ...to, edge: 'side' }, APEX)).toThrow('side');
  });
});

describe('whether a point lies on a path', () => {
  it.each<[Point, boolean]>([
    [[5, 0.04], true],
    [[5, -0.04], true],
    [[5, 0.06], false],
    [[-0.04, 0], false],
    [[-0.06, 0], false],
    [[10.04, 0], true],
    [[10.06, 0], false],
    [[10, 3], true],
    [[10.04, 6], true],
    [[9.94, 3], false],
    [[10, 6.04], false],
    [[10, 6.06], false],
  ])('%j: to half a millimetre beside it, and not beyond its ends', (at, lies) => {
    const path: Segment[] = [
      [
        [0, 0],
        [10, 0],
      ],
      [
        [10, 0],
        [10, 6],
      ],
    ];
    expect(liesOn(path, at)).toBe(lies);
  });
  it('a curve is followed, not its chord and not its box', () => {
    const curve: Segment = [
      [0, 0],
      [0, 10],
      [10, 10],
      [10, 0],
    ];
    const at = new Bezier(curve.map(([x, y]) => ({ x, y })));
    for (const t of [0.03, 0.25, 0.5, 0.81]) expect(liesOn([curve], [at.get(t).x, at.get(t).y])).toBe(true);
    for (const off of [
      [5, 0],
      [5, 5],
      [5, 9],
      [1, 9],
    ] as Point[])
      expect(liesOn([curve], off)).toBe(false);
  });
});

describe('a panel cut apart', () => {
  it('gives two closed panels whose other edges make the old ones, and seams of nearly one length', () => {
    const moved = moveDart(front(), 'b', { edge: 'shoulder', along: 6, figure: 'm', short: 2.5 }, APEX);
    const { outer, inner } = cutApart(
      moved,
      { edge: 'shoulder', dart: 'b', along: 0 },
      { edge: 'waist', dart: 'w', along: 0 },
      APEX,
      { id: 'princess', name: 'princess seam', allowance: cm(1.5) },
    );
    for (const p of [outer, inner]) expect(closed(p)).toBe(true);
    const both = (id: string) =>
      [outer, inner].reduce((sum, p) => sum + (p.edges.some((e) => e.id === id) ? edgeLength(p, id) : 0), 0);
    for (const id of ['neck', 'shoulder', 'armhole', 'side', 'waist', 'centre'])
      expect(Math.abs(both(id) - sewnLength(front(), id)), id).toBeLessThan(id === 'side' ? 0.15 : 1e-2);
    expect(Math.abs(edgeLength(outer, 'princess') - edgeLength(inner, 'princess'))).toBeLessThan(0.6);
    expect([...outer.darts, ...inner.darts]).toEqual([]);
    expect(edgeOf(outer, 'centre').fold).toBe(true);
  });
  it('along a seam that is as long as bezier-js says, and passes the point', () => {
    const [a, b] = [
      [13, 2],
      [9, 43],
    ] as const satisfies readonly Point[];
    const seam = seamOver(a, APEX, b);
    expect(seam[0]!.at(-1)).toEqual(APEX);
    for (const s of seam)
      expect(lengthOf(s)).toBeCloseTo(new Bezier(s.map(([x, y]) => ({ x, y }))).length(), 6);
  });
});
