import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength } from '../../../draft/measure.ts';
import type { Sheet } from '../../../sheet/compute.ts';

const BODY = ['waist 72 cm', 'hip 99 cm', 'waist-to-hip 20 cm'];
const made = (fields: object = {}, lines: readonly string[] = BODY, more: object = {}): Sheet =>
  sheetOf(
    garmentSpec('knit-skirt', lines, {
      garment: {
        parts: [{ part: 'knit-skirt', length: '60 cm', rule: 'fitted', ...fields }],
        fit: 'fitted',
        cloth: { name: 'jersey', stretch: 60 },
        ...more,
      },
      house: { rounding: EXACT },
    }),
  );
const panel = (s: Sheet, face: string) => s.panels.find((p) => p.id === `skirt.${face}`)!;
const piece = (s: Sheet, face: string) => s.pieces.find((p) => p.panel === `skirt.${face}`)!;

describe('a skirt that is pulled on over its elastic', () => {
  it('its elastic is an inch less than the waist and its seam is laid ready with it; or as she likes it', () => {
    expect(figure(made(), 'skirt.elastic').finished).toBeCloseTo(72 - 2.5, 9);
    const liked = made({ elastic: '66 cm' });
    expect(figure(liked, 'skirt.elastic').finished).toBe(66);
    expect(liked.notions.find((n) => n.name === 'elastic for the waist')!.length).toBeCloseTo(66 + 2, 9);
  });

  it.each([
    ['2 cm', 2 + 1.5],
    ['3 cm', 3 + 1.5],
    ['5 cm', 5 + 1.5],
  ])('an elastic of %s is turned in with 1.5 more', (casing, turned) => {
    const s = made({ casing });
    for (const face of ['front', 'back']) {
      expect(panel(s, face).edges.find((e) => e.id === 'top')!.allowance).toBeCloseTo(turned, 9);
      expect(piece(s, face).length).toBeCloseTo(60 + turned + 4, 1);
    }
  });

  it.each(['0 cm', '2.5 cm', '6 cm'])(
    'a taper of %s leaves the hip and takes from each edge at the hem',
    (taper) => {
      // By the rule the hip is 99 + 2.5 = 101.5; along its slightly hollow hem a hair more than four quarters.
      const straight = 101.5 - 4 * Number.parseFloat(taper);
      const hem = figure(made({ taper }), 'skirt.hem').finished!;
      expect(hem).toBeGreaterThanOrEqual(straight - 1e-6);
      expect(hem).toBeLessThan(straight + 0.5);
      expect(figure(made({ taper }), 'hip').finished).toBeCloseTo(101.5, 9);
    },
  );

  it('a hem that lies just below the hip and runs in is told as a corner; a longer one is not', () => {
    const told = (fields: object) =>
      made({ taper: '2.5 cm', ...fields }).checks.find((k) => k.code === 'skirt.corner-at-hip')?.sentence;
    expect(told({ length: '26 cm' })).toMatch(/only \{cm:6\} below the hip line/);
    expect(told({ length: '60 cm' })).toBeUndefined();
  });

  it('balanced, the front’s hem is half an inch wider at each side, and its sides still agree', () => {
    const [plain, balanced] = [made(), made({ balanced: true })];
    expect(
      edgeLength(panel(balanced, 'front'), 'hem') - edgeLength(panel(plain, 'front'), 'hem'),
    ).toBeCloseTo(1.3, 1);
    expect(edgeLength(panel(balanced, 'back'), 'hem')).toBeCloseTo(
      edgeLength(panel(plain, 'back'), 'hem'),
      6,
    );
    expect(edgeLength(panel(balanced, 'front'), 'side')).toBeCloseTo(
      edgeLength(panel(balanced, 'back'), 'side'),
      4,
    );
  });

  it('drafted relaxed, its waist is as wide as half of the stretch needs to pass the hip', () => {
    for (const [waist, hip, stretch] of [
      [72, 99, 60],
      [60, 110, 40],
      [90, 96, 30],
    ] as const) {
      const s = made({}, [`waist ${waist} cm`, `hip ${hip} cm`, 'waist-to-hip 20 cm'], {
        cloth: { name: 'jersey', stretch },
      });
      const around =
        2 * (figure(s, 'skirt.waist-line-front').finished! + figure(s, 'skirt.waist-line-back').finished!);
      const must = hip / (1 + stretch / 200);
      const wants = figure(s, 'waist').finished!;
      expect(around, `${waist} ${hip} ${stretch}`).toBeCloseTo(Math.max(must, wants), 6);
    }
  });

  it('is drafted for nobody whose hip was not measured', () => {
    const s = made({}, ['waist 72 cm']);
    expect(s.panels).toEqual([]);
    expect(figure(s, 'skirt.hem').finished).toBeNull();
    expect(s.checks.some((k) => k.state === 'warned')).toBe(true);
  });
});

describe('a knit skirt as its people make it (invented figures, common practice without a source)', () => {
  it('hem quarters of 8 ½ and 9 inches are those, and the side seams still meet', () => {
    const s = made({ hemFront: '8 1/2 in', hemBack: '9 in', length: '50 cm' });
    for (const [face, wide] of [
      ['front', 8.5 * 2.54],
      ['back', 9 * 2.54],
    ] as const) {
      const foot = panel(s, face).edges.find((e) => e.id === 'hem')!.path[0]![0];
      expect(foot[0]).toBeCloseTo(wide, 6);
    }
    expect(edgeLength(panel(s, 'front'), 'side')).toBeCloseTo(edgeLength(panel(s, 'back'), 'side'), 1);
  });
  it('hugging takes as much off the waist as off the hip; the other rules leave the waist to its fit', () => {
    const plain = ['waist 72 cm', 'hip 80 cm', 'waist-to-hip 20 cm'];
    const s = made({ rule: 'hugging' }, plain);
    expect(figure(s, 'hip').finished).toBeCloseTo(80 - 3.8, 9);
    expect(figure(s, 'waist').finished).toBeCloseTo(72 - 3.8, 9);
    expect(figure(made({ rule: 'easy' }, plain), 'waist').finished).toBeGreaterThan(68);
  });
  it('an elastic that is sewn on takes its own width only; both ways are said on the pieces', () => {
    const top = (fields: object) => panel(made(fields), 'front').edges.find((e) => e.id === 'top')!.allowance;
    expect(top({ casing: '3 cm', elasticOn: 'sewn' })).toBeCloseTo(3, 9);
    expect(top({ casing: '3 cm' })).toBeCloseTo(4.5, 9);
    const s = made({ elasticOn: 'sewn' });
    expect(panel(s, 'front').note).toContain('sewn to the edge');
    expect(s.allowances.some((a) => a.name === 'waist, turned down with its elastic')).toBe(true);
  });
  it('its hem is turned twice where the order wants that: 2 twice is 4', () => {
    const s = made({}, BODY, { own: { hemTwice: true, allowances: { hem: '2 cm' } } });
    expect(panel(s, 'front').edges.find((e) => e.id === 'hem')!.allowance).toBe(4);
  });
});
