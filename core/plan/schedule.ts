import { allTimes, type DiaryBook, type Hand, type RoomBook } from '../diary/find.ts';
import { common, indexAt } from '../diary/spans.ts';
import type { Minute, Span } from '../diary/zoned.ts';
import type { Step } from './chain.ts';

/** The weeks a plan is laid into. Hands' `works` are what is free of their hours; spans in order, none touching. */
export interface PlanBook extends DiaryBook {
  /** when a client can come: the house is open, they are not away, they have no other appointment */
  readonly client: readonly Span[];
  /** the house's kinds: what a room must be good for, and the time for changing */
  readonly rooming: ReadonlyMap<string, Pick<Rooming, 'room' | 'buffer'>>;
  /** every whole day, in order, first to last */
  readonly days: readonly (Span & { readonly day: string })[];
  readonly now: Minute;
}
interface Rooming {
  readonly room: Parameters<typeof allTimes>[1]['room'];
  readonly buffer: number;
}

/** Where a step lies: when, by whom, and for an appointment in which room. */
export interface Laid {
  readonly start: Minute;
  readonly end: Minute;
  readonly staff: readonly number[];
  readonly room: number | null;
  /** the stretches of bench work it is made of, in order */
  readonly parts: readonly Span[];
}
/** Why a step lies nowhere. */
export type Stuck = 'no-skill' | 'no-time' | 'no-room' | 'before';

/** Starts of appointments lie on multiples of this, minutes (house figure, as the diary finds times). */
const STEP = 15;
/** A shorter stretch is of no use at the bench, minutes (house figure). */
export const LEAST = 15;

const dayAt = (book: PlanBook, at: Minute): number => indexAt(book.days, at);
/** The day of this minute; the last one for what lies beyond. */
export const dayOf = (book: PlanBook, at: Minute): string => book.days[Math.max(0, dayAt(book, at))]!.day;
const indexOfDay = (book: PlanBook, day: string): number => {
  const first = book.days[0]!.day;
  const i = Math.round((Date.parse(`${day}T00:00:00Z`) - Date.parse(`${first}T00:00:00Z`)) / 86_400_000);
  return i;
};
const dayStart = (book: PlanBook, at: Minute): Minute => book.days[Math.max(0, dayAt(book, at))]!.from;
/** The first minute of a day; before the book's days −∞, after them ∞. */
export function startOfDay(book: PlanBook, day: string): Minute {
  const i = indexOfDay(book, day);
  return i < 0 ? Number.NEGATIVE_INFINITY : (book.days[i]?.from ?? Number.POSITIVE_INFINITY);
}
/** The end of a day. */
export function endOfDay(book: PlanBook, day: string): Minute {
  const i = indexOfDay(book, day);
  return i < 0 ? Number.NEGATIVE_INFINITY : (book.days[i]?.to ?? Number.POSITIVE_INFINITY);
}
/** The first minute of the day so many days after that of `at`; with 0 days `at` itself. */
function daysLater(book: PlanBook, at: Minute, days: number): Minute {
  if (days === 0) return at;
  return book.days[dayAt(book, at) + days]?.from ?? Number.POSITIVE_INFINITY;
}
/** The last minute from which a step that ends then lets another begin at `at`, so many days later. */
function daysBefore(book: PlanBook, at: Minute, days: number): Minute {
  if (days === 0) return at;
  return book.days[dayAt(book, at) - days]?.to ?? Number.NEGATIVE_INFINITY;
}

const able = (book: PlanBook, s: Step): Hand[] =>
  // Of two who end at once, the one with fewer skills: the others stay free for what only they can do.
  book.staff
    .filter((h) => s.hands[0]!.some((k) => h.skills.includes(k)))
    .sort((a, b) => a.skills.length - b.skills.length || a.id - b.id);

/** So many minutes of free time from a moment on, in whole stretches from the front; null where there are not enough. */
export function fill(free: readonly Span[], from: Minute, minutes: number): Span[] | null {
  const out: Span[] = [];
  let left = minutes;
  for (let i = Math.max(0, indexAt(free, from)); i < free.length && left > 0; i++) {
    const [a, b] = [Math.max(free[i]!.from, from), free[i]!.to];
    if (b <= a) continue;
    const to = Math.min(b, a + left);
    out.push({ from: a, to });
    left -= to - a;
  }
  return left > 0 ? null : out;
}
/** The same from the back: the last free minutes before `until`. */
export function fillBack(free: readonly Span[], until: Minute, minutes: number): Span[] | null {
  const out: Span[] = [];
  let left = minutes;
  for (let i = indexAt(free, until); i >= 0 && left > 0; i--) {
    const [a, b] = [free[i]!.from, Math.min(free[i]!.to, until)];
    if (b <= a) continue;
    const from = Math.max(a, b - left);
    out.unshift({ from, to: b });
    left -= b - from;
  }
  return left > 0 ? null : out;
}

