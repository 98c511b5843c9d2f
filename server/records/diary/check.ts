import type { SlotWire, TimeView } from '@rocchetto/contract';
import type { AppointmentKind, RoomUse } from '@rocchetto/core';
import { printDayAndDate } from '@rocchetto/core';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import type { DateOrder } from '@rocchetto/core/dates/read-date.ts';
import { type FreeTime, nearestTo } from '@rocchetto/core/diary/find.ts';
import { hoursOn, windowsOf } from '@rocchetto/core/diary/hours.ts';
import { clear, holds } from '@rocchetto/core/diary/spans.ts';
import { type Minute, placeAt, wallAt } from '@rocchetto/core/diary/zoned.ts';
import { HttpError } from '../../http/problem.ts';
import type { SlotMade } from './appointments.ts';
import type { Book } from './book.ts';
import { TEXTS } from './texts.ts';

/** How the studio counts its days, and how it writes them. */
export interface StudioDays {
  readonly zone: string;
  readonly dateOrder: DateOrder;
}

const no = (code: string, sentence: string) => new HttpError(422, code, sentence);
const list = (names: readonly string[]) => names.join(' and ');

/** When it begins. @throws HttpError 422 for a time that is none, that the clocks skip or show twice, or that is past */
export function startOf(
  zone: string,
  s: Pick<SlotWire, 'day' | 'time' | 'turn'>,
  now: Minute,
  order: DateOrder,
): Minute {
  const placed = placeAt(zone, s.day, s.time, s.turn);
  if (!placed.ok) throw no(placed.code, placed.sentence);
  if (placed.at < now) throw no('past', TEXTS.past(printDayAndDate(s.day, order), s.time));
  return placed.at;
}

/** Whether each hand can be taken by another one of these people. */
function covers(hands: AppointmentKind['hands'], people: Book['staff']): boolean {
  const [first, ...rest] = hands;
  return (
    !first ||
    people.some(
      (p, i) =>
        first.some((s) => p.skills.includes(s)) &&
        covers(
          rest,
          people.filter((_, k) => k !== i),
        ),
    )
  );
}

/**
 * Whether a time may be taken at all: within hours, by people who can, in a room that will do. That it is free is
 * the database's to say. @throws HttpError 422 with one sentence
 */
export function checkSlot(
  { zone, dateOrder }: StudioDays,
  book: Book,
  kind: Pick<AppointmentKind, 'name' | 'hands' | 'room'>,
  minutes: number,
  s: SlotWire,
  now: Minute,
): SlotMade {
  const start = startOf(zone, s, now, dateOrder);
  const end = start + minutes;
  if (new Set(s.staff).size !== s.staff.length) throw no('staff-twice', TEXTS.staffTwice);
  const people = s.staff.map((id) => {
    const found = book.staff.find((h) => h.id === id);
    if (!found) throw no('no-such-staff', TEXTS.noSuchStaff);
    return found;
  });
  if (!holds(hoursOn(zone, [s.day], book.opening), start, end))
    throw no('outside-hours', TEXTS.outsideHours(s.time, wallAt(zone, end).time));
  if (!clear(book.closed, start, end)) throw no('closed', TEXTS.closed);
  const absent = people.filter((p) => !holds(p.works, start, end));
  if (absent.length > 0)
    throw no(
      'not-at-work',
      TEXTS.notAtWork(list(absent.map((p) => p.name)), absent.length > 1 ? 'are' : 'is'),
    );
  if (people.length < kind.hands.length)
    throw no('more-hands', TEXTS.moreHands(kind.name, kind.hands.length));
  if (!covers(kind.hands, people))
    throw no(
      'skill',
      TEXTS.skill(
        kind.name,
        kind.hands.map((any) => any.join(' or ')).join(', and '),
        list(people.map((p) => p.name)),
      ),
    );
  const room = s.roomId === null ? null : book.rooms.find((r) => r.id === s.roomId);
  if (room === undefined) throw no('no-such-room', TEXTS.noSuchRoom);
  if (kind.room !== null && room === null) throw no('room-needed', TEXTS.roomNeeded(kind.name));
  const lacks = kind.room?.filter((u) => !room!.goodFor.includes(u)) ?? [];
  if (lacks.length > 0) throw no('room', TEXTS.room(room!.name, list(lacks), kind.name));
  return { start, end, staff: s.staff, roomId: room?.id ?? null };
}

/** A free time as the screens show it and send it back. */
export function timeView(zone: string, t: FreeTime): TimeView {
  const { day, time } = wallAt(zone, t.start);
  const twice = placeAt(zone, day, time);
  const second = !twice.ok && (placeAt(zone, day, time, 'second') as { at: Minute }).at === t.start;
  return {
    day,
    time,
    ...(twice.ok ? {} : { turn: second ? 'second' : 'first' }),
    to: wallAt(zone, t.end).time,
    staff: [...t.staff],
    roomId: t.room,
    start: t.start,
    reasons: t.reasons,
  };
}

/** The three free times nearest to one that could not be had, within a fortnight. */
export function nearest(
  zone: string,
  book: Book,
  kind: Pick<AppointmentKind, 'hands' | 'room' | 'buffer'>,
  minutes: number,
  wanted: SlotWire,
  now: Minute,
  also: readonly RoomUse[] = [],
): TimeView[] {
  const at = placeAt(zone, wanted.day, wanted.time, 'first');
  if (!at.ok) return [];
  const wish = {
    from: dayAfter(wanted.day, -7),
    until: dayAfter(wanted.day, 7),
    earliest: '',
    latest: '',
    notOn: [],
    away: [],
  };
  const within = windowsOf(zone, wish, book.opening, [...book.closed, ...book.elsewhere], now);
  return nearestTo(
    book,
    {
      minutes,
      buffer: kind.buffer,
      hands: kind.hands,
      room: kind.room && [...kind.room, ...also],
      within,
      step: 5,
      prefer: wanted.staff,
    },
    at.at,
  ).map((t) => timeView(zone, { ...t, reasons: [] }));
}
