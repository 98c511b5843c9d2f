import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cm, inches } from '../../units/length.ts';
import { type Rounding, roundLength } from '../../units/rounding.ts';
import { ALLOWANCE_IDS, ALLOWANCES, allowancesFor } from './allowances.ts';
import { MOST_INTAKE, MOST_SIDE, suppress } from './darts.ts';
import {
  EASE_ZONES,
  ENVELOPE,
  easeFor,
  envelopeClass,
  FIT_CLASSES,
  FLOORS,
  WORKROOM,
  workroomClass,
} from './fit.ts';
import { layerAllowance } from './layers.ts';
import { readStretch, STRETCH_CLASSES, stretchClass, stretchReduction } from './stretch.ts';
import { openingDepth, STOCKED_ZIPS, stockedZip } from './zip.ts';

const ROUNDINGS: readonly Rounding[] = [
  { unit: 'cm', step: 0, mode: 'nearest' },
  { unit: 'cm', step: 0.1, mode: 'nearest' },
  { unit: 'cm', step: 0.5, mode: 'up' },
  { unit: 'in', step: 0.125, mode: 'nearest' },
  { unit: 'in', step: 0.5, mode: 'up' },
];
const rounding = fc.constantFrom(...ROUNDINGS);
const face = fc.constantFrom('front' as const, 'back' as const);

describe('suppression of a quarter', () => {
  it('is shared without a rest: centre, side and darts are the whole', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -6, max: 14, noNaN: true }),
        face,
        rounding,
        fc.constantFrom(0, 1.3),
        (total, f, r, centre) => {
          const s = suppress(cm(total), f, r, { centre: cm(centre) });
          expect(s.centre + s.side + s.count * s.intake).toBeCloseTo(total, 9);
          expect(s.count).toBeLessThanOrEqual(2);
          expect(s.over).toBeGreaterThanOrEqual(0);
          expect(s.because).not.toBe('');
        },
      ),
    );
  });
  it('never gives a dart more than its most, nor less than a centimetre, nor off the hand’s step', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 14, noNaN: true }), face, rounding, (total, f, r) => {
        const s = suppress(cm(total), f, r);
        if (s.count === 0) {
          expect(s.intake).toBe(0);
          return;
        }
        expect(s.intake).toBeLessThanOrEqual(MOST_INTAKE[f] + 1e-9);
        // Rounding may take half a step off the least.
        expect(s.intake).toBeGreaterThanOrEqual(1 - (r.step * (r.unit === 'in' ? 2.54 : 1)) / 2 - 1e-9);
        expect(roundLength(s.intake, { ...r, mode: 'nearest' })).toBeCloseTo(s.intake, 9);
      }),
    );
  });
  it('leaves the side no more than its most while the darts still can take it', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 9, noNaN: true }), face, (total, f) => {
        const s = suppress(cm(total), f, ROUNDINGS[0]!);
        if (s.count < 2) expect(s.side).toBeLessThanOrEqual(Math.max(MOST_SIDE, 1 + total * 0.4) + 1e-9);
        if (s.count === 1) expect(s.side).toBeLessThanOrEqual(MOST_SIDE + 1e-9);
      }),
    );
  });
  // By hand (common practice, no source): 40 % in the side up to 2.5, the rest in one dart or two.
  it.each([
    [0, 'front', { count: 0, side: 0 }],
    [1.5, 'front', { count: 0, side: 1.5 }],
    [3, 'front', { count: 1, side: 1.2, intake: 1.8 }],
    [5, 'front', { count: 2, side: 2, intake: 1.5 }],
    [5, 'back', { count: 1, side: 2, intake: 3 }],
    [8, 'back', { count: 2, side: 2.5, intake: 2.75 }],
    [-2, 'back', { count: 0, side: -2 }],
  ] as const)('of %d cm at the %s', (total, f, made) => {
    const s = suppress(cm(total), f, ROUNDINGS[0]!);
    for (const [key, value] of Object.entries(made))
      expect(s[key as 'count' | 'side' | 'intake'], key).toBeCloseTo(value, 9);
  });
  it('goes by the house’s own darts where it has them, and the side takes the rest', () => {
    const s = suppress(cm(6), 'front', ROUNDINGS[0]!, { fixed: { count: 1, intake: cm(2) } });
    expect([s.count, s.intake, s.side, s.over]).toEqual([1, 2, 4, 0]);
  });
});

