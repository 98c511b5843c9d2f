import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec, HALF } from '@rocchetto/contract/testing-garments.ts';
import { SIZE_STEPS } from '@rocchetto/contract/testing-size-steps.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength, widthAt } from '../../../draft/measure.ts';
import type { Sheet } from '../../../sheet/compute.ts';

const BODY = [
  'bust 88 cm',
  'waist 70 cm',
  'hip 96 cm',
  'waist-to-hip 20 cm',
  'across-shoulder 38 cm',
  'nape-to-waist 40 cm',
  'armhole-depth 20 cm',
  'neck-width 14 cm',
  'neck-to-bust 26 cm',
  'neck-to-waist-front 44 cm',
  'apex-span 18 cm',
  'neck-base 35 cm',
  'armhole 40 cm',
  'upper-arm 28 cm',
  'arm-span 62 cm',
  'arm-length 58 cm',
  'wrist 16 cm',
  'fist 22 cm',
];
const made = (parts: readonly object[], lines: readonly string[] = BODY, more: object = {}): Sheet =>
  sheetOf(garmentSpec('bodice', lines, { garment: { parts, ...more }, house: { rounding: EXACT } }));
const check = (s: Sheet, code: string) => s.checks.find((k) => k.code === code);
const panel = (s: Sheet, id: string) => s.panels.find((p) => p.id === id)!;

describe('a top that is pulled on', () => {
  it.each(SIZE_STEPS)(
    'EN 13402-3 step %d / %d / %d (from memory): shaped, each line is its quarter on the panels',
    (bust, waist, hip) => {
      const lines = [...BODY.slice(3), `bust ${bust} cm`, `waist ${waist} cm`, `hip ${hip} cm`];
      const s = made([{ part: 'top', shaped: 'shaped', length: '70 cm' }], lines, {
        cloth: { name: 'jersey', stretch: 50 },
      });
      for (const face of ['front', 'back']) {
        const p = panel(s, `top.${face}`);
        expect(widthAt(p, p.lines[0]!.y - 1e-6) ?? widthAt(p, p.lines[0]!.y)).toBeCloseTo((bust + 5) / 4, 3);
        expect(widthAt(p, p.lines[1]!.y)).toBeCloseTo((waist + 5) / 4, 3);
        expect(widthAt(p, p.lines[2]!.y)).toBeCloseTo((hip + 5) / 4, 3);
      }
      expect(check(s, 'top.side-seams')).toMatchObject({ state: 'passed' });
    },
  );
  it('its neckline passes the head, by half of the stretch in a knit, or it says so', () => {
    const tight = { part: 'top', neckFront: '8 cm', widen: '0 cm' };
    expect(check(made([tight]), 'top.head')).toMatchObject({ state: 'warned' });
    expect(check(made([tight], BODY, { cloth: { name: 'rib', stretch: 110 } }), 'top.head')).toMatchObject({
      state: 'passed',
    });
    expect(
      check(
        made([{ part: 'top', shaped: 'shaped' }], [...BODY.slice(2), 'waist 60 cm', 'bust 120 cm']),
        'top.passes',
      )!.sentence,
    ).toContain('does not pass');
  });
  // Common practice, no source: a hem above the hip is as wide as the way there.
  it.each([
    ['straight', 'below', 58, 46.5],
    ['shaped', 'below', 58, 47],
    ['straight', 'on', 62, 50],
    ['shaped', 'on', 62, 50],
  ])('a %s top that ends %s its hip goes on towards it', (shaped, _, length, least) => {
    const s = made([{ part: 'top', shaped, below: 'hip', length: `${length} cm` }], BODY, {
      cloth: { name: 'jersey', stretch: 50 },
    });
    const hem = 2 * edgeLength(panel(s, 'top.front'), 'hem');
    expect(hem).toBeGreaterThanOrEqual(least - 1e-6);
    expect(hem).toBeLessThanOrEqual((96 + 5) / 2 + 1e-6);
    expect(check(s, 'top.passes')!.sentence).toContain(shaped === 'shaped' ? 'the waist' : 'the hem');
  });
  it('a band lies on its neckline, shorter in a knit', () => {
    const [woven, knit] = [
      made([{ part: 'top' }]),
      made([{ part: 'top' }], BODY, { cloth: { name: 'j', stretch: 40 } }),
    ];
    expect(figure(woven, 'top.band-length').finished).toBeCloseTo(
      figure(woven, 'top.neck-round').finished!,
      9,
    );
    expect(figure(knit, 'top.band-length').finished).toBeCloseTo(
      0.85 * figure(knit, 'top.neck-round').finished!,
      9,
    );
  });
  it('a sleeve is set into its armhole with a knit’s ease', () => {
    const s = made([{ part: 'top' }, { part: 'sleeve', cap: 'easy' }], BODY, {
      cloth: { name: 'j', stretch: 40 },
    });
    expect(check(s, 'join-armhole')).toMatchObject({ state: 'passed' });
  });
});

