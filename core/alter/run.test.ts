import { sheetOf, skirtSpec } from '@rocchetto/contract/testing.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnWidthAt } from '../draft/measure.ts';
import { cm } from '../units/length.ts';
import { alike, applyAlteration } from './apply.ts';
import type { Run } from './kind.ts';
import { ask, NO_RUN } from './testing.ts';

// A skirt whose sides fall straight from the hip: along its side seam is, to a hair, down.
const SKIRT = sheetOf(
  skirtSpec(['waist 70 cm', 'hip 98 cm', 'waist-to-hip 20 cm'], {
    skirt: { taper: '0 cm', length: '70 cm' },
  }),
);
const front = SKIRT.panels.find((p) => p.id === 'skirt.front')!;
const SEAM = edgeLength(front, 'side');
const foot = front.edges
  .find((e) => e.id === 'side')!
  .path.at(-1)!
  .at(-1)!;
/** Where a place along the seam lies below the waist: straight down from the hip, 20 below, to its foot. */
const down = (along: number) => foot[1] - (SEAM - along);
const run = (over: Partial<Record<keyof Run, number>>): Run => ({
  ...NO_RUN,
  ...Object.fromEntries(Object.entries(over).map(([k, v]) => [k, cm(v)])),
});
/** By how much the front half is narrower so far along the seam, 4 taken out in all: 1 from each of four edges. */
function taken(of: Run, along: number): number {
  const made = applyAlteration(alike(SKIRT.panels), ask('side-seams', 'in', 4, { run: of }), false);
  const after = made.right.find((p) => p.id === 'skirt.front')!;
  return sewnWidthAt(front, cm(down(along)))! - sewnWidthAt(after, cm(down(along)))!;
}
/** The run in closed form: nothing to `begins`, straight to full, full on, straight to nothing at `zero`. */
function full({ begins, fullFrom, fullTo, zero }: Partial<Record<keyof Run, number>>, at: number): number {
  const from = fullFrom ?? begins ?? 0;
  const to = fullTo ?? (zero === undefined ? SEAM : from);
  if (begins !== undefined && at < from) return Math.max(0, (at - begins) / (from - begins));
  if (zero !== undefined && at > to) return Math.max(0, (zero - at) / (zero - to));
  return 1;
}

describe('how an amount runs along its seam', () => {
  it.each([
    { fullTo: 40, zero: 60 },
    { fullFrom: 30, fullTo: 45, zero: 60, begins: 24 },
    { zero: 65 },
    { begins: 25, fullFrom: 55 },
    { begins: 24, fullFrom: 40, zero: 66 },
    { fullFrom: 22, fullTo: 68 },
  ])('%j: as straight lines between its places', (over) => {
    for (const at of [26, 33, 38, 42, 50, 57, 63])
      expect(taken(run(over), at), `at ${at}`).toBeCloseTo(full(over, at), 2);
  });

  it.each([
    [{ begins: 30, fullFrom: 20 }, 'the other way round'],
    [{ fullFrom: 40, fullTo: 30 }, 'above the one it is full from'],
    [{ fullTo: 40, zero: 40 }, 'A taper needs some length'],
    [{ fullTo: 40, zero: 30 }, 'A taper needs some length'],
    [{ fullFrom: 75 }, 'lies beyond its end'],
    [{ fullFrom: 75, zero: 90 }, 'lies beyond its end'],
    [{ begins: 40, fullFrom: 75 }, 'lies beyond its end'],
  ])('%j is refused: %s', (over, says) => {
    expect(() => taken(run(over), 50)).toThrow(says);
  });

  it('a place just at the end of the seam is on it', () => {
    expect(() => taken(run({ fullFrom: SEAM - 0.01, begins: 40 }), 50)).not.toThrow();
  });
});
