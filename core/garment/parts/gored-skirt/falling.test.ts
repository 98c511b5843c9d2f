import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { SIZE_STEPS } from '@rocchetto/contract/testing-size-steps.ts';
import { Bezier } from 'bezier-js';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength, widthAt } from '../../../draft/measure.ts';
import { edgeOf } from '../../../draft/panel.ts';
import type { Sheet } from '../../../sheet/compute.ts';

const BODY = ['waist 72 cm', 'hip 99 cm', 'waist-to-hip 20 cm'];
const made = (part: string, fields: object = {}, lines: readonly string[] = BODY, more: object = {}): Sheet =>
  sheetOf(
    garmentSpec('gored-skirt', lines, {
      garment: { parts: [{ part, length: '70 cm', ...fields }], ...more },
      house: { rounding: EXACT },
    }),
  );
const check = (s: Sheet, code: string) => s.checks.find((k) => k.code === code);

describe('gores', () => {
  it.each(SIZE_STEPS)(
    'EN 13402-3 step %d / %d / %d (from memory): waist, hip and hem are their gores’ sums',
    (_, waist, hip) => {
      for (const gores of ['4', '6', '12']) {
        const s = made('gored-skirt', { gores, flare: '5 cm' }, [
          `waist ${waist} cm`,
          `hip ${hip} cm`,
          'waist-to-hip 20 cm',
        ]);
        const n = Number(gores);
        const gore = s.panels.find((p) => p.id === 'skirt.gore')!;
        expect(n * sewnLength(gore, 'waist')).toBeCloseTo(waist + 2.5, 4);
        if (hip > waist) expect(n * widthAt(gore, 20)!).toBeCloseTo(hip + 5, 4);
        expect(figure(s, 'skirt.hem').finished).toBeCloseTo(Math.max(hip + 5, waist + 2.5) + 2 * n * 5, 9);
        // Every seam is the length that was wanted.
        expect(edgeLength(gore, 'side')).toBeCloseTo(70, 5);
        expect(edgeLength(gore, 'centre')).toBeCloseTo(70, 5);
      }
    },
  );
  it('with a train two of them are longer at the centre back, by just as much', () => {
    const s = made('gored-skirt', { gores: '6', train: '40 cm' });
    const [plain, trained] = ['skirt.gore', 'skirt.train-gore'].map(
      (id) => s.panels.find((p) => p.id === id)!,
    );
    expect([plain!.count, trained!.count]).toEqual([4, 2]);
    expect(edgeLength(trained!, 'side')).toBeCloseTo(70, 5);
    // The train swings out by a quarter of its length: √(1 + 1/16) of it along the seam.
    expect(edgeLength(trained!, 'centre') - 70).toBeCloseTo(40 * Math.sqrt(1 + 1 / 16), 4);
    expect(check(s, 'skirt.train')).toMatchObject({ state: 'warned' });
    expect(s.cautions.some((k) => k.code === 'train')).toBe(true);
  });
  it('six at half a centimetre are marked finer, and say so', () => {
    const s = sheetOf(garmentSpec('gored-skirt', BODY, { fields: { gores: '6' } }));
    expect(figure(s, 'waist').shares[0]).toMatchObject({ times: 6, rounded: 12.4 });
    expect(figure(s, 'waist').shares[0]!.note).toContain('finer');
    expect(
      sheetOf(garmentSpec('gored-skirt', BODY, { fields: { gores: '4' } })).figures[0]!.shares[0]!.note,
    ).toBe('');
  });
});

describe('pleats', () => {
  it('full ones take three times the widest line; a depth takes twice itself, so often as there are pleats (geometry)', () => {
    const full = made('pleated-skirt', { pleats: 'knife', count: 20 });
    expect(figure(full, 'skirt.cloth-round').finished).toBeCloseTo(3 * 104, 6);
    const single = made('pleated-skirt', { pleats: 'single', count: 4, depth: '5 cm' });
    expect(figure(single, 'skirt.cloth-round').finished).toBeCloseTo(104 + 4 * 2 * 5, 9);
    expect(figure(full, 'skirt.lap').finished).toBeCloseTo((104 - 74.5) / 20, 9);
    const panel = full.panels[0]!;
    expect(panel.count * sewnLength(panel, 'waist')).toBeCloseTo(74.5, 6);
    expect(check(full, 'skirt.stride')).toMatchObject({ state: 'passed' });
  });
  it('too many, too deep or stitched too far are told', () => {
    expect(check(made('pleated-skirt', { count: 60 }), 'skirt.seen')).toMatchObject({ state: 'warned' });
    const stitched = (length: string) =>
      check(made('pleated-skirt', { stitched: '40 cm', length }), 'skirt.stitched');
    expect(stitched('50 cm')!.sentence).toContain('no room to walk');
    expect(stitched('80 cm')).toBeUndefined();
    const s = sheetOf(
      garmentSpec('pleated-skirt', BODY, {
        rest: {
          overrides: [
            { figure: 'skirt.depth', target: 'finished', value: '9 cm', by: 'F', at: '', reason: 'x' },
          ],
        },
      }),
    );
    expect(s.refused[0]!.sentence).toContain('four layers');
  });
});

