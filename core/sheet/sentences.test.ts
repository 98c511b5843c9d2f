import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { GARMENTS } from '../garment/garments.ts';
import { asLines, type Body, randomBody, seeded } from '../garment/testing.ts';
import { FULL_BODY } from '../garment/testing-full-body.ts';
import { printSheet } from './print.ts';

const INCHES = { unit: 'in', step: 0.125, mode: 'nearest' } as const;
const BODIES: readonly Body[] = [FULL_BODY, randomBody(seeded(11)), { bust: 96, waist: 80, hip: 104 }];

describe('every sentence of an inch sheet', () => {
  it.each(GARMENTS.map((g) => g.id))(
    '%s: no centimetres, no length without a unit, no name of the code',
    (id) => {
      for (const body of BODIES)
        for (const garment of [{}, { lining: 'cupro', fit: 'close' }]) {
          const printed = printSheet(
            sheetOf(garmentSpec(id, asLines(body), { garment, house: { rounding: INCHES } })),
            'in',
          );
          const said = [
            ...printed.figures.flatMap((f) => [f.note, ...f.why]),
            ...printed.checks.map((c) => c.text),
            ...printed.cautions,
            ...printed.notions.map((n) => `${n.name}: ${n.text}`),
            ...printed.pieces.flatMap((p) => [p.note, p.why, p.grain]),
            ...printed.unused!,
          ];
          for (const s of said) {
            expect(s).not.toMatch(/= ≈/);
            expect(s).not.toMatch(/\d ?[cm]m\b|centimetre|undefined|NaN|null|\{|the the|[+−]less/);
            expect(s).not.toMatch(/practice \d[\d.]* to|between \d[\d.]* and \d[\d.]*[.,]/i);
            expect(s).not.toMatch(
              /at the (high-hip|underbust|upper-arm|armhole-depth|across-back|neck-to-waist)/,
            );
          }
        }
    },
  );
});
