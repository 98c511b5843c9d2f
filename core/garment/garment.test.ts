import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cm } from '../units/length.ts';
import { allowancesFor } from './tables/allowances.ts';
import { MOST_INTAKE, suppress } from './tables/darts.ts';
import { easeFor, envelopeClass, workroomClass } from './tables/fit.ts';
import { layerAllowance } from './tables/layers.ts';
import { stretchClass, stretchReduction } from './tables/stretch.ts';
import { openingDepth, STOCKED_ZIPS, stockedZip } from './tables/zip.ts';

const EXACT = { unit: 'cm', step: 0, mode: 'nearest' } as const;

describe('ease by two schools', () => {
  it('workroom, fitted: 2.5 at a skirt’s waist, 5 at the hip (common practice, no source)', () => {
    expect(easeFor('waist', 'fitted', 'workroom', 'waist').ease).toBe(2.5);
    expect(easeFor('hip', 'fitted', 'workroom', 'waist').ease).toBe(5);
  });
  it('pattern envelope, fitted hip: inside 2 to 3 in (chart on commercial patterns, from memory)', () => {
    const { ease } = easeFor('hip', 'fitted', 'envelope', 'waist');
    expect(ease / 2.54).toBeGreaterThanOrEqual(2);
    expect(ease / 2.54).toBeLessThanOrEqual(3);
  });
  it('falls back on the workroom where the envelope has no figure, and says so', () => {
    expect(easeFor('waist', 'fitted', 'envelope', 'waist')).toMatchObject({ ease: 2.5 });
    expect(easeFor('waist', 'fitted', 'envelope', 'waist').because).toContain('no figure');
    expect(easeFor('hip', 'close', 'envelope', 'waist').ease).toBe(4);
  });
  it('lays the house’s figure over both', () =>
    expect(easeFor('hip', 'fitted', 'envelope', 'waist', { hip: { fitted: cm(3) } }).ease).toBe(3));
  it.each([
    [4, 'close', 'under fitted'],
    [4.9, 'fitted', 'under fitted'],
    [5, 'fitted', 'fitted'],
    [5.08, 'fitted', 'fitted'],
    [7.9375, 'semi-fitted', 'semi-fitted'],
    [12, 'loose', 'loose'],
    [20, 'very-loose', 'very-loose'],
  ])('%d cm at the hip is %s by the workroom and %s by the envelope', (ease, w, e) => {
    expect(workroomClass('hip', cm(ease as number))).toBe(w);
    expect(envelopeClass('hip', cm(ease as number))).toBe(e);
  });
});

describe('layers and stretch', () => {
  it('boned, underlined, lined: 2.5 mm need 2π × 0.25 = 1.57 cm (geometry)', () =>
    expect(layerAllowance(cm(0.25))).toBeCloseTo(1.5708, 4));
  it('stretch classes and reductions (handbook on patterns for stretch fabrics, from memory)', () => {
    expect([25, 26, 50, 51, 75, 76, 100, 101].map((s) => stretchClass(s).name)).toEqual([
      'stable',
      'moderate',
      'moderate',
      'stretchy',
      'stretchy',
      'super',
      'super',
      'rib',
    ]);
    expect(stretchReduction(cm(100), 60)).toBe(3);
    expect(stretchReduction(cm(100), 0)).toBe(0);
  });
});

describe('darts and suppression', () => {
  it('worked: hip 26.5, waist 18.5 → side 2.5, back two darts of 2.75, front half a centimetre over (invented figures)', () => {
    expect(suppress(cm(8), 'back', EXACT)).toMatchObject({ side: 2.5, count: 2, intake: 2.75, over: 0 });
    expect(suppress(cm(8), 'front', EXACT)).toMatchObject({ side: 3, count: 2, intake: 2.5, over: 0.5 });
  });
  it('gives a little to the side seam alone, and turns outward when the waist is the wider', () => {
    expect(suppress(cm(1.5), 'front', EXACT)).toMatchObject({ side: 1.5, count: 0 });
    expect(suppress(cm(-2), 'back', EXACT)).toMatchObject({ side: -2, count: 0 });
  });
  it('always adds up, keeps darts between 1 cm and their most, and the side within 2.5 unless it says so', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.constantFrom('front' as const, 'back' as const),
        (total, face) => {
          const s = suppress(cm(total), face, EXACT);
          expect(s.side + s.count * s.intake).toBeCloseTo(total, 9);
          if (s.count > 0) {
            expect(s.intake).toBeGreaterThanOrEqual(1 - 1e-9);
            expect(s.intake).toBeLessThanOrEqual(MOST_INTAKE[face] + 1e-9);
            expect(s.side - s.over).toBeLessThanOrEqual(2.5 + 1e-9);
          }
          expect(s.because.length).toBeGreaterThan(10);
        },
      ),
    );
  });
});

describe('allowances (house table, common practice)', () => {
  it('side 1.5, close 2.5, letting out 3; eighths for a hand that marks inches', () => {
    expect(allowancesFor(false, false, 'cm').side).toBe(1.5);
    expect(allowancesFor(true, false, 'cm').side).toBe(2.5);
    expect(allowancesFor(true, true, 'cm').side).toBe(3);
    expect(allowancesFor(false, false, 'in').side / 2.54).toBeCloseTo(0.625, 9);
    expect(allowancesFor(false, false, 'cm', { side: cm(2) }).side).toBe(2);
  });
});

describe('the zip rule', () => {
  const girthAt = (d: number) => cm(72 + (35 * d) / 20);
  it('opens to where the marked girth lets the widest body girth through, next stocked length up', () => {
    const depth = openingDepth(girthAt, cm(72), cm(101.5), cm(60))!;
    expect(depth).toBeCloseTo((20 * (101.5 - 72)) / 35, 4);
    expect(stockedZip(depth, 'cm')).toBe(18);
    expect(stockedZip(depth, 'in')! / 2.54).toBe(7);
  });
  it('is at least so deep that its two edges make up what the waist lacks (geometry)', () =>
    expect(openingDepth(() => cm(200), cm(72), cm(100), cm(60))).toBeCloseTo(14, 4));
  it('needs none of it when the waist already passes, and says so when nothing does', () => {
    expect(openingDepth(girthAt, cm(72), cm(70), cm(60))).toBe(0);
    expect(openingDepth(() => cm(80), cm(72), cm(120), cm(60))).toBeNull();
    expect(stockedZip(cm(80), 'cm')).toBeNull();
  });
  it('never sells a shorter one, in either unit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.constantFrom('cm' as const, 'in' as const),
        (d, u) => {
          expect(stockedZip(cm(d), u)!).toBeGreaterThanOrEqual(d - 1e-6);
        },
      ),
    );
    for (const list of Object.values(STOCKED_ZIPS))
      expect([...list]).toEqual([...list].sort((a, b) => a - b));
  });
});
