import { createHash } from 'node:crypto';
import {
  NO_SETTINGS,
  PlanChoices,
  type Promised,
  type PromisesAsk,
  type PromisesView,
  timesOf,
  toSheetInput,
} from '@rocchetto/contract';
import { computeSheet, printShortDate } from '@rocchetto/core';
import { kindsOf } from '@rocchetto/core/diary/house.ts';
import { hoursWord } from '@rocchetto/core/diary/load.ts';
import { holds, joined, without } from '@rocchetto/core/diary/spans.ts';
import { type Span, wallAt, wholeDay } from '@rocchetto/core/diary/zoned.ts';
import type { PlanGround } from '@rocchetto/core/plan/answer.ts';
import {
  backOnBench,
  type Choices,
  chainOf,
  lastDays,
  type OrderAtWork,
  usualChoices,
} from '@rocchetto/core/plan/chain.ts';
import { freed, keptFor, leastChanges, type Mend } from '@rocchetto/core/plan/mend.ts';
import type { HouseTimes } from '@rocchetto/core/plan/times.ts';
import {
  type AmongOthers,
  brokenBy,
  type Held,
  once,
  planTogether,
  type Together,
} from '@rocchetto/core/plan/together.ts';
import { passesOf } from '@rocchetto/core/plan/touching.ts';
import { type Work, workOf } from '@rocchetto/core/plan/work.ts';
import type { Db } from '../../db/pool.ts';
import { HttpError } from '../../http/problem.ts';
import { readRules } from '../../records/diary/hours.ts';
import { span } from '../../records/diary/spans.ts';
import { houseBench } from '../../records/house.ts';
import { parseGround, sheetGrounds } from '../../records/sheets.ts';
import { specOfOrder } from '../../records/spec-of-order.ts';
import { planGround } from './ground.ts';
import { clientsElsewhere, openOrders, type PlanRow, readPlans } from './sql.ts';
import { TEXTS } from './texts.ts';

/** So many orders are planned together. */
const MOST = 400;
/** So long late orders are tried as the first to be served, ms. */
const TRIES = 4000;
/** The work of a garment by what its sheet is made of, as long as that stays the same. */
const known = new Map<string, Work>();

async function worksOf(db: Db, rows: readonly PlanRow[], today: string): Promise<Map<number, Work>> {
  const made = rows.filter((r) => r.brief && r.brief.parts.length > 0).map((r) => r.id);
  const out = new Map<number, Work>();
  for (const [id, text] of await sheetGrounds(db, made)) {
    const mark = createHash('sha1').update(today).update(text).digest('base64url');
    let work = known.get(mark);
    if (!work) {
      const ground = parseGround(text);
      const spec = ground.record?.spec ?? specOfOrder(ground, ground.record?.settings ?? NO_SETTINGS, today);
      work = workOf(computeSheet(toSheetInput(spec)));
      if (known.size > 5000) known.clear();
      known.set(mark, work);
    }
    out.set(id, work);
  }
  return out;
}

interface All {
  readonly zone: string;
  readonly ground: PlanGround;
  readonly rows: readonly PlanRow[];
  readonly works: ReadonlyMap<number, Work>;
  readonly times: HouseTimes;
  readonly kinds: ReturnType<typeof kindsOf>;
  readonly client: ReadonlyMap<number, Span[]>;
  /** each row as it is planned: what is supposed changes few of them */
  readonly made: Map<PlanRow, AmongOthers>;
}

/** Everything in work, planned together; with what is supposed, a second time. */
export async function promises(db: Db, ask: PromisesAsk, now: Date): Promise<PromisesView> {
  const { ids, more } = await openOrders(db, MOST);
  const all = await readAll(db, ids, now, ask.worn ?? null);
  const { ground, rows } = all;
  const before = planTogether(ground, among(all, rows));
  const byId = new Map(rows.map((r) => [r.id, r]));
  const other = otherwise(all, ask);
  const after = other && planned(all, ask, other);
  const until = performance.now() + TRIES;
  const { mends, untried } = !ask.first
    ? { mends: [], untried: 0 }
    : leastChanges(
        other?.ground ?? ground,
        after?.orders ?? among(all, rows),
        after?.all ?? before,
        () => performance.now() < until,
      );
  const told =
    (found: readonly Mend[]) =>
    (h: Held): Promised => {
      const { would, ...of } = promised(h, byId.get(h.id)!, all);
      const mend = found.find((x) => x.id === h.id);
      return { ...of, would: mend ? [mendWords(mend, byId, ground), ...would] : would };
    };
  return {
    today: ground.today,
    orders: before.held.map(told(other ? [] : mends)),
    more,
    untried,
    staff: ground.book.staff.map(({ id, name }) => ({ id, name })),
    weeks: before.weeks,
    breaks:
      other &&
      after &&
      supposed(other, after.all, before, {
        told: told(mends),
        mended: mends.filter((m) => m.id === NEW).map((m) => mendWords(m, byId, ground)),
      }),
  };
}