const bench = (h: Hand, parts: Span[]): Laid => ({
  start: parts[0]!.from,
  end: parts.at(-1)!.to,
  staff: [h.id],
  room: null,
  parts,
});
const none = (at: Minute): Laid => ({ start: at, end: at, staff: [], room: null, parts: [] });

/** The earliest a step of bench work can be done by one hand, beginning no sooner than `from`. */
function workFrom(book: PlanBook, s: Step, from: Minute): Laid | Stuck {
  if (s.minutes === 0) return none(from);
  const hands = able(book, s);
  if (hands.length === 0) return 'no-skill';
  let best: Laid | null = null;
  for (const h of hands) {
    const parts = fill(h.works, from, s.minutes);
    if (parts && (!best || parts.at(-1)!.to < best.end)) best = bench(h, parts);
  }
  return best ?? 'no-time';
}
/** The latest it can be begun, ending no later than `until`. */
function workUntil(book: PlanBook, s: Step, until: Minute): Laid | Stuck {
  if (s.minutes === 0) return none(until);
  const hands = able(book, s);
  if (hands.length === 0) return 'no-skill';
  let best: Laid | null = null;
  for (const h of hands) {
    const parts = fillBack(h.works, until, s.minutes);
    if (parts && (!best || parts[0]!.from > best.start)) best = bench(h, parts);
  }
  return best ?? 'before';
}

function question(book: PlanBook, s: Step, within: readonly Span[]): Parameters<typeof allTimes>[1] {
  const { room, buffer } = book.rooming.get(s.kind!)!;
  return { minutes: s.minutes, buffer, hands: s.hands, room, within, step: STEP, prefer: [] };
}
const met = (t: { start: Minute; end: Minute; staff: readonly number[]; room: number | null }): Laid => ({
  start: t.start,
  end: t.end,
  staff: t.staff,
  room: t.room,
  parts: [],
});
function whyNone(book: PlanBook, s: Step): Stuck {
  if (!s.hands.every((any) => book.staff.some((h) => any.some((k) => h.skills.includes(k)))))
    return 'no-skill';
  const { room } = book.rooming.get(s.kind!)!;
  return room !== null && !book.rooms.some((r: RoomBook) => room.every((u) => r.goodFor.includes(u)))
    ? 'no-room'
    : 'no-time';
}
/** The first time at which hands, a room and the client are free. */
function meetFrom(book: PlanBook, s: Step, from: Minute): Laid | Stuck {
  const within = common(book.client, [{ from, to: Number.POSITIVE_INFINITY }]);
  const never = whyNone(book, s);
  if (never !== 'no-time') return never;
  const first = allTimes(book, question(book, s, within)).next();
  return first.done ? 'no-time' : met(first.value);
}
/** The last such time that is over by `until`. */
function meetUntil(book: PlanBook, s: Step, until: Minute): Laid | Stuck {
  for (let i = indexAt(book.client, until); i >= 0; i--) {
    const span = { from: book.client[i]!.from, to: Math.min(book.client[i]!.to, until) };
    let last: Laid | null = null;
    for (const t of allTimes(book, question(book, s, [span]))) last = met(t);
    if (last) return last;
  }
  const why = whyNone(book, s);
  return why === 'no-time' ? 'before' : why;
}

/** One step with where it can lie at the earliest. */
export interface Early {
  readonly step: Step;
  readonly at: Laid | null;
  /** where it is booked or given, but what comes before it is not done by then: ready only from here */
  readonly readyAt: Minute | null;
  readonly stuck: Stuck | null;
}

/**
 * From now on, each step as early as hands, rooms, client and waits allow. Steps follow one another, so that the
 * earliest end of each is the best for all that follow. What is booked or given stays where it is; where it is not
 * ready by then it is told, and what follows goes on from when it could be.
 */
