import { computeSheet } from '@rocchetto/core';
import { describe, expect, it } from 'vitest';
import { skirtSpec } from './testing.ts';
import { toSheetInput } from './to-core.ts';
import { doubtsOf, intoBrief, isOfBrief, nameOfTried, suppose, type WhatIf } from './what-if.ts';

const LINES = ['waist 70 cm', 'waist 70.5 cm', 'hip 96 cm', 'waist-to-hip 20.5 cm'];
const spec = skirtSpec(LINES);
const one = (what: WhatIf['what'], of: string, value: string, unit: 'cm' | 'in' = 'cm') =>
  suppose(spec, [{ what, of, value }], unit);
const figures = (s: typeof spec) =>
  computeSheet(toSheetInput(s)).figures.map((f) => [f.id, f.finished, f.marked]);

describe('a sheet with something tried on it', () => {
  it('is the sheet that would be written, for a reading, an ease, a fit, a cloth and a rounding', () => {
    const written = (lines: string[], more: Parameters<typeof skirtSpec>[1] = {}) =>
      figures(skirtSpec(lines, more));
    expect(figures(one('reading', 'waist', '72 cm').spec)).toEqual(
      written(['waist 72 cm', ...LINES.slice(2)]),
    );
    expect(figures(one('ease', 'hip', '9').spec)).toEqual(
      written(LINES, { garment: { own: { ease: { hip: '9 cm' }, why: 'x' } } }),
    );
    expect(figures(one('fit', '', 'loose').spec)).toEqual(written(LINES, { garment: { fit: 'loose' } }));
    expect(figures(one('cloth', 'stretch', '30 %').spec)).toEqual(
      written(LINES, { garment: { cloth: { stretch: 30 } } }),
    );
    expect(one('cloth', 'bias', 'yes').spec.garment.cloth.bias).toBe(true);
    expect(figures(one('rounding', '', 'cm 0.5 nearest').spec)).toEqual(
      written(LINES, { house: { rounding: { unit: 'cm', step: 0.5, mode: 'nearest' } } }),
    );
  });
  it('an ease tried warns as a rule of the house would; where the order has its own, that is what is tried', () => {
    const warned = (s: typeof spec) =>
      computeSheet(toSheetInput(s))
        .checks.filter((k) => k.state === 'warned')
        .map((k) => k.code);
    expect(warned(one('ease', 'hip', '1 cm').spec)).toContain('floor-hip');
    const own = skirtSpec(LINES, { garment: { own: { girths: '6 cm', why: 'wanted' } } });
    const { spec: made } = suppose(own, [{ what: 'ease', of: 'hip', value: '7 cm' }], 'cm');
    expect(made.garment.own).toMatchObject({ girths: '6 cm', ease: { hip: '7 cm' }, why: 'wanted' });
    const hip = (s: typeof spec) =>
      computeSheet(toSheetInput(s)).figures.find((f) => f.id === 'hip')!.finished!;
    expect(hip(made) - hip(own)).toBeCloseTo(1, 9);
  });
  it('fit, cloth and ease go into a brief that gives the sheet that was tried; readings and rounding stay out', () => {
    const tried: WhatIf[] = [
      { what: 'fit', of: '', value: 'loose' },
      { what: 'cloth', of: 'stretch', value: '30 %' },
      { what: 'reading', of: 'hip', value: '120 cm' },
      { what: 'rounding', of: '', value: 'cm 0.5 nearest' },
      { what: 'ease', of: 'hip', value: '' },
    ];
    const brief = intoBrief(spec.garment, tried, 'cm', '') as typeof spec.garment;
    expect(figures({ ...spec, garment: brief })).toEqual(
      figures(suppose(spec, tried.slice(0, 2), 'cm').spec),
    );
    const eased: WhatIf[] = [{ what: 'ease', of: 'hip', value: '9' }];
    expect(intoBrief(spec.garment, eased, 'cm', ' ')).toMatch(/write why/);
    const own = intoBrief(spec.garment, eased, 'cm', 'she sits all day') as typeof spec.garment;
    expect(own.own).toMatchObject({ ease: { hip: '9 cm' }, why: 'she sits all day' });
    expect(figures({ ...spec, garment: own })).toEqual(figures(suppose(spec, eased, 'cm').spec));
    expect(intoBrief(spec.garment, [{ what: 'cloth', of: 'width', value: '3' }], 'cm', '')).toMatch(/width/);
    expect(tried.filter(isOfBrief)).toHaveLength(2);
  });
  it('leaves the spec it came from alone, and several changes are made together', () => {
    const before = structuredClone(spec);
    const { spec: both } = suppose(
      spec,
      [
        { what: 'reading', of: 'hip', value: '98 cm' },
        { what: 'ease', of: 'hip', value: '6 cm' },
      ],
      'cm',
    );
    expect(spec).toEqual(before);
    const hip = computeSheet(toSheetInput(both)).figures.find((f) => f.id === 'hip')!;
    // 98 and 6; the cloth of a woven of no thickness adds nothing of its own beyond what it adds today.
    const now = computeSheet(toSheetInput(spec)).figures.find((f) => f.id === 'hip')!;
    expect(hip.finished! - now.finished!).toBeCloseTo(2 + 1, 9);
  });
  it('a figure alone is in the unit of the hand', () => {
    expect(one('reading', 'hip', '38', 'in').spec.readings.find((r) => r.measure === 'hip')!.value).toBe(
      '38 in',
    );
  });
  it.each([
    ['reading', 'hip', 'wide'],
    ['reading', 'hip', '-3 cm'],
    ['reading', 'no-such', '3 cm'],
    ['ease', 'hip', 'some'],
    ['ease', 'hip', '400 cm'],
    ['ease', 'ankle', '2 cm'],
    ['fit', '', 'tight'],
    ['cloth', 'stretch', 'much'],
    ['cloth', 'stretch', '900'],
    ['cloth', 'colour', 'red'],
    ['rounding', '', 'cm 3 down'],
  ] as const)(
    '%s %s of “%s” is refused with a sentence, and the others are tried all the same',
    (what, of, value) => {
      const tried = suppose(
        spec,
        [
          { what, of, value },
          { what: 'fit', of: '', value: what === 'fit' ? '' : 'loose' },
        ],
        'cm',
      );
      const reason = tried.refused[nameOfTried({ what, of })]!;
      expect(reason).toMatch(/^.{12,}\.$|^.{12,}\?$/);
      expect(reason).not.toMatch(/Invalid|expected|undefined|NaN/);
      expect(tried.spec.garment.fit).toBe(what === 'fit' ? spec.garment.fit : 'loose');
      expect({ ...tried.spec, garment: { ...tried.spec.garment, fit: spec.garment.fit } }).toEqual(spec);
    },
  );
  it('a reading that the tape would ask about is asked about, and tried all the same', () => {
    const tried: WhatIf[] = [{ what: 'reading', of: 'hip', value: '60 cm' }];
    const { spec: made, refused } = suppose(spec, tried, 'cm');
    expect(refused).toEqual({});
    expect(doubtsOf(made, tried, 'cm')['reading.hip']!.length).toBeGreaterThan(12);
    const fine: WhatIf[] = [{ what: 'reading', of: 'hip', value: '97 cm' }];
    expect(doubtsOf(suppose(spec, fine, 'cm').spec, fine, 'cm')).toEqual({});
  });
  it('what stands empty is nothing yet', () => {
    expect(one('reading', 'hip', ' ')).toEqual({ spec, refused: {} });
  });
});
