import { figure, sheetOf } from '@rocchetto/contract/testing.ts';
import { EXACT, garmentSpec } from '@rocchetto/contract/testing-garments.ts';
import { describe, expect, it } from 'vitest';
import { sewnLength, spanAt } from '../../../draft/measure.ts';
import { printSheet } from '../../../sheet/print.ts';
import { measuringList } from '../../measuring.ts';

const BODY = [
  'bust 88 cm',
  'waist 70 cm',
  'underbust 75 cm',
  'neck-to-bust 27 cm',
  'neck-to-underbust 34 cm',
  'neck-to-waist-front 44 cm',
  'nape-to-waist 40 cm',
  'across-shoulder 39 cm',
  'armhole-depth 20 cm',
];
const made = (part: object = {}, lines: readonly string[] = BODY, house: object = {}) =>
  sheetOf(
    garmentSpec([{ part: 'darted-bodice', plan: 'heights', ...part }], lines, {
      house: { rounding: EXACT, ...house },
    }),
  );
const panel = (s: ReturnType<typeof made>, id: string) => s.panels.find((p) => p.id === `bodice.${id}`)!;
const check = (s: ReturnType<typeof made>, id: string) => s.checks.find((k) => k.code === `bodice.${id}`);
const swap = (id: string, text: string) => BODY.map((l) => (l.startsWith(`${id} `) ? `${id} ${text}` : l));

describe('a bodice by heights with princess seams', () => {
  const s = made();
  it('its front panels stand 5 apart under the bust and at the waist, and meet over the bust point', () => {
    const [centre, side] = [panel(s, 'front-centre'), panel(s, 'front-side')];
    const gap = (y: number) => spanAt(side, y)![0] - spanAt(centre, y)![1];
    expect(gap(34 + 0.01)).toBeCloseTo(5, 2);
    expect(gap(43)).toBeCloseTo(5, 2);
    expect(gap(27 + 0.001)).toBeCloseTo(0, 1);
    for (const q of [centre, side]) expect(q.marks.map((m) => m.name)).toContain('under bust');
    expect(Math.abs(sewnLength(centre, 'princess') - sewnLength(side, 'princess'))).toBeLessThan(0.5);
  });
  it.each([
    [80, 16.5],
    [101, 16.5],
    [102, 18],
    [127, 18],
    [128, 19],
    [140, 19],
  ])('a bust of %d has a centre panel of %d', (bust, whole) => {
    expect(figure(made({}, swap('bust', `${bust} cm`)), 'bodice.apex').finished).toBe(whole / 2);
  });
  it('a hand that marks in inches has its own figures: 6 ½, 2, 5, 4; its lines lie where they were read', () => {
    const inches = made({}, BODY, { rounding: { unit: 'in', step: 0.125, mode: 'nearest' } });
    const of = (id: string) => figure(inches, `bodice.${id}`).finished! / 2.54;
    expect(of('apex')).toBeCloseTo(3.25, 9);
    expect(of('dart-front-intake')).toBeCloseTo(2, 9);
    expect(of('dart-back-place')).toBeCloseTo(5, 9);
    expect(of('neck-half')).toBeCloseTo(2, 9);
    expect(of('bust-level')).toBeCloseTo(27 / 2.54, 9);
    expect(of('waist-front')).toBeCloseTo(44 / 2.54, 9);
  });
  it('takes no more than 3.8 at the back, and nothing where there is next to nothing to take', () => {
    expect(figure(made({}, swap('waist', '58 cm')), 'bodice.dart-back-intake').finished).toBeCloseTo(3.8, 9);
    const straight = made({}, swap('waist', '88 cm'));
    expect(straight.figures.some((f) => f.id === 'bodice.dart-back-intake')).toBe(false);
    expect(panel(straight, 'back-side')).toBeDefined();
  });
  it('asks for no bust points, lists 5 at the side seams, is named on the sheet', () => {
    const list = measuringList([{ part: 'darted-bodice', plan: 'heights' } as { part: string }]);
    expect(list.map((m) => m.id)).toContain('neck-to-underbust');
    expect(list.map((m) => m.id)).not.toContain('apex-span');
    expect(s.allowances.find((a) => a.name === 'side seams')!.cm).toBe(5);
    expect(s.allowances.find((a) => a.name === 'princess seams')!.cm).toBe(1.5);
    expect(printSheet(s, 'cm').head).toContainEqual([
      'Drafted by',
      'darted bodice: heights, with princess seams',
    ]);
  });
  it('says where it is too tight under the bust, and guesses the line where it was not measured', () => {
    expect(check(s, 'under-bust')).toMatchObject({ state: 'passed' });
    const tight = made({}, swap('underbust', '86 cm'));
    expect(check(tight, 'under-bust')).toMatchObject({ state: 'warned', figure: 'bodice.underbust-level' });
    const unread = made(
      {},
      BODY.filter((l) => !l.includes('underbust')),
    );
    expect(figure(unread, 'bodice.underbust-level')).toMatchObject({ finished: 27 + 7.5 });
    expect(figure(unread, 'bodice.underbust-level').marks).toContain('estimated');
    expect(check(unread, 'under-bust')).toBeUndefined();
  });
  it('keeps the seam where the brief has it, and says that a dart moved elsewhere is not', () => {
    expect(panel(made({ shaping: 'princess-shoulder' }), 'front-side').edges.map((e) => e.id)).toContain(
      'shoulder',
    );
    expect(panel(s, 'front-side').edges.map((e) => e.id)).not.toContain('shoulder');
    expect(check(made({ shaping: 'neck' }), 'plan-shaping')).toMatchObject({ state: 'warned' });
    expect(check(made({ shaping: 'darts' }), 'plan-shaping')).toBeUndefined();
  });
  it('closes with a skirt and a sleeve', () => {
    const dress = sheetOf(
      garmentSpec(
        [
          { part: 'darted-bodice', plan: 'heights' },
          { part: 'gored-skirt', length: '60 cm' },
          { part: 'sleeve', cap: 'easy', head: 'gathered' },
        ],
        [
          ...BODY,
          'hip 96 cm',
          'waist-to-hip 20 cm',
          'upper-arm 28 cm',
          'arm-length 58 cm',
          'wrist 16 cm',
          'fist 22 cm',
        ],
      ),
    );
    const meets = dress.checks.filter((k) => k.sentence.includes(' meet at the '));
    expect(meets.map((k) => k.state)).toEqual(['passed', 'passed']);
  });

  it('is refused with its reason where a shoulder would end beyond the width of the bust', () => {
    const wide = made({}, swap('across-shoulder', '54 cm'));
    expect(wide.panels.some((p) => p.id.startsWith('bodice.front'))).toBe(false);
    expect(check(wide, 'heights')!.sentence).toContain('beyond the bust line’s quarter');
    expect(check(made(), 'heights')).toBeUndefined();
  });
});
