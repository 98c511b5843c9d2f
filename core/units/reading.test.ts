import fc from 'fast-check';
import Fraction from 'fraction.js';
import { fraction, unit as mathUnit } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { cm, inches, inUnit } from './length.ts';
import {
  formatSentence,
  printByHand,
  printEquals,
  printLength,
  printSigned,
  printWithUnit,
  say,
} from './print.ts';
import { printWritten, readLength, writtenToCm } from './reading.ts';

const read = (text: string, unit: 'cm' | 'in' | 'mm' = 'in') => {
  const r = readLength(text, unit);
  if (!r.ok) throw new Error(r.sentence);
  return r;
};

describe('reading a length as it was written', () => {
  it.each([
    ['34 3/8', 'in', '275/8', '34 3⁄8', 34.375 * 2.54],
    ['34⅜', 'in', '275/8', '34 3⁄8', 34.375 * 2.54],
    ['34 ⅜', 'in', '275/8', '34 3⁄8', 34.375 * 2.54],
    ['34-3/8', 'in', '275/8', '34 3⁄8', 34.375 * 2.54],
    ['34.375', 'in', '275/8', '34.375', 34.375 * 2.54],
    ['34 3/8 in', 'in', '275/8', '34 3⁄8', 34.375 * 2.54],
    ['34 3/8"', 'in', '275/8', '34 3⁄8', 34.375 * 2.54],
    ['34 ³⁄₁₆ in', 'in', '547/16', '34 3⁄16', 34.1875 * 2.54],
    ['½ in', 'in', '1/2', '1⁄2', 1.27],
    ['87.3 cm', 'cm', '873/10', '87.3', 87.3],
    ['87,3 cm', 'cm', '873/10', '87.3', 87.3],
    ['87.30cm', 'cm', '873/10', '87.30', 87.3],
    ['873 mm', 'mm', '873', '873', 87.3],
  ])('%s', (text, unit, value, shown, length) => {
    const r = read(text);
    expect(r.written).toEqual({ value, unit, text: shown });
    expect(r.cm).toBeCloseTo(length as number, 9);
  });

  it('gives back what was read, exactly', () => {
    expect(printWritten(read('34 3/8').written)).toBe('34 3⁄8 in');
    expect(printWritten(read('87.3', 'cm').written)).toBe('87.3 cm');
  });

  it.each([
    ['', 'empty'],
    ['   ', 'empty'],
    ['abc', 'letters'],
    ['34 ells', 'letters'],
    ['-5', 'negative'],
    ['−5 cm', 'negative'],
    ['0', 'zero'],
    ['0.0 cm', 'zero'],
    ['1e9', 'letters'],
    ['1000000000', 'too-large'],
    ['9'.repeat(30), 'too-large'],
    ['34 3/0', 'divided-by-zero'],
    ['34 in 2 cm', 'mixed-units'],
    ['cm 34', 'malformed'],
    ['3 4 5', 'malformed'],
    ['1/2/3', 'malformed'],
    ['34 3.5/8', 'malformed'],
    ["'; drop table reading; --", 'letters'],
    ['<b>34</b>', 'letters'],
  ])('refuses %j with a sentence', (text, code) => {
    const r = readLength(text, 'cm');
    expect(r.ok).toBe(false);
    if (!r.ok) {
      expect(r.code).toBe(code);
      expect(r.sentence.length).toBeGreaterThan(20);
      expect(r.sentence.length).toBeLessThan(160);
    }
  });

  it('refuses ten thousand digits with a short sentence', () => {
    const r = readLength('9'.repeat(10_000), 'cm');
    expect(r).toMatchObject({ ok: false, code: 'malformed' });
    if (!r.ok) expect(r.sentence.length).toBeLessThan(100);
  });

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => typeof readLength(text, 'in').ok === 'boolean'),
    );
  });

  it('agrees with fraction.js and mathjs over random fractions (independent libraries)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 0, max: 63 }),
        fc.constantFrom(2, 4, 8, 16, 32, 64),
        (whole, any, den) => {
          const num = any % den;
          const r = read(`${whole} ${num}/${den} in`);
          expect(r.written.value).toBe(new Fraction(whole).add(new Fraction(num, den)).toFraction());
          const judge = mathUnit(Number(fraction(whole).valueOf()) + num / den, 'inch').toNumber('cm');
          expect(r.cm).toBeCloseTo(judge, 8);
          expect(writtenToCm(r.written)).toBe(r.cm);
        },
      ),
    );
  });

  it('refuses a record that is not an exact length', () => {
    expect(() => writtenToCm({ value: '34.5', unit: 'in' })).toThrow(RangeError);
    expect(() => writtenToCm({ value: '1/0', unit: 'in' })).toThrow(RangeError);
  });
});

describe('a text that was read before', () => {
  it('is read the same, by its own unit, and by what a tape has unless it is a record', () => {
    for (let round = 0; round < 2; round++) {
      expect(readLength('40', 'cm')).toMatchObject({ cm: 40, written: { unit: 'cm' } });
      expect(readLength('40', 'in')).toMatchObject({ cm: 101.6, written: { unit: 'in' } });
      expect(readLength('3/7 in', 'cm').ok).toBe(false);
      expect(readLength('3/7 in', 'cm', true)).toMatchObject({ ok: true, written: { value: '3/7' } });
    }
  });
  it('however many others came between', () => {
    const first = readLength('34 3/8 in', 'cm');
    for (let i = 1; i < 10_000; i++) expect(readLength(`${i / 16} mm`, 'cm').ok).toBe(i / 160 <= 1000);
    expect(readLength('34 3/8 in', 'cm')).toEqual(first);
  });
});

