import { computeFile, type SpecFile } from '@rocchetto/contract';
import { sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength } from '../draft/measure.ts';
import type { Panel } from '../draft/panel.ts';
import type { Sheet } from '../sheet/compute.ts';
import { printSheet } from '../sheet/print.ts';
import { GARMENTS } from './garments.ts';
import { asLines, type Body, seeded } from './testing.ts';
import { trueBody } from './testing-shape.ts';

/** What may be read on each side and is drafted so, with how far apart the two are, cm. */
const SIDED = {
  shoulder: 0.8,
  'shoulder-drop': 0.8,
  'underarm-to-waist': 0.7,
  'arm-length': 1.5,
  'upper-arm': 1.2,
  thigh: 1,
  inseam: 1,
} as const;
const EXACTLY = { house: { rounding: EXACT } };
const BODY: Body = { ...trueBody(seeded(12)), 'shoulder-drop': 4.2, 'neck-width': 14.5 };
const spec = (id: string, body: Body): SpecFile => garmentSpec(id, asLines(body), EXACTLY);
const uneven = (body: Body): Body => {
  const out: Record<string, number> = { ...body };
  for (const [id, by] of Object.entries(SIDED)) {
    if (body[id] === undefined) continue;
    delete out[id];
    [out[`${id}-right`], out[`${id}-left`]] = [body[id], body[id] - by];
  }
  return out;
};
const lowered = (body: Body): Body =>
  Object.fromEntries(
    Object.entries(body).map(([id, x]) => [id, x - ((SIDED as Readonly<Record<string, number>>)[id] ?? 0)]),
  );
const sewn = (panels: readonly Panel[]) =>
  panels.flatMap((p) =>
    p.share === 'sleeve' || p.share === 'front' || p.share === 'back'
      ? p.edges.flatMap((e) => (e.path.length > 0 ? [[`${p.id}/${e.id}`, sewnLength(p, e.id)] as const] : []))
      : [],
  );
const near = (a: readonly Panel[], b: readonly Panel[], what: string) => {
  const theirs = new Map(sewn(b));
  for (const [id, length] of sewn(a))
    expect(Math.abs(length - theirs.get(id)!), `${what} ${id}`).toBeLessThan(0.06);
};

