import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { SIZE_STEPS } from '@rocchetto/contract/testing-size-steps.ts';
import { describe, expect, it } from 'vitest';
import { heldInside, sewnLength, sewnWidthAt, spanAt, widthAt } from '../../../draft/measure.ts';
import { markedGirth } from '../../../figure/build.ts';
import type { Sheet } from '../../../sheet/compute.ts';
import { printSheet } from '../../../sheet/print.ts';
import { ENVELOPE } from '../../tables/fit.ts';

const HEIGHTS = [
  'waist-to-hip 20 cm',
  'neck-to-bust 27 cm',
  'neck-to-waist-front 44 cm',
  'nape-to-waist 40 cm',
  'across-shoulder 39 cm',
  'neck-width 14 cm',
  'apex-span 18 cm',
  'armhole-depth 20 cm',
];
const BODY = ['bust 88 cm', 'waist 70 cm', 'hip 96 cm', ...HEIGHTS];
const made = (part: object, lines: readonly string[] = BODY, more: object = {}, rest: object = {}): Sheet =>
  sheetOf(
    garmentSpec('bodice', lines, {
      garment: { parts: [{ part: 'long-bodice', ...part }], ...more },
      house: { rounding: EXACT },
      rest,
    }),
  );
const panel = (s: Sheet, id: string) => s.panels.find((p) => p.id === `bodice.${id}`)!;
const check = (s: Sheet, code: string) => s.checks.find((k) => k.code === code);
/** Where a panel's princess seam lies at a height. */
const crossing = (q: Sheet['panels'][number], y: number): number =>
  spanAt(q, y)![q.across.centre === 'princess' ? 0 : 1];
const girth = (s: Sheet, zone: string) => markedGirth(figure(s, zone))!;

