import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { GARMENTS } from '../garment/garments.ts';
import { asLines, randomBody, seeded } from '../garment/testing.ts';
import { bundlesOf } from './bundles.ts';
import { printSheet } from './print.ts';

describe('bundles for the bench', () => {
  it('hold every piece of every garment once, by part and layer, with all pieces of cloth counted', () => {
    for (const { id } of GARMENTS) {
      const sheet = sheetOf(
        garmentSpec(id, asLines(randomBody(seeded(11))), { garment: { lining: 'cupro' } }),
      );
      const bundles = bundlesOf(printSheet(sheet, 'cm'));
      expect(bundles.flatMap((b) => b.pieces.map((p) => p.panel)).toSorted(), id).toEqual(
        sheet.pieces.map((p) => p.panel).toSorted(),
      );
      expect(
        bundles.reduce((sum, b) => sum + b.count, 0),
        id,
      ).toBe(sheet.pieces.reduce((sum, p) => sum + p.count, 0));
      expect(new Set(bundles.map((b) => `${b.part}/${b.layer}`)).size, id).toBe(bundles.length);
    }
  });
  it('are named as the sections of the sheet are', () => {
    const sheet = sheetOf(garmentSpec('day-dress-sleeved', asLines(randomBody(seeded(3)))));
    expect(new Set(bundlesOf(printSheet(sheet, 'cm')).map((b) => b.part))).toEqual(
      new Set(['darted bodice', 'set-in sleeve', 'straight skirt']),
    );
  });
});