/** What a woven garment without bones may be. */
const WOVEN = FIT_CLASSES.filter((fit) => fit !== 'second-skin' && fit !== 'boned');

describe('ease', () => {
  it('has nothing over in a second skin, and bones keep closer than close (house table, common practice)', () => {
    for (const zone of EASE_ZONES) {
      expect(WORKROOM[zone]['second-skin'], zone).toBe(0);
      expect(WORKROOM[zone].boned, zone).toBeLessThanOrEqual(WORKROOM[zone].close);
      expect(workroomClass(zone, cm(0)), zone).not.toBe('second-skin');
    }
    expect(WORKROOM.bust.boned).toBe(1.3);
    expect(WORKROOM.underbust.boned).toBe(0);
    expect(WORKROOM.waist.boned).toBe(0.6);
  });
  it('grows from class to class at every place, and no class lies under its floor', () => {
    for (const zone of EASE_ZONES) {
      const row = WOVEN.map((fit) => WORKROOM[zone][fit]);
      for (const [i, ease] of row.entries())
        if (i > 0) expect(ease, zone).toBeGreaterThanOrEqual(row[i - 1]!);
      const floor = FLOORS[zone];
      if (floor) expect(row[0], zone).toBeGreaterThanOrEqual(floor.least);
    }
  });
  it('by the envelope chart is the middle of its span, to the eighth (chart from memory)', () => {
    for (const [zone, spans] of Object.entries(ENVELOPE))
      for (const [fit, [lo, hi]] of Object.entries(spans)) {
        const { ease } = easeFor(zone as 'bust', fit as 'close', 'envelope', 'shoulder');
        expect(ease).toBeGreaterThanOrEqual(inches(lo) - 1e-9);
        expect(ease).toBeLessThanOrEqual(inches(hi) + 1e-9);
        expect(Math.round((ease / 2.54) * 8) / 8).toBeCloseTo(ease / 2.54, 9);
        expect(envelopeClass(zone as 'bust', ease)).toBe(fit);
      }
  });
  it('comes back as the class it was of, in the workroom’s table', () => {
    for (const zone of EASE_ZONES)
      for (const fit of FIT_CLASSES) {
        const { ease } = easeFor(zone, fit, 'workroom', 'shoulder');
        const found = workroomClass(zone, ease, 'shoulder', fit);
        expect(WORKROOM[zone][found], `${zone} ${fit}`).toBe(ease);
      }
  });
  it('is the house’s own where it has one, in both schools', () => {
    const overlay = { hip: { fitted: cm(6.5) } };
    for (const school of ['workroom', 'envelope'] as const)
      expect(easeFor('hip', 'fitted', school, 'waist', overlay)).toEqual({
        ease: 6.5,
        because: 'House figure for fitted at the hip.',
      });
    expect(easeFor('hip', 'loose', 'workroom', 'waist', overlay).ease).toBe(WORKROOM.hip.loose);
  });
  it('at the waist of what hangs from it never grows past a waistband’s', () => {
    for (const fit of WOVEN.slice(1)) expect(easeFor('waist', fit, 'workroom', 'waist').ease, fit).toBe(2.5);
    expect(easeFor('waist', 'loose', 'workroom', 'shoulder').ease).toBe(12);
  });
});

