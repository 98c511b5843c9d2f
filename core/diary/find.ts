import type { RoomUse, Skill } from './kinds.ts';
import { hoursWord } from './load.ts';
import { clear, holds, indexAt } from './spans.ts';
import type { Minute, Span } from './zoned.ts';

/** Somebody of the staff over the weeks that are looked at. Spans in order, none touching. */
export interface Hand {
  readonly id: number;
  readonly name: string;
  readonly skills: readonly Skill[];
  /** hours less leave */
  readonly works: readonly Span[];
  /** kept for something, with the time for changing after it */
  readonly busy: readonly Span[];
  /** days on which work is promised at the bench, in order, with the minutes left beside it and what is booked */
  readonly bench?: readonly (Span & { readonly left: number })[];
}
export interface RoomBook {
  readonly id: number;
  readonly name: string;
  readonly goodFor: readonly RoomUse[];
  readonly busy: readonly Span[];
}
export interface DiaryBook {
  readonly staff: readonly Hand[];
  readonly rooms: readonly RoomBook[];
}

/** What is looked for. Times in minutes. */
export interface Question {
  readonly minutes: number;
  readonly buffer: number;
  /** one entry for each who takes part: any of these skills will do */
  readonly hands: readonly (readonly Skill[])[];
  /** what the room must be good for; null for no room */
  readonly room: readonly RoomUse[] | null;
  /** where the whole appointment may lie, in order */
  readonly within: readonly Span[];
  /** starts lie on multiples of this: 5 or 15 */
  readonly step: number;
  /** whom the client had last time */
  readonly prefer: readonly number[];
  /** from when what it needs will be there; null where that is not known or nothing is needed */
  readonly ready?: { readonly at: Minute; readonly because: string } | null;
}

/** A time at which everyone and a room are free. */
export interface FreeTime {
  readonly start: Minute;
  readonly end: Minute;
  /** in the order of the hands asked for */
  readonly staff: readonly number[];
  readonly room: number | null;
  readonly reasons: readonly string[];
}

/** A stretch of the day shorter than this is of no use to anybody, minutes. */
const SLIVER = 30;
/** What counts against a time, in minutes of waiting that one would rather accept. */
const COST = { notPreferred: 2 * 1440, sliver: 240, tooFull: 3 * 1440, notReady: 60 * 1440 } as const;

interface Candidate extends FreeTime {
  readonly cost: number;
}

/** Who may be each hand, none of them twice, the first that works in the order given; null when nobody can. */
function assign(hands: Question['hands'], free: readonly Hand[]): Hand[] | null {
  const taken: Hand[] = [];
  const place = (i: number): boolean => {
    if (i === hands.length) return true;
    for (const h of free) {
      if (taken.includes(h) || !hands[i]!.some((s) => h.skills.includes(s))) continue;
      taken.push(h);
      if (place(i + 1)) return true;
      taken.pop();
    }
    return false;
  };
  return place(0) ? taken : null;
}

const isFree = (h: Pick<Hand, 'busy'> & { works?: readonly Span[] }, q: Question, start: Minute): boolean =>
  (!h.works || holds(h.works, start, start + q.minutes)) &&
  clear(h.busy, start, start + q.minutes + q.buffer);

/** How much is left between this time and what lies beside it in somebody's day, and whether it joins on to a booking. */
function gaps(h: Hand, start: Minute, end: Minute): { before: number; after: number; joins: boolean } {
  const i = indexAt(h.busy, start);
  const work = h.works[indexAt(h.works, start)]!;
  const [last, next] = [h.busy[i], h.busy[i + 1]];
  const before = start - Math.max(work.from, last?.to ?? work.from);
  const after = Math.min(work.to, next?.from ?? work.to) - end;
  return { before, after, joins: last?.to === start || next?.from === end };
}

/** By how much an appointment would make somebody's day too full, what is promised at the bench counted, minutes. */
function tooFull(h: Hand, start: Minute, long: number): number {
  const day = h.bench?.[indexAt(h.bench, start)];
  return day && start < day.to ? Math.max(0, long - Math.max(0, day.left)) : 0;
}

