import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cm, inches } from './length.ts';
import { ROUNDING_STEPS, type Rounding, roundLength, stepOf } from './rounding.ts';

const half: Rounding = { unit: 'cm', step: 0.5, mode: 'nearest' };
const any = fc.constantFrom(
  ...(['cm', 'in'] as const).flatMap((unit) =>
    ROUNDING_STEPS[unit]
      .filter((s) => s > 0)
      .flatMap((step) => (['nearest', 'up'] as const).map((mode): Rounding => ({ unit, step, mode }))),
  ),
);
const length = fc.double({ min: 0.01, max: 300, noNaN: true }).map(cm);

describe('rounding once', () => {
  // Worked, invented figures of the handbook.
  it('26.625 to the nearest half centimetre is 26.5', () => expect(roundLength(cm(26.625), half)).toBe(26.5));
  it('10.03 in at eighths is 10 in', () =>
    expect(roundLength(inches(10.03), { unit: 'in', step: 0.125, mode: 'nearest' })).toBeCloseTo(25.4, 9));
  it('goes up when the house says up, and stays on a step', () => {
    expect(roundLength(cm(26.1), { ...half, mode: 'up' })).toBe(26.5);
    expect(roundLength(cm(26.5), { ...half, mode: 'up' })).toBe(26.5);
  });
  it('goes down only where a dart keeps to its most', () => {
    expect(roundLength(cm(26.45), { ...half, mode: 'down' })).toBe(26);
    expect(roundLength(cm(26.5), { ...half, mode: 'down' })).toBe(26.5);
  });
  it('a step is so many centimetres, of inches too', () => {
    expect(stepOf(half)).toBe(0.5);
    expect(stepOf({ unit: 'in', step: 0.125, mode: 'up' })).toBeCloseTo(0.3175, 9);
    expect(stepOf({ unit: 'in', step: 0, mode: 'up' })).toBe(0);
  });
  it('halves go up', () => expect(roundLength(cm(26.25), half)).toBe(26.5));
  it('exact leaves the figure', () =>
    expect(roundLength(cm(26.6251), { unit: 'cm', step: 0, mode: 'up' })).toBe(26.6251));

  it('is never further than half a step, or a whole one when going up; and rounding again changes nothing', () => {
    fc.assert(
      fc.property(length, any, (l, r) => {
        const step = r.step * (r.unit === 'in' ? 2.54 : 1);
        const out = roundLength(l, r);
        const off = out - l;
        if (r.mode === 'up') expect(off).toBeGreaterThanOrEqual(-1e-8);
        expect(Math.abs(off)).toBeLessThanOrEqual((r.mode === 'up' ? step : step / 2) + 1e-8);
        expect(roundLength(out, r)).toBeCloseTo(out, 9);
      }),
    );
  });
});
