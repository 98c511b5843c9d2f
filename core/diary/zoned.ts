import { Temporal } from 'temporal-polyfill';
import { dayAfter } from '../dates/day-after.ts';

/** An instant in whole minutes since 1970-01-01T00:00Z: what the diary counts in. */
export type Minute = number;

/** A stretch of time, its end not part of it. */
export interface Span {
  readonly from: Minute;
  readonly to: Minute;
}

export type Placed =
  | { readonly ok: true; readonly at: Minute }
  | { readonly ok: false; readonly code: 'no-time' | 'skipped' | 'twice'; readonly sentence: string };

const minuteOf = (z: Temporal.ZonedDateTime): Minute => Math.floor(z.epochMilliseconds / 60_000);

/**
 * The instant of a wall time in a zone. A time that the clocks skip is refused; one that they show twice asks which.
 * @param day yyyy-mm-dd  @param time hh:mm  @param turn which of the two, where the hour is repeated
 */
export function placeAt(zone: string, day: string, time: string, turn?: 'first' | 'second'): Placed {
  let wall: Temporal.PlainDateTime;
  try {
    if (!/^\d\d:\d\d$/.test(time)) throw new RangeError();
    wall = Temporal.PlainDateTime.from(`${day}T${time}`, { overflow: 'reject' });
  } catch {
    return { ok: false, code: 'no-time', sentence: `${day} ${time} is not a date and time.` };
  }
  const [early, late] = (['earlier', 'later'] as const).map((disambiguation) =>
    wall.toZonedDateTime(zone, { disambiguation }),
  ) as [Temporal.ZonedDateTime, Temporal.ZonedDateTime];
  if (early.epochMilliseconds === late.epochMilliseconds) return { ok: true, at: minuteOf(early) };
  if (!early.toPlainDateTime().equals(wall))
    return {
      ok: false,
      code: 'skipped',
      sentence: `There is no ${time} on that day: the clocks go forward over it.`,
    };
  if (turn) return { ok: true, at: minuteOf(turn === 'first' ? early : late) };
  return {
    ok: false,
    code: 'twice',
    sentence: `${time} comes twice on that day, since the clocks go back. Choose the first or the second.`,
  };
}

/** A wall time for a plan: one that is skipped falls after the gap, one that comes twice is the first. */
export const planAt = (zone: string, day: string, time: string): Minute =>
  minuteOf(Temporal.PlainDateTime.from(`${day}T${time}`).toZonedDateTime(zone));

/** The wall day and time of an instant in a zone. */
export function wallAt(zone: string, at: Minute): { readonly day: string; readonly time: string } {
  const wall = Temporal.Instant.fromEpochMilliseconds(at * 60_000)
    .toZonedDateTimeISO(zone)
    .toPlainDateTime()
    .toString();
  return { day: wall.slice(0, 10), time: wall.slice(11, 16) };
}

/** 1 for Monday to 7 for Sunday (ISO 8601). */
export const weekdayOf = (day: string): number => new Date(`${day}T00:00:00Z`).getUTCDay() || 7;

/** The days from one to another, both of them. */
export function daysFrom(first: string, last: string): string[] {
  const days: string[] = [];
  for (let day = first; day <= last; day = dayAfter(day, 1)) days.push(day);
  return days;
}

const known = new Map<string, Span>();
/** A whole day in a zone, from its midnight to the next: 23 to 25 hours where the clocks change. Each is worked out once. */
export function wholeDay(zone: string, day: string): Span {
  const key = `${zone} ${day}`;
  let span = known.get(key);
  if (!span) {
    span = { from: planAt(zone, day, '00:00'), to: planAt(zone, dayAfter(day, 1), '00:00') };
    if (known.size > 4000) known.clear();
    known.set(key, span);
  }
  return span;
}

/** A wall time of a day for a plan; 24:00 is the day's end. Without a change of clocks it is as far into the day as it says. */
export function planOn(zone: string, day: string, time: string): Minute {
  const { from, to } = wholeDay(zone, day);
  if (time === '24:00') return to;
  if (to - from === 1440) return from + Number(time.slice(0, 2)) * 60 + Number(time.slice(3));
  return planAt(zone, day, time);
}