describe('a bodice without a waist seam', () => {
  it.each(SIZE_STEPS)(
    'EN 13402-3 step %d / %d / %d (from memory): its girths are round the panels, darts closed',
    (bust, waist, hip) => {
      const s = made({ below: '60 cm' }, [
        `bust ${bust} cm`,
        `waist ${waist} cm`,
        `hip ${hip} cm`,
        ...HEIGHTS,
      ]);
      for (const [zone, body] of [
        ['bust', bust],
        ['waist', waist],
        ['hip', hip],
      ] as const) {
        const round = ['front', 'back'].reduce((sum, face) => {
          const p = panel(s, face);
          return sum + 2 * sewnWidthAt(p, p.lines.find((l) => l.id === zone)!.y - 1e-7)!;
        }, 0);
        // The front's waist bends a little on its way to the side: its darts are widest on it, not on the level line.
        expect(Math.abs(round - body - 5)).toBeLessThan(0.2);
      }
      expect(check(s, 'bodice.side-seams')).toMatchObject({ state: 'passed' });
    },
  );

  it('a dart inside holds its intake at the waist, half of it half way, nothing beyond its ends', () => {
    const s = made({ below: '60 cm', zip: 'left-side' });
    const [dart] = panel(s, 'back').inner!;
    const middle = dart!.at[1];
    expect(heldInside(dart!, middle)).toBeCloseTo(dart!.intake, 9);
    expect(heldInside(dart!, (middle + dart!.down[1]) / 2)).toBeCloseTo(dart!.intake / 2, 9);
    expect(heldInside(dart!, (middle + dart!.up[1]) / 2)).toBeCloseTo(dart!.intake / 2, 9);
    expect(heldInside(dart!, dart!.down[1] + 1)).toBe(0);
    expect(heldInside(dart!, dart!.up[1] - 1)).toBe(0);
    // 14 below the waist at the back, and no nearer to the hip line than 3.
    expect(figure(s, 'bodice.dart-back-below').finished).toBe(14);
    expect(
      figure(
        made(
          { below: '60 cm' },
          BODY.map((l) => (l.startsWith('waist-to-hip') ? 'waist-to-hip 15 cm' : l)),
        ),
        'bodice.dart-back-below',
      ).finished,
    ).toBe(12);
  });

  it.each(['darts', 'shoulder', 'armhole', 'neck'])('the dart %s: the side seams still agree', (shaping) => {
    const s = made({ shaping, below: '40 cm' });
    expect(sewnLength(panel(s, 'front'), 'side')).toBeCloseTo(sewnLength(panel(s, 'back'), 'side'), 1);
    const dart = panel(s, 'front').darts.find((d) => d.id === 'bodice.bust-dart')!;
    expect(dart.edge).toBe(shaping === 'darts' ? 'side' : shaping);
    if (shaping !== 'darts') expect(figure(s, 'bodice.moved-dart').finished).toBeCloseTo(dart.intake, 6);
  });

  describe.each(['princess-armhole', 'princess-shoulder'])('%s', (shaping) => {
    const s = made({ shaping, below: '60 cm', flare: '5 cm', zip: 'left-side' });
    const halves = (face: string) => [panel(s, `${face}-centre`), panel(s, `${face}-side`)] as const;
    it('cuts each face in two whose seam is one length, and leaves no dart', () => {
      for (const face of ['front', 'back']) {
        const [centre, side] = halves(face);
        expect(Math.abs(sewnLength(centre, 'princess') - sewnLength(side, 'princess'))).toBeLessThan(0.3);
        expect(check(s, `bodice.princess-${face}`)).toMatchObject({ state: 'passed' });
        for (const q of [centre, side]) expect([q.darts.length, q.inner]).toEqual([0, undefined]);
      }
      expect(s.figures.some((f) => /dart-(front|back)-length/.test(f.id))).toBe(false);
    });
    it('both panels together are the face at hip and waist, and wider by the flare at the hem', () => {
      for (const face of ['front', 'back'] as const)
        for (const [zone, body] of [
          ['waist', 70],
          ['hip', 96],
        ] as const) {
          const wide = halves(face).reduce(
            (sum, q) => sum + widthAt(q, q.lines.find((l) => l.id === zone)!.y)!,
            0,
          );
          expect(wide).toBeCloseTo((body + 5) / 4, 1);
        }
      // A quarter of the hip, the flare at the side, and at both sides of the princess seam.
      // Lifted at each seam so that it meets it square, the hem ends where they are a little narrower.
      expect(Math.abs(figure(s, 'bodice.hem').finished! - 4 * (101 / 4 + 15))).toBeLessThan(1.5);
    });
    it('the bust point is notched where the seam runs over it, the waist where it takes most', () => {
      const [centre, side] = halves('front');
      for (const q of [centre, side]) {
        const at = (name: string) => q.marks.find((k) => k.name === name && Math.abs(k.at[0] - 9) < 4)!.at;
        // 27 from the side-neck to the bust point: 7 of the neck, 9 to the bust point, the rest straight down.
        expect(at('bust point')[0]).toBe(9);
        expect(at('bust point')[1]).toBeCloseTo(Math.sqrt(27 ** 2 - 2 ** 2), 6);
        expect(crossing(q, at('waist')[1])).toBeCloseTo(at('waist')[0], 6);
      }
      const intake = figure(s, 'bodice.dart-front-intake').finished!;
      const [a, b] = [centre, side].map(
        (q) => q.marks.find((k) => k.name === 'waist' && k.at[0] < 15)!.at[0],
      );
      expect(b! - a!).toBeCloseTo(intake, 6);
    });
    it('what the seam takes and where it lies are told on the seam, on both panels', () => {
      for (const face of ['front', 'back']) {
        const place = (id: string) => s.look().places.find((q) => q.figure === `bodice.dart-${face}-${id}`)!;
        for (const [id, q] of [
          ['intake', halves(face)[0]],
          ['place', halves(face)[1]],
        ] as const) {
          expect(place(id).panel).toBe(q.id);
          expect(crossing(q, place(id).at[1])).toBeCloseTo(place(id).at[0], 6);
        }
      }
    });
    it('its side seams agree, and what the zip needs is found on all panels', () => {
      expect(check(s, 'bodice.side-seams')).toMatchObject({ state: 'passed' });
      expect(check(s, 'zip')).toMatchObject({ state: 'passed' });
    });
  });

  it('a hem above the hip is as wide as the way there, and asks for no hip', () => {
    const s = made(
      { below: '10 cm' },
      BODY.filter((l) => !l.startsWith('hip')),
    );
    const p = panel(s, 'back');
    const [waist, hem] = [
      p.lines.find((l) => l.id === 'waist')!.y,
      p.lines.find((l) => l.id === 'waist')!.y + 9,
    ];
    expect(widthAt(p, hem)!).toBeGreaterThan(widthAt(p, waist)!);
    expect(s.figures.some((f) => f.id === 'hip')).toBe(false);
    const long = made(
      { below: '30 cm' },
      BODY.filter((l) => !l.startsWith('hip')),
    );
    expect(check(long, 'absent-hip')).toMatchObject({ state: 'warned' });
    expect(panel(long, 'back')).toBeUndefined();
  });

  it('long and narrow at the hem it asks for a slit', () => {
    const slim = BODY.map((l) =>
      l.startsWith('hip') ? 'hip 86 cm' : l.startsWith('bust') ? 'bust 84 cm' : l,
    );
    const stride = (slits: string) => check(made({ below: '80 cm', slits }, slim), 'bodice.stride');
    expect(stride('0 cm')).toMatchObject({ state: 'warned' });
    expect(stride('35 cm')).toMatchObject({ state: 'passed' });
    expect(stride('10 cm')).toMatchObject({ state: 'warned' });
    expect(check(made({ below: '12 cm', slits: '30 cm' }), 'bodice.slits')).toMatchObject({
      state: 'warned',
    });
  });

  it('what opens all the way down lets everything through; what ends above the hip need not let the hip through', () => {
    const zip = (part: object) => check(made({ below: '12 cm', ...part }), 'zip')!;
    expect(zip({ zip: 'centre-front', closes: 'buttons' })).toMatchObject({ state: 'passed' });
    expect(zip({ zip: 'centre-front', closes: 'buttons' }).sentence).toContain('all the way down');
    // It goes over the head: the waist, 70, passes where it is 75.
    expect(zip({ zip: 'centre-back' })).toMatchObject({ state: 'passed' });
    expect(zip({ zip: 'centre-back' }).sentence).toContain('{cm:70} passes');
    // One that reaches the hip lets the hip through.
    expect(zip({ zip: 'centre-back', below: '30 cm' }).sentence).toContain('{cm:96} passes');
  });

  // The bust point is 27 from the side-neck and 2 further out.
  const BUST_BELOW = Math.sqrt(27 ** 2 - 2 ** 2);
  it('buttoned in front it opens all the way down, one button at the bust level', () => {
    const s = made({ zip: 'centre-front', closes: 'buttons', below: '24 cm', neckFront: '18 cm' });
    expect(figure(s, 'zip').finished).toBeCloseTo(44.6 - 27 + BUST_BELOW + 24 - 18, 1);
    const steps = (BUST_BELOW - 18 - 1.5) / figure(s, 'bodice.button-spacing').finished!;
    expect(steps).toBeCloseTo(Math.round(steps), 6);
  });
});

