import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { expect, it } from 'vitest';
import { asked, type Field } from './fields.ts';
import { GARMENTS } from './garments.ts';
import { findPart } from './registry.ts';
import { asLines, seeded } from './testing.ts';
import { trueBody } from './testing-shape.ts';
import { linesSeen } from './testing-true-lines.ts';

type Row = Readonly<Record<string, unknown>>;

/** What a hand might choose in a field; undefined leaves it as it is. Lengths stay within a fifth of what is usual. */
function chosen(field: Field, rnd: () => number): unknown {
  if (field.kind === 'choice') return field.options[Math.floor(rnd() * field.options.length)]!.value;
  if (field.kind === 'yes-no') return rnd() < 0.5;
  if (field.kind === 'count')
    return (
      field.min + field.step * Math.floor(rnd() * (1 + Math.min(6, (field.max - field.min) / field.step)))
    );
  if (field.kind !== 'length' || field.default === null) return undefined;
  const usual = Number.parseFloat(field.default);
  const near = Math.round(2 * usual * (0.8 + 0.4 * rnd())) / 2;
  return `${Math.min(field.max, Math.max(field.min, near))} cm`;
}
/** A part with about half of its fields chosen at random. */
function varied(part: Row, rnd: () => number): Row {
  const { fields } = findPart(String(part.part))!;
  const own: Record<string, unknown> = { ...part };
  for (const [name, field] of Object.entries(fields))
    if (rnd() < 0.5) {
      const value = chosen(field, rnd);
      if (value !== undefined && asked(field, own)) own[name] = value;
    }
  return own;
}

it('every choice of a brief at random, over every garment: each line holds, or a sentence tells it', () => {
  const { seen, untold, look, told } = linesSeen();
  const refused: string[] = [];
  let tried = 0;
  for (const { id, parts } of GARMENTS)
    for (let seed = 1; seed <= 60; seed++) {
      const rnd = seeded(seed * 977 + id.length * 31);
      const body = trueBody(rnd);
      const own = parts.map((p) => varied(p, rnd));
      tried++;
      let spec: ReturnType<typeof garmentSpec>;
      try {
        spec = garmentSpec(own, asLines(body), { house: { rounding: EXACT } });
      } catch (e) {
        refused.push(`${id} ${seed}: ${String(e).slice(0, 200)}`);
        continue;
      }
      look(sheetOf(spec), `${id}, seed ${seed}: ${JSON.stringify(own)}`);
    }
  console.info(`${refused.length} of ${tried} refused\n${told()}`);
  expect(untold).toEqual([]);
  for (const [name, line] of Object.entries(seen)) expect(line.of, name).toBeGreaterThan(20);
}, 240_000);
