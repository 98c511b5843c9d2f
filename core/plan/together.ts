import { daysBetween } from '../dates/studio-day.ts';
import type { Hand, RoomBook } from '../diary/find.ts';
import { common, joined, lengthOf, withMore, without } from '../diary/spans.ts';
import type { Span } from '../diary/zoned.ts';
import { answerOf, type LastDays, type PlanAnswer, type PlanGround } from './answer.ts';
import type { Choices, Step } from './chain.ts';
import type { PlanBook } from './schedule.ts';

/** One order among others. */
export interface AmongOthers {
  readonly id: number;
  readonly clientId: number;
  readonly chain: (choices: Choices) => readonly Step[];
  readonly choices: Choices;
  readonly last: LastDays;
  /** when this client can come, in order */
  readonly client: readonly Span[];
}
/** A chain that is worked out once for the order's own choices: what is supposed plans it again. */
export function once(own: Choices, chain: AmongOthers['chain']): AmongOthers['chain'] {
  let steps: readonly Step[] | null = null;
  return (choices) => {
    if (choices !== own) return chain(choices);
    steps ??= chain(own);
    return steps;
  };
}
/** What becomes of it when all are planned together. */
export interface Held {
  readonly id: number;
  readonly answer: PlanAnswer;
  /** days between the earliest it is ready and the day of hand-over; null where one of them is not known */
  readonly spare: number | null;
  readonly last: LastDays;
}
export interface Together {
  /** in the order in which they were planned: the sooner to be handed over, the sooner planned */
  readonly held: readonly Held[];
  /** what each hand has left, week by week from today, minutes: free, and of that planned but not given */
  readonly weeks: readonly { readonly from: string; readonly hands: readonly WeekOfHand[] }[];
}
export interface WeekOfHand {
  readonly id: number;
  readonly free: number;
  readonly planned: number;
}

/** For so many that do not hold it is worked out what would help, and for as many late ones besides: each costs as much as planning it anew several times. */
const WAYS_FOR = 12;

/**
 * Plans many orders over the same hands and rooms: the one to be handed over first comes first, and what it takes the
 * others do not have. That order of precedence is a choice, not the best there could be. Pure.
 * @param first the id of one that has the first choice of all, whenever it is handed over
 */
export function planTogether(
  ground: PlanGround,
  orders: readonly AmongOthers[],
  ways = WAYS_FOR,
  first: number | null = null,
): Together {
  let [left, late] = [ways, ways];
  const inTurn = [...orders].sort(
    (a, b) =>
      Number(b.id === first) - Number(a.id === first) ||
      (a.last.handOver ?? '9999').localeCompare(b.last.handOver ?? '9999') ||
      a.id - b.id,
  );
  const hands = new Map<number, Hand>(ground.book.staff.map((h) => [h.id, h]));
  const rooms = new Map<number, RoomBook>(ground.book.rooms.map((r) => [r.id, r]));
  const visits = new Map<number, Span[]>();
  const held = inTurn.map((o): Held => {
    const book: PlanBook = {
      ...ground.book,
      staff: [...hands.values()],
      rooms: [...rooms.values()],
      client: without(o.client, joined(visits.get(o.clientId) ?? [])),
    };
    const answer = answerOf({ ...ground, book }, o.chain, o.choices, o.last, {
      ways: left > 0 || (late > 0 && 'late'),
      latest: false,
    });
    if (answer.would.length > 0 && left > 0) left--;
    else if (answer.would.length > 0) late--;
    for (const s of answer.steps) {
      if (!s.earliest || s.step.booked || s.step.given) continue;
      const { start, end, staff, room, parts } = s.earliest;
      const buffer = s.step.kind === null ? 0 : (book.rooming.get(s.step.kind)?.buffer ?? 0);
      const kept = s.step.does === 'work' ? parts : [{ from: start, to: end + buffer }];
      for (const id of staff) hands.set(id, taken(hands.get(id)!, kept));
      if (s.step.does === 'meeting') {
        if (room !== null)
          rooms.set(room, { ...rooms.get(room)!, busy: withMore(rooms.get(room)!.busy, kept) });
        visits.set(o.clientId, [...(visits.get(o.clientId) ?? []), { from: start, to: end }]);
      }
    }
    const spare =
      answer.ready === null || o.last.handOver === null ? null : daysBetween(answer.ready, o.last.handOver);
    return { id: o.id, answer, spare, last: o.last };
  });
  return { held, weeks: weeksOf(ground.book, hands) };
}

const taken = (h: Hand, kept: readonly Span[]): Hand => ({
  ...h,
  works: without(h.works, kept),
  busy: withMore(h.busy, kept),
});

/** Weeks of seven days from today. */
function weeksOf(book: PlanBook, after: ReadonlyMap<number, Hand>): Together['weeks'] {
  const weeks = book.days.flatMap((d, i) =>
    i % 7 === 0 ? [{ first: d, last: book.days[Math.min(i + 6, book.days.length - 1)]! }] : [],
  );
  return weeks.slice(0, 8).map(({ first, last }) => {
    const span = { from: first.from, to: last.to };
    return {
      from: first.day,
      hands: book.staff.map((h) => {
        const free = lengthOf(common(h.works, [span]));
        return { id: h.id, free, planned: free - lengthOf(common(after.get(h.id)!.works, [span])) };
      }),
    };
  });
}

/** Promises that break, or break worse, in the order of the day they are handed over. */
export function brokenBy(before: Together, after: Together): { readonly was: Held; readonly is: Held }[] {
  const was = new Map(before.held.map((h) => [h.id, h]));
  return after.held.flatMap((is) => {
    const then = was.get(is.id);
    if (!then) return [];
    const later =
      then.answer.ready !== null && (is.answer.ready === null || is.answer.ready > then.answer.ready);
    // Without a day nothing was promised.
    const breaks =
      is.last.handOver !== null && is.answer.holds !== 'yes' && (then.answer.holds === 'yes' || later);
    return breaks || is.answer.broken.length > then.answer.broken.length ? [{ was: then, is }] : [];
  });
}
