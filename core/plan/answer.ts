import { printShortDate } from '../dates/print.ts';
import type { DateOrder } from '../dates/read-date.ts';
import { daysBetween } from '../dates/studio-day.ts';
import type { Skill } from '../diary/kinds.ts';
import { hoursWord } from '../diary/load.ts';
import { lengthOf } from '../diary/spans.ts';
import type { Minute, Span } from '../diary/zoned.ts';
import type { Choices, Step } from './chain.ts';
import { withAnother, withOvertime } from './free.ts';
import {
  backwards,
  dayOf,
  type Early,
  endOfDay,
  forwards,
  type Laid,
  type PlanBook,
  type Stuck,
} from './schedule.ts';

/** What a plan is made in: the book, and each hand's hours with nothing taken out. */
export interface PlanGround {
  readonly book: PlanBook;
  readonly hours: ReadonlyMap<number, readonly Span[]>;
  readonly open: readonly Span[];
  readonly today: string;
  readonly dateOrder: DateOrder;
}

/** A step with both its ends: as early as can be, as late as may be. */
export interface PlannedStep {
  readonly step: Step;
  readonly earliest: Laid | null;
  readonly latest: Laid | null;
  /** where it is booked or given before what comes before it is done: ready only from here */
  readonly readyAt: Minute | null;
  /** from the earliest start to the latest, minutes; null where one of them is not known */
  readonly slack: number | null;
  /** nothing hangs loose: it begins at the latest on the day on which it can at the earliest */
  readonly tight: boolean;
}
/** Something that would make it possible, worked out. */
export interface Would {
  readonly id: 'fewer-fittings' | 'no-toile' | 'once' | 'another-hand' | 'overtime' | 'later' | 'move';
  readonly says: string;
  /** the day it would be ready */
  readonly day: string;
}
export interface PlanAnswer {
  readonly steps: readonly PlannedStep[];
  /** the day it is ready at the earliest; null where it cannot be said */
  readonly ready: string | null;
  readonly holds: 'yes' | 'no' | 'unknown' | 'no-day';
  /** what can be promised, the first sentence the answer */
  readonly says: readonly string[];
  /** of what it says, the appointments and work that cannot stay as they are */
  readonly broken: readonly string[];
  readonly would: readonly Would[];
}

/** The last day, and why it is that. */
export interface LastDays {
  readonly handOver: string | null;
  readonly lastFitting: string | null;
  readonly why: string;
}

const days = (n: number): string => `${n} ${n === 1 ? 'day' : 'days'}`;

/**
 * Whether the promise can be kept, with what it hangs on and what would make it possible. Pure.
 * @param how whether to work out what would make it possible (always, or only where it is late), and when each step must
 *   begin at the latest
 */
export function answerOf(
  ground: PlanGround,
  chain: (choices: Choices) => readonly Step[],
  choices: Choices,
  last: LastDays,
  { ways = true, latest = true }: { readonly ways?: boolean | 'late'; readonly latest?: boolean } = {},
): PlanAnswer {
  const { book, today } = ground;
  const steps = chain(choices);
  const early = forwards(book, steps);
  const late = latest ? backwards(book, steps) : [];
  const planned = early.map((e, i): PlannedStep => {
    const by = late[i]?.at ?? null;
    const earliest = e.at;
    const slack = by && earliest ? by.start - earliest.start : null;
    const sameDay = by && earliest && dayOf(book, by.start) <= dayOf(book, earliest.start);
    return {
      step: e.step,
      earliest,
      latest: by,
      readyAt: e.readyAt,
      slack,
      tight: slack !== null ? sameDay === true : last.handOver !== null,
    };
  });
  const ready = readyOf(book, early);
  // After the first that finds no time none is looked at; of those that nobody can do each is told.
  const stuck = early.filter(
    (e, i) => e.stuck !== null && (e.stuck !== 'no-time' || early[i - 1]?.stuck !== 'no-time'),
  );
  const holds =
    stuck.length > 0
      ? last.handOver === null
        ? 'unknown'
        : 'no'
      : last.handOver === null
        ? 'no-day'
        : ready !== null && ready <= last.handOver
          ? 'yes'
          : 'no';
  const broken = brokenOf(ground, early, last);
  const says = [
    ...(stuck.length > 0
      ? stuck.map((e) => stuckWords(ground, e.step, e.stuck!))
      : [headline(ground, early, planned, last, ready)]),
    ...broken,
    ...untoldOf(ground, steps),
    ...(holds === 'yes' && broken.length === 0 ? hangsOn(ground, planned) : []),
  ];
  const short = holds === 'no' || broken.length > 0;
  return {
    steps: planned,
    ready,
    holds,
    says,
    broken,
    would: (ways === 'late' ? holds === 'no' : short && ways)
      ? wouldHold(ground, chain, choices, last, today)
      : [],
  };
}

