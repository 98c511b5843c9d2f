import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cm } from '../units/length.ts';
import { skirtAllowances } from './allowances.ts';
import { dartLength, MOST_INTAKE, suppress } from './darts.ts';
import { easeFor, envelopeClass, workroomClass } from './fit.ts';
import { layerAllowance } from './layers.ts';
import { stretchClass, stretchReduction } from './stretch.ts';
import { openingDepth, STOCKED_ZIPS, stockedZip } from './zip.ts';

describe('ease by two schools', () => {
  it('workroom, fitted: 2.5 at a skirt’s waist, 5 at the hip (common practice, no source)', () => {
    expect(easeFor('waist', 'fitted', 'workroom').ease).toBe(2.5);
    expect(easeFor('hip', 'fitted', 'workroom').ease).toBe(5);
  });
  it('pattern envelope, fitted hip: inside 2 to 3 in (chart on commercial patterns, from memory)', () => {
    const { ease } = easeFor('hip', 'fitted', 'envelope');
    expect(ease / 2.54).toBeGreaterThanOrEqual(2);
    expect(ease / 2.54).toBeLessThanOrEqual(3);
  });
  it('falls back on the workroom where the envelope has no figure, and says so', () => {
    expect(easeFor('waist', 'fitted', 'envelope')).toMatchObject({ ease: 2.5 });
    expect(easeFor('waist', 'fitted', 'envelope').because).toContain('no figure');
    expect(easeFor('hip', 'close', 'envelope').ease).toBe(4);
  });
  it('lays the house’s figure over both', () =>
    expect(easeFor('hip', 'fitted', 'envelope', { hip: { fitted: cm(3) } }).ease).toBe(3));
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
    expect(envelopeClass(cm(ease as number))).toBe(e);
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
    expect(suppress(cm(8), 'back')).toMatchObject({ side: 2.5, count: 2, intake: 2.75, over: 0 });
    expect(suppress(cm(8), 'front')).toMatchObject({ side: 3, count: 2, intake: 2.5, over: 0.5 });
  });
  it('gives a little to the side seam alone, and turns outward when the waist is the wider', () => {
    expect(suppress(cm(1.5), 'front')).toMatchObject({ side: 1.5, count: 0 });
    expect(suppress(cm(-2), 'back')).toMatchObject({ side: -2, count: 0 });
  });
  it('always adds up, keeps darts between 1 cm and their most, and the side within 2.5 unless it says so', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.constantFrom('front' as const, 'back' as const),
        (total, face) => {
          const s = suppress(cm(total), face);
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
  it('ends at least 3 cm above the hip', () => {
    expect(dartLength('back', cm(20))).toBe(13);
    expect(dartLength('back', cm(15))).toBe(12);
  });
});

describe('allowances (house table, common practice)', () => {
  it('side 1.5, close 2.5, letting out 3; eighths for a hand that marks inches', () => {
    expect(skirtAllowances(false, false, 'cm').side).toBe(1.5);
    expect(skirtAllowances(true, false, 'cm').side).toBe(2.5);
    expect(skirtAllowances(true, true, 'cm').side).toBe(3);
    expect(skirtAllowances(false, false, 'in').side / 2.54).toBeCloseTo(0.625, 9);
    expect(skirtAllowances(false, false, 'cm', { side: cm(2) }).side).toBe(2);
  });
});

describe('the zip rule', () => {
  const profile = [
    { level: cm(0), girth: cm(72) },
    { level: cm(20), girth: cm(107) },
  ];
  it('opens to where the finished girth lets the widest body girth through, next stocked length up', () => {
    const depth = openingDepth(profile, cm(101.5))!;
    expect(depth).toBeCloseTo((20 * (101.5 - 72)) / 35, 9);
    expect(stockedZip(depth)).toBe(18);
  });
  it('needs none of it when the waist already passes, and says so when nothing does', () => {
    expect(openingDepth(profile, cm(70))).toBe(0);
    expect(openingDepth(profile, cm(120))).toBeNull();
    expect(stockedZip(cm(80))).toBeNull();
  });
  it('never sells a shorter one', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 70, noNaN: true }), (d) => stockedZip(cm(d))! >= d - 1e-6),
    );
    expect([...STOCKED_ZIPS]).toEqual([...STOCKED_ZIPS].sort((a, b) => a - b));
  });
});
