import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inHand } from './in-hand.ts';
import { readLength, writtenToCm } from './reading.ts';

describe('a usual length in the hand’s unit', () => {
  // Worked by hand: 3 ÷ 2.54 = 1.181, nearest eighth 1 1/8; 18 ÷ 2.54 = 7.087, nearest quarter 7; 62 ÷ 2.54 = 24.41, nearest half 24 1/2.
  it.each([
    ['3 cm', '1 1/8 in'],
    ['1 cm', '3/8 in'],
    ['0 cm', '0 in'],
    ['18 cm', '7 in'],
    ['12 cm', '4 3/4 in'],
    ['62 cm', '24 1/2 in'],
    ['108 cm', '42 1/2 in'],
  ])('%s is %s', (cm, inches) => {
    expect(inHand(cm, 'in')).toBe(inches);
    expect(inHand(cm, 'cm')).toBe(cm);
  });
  it('leaves alone what a hand wrote otherwise', () => {
    for (const text of ['1 1/2 in', '620 mm', 'by-fit', '', '3cm']) expect(inHand(text, 'in')).toBe(text);
  });
  it('reads back within half a step of what it was', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2000 }), (mm) => {
        const text = inHand(`${mm / 10} cm`, 'in');
        if (text === '0 in') {
          expect(mm / 25.4).toBeLessThanOrEqual(1 / 16 + 1e-9);
          return;
        }
        const read = readLength(text, 'in');
        expect(read.ok).toBe(true);
        if (read.ok) {
          const inches = writtenToCm(read.written) / 2.54;
          const step = mm / 25.4 <= 2 ? 1 / 8 : mm / 25.4 <= 12 ? 1 / 4 : 1 / 2;
          expect(Math.abs(inches - mm / 25.4)).toBeLessThanOrEqual(step / 2 + 1e-9);
        }
      }),
    );
  });
});