/** The day on which the last step is done; today where nothing is left to do. */
function readyOf(book: PlanBook, early: readonly Early[]): string | null {
  if (early.length === 0) return dayOf(book, book.now);
  if (early.some((e) => e.stuck !== null)) return null;
  const end = early.at(-1)!.readyAt ?? early.at(-1)!.at!.end;
  // What ends at midnight is done on the day before.
  return dayOf(book, end - 1);
}

const skillWords = (hands: Step['hands']): string =>
  hands.map((any: readonly Skill[]) => any.join(' or ')).join(', and ');

function stuckWords({ book, dateOrder }: PlanGround, step: Step, why: Stuck): string {
  const until = book.days.at(-1)!.day;
  switch (why) {
    case 'no-skill':
      return `Nobody on the staff can take the step “${step.name}”: it needs ${skillWords(step.hands)}.`;
    case 'no-room':
      return `No room of the studio will do for the step “${step.name}”. Add one in Studio settings, under Rooms.`;
    default:
      return `No time was found for the step “${step.name}” up to ${printShortDate(until, book.days[0]!.day, dateOrder)}.`;
  }
}

function headline(
  { book, today, dateOrder }: PlanGround,
  early: readonly Early[],
  planned: readonly PlannedStep[],
  last: LastDays,
  ready: string | null,
): string {
  const short = (day: string) => printShortDate(day, today, dateOrder);
  if (early.length === 0) return 'Nothing is left to do.';
  if (last.handOver === null)
    return `Ready on ${short(ready!)} at the earliest. No day is given by which it must be there.`;
  const spare = daysBetween(ready!, last.handOver);
  if (last.handOver < today)
    return `Hand-over was to be on ${short(last.handOver)}, ${last.why}. Ready on ${short(ready!)} at the earliest.`;
  if (spare >= 0)
    return `Ready by ${short(ready!)}. Hand-over is on ${short(last.handOver)}, ${last.why}: ${spare === 0 ? 'no day' : days(spare)} to spare.`;
  const until = endOfDay(book, last.handOver);
  const after = planned.reduce(
    (sum, p) =>
      sum +
      (p.earliest
        ? lengthOf(
            p.earliest.parts.map((s) => ({ from: Math.max(s.from, until), to: Math.max(s.to, until) })),
          )
        : 0),
    0,
  );
  const missing = after > 0 ? ` ${hoursWord(after)} of bench work would lie after it.` : '';
  return `Not by ${short(last.handOver)}, ${last.why}: ready on ${short(ready!)} at the earliest, ${days(-spare)} later.${missing}`;
}

