import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { measure } from '../measures/catalogue.ts';
import { type Reading, resolve } from '../measures/session.ts';
import { taken } from '../measures/testing.ts';
import { cm } from '../units/length.ts';
import { stepOf } from '../units/rounding.ts';
import {
  bodyTerms,
  buildFigure,
  drift,
  easeMarked,
  type FigureDraft,
  finely,
  layersIn,
  type Making,
  markedGirth,
  share,
  shareOf,
  TOLERANCE,
  term,
  withMark,
} from './build.ts';
import { judge, missing } from './check.ts';
import type { Override } from './figure.ts';

const HALF = { unit: 'cm', step: 0.5, mode: 'nearest' } as const;
const hand = (
  value: number,
  target: Override['target'] = 'finished',
  reason = 'seen on the toile',
): Override => ({
  figure: 'waist',
  target,
  value: cm(value),
  by: 'Odile',
  at: '',
  reason,
  id: 'o1',
  written: `${value} cm`,
});
/** A bench that makes figures, with what was refused. */
function bench(overrides: readonly Override[] = [], more: Partial<Making> = {}) {
  const refused: string[] = [];
  const c: Making = {
    rounding: HALF,
    overridesOf: (figure) => overrides.filter((o) => o.figure === figure),
    refuse: (_, sentence) => void refused.push(sentence),
    ...more,
  };
  return { refused, make: (d: Partial<FigureDraft> = {}) => buildFigure(c, { ...WAIST, ...d }), c };
}
const WAIST: FigureDraft = {
  id: 'waist',
  section: 'body',
  name: 'waist',
  group: 'girth',
  terms: [term('body', 'reading', 70.3, 'Measured once.'), term('wearing', 'wearing ease', 2.4, 'Fitted.')],
  settable: ['finished', 'wearing'],
};

describe('a figure', () => {
  it('is the sum of its terms and is marked in the steps of the house', () => {
    const f = bench().make();
    expect(f.finished).toBeCloseTo(72.7, 9);
    expect([f.rule, f.marked, f.marks]).toEqual([f.finished, 72.5, ['computed']]);
  });
  it('rounds its own way: levels and darts to the nearest whatever the house does with widths, bought things not at all', () => {
    const up = { ...HALF, mode: 'up' } as const;
    expect(bench([], { rounding: up }).make().marked).toBe(73);
    expect(bench([], { rounding: up }).make({ nearest: true }).marked).toBe(72.5);
    expect(bench().make({ bought: 'cm' }).marked).toBeCloseTo(72.7, 9);
  });
  it('whose measure is missing is absent and has no rule; set by hand it stands', () => {
    const none = bench().make({ known: false });
    expect([none.finished, none.rule, none.marked, none.marks]).toEqual([null, null, null, ['absent']]);
    const set = bench([hand(71)]).make({ known: false });
    expect([set.finished, set.rule, set.marks]).toEqual([71, null, ['overridden', 'computed']]);
  });
  it('says whether it was read, estimated or computed; by hand it is no estimate any more', () => {
    expect(bench().make({ read: true }).marks).toEqual(['read']);
    expect(bench().make({ estimated: true }).marks).toEqual(['estimated']);
    expect(bench([hand(71)]).make({ estimated: true }).marks).toEqual(['overridden', 'computed']);
  });
});

describe('set by hand', () => {
  it('the finished figure stands beside what the rule gave, the last word of several', () => {
    const f = bench([hand(71), hand(74)]).make();
    expect([f.finished, f.marked, f.rule]).toEqual([74, 74, expect.closeTo(72.7, 9)]);
    expect(f.overrides).toHaveLength(2);
  });
  it('an ease takes the place of the rule’s, or is added where the rule gives none, with name and reason', () => {
    const f = bench([hand(5, 'wearing')]).make();
    expect(f.finished).toBeCloseTo(75.3, 9);
    expect(f.terms.map((t) => t.kind)).toEqual(['body', 'wearing']);
    expect(f.terms[1]!.because).toBe('Set by Odile: seen on the toile');
    const style = bench([hand(3, 'style')]).make({ settable: ['finished', 'style'] });
    expect(style.terms.map((t) => [t.kind, t.cm]).at(-1)).toEqual(['style', 3]);
    expect(style.finished).toBeCloseTo(75.7, 9);
  });
  it.each([
    [{ settable: [] }, hand(71), 'follows from other figures'],
    [{}, hand(1, 'style'), 'has no style ease'],
    [{ follows: () => 'Too much for this cloth.' }, hand(99), 'Too much for this cloth.'],
  ] as const)('what cannot be followed is refused in words and changes nothing: %#', (draft, o, words) => {
    const { make, refused } = bench([o]);
    const f = make(draft as Partial<FigureDraft>);
    expect(refused).toEqual([expect.stringContaining(words)]);
    expect([f.finished, f.overrides, f.marks]).toEqual([expect.closeTo(72.7, 9), [], ['computed']]);
  });
  it('a mark that follows from other figures gives way to a hand', () => {
    expect(bench().make({ marked: cm(70) }).marked).toBe(70);
    expect(bench([hand(73.2)]).make({ marked: cm(70) }).marked).toBe(73);
  });
});

