import { AskedWire, toAsked } from '@rocchetto/contract/alterations.ts';
import { sheetOf, skirtSpec } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { asLines, randomBody, seeded } from '../garment/testing.ts';
import type { Sheet } from '../sheet/compute.ts';
import { finishedPoints } from './effect.ts';
import { halvesOf, tryAlteration } from './trial.ts';

/** A measure before and after an alteration: how much it grew, and how much of that in front, cm. */
function grew(sheet: Sheet, asked: object, id: string) {
  const before = halvesOf(sheet);
  const { applied } = tryAlteration(sheet, before, toAsked(AskedWire.parse({ version: 2, ...asked })), false);
  const [was, is] = [before, applied].map((h) => finishedPoints(h).find((p) => p.id === id)!);
  return { all: is!.target - was!.target, front: is!.front - was!.front };
}

describe('what of a girth lies in front, once it is altered', () => {
  // A quarter of what goes round (plane geometry): of four edges two are the front's.
  it('is half of what both side seams let out', () => {
    const skirt = sheetOf(skirtSpec(['waist 70 cm', 'hip 96 cm', 'waist-to-hip 20.5 cm'], {}));
    const hip = grew(skirt, { kind: 'side-seams', direction: 'out', amount: '4 cm', as: 'total' }, 'hip');
    expect(hip.all).toBeCloseTo(4, 1);
    expect(hip.front).toBeCloseTo(2, 1);
  });
  it('is all of what a front is made fuller over its princess seams', () => {
    const princess = sheetOf(
      garmentSpec([{ part: 'darted-bodice', shaping: 'princess-shoulder' }], asLines(randomBody(seeded(5))), {
        house: { rounding: EXACT },
      }),
    );
    const bust = grew(
      princess,
      { kind: 'bust-fullness', direction: 'more', amount: '2 cm', as: 'total' },
      'bust',
    );
    expect(bust.all).toBeCloseTo(2, 1);
    expect(bust.front).toBeCloseTo(2, 1);
  });
});
