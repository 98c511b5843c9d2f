import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cm } from '../units/length.ts';
import { formatSentence } from '../units/print.ts';
import { balanceOf } from './balance.ts';
import { type Kept, learnt, lessonSentence } from './fit-history.ts';
import { signOf, signsWith } from './house-signs.ts';
import { SIGNS } from './signs.ts';

const moved = (id: string, by: number): Kept['moved'][number] => ({
  id,
  name: id,
  kind: 'girth',
  before: cm(100),
  after: cm(100 + by),
});

describe('what earlier fittings have taught', () => {
  it('all alterations of one order count together, orders on their mean, the most often shown first', () => {
    const lessons = learnt([
      { order: '26-001', moved: [moved('bodice.back/centre', -1), moved('hip', 2)] },
      { order: '26-001', moved: [moved('bodice.back/centre', -0.4)] },
      { order: '26-007', moved: [moved('bodice.back/centre', -1)] },
    ]);
    expect(lessons.map((l) => [l.id, Math.round(l.by * 10) / 10, l.orders.length])).toEqual([
      ['bodice.back/centre', -1.2, 2],
      ['hip', 2, 1],
    ]);
    expect(formatSentence(lessonSentence(lessons[0]!), 'cm')).toBe(
      'bodice.back/centre − 1.2 cm, twice confirmed (26-001, 26-007)',
    );
    expect(lessons[0]!.sets).toEqual({ figure: 'bodice.waist-back', target: 'finished' });
    expect(lessons[1]!.sets).toEqual({ figure: 'hip', target: 'style' });
  });

  it('what was undone again is no lesson; what went both ways is told and does not agree', () => {
    expect(
      learnt([
        { order: 'a', moved: [moved('hip', 1)] },
        { order: 'a', moved: [moved('hip', -0.9)] },
      ]),
    ).toEqual([]);
    const [both] = learnt([
      { order: 'a', moved: [moved('hip', 1)] },
      { order: 'b', moved: [moved('hip', -1)] },
    ]);
    expect(both!.agrees).toBe(false);
    expect(lessonSentence(both!)).toBe('hip: more once and less another time (a, b)');
  });
});

describe('the balance of an order', () => {
  it('is prices less what came in, in whole cents', () => {
    expect(
      balanceOf(
        [85, 19.9],
        [
          { is: 'price', amount: 0.1 },
          { is: 'received', amount: 50 },
          { is: 'given-back', amount: 5 },
        ],
      ),
    ).toEqual({ agreed: 105, received: 45, open: 60 });
  });
  it('never loses a cent to binary fractions', () => {
    const amount = fc.integer({ min: 1, max: 9_999_999 }).map((c) => c / 100);
    fc.assert(
      fc.property(fc.array(amount, { maxLength: 30 }), (amounts) => {
        const paid = amounts.map((a) => ({ is: 'received' as const, amount: a }));
        expect(balanceOf(amounts, paid).open).toBe(0);
      }),
    );
  });
});

describe('signs as the house words them', () => {
  const first = SIGNS[0]!;
  const own = { name: 'ripples at the yoke', like: first.id, hidden: false, causes: [first.causes[0]!] };
  it('replace those of the table in place, hide some, and stand after them', () => {
    const house = {
      [first.id]: { ...own, name: 'folds, as we say' },
      [SIGNS[1]!.id]: { ...own, hidden: true },
      'own-yoke': own,
    };
    const signs = signsWith(house);
    expect(signs[0]!.name).toBe('folds, as we say');
    expect(signs[0]!.strokes).toBe(first.strokes);
    expect(signs.map((s) => s.id)).not.toContain(SIGNS[1]!.id);
    expect(signs).toHaveLength(SIGNS.length);
    expect(signs.at(-1)).toMatchObject({ id: 'own-yoke', name: 'ripples at the yoke', view: first.view });
    expect(signsWith(house, true)).toHaveLength(SIGNS.length + 1);
    // What was chosen before it was hidden still has its name.
    expect(signOf(house, SIGNS[1]!.id)?.name).toBe('ripples at the yoke');
    expect(signOf({}, 'own-yoke')).toBeUndefined();
  });
});
