import { describe, expect, it } from 'vitest';
import { latenessWords, neededBy, type Waiting } from './lateness.ts';

const TODAY = '2026-03-10';
const work = (more: Partial<Waiting>): Waiting => ({
  status: 'agreed',
  staffId: 1,
  day: null,
  neededOn: null,
  nextOn: null,
  ...more,
});

describe('whether an alteration will be there in time', () => {
  it('is needed by what comes first: the promised day or the next appointment', () => {
    expect(neededBy({ neededOn: '2026-03-20', nextOn: '2026-03-15' })).toBe('2026-03-15');
    expect(neededBy({ neededOn: '2026-03-12', nextOn: '2026-03-15' })).toBe('2026-03-12');
    expect(neededBy({ neededOn: null, nextOn: null })).toBeNull();
  });

  it.each([
    [{}, null],
    [{ neededOn: '2026-03-09' }, 'It was needed on 9 Mar.'],
    [{ nextOn: '2026-03-10' }, 'Needed today, not done yet.'],
    [{ status: 'asked', nextOn: '2026-03-13' }, 'Needed on 13 Mar, not agreed yet.'],
    [{ status: 'asked', nextOn: '2026-03-30' }, null],
    [{ status: 'done', nextOn: '2026-03-11' }, 'Needed on 11 Mar, waiting to be checked.'],
    [{ status: 'done', nextOn: '2026-03-14' }, null],
    [{ day: '2026-03-16', nextOn: '2026-03-15' }, 'Assigned for 16 Mar, but needed on 15 Mar.'],
    [{ staffId: null, nextOn: '2026-03-13' }, 'Needed on 13 Mar, unassigned.'],
    [{ staffId: null, nextOn: '2026-03-25' }, null],
    [{ day: '2026-03-09', nextOn: '2026-03-15' }, 'Assigned for 9 Mar, not done.'],
    [{ day: '2026-03-12', nextOn: '2026-03-15' }, null],
  ] as [Partial<Waiting>, string | null][])('%j: %s', (more, words) => {
    expect(latenessWords(work(more), TODAY, 'dmy')).toBe(words);
  });
});
