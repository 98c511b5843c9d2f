import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { GARMENTS } from './garments.ts';
import { asLines, randomBody, seeded } from './testing.ts';

const UP = { unit: 'cm', step: 0.5, mode: 'up' } as const;

/** A house that rounds every mark up to the next half centimetre: its own rule, common practice, no source. */
describe('a house that rounds up', () => {
  it.each(GARMENTS.map((g) => g.id))(
    '%s: what is measured is not made longer, and the rule blocks nothing by itself',
    (id) => {
      const rnd = seeded(271);
      for (let n = 0; n < 4; n++) {
        const s = sheetOf(garmentSpec(id, asLines(randomBody(rnd)), { house: { rounding: UP } }));
        for (const f of s.figures) {
          const measured = (terms: (typeof f)['terms']) =>
            terms.length > 0 && terms.every((t) => /^Measured (on|along)/.test(t.because));
          if (f.finished !== null && f.shares.length === 0 && measured(f.terms))
            expect(Math.abs(f.marked! - f.finished), `${f.id} ${f.finished}`).toBeLessThanOrEqual(
              0.25 + 1e-9,
            );
          for (const h of f.shares)
            if (measured(h.terms))
              expect(Math.abs(h.rounded - h.exact), `${f.id} ${h.panel}`).toBeLessThanOrEqual(0.25 + 1e-9);
        }
        const drifted = s.checks.filter((c) => c.code.startsWith('drift-') && c.state === 'warned');
        expect(
          drifted.map((c) => c.sentence),
          id,
        ).toEqual([]);
      }
    },
  );
  it('says on which figure its rule moved more than the tolerance', () => {
    const rnd = seeded(271);
    const said = GARMENTS.flatMap((g) =>
      sheetOf(garmentSpec(g.id, asLines(randomBody(rnd)), { house: { rounding: UP } })).checks.filter((c) =>
        /rule rounds every panel up/.test(JSON.stringify(c.sentence)),
      ),
    );
    expect(said.length).toBeGreaterThan(0);
    expect(new Set(said.map((c) => c.state))).toEqual(new Set(['passed']));
  });
});
