import ICAL from 'ical.js';
import { dayAfter } from '../dates/day-after.ts';
import { joined } from './spans.ts';
import { type Minute, planOn, type Span, wallAt, wholeDay } from './zoned.ts';

/** Busy times read from a calendar file. */
export type BusyRead =
  | {
      readonly ok: true;
      /** in order, none touching, within what was asked */
      readonly spans: readonly Span[];
      /** how many entries of the file count as busy */
      readonly entries: number;
      /** sentences about what was left out */
      readonly notes: readonly string[];
    }
  | { readonly ok: false; readonly sentence: string };

/** How many times of all entries together are walked through: far more than anybody's calendar has in a year. */
const MOST_TIMES = 100_000;

class TooMany extends Error {}

/** A wall time and its zone, or an instant, as minutes. */
type ToMinute = (t: ICAL.Time, tzid: string | null) => Minute;

const isZone = (name: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
};

/**
 * What a file in the format of RFC 5545 says somebody is busy at: entries with their repeats and exceptions, whole
 * days, other zones, and busy periods. What is marked free or cancelled does not count. Times without a zone, and in
 * one that nobody knows, are the studio's.
 * @param zone the studio's  @param within what is looked at
 */
export function busyTimes(text: string, zone: string, within: Span): BusyRead {
  let calendars: ICAL.Component[];
  try {
    const parsed = ICAL.parse(text) as unknown[];
    const all = (Array.isArray(parsed[0]) ? parsed : [parsed]) as ConstructorParameters<
      typeof ICAL.Component
    >[0][];
    calendars = all.map((one) => new ICAL.Component(one)).filter((c) => c.name === 'vcalendar');
  } catch {
    return {
      ok: false,
      sentence: 'This is not a calendar file (RFC 5545). Nothing was imported.',
    };
  }
  if (calendars.length === 0)
    return { ok: false, sentence: 'There is no calendar in this file. Nothing was imported.' };
  const spans: Span[] = [];
  const notes = new Set<string>();
  let entries = 0;
  let left = MOST_TIMES;
  const count = () => {
    if (--left < 0) throw new TooMany();
  };
  try {
    for (const calendar of calendars) {
      const minute = minutesIn(calendar, zone, notes);
      const found = entriesOf(calendar);
      for (const event of found.events) {
        entries++;
        for (const s of timesOf(event, minute, zone, within, count)) spans.push(s);
      }
      for (const s of periodsOf(found.periods, minute, count)) {
        entries++;
        spans.push(s);
      }
      if (found.broken > 0)
        notes.add(
          `${found.broken} ${found.broken === 1 ? 'entry has' : 'entries have'} no readable time and ${found.broken === 1 ? 'was' : 'were'} left out.`,
        );
    }
  } catch (error) {
    if (error instanceof TooMany)
      return {
        ok: false,
        sentence: `This file repeats more than ${MOST_TIMES.toLocaleString('en')} times in these weeks. Nothing was imported.`,
      };
    return { ok: false, sentence: 'A repeat in this file can’t be read. Nothing was imported.' };
  }
  const cut = spans
    .map((s) => ({ from: Math.max(s.from, within.from), to: Math.min(s.to, within.to) }))
    .filter((s) => s.from < s.to);
  return { ok: true, spans: joined(cut), entries, notes: [...notes] };
}

/** Entries that make busy, their exceptions laid into those they belong to, and busy periods. */
function entriesOf(calendar: ICAL.Component): {
  events: ICAL.Event[];
  periods: ICAL.Period[];
  broken: number;
} {
  const all = calendar.getAllSubcomponents('vevent');
  const counts = (c: ICAL.Component) =>
    c.getFirstPropertyValue('transp') !== 'TRANSPARENT' && c.getFirstPropertyValue('status') !== 'CANCELLED';
  const timed = all.filter(hasStart);
  const [single, exceptions] = [
    timed.filter((c) => !c.hasProperty('recurrence-id')),
    timed.filter((c) => c.hasProperty('recurrence-id')),
  ];
  const uid = (c: ICAL.Component) => String(c.getFirstPropertyValue('uid') ?? '');
  const known = new Set(single.map(uid));
  const events = [
    ...single.filter(counts).map((c) => {
      const own = exceptions.filter((e) => uid(e) !== '' && uid(e) === uid(c));
      // An exception that is free or cancelled takes its time away from the row, and gives none instead.
      for (const e of own.filter((x) => !counts(x))) exclude(c, e);
      return new ICAL.Event(c, { exceptions: own.filter(counts), strictExceptions: false });
    }),
    // An exception whose row is not in the file stands by itself.
    ...exceptions.filter((e) => !known.has(uid(e)) && counts(e)).map((e) => new ICAL.Event(e)),
  ];
  const periods = calendar.getAllSubcomponents('vfreebusy').flatMap((c) =>
    c
      .getAllProperties('freebusy')
      .filter((p) => p.getParameter('fbtype') !== 'FREE')
      .flatMap((p) => p.getValues().filter((v): v is ICAL.Period => v instanceof ICAL.Period)),
  );
  return { events, periods, broken: all.length - timed.length };
}

