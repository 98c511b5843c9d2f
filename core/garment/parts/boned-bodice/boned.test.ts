import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { SIZE_STEPS } from '@rocchetto/contract/testing-size-steps.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength, widthAt } from '../../../draft/measure.ts';
import type { Sheet } from '../../../sheet/compute.ts';
import { asLines, seeded } from '../../testing.ts';
import { trueBody } from '../../testing-shape.ts';

const HEIGHTS = [
  'neck-to-bust 27 cm',
  'neck-to-waist-front 44 cm',
  'underarm-to-waist 20 cm',
  'apex-span 18 cm',
];
const body = (bust: number, waist: number) => [
  `bust ${bust} cm`,
  `underbust ${bust - 13} cm`,
  `waist ${waist} cm`,
  ...HEIGHTS,
];
const made = (
  fields: object = {},
  lines: readonly string[] = body(90, 72),
  more: object = {},
  rest: object = {},
): Sheet =>
  sheetOf(
    garmentSpec('bustier', lines, {
      garment: { parts: [{ part: 'boned-bodice', ...fields }], fit: 'boned', ...more },
      house: { rounding: EXACT },
      ...rest,
    }),
  );
const check = (s: Sheet, code: string) => s.checks.find((k) => k.code === code);
const PANELS = ['front-centre', 'front-side', 'back-side', 'back-centre'];

