import { describe, expect, it } from 'vitest';
import { unknownFields } from '../../diary/words.ts';
import { GARMENTS } from '../../garment/garments.ts';
import { measuringList } from '../../garment/measuring.ts';
import { homeList } from '../at-home.ts';
import { measure } from '../catalogue.ts';
import { fillHome, HOME_FIELDS, HOME_MEASURES, HOME_WORD_IDS, homeWord } from './home-words.ts';

describe('the words of measuring at home', () => {
  it.each(GARMENTS.map((g) => [g.id, g] as const))('ask all that a %s needs', (_, g) => {
    const needed = measuringList(g.parts as never)
      .filter((m) => m.needed)
      .map((m) => m.id);
    const asked = homeList(needed.map((id) => ({ id })));
    expect(asked).toEqual(needed);
  });
  it('are said to the one who is measured: no client, no bra, no sex, nothing for the trade only', () => {
    for (const id of HOME_WORD_IDS) {
      const said = homeWord(id);
      expect(said, id).not.toMatch(/\bclient\b(?!})|\bbra\b|\bshe\b|\bher\b|\bhis\b|nape|apex|crotch/i);
      expect(unknownFields(said, HOME_FIELDS), id).toEqual([]);
    }
    for (const [id, [, how]] of Object.entries(HOME_MEASURES)) {
      expect(measure(id).id).toBe(id);
      expect(how.length, id).toBeGreaterThan(20);
    }
    expect(() => homeWord('how nothing')).toThrow('no text');
  });
  it('are filled in once: what a value holds is not read again', () => {
    expect(fillHome('{client}: {count}, {strange}', { client: '{count}', count: '3' })).toBe(
      '{count}: 3, {strange}',
    );
  });
});