describe('allowances', () => {
  it('are the table’s, wider in the side where it is close or may be let out', () => {
    expect(allowancesFor(false, false, 'cm')).toEqual(ALLOWANCES);
    expect(allowancesFor(true, false, 'cm').side).toBe(2.5);
    expect(allowancesFor(true, true, 'cm').side).toBe(3);
    expect(allowancesFor(false, true, 'cm', { side: cm(2) }).side).toBe(2);
  });
  it('are eighths for a hand that marks in inches, each the nearest', () => {
    const made = allowancesFor(false, false, 'in');
    for (const id of ALLOWANCE_IDS) {
      const eighths = (made[id] / 2.54) * 8;
      expect(Math.abs(eighths - Math.round(eighths)), id).toBeLessThan(1e-9);
      expect(Math.abs(made[id] - ALLOWANCES[id]), id).toBeLessThanOrEqual(2.54 / 16 + 1e-9);
    }
    // 1.5 cm is 5/8 in, which is 1.5875 cm.
    expect(made.side).toBeCloseTo(1.5875, 9);
  });
});

describe('a zip that can be bought', () => {
  it('is the shortest on the list that reaches', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 90, noNaN: true }),
        fc.constantFrom('cm' as const, 'in' as const),
        (d, unit) => {
          const zip = stockedZip(cm(d), unit);
          const long = STOCKED_ZIPS[unit].filter((z) => z >= d);
          expect(zip).toBe(long.length > 0 ? Math.min(...long) : null);
        },
      ),
    );
  });
  it('reaches where the marked girth first lets the body through, as a search by tenths of a millimetre finds', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 60, max: 90 }),
        fc.integer({ min: 5, max: 40 }),
        fc.integer({ min: 8, max: 30 }),
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        (waist, more, hipAt, bend) => {
          const girthAt = (d: number) => cm(waist + (more + 4) * Math.min(1, d / hipAt) ** bend);
          const widest = cm(waist + more);
          const found = openingDepth(girthAt, cm(waist), widest, cm(60));
          let d = 0;
          while (d <= 60 && girthAt(d) < widest - 1e-9) d += 0.01;
          const slit = more / 2;
          if (d > 60) expect(found).toBeNull();
          else expect(found).toBeCloseTo(Math.max(d, slit), 1);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('needs nothing where the waist itself lets the body through, and cannot where nothing does', () => {
    expect(openingDepth(() => cm(100), cm(100), cm(96), cm(50))).toBe(0);
    expect(openingDepth(() => cm(90), cm(70), cm(96), cm(50))).toBeNull();
    expect(openingDepth(() => null, cm(70), cm(96), cm(50))).toBeNull();
  });
});

describe('layers and stretch', () => {
  it('a layer that lies t off the body is longer by 2πt, whatever the girth (geometry)', () => {
    for (const [r, t] of [
      [10, 0.02],
      [15, 0.1],
      [30, 1],
    ] as const)
      expect(layerAllowance(cm(t))).toBeCloseTo(2 * Math.PI * (r + t) - 2 * Math.PI * r, 9);
  });
  it('stretch classes follow each other without a gap, and take more off the more it stretches', () => {
    for (const [i, c] of STRETCH_CLASSES.entries()) {
      expect(stretchClass(c.upTo === Number.POSITIVE_INFINITY ? 1e6 : c.upTo)).toBe(c);
      if (i > 0) expect(c.percent).toBeGreaterThan(STRETCH_CLASSES[i - 1]!.percent);
    }
    expect(stretchReduction(cm(90), 0)).toBe(0);
    expect(stretchReduction(cm(90), 60)).toBeCloseTo(2.7, 9);
  });
});

describe('a stretch as a hand writes it', () => {
  it.each([
    ['50', 50],
    ['50 %', 50],
    ['12,5', 12.5],
    ['10 to 15', 50],
    ['10 cm → 16 cm', 60],
    ['4 in - 6 in', 50],
    ['4>5', 25],
    ['0', 0],
  ])('%s is %d per cent', (text, percent) => expect(readStretch(text)).toEqual({ ok: true, percent }));
  it.each([
    ['', 'percentage'],
    ['a lot', 'percentage'],
    ['15 to 10', 'shorter'],
    ['0 to 10', 'percentage'],
    ['10 to 90', 'four times'],
  ])('%s is told', (text, says) =>
    expect(readStretch(text)).toMatchObject({ ok: false, sentence: expect.stringContaining(says) }),
  );
});