describe('the inch', () => {
  // International yard and pound agreement 1959; ISO 80000 (from memory): 25.4 mm exactly.
  it('is 25.4 mm exactly', () => expect(inUnit(inches(1), 'mm')).toBe(25.4));
});

describe('printing', () => {
  it.each([
    [34.375 * 2.54, 'in', '34 3⁄8'],
    [10 * 2.54, 'in', '10'],
    [(5 / 16) * 2.54, 'in', '5⁄16'],
    [18.4, 'cm', '18.4'],
    [26.625, 'cm', '26.63'],
    [-1.27, 'in', '−1⁄2'],
    [0, 'in', '0'],
    [97, 'in', '≈ 38 3⁄16'],
    [-2.5, 'in', '≈ −1'],
    [0.02, 'in', '≈ 0'],
    [50.7, 'in', '≈ 19 15⁄16'],
    [50.79, 'in', '≈ 20'],
  ])('%d cm in %s is %s', (length, unit, text) =>
    expect(printLength(cm(length as number), unit as 'cm' | 'in')).toBe(text),
  );

  it('signs amounts', () => {
    expect(printSigned(cm(5), 'cm')).toBe('+5 cm');
    expect(printSigned(cm(-0.5), 'cm')).toBe('−0.5 cm');
    expect(printSigned(cm(0), 'cm')).toBe('0 cm');
    expect(printSigned(cm(2.5), 'in')).toBe('≈ +1 in');
    expect(printSigned(cm(-2.54), 'in')).toBe('−1 in');
    expect(printEquals(cm(5.08), 'in')).toBe('= 2 in');
    expect(printEquals(cm(5), 'in')).toBe('≈ 1 15⁄16 in');
    expect(printSigned(cm(-0.01), 'in')).toBe('≈ 0 in');
  });

  it('marks an inch figure as near exactly when no sixteenth is that length, and is never more than half a step off', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 30_000 }), (hundredths) => {
        const length = cm(hundredths / 100);
        const text = printWithUnit(length, 'in');
        const printed = text.startsWith('≈ 0 ') ? 0 : read(text.replace('≈ ', '')).cm!;
        expect(Math.abs(printed - length)).toBeLessThanOrEqual(2.54 / 32 + 1e-9);
        // A sixteenth of an inch is 0.15875 cm: only whole multiples of 2540 / 16 tenths of a micrometre are exact.
        expect(text.startsWith('≈')).toBe((hundredths * 16) % 254 !== 0);
      }),
    );
  });

  it('fills the lengths of a sentence in the unit it is read in', () => {
    expect(formatSentence(`${say(2.54)} apart, not ${say(-5.08)}`, 'in')).toBe('1 in apart, not −2 in');
    expect(formatSentence(`${say(2.54)} apart`, 'cm')).toBe('2.54 cm apart');
  });

  it('prints every sixteenth so that it reads back as itself', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 3000 }), (n) => {
        const length = inches(n / 16);
        expect(read(printWithUnit(length, 'in')).cm).toBeCloseTo(length, 9);
      }),
    );
  });
});

describe('lengths that a hand lays ready, in inches', () => {
  // One inch is 2.54 cm exactly (international yard and pound agreement, 1959; from memory).
  it.each([
    [150, '59 in'],
    [5, '2 in'],
    [15, '5 7⁄8 in'],
    [2.54 * 34.375, '34 3⁄8 in'],
    [2.54 / 16, '1⁄16 in'],
    [0.9, '3⁄8 in'],
    [0.05, 'less than 1⁄16 in'],
    [-2.5, '−1 in'],
  ])('%d cm is %s', (length, says) => expect(printByHand(cm(length), 'in')).toBe(says));
  it('and centimetres print as they are', () => expect(printByHand(cm(25.75), 'cm')).toBe('25.75 cm'));
});

describe('what is asked of a figure that cannot be', () => {
  const says = (text: string, unit: 'cm' | 'in' = 'in') => {
    const r = readLength(text, unit);
    return r.ok ? '' : r.sentence;
  };
  it('offers a whole and a fraction where the figures were run together, and only there', () => {
    expect(says('343/8')).toContain('Did you mean 34 3/8?');
    // One figure, a last figure that makes no part, a whole that stands already.
    for (const text of ['9/8', '340/8', '349/8', '348/8', '34 16/8']) {
      expect(says(text)).toContain('is no part of a whole.');
      expect(says(text)).not.toContain('Did you mean');
    }
  });
  it('asks about a comma before three figures, and takes it as a decimal elsewhere', () => {
    expect(says('1,234')).toContain('Type 1.234 or 1234.');
    expect(says('12,345 mm')).toContain('thousands');
    expect(read('1234,567 mm').cm).toBeCloseTo(123.4567, 9);
    expect(read('1,2345').cm).toBeCloseTo(1.2345 * 2.54, 9);
    expect(read('0,123').cm).toBeCloseTo(0.123 * 2.54, 9);
  });
  it('reads a raised figure over a plain one', () =>
    expect(read('34³/16').cm).toBeCloseTo(34.1875 * 2.54, 9));
  it('says no more of a long text than a sentence bears, without the blanks around it', () => {
    const forty = 'x'.repeat(40);
    expect(says(forty)).toContain(`“${forty}”`);
    expect(says(`   ${forty}  `)).toContain(`“${forty}”`);
    for (const long of [41, 60, 200, 201]) {
      expect(says('x'.repeat(long))).toContain(`“${forty}…”`);
      expect(says('x'.repeat(long))).not.toContain(`${forty}x`);
    }
    expect(says('1'.repeat(24))).toContain('over ten metres');
    expect(says('1'.repeat(25))).toContain('more digits than a tape');
    expect(says(`3${' '.repeat(198)}4`)).not.toContain('too long');
    expect(says(`3${' '.repeat(199)}4`)).toContain('too long');
  });
});