describe('a top with cut-on sleeves', () => {
  it('is twice its length by the span, both underarms as long, an ellipse for a neckline (geometry)', () => {
    const s = made([
      { part: 'cut-on-top', length: '64 cm', neckFront: '12 cm', neckBack: '2 cm', widen: '6 cm' },
    ]);
    const p = panel(s, 'top.whole');
    expect(figure(s, 'top.span-half').finished).toBe(31);
    expect(edgeLength(p, 'side')).toBeCloseTo(edgeLength(p, 'side-back'), 6);
    // Ramanujan's perimeter of an ellipse, a quarter each; a cubic keeps it to a thousandth.
    const quarter = (a: number, b: number) =>
      (Math.PI * (3 * (a + b) - Math.sqrt((3 * a + b) * (a + 3 * b)))) / 4;
    const half = 35 / 6 + 6;
    expect(figure(s, 'top.neck-round').finished! / (2 * (quarter(half, 12) + quarter(half, 2)))).toBeCloseTo(
      1,
      2,
    );
  });
  it('says when no sleeve can be cut on', () => {
    const wide = [...BODY.filter((l) => !/^(hip|bust)/.test(l)), 'bust 118 cm', 'hip 124 cm'];
    expect(check(made([{ part: 'cut-on-top' }], wide), 'top.shape')!.sentence).toContain(
      'no sleeve can be cut on',
    );
  });
});

describe('collars', () => {
  it.each(['stand', 'flat', 'shirt'] as const)(
    '%s: as long at its seam as the neckline it joins, on every neckline',
    (kind) => {
      for (const neckline of ['round', 'v', 'square', 'sweetheart', 'wide'])
        for (const widen of ['0 cm', '3 cm']) {
          const s = made([
            { part: 'darted-bodice', neckline, widen, neckFront: '12 cm' },
            { part: 'collar', kind },
          ]);
          expect(check(s, 'join-neck'), `${neckline} ${widen}`).toMatchObject({ state: 'passed' });
          expect(s.panels.some((p) => p.name.includes('neck facing'))).toBe(false);
        }
    },
  );
  it('too tight for the neck, or too high for the chin, is told', () => {
    const s = made(
      [
        { part: 'darted-bodice', neckFront: '5 cm', neckBack: '1 cm' },
        { part: 'collar', depth: '8 cm' },
      ],
      [...BODY.filter((l) => !l.startsWith('neck-base')), 'neck-base 42 cm'],
    );
    expect(check(s, 'collar.neck')).toMatchObject({ state: 'warned' });
    expect(check(s, 'collar.stand')!.sentence).toContain('chin');
  });
});

describe('a bodice shaped and closed in other ways', () => {
  const SHAPES = ['darts', 'shoulder', 'armhole', 'neck', 'waist', 'princess-armhole', 'princess-shoulder'];
  const all = SHAPES.map((shaping) => made([{ part: 'darted-bodice', shaping }]));
  it('is the same garment sewn: waist, side, armhole, neck and shoulder are as long, wherever the dart is', () => {
    const sewn = (s: Sheet, face: string, id: string) =>
      s.panels
        .filter((p) => p.layer === 'outer' && p.share === face && p.edges.some((e) => e.id === id))
        .reduce((sum, p) => sum + sewnLength(p, id), 0);
    for (const [i, s] of all.entries())
      for (const face of ['front', 'back'])
        for (const id of ['waist', 'armhole', 'neck', 'shoulder'])
          expect(sewn(s, face, id), `${SHAPES[i]} ${face} ${id}`).toBeCloseTo(sewn(all[0]!, face, id), 2);
  });
  it('princess seams are two panels a face whose seams agree', () => {
    for (const s of all.slice(5)) {
      expect(s.panels.filter((p) => p.layer === 'outer' && p.share === 'front')).toHaveLength(2);
      for (const face of ['front', 'back'])
        expect(check(s, `bodice.princess-${face}`)).toMatchObject({ state: 'passed' });
      expect(s.figures.some((f) => /dart-front-length/.test(f.id))).toBe(false);
    }
  });
  it('a neckline that ends just above the bust does not crowd the buttons: the first lies at the bust itself', () => {
    const bust = Math.sqrt(26 ** 2 - 2 ** 2);
    for (const neckFront of ['8 cm', '14 cm', '19 cm', '20 cm', '22 cm', '23 cm']) {
      const s = made([
        {
          part: 'long-bodice',
          below: '30 cm',
          zip: 'centre-front',
          closes: 'buttons',
          neckline: 'v',
          neckFront,
        },
      ]);
      const spacing = figure(s, 'bodice.button-spacing').finished!;
      const { marks } = s.panels.find((p) => p.id === 'bodice.button-band')!;
      const buttons = marks.filter((m) => m.kind === 'thread mark').map((m) => m.at[1]);
      const falls = marks.find((m) => m.name === 'centre front')!.at[1];
      expect([neckFront, spacing >= 5.5 && spacing < 12]).toEqual([neckFront, true]);
      // One of them lies at the bust, wherever the neckline ends more than 2 above the first.
      const below = buttons.map((y) => y - falls + Number.parseFloat(neckFront));
      if (Number.parseFloat(neckFront) + 1.5 < bust - 2)
        expect(Math.min(...below.map((y) => Math.abs(y - bust)))).toBeLessThan(0.1);
    }
  });
  it('buttons lie evenly with one at the bust level, in front; loops bring no band; lacing brings a cord', () => {
    const s = made([{ part: 'darted-bodice', zip: 'centre-front', closes: 'buttons' }]);
    const spacing = figure(s, 'bodice.button-spacing').finished!;
    // From 1.5 below the neckline (8 below the side-neck) to the bust point: whole steps. It is 26 from the side-neck and 2 further out.
    const steps = (Math.sqrt(26 ** 2 - 2 ** 2) - 8 - 1.5) / spacing;
    expect(steps).toBeCloseTo(Math.round(steps), 6);
    expect(s.panels.some((p) => p.id === 'bodice.button-band')).toBe(true);
    // Marked one from the other, in a house that marks half centimetres or inches, the last still lies on the edge.
    for (const rounding of [HALF, { unit: 'in', step: 0.5, mode: 'nearest' }] as const)
      for (const neckFront of ['6 cm', '8 cm', '9.3 cm', '14 cm']) {
        const coat = sheetOf(
          garmentSpec(
            [{ part: 'long-bodice', below: '100 cm', zip: 'centre-front', closes: 'buttons', neckFront }],
            BODY,
            {
              house: { rounding },
            },
          ),
        );
        const f = figure(coat, 'bodice.button-spacing');
        const count = Number(/^\d+/.exec(f.name)![0]);
        const edge = sewnLength(coat.panels.find((p) => p.id === 'bodice.front')!, 'centre');
        expect([neckFront, count > 8, 1.5 + (count - 1) * f.marked! <= edge - 1]).toEqual([
          neckFront,
          true,
          true,
        ]);
      }
    expect(s.notions.some((n) => n.name === 'zip')).toBe(false);
    expect(s.panels.find((p) => p.id === 'bodice.front')!.cut).toBe('pair');
    const loops = made([{ part: 'darted-bodice', zip: 'centre-front', closes: 'loops' }]);
    expect(loops.panels.some((p) => p.id === 'bodice.button-band')).toBe(false);
    const laced = made([{ part: 'darted-bodice', closes: 'lacing' }]);
    expect(laced.notions.some((n) => n.name === 'lacing cord')).toBe(true);
  });
});

