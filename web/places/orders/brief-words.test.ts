import '@rocchetto/core/garment/every-part.ts';
import { BriefWire } from '@rocchetto/contract';
import { CLOTH_TRAITS } from '@rocchetto/core';
import { describe, expect, it } from 'vitest';
import { briefWords } from './brief-words.ts';

const parts = [{ part: 'darted-bodice' }, { part: 'straight-skirt', length: '62 cm' }];
const words = (more: object = {}) => briefWords(BriefWire.parse({ parts, ...more }), 'cm');
const differing = (more: object) => {
  const [before, after] = [Object.fromEntries(words()), Object.fromEntries(words(more))];
  return Object.keys({ ...before, ...after }).filter((k) => before[k] !== after[k]);
};

describe('a brief in words', () => {
  it('tells each field of it, so that two hands see where they differ, and only there', () => {
    expect(differing({})).toEqual([]);
    for (const [more, label] of [
      [{ fit: 'loose' }, 'Fit'],
      [{ school: 'envelope' }, 'Fit'],
      [{ letOut: true }, 'Fit'],
      [{ cloth: { name: 'linen' } }, 'Cloth'],
      [{ cloth: { width: '59 in' } }, 'Cloth'],
      [{ cloth: { weight: 180 } }, 'Cloth'],
      [{ cloth: { stretch: 12 } }, 'Cloth'],
      [{ cloth: { stretchAlong: 12 } }, 'Cloth'],
      ...CLOTH_TRAITS.map((t) => [{ cloth: { [t]: true } }, 'Cloth'] as const),
      [{ lining: 'cupro' }, 'Lining'],
      [{ beneath: 'half slip' }, 'Beneath'],
      [{ shoes: 'court shoe' }, 'Shoes'],
      [{ heel: '5 cm' }, 'Shoes'],
      [{ note: 'pockets' }, 'Note'],
      [{ cloths: [{ name: 'lace', of: ['bodice'] }] }, 'Second cloth'],
      [{ cloths: [{ name: 'lace', stretch: 12, frays: true, of: ['cuff'] }] }, 'Second cloth'],
      [{ own: { none: true } }, 'Of its own'],
      [{ own: { hemTwice: true } }, 'Of its own'],
      [{ own: { allowances: { hem: '2 cm' } } }, 'Of its own'],
      [{ own: { girths: '0 cm', why: 'it is worn as armour' } }, 'Of its own'],
      [{ own: { ease: { hip: '2 cm' }, why: 'as her last one' } }, 'Of its own'],
      [{ steps: [{ step: 'longer', part: 1, amount: '2 cm' }] }, 'Adapted'],
      [{ parts: [parts[0], { ...parts[1], length: '24 1/2 in' }] }, 'straight skirt'],
    ] as const)
      expect(differing(more), JSON.stringify(more)).toEqual([label]);
  });
  it('of another garment names it, and says a length as it was written', () => {
    const skirt = Object.fromEntries(words({ parts: [{ part: 'straight-skirt', length: '24 1/2 in' }] }));
    expect(skirt.Garment).toBe('straight skirt');
    expect(skirt['straight skirt']).toContain('24 1/2 in');
    expect(differing({ parts: [parts[1]] })).toContain('darted bodice');
  });
});
