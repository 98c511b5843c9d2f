import { describe, expect, it } from 'vitest';
import { knotsOf, rowsOf, sag } from './drawn.ts';

const place = (day: string) => ({
  day,
  time: '09:00',
  untilDay: day,
  untilTime: '10:00',
  staff: [],
  room: null,
});
const step = (name: string, early: string, late: string | null, more: object = {}) => ({
  id: name,
  name,
  does: 'work' as const,
  kind: null,
  minutes: 60,
  skills: '',
  why: [],
  waits: [],
  earliest: place(early),
  latest: late === null ? null : { day: late, time: '09:00' },
  slackDays: null,
  tight: false,
  booked: false,
  given: false,
  readyOn: null,
  makes: null,
  work: [],
  ...more,
});

describe('a plan as a thread', () => {
  it('ties steps of the same days into one knot, those that are booked each by themselves', () => {
    const knots = knotsOf({
      today: '2026-03-10',
      steps: [
        step('draft', '2026-03-10', '2026-03-15'),
        step('agree', '2026-03-10', '2026-03-15', { tight: true }),
        step('fitting', '2026-03-12', '2026-03-16', { booked: true }),
        step('sew', '2026-03-12', '2026-03-16'),
        step('hem', '2026-03-13', null),
      ],
    });
    expect(knots.map((k) => [k.first, k.last, k.early, k.late, k.tight, k.says])).toEqual([
      [1, 2, 0, 5, true, 'draft, agree'],
      [3, 3, 2, 6, false, 'fitting'],
      [4, 4, 2, 6, false, 'sew'],
      [5, 5, 3, 3, false, 'hem'],
    ]);
  });
  it('leaves out what has no place, and keeps the numbers of the list', () =>
    expect(
      knotsOf({
        today: '2026-03-10',
        steps: [step('a', '2026-03-10', null, { earliest: null }), step('b', '2026-03-11', null)],
      }).map((k) => k.first),
    ).toEqual([2]));
  it('puts knots that would cover each other below one another', () =>
    expect(rowsOf([10, 20, 70, 75], 52)).toEqual([0, 1, 0, 1]));
  it('hangs deeper the more there is to spare, and never out of the drawing', () => {
    expect([sag(0, 44), sag(-3, 44)]).toEqual([0, 0]);
    expect(sag(3, 44)).toBeLessThan(sag(12, 44));
    expect(sag(1000, 44)).toBeLessThanOrEqual(44);
  });
});
