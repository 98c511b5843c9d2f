import { Temporal } from 'temporal-polyfill';

/** A moment at which the clocks of a zone change. Offsets in seconds east of UTC. */
export interface Transition {
  /** the wall time at which it happens, as the clocks showed it before: yyyy-mm-ddThh:mm:ss */
  readonly wall: string;
  readonly before: number;
  readonly after: number;
}

const secondsOf = (z: Temporal.ZonedDateTime) => z.offsetNanoseconds / 1e9;

/** The offset of a zone at the start of a day, and every change of its clocks from then until another. */
export function transitions(
  zone: string,
  from: string,
  until: string,
): { readonly start: string; readonly offset: number; readonly changes: readonly Transition[] } {
  const begin = Temporal.PlainDate.from(from).toZonedDateTime(zone);
  const end = Temporal.PlainDate.from(until).toZonedDateTime(zone);
  const changes: Transition[] = [];
  for (let at = begin.getTimeZoneTransition('next'); at && Temporal.ZonedDateTime.compare(at, end) < 0; ) {
    const before = secondsOf(at.subtract({ nanoseconds: 1 }));
    const after = secondsOf(at);
    const wall = new Date(at.epochMilliseconds + before * 1000).toISOString().slice(0, 19);
    if (before !== after) changes.push({ wall, before, after });
    at = at.getTimeZoneTransition('next');
  }
  return { start: `${begin.toPlainDate()}T00:00:00`, offset: secondsOf(begin), changes };
}
