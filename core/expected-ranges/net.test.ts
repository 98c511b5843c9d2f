import { SIZE_STEPS } from '@rocchetto/contract/testing-size-steps.ts';
import fc from 'fast-check';
import { index as at, inv, type Matrix, matrix, multiply, subset } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { findMeasure, MEASURES } from '../measures/catalogue.ts';
import { cm } from '../units/length.ts';
import { formatSentence } from '../units/print.ts';
import { expectation } from './expectation.ts';
import { bandOf, doubtOf, readsHalves, slipsOf } from './slips.ts';
import { NET, ownOf } from './table.ts';
import { misfitOf } from './together.ts';

const IDS = Object.keys(NET);
const cm1 = (s: string) => formatSentence(s, 'cm');

/** The covariance of two measures as the table tells it. */
const cov = (a: string, b: string): number => {
  const [p, q] = [NET[a]!, NET[b]!];
  const common = p.loads.reduce((s, l, i) => s + l * q.loads[i]!, 0);
  return p.spread * q.spread * (common + (a === b ? ownOf(p) : 0));
};
/** The conditional normal by whole matrices (mathjs), an independent way: μ + Σab Σbb⁻¹ (x − μ). */
function byMatrices(id: string, known: readonly (readonly [string, number])[]) {
  if (known.length === 0) return { mean: NET[id]!.mean, spread: Math.sqrt(cov(id, id)) };
  const bb = matrix(known.map(([a]) => known.map(([b]) => cov(a, b))));
  const ab = matrix([known.map(([b]) => cov(id, b))]);
  const off = matrix(known.map(([b, x]) => [x - NET[b]!.mean]));
  const w = multiply(ab, inv(bb)) as Matrix;
  const mean = NET[id]!.mean + (subset(multiply(w, off) as Matrix, at(0, 0)) as unknown as number);
  const ba = matrix(known.map(([b]) => [cov(id, b)]));
  const variance = cov(id, id) - (subset(multiply(w, ba) as Matrix, at(0, 0)) as unknown as number);
  return { mean, spread: Math.sqrt(variance) };
}

describe('the table of the net', () => {
  it('holds measures of the catalogue, each usual two spreads to either side of its mean, with a source, and something of its own', () => {
    expect(IDS.length).toBeGreaterThanOrEqual(50);
    for (const id of IDS) {
      const [m, row] = [findMeasure(id)!, NET[id]!];
      expect(m, id).toBeDefined();
      // Who lies two spreads from the middle is one in forty: no tape is asked to read her again for that.
      expect(row.mean - 2 * row.spread, id).toBeGreaterThan(m.range[0]);
      expect(row.mean + 2 * row.spread, id).toBeLessThan(m.range[1]);
      expect(row.source, id).toMatch(/studio figure|from memory/);
      expect(
        row.loads.reduce((a, l) => a + l * l, 0),
        id,
      ).toBeLessThanOrEqual(1);
    }
  });
  it('is a correlation: no two measures go together more than one with itself', () => {
    for (const a of IDS)
      for (const b of IDS)
        if (a !== b)
          expect(Math.abs(cov(a, b)) / Math.sqrt(cov(a, a) * cov(b, b)), `${a} ${b}`).toBeLessThan(1);
  });
});

describe('correlations against published ones', () => {
  // Harman, Modern Factor Analysis (1976), p. 23, as R's datasets carry it (Harman23.cor): girls of 7 to 17, so only near.
  const r = (a: string, b: string) => cov(a, b) / Math.sqrt(cov(a, a) * cov(b, b));
  it.each([
    ['arm-length', 0.846],
    ['elbow-to-wrist', 0.805],
    ['knee-to-floor', 0.859],
  ])('height with %s is near %d', (id, published) =>
    expect(Math.abs(r('stature', id) - published)).toBeLessThan(0.1),
  );
  it('a girth goes little with height, and much with another girth', () => {
    expect(r('stature', 'bust')).toBeLessThan(0.35);
    expect(r('bust', 'waist')).toBeGreaterThan(0.7);
  });
});

