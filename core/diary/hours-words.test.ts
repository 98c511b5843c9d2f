import { describe, expect, it } from 'vitest';
import { hoursWords, readHours } from './hours-words.ts';

describe('hours of a day as a hand writes them', () => {
  it.each([
    ['9-12:30, 13:30-18', ['09:00–12:30', '13:30–18:00']],
    ['09:00–17:00', ['09:00–17:00']],
    ['13.30 to 18 and 9 to 12', ['09:00–12:00', '13:30–18:00']],
    ['18-24', ['18:00–24:00']],
    ['', []],
  ])('%s', (typed, read) =>
    expect(readHours(typed as string)?.map((h) => `${h.from}–${h.to}`)).toEqual(read),
  );
  it.each(['9', '9-8', '9-25', '9-12:61', 'all day', '9-12, 11-13', '9-12-13', '18-24:30'])(
    '“%s” are none',
    (typed) => expect(readHours(typed)).toBeNull(),
  );
});

describe('hours of a week in words', () => {
  const day = (weekday: number) => [
    { weekday, from: '13:30', to: '18:00' },
    { weekday, from: '09:00', to: '12:30' },
  ];
  it('tells days alike together, breaks as gaps, and nothing for days off', () => {
    expect(hoursWords([...[1, 2, 3, 5].flatMap(day), { weekday: 6, from: '09:00', to: '13:00' }])).toBe(
      'Mon–Wed 09:00–12:30, 13:30–18:00; Fri 09:00–12:30, 13:30–18:00; Sat 09:00–13:00',
    );
    expect(hoursWords([])).toBe('');
  });
});
