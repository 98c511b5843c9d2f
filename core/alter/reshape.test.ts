import { readFileSync } from 'node:fs';
import { SpecFile } from '@rocchetto/contract';
import { sheetOf } from '@rocchetto/contract/testing.ts';
import pc from 'polygon-clipping';
import { describe, expect, it } from 'vitest';
import { pointAt } from '../draft/curve.ts';
import { edgeLength, sewnLength, sewnWidthAt } from '../draft/measure.ts';
import { sewnOutline } from '../draft/outline.ts';
import { edge, edgeOf, type Panel } from '../draft/panel.ts';
import { cm } from '../units/length.ts';
import { alike, applyAlteration } from './apply.ts';
import { addDart, moveDarts } from './darts.ts';
import { effectOf } from './effect.ts';
import { spread } from './spread.ts';
import { ask, NO_RUN } from './testing.ts';

const text = (file: string) => readFileSync(new URL(`../../docs/${file}`, import.meta.url), 'utf8');
const SKIRT = sheetOf(SpecFile.parse(JSON.parse(text('example-spec.json'))));
const DRESS = sheetOf(
  SpecFile.parse(JSON.parse(/```json\n([\s\S]*?)```/.exec(text('worked/day-dress.md'))![1]!)),
);
const front = SKIRT.panels.find((p) => p.id === 'skirt.front')!;
const of = (panels: readonly Panel[], id: string) => panels.find((p) => p.id === id)!;

/** A strip 20 wide and 50 long, the waist up, the centre at the left. */
const STRIP: Panel = {
  ...front,
  darts: [],
  marks: [],
  edges: [
    edge(
      'waist',
      'waist',
      [
        [
          [0, 0],
          [20, 0],
        ],
      ],
      cm(1),
    ),
    edge(
      'side',
      'side',
      [
        [
          [20, 0],
          [20, 50],
        ],
      ],
      cm(1),
    ),
    edge(
      'hem',
      'hem',
      [
        [
          [20, 50],
          [0, 50],
        ],
      ],
      cm(3),
    ),
    edge(
      'centre',
      'centre',
      [
        [
          [0, 50],
          [0, 0],
        ],
      ],
      cm(0),
      { fold: true },
    ),
  ],
  lines: [{ id: 'hip', name: 'hip', y: cm(20) }],
};
/** An independent look: the outline as points, its area by the shoelace formula over polygon-clipping’s own ring. */
function area(p: Panel): number {
  const ring = sewnOutline(p).flatMap((s) =>
    Array.from({ length: 200 }, (_, i) => [...pointAt(s, i / 200)] as [number, number]),
  );
  return pc.union([ring]).reduce(
    (sum, [outer]) =>
      sum +
      Math.abs(
        outer!.reduce((a, [x, y], i) => {
          const [u, v] = outer![(i + 1) % outer!.length]!;
          return a + x * v - u * y;
        }, 0),
      ) /
        2,
    0,
  );
}

