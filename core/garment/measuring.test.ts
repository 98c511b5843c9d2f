import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findMeasure, MEASURES, REGIONS } from '../measures/catalogue.ts';
import { courseOf } from '../measures/guide/draw-course.ts';
import { drawnWaist, LEVEL_RULES, schoolSays, USUAL_SCHOOLS } from '../measures/schools.ts';
import { inTapeOrder, TAPE_WALKS, type TapeOrder } from './measuring.ts';

const ids = (of: readonly string[], order?: TapeOrder) =>
  inTapeOrder(
    of.map((id) => ({ id })),
    order,
  ).map((m) => m.id);

describe('the order of the tape', () => {
  it('is the catalogue’s until the house says otherwise: each level with its drop', () => {
    expect(ids(['hem-front', 'waist-to-hip', 'hip', 'wrist', 'waist'])).toEqual([
      'waist',
      'hip',
      'waist-to-hip',
      'wrist',
      'hem-front',
    ]);
    expect(ids(MEASURES.map((m) => m.id).toReversed())).toEqual(MEASURES.map((m) => m.id));
  });
  it('walks all girths from top to bottom first, then lengths, then the arm, where the house does', () => {
    const walked = ids(
      ['arm-length', 'waist-to-hip', 'hip', 'wrist', 'nape-to-waist', 'bust', 'hem-back', 'waist'],
      {
        walk: TAPE_WALKS[1],
      },
    );
    expect(walked).toEqual([
      'bust',
      'waist',
      'hip',
      'waist-to-hip',
      'nape-to-waist',
      'wrist',
      'arm-length',
      'hem-back',
    ]);
  });
  it('takes a region where the house wants it', () => {
    expect(ids(['bust', 'waist', 'wrist'], { places: { 'arm and hand': '1' } })[0]).toBe('wrist');
    expect(ids(['bust', 'waist', 'wrist'], { places: { 'arm and hand': '1', 'bust and rib': '9' } })).toEqual(
      ['wrist', 'waist', 'bust'],
    );
  });
  it('loses and doubles nothing, whatever the house says; each region stays in one piece where levels keep their drops', () => {
    const order = fc.record({
      walk: fc.constantFrom(...TAPE_WALKS),
      places: fc.dictionary(fc.constantFrom(...REGIONS), fc.integer({ min: 1, max: 10 }).map(String)),
    });
    const some = fc.uniqueArray(fc.constantFrom(...MEASURES.map((m) => m.id)));
    fc.assert(
      fc.property(some, order, (list, how) => {
        const walked = ids(list, how);
        expect(walked.toSorted()).toEqual(list.toSorted());
        if (how.walk !== TAPE_WALKS[0] || new Set(Object.values(how.places)).size > 0) return;
        const regions = walked.map((id) => findMeasure(id)!.region);
        expect(new Set(regions).size).toBe(regions.filter((r, i) => r !== regions[i - 1]).length);
      }),
    );
  });
});

describe('where a session takes waist and hip', () => {
  const says = (id: string, waist = 0, hip = 0) =>
    schoolSays(id, USUAL_SCHOOLS, { waist: LEVEL_RULES.waist.of[waist]!, hip: LEVEL_RULES.hip.of[hip]! });
  it('stands in the instruction of all that hangs on it, and nowhere under the usual rules', () => {
    for (const m of MEASURES) expect(says(m.id), m.id).toBe('');
    expect(says('waist', 1)).toContain('narrowest');
    expect(says('waist-front', 3)).toContain('navel');
    expect(says('waist-to-knee', 2)).toContain('waist as it was taken');
    expect(says('hip', 0, 1)).toContain('fixed drop');
    expect(says('waist-to-hip', 0, 1)).toContain('the one that you set');
    expect(says('bust', 3, 2)).toBe('');
  });
  it('moves the drawn tape down where the waist is taken lower', () => {
    const waist = (rule: number) =>
      courseOf('waist', undefined, { waistAt: drawnWaist(LEVEL_RULES.waist.of[rule]!) }).seen[0]![1];
    expect(waist(1)).toBe(waist(0));
    expect(waist(2)).toBeGreaterThan(waist(0) + 5);
    expect(waist(3)).toBe(waist(2));
    const [straight, slanted, up] = ['straight', 'slanted', 'up from the waist'].map(
      (way) => courseOf('neck-depth-front', undefined, { neckDepth: way }).seen,
    );
    expect(straight![0]![0]).toBe(straight!.at(-1)![0]);
    expect(slanted![0]![0]).not.toBe(slanted!.at(-1)![0]);
    expect(up![0]![1]).toBeGreaterThan(up!.at(-1)![1]);
    // Every course is drawn under every rule.
    for (const m of MEASURES)
      expect(courseOf(m.id, undefined, { waistAt: 'garment-waist' }).seen.length).toBeGreaterThan(1);
  });
});
