import type { AppointmentView, BenchWork, DiaryHouse } from '@rocchetto/contract';
import { KINDS, type Need } from '@rocchetto/core';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { describe, expect, it } from 'vitest';
import { turnAt } from '../../shared/clock.ts';
import { lacks, promisedWords } from './lacks.ts';

const house = { kinds: KINDS } as unknown as DiaryHouse;
const appointment = (more: object = {}) =>
  ({
    kind: 'toile-fitting',
    status: 'confirmed',
    orderId: 5,
    readyAt: null,
    slots: [
      { state: 'left', day: '2026-11-30' },
      { state: 'taken', day: '2026-12-04' },
    ],
    ...more,
  }) as unknown as AppointmentView;
const work = (day: string, makes: Need | null, more: Partial<BenchWork> = {}) =>
  ({ orderId: 5, day, makes, doneAt: null, ...more }) as BenchWork;

describe('what an appointment still lacks', () => {
  it('is what its kind needs, until somebody says that it is there', () => {
    expect(lacks(house, appointment())).toBe('the toile ready');
    expect(lacks(house, appointment({ readyAt: '2026-12-01T10:00:00Z' }))).toBe('');
    expect(lacks(house, appointment({ kind: 'consultation' }))).toBe('');
    expect(lacks(house, appointment({ kind: 'of last year' }))).toBe('');
  });
  it.each(['arrived', 'done', 'cancelled', 'did-not-come'])('is nothing any more once it is %s', (status) =>
    expect(lacks(house, appointment({ status }))).toBe(''),
  );
  it('will be there or not, by the work promised to its order', () => {
    const says = (bench: readonly BenchWork[], more: object = {}) =>
      promisedWords(house, appointment(more), bench, (d) => d);
    expect(says([])).toBe(' (work unscheduled)');
    expect(says([work('2026-12-03', 'toile')])).toBe(' (work scheduled for 2026-12-03)');
    // On the day itself it may be too late already: it is there the day before, or it is not.
    expect(says([work('2026-12-04', 'toile')])).toBe(' (work scheduled for 2026-12-04, too late)');
    expect(says([work('2026-12-03', 'toile', { orderId: 6 })])).toBe(' (work unscheduled)');
    expect(says([work('2026-12-03', 'basted')])).toBe(' (work unscheduled)');
    expect(says([work('2026-12-03', 'toile', { doneAt: '2026-12-03T16:00:00Z' })])).toBe(
      ' (work done: check and mark it ready)',
    );
    // A brief is written, not sewn.
    expect(says([], { kind: 'measuring' })).toBe('');
  });
});

/** Wall times as the page's clock gives them. */
const clock = (timeZone: string) => {
  const format = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  });
  return (at: number) => format.format(at * 60_000);
};
const minute = (iso: string) => Date.parse(iso) / 60_000;

describe('a time that the clocks show twice', () => {
  // Changes of clocks as the platform's own table has them (IANA).
  it.each([
    ['Europe/Rome', '2026-10-25T00:30Z', 'first'],
    ['Europe/Rome', '2026-10-25T01:30Z', 'second'],
    ['Europe/Rome', '2026-10-25T02:30Z', undefined],
    ['Europe/Rome', '2026-10-24T23:30Z', undefined],
    ['Europe/Rome', '2026-03-29T01:30Z', undefined],
    ['America/New_York', '2026-11-01T05:15Z', 'first'],
    ['America/New_York', '2026-11-01T06:15Z', 'second'],
    // Half an hour only.
    ['Australia/Lord_Howe', '2026-04-04T14:45Z', 'first'],
    ['Australia/Lord_Howe', '2026-04-04T15:15Z', 'second'],
    ['Australia/Lord_Howe', '2026-04-04T16:15Z', undefined],
    ['UTC', '2026-10-25T01:30Z', undefined],
  ])('%s at %s: %s', (zone, at, turn) => expect(turnAt(clock(zone), minute(at))).toBe(turn));
});

describe('the day so many after another', () => {
  it.each([
    ['2026-12-31', 1, '2027-01-01'],
    ['2028-02-28', 1, '2028-02-29'],
    ['2026-03-01', -1, '2026-02-28'],
    ['2026-10-25', 1, '2026-10-26'],
    ['2026-06-15', 0, '2026-06-15'],
  ])('%s and %i is %s', (day, by, other) => expect(dayAfter(day, by)).toBe(other));
});
