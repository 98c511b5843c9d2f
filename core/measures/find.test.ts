import { describe, expect, it } from 'vitest';
import { MEASURES } from './catalogue.ts';
import { searchMeasures } from './find.ts';

describe('finding a measure by what it is called', () => {
  it.each([
    ['scye depth', 'armhole-depth'],
    ['SEAT', 'hip'],
    ['bicep', 'upper-arm'],
    ['back length', 'nape-to-waist'],
    ['apex', 'neck-to-bust'],
    ['waist', 'waist'],
    ['wrist left', 'wrist-left'],
    ['inside leg', 'inseam'],
    ['stomach', 'tummy'],
  ])('“%s” finds %s', (typed, id) => expect(searchMeasures(typed, 30).map((m) => m.id)).toContain(id));
  it('its own name comes before those that only hold the word', () =>
    expect(searchMeasures('hip')[0]!.id).toBe('hip'));
  it('finds nothing for nothing, and nothing for what is none', () => {
    expect(searchMeasures('  ')).toEqual([]);
    expect(searchMeasures('xyzzy')).toEqual([]);
  });
  it('every measure is found by its own name', () => {
    for (const m of MEASURES)
      expect(
        searchMeasures(m.name, 200).map((x) => x.id),
        m.name,
      ).toContain(m.id);
  });
});
