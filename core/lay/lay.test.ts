import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import type { Point } from '../draft/curve.ts';
import { cutSize } from '../draft/outline.ts';
import { GARMENTS } from '../garment/garments.ts';
import { asLines, seeded } from '../garment/testing.ts';
import { FULL_BODY } from '../garment/testing-full-body.ts';
import { trueBody } from '../garment/testing-shape.ts';
import { areaOf } from '../pattern/polyline.ts';
import { wholePanels } from '../pattern/whole-panels.ts';
import { type Cm, cm } from '../units/length.ts';
import { answerOf } from './answer.ts';
import { type ClothInHand, clothFaults, usable } from './cloth.ts';
import { columnsOf, forbidden } from './columns.ts';
import { layOn } from './lay.ts';
import { biasFrom, leftOver } from './left-over.ts';
import { outlined, standsInTheWay, whyNot } from './legal.ts';
import { type LayPiece, piecesToLay, stripsToKeep } from './pieces.ts';
import { layRows } from './rows.ts';
import { slidTo } from './slide.ts';
import { PLAIN_CLOTH as CLOTH } from './testing.ts';
import { layFaults } from './testing-judge.ts';
import { WAYS } from './ways.ts';

/** A clock of steps: as many on every machine. */
const looking = (time: number, seed = 1) => {
  let t = 0;
  return { seed, time, now: () => t++ };
};
const outerOf = (id: string, seed: number, more: object = {}): LayPiece[] => {
  const s = sheetOf(garmentSpec(id, asLines(trueBody(seeded(seed))), more));
  return piecesToLay(
    wholePanels(s).filter((p) => p.layer === 'outer'),
    s.input.brief.cloth,
  );
};
const box = (id: string, width: number, height: number, count = 1): LayPiece => ({
  id,
  name: id,
  layer: 'outer',
  cut: 'single',
  count,
  whole: [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ],
  half: null,
  bias: false,
  strip: false,
  facing: false,
  border: false,
  lines: [],
});

describe('columns', () => {
  it('hold all of a ring and never less: an L, a slanted stroke, a ring with a bay', () => {
    const rings: Point[][] = [
      [
        [0, 0],
        [10, 0],
        [10, 4],
        [3, 4],
        [3, 12],
        [0, 12],
      ],
      [
        [0, 0],
        [0.3, 0],
        [20, 9],
        [19.7, 9],
      ],
      [
        [0, 0],
        [9, 0],
        [9, 9],
        [6, 9],
        [6, 2],
        [3, 2],
        [3, 9],
        [0, 9],
      ],
    ];
    for (const ring of rings) {
      const { columns } = columnsOf(ring);
      ring.forEach(([x0, y0], i) => {
        const [x1, y1] = ring[(i + 1) % ring.length]!;
        for (let t = 0; t <= 1; t += 0.01) {
          const [x, y] = [x0 + t * (x1 - x0), y0 + t * (y1 - y0)];
          // A stretch between two columns lies in one of them.
          const beside = [x - 1e-6, x + 1e-6].flatMap((q) => columns[Math.floor(q / 0.5)] ?? []);
          expect(
            beside.some((c) => c.some((lo, k) => k % 2 === 0 && y >= lo - 1e-6 && y <= c[k + 1]! + 1e-6)),
          ).toBe(true);
        }
      });
    }
    // The bay of the third stays open: 7 high in its middle columns.
    expect([...columnsOf(rings[2]!).columns[8]!]).toEqual([0, 2]);
  });
  it('two boxes may touch and not overlap; one may lie in the other’s bay', () => {
    const [a, b] = [columnsOf(box('a', 4, 6).whole), columnsOf(box('b', 2, 3).whole)];
    expect([...forbidden(a, b, 0)]).toEqual([-3, 6]);
    expect([...forbidden(a, b, 8)]).toEqual([]);
    const bay = columnsOf([
      [0, 0],
      [9, 0],
      [9, 9],
      [6, 9],
      [6, 2],
      [3, 2],
      [3, 9],
      [0, 9],
    ]);
    expect([...forbidden(bay, columnsOf(box('in', 3, 5).whole), 6)]).toEqual([-5, 2]);
  });
});

