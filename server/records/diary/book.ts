import type { ClosureView, DiaryDay, DiaryRules, LeaveView, StaffAtWork } from '@rocchetto/contract';
import type { AppointmentKind } from '@rocchetto/core';
import type { DiaryBook } from '@rocchetto/core/diary/find.ts';
import { type Hours, hoursOn } from '@rocchetto/core/diary/hours.ts';
import { DEFAULT_OPENING, kindsOf } from '@rocchetto/core/diary/house.ts';
import { common, joined, lengthOf, without } from '@rocchetto/core/diary/spans.ts';
import { daysFrom, type Span, wholeDay } from '@rocchetto/core/diary/zoned.ts';
import type { Db } from '../../db/pool.ts';
import { HttpError } from '../../http/problem.ts';
import { type BookRows, type ForWhom, readBookRows } from './book-rows.ts';
import { TEXTS } from './texts.ts';

export const openingOf = (rules: DiaryRules): readonly Hours[] =>
  rules.opening.length > 0 ? rules.opening : DEFAULT_OPENING;

/** Somebody without hours of their own works while the house is open. */
const hoursOf = (s: StaffAtWork, opening: readonly Hours[]) => (s.hours.length > 0 ? s.hours : opening);

const spanOf = (zone: string, d: { firstDay: string; lastDay: string }): Span => ({
  from: wholeDay(zone, d.firstDay).from,
  to: wholeDay(zone, d.lastDay).to,
});

interface Frame {
  readonly zone: string;
  readonly opening: readonly Hours[];
  readonly staff: readonly StaffAtWork[];
  readonly leave: readonly LeaveView[];
  readonly closures: readonly ClosureView[];
  /** what their own calendars keep, in order */
  readonly kept: readonly (Span & { readonly staffId: number })[];
}

const worksOf = (
  f: Pick<Frame, 'zone' | 'opening' | 'leave'>,
  s: StaffAtWork,
  days: readonly string[],
): Span[] =>
  without(
    hoursOn(f.zone, days, hoursOf(s, f.opening)),
    joined(f.leave.filter((l) => l.staffId === s.id).map((l) => spanOf(f.zone, l))),
  );

/** What is looked in: spans in order, the house's hours, and what is known of whom it is for. */
export interface Book extends DiaryBook, Pick<BookRows, 'hands' | 'away' | 'works'> {
  readonly closed: readonly Span[];
  /** the client's own other appointments, in order */
  readonly elsewhere: readonly Span[];
  readonly opening: readonly Hours[];
}

/** What free times are looked for in: staff with hours less leave, rooms, and what is kept. Whole days. */
export async function readBook(
  db: Db,
  zone: string,
  rules: DiaryRules,
  [first, last]: readonly [string, string],
  who: ForWhom = {},
): Promise<Book> {
  const within = spanOf(zone, { firstDay: first, lastDay: last });
  const { staff, rooms, leave, busy, bench, elsewhere, hands, away, works } = await readBookRows(
    db,
    within,
    first,
    last,
    who,
  );
  const opening = openingOf(rules);
  const days = daysFrom(first, last);
  const by = [new Map<number, Span[]>(), new Map<number, Span[]>()] as const;
  const closed: Span[] = [];
  for (const [staffId, roomId, , from, to] of busy) {
    const at = { from, to };
    const [map, id] = staffId !== null ? [by[0], staffId] : [by[1], roomId];
    if (id === null) closed.push(at);
    else if (map.has(id)) map.get(id)!.push(at);
    else map.set(id, [at]);
  }
  return {
    opening,
    staff: staff.map((s) => {
      const works = worksOf({ zone, opening, leave }, s, days);
      const taken = joined(by[0].get(s.id) ?? []);
      const left = (day: Span, minutes: number) =>
        lengthOf(common(works, [day])) - lengthOf(common(taken, [day])) - minutes;
      return {
        id: s.id,
        name: s.name,
        skills: s.skills,
        works,
        busy: taken,
        bench: bench
          .filter(([id]) => id === s.id)
          .map(([, day, minutes]) => {
            const whole = wholeDay(zone, day);
            return { ...whole, left: left(whole, minutes) };
          }),
      };
    }),
    rooms: rooms.map((r) => ({
      id: r.id,
      name: r.name,
      goodFor: r.goodFor,
      busy: joined(by[1].get(r.id) ?? []),
    })),
    closed: joined(closed),
    elsewhere: joined(elsewhere.map(([from, to]) => ({ from, to }))),
    hands,
    away,
    works,
  };
}

/** The frame of each day: when the house is open, who works, who is away and why. */
export function daysOf(f: Frame, days: readonly string[]): DiaryDay[] {
  return days.map((day) => {
    const whole = wholeDay(f.zone, day);
    const closed = f.closures.find((c) => c.firstDay <= day && day <= c.lastDay) ?? null;
    const away = f.leave.filter((l) => l.firstDay <= day && day <= l.lastDay);
    return {
      day,
      ...whole,
      open: closed ? [] : hoursOn(f.zone, [day], f.opening),
      closed: closed?.name ?? null,
      works: Object.fromEntries(f.staff.map((s) => [s.id, closed ? [] : worksOf(f, s, [day])])),
      away: Object.fromEntries(away.map((l) => [l.staffId, l.reason || 'leave'])),
      kept: Object.fromEntries(
        [...new Set(f.kept.map((k) => k.staffId))].map((id) => [
          id,
          common(
            f.kept.filter((k) => k.staffId === id),
            [whole],
          ),
        ]),
      ),
    };
  });
}

/** A kind of appointment as the house has it. @throws HttpError 422 for one it does not know */
export function kindOf(own: Parameters<typeof kindsOf>[0], id: string): AppointmentKind {
  const found = kindsOf(own).find((k) => k.id === id);
  if (!found) throw new HttpError(422, 'no-such-kind', TEXTS.noSuchKind(id));
  return found;
}