describe('slash and spread', () => {
  it('opens the hem by the chord and keeps waist and side: in closed form on a strip', () => {
    const s = spread(STRIP, 'hem', 'waist', 6);
    expect(edgeLength(s, 'hem')).toBeCloseTo(26, 9);
    expect(edgeLength(s, 'waist')).toBeCloseTo(20, 9);
    expect(edgeLength(s, 'side')).toBeCloseTo(50, 9);
    // The gap is an isosceles triangle with two sides of 50 and a base of 6; the strip itself keeps its area.
    expect(area(s) - area(STRIP)).toBeCloseTo((6 * Math.sqrt(50 ** 2 - 3 ** 2)) / 2, 3);
    // At the hip, 20 of 50 down, the side has swung out by as much as a turn of 2 asin(3 / 50) makes of it.
    const turn = 2 * Math.asin(3 / 50);
    const [x, y] = [10 * Math.cos(turn), -10 * Math.sin(turn)];
    const along = (20 - y) / Math.cos(turn);
    expect(sewnWidthAt(s, 20)! - 20).toBeCloseTo(10 + x + along * Math.sin(turn) - 20, 6);
  });

  it('takes along what lies on the turned part and leaves what lies on the other: marks, darts and darts inside', () => {
    const mark = (name: string, x: number, y: number) => ({
      kind: 'notch' as const,
      name,
      at: [x, y] as const,
    });
    const dart = (id: string, x: number) => ({
      id,
      figure: 'x',
      edge: 'waist',
      at: cm(x),
      intake: cm(1),
      length: cm(9),
      tip: [x, 9] as const,
      legs: [
        [x - 0.5, 0],
        [x + 0.5, 0],
      ] as const,
    });
    const inside = (id: string, x: number) => ({
      id,
      figure: 'x',
      at: [x, 30] as const,
      intake: cm(2),
      up: [x, 22] as const,
      down: [x, 38] as const,
    });
    const strip: Panel = {
      ...STRIP,
      marks: [
        mark('left', 9, 30),
        mark('right', 11, 30),
        mark('hem left', 9.9, 50),
        mark('hem right', 10.1, 50),
      ],
      darts: [dart('left', 5), dart('right', 15)],
      inner: [inside('left', 4), inside('right', 16)],
    };
    // The hinge is the middle of the waist; the side swings out about it by a turn whose chord at 50 is 6.
    const t = 2 * Math.asin(3 / 50);
    const swung = (x: number, y: number) => [
      expect.closeTo(10 + (x - 10) * Math.cos(t) + y * Math.sin(t), 9),
      expect.closeTo(-(x - 10) * Math.sin(t) + y * Math.cos(t), 9),
    ];
    const s = spread(strip, 'hem', 'waist', 6);
    expect(s.marks.map((m) => [...m.at])).toEqual([[9, 30], swung(11, 30), [9.9, 50], swung(10.1, 50)]);
    expect(s.darts.map((d) => [...d.tip])).toEqual([[5, 9], swung(15, 9)]);
    expect([...s.darts[1]!.legs[0]]).toEqual(swung(14.5, 0));
    expect(s.inner!.map((d) => [[...d.up], [...d.at], [...d.down]])).toEqual([
      [
        [4, 22],
        [4, 30],
        [4, 38],
      ],
      [swung(16, 22), swung(16, 30), swung(16, 38)],
    ]);
  });

  it('folded out, it takes the same away; more than there is, is refused', () => {
    const s = spread(STRIP, 'hem', 'waist', -6);
    expect(edgeLength(s, 'hem')).toBeCloseTo(14, 1);
    expect(edgeLength(s, 'waist')).toBeCloseTo(20, 9);
    expect(() => spread(STRIP, 'hem', 'waist', -9.5)).toThrow('cannot be folded out');
    expect(() => spread(STRIP, 'waist', 'hem', 2)).toThrow('cannot be slashed');
  });

  it('a skirt gains exactly what was asked at the hem, nothing at the waist, and lining gets the same', () => {
    const asked = ask('hem-fullness', 'more', 12);
    const a = applyAlteration(alike(SKIRT.panels), asked, false);
    const moved = new Map(effectOf(SKIRT, alike(SKIRT.panels), a).moved.map((m) => [m.id, m]));
    const hem = moved.get('skirt.hem')!;
    expect(hem.after - hem.before).toBeCloseTo(12, 6);
    expect(moved.has('skirt.waist')).toBe(false);
    expect(moved.has('skirt.front/side')).toBe(false);
    expect(a.boxes.map((b) => b.panel)).toContain('skirt.lining-back');
    expect(a.boxes.every((b) => Math.abs(b.each! - 3) < 1e-9)).toBe(true);
    expect(() => applyAlteration(alike(SKIRT.panels), asked, true)).toThrow('cut anew');
  });
});

describe('darts moved and added', () => {
  it('a moved dart keeps intake, length and the waist; one that comes off its edge is refused', () => {
    const was = front.darts.filter((d) => d.edge === 'waist');
    const p = moveDarts(front, 'waist', cm(1));
    expect(p.darts.map((d) => [d.intake, d.at - 1])).toEqual(was.map((d) => [d.intake, d.at]));
    expect(sewnLength(p, 'waist')).toBeCloseTo(sewnLength(front, 'waist'), 9);
    for (const [i, d] of p.darts.entries()) expect(d.tip[0] - was[i]!.tip[0]).toBeCloseTo(1, 1);
    expect(() => moveDarts(front, 'waist', cm(-20))).toThrow('would come off the waist');
  });

  it('the bust dart goes down its side seam with the bust level, its tip with it', () => {
    const bodice = (panels: readonly Panel[]) =>
      of(panels, 'bodice.front').darts.find((d) => d.edge === 'side')!;
    const a = applyAlteration(alike(DRESS.panels), ask('bust-level', 'lower', 1.5), false);
    const [was, is] = [bodice(DRESS.panels), bodice(a.right)];
    expect(is.at - was.at).toBeCloseTo(1.5, 9);
    expect(is.tip[1] - was.tip[1]).toBeGreaterThan(1);
    expect(effectOf(DRESS, alike(DRESS.panels), a).moved.map((m) => m.id)).not.toContain('bodice.front/side');
  });

  it('new darts take what is asked out of the waist, and need room', () => {
    const asked = ask('dart-new', 'in', 2, {
      face: 'back',
      run: { ...NO_RUN, begins: cm(4), zero: cm(9) },
      part: 'skirt',
    });
    const a = applyAlteration(alike(SKIRT.panels), asked, false);
    const waist = effectOf(SKIRT, alike(SKIRT.panels), a).moved.find((m) => m.id === 'skirt.waist')!;
    expect(waist.before - waist.after).toBeCloseTo(2, 6);
    const dart = of(a.right, 'skirt.back').darts.at(-1)!;
    expect([dart.intake, dart.at, dart.length]).toEqual([1, 4, 9]);
    expect(dart.legs[1][0] - dart.legs[0][0]).toBeCloseTo(1, 1);
    // The band follows its waist.
    expect(a.boxes.find((b) => b.panel === 'skirt.band')?.each).toBeCloseTo(-2, 6);
    const on = edgeOf(front, 'waist');
    expect(() => addDart(front, on.id, { intake: cm(3), at: cm(0.5), length: cm(8) })).toThrow('no room');
  });
});