describe('what to expect', () => {
  it('is the conditional normal: equal to whole matrices on random cases', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...IDS), { minLength: 1, maxLength: 14 }),
        fc.infiniteStream(fc.double({ min: -2, max: 2, noNaN: true })),
        (ids, zs) => {
          const [id, ...rest] = ids as [string, ...string[]];
          const known = rest.map((b) => [b, NET[b]!.mean + NET[b]!.spread * zs.next().value!] as const);
          const e = expectation(id, new Map(known))!;
          const by = byMatrices(id, known);
          expect(e.mean).toBeCloseTo(by.mean, 6);
          expect(e.spread).toBeCloseTo(by.spread, 6);
        },
      ),
    );
  });
  it('grows surer with every figure, and surest with last time', () => {
    const none = expectation('hip', new Map())!;
    const one = expectation('hip', new Map([['waist', 74]]))!;
    const more = expectation(
      'hip',
      new Map([
        ['waist', 74],
        ['thigh', 56],
        ['high-hip', 90],
      ]),
    )!;
    const last = expectation('hip', new Map([['waist', 74]]), 99)!;
    expect(one.spread).toBeLessThan(none.spread);
    expect(more.spread).toBeLessThan(one.spread);
    expect(last.spread).toBeLessThan(more.spread);
    expect(last.mean).toBeGreaterThan(97);
    expect(one.from[0]!.id).toBe('waist');
  });
  it('is none for a choice, for what it does not hold, and for what is no measure', () => {
    for (const id of ['hem-front', 'sleeve-length', 'across-lap', 'nothing'])
      expect(expectation(id, new Map())).toBeNull();
  });
  it('one side is expected from the other more closely than from anything else', () => {
    const alone = expectation('thigh-left', new Map([['hip', 100]]))!;
    const pair = expectation(
      'thigh-left',
      new Map([
        ['hip', 100],
        ['thigh-right', 61],
      ]),
    )!;
    expect(pair.spread).toBeLessThan(alone.spread / 2);
    expect(Math.abs(pair.mean - 61)).toBeLessThan(1);
  });
  it('of the size steps of EN 13402-3 (from memory) every waist and hip lies in its band, whichever came before', () => {
    for (const [bust, waist, hip] of SIZE_STEPS)
      for (const [id, value, known] of [
        ['waist', waist, [['bust', bust]]],
        [
          'hip',
          hip,
          [
            ['bust', bust],
            ['waist', waist],
          ],
        ],
        ['bust', bust, [['hip', hip]]],
      ] as const) {
        const [from, to] = bandOf(expectation(id, new Map(known))!);
        expect(value, `${id} at bust ${bust}`).toBeGreaterThanOrEqual(from);
        expect(value, `${id} at bust ${bust}`).toBeLessThanOrEqual(to);
      }
  });
});

describe('a slip is named when it explains the figure', () => {
  const e = expectation(
    'hip',
    new Map([
      ['waist', 74],
      ['bust', 92],
      ['stature', 168],
    ]),
  )!;
  const doubt = (value: number, text: string, way: 'whole' | 'half' = 'whole', unit: 'cm' | 'in' = 'cm') =>
    doubtOf('hip', cm(value), { text, unit }, way, e);
  it.each([
    [39, '39', 'other-unit', 'Was it inches?'],
    [49, '49', 'half', 'Was a half read?'],
    [24.5, '24.5', 'quarter', 'Was a quarter read?'],
    [79, '79', 'swapped', 'Were two digits swapped (97)?'],
  ])('%d cm: %s', (value, text, slip, words) => {
    const d = doubt(value, text)!;
    expect(d.slip?.is).toBe(slip);
    expect(d.sentence).toContain(words);
    expect(cm1(d.sentence)).toMatch(/^From bust|^From waist/);
  });
  it('says nothing of what is expected, and asks to read again what nothing explains', () => {
    expect(doubt(98.5, '98.5')).toBeNull();
    expect(doubt(133, '133')!.slip).toBeNull();
    expect(doubt(133, '133')!.sentence).toContain('lies above it. Read it again?');
  });
  it('a hand that reads halves does not write thirds of a half: the swap is asked about though it moves little', () => {
    const of = expectation(
      'across-front',
      new Map([
        ['bust', 92],
        ['across-back', 36],
      ]),
    )!;
    const at = (halves: boolean) =>
      doubtOf('across-front', cm(35.3), { text: '35.3', unit: 'cm' }, 'whole', of, halves);
    expect(at(false)).toBeNull();
    expect(at(true)?.slip).toMatchObject({ is: 'swapped', value: 33.5 });
    expect(readsHalves([70, 70.5, 98, 21].map((n) => ({ text: String(n), unit: 'cm' })))).toBe(true);
    expect(readsHalves([70, 70.5, 98.2, 21].map((n) => ({ text: String(n), unit: 'cm' })))).toBe(false);
    expect(readsHalves([{ text: '70', unit: 'cm' }])).toBe(false);
  });
  it('a fraction is not read as digits to swap; what is said to be a half is not taken for one again', () => {
    expect(slipsOf(cm(87.3), { text: '34 3/8', unit: 'in' }, 'whole', true).map((s) => s.is)).not.toContain(
      'swapped',
    );
    expect(
      slipsOf(cm(98), { text: '49', unit: 'cm' }, 'half', true).filter((s) => s.is === 'quarter'),
    ).toEqual([]);
    expect(slipsOf(cm(61), { text: '61', unit: 'cm' }, 'whole', false).map((s) => s.is)).not.toContain(
      'half',
    );
  });
});

