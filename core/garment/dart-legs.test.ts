import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec, HALF } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import type { Sheet } from '../sheet/compute.ts';
import { legChecks } from './dart-legs.ts';
import { GARMENTS } from './garments.ts';
import { asLines, randomBody, seeded } from './testing.ts';

/** By how much the two legs of each dart on the panels differ, cm: from the outline alone. */
const apart = (s: Sheet) =>
  s.panels.flatMap((p) =>
    p.darts.map((d) => {
      const [a, b] = d.legs.map(([x, y]) => Math.hypot(x - d.tip[0], y - d.tip[1]));
      return { id: d.id, by: Math.abs(a! - b!) };
    }),
  );
const told = (s: Sheet) => s.checks.filter((k) => k.code.startsWith('legs-'));
const BODY = [
  ...['bust 88 cm', 'waist 70 cm', 'across-shoulder 38 cm', 'nape-to-waist 40 cm', 'armhole-depth 20 cm'],
  ...['neck-width 14 cm', 'neck-to-bust 26 cm', 'neck-to-waist-front 44 cm', 'apex-span 18 cm'],
];

describe('the legs of a dart', () => {
  it.each(GARMENTS.map((g) => g.id))('%s: agree within what is eased, or it is said which do not', (id) => {
    for (let seed = 1; seed <= 12; seed++)
      for (const rounding of [EXACT, HALF]) {
        const shaping = ['darts', 'shoulder', 'armhole', 'neck', 'waist', 'side-shoulder', 'side-waist'][
          seed % 7
        ];
        const lines = asLines(randomBody(seeded(seed * 13)));
        const s = sheetOf(garmentSpec(id, lines, { house: { rounding }, fields: { shaping } }));
        const long = new Set(apart(s).flatMap((d) => (d.by > 0.5 ? [`legs-${d.id}`] : [])));
        expect([seed, told(s).map((k) => k.code)]).toEqual([seed, [...long]]);
      }
  });

  it('that were pulled far apart are told with both lengths, at the figure they are set by', () => {
    const s = sheetOf(garmentSpec('bodice', BODY, { house: { rounding: EXACT } }));
    expect(told(s)).toEqual([]);
    const pulled = s.panels.map((panel) => ({
      ...panel,
      darts: panel.darts.map((d) => ({ ...d, tip: [d.tip[0] + 8, d.tip[1]] as const })),
    }));
    const waist = legChecks(pulled, s.figures).find((k) => k.code === 'legs-bodice.dart-front');
    expect(waist).toMatchObject({ state: 'warned', figure: 'bodice.dart-front-intake' });
    expect(waist!.sentence).toMatch(
      /The legs of the front waist dart on the .*\{cm:[\d.]+\} and \{cm:[\d.]+\} long/,
    );
  });
});