export function forwards(book: PlanBook, chain: readonly Step[]): Early[] {
  const ends = new Map<string, End>();
  let before: End = { sure: book.now, day: book.now };
  let stuck: Stuck | null = null;
  const beginning = (step: Step, which: keyof End): Minute =>
    Math.max(
      before[which],
      ...step.waits.map((w) => {
        const end = ends.get(w.after);
        return end ? daysLater(book, end[which], w.days) : before[which];
      }),
      step.notBefore === null ? before[which] : startOfDay(book, step.notBefore),
    );
  return chain.map((step): Early => {
    if (stuck) return { step, at: null, readyAt: null, stuck };
    const from = beginning(step, 'sure');
    const fixed = fixedAt(book, step);
    // What goes on just now with nothing left before it is not too early.
    const begun = fixed !== null && ends.size === 0 && fixed.start <= book.now;
    const late =
      fixed !== null && !begun && beginning(step, 'day') > (step.given ? fixed.end - 1 : fixed.start);
    const laid =
      fixed && !late ? fixed : step.does === 'work' ? workFrom(book, step, from) : meetFrom(book, step, from);
    if (laid === 'no-skill' || laid === 'no-room') {
      // Somebody or some room must be found first; what follows is reckoned as if it were done without waiting.
      before = { sure: from + step.minutes, day: from + step.minutes };
      ends.set(step.id, before);
      return { step, at: fixed, readyAt: null, stuck: laid };
    }
    if (typeof laid === 'string') {
      stuck = laid;
      return { step, at: fixed, readyAt: null, stuck };
    }
    // Work given for a day is done at some time of it: what is booked or given for that day may still follow it.
    before = { sure: laid.end, day: laid === fixed && step.given ? dayStart(book, laid.end - 1) : laid.end };
    ends.set(step.id, before);
    return { step, at: fixed ?? laid, readyAt: late ? laid.start : null, stuck: null };
  });
}

/** When a step is done: for certain, and at the soonest where only its day is known. */
interface End {
  readonly sure: Minute;
  readonly day: Minute;
}

/** Where a step is booked, or given at the bench: then it may be begun late on its last day, so it counts as done at its end. */
function fixedAt(book: PlanBook, s: Step): Laid | null {
  // One that is over and of which nothing is told was not held, as far as is known.
  if (s.booked && s.booked.end <= book.now) return null;
  if (s.booked)
    return { start: s.booked.start, end: s.booked.end, staff: s.booked.staff, room: null, parts: [] };
  if (!s.given) return null;
  const [from, to] = [startOfDay(book, s.given.first), endOfDay(book, s.given.last)];
  // What was given for a day that is past and is not done is to be done now.
  if (to <= book.now) return null;
  return { start: Math.max(from, book.now), end: to, staff: s.given.staff, room: null, parts: [] };
}

/** One step with where it can lie at the latest; null where it should have been begun before now. */
export interface Late {
  readonly step: Step;
  readonly at: Laid | null;
  readonly stuck: Stuck | null;
}

/** Back from the last day, each step as late as all that follow it allow. Without a last day nothing is late. */
export function backwards(book: PlanBook, chain: readonly Step[]): Late[] {
  const starts = new Map<string, Minute>();
  let after = Number.POSITIVE_INFINITY;
  let stuck: Stuck | null = null;
  const out = [...chain].reverse().map((step): Late => {
    const until = Math.min(
      after,
      step.notAfter === null ? after : endOfDay(book, step.notAfter),
      ...chain.flatMap((later) =>
        later.waits
          .filter((w) => w.after === step.id && starts.has(later.id))
          .map((w) => daysBefore(book, starts.get(later.id)!, w.days)),
      ),
    );
    if (until === Number.POSITIVE_INFINITY && !step.booked && !step.given)
      return { step, at: null, stuck: null };
    const fixed = fixedAt(book, step);
    if (stuck && !fixed) return { step, at: null, stuck };
    const laid =
      fixed ?? (step.does === 'work' ? workUntil(book, step, until) : meetUntil(book, step, until));
    const opens = step.notBefore === null ? book.now : Math.max(book.now, startOfDay(book, step.notBefore));
    if (laid === 'no-skill' || laid === 'no-room') {
      after = until - step.minutes;
      starts.set(step.id, after);
      return { step, at: null, stuck: laid };
    }
    if (typeof laid === 'string' || laid.start < opens) {
      stuck = typeof laid === 'string' ? laid : 'before';
      return { step, at: null, stuck };
    }
    stuck = null;
    after = laid.start;
    starts.set(step.id, laid.start);
    return { step, at: laid, stuck: null };
  });
  return out.reverse();
}