describe('steps by which a block was adapted', () => {
  const steps = { stepsOf: (id: string) => (id === 'waist' ? [term('add', 'step 1', 4, 'Wider.')] : []) };
  it('are terms of the figure they touch and of no other; it is then no longer as read', () => {
    const f = bench([], steps).make({ read: true });
    expect([f.finished, f.marks]).toEqual([expect.closeTo(76.7, 9), ['computed']]);
    expect(bench([], steps).make({ id: 'hip', read: true }).marks).toEqual(['read']);
    expect(bench([], steps).make({ known: false }).finished).toBeNull();
  });
});

describe('shares', () => {
  const { c } = bench();
  const girth = (parts: readonly number[], finished: number) => ({
    ...bench().make({ terms: [term('body', 'reading', finished, '')] }),
    shares: parts.map((p, i) => share(c, `p${i}`, 2, [term('share', 'half', p, '')])),
  });
  it('make the marked girth together, whose drift from the finished one is told', () => {
    const f = girth([18.3, 17.9], 72.4);
    expect(f.shares.map((s) => s.rounded)).toEqual([18.5, 18]);
    expect([markedGirth(f), drift(f)]).toEqual([73, expect.closeTo(0.6, 9)]);
    expect(shareOf(f, 'p1')?.exact).toBe(17.9);
    expect([shareOf(f, 'p9'), drift(bench().make())]).toEqual([undefined, null]);
    expect(markedGirth(bench().make())).toBe(72.5);
    expect(markedGirth(bench().make({ known: false }))).toBeNull();
  });
  it('the ease that is left is what the marks leave, layers not counted', () => {
    const lined = bench().make({ terms: [...WAIST.terms, term('layers', 'lining', 0.6, '')] });
    expect(layersIn(lined)).toBe(0.6);
    expect(easeMarked(lined, cm(70.3))).toBeCloseTo(73.5 - 70.3 - 0.6, 9);
  });
  it('of many panels are marked as finely as keeps their drift within the tolerance of a girth', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 24 }),
        fc.constantFrom(0.1, 0.25, 0.5, 1),
        fc.constantFrom<'cm' | 'in'>('cm', 'in'),
        fc.array(fc.double({ min: 1, max: 40, noNaN: true }), { minLength: 1, maxLength: 1 }),
        (times, step, unit, [part]) => {
          const fine = finely({ ...c, rounding: { ...HALF, unit, step } }, times);
          const s = share(fine, 'gore', times, [term('share', 'gore', part!, '')]);
          const most = Math.max((times * stepOf(fine.rounding)) / 2, 0);
          expect(Math.abs(times * (s.rounded - s.exact))).toBeLessThanOrEqual(most + 1e-9);
          if (times * stepOf({ ...HALF, unit, step }) <= 2 * TOLERANCE.girth)
            expect(fine.rounding.step).toBe(step);
          else expect(fine.rounding.step).toBeLessThanOrEqual(0.1);
        },
      ),
    );
  });
});

it('a mark is put in front once', () => {
  const f = withMark(bench().make(), 'warned');
  expect(f.marks).toEqual(['warned', 'computed']);
  expect(withMark(f, 'warned')).toBe(f);
});

describe('what of a figure is the body', () => {
  const of = (...readings: Reading[]) => bodyTerms(resolve(measure('hip'), readings));
  it('is what was read, and says how', () => {
    const [reading, ...more] = of(taken('hip', '98 cm'), taken('hip', '98 cm'));
    expect(reading).toMatchObject({ kind: 'body', label: 'reading', cm: 98, reading: true });
    expect(reading!.because).toContain('98 cm');
    expect(more).toEqual([]);
  });
  it('less what the tape had already added, said once a way of holding it', () => {
    const [reading, tape, ...more] = of(
      taken('hip', '99 cm', { tape: 'one-finger' }),
      taken('hip', '99 cm', { tape: 'one-finger' }),
      taken('hip', '99 cm', { tape: 'two-fingers', state: 'skipped', written: null }),
    );
    expect(more).toEqual([]);
    expect(reading!.cm + tape!.cm).toBeCloseTo(98, 9);
    expect(tape).toMatchObject({ kind: 'tape', label: 'already in the tape', cm: -1 });
    expect(tape!.because.match(/one finger/g)).toHaveLength(1);
    expect(tape!.because).not.toContain('two fingers');
  });
  it('is nothing where nothing was read, and says so', () =>
    expect(of()).toMatchObject([
      { kind: 'body', cm: 0, because: expect.stringMatching(/^(Not measured|not measured)/) as unknown },
    ]));
});

describe('a check', () => {
  it('is passed or warned by whether it holds; a figure that is missing is warned of and marked', () => {
    expect(judge(true, 'c', 'hip', 's')).toEqual({
      code: 'c',
      figure: 'hip',
      state: 'passed',
      sentence: 's',
    });
    expect(judge(false, 'c', null, 's')).toEqual({ code: 'c', figure: null, state: 'warned', sentence: 's' });
    expect(missing('c', 'hip', 's')).toMatchObject({ state: 'warned', absent: true });
  });
});