describe('the judgement of a whole session', () => {
  const fine = new Map(
    Object.entries({
      bust: 92,
      waist: 74,
      hip: 98,
      'waist-to-hip': 20.5,
      stature: 168,
      'waist-to-floor': 105,
      'nape-to-waist': 41,
      'arm-length': 59.5,
    }),
  );
  it('is silent while the figures fit', () => expect(misfitOf(fine)).toBeNull());
  it('names the two that do not fit together, and the likelier slip', () => {
    const m = misfitOf(new Map([...fine, ['arm-length', 49.5]]))!;
    expect(m.slip).toBe('arm-length');
    expect(m.sentence).toMatch(/^Shoulder point to wrist and .+ do not fit together; the likeliest slip is/);
    expect(m.sentence).toContain('reads less than');
  });
  it('on random sessions with one slip: the figure all others expect least, and the one without which it is expected most (whole matrices)', () => {
    const ids = [...fine.keys()];
    const z = (known: readonly (readonly [string, number])[], id: string, value: number) => {
      const e = byMatrices(id, known);
      return (value - e.mean) / e.spread;
    };
    let judged = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...ids),
        fc.double({ min: 4, max: 8, noNaN: true }),
        fc.boolean(),
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), {
          minLength: ids.length,
          maxLength: ids.length,
        }),
        (slipped, off, more, noise) => {
          const figures = new Map(
            [...fine].map(([id, v], i) => {
              const own = NET[id]!.spread * Math.sqrt(ownOf(NET[id]!));
              return [id, v + own * (noise[i]! * 0.5 + (id === slipped ? (more ? off : -off) : 0))];
            }),
          );
          const all = [...figures];
          const without = (...left: string[]) => all.filter(([id]) => !left.includes(id));
          const [worst] = all
            .map(([id, v]) => ({ id, z: z(without(id), id, v) }))
            .sort((a, b) => Math.abs(b.z) - Math.abs(a.z));
          const far = Math.abs(worst!.z);
          const m = misfitOf(figures);
          if (far < 3.8) expect(m).toBeNull();
          if (far < 4) return;
          judged++;
          const [other] = ids
            .filter((id) => id !== worst!.id)
            .map((id) => ({ id, z: z(without(worst!.id, id), worst!.id, figures.get(worst!.id)!) }))

            .sort((a, b) => Math.abs(a.z) - Math.abs(b.z));
          expect({ slip: m!.slip, with: m!.with }).toEqual({ slip: worst!.id, with: other!.id });
          expect(m!.surprise).toBeCloseTo(worst!.z, 6);
          expect(m!.sentence).toContain(worst!.z > 0 ? 'reads more' : 'reads less');
        },
      ),
      { numRuns: 60 },
    );
    expect(judged).toBeGreaterThan(15);
  });
  it('does not doubt again what stands with a reason', () =>
    expect(misfitOf(new Map([...fine, ['arm-length', 49.5]]), new Set(['arm-length']))?.slip).not.toBe(
      'arm-length',
    ));
  it('bears any figures of the catalogue', () => {
    const all = new Map(MEASURES.map((m) => [m.id, (m.range[0] + m.range[1]) / 2]));
    expect(() => misfitOf(all)).not.toThrow();
  });
});
