import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { careOf } from './care.ts';
import { DEGREES, FIBRES, fibresIn, TREATMENTS } from './fibres.ts';

const outer = (cloth: string) => ({ layer: 'outer', cloth });
const says = (...layers: { layer: string; cloth: string }[]) => careOf(layers).map((l) => l.says);

describe('care of a garment', () => {
  it('stands in the order of ISO 3758: washing, bleaching, drying, ironing, professional care', () => {
    expect(careOf([]).map((l) => l.treatment)).toEqual([
      'washing',
      'bleaching',
      'drying',
      'ironing',
      'professional care',
    ]);
  });

  it('takes the gentlest of all layers, and says which asks for it', () => {
    expect(says(outer('linen twill'))[0]).toBe('Wash at most at 40 °C.');
    const lined = careOf([outer('linen twill'), { layer: 'lining', cloth: 'silk habotai' }]);
    expect(lined[0]).toEqual({
      treatment: 'washing',
      says: 'Wash by hand, at most 40 °C; do not wring.',
      because: 'Silk in the lining.',
    });
    expect(lined[3]!.because).toBe('Silk in the lining.');
    expect(lined[4]!.says).toBe('Professional dry cleaning, gently.');
  });

  it('what a name does not tell is not guessed, and one unknown layer leaves all of it open', () => {
    for (const line of careOf([outer('crêpe Adria'), { layer: 'lining', cloth: 'cotton' }])) {
      expect(line.says).toBe('');
      expect(line.because).toContain('“crêpe Adria”');
    }
    expect(fibresIn('flaxen crêpe')).toEqual([]);
    expect(fibresIn('Wool-silk').map((f) => f.id)).toEqual(['wool', 'silk']);
  });

  it('the house’s own words go before what the cloth says', () => {
    const care = careOf([outer('wool crêpe')], { ironing: 'Steam from the inside only.', washing: '  ' });
    expect(care[3]).toMatchObject({ says: 'Steam from the inside only.', because: 'Written by the studio.' });
    expect(care[0]!.says).toBe('Wash by hand, at most 40 °C; do not wring.');
  });

  it('another layer never makes the care less gentle', () => {
    const cloth = fc.constantFrom(...FIBRES.map((f) => f.known[0]!));
    const degree = (layers: { layer: string; cloth: string }[]) =>
      careOf(layers).map((l) => DEGREES[l.treatment].indexOf(l.says));
    fc.assert(
      fc.property(fc.array(cloth, { minLength: 1, maxLength: 4 }), cloth, (cloths, more) => {
        const [before, after] = [degree(cloths.map(outer)), degree([...cloths, more].map(outer))];
        for (const [i] of TREATMENTS.entries()) {
          expect(after[i]).toBeGreaterThanOrEqual(0);
          expect(after[i]).toBeLessThanOrEqual(before[i]!);
        }
      }),
    );
  });
});