it('a T-shirt’s flat figures are halves of its whole ones, as a tape reads them off the garment laid flat', () => {
  const s = made([{ part: 'top', shaped: 'shaped' }], BODY, { cloth: { name: 'jersey', stretch: 50 } });
  expect(figure(s, 'top.flat-bust').finished).toBeCloseTo(figure(s, 'bust').finished! / 2, 6);
  expect(figure(s, 'top.flat-hem').finished).toBeCloseTo(figure(s, 'top.hem').finished! / 2, 6);
  // From shoulder point to shoulder point: twice where the panel's own lies.
  const tip = panel(s, 'top.front').edges.find((e) => e.id === 'armhole')!.path[0]![0];
  expect(figure(s, 'top.flat-shoulders').finished).toBeCloseTo(2 * tip[0], 4);
});

it('a casing is cut with its turnings: its edge and both ends, the cord, room and two edges', () => {
  const s = sheetOf(
    garmentSpec('gathered-skirt', ['waist 72 cm', 'hip 98 cm'], {
      garment: {
        parts: [{ part: 'gathered-skirt' }, { part: 'details', casing: '90 cm', casingFor: '2 cm' }],
      },
      house: { rounding: EXACT },
    }),
  );
  const strip = s.pieces.find((p) => p.panel === 'details.casing-strip')!;
  expect(strip).toMatchObject({ count: 1, width: 4.5, length: 92 });
  expect(s.notions.find((n) => n.name === 'cord or elastic for the casing')?.note).toBe('{cm:2} wide');
});

// What a maker of easy tops reads: five figures (common practice). The shoulder by the bust is a handbook's block, from memory.
it.each([
  [80, 11.75],
  [88, 12.25],
  [97, 12.8],
])(
  'a top is drafted from bust %d, its length, a sleeve length and the upper arm; what was guessed is marked',
  (bust, shoulder) => {
    const parts = [{ part: 'top' }, { part: 'sleeve', goes: 'length', length: '20 cm', cap: 'easy' }];
    const s = sheetOf(
      garmentSpec(
        parts,
        [`bust ${bust} cm`, 'garment-length 60 cm', 'sleeve-length 21 cm', 'upper-arm 29 cm'],
        { garment: { fit: 'loose', parts, cloth: { stretch: 30 } }, house: { rounding: EXACT } },
      ),
    );
    expect(s.panels.map((q) => q.id)).toEqual(
      expect.arrayContaining(['top.front', 'top.back', 'top.band', 'sleeve.sleeve']),
    );
    const f = figure(s, 'top.shoulder');
    expect(f.terms[0]!.cm).toBeCloseTo(shoulder, 1);
    expect(f.marks).toContain('estimated');
    expect(figure(s, 'top.armhole-depth').marks).toContain('estimated');
    expect(s.checks.filter((k) => k.absent)).toEqual([]);
  },
);
