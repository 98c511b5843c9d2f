import { describe, expect, it } from 'vitest';
import { printDate, printDayAndDate, printShortDate } from './print.ts';
import { readDate } from './read-date.ts';
import { dayIn, daysBetween, isTimeZone, timeIn } from './studio-day.ts';

// Calendar facts below can be looked up in any calendar: 24 November 2026 is a Tuesday.
const TODAY = '2026-11-24';

describe('a date as a hand writes it', () => {
  it.each([
    ['28.12.', '2026-12-28'],
    ['28.12', '2026-12-28'],
    ['3.1.', '2027-01-03'],
    ['28/12/27', '2027-12-28'],
    ['28-12-2027', '2027-12-28'],
    ['2026-12-28', '2026-12-28'],
    ['28 dec', '2026-12-28'],
    ['28 December 2027', '2027-12-28'],
    ['Dec 28', '2026-12-28'],
    ['3 jan', '2027-01-03'],
    ['today', '2026-11-24'],
    ['tomorrow', '2026-11-25'],
    ['friday', '2026-11-27'],
    ['next friday', '2026-12-04'],
    ['in two weeks', '2026-12-08'],
    ['2026-3-5', '2026-03-05'],
    [' 28 . 12 . 2027 ', '2027-12-28'],
    ['3.1.26', '2026-01-03'],
    ['1.1.1900', '1900-01-01'],
    ['31.12.2200', '2200-12-31'],
    // Today is still to come; yesterday's day and month are next year's.
    ['24.11.', '2026-11-24'],
    ['23.11.', '2027-11-23'],
    ['Dec. 28', '2026-12-28'],
    // 29 February is not in 2027: it is no date, never the day after.
    ['29.2.', null],
    ['29.2.2028', '2028-02-29'],
  ])('%s', (typed, iso) => {
    expect(readDate(typed, TODAY)).toBe(iso);
  });
  it.each([
    '',
    'soon',
    '31.2.2027',
    '45.12.',
    'fitting on friday',
    '12',
    '1.2.3.4',
    '0000-01-01',
    '99999999999',
    '31.12.1899',
    '1.1.2201',
    '2026-13-01',
    '2026-11-31',
    '0.5.',
    '5.0.',
  ])('“%s” is none', (typed) => expect(readDate(typed, TODAY)).toBeNull());
  it('reads back what is printed', () => {
    for (const iso of ['2026-12-28', '2027-02-01', '2024-02-29'])
      expect(readDate(printDate(iso, 'dmy'), TODAY)).toBe(iso);
  });
});

describe('a date as it is printed', () => {
  it('has one way, on paper with the year', () => {
    expect(printDate('2026-12-04', 'dmy')).toBe('4 Dec 2026');
    expect(printShortDate('2026-12-04', TODAY, 'dmy')).toBe('4 Dec');
    expect(printShortDate('2027-01-06', TODAY, 'dmy')).toBe('6 Jan 2027');
    expect(printDayAndDate('2026-12-04', 'dmy')).toBe('Fri 4 Dec 2026');
    expect(printDayAndDate('2026-12-04', 'dmy', false)).toBe('Fri 4 Dec');
    expect(printDate('', 'dmy')).toBe('');
  });
  it('has the month first where the studio writes it so', () => {
    expect(printDate('2026-12-04', 'mdy')).toBe('Dec 4, 2026');
    expect(printShortDate('2026-12-04', TODAY, 'mdy')).toBe('Dec 4');
    expect(printShortDate('2027-01-06', TODAY, 'mdy')).toBe('Jan 6, 2027');
    expect(printDayAndDate('2026-12-04', 'mdy')).toBe('Fri, Dec 4, 2026');
    expect(printDayAndDate('2026-12-04', 'mdy', false)).toBe('Fri, Dec 4');
  });
});

describe('the studio’s day', () => {
  it('is the calendar day of its own time zone', () => {
    const instant = '2026-11-24T11:30:00Z';
    expect(dayIn('UTC', instant)).toBe('2026-11-24');
    expect(dayIn('Pacific/Auckland', instant)).toBe('2026-11-25');
    expect(dayIn('Pacific/Honolulu', '2026-11-24T05:00:00Z')).toBe('2026-11-23');
  });
  it('tells the wall time of an instant in the studio’s zone', () => {
    expect(timeIn('Europe/London', '2026-07-01T09:05:00Z')).toBe('10:05');
    expect(timeIn('Europe/London', '2026-12-01T00:00:00Z')).toBe('00:00');
  });
  it('counts whole days across a change of clocks', () => {
    expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2);
    expect(daysBetween('2026-11-24', '2026-11-20')).toBe(-4);
  });
  it('knows the zones of the platform', () => {
    expect(['Europe/Rome', 'UTC', 'Asia/Kolkata'].map(isTimeZone)).toEqual([true, true, true]);
    expect(['', 'Moon/Base', 'Rome'].map(isTimeZone)).toEqual([false, false, false]);
  });
});