async function readAll(db: Db, ids: readonly number[], now: Date, worn: string | null): Promise<All> {
  const [{ zone, dateOrder, rules }, { bench, unit }, rows] = await Promise.all([
    readRules(db),
    houseBench(db),
    readPlans(db, ids),
  ]);
  const times = timesOf(bench, unit);
  const lastDay = [worn ?? '', ...rows.map((r) => lastDays(r, times).handOver ?? '')].sort().at(-1) || null;
  const ground = await planGround(db, { zone, dateOrder }, rules, {}, lastDay, now);
  const [first, last] = [ground.book.days[0]!, ground.book.days.at(-1)!];
  const [works, elsewhere] = await Promise.all([
    worksOf(db, rows, ground.today),
    clientsElsewhere(
      db,
      [...new Set(rows.map((r) => r.clientId))],
      [first.day, last.day],
      span(first.from, last.to),
    ),
  ]);
  const not = new Map<number, Span[]>();
  const add = (id: number, s: Span) => not.set(id, [...(not.get(id) ?? []), s]);
  for (const a of elsewhere.away)
    add(a.clientId, { from: wholeDay(zone, a.firstDay).from, to: wholeDay(zone, a.lastDay).to });
  for (const b of elsewhere.booked) add(b.clientId, b);
  return {
    zone,
    ground,
    rows,
    works,
    times,
    kinds: kindsOf(rules.kinds),
    client: new Map([...not].map(([id, spans]) => [id, without(ground.open, joined(spans))])),
    made: new Map(),
  };
}

const among = (all: All, rows: readonly PlanRow[]): AmongOthers[] =>
  rows.map((row) => {
    const before = all.made.get(row);
    if (before) return before;
    const work = all.works.get(row.id) ?? null;
    const order: OrderAtWork = { ...row, work };
    const choices = row.choices ?? PlanChoices.parse(usualChoices(work));
    const made: AmongOthers = {
      id: row.id,
      clientId: row.clientId,
      chain: once(choices, (c: Choices) => chainOf(order, c, all.times, all.kinds)),
      choices,
      last: lastDays(row, all.times),
      client: all.client.get(row.clientId) ?? all.ground.open,
    };
    all.made.set(row, made);
    return made;
  });

function promised(h: Held, row: PlanRow, { zone, ground, kinds }: All): Promised {
  const { number, what, clientName, wornOn } = row;
  const endOf = (day: string) => {
    const on = ground.book.days.find((d) => d.day === day);
    return on ? on.to - 1 : null;
  };
  return {
    id: h.id,
    number,
    what,
    clientName,
    wornOn,
    handOver: h.last.handOver,
    ready: h.answer.ready,
    holds: h.answer.holds,
    spare: h.spare,
    says: h.answer.says,
    broken: h.answer.broken,
    would: h.answer.would.map((w) => w.says),
    passes: passesOf(h.answer.steps, endOf).map(({ staffId, step, start }) => ({
      staffId,
      step,
      day: wallAt(zone, start).day,
      at: Math.round(((start - ground.book.days[0]!.from) / 1440) * 100) / 100,
    })),
    appointments: row.booked
      .filter((b) => !b.done && b.start > ground.book.now)
      .map((b) => {
        const { day, time } = wallAt(zone, b.start);
        return {
          id: b.id,
          says: `${kinds.find((k) => k.id === b.kind)?.name ?? b.kind}, ${printShortDate(day, ground.today, ground.dateOrder)}, ${time}`,
        };
      }),
  };
}