describe('a boned bodice', () => {
  it.each(SIZE_STEPS)(
    'EN 13402-3 step %d / %d / %d (from memory): body, boned ease and 2πt, on the panels too',
    (bust, waist) => {
      const s = made({}, body(bust, waist), { lining: 'pongé' });
      // 2.0 boning + 0.3 underlining + 0.2 lining (house thicknesses), 2π × 0.25 (geometry).
      const t = 2 * Math.PI * 0.25;
      expect(figure(s, 'bust').finished).toBeCloseTo(bust + 1.3 + t, 9);
      expect(figure(s, 'underbust').finished).toBeCloseTo(bust - 13 + t, 9);
      expect(figure(s, 'waist').finished).toBeCloseTo(waist + 0.6 + t, 9);
      const round = (line: string) =>
        2 *
        PANELS.reduce((sum, id) => {
          const p = s.panels.find((q) => q.id === `bodice.${id}`)!;
          return sum + widthAt(p, p.lines.find((l) => l.id === line)!.y)!;
        }, 0);
      for (const line of ['bust', 'underbust'])
        expect(round(line), line).toBeCloseTo(figure(s, line).finished!, 3);
      expect(
        2 *
          PANELS.reduce(
            (sum, id) => sum + edgeLength(s.panels.find((q) => q.id === `bodice.${id}`)!, 'waist'),
            0,
          ),
      ).toBeCloseTo(figure(s, 'waist').finished!, 4);
    },
  );
  it('draws the waist in as agreed, warns above 5 cm or 7 %, asks for a name above 10 %', () => {
    const state = (reduction: string, waist = 72) => {
      const s = made({ reduction }, body(90, waist));
      const k = check(s, 'bodice.reduction') ?? check(s, 'bodice.reduction-by-name')!;
      return [k.code, k.state];
    };
    expect(state('4 cm')).toEqual(['bodice.reduction', 'passed']);
    expect(state('5 cm')).toEqual(['bodice.reduction', 'passed']);
    expect(state('5.1 cm')).toEqual(['bodice.reduction', 'warned']);
    expect(state('4.9 cm', 66)).toEqual(['bodice.reduction', 'warned']);
    expect(state('7.3 cm')).toEqual(['bodice.reduction-by-name', 'warned']);
    expect(
      figure(made({ reduction: '4 cm' }), 'waist').finished! - figure(made(), 'waist').finished!,
    ).toBeCloseTo(-4.6, 9);
    expect(made({ reduction: '4 cm' }).cautions.find((k) => k.code === 'boned')!.sentence).toContain(
      'pregnancy',
    );
    expect(made().cautions.some((k) => k.code === 'boned')).toBe(false);
  });
  it('a waist that was read with a firm tape is not reduced again, and not asked to be read snug', () => {
    const s = made(
      { reduction: '4 cm' },
      undefined,
      {},
      {
        rest: {
          readings: [...body(90, 72)].map((l) => {
            const [measure, value, unit] = l.split(' ');
            return { measure, value: `${value} ${unit}`, ...(measure === 'waist' ? { tape: 'firm' } : {}) };
          }),
        },
      },
    );
    expect(figure(s, 'waist').terms.find((t) => t.kind === 'wearing')!.cm).toBe(0);
    expect(check(s, 'bodice.reduced-twice')).toMatchObject({ state: 'warned' });
    expect(check(s, 'firm-waist')).toBeUndefined();
  });
  it('never reduces the tummy where it goes on below the waist, and asks for it', () => {
    const s = made({ reduction: '5 cm', below: '9 cm' }, [
      ...body(90, 72),
      'tummy 84 cm',
      'waist-to-tummy 9 cm',
    ]);
    expect(figure(s, 'tummy').finished!).toBeGreaterThan(84);
    const lower =
      2 *
      PANELS.reduce(
        (sum, id) => sum + edgeLength(s.panels.find((q) => q.id === `bodice.${id}`)!, 'lower'),
        0,
      );
    expect(lower).toBeCloseTo(figure(s, 'tummy').finished!, 3);
    expect(check(made({ below: '9 cm' }), 'bodice.tummy')!.sentence).toContain('worst fault');
  });
  it('under a joined skirt says that it does not go on below the waist', () => {
    const s = made({}, undefined, {
      parts: [
        { part: 'boned-bodice', below: '8 cm' },
        { part: 'gored-skirt', length: '90 cm' },
      ],
    });
    expect(check(s, 'bodice.below-joined')).toMatchObject({ state: 'warned' });
    expect(s.panels.find((p) => p.id === 'bodice.front-centre')!.edges.map((e) => e.id)).toContain('waist');
  });
  it('a bone is its finished seam less 1.2, down to the step; lacing leaves its gap at the back', () => {
    const s = made({ closes: 'lacing', gap: '6 cm' });
    const seam = edgeLength(s.panels.find((p) => p.id === 'bodice.back-centre')!, 'inner');
    expect(figure(s, 'bodice.bone-centre-back').finished).toBeCloseTo(seam - 1.2, 6);
    const plain = made();
    const back = (of: Sheet) =>
      ['back-side', 'back-centre'].reduce(
        (sum, id) => sum + edgeLength(of.panels.find((p) => p.id === `bodice.${id}`)!, 'waist'),
        0,
      );
    expect(back(plain) - back(s)).toBeCloseTo(3, 6);
    expect(s.notions.some((n) => n.name === 'lacing cord')).toBe(true);
  });
  it('a bone of another length is followed while half a centimetre of its seam is left, and refused beyond', () => {
    const seam = figure(made(), 'bodice.bone-side').finished! + 1.2;
    const set = (cm: number) =>
      made(
        {},
        body(90, 72),
        {},
        {
          rest: {
            overrides: [
              {
                ...{ figure: 'bodice.bone-side', target: 'finished', value: `${cm.toFixed(2)} cm` },
                ...{ by: 'F', at: '', reason: 'in stock' },
              },
            ],
          },
        },
      );
    expect(figure(set(seam - 3), 'bodice.bone-side').finished).toBeCloseTo(seam - 3, 1);
    expect(set(seam - 0.52).refused).toEqual([]);
    const [no] = set(seam - 0.4).refused;
    expect(no!.sentence).toContain('leaves half a centimetre at least');
    expect(figure(set(seam - 0.4), 'bodice.bone-side').finished).toBeCloseTo(seam - 1.2, 6);
    expect(set(0).refused).toHaveLength(1);
  });
  it('has no armhole for a sleeve, and no neckline for a collar', () => {
    for (const part of ['sleeve', 'collar'])
      expect(() =>
        garmentSpec('bustier', body(90, 72), { garment: { parts: [{ part: 'boned-bodice' }, { part }] } }),
      ).toThrow(part === 'sleeve' ? 'needs an armhole' : 'needs a neckline');
  });
  it('says which heights make no bodice, and what was not measured', () => {
    const low = made({}, [...body(90, 72), 'corset-top-front 12 cm']);
    expect(check(low, 'bodice.heights')!.sentence).toContain('make no bodice');
    expect(made({}, ['bust 90 cm', 'waist 72 cm']).checks.filter((k) => k.absent).length).toBeGreaterThan(2);
  });
});

