import type { DiaryHouse, DiaryView, TimesQuery } from '@rocchetto/contract';
import { dayIn, NEEDS, type Need, printShortDate } from '@rocchetto/core';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import type { DateOrder } from '@rocchetto/core/dates/read-date.ts';
import { findSeries, findTimes, type Question } from '@rocchetto/core/diary/find.ts';
import { windowsOf } from '@rocchetto/core/diary/hours.ts';
import { kindsOf } from '@rocchetto/core/diary/house.ts';
import { type MakingWork, readiness } from '@rocchetto/core/diary/readiness.ts';
import { common } from '@rocchetto/core/diary/spans.ts';
import { daysFrom, wallAt, wholeDay } from '@rocchetto/core/diary/zoned.ts';
import { Hono } from 'hono';
import type { Db } from '../../db/pool.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readAppointment, readDiary } from '../../records/diary/appointments.ts';
import { readBench } from '../../records/diary/bench.ts';
import { daysOf, kindOf, openingOf, readBook } from '../../records/diary/book.ts';
import { readBusySpans } from '../../records/diary/busy.ts';
import { timeView } from '../../records/diary/check.ts';
import { readClosures, readLeave, readRooms, readRules, readStaff } from '../../records/diary/hours.ts';
import { TEXTS } from './texts.ts';

/** How far ahead times are looked for when nothing else is asked, days. */
const AHEAD = 42;
const MOST_AHEAD = 120;
const minuteNow = (deps: Deps) => Math.floor(deps.now().getTime() / 60_000);

/** What the diary goes by, for those who book and those who look. */
export async function diaryHouse(db: Db, now: Date): Promise<DiaryHouse> {
  const { zone, rules, version } = await readRules(db);
  const today = dayIn(zone, now);
  const [staff, rooms, leave, closures] = await Promise.all([
    readStaff(db),
    readRooms(db),
    readLeave(db, today),
    readClosures(db, today),
  ]);
  return {
    version,
    rules: { ...rules, opening: [...openingOf(rules)] },
    kinds: kindsOf(rules.kinds),
    staff,
    rooms,
    leave,
    closures,
  };
}

/** Seeing and finding. */
export function diaryRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();

  on(app, 'GET /diary/house', async (_c) => await diaryHouse(deps.pool, deps.now()));

  on(app, 'GET /diary', async (_c, { query }) => {
    const { zone, rules } = await readRules(deps.pool);
    const first = query.day ?? dayIn(zone, deps.now());
    const last = dayAfter(first, query.days - 1);
    const within = { from: wholeDay(zone, first).from, to: wholeDay(zone, last).to };
    const appointments = await readDiary(deps.pool, zone, within);
    const orders = appointments.flatMap((a) => a.orderId ?? []);
    const [kept, bench, staff, leave, closures] = await Promise.all([
      readBusySpans(deps.pool, within),
      readBench(deps.pool, first, last, orders),
      readStaff(deps.pool),
      readLeave(deps.pool, first),
      readClosures(deps.pool, first),
    ]);
    const frame = { zone, opening: openingOf(rules), staff, leave, closures, kept };
    return { days: daysOf(frame, daysFrom(first, last)), appointments, bench } satisfies DiaryView;
  });

  on(app, 'GET /diary/times', async (_c, { query }) => {
    const { zone, kind, book, question, says } = await asked(deps, query);
    const times = findTimes(book, question, (at) => {
      const { day, time } = wallAt(zone, at);
      return `${day} ${time < '13:00' ? 'before noon' : 'after noon'}`;
    });
    return { kind: kind.id, minutes: kind.minutes, says, times: times.map((t) => timeView(zone, t)) };
  });

  on(app, 'GET /diary/series', async (_c, { query: { count, apart, lastBy, ...query } }) => {
    // The last one lies within the week that ends with the day it is wanted by.
    const until = lastBy ?? query.until;
    const { zone, kind, book, question } = await asked(deps, { ...query, ...(until ? { until } : {}) });
    const lasts = lastBy
      ? common(question.within, [
          { from: wholeDay(zone, dayAfter(lastBy, -6)).from, to: wholeDay(zone, lastBy).to },
        ])
      : undefined;
    const times = findSeries(
      book,
      Array.from({ length: count }, () => question),
      apart * 1440,
      lasts,
    );
    return { kind: kind.id, minutes: kind.minutes, times: times.map((t) => timeView(zone, t)) };
  });

  on(app, 'GET /appointments/:id', async (c) => {
    const { zone } = await readRules(deps.pool);
    const found = await readAppointment(deps.pool, zone, idParam(c, 'appointment'));
    if (!found) throw notFound('appointment');
    return found;
  });

  return app;
}

/** What free times are looked for in, as it was asked. @throws HttpError 422 for days that are none or too many */
async function asked(deps: Deps, q: TimesQuery) {
  const { zone, dateOrder, rules } = await readRules(deps.pool);
  const kind = kindOf(rules.kinds, q.kind);
  const today = dayIn(zone, deps.now());
  const from = q.from && q.from > today ? q.from : today;
  const until = q.until ?? dayAfter(from, AHEAD);
  if (until < from) throw new HttpError(422, 'no-days', TEXTS.noDays);
  if (until > dayAfter(today, 366) || daysFrom(from, until).length > MOST_AHEAD)
    throw new HttpError(422, 'too-far', TEXTS.tooFar(MOST_AHEAD));
  const book = await readBook(deps.pool, zone, rules, [from, until], q);
  const ready = readyFor(zone, kind, book.works, q.ready === '1', today, dateOrder);
  const away = [...q.away, ...book.away.map((a) => ({ from: a.firstDay, until: a.lastDay }))];
  const wish = { from, until, earliest: q.earliest, latest: q.latest, notOn: q.notOn, away };
  const notBefore = Math.max(minuteNow(deps), ready.only ?? 0);
  const question: Question = {
    ...kind,
    room: kind.room && [...kind.room, ...(q.stepFree === '1' ? (['step-free'] as const) : [])],
    within: windowsOf(zone, wish, book.opening, [...book.closed, ...book.elsewhere], notBefore),
    step: 15,
    prefer: book.hands,
    ready: ready.from,
  };
  return { zone, kind, book, question, says: ready.says };
}

/**
 * From when what an appointment needs will be there, by the work promised: as something that speaks against earlier
 * times or, where it is asked for, as the first moment at all.
 */
function readyFor(
  zone: string,
  kind: { readonly need: Need | null },
  works: readonly MakingWork[],
  only: boolean,
  today: string,
  order: DateOrder,
): { from: Question['ready']; only?: number; says: string } {
  if (!kind.need) return { from: null, says: only ? 'Nothing has to be ready for it.' : '' };
  const what = NEEDS[kind.need];
  const found = readiness(kind.need, works);
  if (found.state !== 'promised')
    return {
      from: null,
      says:
        found.state === 'done' || !only
          ? ''
          : `No work is scheduled to make ${what}, so no date can be given. Schedule the work on the order.`,
    };
  const day = found.day < today ? today : found.day;
  const at = wholeDay(zone, day).to;
  const on = printShortDate(found.day, today, order);
  return {
    from: { at, because: `before ${what}, scheduled for ${on}` },
    ...(only ? { only: at } : {}),
    says:
      found.day < today
        ? `${capital(what)} was scheduled for ${on} and is not done.`
        : `${capital(what)}: scheduled for ${on}.`,
  };
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