/** The least change that mends a late order, in words. */
function mendWords(
  { ready, moves }: Mend,
  byId: ReadonlyMap<number, PlanRow>,
  { today, dateOrder }: PlanGround,
): string {
  const by = `ready by ${printShortDate(ready, today, dateOrder)}, and no other promise breaks.`;
  if (!moves) return `Served before the others: ${by}`;
  const of = byId.get(moves.orderId);
  const whose = of ? `order ${of.number}` : 'the order taken in';
  const to = printShortDate(moves.to, today, dateOrder);
  return moves.does === 'work'
    ? `With “${moves.step}” of ${whose} assigned for ${to} instead: ${by}`
    : `With the appointment “${moves.step}” of ${whose}${of ? `, ${of.clientName},` : ''} moved to ${to}: ${by}`;
}

/** Everything planned anew with what is supposed. */
function planned(all: All, ask: PromisesAsk, other: Otherwise) {
  const like = other.taken && all.works.get(ask.like!);
  const works = like ? new Map(all.works).set(NEW, like) : all.works;
  const orders = among({ ...all, works }, other.rows);
  return { orders, all: planTogether(other.ground, orders) };
}

/** What breaks when something moves; nothing of it is kept. */
function supposed(
  other: Otherwise,
  after: Together,
  before: Together,
  { told, mended }: { readonly told: (h: Held) => Promised; readonly mended: readonly string[] },
): PromisesView['breaks'] {
  const taken = after.held.find((h) => h.id === NEW);
  return {
    says: other.says,
    taken: taken
      ? {
          holds: taken.answer.holds,
          says: taken.answer.says,
          would: [...mended, ...taken.answer.would.map((w) => w.says)],
        }
      : null,
    orders: brokenBy(before, after).map(({ was, is }) => ({ ...told(is), before: was.answer.ready })),
    appointments: other.appointments,
  };
}

/** The id of an order that is supposed and is none. */
const NEW = 0;

/** All with something supposed. */
interface Otherwise {
  readonly says: string;
  readonly ground: PlanGround;
  readonly rows: readonly PlanRow[];
  readonly appointments: { readonly id: number; readonly day: string; readonly says: string }[];
  /** an order that is supposed to be taken in */
  readonly taken: PlanRow | null;
}
/** What is supposed; null where nothing is. @throws HttpError 422 */
function otherwise(all: All, ask: PromisesAsk): Otherwise | null {
  const { ground, rows } = all;
  const short = (day: string) => printShortDate(day, ground.today, ground.dateOrder);
  const none = { ground, rows, appointments: [], taken: null };
  if (ask.staff !== undefined) return handAway(all, ask.staff, ask.from!, ask.until!);
  if (ask.order !== undefined) {
    const row = inWork(all, ask.order);
    const choices = PlanChoices.parse(choicesOf(all, row));
    const late: PlanRow = { ...row, choices: { ...choices, cloth: { state: 'comes', on: ask.cloth! } } };
    return {
      ...none,
      says: `The cloth of order ${row.number} comes on ${short(ask.cloth!)}.`,
      rows: rows.map((r) => (r === row ? late : r)),
    };
  }
  if (ask.like !== undefined) return takenIn(all, ask.like, ask.worn!);
  if (ask.back !== undefined) return cameBack(all, ask.back, ask.minutes!);
  if (ask.appointment !== undefined) return movedTo(all, ask.appointment, ask.to!);
  return null;
}

/** An appointment at the same time of another day: its old time is free again, its new one is kept. */
function movedTo({ ground, rows, zone, kinds }: All, id: number, to: string): Otherwise {
  const row = rows.find((r) => r.booked.some((b) => b.id === id));
  const booked = row?.booked.find((b) => b.id === id);
  if (!row || !booked) throw new HttpError(422, 'no-such-appointment', TEXTS.noSuchAppointment);
  const by = wholeDay(zone, to).from - wholeDay(zone, wallAt(zone, booked.start).day).from;
  const moved = { ...booked, start: booked.start + by, end: booked.end + by };
  const buffer = kinds.find((k) => k.id === booked.kind)?.buffer ?? 0;
  const free = freed(ground, { booked, given: null, kind: booked.kind, minutes: 0 });
  const kept = { from: moved.start, to: moved.end + buffer };
  const not = free.book.staff.filter(
    (h) => booked.staff.includes(h.id) && !holds(h.works, kept.from, moved.end),
  );
  return {
    taken: null,
    appointments: [],
    ground: keptFor(free, booked.staff, kept),
    says: `The appointment of order ${row.number} is moved to ${printShortDate(to, ground.today, ground.dateOrder)}.${not.length > 0 ? ` ${not.map((h) => h.name).join(' and ')} ${not.length === 1 ? 'is' : 'are'} not free at that time.` : ''}`,
    rows: rows.map((r) =>
      r.booked.some((b) => b.id === booked.id)
        ? {
            ...r,
            booked: r.booked.map((b) => (b.id === booked.id ? moved : b)).sort((a, b) => a.start - b.start),
          }
        : r,
    ),
  };
}