describe('boxes with a known best (worked out by hand; no source)', () => {
  it('four that fill the width exactly, twice over; a column of them; one too wide', () => {
    const lay = layOn('open', [box('a', 37, 50, 8)], CLOTH, looking(800))!;
    expect(lay.length).toBeCloseTo(100, 6);
    expect(layOn('open', [box('a', 100, 30, 3)], CLOTH, looking(200))!.length).toBeCloseTo(90, 6);
    expect(layOn('open', [box('a', 148.2, 30)], CLOTH, looking(100))).toBeNull();
  });
  it('five that fit into one square of 148 like a frame round a middle: the search finds the 148 or nearly', () => {
    // 100 × 48 four times round a middle of 52 × 52.
    const lay = layOn(
      'open',
      [box('a', 100, 48, 2), box('b', 48, 100, 2), box('m', 52, 52)],
      CLOTH,
      looking(4000),
    )!;
    expect(lay.length).toBeLessThanOrEqual(148 * 1.02);
  });
});

describe('a lay can be cut', () => {
  const cloths: ClothInHand[] = [
    CLOTH,
    { ...CLOTH, width: cm(115), oneWay: true },
    { ...CLOTH, width: cm(140), bothSides: true, selvedge: cm(0) },
    { ...CLOTH, repeat: { along: cm(7), line: 'waist' } },
    { ...CLOTH, flaws: [{ along: 20, across: 60, length: 12, width: 8 }] },
  ];
  it.each(GARMENTS.map((g, nth) => [g.id, nth] as const))(
    '%s, every way, on two of five cloths: an eye that is not the search’s finds nothing',
    (id, nth) => {
      let laid = 0;
      for (const n of [nth % 5, (nth + 2) % 5]) {
        const cloth = cloths[n]!;
        const pieces = outerOf(id, n + 3);
        for (const way of WAYS) {
          const lay = layOn(way, pieces, cloth, looking(25, n + 1));
          if (!lay) continue;
          laid++;
          expect([way, n, layFaults(lay, pieces, cloth)]).toEqual([way, n, []]);
          expect([...standsInTheWay(lay, pieces, cloth)]).toEqual([]);
          const area = pieces.reduce((sum, p) => sum + p.count * areaOf(p.whole), 0);
          if (way === 'open') expect(lay.length).toBeGreaterThan(area / usable(cloth).width - 1e-6);
        }
      }
      // A panel of a wide skirt is wider than the cloth.
      if (!/circle|pleated|tiered/.test(id)) expect(laid).toBeGreaterThan(1);
    },
    60_000,
  );
  it('the eye sees: a piece moved, turned, mirrored, left out', () => {
    const pieces = outerOf('day-dress-sleeved', 3);
    const lay = layOn('half', pieces, CLOTH, looking(100))!;
    const [stage, ...rest] = lay.stages;
    const first = stage!.strips[0]!;
    const changed = (n: number, more: object) => ({
      ...lay,
      stages: [
        {
          ...stage!,
          strips: [{ ...first, pieces: first.pieces.map((p, i) => (i === n ? { ...p, ...more } : p)) }],
        },
        ...rest,
      ],
    });
    const other = first.pieces.findIndex((p) => !p.half);
    const half = first.pieces.findIndex((p) => p.half);
    expect(
      layFaults(
        changed(other, { x: first.pieces[half]!.x + 2, y: first.pieces[half]!.y }),
        pieces,
        CLOTH,
      ).join(),
    ).toMatch(/lie over each other/);
    expect(layFaults(changed(half, { x: 1 }), pieces, CLOTH).join()).toMatch(/not on a fold/);
    expect([...standsInTheWay(changed(half, { x: 1 }), pieces, CLOTH).values()].join()).toMatch(
      /its fold does not lie on the fold/,
    );
    expect(layFaults(changed(other, { y: 400 }), pieces, CLOTH).join()).toMatch(/off the cloth/);
    expect(layFaults({ ...lay, stages: lay.stages.slice(1) }, pieces, CLOTH).join()).toMatch(/wanted/);
    expect(layFaults(changed(other, { turn: 180 }), pieces, { ...CLOTH, oneWay: true }).join()).toMatch(
      /other way up/,
    );
    const open = layOn('open', pieces, CLOTH, looking(100))!;
    const one = open.stages[0]!.strips[0]!;
    const pair = one.pieces.findIndex(
      (p) => p.id.endsWith('#1') && pieces.find((q) => q.id === p.piece)!.cut === 'pair',
    );
    const unmirrored = {
      ...open,
      stages: [
        {
          ...open.stages[0]!,
          strips: [
            { ...one, pieces: one.pieces.map((p, i) => (i === pair ? { ...p, mirrored: false } : p)) },
          ],
        },
      ],
    };
    expect(layFaults(unmirrored, pieces, CLOTH).join()).toMatch(/mirrored/);
  });
});

