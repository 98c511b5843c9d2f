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