/** The hour of the day; null on a day on which clocks change. */
function timeOf(book: PlanBook, at: Minute): string | null {
  const day = book.days.find((d) => d.from <= at && at < d.to);
  if (day?.to !== (day?.from ?? 0) + 1440) return null;
  const minute = Math.round(at - day!.from);
  return `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
}

/** What is promised already and cannot be kept, a sentence each. */
function brokenOf({ book, today, dateOrder }: PlanGround, early: readonly Early[], last: LastDays): string[] {
  const short = (at: Minute) => printShortDate(dayOf(book, at), today, dateOrder);
  return early.flatMap((e) => {
    if (e.readyAt !== null && e.at) {
      // On one day only the hour tells them apart; work that is given has none.
      const [at, ready] = [timeOf(book, e.at.start), timeOf(book, e.readyAt)];
      const hours = dayOf(book, e.at.start) === dayOf(book, e.readyAt) && at !== null && ready !== null;
      return [
        e.step.does === 'meeting'
          ? `The appointment “${e.step.name}” is booked for ${short(e.at.start)}${hours ? `, ${at}` : ''}, but what it needs is done ${hours ? `at ${ready} that day` : `on ${short(e.readyAt)}`} at the earliest.`
          : `“${e.step.name}” is assigned for ${short(e.at.start)}, but what comes before it is done on ${short(e.readyAt)} at the earliest.`,
      ];
    }
    if (
      last.lastFitting !== null &&
      e.step.notAfter === last.lastFitting &&
      e.at &&
      dayOf(book, e.at.start) > last.lastFitting
    )
      return [
        `The last fitting would be on ${short(e.at.start)}; it should be by ${printShortDate(last.lastFitting, today, dateOrder)}.`,
      ];
    return [];
  });
}

/** Appointments that are over and of which nobody said how they went: the plan reckons with them as not held. */
const untoldOf = ({ book }: PlanGround, steps: readonly Step[]): string[] =>
  steps.flatMap((s) =>
    s.booked && s.booked.end <= book.now
      ? [
          `The appointment “${s.name}” is over: enter its outcome in the diary. Until then it counts as not held.`,
        ]
      : [],
  );

/** The step with the least room, and whose hands it hangs on. */
function hangsOn({ book, today, dateOrder }: PlanGround, planned: readonly PlannedStep[]): string[] {
  const open = planned.filter(
    (p) => p.slack !== null && p.step.minutes > 0 && !p.step.booked && !p.step.given,
  );
  if (open.length === 0) return [];
  const tightest = open.reduce((a, b) => (b.slack! < a.slack! ? b : a));
  const needed = tightest.step.hands.find(
    (any) => book.staff.filter((h) => any.some((k) => h.skills.includes(k))).length === 1,
  );
  const only = needed && book.staff.find((h) => needed.some((k) => h.skills.includes(k)));
  const by = printShortDate(dayOf(book, tightest.latest!.start), today, dateOrder);
  return [
    `It hangs most on “${tightest.step.name}”, to be ${tightest.step.does === 'meeting' ? 'held' : 'begun'} by ${by}${only ? `; only ${only.name} can do it` : ''}.`,
  ];
}

/** What would make it possible: each worked out by itself, none done. The last one always says by when. */
function wouldHold(
  ground: PlanGround,
  chain: (choices: Choices) => readonly Step[],
  choices: Choices,
  last: LastDays,
  today: string,
): Would[] {
  const { book, hours, open, dateOrder } = ground;
  const short = (day: string) => printShortDate(day, today, dateOrder);
  const tried = (b: PlanBook, steps: readonly Step[]): { day: string; holds: boolean } | null => {
    const early = forwards(b, steps);
    const day = readyOf(b, early);
    const kept = brokenOf({ ...ground, book: b }, early, last).length === 0;
    return day === null ? null : { day, holds: kept && (last.handOver === null || day <= last.handOver) };
  };
  const out: Would[] = [];
  const offer = (id: Would['id'], what: string, b: PlanBook, steps: readonly Step[]): boolean => {
    const made = tried(b, steps);
    if (!made?.holds) return false;
    out.push({ id, says: `${what}: ready by ${short(made.day)}.`, day: made.day });
    return true;
  };
  const steps = chain(choices);
  const first = leastMoved(book, steps, (loose) => tried(book, loose)?.holds === true);
  if (first) {
    const at = new Map(forwards(book, first.steps).map((e) => [e.step.id, e.at]));
    const to = first.ids.map((id) => {
      const laid = at.get(id);
      return `“${steps.find((s) => s.id === id)!.name}”${laid ? ` moved to ${short(dayOf(book, laid.start))}` : ' moved'}`;
    });
    offer('move', `With ${to.join(' and ')}`, book, first.steps);
  }
  if (!choices.once && choices.fittings > 1)
    offer(
      'fewer-fittings',
      'With one fitting fewer',
      book,
      chain({ ...choices, fittings: choices.fittings - 1 }),
    );
  if (choices.toile) offer('no-toile', 'Without a toile', book, chain({ ...choices, toile: false }));
  offer(
    'another-hand',
    'With another person at the bench',
    { ...book, staff: withAnother(book.staff, open) },
    steps,
  );
  for (const n of [1, 2, 3])
    if (
      offer(
        'overtime',
        `With ${n} h of overtime a day`,
        { ...book, staff: withOvertime(book.staff, hours, book.days, n * 60) },
        steps,
      )
    )
      break;
  if (!choices.once)
    offer('once', 'With one fitting that settles all', book, chain({ ...choices, once: true, toile: false }));
  const later = tried(book, steps);
  if (later && last.handOver !== null && later.day > last.handOver)
    out.push({
      id: 'later',
      says: `With hand-over on another day: ready by ${short(later.day)}.`,
      day: later.day,
    });
  return out;
}

/**
 * The least of what is booked or given that has to move for it to hold: one appointment or piece of work alone, else what
 * is not ready by its time, else all of it. Null where not even that helps.
 */
function leastMoved(
  book: PlanBook,
  steps: readonly Step[],
  holds: (steps: readonly Step[]) => boolean,
): { readonly ids: readonly string[]; readonly steps: readonly Step[] } | null {
  const fixed = steps.filter((s) => (s.booked && s.booked.end > book.now) || s.given).map((s) => s.id);
  const late = forwards(book, steps)
    .filter((e) => e.readyAt !== null)
    .map((e) => e.step.id);
  for (const ids of [...fixed.map((id) => [id]), late, fixed]) {
    if (ids.length === 0) continue;
    const loose = steps.map((s) => (ids.includes(s.id) ? { ...s, booked: null, given: null } : s));
    if (holds(loose)) return { ids, steps: loose };
  }
  return null;
}