it('a lay is held against the cloth it is to be cut from: narrower, folded otherwise, selvedges in the middle', () => {
  const pieces = outerOf('day-dress-sleeved', 3);
  for (const way of WAYS) {
    const lay = layOn(way, pieces, CLOTH, looking(20));
    if (!lay) continue;
    const narrower = { ...CLOTH, width: cm(120) };
    expect([way, standsInTheWay(lay, pieces, narrower).size > 0]).toEqual([way, true]);
    expect([way, layFaults(lay, pieces, narrower).length > 0]).toEqual([way, true]);
    const [first, ...rest] = lay.stages;
    const wide = {
      ...lay,
      stages: [{ ...first!, strips: first!.strips.map((x) => ({ ...x, width: 900 })) }, ...rest],
    };
    expect([...standsInTheWay(wide, pieces, CLOTH).values()].flat()).toContain(
      'it was laid on cloth of another width; lay the pieces again',
    );
    expect(layFaults(wide, pieces, CLOTH)).toEqual(['the strips are wider than the cloth']);
  }
  const flawed = { ...CLOTH, flaws: [{ along: 1, across: 1, length: 1, width: 1 }] };
  expect(layOn('half', pieces, flawed, looking(5))).toBeNull();
  expect(standsInTheWay(layOn('half', pieces, CLOTH, looking(5))!, pieces, flawed).size).toBeGreaterThan(0);
  const both = layOn('middle', pieces, CLOTH, looking(20))!;
  const strip = both.stages[0]!.strips[0]!;
  const pair = strip.pieces.find((l) => !l.half)!;
  const over = { ...pair, x: CLOTH.width / 4 - 3, y: 400 };
  const moved = {
    ...both,
    stages: [
      {
        ...both.stages[0]!,
        length: 500,
        strips: [{ ...strip, pieces: strip.pieces.map((l) => (l === pair ? over : l)) }],
      },
      ...both.stages.slice(1),
    ],
  };
  expect(layFaults(moved, pieces, CLOTH).join()).toMatch(/over the selvedges in the middle/);
  expect([...standsInTheWay(moved, pieces, CLOTH).values()].join()).toMatch(/which meet in the middle/);
});

describe('how short', () => {
  it('the same seed and steps give the same lay; longer looking never a longer one', () => {
    const pieces = outerOf('princess-dress', 5);
    const lengths = [60, 60, 500].map((time) => layOn('open', pieces, CLOTH, looking(time))!.length);
    expect(lengths[1]).toBe(lengths[0]);
    expect(lengths[2]).toBeLessThanOrEqual(lengths[0]!);
  });
  it.each([
    ['day-dress-sleeved', 135.9],
    ['shirt-blouse', 95.2],
    ['princess-dress', 144.9],
    ['trousers', 113.3],
  ])('%s on a full body takes no more than was recorded, and 2 %', (id, recorded) => {
    const s = sheetOf(garmentSpec(id, asLines(FULL_BODY), {}));
    const pieces = piecesToLay(
      wholePanels(s).filter((p) => p.layer === 'outer'),
      s.input.brief.cloth,
    );
    const lay = layOn('open', pieces, CLOTH, looking(1500))!;
    expect(layFaults(lay, pieces, CLOTH)).toEqual([]);
    expect(lay.length).toBeLessThanOrEqual(recorded * 1.02);
  });
  it('two hundred pieces of forty shapes, cloth of 100 m: laid, none over another', () => {
    const rnd = seeded(3);
    const many = Array.from({ length: 40 }, (_, i) =>
      box(`p${i}`, 4 + Math.floor(rnd() * 30), 4 + Math.floor(rnd() * 40), 5),
    );
    const cloth = { ...CLOTH, length: cm(10_000) };
    const lay = layOn('open', many, cloth, looking(0))!;
    expect(layFaults(lay, many, cloth)).toEqual([]);
    expect(answerOf(lay, 'open', many, cloth, 1).state).toBe('fits');
    expect(layOn('open', [box('same', 10, 10, 200)], cloth, looking(0))!.length).toBeCloseTo(150, 6);
  });
  it('what cannot be laid is said of the cloth', () => {
    expect(clothFaults({ ...CLOTH, selvedge: cm(80) })).toHaveLength(1);
    expect(
      clothFaults({
        ...CLOTH,
        width: 0 as Cm,
        length: 0 as Cm,
        shrinks: 90,
        repeat: { along: cm(0), line: 'waist' },
      }),
    ).toHaveLength(4);
    expect(clothFaults(CLOTH)).toEqual([]);
  });
  it('pieces that are pinned stay, the rest is laid round them', () => {
    const pieces = outerOf('shirt-blouse', 5);
    const lay = layOn('open', pieces, CLOTH, looking(40))!;
    const own = lay.stages[0]!.strips[0]!.pieces;
    const pinned = [{ ...own[3]!, x: 31.3, y: 40 }, own[0]!].filter(
      (l, i, all) => i === 0 || l.id !== all[0]!.id,
    );
    const clear = whyNot(
      outlined(pinned[1]!, pieces.find((p) => p.id === pinned[1]!.piece)!),
      [outlined(pinned[0]!, pieces.find((p) => p.id === pinned[0]!.piece)!)],
      lay.stages[0]!.strips[0]!,
      new Map(pieces.map((p) => [p.id, p])),
      CLOTH,
    );
    const round = layOn('open', pieces, CLOTH, {
      ...looking(40),
      pinned: [clear.length === 0 ? pinned : [pinned[0]!]],
    })!;
    expect(round.stages[0]!.strips[0]!.pieces.find((l) => l.id === pinned[0]!.id)).toEqual(pinned[0]);
    expect(layFaults(round, pieces, CLOTH)).toEqual([]);
  });
});

