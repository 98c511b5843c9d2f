import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Piece } from '../figure/figure.ts';
import { cm, type SheetUnit } from '../units/length.ts';
import { clothToBuy, lengthNeeded } from './cloth.ts';
import { DEFAULT_HOUSE } from './house.ts';
import type { SheetInput } from './input.ts';

const piece = (width: number | null, length: number | null, more: Partial<Piece> = {}): Piece => ({
  panel: 'front',
  name: 'front',
  layer: 'outer',
  count: 1,
  folded: false,
  cut: 'single',
  grain: 'lengthwise',
  width: width === null ? null : cm(width),
  length: length === null ? null : cm(length),
  why: '',
  note: '',
  ...more,
});
const input = (width: number | null, unit: SheetUnit = 'cm') =>
  ({
    brief: { cloth: { name: '', width: width === null ? null : cm(width), stretch: 0, weight: null } },
    house: { ...DEFAULT_HOUSE, rounding: { unit, step: 0, mode: 'nearest' } },
  }) as unknown as SheetInput;

describe('the length of cloth that pieces take', () => {
  // By hand: rows side by side, longest first.
  it.each([
    ['one piece', [piece(40, 70)], 70],
    ['two side by side', [piece(40, 70), piece(40, 65)], 70],
    ['two that do not go side by side', [piece(80, 70), piece(80, 65)], 135],
    ['a pair', [piece(60, 70, { count: 2 })], 70],
    ['on the fold, opened out', [piece(60, 70, { folded: true })], 70],
    ['on the fold, too wide opened out', [piece(75, 70, { folded: true })], null],
    ['a short one beside a long one', [piece(100, 100), piece(40, 20), piece(40, 20)], 120],
    ['exactly the width', [piece(70, 50), piece(70, 50)], 50],
    ['what is not known yet', [piece(null, null), piece(40, 30)], 30],
    ['nothing', [], 0],
  ])('%s', (_, pieces, length) => expect(lengthNeeded(pieces, cm(140))).toBe(length));

  it('is never less than the area asks, nor than the longest, nor more than all in a column', () => {
    const some = fc.record({
      width: fc.integer({ min: 1, max: 140 }),
      length: fc.integer({ min: 1, max: 160 }),
      count: fc.integer({ min: 1, max: 4 }),
    });
    fc.assert(
      fc.property(fc.array(some, { minLength: 1, maxLength: 12 }), (all) => {
        const needed = lengthNeeded(
          all.map((p) => piece(p.width, p.length, { count: p.count })),
          cm(140),
        )!;
        const sum = (of: (p: (typeof all)[number]) => number) => all.reduce((a, p) => a + p.count * of(p), 0);
        expect(needed).toBeGreaterThanOrEqual(sum((p) => p.width * p.length) / 140 - 1e-9);
        expect(needed).toBeGreaterThanOrEqual(Math.max(...all.map((p) => p.length)));
        expect(needed).toBeLessThanOrEqual(sum((p) => p.length));
      }),
    );
  });
  it('does not grow on wider cloth by more than a row, and never fits on narrower what does not on wider', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 90 }), fc.integer({ min: 1, max: 90 })), {
          maxLength: 8,
        }),
        (sizes) => {
          const pieces = sizes.map(([w, l]) => piece(w, l));
          if (lengthNeeded(pieces, cm(110)) === null) expect(lengthNeeded(pieces, cm(90))).toBeNull();
        },
      ),
    );
  });
});

describe('cloth to buy', () => {
  it('is rounded up to what is sold: 5 cm, or an eighth of a yard', () => {
    const bought = (unit: SheetUnit, length: number) =>
      clothToBuy(input(140, unit), [piece(40, length)]).notions[0]!.length!;
    expect(bought('cm', 70)).toBe(70);
    expect(bought('cm', 70.1)).toBe(75);
    // An eighth of a yard is 4 1/2 in, 11.43 cm.
    expect(bought('in', 70)).toBeCloseTo(7 * 11.43, 9);
    expect(bought('in', 80.01)).toBeCloseTo(7 * 11.43, 9);
  });
  it('is told for each layer that has pieces; a lining has the house’s width', () => {
    const { notions, checks } = clothToBuy(input(150), [
      piece(40, 70),
      piece(60, 60, { layer: 'lining', count: 2 }),
      piece(500, 10, { layer: 'interfacing' }),
    ]);
    expect(notions.map((n) => [n.name, n.length])).toEqual([
      ['cloth', 70],
      ['lining', 60],
    ]);
    expect(checks.map((c) => c.state)).toEqual(['passed', 'passed']);
  });
  it('is a warning, not a figure, where a piece is wider than the cloth', () => {
    const { notions, checks } = clothToBuy(input(90), [piece(100, 70, { name: 'circle' })]);
    expect(notions).toEqual([]);
    expect(checks[0]).toMatchObject({ code: 'cloth-outer', state: 'warned' });
    expect(checks[0]!.sentence).toContain('circle');
  });
  it('says nothing while the width or a piece is not known', () => {
    expect(clothToBuy(input(null), [piece(40, 70)])).toEqual({ notions: [], checks: [] });
    expect(clothToBuy(input(140), [piece(40, 70), piece(null, null)])).toEqual({ notions: [], checks: [] });
  });
});
