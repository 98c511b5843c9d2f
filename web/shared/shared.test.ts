import { describe, expect, it } from 'vitest';
import { problemOf } from '../api/problem.ts';
import { danger } from '../thread/danger.ts';
import { daysUntil, shortDate } from './dates.ts';
import { keepTogether } from './keepTogether.ts';

const inDays = (n: number) => new Date(Date.now() + n * 86_400_000).toLocaleDateString('sv-SE');

describe('dates', () => {
  it('are short, with the year only when it is another', () => {
    const year = new Date().getFullYear();
    expect(shortDate(`${year}-12-24`)).toBe('24 Dec');
    expect(shortDate(`${year + 1}-01-06`)).toBe(`6 Jan ${year + 1}`);
    expect(shortDate(null)).toBe('—');
    expect([daysUntil(inDays(3)), daysUntil(inDays(0)), daysUntil(inDays(-2))]).toEqual([3, 0, -2]);
  });
});

describe('an order in danger', () => {
  it.each([
    ['asked', 30, null],
    ['asked', 20, 'no brief'],
    ['brief', 18, 'not measured'],
    ['measured', 15, null],
    ['measured', 14, 'sheet is not begun'],
    ['sheet', 5, 'not agreed'],
    ['agreed', 10, 'nothing is cut'],
    ['agreed', 11, null],
    ['cut', 1, null],
    ['agreed', -2, 'Overdue by 2 days'],
  ] as const)('%s and due in %d days: %s', (stage, days, says) => {
    const sentence = danger({ stage, dueOn: inDays(days) });
    if (says === null) expect(sentence).toBeNull();
    else expect(sentence).toContain(says);
  });
  it('without a due date has none to miss', () => expect(danger({ stage: 'asked', dueOn: null })).toBeNull());
});

describe('text', () => {
  it('keeps a whole, its fraction and its unit on one line', () => {
    expect(keepTogether('marked 7 ⅛ in.')).toBe('marked 7\u00a0⅛\u00a0in.');
    expect(keepTogether('34 ⁹⁄₁₆ in apart')).toBe('34\u00a0⁹⁄₁₆\u00a0in apart');
    expect(keepTogether('2.5 cm at the waist in wool')).toBe('2.5\u00a0cm at the waist in wool');
    expect(keepTogether('12 inches')).toBe('12 inches');
  });
});

describe('a failed call', () => {
  it('is told in the server’s own sentence, or as a server that is away', () => {
    const problem = { type: '/problems/x', title: 'x', status: 422, code: 'x', detail: 'Say why.' };
    expect(problemOf({ status: 422, data: problem })).toEqual(problem);
    for (const silence of [{ status: 'FETCH_ERROR', error: 'x' }, { status: 502, data: '<html>' }, undefined])
      expect(problemOf(silence)).toMatchObject({
        code: 'away',
        detail: expect.stringContaining('still here'),
      });
  });
});