describe('left and right that are not alike', () => {
  // The judge: a body that has one side's figures on both sides is drafted without any of this.
  it.each(GARMENTS.map((g) => g.id))(
    '%s: each half is what a body with its figures on both sides gets',
    (id) => {
      const s = sheetOf(spec(id, uneven(BODY)));
      near(s.panels, sheetOf(spec(id, BODY)).panels, 'right');
      near(s.left, sheetOf(spec(id, lowered(BODY))).panels, 'left');
    },
  );

  const dress = (): Sheet => sheetOf(spec('sheath', uneven(BODY)));

  it('halves that meet on the fold are as long as each other there', () => {
    const s = dress();
    const front = (panels: readonly Panel[]) => panels.find((p) => p.id.endsWith('.front'))!;
    expect(front(s.left)).not.toBe(front(s.panels));
    expect(edgeLength(front(s.left), 'centre')).toBeCloseTo(edgeLength(front(s.panels), 'centre'), 6);
    expect(s.checks.some((k) => k.code.startsWith('sides-centre') && k.state === 'warned')).toBe(false);
  });

  it('the cut list has a line a side, half of each pair; what lay on the fold is opened out', () => {
    const [s, plain] = [dress(), sheetOf(spec('sheath', BODY))];
    const [front] = s.pieces.filter((p) => p.panel === 'bodice.front');
    const [was] = plain.pieces.filter((p) => p.panel === 'bodice.front');
    expect([front!.cut, front!.count, front!.folded]).toEqual(['opened out', 1, false]);
    expect(front!.width! / (2 * was!.width!)).toBeGreaterThan(0.97);
    const backs = s.pieces.filter(
      (p) => p.panel.startsWith('bodice.back') && p.layer === 'outer' && !/facing/.test(p.panel),
    );
    expect(backs.map((p) => [p.panel, p.count])).toEqual([
      ['bodice.back', 1],
      ['bodice.back-left', 1],
    ]);
    // As many pieces of cloth as before, but for each front that is one piece still.
    const cloth = (x: Sheet) => x.pieces.reduce((n, p) => n + p.count, 0);
    expect(cloth(s)).toBe(cloth(plain));
  });

  it('both figures are printed: beside the right one, and measured on the panels', () => {
    const s = dress();
    const f = s.figures.find((x) => x.id.endsWith('.shoulder'))!;
    expect(f.note).toMatch(/left \{cm:/i);
    for (const unit of ['cm', 'in'] as const) {
      const rows = printSheet(s, unit).sides!;
      const row = rows.find((r) => /front, shoulder/.test(r.name))!;
      expect(row.right).not.toBe(row.left);
      expect(row.right).toContain(unit);
    }
    expect(s.checks.find((k) => k.code === 'two-sides')!.sentence).toContain('on the left');
    expect(printSheet(sheetOf(spec('sheath', BODY)), 'cm')).not.toHaveProperty('sides');
  });

  it('the file has both panels, with their notches', () => {
    const { panels } = computeFile(spec('sheath', uneven(BODY)));
    const [r, l] = ['bodice.back', 'bodice.back-left'].map((id) => panels.find((p) => p.id === id)!);
    expect([r!.name, l!.name]).toEqual(['back, right', 'back, left']);
    expect(l!.marks.filter((m) => m.kind === 'notch').length).toBe(
      r!.marks.filter((m) => m.kind === 'notch').length,
    );
    expect(new Set(panels.map((p) => p.id)).size).toBe(panels.length);
  });

  it('sides that differ by no more than a half are cut alike', () => {
    const body: Record<string, number> = { ...BODY, 'shoulder-left': 12.4, 'shoulder-right': 12.8 };
    delete body.shoulder;
    const s = sheetOf(spec('sheath', body));
    expect(s.left).toBe(s.panels);
    expect(s.pieces.some((p) => /, left/.test(p.name))).toBe(false);
  });

  it('a skirt that is longer on one side: each half is what a body with that length on both sides gets, hip and hem level', () => {
    const lengths = (left: number, right: number) => ({
      ...BODY,
      'hem-front': 60,
      'hem-back': 60.5,
      'hem-left': left,
      'hem-right': right,
    });
    for (const id of ['straight-skirt', 'day-dress-straight']) {
      const s = sheetOf(spec(id, lengths(62.2, 61)));
      near(s.panels, sheetOf(spec(id, lengths(61, 61))).panels, `${id} right`);
      // On the left the waist line rises by what was read more there, as a house would set it.
      const high = { house: { rounding: EXACT, shape: { sideRise: '2.4 cm' } } };
      near(s.left, sheetOf(garmentSpec(id, asLines(lengths(62.2, 62.2)), high)).panels, `${id} left`);
      const foot = (list: readonly Panel[], face: string) =>
        list
          .find((p) => p.id === `skirt.${face}`)!
          .edges.find((e) => e.id === 'side')!
          .path.at(-1)!
          .at(-1)![1]!;
      for (const face of ['front', 'back'])
        expect(Math.abs(foot(s.left, face) - foot(s.panels, face))).toBeLessThan(0.1);
      expect(s.figures.find((f) => f.id === 'skirt.side-rise')!.note).toMatch(/left \{cm:2\.4/i);
      // No length of the left stands beside a panel of the right.
      const lying = (x: Sheet) => x.look().places.map((p) => p.figure);
      expect(lying(s)).not.toContain('skirt.hem-left');
      expect(lying(sheetOf(spec(id, lengths(61, 61))))).toContain('skirt.hem-left');
    }
  });

  it('a hem that a hand sets longer on one side is longer at the hem, there only; a little apart both are cut to the longer', () => {
    const own = { ...BODY, 'hem-front': 60, 'hem-back': 60, 'hem-left': 61, 'hem-right': 61 };
    const set = (by: number) =>
      sheetOf({
        ...spec('straight-skirt', own),
        overrides: [
          {
            figure: 'skirt.hem-left',
            target: 'finished',
            value: `${61 + by} cm`,
            by: 'F',
            at: '',
            reason: 'slant',
          },
        ],
      });
    const side = (list: readonly Panel[]) => edgeLength(list.find((p) => p.id === 'skirt.front')!, 'side');
    const s = set(3);
    expect([side(s.panels), side(s.left)].map((x) => Math.round(x * 100) / 100)).toEqual([61, 64]);
    const little = set(0.4);
    expect(little.left).toBe(little.panels);
    expect(side(little.panels)).toBeCloseTo(61.4, 6);
    const told = (x: Sheet) => x.checks.find((k) => k.code === 'skirt.sides-differ')?.state;
    expect([told(set(3)), told(set(7))]).toEqual(['passed', 'warned']);
  });

  it('random sides: each half is its own side’s, whatever was read', () => {
    const rnd = seeded(99);
    for (let n = 0; n < 60; n++) {
      const id = GARMENTS[n % GARMENTS.length]!.id;
      const body: Record<string, number> = { ...trueBody(rnd), 'neck-width': 14.5 };
      const [out, right, left] = [{ ...body }, { ...body }, { ...body }];
      for (const m of Object.keys(SIDED)) {
        const was = body[m];
        if (was === undefined || rnd() < 0.4) continue;
        const read = () => Math.round((was + (rnd() - 0.5) * 3) * 10) / 10;
        const [r, l] = [read(), read()];
        [out[`${m}-right`], out[`${m}-left`]] = [r, l];
        delete out[m];
        const mean = (r + l) / 2;
        [right[m], left[m]] = Math.abs(r - l) > 0.5 + 1e-9 ? [r, l] : [mean, mean];
      }
      const s = sheetOf(spec(id, out));
      near(s.panels, sheetOf(spec(id, right)).panels, `${n} ${id} right`);
      near(s.left, sheetOf(spec(id, left)).panels, `${n} ${id} left`);
    }
  });
});
