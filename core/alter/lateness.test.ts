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
    [{ nextOn: '2026-03-10' }, 'It is needed today and not done yet.'],
    [{ status: 'asked', nextOn: '2026-03-13' }, 'It is needed on 13 Mar and not agreed yet.'],
    [{ status: 'asked', nextOn: '2026-03-30' }, null],
    [{ status: 'done', nextOn: '2026-03-11' }, 'It is needed on 11 Mar and waits to be checked.'],
    [{ status: 'done', nextOn: '2026-03-14' }, null],
    [{ day: '2026-03-16', nextOn: '2026-03-15' }, 'It is given for 16 Mar and needed on 15 Mar.'],
    [{ staffId: null, nextOn: '2026-03-13' }, 'It is needed on 13 Mar and nobody has it yet.'],
    [{ staffId: null, nextOn: '2026-03-25' }, null],
    [{ day: '2026-03-09', nextOn: '2026-03-15' }, 'It was given for 9 Mar and is not done.'],
    [{ day: '2026-03-12', nextOn: '2026-03-15' }, null],
  ] as [Partial<Waiting>, string | null][])('%j: %s', (more, words) => {
    expect(latenessWords(work(more), TODAY)).toBe(words);
  });
});
