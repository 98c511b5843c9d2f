import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CM_PER, type Cm, cm, inches, type SheetUnit } from './length.ts';
import {
  formatSentence,
  oneShape,
  prettyFraction,
  printByHand,
  printEquals,
  printLength,
  printSigned,
  printWithUnit,
  say,
} from './print.ts';
import { printWritten, readLength, writtenToCm } from './reading.ts';
import { ROUNDING_STEPS, roundLength } from './rounding.ts';
import { ROUNDING_CHOICES, roundingOf, roundingWord } from './rounding-choices.ts';

const unit = fc.constantFrom<SheetUnit>('cm', 'in');
const length = fc.double({ min: 0.1, max: 400, noNaN: true }).map(cm);
/** What a reader takes a printed length for, cm. */
const readBack = (text: string): Cm => {
  const read = readLength(text.replace(/^≈ /, '').replace(/−/g, '-').replace(/^[+-]/, ''), 'cm');
  if (!read.ok) throw new Error(`${text}: ${read.sentence}`);
  return read.cm;
};

describe('a printed length, read again', () => {
  it('is the length: within half a hundredth of a centimetre, or half a sixteenth of an inch where it says about', () => {
    fc.assert(
      fc.property(length, unit, (l, u) => {
        const text = printWithUnit(l, u);
        const off = Math.abs(readBack(text) - l);
        if (u === 'cm') expect(off).toBeLessThanOrEqual(0.005 + 1e-6);
        else if (text.startsWith('≈')) expect(off).toBeLessThanOrEqual(2.54 / 32 + 1e-6);
        else expect(off).toBeLessThanOrEqual(1e-5);
      }),
    );
  });
  it('on a step of the hand is exact, and says so by not saying about', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 780 }), unit, fc.nat(2), (n, u, i) => {
        const step = ROUNDING_STEPS[u].slice(1)[i % (ROUNDING_STEPS[u].length - 1)]!;
        const l = cm(n * step * CM_PER[u]);
        const text = printWithUnit(l, u);
        expect(text).not.toContain('≈');
        expect(Math.abs(readBack(text) - l)).toBeLessThan(1e-5);
      }),
    );
  });
  it('by hand keeps a sixteenth that a hand wrote, above an inch too', () => {
    expect(printByHand(inches(2.0625), 'in')).toBe('2 1⁄16 in');
    expect(printByHand(inches(2.03), 'in')).toBe('2 in');
  });
  it('by hand lies on an eighth of an inch, a sixteenth below an inch, or is as it is', () => {
    fc.assert(
      fc.property(length, (l) => {
        const text = printByHand(l, 'in');
        if (text.startsWith('less than')) {
          expect(l).toBeLessThan(2.54 / 32 + 1e-9);
          return;
        }
        const size = readBack(text) / 2.54;
        expect(Math.abs(size * 16 - Math.round(size * 16))).toBeLessThan(1e-6);
        expect(Math.abs(size - l / 2.54)).toBeLessThanOrEqual((l / 2.54 < 1 ? 1 / 32 : 1 / 16) + 1e-6);
      }),
    );
  });
  it('signed is the same with its sign, and nothing has none', () => {
    fc.assert(
      fc.property(length, unit, (l, u) => {
        const [plus, minus] = [printSigned(l, u), printSigned(cm(-l), u)];
        if (/^(≈ )?0 /.test(plus)) {
          expect(minus).toBe(plus);
          return;
        }
        expect(plus.replace('+', '')).toBe(printWithUnit(l, u));
        expect(minus.replace('−', '+')).toBe(plus);
      }),
    );
  });
  it('in another unit says equal or about, never both', () => {
    fc.assert(
      fc.property(length, unit, (l, u) => {
        expect(printEquals(l, u)).toMatch(/^(= |≈ )(?![=≈])/);
      }),
    );
  });
  it('in a sentence is told in the unit it is read in', () => {
    fc.assert(
      fc.property(length, length, unit, (a, b, u) => {
        const told = formatSentence(`from ${say(a)} to ${say(b)}, no more`, u);
        expect(told).toBe(
          `from ${printByHand(cm(Math.round(a * 1e9) / 1e9), u)} to ${printByHand(cm(Math.round(b * 1e9) / 1e9), u)}, no more`,
        );
      }),
    );
  });
  it.each([
    [0, 'cm', '0'],
    [0, 'in', '0'],
    [0.005, 'cm', '0.01'],
    [87.305, 'cm', '87.31'],
    [-0.5, 'cm', '−0.5'],
    [2.54, 'in', '1'],
    [-6.35, 'in', '−2 1⁄2'],
    [0.15875, 'in', '1⁄16'],
    [86.36, 'in', '34'],
  ] as const)('%d cm in %s is “%s”', (l, u, text) => expect(printLength(cm(l), u)).toBe(text));
});