describe('the cup line', () => {
  // Bust 44 − 27 = 17 above the waist, under bust 7.5 lower where it was not measured: the lower line is 7.5.
  it('is half an inch shorter above than below on an average bust, as long on a full one', () => {
    const [average, full] = [made(), made({ cup: 'full' })];
    expect(figure(average, 'bodice.cup-lower').finished).toBeCloseTo(7.5, 9);
    expect(figure(average, 'bodice.cup-upper').finished).toBeCloseTo(6.2, 9);
    expect(figure(full, 'bodice.cup-upper').finished).toBeCloseTo(7.5, 9);
    // The upper edge lies there where nobody read it.
    expect(figure(average, 'bodice.top-front').finished).toBeCloseTo(17 + 6.2, 9);
    expect(check(average, 'bodice.cup')).toMatchObject({ state: 'passed' });
  });
  it('an upper edge far above it stands off, and says so', () => {
    const s = made({}, [...body(90, 72), 'corset-top-front 27 cm']);
    expect(check(s, 'bodice.cup')).toMatchObject({ state: 'warned' });
    expect(check(s, 'bodice.cup')!.sentence).toContain('stands off');
  });
});

it('a lacing has a placket behind it, as long as the edge it is sewn to, wider than the gap; a zip has none', () => {
  const made = (closes: string) =>
    sheetOf(
      garmentSpec([{ part: 'boned-bodice', closes, gap: '5 cm' }], asLines(trueBody(seeded(3))), {
        house: { rounding: EXACT },
        garment: { fit: 'boned' },
      }),
    ).panels;
  const laced = made('lacing');
  const placket = laced.find((p) => p.id === 'bodice.lacing-placket')!;
  const back = laced.find((p) => p.id === 'bodice.back-centre')!;
  expect(edgeLength(placket, 'inner')).toBeCloseTo(edgeLength(back, 'inner'), 6);
  expect(edgeLength(placket, 'top')).toBeGreaterThanOrEqual(5 + 4);
  expect(made('zip').some((p) => p.id.endsWith('placket'))).toBe(false);
});

describe('what holds its upper edge', () => {
  const BACK = ['nape-to-waist 41 cm', 'corset-top-front 22 cm', 'corset-top-back 14 cm'];
  const with_ = (fields: object, ...more: string[]) => made(fields, [...body(90, 72), ...BACK, ...more]);
  const notch = (s: Sheet, panel: string, name: string) =>
    s.panels.find((q) => q.id === `bodice.${panel}`)!.marks.find((m) => m.name === name);
  it('a strap is what lies between its two edges over the shoulder: 44 − 22, 41 + 2 − 14, and 1 slanting', () => {
    const s = with_({ straps: 'shoulder', strapWide: '2 cm' });
    expect(figure(s, 'bodice.strap').finished).toBeCloseTo(22 + 29 + 1, 9);
    const strap = s.pieces.find((x) => x.panel === 'bodice.strap')!;
    // Twice its width and its two allowances; four longer at each end.
    expect(strap.count).toBe(2);
    expect(strap.length).toBeCloseTo(52 + 8, 9);
    expect(notch(s, 'front-centre', 'strap')).toBeDefined();
    expect(notch(s, 'back-centre', 'strap')).toBeDefined();
  });
  it('goes by the strap and the span as they were read', () => {
    const s = with_({ straps: 'shoulder' }, 'strap-length 39 cm', 'strap-span 26 cm');
    expect(figure(s, 'bodice.strap').finished).toBeCloseTo(39, 9);
    expect(figure(s, 'bodice.strap-behind').finished).toBeCloseTo(13, 9);
    // 13 along the edge lies on the panel beyond the back seam.
    expect(notch(s, 'back-side', 'strap')).toBeDefined();
    expect(s.unused().map((u) => u.measure)).toEqual(
      expect.not.arrayContaining(['strap-length', 'strap-span']),
    );
  });
  it('ties meet at the nape and go on to be tied', () => {
    const s = with_({ straps: 'halter', ties: '30 cm' }, 'neck-base 36 cm');
    expect(figure(s, 'bodice.strap').finished).toBeCloseTo(44 - 22 + 18 + 30, 9);
    expect(notch(s, 'back-centre', 'tie')).toBeUndefined();
  });
  it('without straps nothing of them is there; what a strap lacks is told', () => {
    expect(with_({}).figures.some((f) => f.id.includes('strap'))).toBe(false);
    const s = made({ straps: 'shoulder' });
    expect(s.checks.find((k) => k.code === 'absent-bodice.strap')!.sentence).toContain('Measure the strap');
    expect(check(with_({ straps: 'shoulder' }, 'strap-span 28 cm'), 'bodice.strap-behind')?.state).toBe(
      'passed',
    );
  });
});