it('a lower edge that lies on a border lies at the first selvedge, whichever way its grain was drawn', () => {
  const s = sheetOf(
    garmentSpec('gathered-skirt', asLines(trueBody(seeded(4))), {
      garment: { cloth: { name: 'bordered', width: '150 cm', border: true } },
    }),
  );
  const pieces = piecesToLay(
    wholePanels(s).filter((p) => p.layer === 'outer'),
    s.input.brief.cloth,
  );
  const on = pieces.filter((p) => p.border);
  expect(on.length).toBeGreaterThan(0);
  const lay = layOn('open', pieces, CLOTH, looking(30))!;
  expect(layFaults(lay, pieces, CLOTH)).toEqual([]);
  for (const p of on) {
    const l = lay.stages[0]!.strips[0]!.pieces.find((x) => x.piece === p.id)!;
    expect([p.id, l.x, l.turn]).toEqual([p.id, 0, 0]);
    const panel = s.panels.find((q) => q.id === p.id)!;
    // Its height lies across the cloth; of its upper and lower allowance only the upper one stands out, at the right.
    const [high, own] = [Math.max(...p.whole.map(([x]) => x)), cutSize(panel)];
    expect(high).toBeCloseTo(own.height, 2);
    expect(panel.edges.find((e) => e.id === 'hem')!.allowance).toBe(0);
  }
});

describe('strips to keep', () => {
  it('lie along, across and on the bias as asked, whichever way the garment lies', () => {
    const strips = [
      { name: 'fringe', length: 120, width: 8, count: 2, way: 'across' },
      { name: 'straps', length: 40, width: 3, count: 4, way: 'along' },
      { name: 'binding', length: 30, width: 4, count: 3, way: 'bias' },
    ] as const;
    const cloth = { ...CLOTH, strips };
    const pieces = [...outerOf('bodice', 6), ...stripsToKeep(strips)];
    for (const way of WAYS) {
      const lay = layOn(way, pieces, cloth, looking(25));
      if (!lay) continue;
      expect(layFaults(lay, pieces, cloth)).toEqual([]);
      const all = lay.stages
        .flatMap((s) => s.strips.flatMap((x) => x.pieces))
        .filter((l) => l.piece.startsWith('strip'));
      expect(all).toHaveLength(9);
      expect(all.every((l) => l.turn === 0)).toBe(true);
    }
    const [fringe, strap, bias] = stripsToKeep(strips);
    expect(fringe!.whole[2]).toEqual([120, 8]);
    expect(strap!.whole[2]).toEqual([3, 40]);
    // On the bias its box is square: (30 + 4) ÷ √2 each way.
    for (const axis of [0, 1] as const)
      expect(Math.max(...bias!.whole.map((q) => q[axis]))).toBeCloseTo(34 / Math.SQRT2, 2);
  });
});

