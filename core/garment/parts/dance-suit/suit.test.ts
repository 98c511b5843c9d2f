import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { SIZE_STEPS } from '@rocchetto/contract/testing-size-steps.ts';
import { describe, expect, it } from 'vitest';
import { edgeLength, sewnLength, widthAt } from '../../../draft/measure.ts';
import { edgeOf } from '../../../draft/panel.ts';
import type { Sheet } from '../../../sheet/compute.ts';
import { asLines, randomBody, seeded } from '../../testing.ts';

const HEIGHTS = [
  'waist-to-hip 20 cm',
  'trunk 150 cm',
  'across-shoulder 38 cm',
  'shoulder 12.5 cm',
  'neck-width 14 cm',
  'nape-to-waist 40 cm',
  'neck-to-waist-front 43 cm',
  'armhole-depth 19 cm',
];
const BODY = ['bust 86 cm', 'waist 66 cm', 'hip 92 cm', ...HEIGHTS];
const JERSEY = { name: 'jersey', stretch: 60, stretchAlong: 40 };
const made = (part: object = {}, lines: readonly string[] = BODY, garment: object = {}): Sheet =>
  sheetOf(
    garmentSpec('dance-suit', lines, {
      garment: { parts: [{ part: 'dance-suit', ...part }], fit: 'second-skin', cloth: JERSEY, ...garment },
      house: { rounding: EXACT },
    }),
  );
const panel = (s: Sheet, face: string) => s.panels.find((p) => p.id === `suit.${face}`)!;
const check = (s: Sheet, code: string) => s.checks.find((k) => k.code === `suit.${code}`);

describe('a dancer’s suit', () => {
  it.each(SIZE_STEPS)(
    'EN 13402-3 step %d / %d / %d (from memory): its lines are 6 % under the body, on the panels too',
    (bust, waist, hip) => {
      const s = made({ legHeight: '4 cm' }, [
        `bust ${bust} cm`,
        `waist ${waist} cm`,
        `hip ${hip} cm`,
        ...HEIGHTS,
      ]);
      for (const [zone, body] of [
        ['bust', bust],
        ['waist', waist],
      ] as const)
        for (const face of ['front', 'back']) {
          const p = panel(s, face);
          expect(widthAt(p, p.lines.find((l) => l.id === zone)!.y)).toBeCloseTo((body * 0.94) / 4, 3);
        }
      expect(check(s, 'side-seams')).toMatchObject({ state: 'passed' });
    },
  );
  it('the trunk goes round: from mid-shoulder to the crotch front and back make the finished loop', () => {
    const s = made();
    const loop = ['front', 'back'].reduce((sum, face) => {
      const p = panel(s, face);
      const [a, b] = edgeOf(p, 'shoulder').path[0] as unknown as [[number, number], [number, number]];
      const crotch = edgeOf(p, 'crotch').path[0]![0][1];
      return sum + crotch - (a[1] + b[1]) / 2;
    }, 0);
    // 150 less 4 %: the class of 40 % gives 2, a second skin double that.
    expect(loop).toBeCloseTo(144, 6);
    expect(edgeLength(panel(s, 'front'), 'crotch')).toBeCloseTo(edgeLength(panel(s, 'back'), 'crotch'), 9);
  });
  it('a cloth that gives nothing along takes nothing off, and the sheet warns', () => {
    const s = made({}, BODY, { cloth: { name: 'jersey', stretch: 60 } });
    expect(figure(s, 'suit.trunk').finished).toBe(150);
    expect(check(s, 'both-ways')).toMatchObject({ state: 'warned' });
    expect(check(made(), 'both-ways')).toMatchObject({ state: 'passed' });
  });
  it('is stepped into by its neckline, and its leg lies round the thigh, or it says so', () => {
    expect(check(made(), 'passes')).toMatchObject({ state: 'passed' });
    expect(check(made({ widen: '0 cm', neckFront: '7 cm', neckBack: '2 cm' }), 'passes')).toMatchObject({
      state: 'warned',
    });
    expect(check(made({}, [...BODY, 'thigh 54 cm']), 'leg')).toMatchObject({ state: 'passed' });
    expect(check(made({ legHeight: '2 cm' }, [...BODY, 'thigh 75 cm']), 'leg')).toMatchObject({
      state: 'warned',
    });
  });
  it('without the trunk nothing is guessed; lengths of no one body are told, in every fit and 200 bodies', () => {
    const none = made(
      {},
      BODY.filter((l) => !l.startsWith('trunk')),
    );
    expect(check(none, 'front')).toBeUndefined();
    expect(none.checks.find((k) => k.code === 'absent-suit.trunk')).toMatchObject({ state: 'warned' });
    expect(panel(none, 'front')).toBeUndefined();
    const rnd = seeded(3);
    for (let i = 0; i < 200; i++) {
      const s = made({ legHeight: `${2 + Math.floor(rnd() * 25)} cm` }, asLines(randomBody(rnd)));
      const [f, b] = [panel(s, 'front'), panel(s, 'back')];
      if (!f || !b) {
        expect(check(s, 'heights'), `${i}`).toMatchObject({ state: 'warned' });
        continue;
      }
      expect(Math.abs(sewnLength(f, 'side') - sewnLength(b, 'side')), `${i}`).toBeLessThan(0.3);
    }
  });
  it('takes sleeves', () => {
    const s = sheetOf(
      garmentSpec(
        'dance-suit',
        [...BODY, 'upper-arm 27 cm', 'arm-length 57 cm', 'wrist 15 cm', 'fist 21 cm'],
        {
          garment: {
            parts: [{ part: 'dance-suit' }, { part: 'sleeve', cap: 'easy' }],
            fit: 'second-skin',
            cloth: JERSEY,
          },
        },
      ),
    );
    expect(s.panels.some((p) => p.id === 'sleeve.sleeve')).toBe(true);
  });
});
