import { PartWire } from '@rocchetto/contract';
import { describe, expect, it } from 'vitest';
import { isJoined, partWords } from './words.ts';

const wire = (part: string, fields: object = {}) => PartWire.parse({ part, ...fields });

describe('a part of the brief, in words', () => {
  const skirt = wire('gathered-skirt', { length: '60 cm', band: '1 1/4 in' });

  it('says what is asked of it, lengths as they were written, choices by their label', () => {
    const words = partWords(skirt, false, 'cm');
    expect(words).toContain('length wanted: 60 cm');
    expect(words).toContain('waistband, finished width: 1 1/4 in');
    expect(words).toContain('zip: left side');
    expect(words).toContain('cloth gathered to one length of waist: 2');
  });

  it('is silent about what a bodice above takes over', () => {
    const words = partWords(skirt, true, 'cm');
    expect(words).toContain('60 cm');
    for (const own of ['waistband', 'overlap', 'zip']) expect(words).not.toContain(own);
  });

  it('knows a skirt is joined when a bodice stands beside it, and not when it stands alone', () => {
    const dress = [wire('darted-bodice'), wire('circle-skirt')];
    expect(dress.map((_, i) => isJoined(dress, i))).toEqual([false, true]);
    expect(isJoined([wire('circle-skirt')], 0)).toBe(false);
  });
});