/** Every start at which it can be done, with who and where, in order of time. */
export function* allTimes(book: DiaryBook, q: Question): Generator<Candidate> {
  const rooms = q.room === null ? [] : book.rooms.filter((r) => q.room!.every((u) => r.goodFor.includes(u)));
  const able = book.staff.filter((h) => q.hands.some((any) => any.some((s) => h.skills.includes(s))));
  const liked = new Set(q.prefer);
  const order = [...able].sort((a, b) => Number(liked.has(b.id)) - Number(liked.has(a.id)) || a.id - b.id);
  // The plainest room that will do, so that the others stay free for those who need them.
  const plain = [...rooms].sort((a, b) => a.goodFor.length - b.goodFor.length || a.id - b.id);
  const first = q.within[0]?.from ?? 0;
  for (const w of q.within)
    for (let t = Math.ceil(w.from / q.step) * q.step; t + q.minutes <= w.to; t += q.step) {
      const room = q.room === null ? null : plain.find((r) => isFree(r, q, t));
      if (room === undefined) continue;
      const free = order.filter((h) => isFree(h, q, t));
      const staff = free.length < q.hands.length ? null : assign(q.hands, free);
      if (!staff) continue;
      const end = t + q.minutes;
      const known = staff.filter((h) => liked.has(h.id)).map((h) => h.name);
      const early = q.ready && t < q.ready.at ? q.ready.because : null;
      const missing = liked.size > 0 && known.length === 0;
      const beside = staff.map((h) => gaps(h, t, end + q.buffer));
      const slivers = beside.filter(
        (g) => (g.before > 0 && g.before < SLIVER) || (g.after > 0 && g.after < SLIVER),
      ).length;
      const full = staff
        .map((h) => ({ name: h.name, by: tooFull(h, t, q.minutes + q.buffer) }))
        .filter((f) => f.by > 0);
      yield {
        start: t,
        end,
        staff: staff.map((h) => h.id),
        room: room?.id ?? null,
        cost:
          t -
          first +
          (missing ? COST.notPreferred : 0) +
          slivers * COST.sliver +
          full.length * COST.tooFull +
          (early ? COST.notReady : 0),
        reasons: [
          ...(early ? [early] : []),
          ...full.map((f) => `makes the day of ${f.name} ${hoursWord(f.by)} too full`),
          ...(missing
            ? ['not the person from before']
            : known.length > 0
              ? [`with ${known.join(' and ')}, as before`]
              : []),
          ...(slivers > 0 ? [`leaves a gap of less than ${SLIVER} minutes`] : []),
          ...(beside.some((g) => g.joins) && slivers === 0 ? ['next to another appointment'] : []),
        ],
      };
    }
}

/**
 * The best free times: near ones, with the hands of last time, that leave no useless rest; at most two of one day's
 * half and none over another, so that there is something to choose from and all of it could be offered. Pure. In order of what speaks for them, each with its reasons.
 * @param dayOf the wall day and half of an instant: what counts as near to each other
 */
export function findTimes(
  book: DiaryBook,
  q: Question,
  dayOf: (at: Minute) => string,
  most = 12,
): FreeTime[] {
  const best = [...allTimes(book, q)].sort((a, b) => a.cost - b.cost || a.start - b.start);
  const seen = new Map<string, number>();
  const out: FreeTime[] = [];
  for (const { cost: _, ...t } of best) {
    const half = dayOf(t.start);
    const n = seen.get(half) ?? 0;
    // Two that lie over each other could not both be offered.
    const over = (o: FreeTime) => o.start < t.end + q.buffer && t.start < o.end + q.buffer;
    if (n >= 2 || out.some(over)) continue;
    seen.set(half, n + 1);
    out.push(t);
    if (out.length === most) break;
  }
  return out;
}

/** The free times nearest to one that was wanted. */
export const nearestTo = (book: DiaryBook, q: Question, wanted: Minute, most = 3): FreeTime[] =>
  [...allTimes(book, q)]
    .sort((a, b) => Math.abs(a.start - wanted) - Math.abs(b.start - wanted) || a.start - b.start)
    .slice(0, most)
    .map(({ cost: _, ...t }) => t);

/**
 * Several appointments of one order in a row, each at least `apart` minutes after the one before: the earliest of each
 * that leaves the following ones possible. Empty when they do not fit.
 * @param lasts where the last one must lie, in order; undefined for wherever the question allows
 */
export function findSeries(
  book: DiaryBook,
  questions: readonly Question[],
  apart: number,
  lasts?: readonly Span[],
): FreeTime[] {
  const out: FreeTime[] = [];
  let notBefore = -Infinity;
  for (const [i, q] of questions.entries()) {
    const within = (i === questions.length - 1 && lasts ? lasts : q.within)
      .map((s) => ({ from: Math.max(s.from, notBefore), to: s.to }))
      .filter((s) => s.from < s.to);
    const next = allTimes(book, { ...q, within }).next();
    if (next.done) return [];
    const { cost: _, ...t } = next.value;
    out.push(t);
    notBefore = t.start + apart;
  }
  return out;
}