describe('a piece under the hand', () => {
  const strip = { width: 100, double: false, folds: [] as const };
  const at = (id: string, x: number, y: number) => ({
    id,
    piece: id,
    turn: 0 as const,
    mirrored: false,
    half: false,
    x,
    y,
  });
  const two = new Map([box('a', 20, 30), box('b', 10, 10)].map((p) => [p.id, p]));
  it('slides along its neighbour and rests against it, on the nearer side; it stays on the cloth', () => {
    const pieces = [at('a', 10, 20), at('b', 60, 0)];
    const to = (x: number, y: number) => slidTo(pieces[1]!, { x, y }, { ...strip, pieces }, two, CLOTH);
    expect(to(15, 22)).toEqual({ x: 15, y: 10 });
    expect(to(15, 44)).toEqual({ x: 15, y: 50 });
    expect(to(60, 33.3)).toEqual({ x: 60, y: 33.3 });
    expect(to(99, -4)).toEqual({ x: 90, y: 0 });
    // Beside it, touching: 30 is where the neighbour ends.
    expect(to(30, 25)).toEqual({ x: 30, y: 25 });
    expect(to(29.9, 25)!.y).toBe(10);
  });
  it('what is held on a repeat steps from one to the next', () => {
    const striped = { ...CLOTH, repeat: { along: cm(7), line: 'waist' } };
    const b = { ...box('b', 10, 10), lines: [{ id: 'waist', name: 'waist', y: 4 }] };
    const y = slidTo(
      at('b', 0, 0),
      { x: 0, y: 12 },
      { ...strip, pieces: [at('b', 0, 0)] },
      new Map([['b', b]]),
      striped,
    )!.y;
    expect(y).toBeCloseTo(10, 9);
    expect((y + 4) % 7).toBeCloseTo(0, 9);
  });
  it('random slides over a lay of a dress are never illegal', () => {
    const pieces = outerOf('day-dress-sleeved', 9);
    const by = new Map(pieces.map((p) => [p.id, p]));
    const own = layOn('open', pieces, CLOTH, looking(20))!.stages[0]!.strips[0]!;
    const rnd = seeded(11);
    for (let k = 0; k < 60; k++) {
      const l = own.pieces[Math.floor(rnd() * own.pieces.length)]!;
      const to = slidTo(l, { x: rnd() * 140, y: rnd() * 160 }, own, by, CLOTH)!;
      const moved = outlined({ ...l, ...to }, by.get(l.piece)!);
      expect(
        whyNot(
          moved,
          own.pieces.map((o) => outlined(o, by.get(o.piece)!)),
          own,
          by,
          CLOTH,
        ),
      ).toEqual([]);
    }
  });
});

describe('what is said and left over', () => {
  const pieces = [box('a', 100, 40), box('b', 40, 40)];
  const lay = layOn('open', pieces, CLOTH, looking(50))!;
  it('fits by what is over, cannot by area or by a piece, none found is no proof', () => {
    const say = (cloth: ClothInHand, of = pieces, l: typeof lay | null = lay) =>
      answerOf(l, 'open', of, cloth, 3);
    expect(say({ ...CLOTH, length: cm(50) })).toMatchObject({ state: 'fits', takes: 40 });
    expect(say({ ...CLOTH, length: cm(50) }).sentence).toContain(
      '{cm:10} of the cloth’s length are left over',
    );
    expect(say({ ...CLOTH, length: cm(39) })).toMatchObject({ state: 'none-found' });
    expect(say({ ...CLOTH, length: cm(39) }).sentence).toContain('{cm:1} too long. That is no proof');
    // 100 × 40 and 40 × 40 are 5600 cm², 148 × 37 are 5476.
    expect(say({ ...CLOTH, length: cm(37) })).toMatchObject({ state: 'cannot' });
    expect(say(CLOTH, [box('w', 149, 10)], null).sentence).toMatch(
      /^It cannot be cut so: w is \{cm:149\} wide/,
    );
    expect(say({ ...CLOTH, shrinks: 20 }).takes).toBeCloseTo(50, 9);
  });
  it('rectangles that are left: beside, and the rest of the cloth in hand; bias from a square', () => {
    const free = leftOver(lay, pieces, { ...CLOTH, length: cm(100) });
    expect(free[0]).toMatchObject({ width: 148, length: 60, y: 40 });
    expect(leftOver(lay, [...pieces], CLOTH).every((f) => f.width >= 8)).toBe(true);
    // A square of 60: 3600 cm² less two corners of 8 cm legs along the diagonal, by 4: 868 (worked out by hand).
    expect(biasFrom({ width: 60, length: 60 }, 4)).toBeCloseTo((3600 - 2 * 64) / 4, 9);
    expect(biasFrom({ width: 5, length: 5 }, 4)).toBe(0);
  });
  it('each piece by two distances, from the cut end on, selvedge counted', () => {
    const rows = layRows(lay, pieces, CLOTH);
    expect(rows.map((r) => [r.number, r.fromEnd, r.side])).toEqual([
      [1, 0, 'selvedge'],
      [2, 0, 'selvedge'],
    ]);
    expect(rows[0]!.fromSide).toBe(1);
  });
});