it('a bust line above the underarm is told, as on a bodice to the waist', () => {
  const low = BODY.map((l) => (l.startsWith('neck-to-bust') ? 'neck-to-bust 19 cm' : l));
  expect(check(made({}, low), 'bodice.bust-above')).toMatchObject({ state: 'warned' });
  expect(check(made({}), 'bodice.bust-above')).toBeUndefined();
});

describe('a jacket or coat over another garment', () => {
  // The chart printed on commercial patterns (from memory): a jacket's and a coat's bust ease over the body, inches.
  const JACKET = { fitted: [3.75, 4.25], 'semi-fitted': [4.375, 5.75], loose: [5.875, 10] } as const;
  const COAT = { fitted: [5.25, 6.75], 'semi-fitted': [6.875, 8] } as const;
  const ease = (s: Sheet) => (figure(s, 'bust').finished! - 88) / 2.54;
  it.each(Object.entries(JACKET))(
    'over a fitted dress a %s jacket falls into the span of that chart',
    (fit, [least, most]) => {
      const e = ease(made({ overBust: '93 cm' }, BODY, { fit }));
      expect(e).toBeGreaterThanOrEqual(least - 0.13);
      expect(e).toBeLessThanOrEqual(most + 0.13);
      expect(ENVELOPE.bust![fit as 'fitted']).toBeDefined();
    },
  );
  it.each(Object.entries(COAT))('over that jacket a %s coat falls into its own', (fit, [least, most]) => {
    const jacket = figure(made({ overBust: '93 cm' }), 'bust').finished!;
    const e = ease(made({ overBust: `${jacket} cm` }, BODY, { fit }));
    expect(e).toBeGreaterThanOrEqual(least - 0.13);
    expect(e).toBeLessThanOrEqual(most + 0.3);
  });
  it('its floor is held over what is beneath, and by hand below that it says it cannot go over it', () => {
    const hand = (value: string) => ({
      overrides: [{ figure: 'bust', target: 'finished', value, by: 'F', reason: 'tried', at: '' }],
    });
    const over = { overBust: '100 cm' };
    expect(girth(made(over), 'bust')).toBeCloseTo(105, 6);
    expect(check(made(over), 'floor-bust')).toMatchObject({ state: 'passed' });
    expect(check(made(over, BODY, {}, hand('102 cm')), 'floor-bust')).toMatchObject({ state: 'warned' });
    expect(check(made(over, BODY, {}, hand('102 cm')), 'bodice.over-bust')).toMatchObject({
      state: 'passed',
    });
    expect(check(made(over, BODY, {}, hand('99 cm')), 'bodice.over-bust')).toMatchObject({ state: 'warned' });
  });
  it('what stretches round the body takes no room; the armhole lies lower than the one beneath', () => {
    const s = made({ overBust: '80 cm' });
    expect(girth(s, 'bust')).toBeCloseTo(93, 6);
    expect(JSON.stringify(figure(s, 'bust').terms)).toContain('stretches round it');
    expect(figure(s, 'bodice.armhole-depth').finished).toBe(
      figure(made({}), 'bodice.armhole-depth').finished! + 1.5,
    );
  });
  it('a sleeve over a sleeve goes over that', () => {
    const sleeved = (over: string | null) =>
      sheetOf(
        garmentSpec('bodice', [...BODY, 'upper-arm 28 cm', 'arm-length 58 cm', 'wrist 16 cm', 'fist 22 cm'], {
          garment: {
            parts: [{ part: 'long-bodice' }, { part: 'sleeve', cap: 'easy', head: 'gathered', over }],
          },
          house: { rounding: EXACT },
        }),
      );
    const beneath = figure(sleeved('40 cm'), 'sleeve.upper-arm');
    expect(beneath.terms.find((t) => t.kind === 'layers')?.cm).toBe(12);
    expect(beneath.finished).toBeGreaterThanOrEqual(45);
    expect(figure(sleeved(null), 'sleeve.upper-arm').terms.some((t) => t.kind === 'layers')).toBe(false);
  });
});

