import fc from 'fast-check';
import { rootMeanSquare, standardDeviation } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { temOf, verdictOf } from './whose-tape.ts';

describe('the technical error of measurement', () => {
  it('of three pairs worked by hand: Σd² = 0.16 + 0.04 + 0.36 = 0.56, TEM = √(0.56 ÷ 6) = 0.306', () => {
    // Formula: Ulijaszek and Kerr 1999 (from memory); the pairs are arithmetic.
    const t = temOf([
      [60, 60.4],
      [72.1, 71.9],
      [85, 85.6],
    ])!;
    expect(t.tem).toBeCloseTo(0.3055, 4);
    expect(t.pairs).toBe(3);
    expect(t.mean).toBeCloseTo((60 + 60.4 + 72.1 + 71.9 + 85 + 85.6) / 6, 9);
    expect(t.relative).toBeCloseTo((100 * 0.3055) / 72.5, 2);
  });
  it('is the root mean square of the differences over √2, as simple-statistics has it', () => {
    const pair = fc.tuple(
      fc.double({ min: 10, max: 150, noNaN: true }),
      fc.double({ min: -2, max: 2, noNaN: true }),
    );
    fc.assert(
      fc.property(fc.array(pair, { minLength: 1, maxLength: 40 }), (pairs) => {
        const t = temOf(pairs.map(([a, d]) => [a, a + d] as const))!;
        expect(t.tem).toBeCloseTo(rootMeanSquare(pairs.map(([, d]) => d)) / Math.SQRT2, 6);
      }),
    );
  });
  it('of a hand whose readings stray by a spread is near that spread', () => {
    // Two readings with the spread s each differ by s√2, and TEM gives s back.
    let seed = 7;
    const u = () => {
      seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
      return (seed + 1) / 4294967297;
    };
    const n = () => Math.sqrt(-2 * Math.log(u())) * Math.cos(2 * Math.PI * u());
    const readings = Array.from({ length: 4000 }, () => [90 + 0.5 * n(), 90 + 0.5 * n()] as const);
    expect(temOf(readings)!.tem).toBeCloseTo(standardDeviation(readings.flat()), 1);
  });
  it('is none without a pair; few pairs are not judged', () => {
    expect(temOf([])).toBeNull();
    expect(verdictOf({ pairs: 4, tem: 9 }, 0.9)).toBe('too few');
    expect(verdictOf({ pairs: 5, tem: 0.6 }, 0.9)).toBe('steady');
    expect(verdictOf({ pairs: 5, tem: 0.7 }, 0.9)).toBe('strays');
  });
});
