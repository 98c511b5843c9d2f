import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hoursWord, loadOf, overloadWords } from './load.ts';
import { readiness } from './readiness.ts';
import { joined } from './spans.ts';

const TODAY = '2026-11-26';

describe('what a day asks of somebody', () => {
  it.each([
    [0, '0 min'],
    [45, '45 min'],
    [60, '1 h'],
    [150, '2 h 30'],
    [605, '10 h 5'],
  ])('%i minutes are %s', (minutes, words) => expect(hoursWord(minutes)).toBe(words));

  it('is told only when it is more than the day holds, with the figures', () => {
    const works = [
      { from: 540, to: 780 },
      { from: 840, to: 1080 },
    ];
    const booked = [{ from: 600, to: 750 }];
    expect(loadOf(works, booked, 330)).toEqual({ works: 480, booked: 150, bench: 330, over: 0 });
    expect(overloadWords('Wren', '2026-12-03', TODAY, loadOf(works, booked, 330), 'dmy')).toBeNull();
    expect(overloadWords('Wren', '2026-12-03', TODAY, loadOf(works, booked, 420), 'dmy')).toBe(
      'Wren has 8 h on 3 Dec; 2 h 30 of appointments and 7 h at the bench are 1 h 30 too much.',
    );
    expect(overloadWords('Wren', '2027-01-04', TODAY, loadOf([], [], 120), 'dmy')).toBe(
      'Wren is not at work on 4 Jan 2027, but 2 h at the bench are scheduled.',
    );
  });

  it('is more by what is promised more, and never less than nothing', () => {
    const span = fc
      .tuple(fc.integer({ min: 0, max: 1380 }), fc.integer({ min: 5, max: 60 }))
      .map(([from, long]) => ({ from, to: from + long }));
    fc.assert(
      fc.property(
        fc.array(span, { maxLength: 8 }).map(joined),
        fc.array(span, { maxLength: 8 }).map(joined),
        fc.nat(600),
        fc.nat(600),
        (works, booked, bench, more) => {
          const [a, b] = [loadOf(works, booked, bench), loadOf(works, booked, bench + more)];
          expect(b.over).toBeGreaterThanOrEqual(a.over);
          expect(b.over - a.over).toBeLessThanOrEqual(more);
          expect(a.over).toBe(Math.max(0, a.booked + a.bench - a.works));
        },
      ),
    );
  });
});

describe('whether what it needs will be there', () => {
  const work = (day: string, doneAt: string | null = null, makes: 'toile' | 'basted' | null = 'toile') => ({
    makes,
    day,
    doneAt,
  });
  it('is not known while nobody promised it', () =>
    expect(readiness('toile', [work('2026-12-01', null, 'basted'), work('2026-12-02', null, null)])).toEqual({
      state: 'not-promised',
    }));
  it('is the day of the last piece that is still to do', () =>
    expect(
      readiness('toile', [
        work('2026-12-04'),
        work('2026-12-01'),
        work('2026-12-09', '2026-11-20T10:00:00Z'),
      ]),
    ).toEqual({ state: 'promised', day: '2026-12-04' }));
  it('is done when every piece is', () =>
    expect(readiness('toile', [work('2026-12-04', '2026-11-20T10:00:00Z')])).toEqual({ state: 'done' }));
});