describe('the quarter plan', () => {
  const quarter = (part: object, lines: readonly string[] = BODY, house: object = {}) =>
    sheetOf(
      garmentSpec('bodice', lines, {
        garment: { parts: [{ part: 'long-bodice', plan: 'quarter', ...part }] },
        house: { rounding: EXACT, ...house },
      }),
    );
  it('halves and quarters whatever arcs were read, a half inch more on each quarter, whatever the fit', () => {
    const s = quarter({ below: '40 cm' }, [...BODY, 'bust-front 50 cm', 'hip-front 52 cm']);
    for (const [zone, body] of [
      ['bust', 88],
      ['waist', 70],
      ['hip', 96],
    ] as const)
      expect(figure(s, zone).shares.map((x) => x.exact)).toEqual([body / 4 + 1.3, body / 4 + 1.3]);
    const inches = quarter({}, BODY, { rounding: { unit: 'in', step: 0.125, mode: 'nearest' } });
    expect(figure(inches, 'bust').finished).toBeCloseTo(88 + 4 * 1.27, 6);
    // The neck was read (14): it stands; where it was not, the plan's 3 ½ from the centre.
    expect(figure(inches, 'bodice.neck-half').finished).toBe(7);
    const unread = BODY.filter((l) => !/^(neck-width|shoulder) /.test(l));
    const plans = quarter({}, unread, { rounding: { unit: 'in', step: 0.125, mode: 'nearest' } });
    expect(figure(plans, 'bodice.neck-half').finished! / 2.54).toBeCloseTo(3.5, 9);
  });
  it('has no bust dart, and says so where the front is longer; the sheet names the plan', () => {
    const s = quarter({});
    expect(s.figures.some((f) => f.id === 'bodice.bust-dart-intake')).toBe(false);
    expect(check(s, 'bodice.balance')).toMatchObject({ state: 'warned' });
    expect(check(s, 'bodice.side-seams')).toMatchObject({ state: 'passed' });
    const even = BODY.map((l) => (l.startsWith('neck-to-waist-front') ? 'neck-to-waist-front 42.5 cm' : l));
    expect(check(quarter({}, even), 'bodice.balance')).toMatchObject({ state: 'passed' });
    expect(printSheet(s, 'cm').head).toContainEqual(['Drafted by', 'bodice on to the hip: the quarter plan']);
    expect(printSheet(made({}), 'cm').head.some(([l]) => l === 'Drafted by')).toBe(false);
  });
  it('a bodice to the waist by it closes with its skirt', () => {
    const s = sheetOf(
      garmentSpec('bodice', BODY, {
        garment: {
          parts: [
            { part: 'darted-bodice', plan: 'quarter' },
            { part: 'gathered-skirt', length: '60 cm' },
          ],
        },
      }),
    );
    expect(s.checks.find((k) => k.code.includes('waist') && k.sentence.includes('meet'))).toMatchObject({
      state: 'passed',
    });
  });
});
