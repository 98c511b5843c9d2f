import fc from 'fast-check';
import { median as judgeMedian, mean } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { cm } from '../units/length.ts';
import { agree, agreementSentence } from './agreement.ts';
import { measure } from './catalogue.ts';
import { resolve, resolveAll, standing, wholeOf } from './session.ts';
import { taken } from './testing.ts';

describe('the agreement of readings', () => {
  // Allowed differences: ISO 20685-1 (from memory). Third reading and median: anthropometry practice (ISAK; from memory).
  it('takes the mean of two large girths 0.9 cm apart and asks for a third beyond', () => {
    expect(agree([cm(70), cm(70.9)], 'large-girth')).toMatchObject({ state: 'agree', value: 70.45 });
    const apart = agree([cm(70), cm(71)], 'large-girth');
    expect(apart.state).toBe('apart');
    expect(agreementSentence(apart)).toContain('third');
    expect(agree([cm(70), cm(71), cm(70.2)], 'large-girth')).toEqual({ state: 'median', value: 70.2 });
  });
  it('is stricter with small girths, lengths and widths', () => {
    expect(agree([cm(30), cm(30.5)], 'small-girth').state).toBe('apart');
    expect(agree([cm(20), cm(20.5)], 'segment').state).toBe('agree');
    expect(agree([cm(40), cm(40.5)], 'width').state).toBe('apart');
  });
  it('agrees with mathjs on means and medians', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 50, max: 150, noNaN: true }), { minLength: 2, maxLength: 7 }),
        (values) => {
          const a = agree(values.map(cm), 'large-girth') as { value: number };
          expect(a.value).toBeCloseTo(
            values.length === 2 ? Number(mean(values)) : Number(judgeMedian(values)),
            9,
          );
        },
      ),
    );
  });
});

describe('a measure in its session', () => {
  it('takes out what the tape already added, once for each reading', () => {
    const m = resolve(measure('waist'), [taken('waist', '38 1/2 in', { tape: 'one-finger' })]);
    expect(m.raw).toBeCloseTo(97.79, 9);
    expect(m.added).toBeCloseTo(1, 9);
    expect(m.net).toBeCloseTo(96.79, 9);
    expect(m.why.join(' ')).toContain('not given twice');
  });
  it('never corrects a length', () =>
    expect(
      resolve(measure('waist-to-hip'), [taken('waist-to-hip', '20 cm', { tape: 'two-fingers' })]).net,
    ).toBe(20));
  it('derives the whole of a half or a quarter', () => {
    expect(wholeOf(taken('hip', '25 cm', { way: 'quarter' }))).toBe(100);
    expect(wholeOf(taken('hip', '50 cm', { way: 'half' }))).toBe(100);
  });
  it('keeps what was read beside the figure that counts', () =>
    expect(resolve(measure('hip'), [taken('hip', '34 3/8 in'), taken('hip', '34 1/2 in')]).asRead).toBe(
      '34 3⁄8 in, 34 1⁄2 in',
    ));
  it('lets a later reading replace an earlier one, and a stroke take one out', () => {
    const first = taken('waist', '70 cm');
    const second = taken('waist', '71 cm', { replaces: first.id });
    const stroke = taken('waist', '1 cm', { state: 'skipped', written: null, replaces: second.id });
    expect(resolve(measure('waist'), [first, second]).net).toBe(71);
    expect(standing([first, second, stroke])).toEqual([]);
    expect(resolve(measure('waist'), [first, second, stroke]).state).toBe('pending');
  });
  it('knows declined and skipped from not read', () => {
    const declined = taken('hip', '1 cm', { state: 'declined', written: null });
    expect(resolve(measure('hip'), [declined])).toMatchObject({ state: 'declined', net: null });
    expect(resolve(measure('hip'), [])).toMatchObject({ state: 'pending', net: null });
  });
  it('leaves out measures it does not know', () =>
    expect([
      ...resolveAll([taken('waist', '70 cm'), { ...taken('waist', '1 cm'), measure: 'tail' }]).keys(),
    ]).toEqual(['waist']));
});

describe('the catalogue', () => {
  it('says so when a measure does not exist', () => expect(() => measure('tail')).toThrow(RangeError));
});