/** Whether it begins on a day that the calendar has: 30 February would count as a day in March. */
function hasStart(c: ICAL.Component): boolean {
  const start = c.getFirstProperty('dtstart');
  const at = start?.getFirstValue();
  return at instanceof ICAL.Time && String(start!.toJSON()[3]).startsWith(dayOf(at));
}
const dayOf = (t: ICAL.Time) => `${pad(t.year, 4)}-${pad(t.month)}-${pad(t.day)}`;

function exclude(row: ICAL.Component, exception: ICAL.Component): void {
  const was = exception.getFirstProperty('recurrence-id')!;
  const property = new ICAL.Property('exdate');
  const tzid = was.getParameter('tzid');
  if (typeof tzid === 'string') property.setParameter('tzid', tzid);
  property.setValue(was.getFirstValue() as ICAL.Time);
  row.addProperty(property);
}

/** Times of this file as minutes: by a zone of the platform, else by the file's own rules, else the studio's. */
function minutesIn(calendar: ICAL.Component, zone: string, notes: Set<string>): ToMinute {
  const own = new Map(
    calendar
      .getAllSubcomponents('vtimezone')
      .map((c) => [String(c.getFirstPropertyValue('tzid') ?? ''), new ICAL.Timezone(c)] as const),
  );
  const platform = new Map<string, boolean>();
  const known = (name: string) => {
    if (!platform.has(name)) platform.set(name, isZone(name));
    return platform.get(name)!;
  };
  return (t, tzid) => {
    if (t.zone === ICAL.Timezone.utcTimezone) return Math.floor(t.toUnixTime() / 60);
    const day = dayOf(t);
    const time = `${pad(t.hour)}:${pad(t.minute)}`;
    if (!tzid || known(tzid)) return planOn(tzid ?? zone, day, time);
    const rules = own.get(tzid);
    if (!rules) {
      notes.add(`The time zone “${tzid.slice(0, 60)}” is unknown: its times were read as the studio’s.`);
      return planOn(zone, day, time);
    }
    const there = t.clone();
    there.zone = rules;
    return Math.floor(there.toUnixTime() / 60);
  };
}

const pad = (n: number, to = 2) => String(n).padStart(to, '0');
const tzidOf = (c: ICAL.Component, name = 'dtstart'): string | null => {
  const tzid = c.getFirstProperty(name)?.getParameter('tzid');
  return typeof tzid === 'string' ? tzid : null;
};

/** The times of one entry within the span, repeats and exceptions followed. */
function* timesOf(
  event: ICAL.Event,
  minute: ToMinute,
  zone: string,
  within: Span,
  count: () => void,
): Generator<Span> {
  const span = (of: ICAL.Event, start: ICAL.Time, end: ICAL.Time): Span => {
    if (start.isDate) {
      const first = dayOf(start);
      const after = dayOf(end);
      return {
        from: wholeDay(zone, first).from,
        to: wholeDay(zone, after > first ? dayAfter(after, -1) : first).to,
      };
    }
    const [from, to] = [tzidOf(of.component), tzidOf(of.component, 'dtend')];
    return { from: minute(start, from), to: minute(end, to ?? from) };
  };
  const start = event.startDate;
  const whole = span(event, start, event.endDate);
  const length = Math.max(0, whole.to - whole.from);
  if (!event.isRecurring()) {
    count();
    if (length > 0) yield whole;
    return;
  }
  // Moved ones may lie anywhere: they are told beside the row, which then skips the times they were moved from.
  const moved = Object.values(event.exceptions);
  for (const e of moved) {
    count();
    const s = span(e, e.startDate, e.endDate);
    if (s.to > s.from) yield s;
  }
  const from = new Set(moved.map((e) => e.recurrenceId.toString()));
  const iterator = event.iterator();
  for (let next = iterator.next(); next; next = iterator.next()) {
    count();
    const at = start.isDate ? span(event, next, next.clone()).from : minute(next, tzidOf(event.component));
    if (at >= within.to) return;
    if (from.has(next.toString()) || length === 0) continue;
    if (!start.isDate) yield { from: at, to: at + length };
    else {
      const days = Math.max(1, Math.round(event.duration.toSeconds() / 86_400));
      const { day } = wallAt(zone, at);
      yield { from: at, to: wholeDay(zone, dayAfter(day, days - 1)).to };
    }
  }
}

function* periodsOf(periods: readonly ICAL.Period[], minute: ToMinute, count: () => void): Generator<Span> {
  for (const p of periods) {
    count();
    yield { from: minute(p.start, null), to: minute(p.getEnd(), null) };
  }
}
