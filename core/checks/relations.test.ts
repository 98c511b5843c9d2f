import { describe, expect, it } from 'vitest';
import { cm } from '../units/length.ts';
import { formatSentence } from '../units/print.ts';
import { RELATIONS, relationsOf } from './relations.ts';

/** Every rule between two or three figures: what it still lets pass, what it asks about, and of what the sentence speaks. */
const AT_THE_EDGE: readonly (readonly [
  code: string,
  passes: readonly number[],
  asked: readonly number[],
  says: string,
])[] = [
  ['waist-to-high-hip-before-waist-to-hip', [19.9, 20], [20, 20], 'must be less than'],
  ['waist-to-tummy-before-waist-to-hip', [9.9, 10], [10, 10], 'must be less than'],
  ['waist-to-hip-before-waist-to-knee', [57.9, 58], [58, 58], 'must be less than'],
  ['waist-to-knee-before-waist-to-floor', [103.9, 104], [104, 104], 'must be less than'],
  ['waist-to-hip-before-waist-to-floor', [103.9, 104], [104, 104], 'must be less than'],
  ...(['hip', 'waist', 'tummy'] as const).flatMap(
    (girth) =>
      [
        [`${girth}-front-part-of-whole`, [99.9, 100], [100, 100], `the whole ${girth}`],
        [`${girth}-front-share`, [44, 100], [43.9, 100], '44 %'],
        [`${girth}-front-share`, [62, 100], [62.1, 100], '62 % of'],
        // An arc as long as the whole is the other rule's to say.
        [`${girth}-front-share`, [100, 100], [99, 100], '99 %'],
      ] as const,
  ),
  ['waist-over-hip', [98, 98], [98.1, 98], '98.1 cm'],
  ['waist-over-tummy', [90, 90], [90.1, 90], '90.1 cm'],
  ['hip-under-high-hip', [96, 98], [95.9, 98], 'more than 2 cm under'],
  ['waist-over-high-hip', [90, 90], [90.1, 90], 'the high hip (90 cm)'],
  ['knee-share', [65, 100], [66, 100], 'is 66 % of'],
  // A knee that lies on the floor is another rule's to say.
  ['knee-share', [100, 100], [99, 100], 'is 99 % of'],
  ['knee-share', [33, 104], [90, 104], 'is 87 % of'],
  ...['front', 'left', 'right', 'back'].map(
    (s) => [`hem-${s}-past-floor`, [104, 104], [104.1, 104], 'A train?'] as const,
  ),
  ['hem-sides-differ', [62, 60], [62.1, 60], 'differ by 2.1 cm'],
  ['hem-sides-differ', [60, 62], [60, 62.1], 'differ by 2.1 cm'],
  ['rise-and-inseam', [104, 76, 24], [104.1, 76, 24], '4.1 cm apart'],
  ['rise-and-inseam', [96, 76, 24], [95.9, 76, 24], '4.1 cm apart'],
  ['underbust-over-bust', [87.9, 88], [88, 88], 'no less than bust'],
  ['high-bust-over-bust', [88, 88], [88.1, 88], 'larger than bust'],
  ['front-under-back-length', [41.5, 42.5], [41.4, 42.5], '41.4 cm in front'],
  ['front-over-back-length', [51, 42], [51.1, 42], '9.1 cm more in front'],
  ['side-height-over-back', [28.5, 42.5], [28.6, 42.5], 'leaves 13.9 cm'],
  ['across-back-over-bust', [47, 100], [47.1, 100], 'Across back'],
  ['across-front-over-bust', [47, 100], [47.1, 100], 'Across front'],
  // 35 in of bust with an arc of 21 in leaves 14 in, narrower than any back of 16 1/2 in.
  ['back-beside-front-arc', [88.9, 53.3, 35.5], [88.9, 53.3, 41.9], 'leaves 35.6 cm behind'],
  ['back-beside-front-arc', [88, 46, 41.9], [88, 46, 42], 'nothing is left for the armhole'],
  // 18 1/2 in across beside shoulders of 5 3/16 in would leave 22.2 cm.
  ['neck-between-shoulders', [39, 12.5], [46.99, 13.17625], 'leaves 22.23 cm for the neck'],
  ['neck-between-shoulders', [39, 12.5], [32, 12.5], '9 cm to 20 cm is usual'],
  ['across-shoulder-parts', [43, 12.5, 15], [43.1, 12.5, 15], '3.1 cm apart'],
  ['across-shoulder-parts', [37, 12.5, 15], [36.9, 12.5, 15], '3.1 cm apart'],
  ['shoulder-slope', [1.3, 12], [1.2, 12], 'slopes 6 degrees'],
  ['shoulder-slope', [7.3, 12], [7.5, 12], 'slopes 39 degrees'],
  ['shoulder-slope', [4, 12], [12, 12], 'slopes 90 degrees'],
];

describe('a rule between figures asks just beyond what it lets pass', () => {
  it.each(AT_THE_EDGE.map((row) => [...row] as [string, number[], number[], string]))(
    '%s: %o passes, %o does not',
    (code, passes, asked, says) => {
      const r = RELATIONS.find((x) => x.code === code)!;
      expect(passes).toHaveLength(r.touches.length);
      expect(r.says(passes.map(cm))).toBeNull();
      expect(formatSentence(r.says(asked.map(cm))!, 'cm')).toContain(says);
    },
  );
  it('is in this list, whichever it is', () => {
    expect([...new Set(AT_THE_EDGE.map(([code]) => code))].sort()).toEqual(
      RELATIONS.map((r) => r.code).sort(),
    );
  });
  it('is found from each of its figures, and from no other', () => {
    for (const r of RELATIONS) for (const id of r.touches) expect(relationsOf(id)).toContain(r);
    expect(relationsOf('sleeve-length')).toEqual([]);
    expect(RELATIONS.flatMap((r) => r.touches).length).toBe(
      [...new Set(RELATIONS.flatMap((r) => r.touches))].reduce((n, id) => n + relationsOf(id).length, 0),
    );
  });
  it('says the dart that a front so long would need: four degrees a centimetre', () => {
    const r = RELATIONS.find((x) => x.code === 'front-over-back-length')!;
    expect(r.says([cm(53), cm(42)])).toContain('55 degrees');
  });
});
