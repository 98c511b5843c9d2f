import { sheetOf } from '@rocchetto/contract/testing.ts';
import { garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { ZodError } from 'zod';
import { sewnOutline } from '../draft/outline.ts';
import { drawGarment } from '../sheet/drawing.ts';
import { printSheet } from '../sheet/print.ts';
import { toileOf } from '../sheet/toile.ts';
import { GARMENTS } from './garments.ts';
import { garmentProblems } from './joins.ts';
import { allParts } from './registry.ts';
import { asLines, type Body, randomBody, seeded } from './testing.ts';

/** What must hold of a sheet that anybody might be shown, whatever was read. */
function whole(id: string, lines: readonly string[], garment: object, what: string, drawn = true) {
  const s = sheetOf(garmentSpec(id, lines, { garment }));
  const printed = printSheet(s, 'cm');
  expect(JSON.stringify(printed), what).not.toMatch(/NaN|undefined|Infinity|\{cm:/);
  // Drawing takes longer than all the rest: every third is drawn.
  if (drawn)
    expect(JSON.stringify([drawGarment(s, printed), toileOf(s)]), what).not.toMatch(/NaN|undefined|Infinity/);
  for (const p of s.pieces) {
    if (p.width === null) continue;
    expect(p.width, `${what}: ${p.name}`).toBeGreaterThan(0);
    expect(p.length, `${what}: ${p.name}`).toBeGreaterThan(0);
  }
  for (const p of s.panels) {
    const ring = sewnOutline(p);
    ring.forEach((seg, i) => {
      const [a, b] = [seg.at(-1)!, ring[(i + 1) % ring.length]![0]];
      expect(Math.hypot(a[0] - b[0], a[1] - b[1]), `${what}: ${p.id} is closed`).toBeLessThan(1e-4);
    });
    for (const d of p.darts) expect(d.intake, `${what}: ${p.id}`).toBeGreaterThan(0);
  }
  // What was not measured is said, never guessed in silence.
  for (const f of s.figures)
    if (f.finished === null)
      expect(
        f.why.length > 0 || s.checks.some((k) => k.state === 'warned'),
        `${what}: ${f.id} is missing: measure it without a word`,
      ).toBe(true);
  return s;
}

const some = (body: Body, rnd: () => number, keep: number): Body =>
  Object.fromEntries(Object.entries(body).filter(() => rnd() < keep));

describe('whatever was read, a sheet prints what it can', () => {
  it.each(GARMENTS.map((g) => g.id))('%s: with half of the measures missing, and with three alone', (id) => {
    for (let seed = 1; seed <= 10; seed++) {
      const rnd = seeded(seed * 97);
      const body = randomBody(rnd);
      whole(id, asLines(some(body, rnd, 0.5)), {}, `${id}, seed ${seed}, half`, seed % 3 === 0);
      const three = Object.entries(body)
        .toSorted(() => rnd() - 0.5)
        .slice(0, 3);
      whole(id, asLines(Object.fromEntries(three)), {}, `${id}, seed ${seed}, three`, seed % 3 === 1);
    }
    whole(id, [], {}, `${id}, nothing`);
  });
  it.each(GARMENTS.map((g) => g.id))(
    '%s: with figures pulled apart, in every fit, on stiff cloth and on rib',
    (id) => {
      const fits = ['second-skin', 'boned', 'close', 'fitted', 'semi-fitted', 'loose', 'very-loose'];
      let seen = 0;
      for (let seed = 1; seed <= 28; seed++) {
        const rnd = seeded(seed * 131);
        // Waist or tummy the largest, arms and legs of somebody else, heights far too long or short.
        const body = Object.fromEntries(
          Object.entries(randomBody(rnd)).map(([m, n]) => [m, Math.round(n * (0.7 + rnd() * 0.7) * 2) / 2]),
        );
        const garment = {
          fit: fits[seed % 7],
          lining: seed % 3 ? '' : 'cupro',
          cloth: { name: 'x', width: seed % 2 ? '90 cm' : null, stretch: seed % 2 ? 0 : 150 },
        };
        try {
          whole(id, asLines(body), garment, `${id}, seed ${seed}`, seed % 3 === 0);
          seen++;
        } catch (error) {
          // Figures that cannot be of one body are refused in a sentence before there is a sheet.
          if (!(error instanceof ZodError)) throw error;
          for (const i of error.issues) expect(i.message).toMatch(/\.$/);
        }
      }
      expect(seen).toBeGreaterThan(2);
    },
  );
});

describe('parts that cannot be one garment', () => {
  const ids = allParts().map((p) => p.id);
  it('every pair and four hundred lists are a garment or say in a sentence why not', () => {
    const rnd = seeded(5);
    const lists = [
      ...ids.flatMap((a) => ids.map((b) => [a, b])),
      ...Array.from({ length: 400 }, () =>
        Array.from({ length: 1 + Math.floor(rnd() * 14) }, () => ids[Math.floor(rnd() * ids.length)]!),
      ),
    ];
    let made = 0;
    for (const list of lists) {
      const problems = garmentProblems(list);
      for (const p of problems) expect(p).toMatch(/^[A-Z].*\.$/);
      if (problems.length > 0) continue;
      made++;
      whole(
        'bodice',
        asLines(randomBody(seeded(made))),
        { parts: list.map((part) => ({ part })) },
        list.join(' + '),
        made % 5 === 0,
      );
    }
    expect(made).toBeGreaterThan(50);
  });
  it('details are none by themselves; a sleeve needs its armhole, a collar its neckline, twelve are the most', () => {
    expect(garmentProblems(['details'])[0]).toContain('need a garment');
    expect(garmentProblems(['boned-bodice', 'sleeve'])[0]).toContain('needs an armhole');
    expect(garmentProblems(['straight-skirt', 'collar'])[0]).toContain('needs a neckline');
    expect(garmentProblems(Array.from({ length: 13 }, () => 'details'))[0]).toContain('at most 12 parts');
  });
});
