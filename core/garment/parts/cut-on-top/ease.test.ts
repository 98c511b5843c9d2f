import type { SpecFile } from '@rocchetto/contract';
import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';

const BODY = [
  'bust 88 cm',
  'hip 96 cm',
  'armhole 42 cm',
  'upper-arm 29 cm',
  'neck-base 35 cm',
  'arm-span 130 cm',
  'garment-length 62 cm',
];
const made = (overrides: SpecFile['overrides'] = []) =>
  sheetOf({
    ...garmentSpec('bodice', BODY, {
      garment: { parts: [{ part: 'cut-on-top' }] },
      house: { rounding: EXACT },
    }),
    overrides,
  });
const eased = (of: string, value: string) =>
  made([
    { figure: of, target: 'wearing', value, reason: 'as the model', by: 'Ada', at: '2026-03-01T10:00:00Z' },
  ]);

describe('ease set by hand on a half', () => {
  // By hand: an armhole of 42 without ease lies 21 on the fold, an arm of 29 lies 14.5; with 10 of ease 26, with 6 17.5.
  it.each([
    ['top.sleeve-width', '0 cm', 21],
    ['top.sleeve-width', '10 cm', 26],
    ['top.sleeve-end', '0 cm', 14.5],
    ['top.sleeve-end', '6 cm', 17.5],
  ])('%s with %s is half of the whole, ease and all: %d', (of, value, half) => {
    const f = figure(eased(of, value), of);
    expect(f.finished).toBeCloseTo(half, 6);
    expect(f.terms.reduce((a, t) => a + t.cm, 0)).toBeCloseTo(half, 6);
    expect(f.rule).toBeCloseTo(figure(made(), of).finished!, 6);
  });
});

describe('the length of a top with cut-on sleeves', () => {
  const read = BODY.filter((l) => !l.startsWith('garment-length'));
  const lengthOf = (fields: object, lines: readonly string[] = read) =>
    figure(
      sheetOf(
        garmentSpec('bodice', lines, {
          garment: { parts: [{ part: 'cut-on-top', length: '20 cm', ...fields }] },
          house: { rounding: EXACT },
        }),
      ),
      'top.length',
    );
  it('counts from the shoulder fold, from the nape 2 below it, or from the waist', () => {
    expect(lengthOf({ length: '60 cm' }).finished).toBeCloseTo(60, 9);
    expect(lengthOf({ from: 'nape', length: '60 cm' }).finished).toBeCloseTo(62, 9);
    // 44 down to the waist over the bust, and 20 below it.
    expect(lengthOf({ from: 'waist' }, [...read, 'neck-to-waist-front 44 cm']).finished).toBeCloseTo(64, 9);
    expect(lengthOf({ from: 'waist' }).finished).toBeNull();
  });
  it('a whole length that was read comes before what was wanted, and the waist is told as left', () => {
    const s = sheetOf(
      garmentSpec('bodice', [...BODY, 'neck-to-waist-front 44 cm'], {
        garment: { parts: [{ part: 'cut-on-top', from: 'waist', length: '20 cm' }] },
        house: { rounding: EXACT },
      }),
    );
    expect(figure(s, 'top.length').finished).toBeCloseTo(62, 9);
    expect(s.unused().find((u) => u.measure === 'neck-to-waist-front')!.because).toContain('whole length');
  });
});
