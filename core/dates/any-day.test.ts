import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { printDate, printDayAndDate, printShortDate } from './print.ts';
import { readDate } from './read-date.ts';
import { dayIn, daysBetween } from './studio-day.ts';

/** Any day of the years the studio keeps, by counting from one: the platform's calendar, not ours. */
const day = fc
  .integer({ min: 0, max: 109_500 })
  .map((n) => new Date(Date.UTC(1900, 0, 1 + n)).toISOString().slice(0, 10));
const order = fc.constantFrom('dmy' as const, 'mdy' as const);
const parts = (iso: string) => iso.split('-').map(Number) as [number, number, number];

describe('any day', () => {
  it('is read back from every way it is printed with its year', () => {
    fc.assert(
      fc.property(day, day, order, (iso, today, order) => {
        expect(readDate(iso, today, order)).toBe(iso);
        expect(readDate(printDate(iso, order), today, order)).toBe(iso);
        expect(readDate(printDayAndDate(iso, order), today, order)).toBe(iso);
        // Neither is misread by a hand that writes the other way round.
        expect(readDate(printDate(iso, order), today, order === 'dmy' ? 'mdy' : 'dmy')).toBe(iso);
      }),
      { numRuns: 300 },
    );
  });
  it('is read day before month, with dots, strokes or dashes, blanks or none', () => {
    fc.assert(
      fc.property(day, day, fc.constantFrom('.', '/', '-', ' . ', '. '), (iso, today, between) => {
        const [y, m, d] = parts(iso);
        expect(readDate(`${d}${between}${m}${between}${y}`, today)).toBe(iso);
      }),
      { numRuns: 300 },
    );
  });
  it('without its year is the next one to come, today included', () => {
    fc.assert(
      fc.property(day, day, (iso, today) => {
        const [, m, d] = parts(iso);
        const read = readDate(`${d}.${m}.`, today);
        if (read === null) {
          // Only a leap day can be missing from this year and the next.
          expect([d, m]).toEqual([29, 2]);
          return;
        }
        expect(read.slice(5)).toBe(iso.slice(5));
        if (iso.slice(5) !== '02-29') {
          expect(read >= today).toBe(true);
          expect(daysBetween(today, read)).toBeLessThanOrEqual(366);
        }
      }),
      { numRuns: 300 },
    );
  });
  it('prints short without the year only in the year it is', () => {
    fc.assert(
      fc.property(day, day, order, (iso, today, order) => {
        const short = printShortDate(iso, today, order);
        expect(short.endsWith(iso.slice(0, 4))).toBe(iso.slice(0, 4) !== today.slice(0, 4));
        expect(printDate(iso, order).startsWith(short)).toBe(true);
      }),
    );
  });
  it('has the weekday that the platform gives it', () => {
    fc.assert(
      fc.property(day, (iso) => {
        const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone: 'UTC' }).format(
          new Date(`${iso}T00:00:00Z`),
        );
        expect(printDayAndDate(iso, 'dmy').slice(0, 3)).toBe(weekday);
      }),
    );
  });
  it('is counted to another as the platform counts, whatever the clocks did between', () => {
    fc.assert(
      fc.property(day, fc.integer({ min: -2000, max: 2000 }), (iso, by) => {
        const [y, m, d] = parts(iso);
        const other = new Date(Date.UTC(y, m - 1, d + by)).toISOString().slice(0, 10);
        expect(daysBetween(iso, other)).toBe(by);
      }),
    );
  });
  it('of an instant is the one on the wall there', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: Date.UTC(2000, 0, 1), max: Date.UTC(2035, 0, 1) }),
        fc.constantFrom(
          'UTC',
          'Europe/Rome',
          'America/New_York',
          'Pacific/Auckland',
          'Asia/Kolkata',
          'Australia/Lord_Howe',
        ),
        (at, zone) => {
          const wall = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short' }).format(at);
          expect(dayIn(zone, new Date(at))).toBe(wall);
        },
      ),
    );
  });
});
