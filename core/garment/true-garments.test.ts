import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { expect, it } from 'vitest';
import { GARMENTS } from './garments.ts';
import { asLines, type Body, seeded } from './testing.ts';
import { trueBody } from './testing-shape.ts';
import { linesSeen, SELDOM } from './testing-true-lines.ts';

const of = <T>(list: readonly T[], rnd: () => number): T => list[Math.floor(rnd() * list.length)]!;
/** High hip, tummy and the way through the legs, as they may lie on this body: read on every third. */
const besides = (body: Body, rnd: () => number): Body => ({
  'high-hip': Math.round(2 * (body.waist! + (body.hip! - body.waist!) * (0.55 + rnd() * 0.3))) / 2,
  tummy: Math.round(2 * (body.waist! + (body.hip! - body.waist!) * (0.45 + rnd() * 0.4))) / 2,
  'crotch-length': Math.round(2 * (body.rise! * 2 + 9 + rnd() * 8)) / 2,
});
/** A brief's own choices, laid over every part that has the field. */
const choices = (rnd: () => number) => ({
  garment: {
    fit: of(['fitted', 'fitted', 'semi-fitted', 'loose'], rnd),
    lining: of(['', 'cupro'], rnd),
  },
  fields: {
    length: of(['45 cm', '62 cm', '90 cm'], rnd),
    taper: of(['0 cm', '1 cm', '2 cm'], rnd),
    hemOpening: of(['none', 'vent', 'slit'], rnd),
    zip: of(['centre-back', 'left-side'], rnd),
    neckline: of(['round', 'v', 'square'], rnd),
    hem: of([null, '50 cm'], rnd),
    shape: of(['straight', 'fitted', 'flared'], rnd),
  },
});

it('2,040 bodies in every garment: each line holds, or a sentence tells it; how often is printed', () => {
  const { seen, untold, look, told } = linesSeen();
  for (const { id } of GARMENTS)
    for (let seed = 1; seed <= 60; seed++) {
      const rnd = seeded(seed * 211 + id.length);
      const body = trueBody(rnd);
      const read = { ...body, ...(seed % 3 === 0 ? besides(body, rnd) : {}) };
      look(
        sheetOf(garmentSpec(id, asLines(read), { house: { rounding: EXACT }, ...choices(rnd) })),
        `${id}, seed ${seed}`,
      );
    }
  console.info(told());
  expect(untold).toEqual([]);
  for (const [name, { many }] of Object.entries(SELDOM))
    expect(seen[name]!.off, name).toBeLessThanOrEqual(many);
  for (const [name, line] of Object.entries(seen)) expect(line.of, name).toBeGreaterThan(60);
}, 240_000);
