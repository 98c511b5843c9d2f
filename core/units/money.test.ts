import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readMoney } from './money.ts';
import { printMoney } from './print-money.ts';

describe('a price as it is typed', () => {
  it.each<[string, number | null]>([
    ['', null],
    ['  ', null],
    ['25', 25],
    ['25 €', 25],
    ['€25', 25],
    ['€ 25,50', 25.5],
    ['£1,250.00', 1250],
    ['1.250,5 EUR', 1250.5],
    ['1 250 kr', 1250],
    ['1’250.-', 1250],
    ['Fr. 30.–', 30],
    ['1,250', 1250],
    ['1.000.000', 1_000_000],
    ['0', 0],
  ])('“%s” is %s', (typed, amount) => expect(readMoney(typed)).toEqual({ ok: true, amount }));
  it.each([
    'about 25',
    '25?',
    '-5',
    '12.345.6',
    '1,2,3',
    '25.123',
    '1.250',
    '€',
    '2500000',
    '25 or 30',
    '--',
  ])('“%s” is refused with a sentence, never nothing', (typed) => {
    const read = readMoney(typed);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.sentence).toContain(typed);
  });
  it('what is written is a sum or a sentence, and every sum comes back as it was', () => {
    fc.assert(
      fc.property(fc.string(), (typed) => {
        const read = readMoney(typed);
        expect(read.ok && read.amount === null).toBe(typed.normalize('NFKC').trim() === '');
      }),
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 99_999_999 }),
        fc.constantFrom('', ' €', ' kr'),
        (cents, sign) => {
          expect(readMoney((cents / 100).toFixed(2) + sign)).toEqual({ ok: true, amount: cents / 100 });
        },
      ),
    );
  });
});

describe('a sum as it is written', () => {
  it('has the studio’s sign before it, on one line, or none', () => {
    expect(printMoney(93.1, '€')).toBe('€\u00a093.10');
    expect(printMoney(1250, '')).toBe('1250.00');
  });
  it('is read back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 99_999_999 }),
        fc.constantFrom('', '€', '£', '$', 'kr', 'CHF'),
        (cents, sign) => {
          expect(readMoney(printMoney(cents / 100, sign))).toEqual({ ok: true, amount: cents / 100 });
        },
      ),
    );
  });
});