describe('fractions in one shape', () => {
  it('however they were written, and no other sign is touched', () => {
    expect(oneShape('34 ⅜ and ³⁄₈ and ₁₆')).toBe('34 3⁄8 and 3⁄8 and 16');
    fc.assert(
      fc.property(fc.string(), (text) => {
        const plain = text.replace(/[½⅓⅔¼¾⅛⅜⅝⅞⁰¹²³⁴⁵⁶⁷⁸⁹₀-₉]/g, '');
        expect(oneShape(plain)).toBe(plain);
      }),
    );
  });
  it('read as their value, the whole beside them or none', () => {
    for (let den = 2; den <= 16; den *= 2)
      for (let num = 1; num < den; num += 2)
        for (const whole of [0, 1, 34]) {
          const read = readLength(`${prettyFraction(whole, num, den)} in`, 'in');
          expect(read.ok && read.cm / 2.54).toBeCloseTo(whole + num / den, 9);
        }
  });
});

describe('what was written', () => {
  it('prints as written, and is worth the same when it is read again', () => {
    const text = fc.oneof(
      fc.tuple(fc.nat(150), fc.constantFrom('1/2', '3/8', '15/16', '5/8')).map(([n, f]) => `${n} ${f} in`),
      fc.tuple(fc.integer({ min: 1, max: 250 }), fc.nat(99)).map(([n, d]) => `${n}.${d} cm`),
      fc.integer({ min: 1, max: 2000 }).map((n) => `${n} mm`),
    );
    fc.assert(
      fc.property(text, (typed) => {
        const read = readLength(typed, 'cm');
        if (!read.ok) return;
        const again = readLength(printWritten(read.written), 'cm');
        expect(again.ok && again.written.value).toBe(read.written.value);
        expect(writtenToCm(read.written)).toBeCloseTo(read.cm, 9);
      }),
    );
  });
});

describe('the ways a house rounds', () => {
  it('each have a word that means them again, and words of their own', () => {
    for (const { value } of ROUNDING_CHOICES) expect(roundingWord(roundingOf(value))).toBe(value);
    expect(new Set(ROUNDING_CHOICES.map((c) => c.label)).size).toBe(ROUNDING_CHOICES.length);
    expect(ROUNDING_CHOICES.map((c) => c.label)).toContain('nearest 1⁄8 in');
    expect(ROUNDING_CHOICES.map((c) => c.label)).toContain('up to the next 1 mm');
  });
  it('round to a step, once: rounded again it stays, and up is never below', () => {
    fc.assert(
      fc.property(length, fc.constantFrom(...ROUNDING_CHOICES.map((c) => c.value)), (l, word) => {
        const r = roundingOf(word);
        const once = roundLength(l, r);
        expect(roundLength(once, r)).toBeCloseTo(once, 9);
        if (r.step === 0) expect(once).toBe(l);
        else if (r.mode === 'up') expect(once).toBeGreaterThanOrEqual(l - 1e-8);
        else expect(Math.abs(once - l)).toBeLessThanOrEqual((r.step * CM_PER[r.unit]) / 2 + 1e-8);
      }),
    );
  });
});