const choicesOf = (all: All, row: PlanRow): Choices =>
  row.choices ?? PlanChoices.parse(usualChoices(all.works.get(row.id) ?? null));
const inWork = (all: All, id: number): PlanRow => {
  const row = all.rows.find((r) => r.id === id);
  if (!row) throw new HttpError(422, 'no-such-order', TEXTS.noSuchOrder);
  return row;
};

/** Another order like one that is in work: a new client, from the first talk on, its cloth still to be ordered. */
function takenIn(all: All, like: number, worn: string): Otherwise {
  const row = inWork(all, like);
  const taken: PlanRow = {
    ...row,
    id: NEW,
    clientId: NEW,
    stage: 'asked',
    booked: [],
    given: [],
    alterations: row.broughtIn ? row.alterations : 0,
    wornOn: worn,
    dueOn: null,
    choices: { ...PlanChoices.parse(choicesOf(all, row)), done: [], cloth: { state: 'order', on: null } },
  };
  return {
    ground: all.ground,
    appointments: [],
    says: `Another order like ${row.number} (${row.what}) is worn on ${printShortDate(worn, all.ground.today, all.ground.dateOrder)}.`,
    rows: [...all.rows, taken],
    taken,
  };
}

/** An order that comes back to the bench before anything else of it goes on: a toile that must be sewn anew. */
function cameBack(all: All, id: number, minutes: number): Otherwise {
  const row = inWork(all, id);
  const order: OrderAtWork = { ...row, work: all.works.get(id) ?? null };
  const choices = PlanChoices.parse(backOnBench(order, choicesOf(all, row), all.times, all.kinds, minutes));
  return {
    ground: all.ground,
    appointments: [],
    says: `Order ${row.number} is back on the bench for ${hoursWord(minutes)}.`,
    rows: all.rows.map((r) => (r === row ? { ...row, choices } : r)),
    taken: null,
  };
}

/** Somebody away: their hours go, work given to them for these days is nobody's, and their appointments need another hand. */
function handAway({ ground, rows, zone, kinds }: All, staff: number, from: string, until: string): Otherwise {
  const hand = ground.book.staff.find((h) => h.id === staff);
  if (!hand) throw new HttpError(422, 'no-such-staff', TEXTS.awayOfNobody);
  const away = [{ from: wholeDay(zone, from).from, to: wholeDay(zone, until).to }];
  const inside = (at: number) => away[0]!.from <= at && at < away[0]!.to;
  const seen = new Set<number>();
  return {
    taken: null,
    says: `${hand.name} is away from ${printShortDate(from, ground.today, ground.dateOrder)} to ${printShortDate(until, ground.today, ground.dateOrder)}.`,
    ground: {
      ...ground,
      hours: new Map([...ground.hours].map(([id, h]) => [id, id === staff ? without(h, away) : h])),
      book: {
        ...ground.book,
        staff: ground.book.staff.map((h) => (h === hand ? { ...h, works: without(h.works, away) } : h)),
      },
    },
    rows: rows.map((r) => {
      const given = r.given.filter((g) => g.done || g.staffId !== staff || g.day < from || g.day > until);
      return given.length < r.given.length ? { ...r, given } : r;
    }),
    appointments: rows.flatMap((r) =>
      r.booked
        .filter(
          (b) => !b.done && b.staff.includes(staff) && inside(b.start) && !seen.has(b.id) && seen.add(b.id),
        )
        .map((b) => {
          const { day, time } = wallAt(zone, b.start);
          const kind = kinds.find((k) => k.id === b.kind)?.name ?? b.kind;
          return {
            id: b.id,
            day,
            says: `${r.clientName}, ${kind}, ${printShortDate(day, ground.today, ground.dateOrder)}, ${time}`,
          };
        }),
    ),
  };
}
