import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import type { Point } from '../../../draft/curve.ts';
import { sewnLength } from '../../../draft/measure.ts';
import type { Dart, Panel } from '../../../draft/panel.ts';
import { asLines, seeded } from '../../testing.ts';
import { trueBody } from '../../testing-shape.ts';

const EXACT = { unit: 'cm', step: 0, mode: 'nearest' } as const;
const front = (part: string, shaping: string, seed: number) => {
  const spec = garmentSpec([{ part, shaping }], asLines(trueBody(seeded(seed))), {
    house: { rounding: EXACT },
  });
  const sheet = sheetOf(spec);
  return { sheet, panel: sheet.panels.find((p) => p.id === 'bodice.front') };
};
const far = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]);
/** The angle between a dart’s legs where the lines that they lie on meet, degrees: worked from its mouth and its legs alone. */
const angle = ({ legs: [a, b] }: Dart, over: Point) =>
  (Math.acos((far(a, over) ** 2 + far(b, over) ** 2 - far(a, b) ** 2) / (2 * far(a, over) * far(b, over))) *
    180) /
  Math.PI;
const sewn = (p: Panel, ...edges: string[]) => edges.map((e) => sewnLength(p, e));

describe.each([
  ['darted-bodice', 'side-shoulder'],
  ['darted-bodice', 'side-waist'],
  ['long-bodice', 'side-shoulder'],
] as const)('%s with its bust dart shared, %s', (part, shaping) => {
  const bodies = Array.from({ length: 12 }, (_, i) => {
    const [one, two] = [front(part, 'darts', 40 + i), front(part, shaping, 40 + i)];
    return { one, two };
  }).filter(({ one }) => one.panel?.darts.some((d) => d.id === 'bodice.bust-dart'));

  it('each half takes half of the angle, its legs are alike, and every other seam stays as long', () => {
    expect(bodies.length).toBeGreaterThan(6);
    for (const { one, two } of bodies) {
      const [a, b] = [one.panel!, two.panel!];
      const over = b.levels!.find((l) => l.id === 'bust')!.over!;
      const whole = a.darts.find((d) => d.id === 'bodice.bust-dart')!;
      const half = angle(whole, over) / 2;
      const side = b.darts.find((d) => d.edge === 'side')!;
      expect(angle(side, over)).toBeCloseTo(half, 4);
      expect(far(side.legs[0], side.tip)).toBeCloseTo(far(side.legs[1], side.tip), 3);
      if (shaping === 'side-shoulder') {
        const up = b.darts.find((d) => d.edge === 'shoulder')!;
        expect(angle(up, over)).toBeCloseTo(half, 4);
      }
      const seams = ['armhole', 'neck', 'side', ...(shaping === 'side-waist' ? ['shoulder'] : [])];
      for (const [i, l] of sewn(b, ...seams).entries())
        expect(Math.abs(l - sewn(a, ...seams)[i]!), `${part} ${seams[i]}`).toBeLessThan(0.15);
    }
  });
  it('tells both on the sheet, and no longer that one dart is too wide', () => {
    for (const { two } of bodies) {
      const at = (id: string) => two.sheet.figures.find((f) => f.id === `bodice.${id}`)?.finished ?? null;
      for (const id of ['side-dart', 'side-dart-length', 'moved-dart', 'moved-dart-length'])
        expect(at(id), id).toBeGreaterThan(0);
      expect(two.sheet.checks.filter((k) => k.code === 'bodice.dart-wide')).toEqual([]);
    }
  });
});
