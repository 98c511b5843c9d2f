import type { DiaryRules } from '@rocchetto/contract';
import { dayIn } from '@rocchetto/core';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { windowsOf } from '@rocchetto/core/diary/hours.ts';
import { kindsOf } from '@rocchetto/core/diary/house.ts';
import { without } from '@rocchetto/core/diary/spans.ts';
import { daysFrom, wholeDay } from '@rocchetto/core/diary/zoned.ts';
import type { PlanGround } from '@rocchetto/core/plan/answer.ts';
import { freeOf } from '@rocchetto/core/plan/free.ts';
import type { Db } from '../../db/pool.ts';
import { readBook } from '../../records/diary/book.ts';
import type { StudioDays } from '../../records/diary/check.ts';

/** A plan looks so many days past the day it must be ready, and at least and at most so far ahead. */
const PAST = 45;
const LEAST = 90;
const MOST = 400;

/** The last day that a plan looks at. */
export function horizon(today: string, lastDay: string | null): string {
  const wanted = lastDay === null ? dayAfter(today, LEAST) : dayAfter(lastDay, PAST);
  return [[wanted, dayAfter(today, LEAST)].sort().at(-1)!, dayAfter(today, MOST)].sort()[0]!;
}

/** What a plan is laid into: free hours of all hands, rooms, and when this client can come. One query. */
export async function planGround(
  db: Db,
  { zone, dateOrder }: StudioDays,
  rules: DiaryRules,
  who: { readonly clientId?: number; readonly orderId?: number },
  lastDay: string | null,
  now: Date,
): Promise<PlanGround> {
  const today = dayIn(zone, now);
  const until = horizon(today, lastDay);
  const book = await readBook(db, zone, rules, [today, until], who);
  const at = Math.ceil(now.getTime() / 60_000);
  const days = daysFrom(today, until).map((day) => ({ day, ...wholeDay(zone, day) }));
  const wish = {
    from: today,
    until,
    earliest: '',
    latest: '',
    notOn: [],
    away: book.away.map((a) => ({ from: a.firstDay, until: a.lastDay })),
  };
  return {
    today,
    dateOrder,
    hours: new Map(book.staff.map((h) => [h.id, h.works])),
    open: windowsOf(zone, { ...wish, away: [] }, book.opening, book.closed, at),
    book: {
      staff: book.staff.map((h) => ({ ...h, works: freeOf(h, book.closed, days, at) })),
      rooms: book.rooms,
      client: without(windowsOf(zone, wish, book.opening, book.closed, at), book.elsewhere),
      rooming: new Map(kindsOf(rules.kinds).map((k) => [k.id, { room: k.room, buffer: k.buffer }])),
      days,
      now: at,
    },
  };
}