describe('tiers', () => {
  it('each is its ratio times what it hangs from, their heights make the length', () => {
    const s = made('tiered-skirt', { tiers: 4, ratio: 1.5 }, BODY, { cloth: { name: 'x', width: '140 cm' } });
    let above: number = 74.5;
    for (let i = 1; i <= 4; i++) {
      expect(figure(s, `skirt.tier-${i}`).finished).toBeCloseTo(1.5 * above, 6);
      const panel = s.panels.find((p) => p.id === `skirt.panel-${i}`)!;
      expect(panel.count * sewnLength(panel, i === 1 ? 'waist' : 'top')).toBeCloseTo(above, 6);
      above *= 1.5;
    }
    const heights: number[] = [1, 2, 3, 4].map((i) => figure(s, `skirt.tier-${i}-height`).finished!);
    expect(heights.reduce((a, b) => a + b, 0)).toBeCloseTo(70, 9);
    // Worn, the girth at a depth is the tier's that hangs there.
    expect(check(s, 'skirt.stride')!.sentence).toContain('room to walk');
  });
});

describe('a knit skirt that is pulled on', () => {
  const knit = (stretch: number, fields: object = {}, fit = 'close') =>
    made('knit-skirt', fields, BODY, { fit, cloth: { name: 'jersey', stretch } });
  it('is reduced by the stretch table (handbook on patterns for stretch fabrics, from memory), twice in a second skin', () => {
    for (const [stretch, percent] of [
      [25, 0],
      [40, 2],
      [60, 3],
      [90, 5],
      [120, 10],
    ] as const) {
      expect(figure(knit(stretch), 'hip').finished).toBeCloseTo(99 + 4 - 0.99 * percent, 6);
      expect(figure(knit(stretch, {}, 'second-skin'), 'hip').finished).toBeCloseTo(
        99 - 2 * 0.99 * percent,
        6,
      );
    }
  });
  it('by a practitioner’s rule the figure is hers, and the class takes nothing more off', () => {
    for (const [rule, by] of [
      ['hugging', -3.8],
      ['fitted', 2.5],
      ['easy', 6.3],
    ] as const)
      expect(figure(knit(60, { rule }), 'hip').finished).toBeCloseTo(99 + by, 9);
  });
  it('its waist passes the hip by half of the stretch, at every stretch', () => {
    for (const stretch of [30, 50, 80, 150]) {
      const s = knit(stretch);
      const round =
        2 * (figure(s, 'skirt.waist-line-front').marked! + figure(s, 'skirt.waist-line-back').marked!);
      expect(round * (1 + stretch / 200), `${stretch}`).toBeGreaterThanOrEqual(99 - 1e-6);
      expect(check(s, 'skirt.passes')).toMatchObject({ state: 'passed' });
    }
    expect(check(knit(0), 'skirt.stretch')).toMatchObject({ state: 'warned' });
    expect(knit(0, {}, 'second-skin').checks.find((k) => k.code === 'fit-stretch')!.sentence).toContain(
      'no ease at all',
    );
  });
});

// That a lining under a train is as long as its outer, and what a braid needs, is common practice and has no source.
describe('a train that is lined, and a hem with horsehair', () => {
  const BODICE = ['waist 72 cm', 'hip 98 cm', 'waist-to-hip 20 cm', 'waist-to-knee 58 cm'];
  const gown = (fields: object, lining = 'cupro') =>
    sheetOf(
      garmentSpec(
        [{ part: 'gored-skirt', gores: '8', flare: '12 cm', length: '106 cm', ...fields }],
        BODICE,
        {
          garment: {
            parts: [{ part: 'gored-skirt', gores: '8', flare: '12 cm', length: '106 cm', ...fields }],
            lining,
          },
        },
      ),
    );
  const walked = (s: Sheet, panel: string, id: string) =>
    edgeOf(s.panels.find((p) => p.id === `skirt.${panel}`)!, id).path.reduce((sum, q) => {
      const curve = new Bezier(
        q.length === 2 ? [q[0], q[0], q[1], q[1]].map(([x, y]) => ({ x, y })) : q.map(([x, y]) => ({ x, y })),
      );
      return sum + curve.length();
    }, 0);
  it('every lining gore is as long as its outer, edge by edge (bezier-js); without a train it is 2 shorter', () => {
    const s = gown({ train: '60 cm' });
    for (const [outer, lining] of [
      ['gore', 'lining'],
      ['train-gore', 'lining-train'],
    ] as const) {
      for (const id of ['waist', 'side', 'hem', 'centre'])
        expect(walked(s, lining, id), `${lining} ${id}`).toBeCloseTo(walked(s, outer, id), 6);
      const count = (id: string) => s.panels.find((p) => p.id === `skirt.${id}`)!.count;
      expect(count(lining)).toBe(count(outer));
    }
    const plain = gown({});
    expect(plain.panels.some((p) => p.id === 'skirt.lining-train')).toBe(false);
    expect(walked(plain, 'gore', 'side') - walked(plain, 'lining', 'side')).toBeCloseTo(2, 6);
  });
  it('a braid is as long as the hem all round and what it laps, train and all', () => {
    const braid = (s: Sheet) => s.notions.find((n) => n.name === 'horsehair braid');
    const s = gown({ horsehair: '7.5 cm', train: '60 cm' });
    const round = 6 * walked(s, 'gore', 'hem') + 2 * walked(s, 'train-gore', 'hem');
    expect(braid(s)!.length).toBeCloseTo(round + 3, 3);
    expect(braid(s)!.note).toContain('{cm:7.5} wide');
    expect(braid(gown({ train: '60 cm' }))).toBeUndefined();
    for (const part of ['circle-skirt', 'gathered-skirt', 'pleated-skirt', 'tiered-skirt']) {
      const made = sheetOf(
        garmentSpec([{ part, length: '70 cm', horsehair: '5 cm' }], BODICE, {
          garment: { parts: [{ part, length: '70 cm', horsehair: '5 cm' }] },
        }),
      );
      expect(braid(made)?.length ?? 0, part).toBeGreaterThan(98);
    }
  });
});
