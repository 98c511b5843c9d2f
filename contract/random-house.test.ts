import { GARMENTS, MARKED_FINER, printSheet, RULE_CELLS, type Sheet } from '@rocchetto/core';
import { asLines, randomBody, seeded } from '@rocchetto/core/garment/testing.ts';
import { describe, expect, it } from 'vitest';
import { HouseRulesWire } from './brief.ts';
import { rulesOf } from './house-rules.ts';
import { sheetOf } from './testing.ts';
import { garmentSpec } from './testing-garments.ts';

/** What a principal might write in a cell: within the schema's bounds, in either unit, now and then what is usual. */
function written(path: string, rnd: () => number): string {
  const cell = RULE_CELLS.get(path)!;
  const pick = <T>(list: readonly T[]) => list[Math.floor(rnd() * list.length)]!;
  if (cell.kind === 'choice') return pick(cell.options!).value;
  if (cell.kind === 'number')
    return path.endsWith('count')
      ? String(Math.floor(rnd() * 4))
      : path === 'shape.slope'
        ? String(10 + Math.floor(rnd() * 20))
        : String(Math.floor(rnd() * 100));
  const [least, most] = path.startsWith('ease.')
    ? [0, 20]
    : path === 'hipDrop'
      ? [15, 28]
      : path === 'shape.neckWidth'
        ? [11, 20]
        : path === 'shape.forkForward'
          ? [-0.75, 1.75]
          : path.startsWith('balance.')
            ? [-2, 2]
            : [0.5, 3.5];
  const cm = least + rnd() * (most - least);
  return rnd() < 0.3 ? `${Math.round((cm / 2.54) * 8) / 8} in` : `${Math.round(cm * 4) / 4} cm`;
}

/** A house that has set some of its rules, at random; darts always whole. */
function randomRules(rnd: () => number): HouseRulesWire {
  const texts: Record<string, string> = {};
  for (const path of RULE_CELLS.keys()) if (rnd() < 0.25) texts[path] = written(path, rnd);
  for (const face of ['front', 'back'])
    for (const [own, other] of [
      ['count', 'intake'],
      ['intake', 'count'],
    ] as const)
      if (texts[`darts.${face}.${own}`] !== undefined && texts[`darts.${face}.${other}`] === undefined)
        delete texts[`darts.${face}.${own}`];
  return HouseRulesWire.parse(rulesOf(texts, 'cm'));
}

const close = (a: number, b: number) => Math.abs(a - b) < 1e-6;

/** What does not hold of a sheet though it must, whatever the house goes by. */
function wrongWith(sheet: Sheet, house: HouseRulesWire): string[] {
  const wrong: string[] = [];
  const holds = (yes: boolean, what: () => string) => void (yes || wrong.push(what()));
  const sum = (terms: readonly { readonly cm: number }[]) => terms.reduce((a, t) => a + t.cm, 0);
  for (const f of sheet.figures) {
    if (f.finished === null) continue;
    holds(Number.isFinite(f.finished), () => `${f.id} is ${f.finished}`);
    holds(
      f.marks.includes('overridden') || close(sum(f.terms), f.finished),
      () => `${f.id} is not its parts`,
    );
    for (const s of f.shares) holds(close(sum(s.terms), s.exact), () => `share of ${f.id}`);
  }
  for (const p of sheet.pieces)
    holds(p.width === null || (p.width > 0 && p.length! > 0), () => `${p.name}: ${p.width} × ${p.length}`);
  for (const k of sheet.checks) holds(/[.?]$/.test(k.sentence), () => k.sentence);
  for (const unit of ['cm', 'in'] as const) {
    const strange = /NaN|undefined|Infinity|\{cm:/.exec(JSON.stringify(printSheet(sheet, unit)));
    holds(!strange, () => `prints ${strange![0]}`);
  }
  const unit = house.rounding?.unit ?? 'cm';
  const step = house.rounding?.step ?? 0.5;
  if (step === 0) return wrong;
  // Every share lies on the step of the hand that marks it.
  const size = step * (unit === 'in' ? 2.54 : 1);
  for (const f of sheet.figures)
    for (const s of f.shares) {
      // What says that it is marked finer lies on the millimetre or the sixteenth instead.
      const own = s.note.startsWith(MARKED_FINER) ? (unit === 'in' ? 0.0625 * 2.54 : 0.1) : size;
      holds(
        close(Math.round(s.rounded / own) * own, s.rounded),
        () => `${f.id} ${s.panel} is marked ${s.rounded}`,
      );
    }
  return wrong;
}

describe('sheets of any house', () => {
  it.each(GARMENTS.map((g) => g.id))('%s: hold together for 60 random houses and bodies', (id) => {
    for (let seed = 1; seed <= 60; seed++) {
      const rnd = seeded(seed * 7919 + id.length);
      const { leads: _, schools: __, levels: ___, tape: ____, ...house } = randomRules(rnd);
      const fit = ['close', 'fitted', 'semi-fitted', 'loose'][Math.floor(rnd() * 4)];
      const spec = garmentSpec(id, asLines(randomBody(rnd)), {
        house: { rounding: undefined, ...house },
        garment: { fit, letOut: rnd() < 0.3, lining: rnd() < 0.4 ? 'cupro' : '' },
      });
      expect({ seed, wrong: wrongWith(sheetOf(spec), house) }).toEqual({ seed, wrong: [] });
    }
  });

  it('follow an ease the house sets, exactly, at every place the garment has', () => {
    const body = { waist: 72, hip: 98, bust: 90, 'waist-to-hip': 20 };
    for (const [zone, ease] of [
      ['waist', 3.25],
      ['hip', 6.75],
    ] as const) {
      const spec = garmentSpec('straight-skirt', asLines(body), {
        house: { ease: { [zone]: { fitted: `${ease} cm` } } },
      });
      const found = sheetOf(spec).figures.find((f) => f.id === zone)!;
      expect(found.finished! - body[zone]).toBeCloseTo(ease, 9);
      expect(found.terms.find((t) => t.kind === 'wearing')!.because).toContain('House figure');
    }
  });

  it('go by the house’s allowance at the hem in every cut size', () => {
    const lengths = (hem: string) =>
      sheetOf(
        garmentSpec('straight-skirt', asLines({ waist: 72, hip: 98, 'waist-to-hip': 20 }), {
          house: { rounding: { unit: 'cm', step: 0, mode: 'nearest' }, allowances: { hem } },
        }),
      )
        .pieces.filter((p) => p.panel.endsWith('front') || p.panel.endsWith('back'))
        .map((p) => p.length!);
    const [short, long] = [lengths('3 cm'), lengths('7 cm')];
    expect(short.length).toBeGreaterThan(1);
    for (const [i, l] of long.entries()) expect(l - short[i]!).toBeCloseTo(4, 1);
  });
});
