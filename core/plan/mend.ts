import { common, withMore, without } from '../diary/spans.ts';
import type { Span } from '../diary/zoned.ts';
import type { PlanGround } from './answer.ts';
import type { Step } from './chain.ts';
import { firstOf } from './free.ts';
import { dayOf, endOfDay, startOfDay } from './schedule.ts';
import { type AmongOthers, brokenBy, planTogether, type Together } from './together.ts';

/** What would mend a late order without anything else breaking, and how few are moved by it. */
export interface Mend {
  /** the late order, and the day on which it would be ready */
  readonly id: number;
  readonly ready: string;
  /** what moves for it; null where it only has to be served before the others */
  readonly moves: {
    readonly orderId: number;
    readonly step: string;
    /** an appointment moves a client, work at the bench moves nobody */
    readonly does: Step['does'];
    readonly to: string;
  } | null;
}

/**
 * The least that mends each late order, fewest moved clients first: being served before the others; then a piece of
 * another order's work given for another day; then an appointment of another client at another time. One change alone,
 * and only such as break no other promise. Pure.
 * @param goOn false once there is no more time: how many were not tried to the end is said
 */
export function leastChanges(
  ground: PlanGround,
  orders: readonly AmongOthers[],
  before: Together,
  goOn: () => boolean,
): { readonly mends: readonly Mend[]; readonly untried: number } {
  const late = before.held.filter((h) => h.answer.holds === 'no' && h.last.handOver !== null);
  const mends: Mend[] = [];
  const kept = (after: Together, id: number): string | null => {
    const { holds, ready } = after.held.find((h) => h.id === id)!.answer;
    return holds === 'yes' && ready !== null && brokenBy(before, after).length === 0 ? ready : null;
  };
  for (const [i, { id }] of late.entries()) {
    const untried = late.length - i;
    if (!goOn()) return { mends, untried };
    const ready = kept(planTogether(ground, orders, 0, id), id);
    if (ready !== null) {
      mends.push({ id, ready, moves: null });
      continue;
    }
    for (const { order, step, from } of movable(ground, orders, id)) {
      if (!goOn()) return { mends, untried };
      const loose = orders.map((o) => loosened(o, order, step));
      const after = planTogether(freed(ground, step), loose, 0, id);
      const day = kept(after, id);
      const to = after.held
        .find((h) => h.id === order.id)!
        .answer.steps.find((s) => s.step.id === step.id)?.earliest;
      // Work that would be done on its day all the same is not given for another one.
      const same = step.does === 'work' && to && dayOf(ground.book, to.start) === dayOf(ground.book, from);
      if (day === null || !to || same) continue;
      mends.push({
        id,
        ready: day,
        moves: { orderId: order.id, step: step.name, does: step.does, to: dayOf(ground.book, to.start) },
      });
      break;
    }
  }
  return { mends, untried: 0 };
}

/** What of other orders could move for this one: held by a hand it needs. Work first, since it moves no client; the sooner first. */
function movable(
  { book }: PlanGround,
  orders: readonly AmongOthers[],
  id: number,
): { readonly order: AmongOthers; readonly step: Step; readonly from: number }[] {
  const own = orders.find((o) => o.id === id)!;
  const steps = own.chain(own.choices);
  const wanted = new Set(steps.flatMap((s) => s.hands.flat()));
  // What several garments of one order are tried on at is its own appointment too.
  const mine = new Set(steps.flatMap((s) => s.booked?.id ?? []));
  const hands = new Set(book.staff.filter((h) => h.skills.some((k) => wanted.has(k))).map((h) => h.id));
  const until = own.last.handOver === null ? Number.POSITIVE_INFINITY : endOfDay(book, own.last.handOver);
  return orders
    .filter((o) => o.id !== id)
    .flatMap((order) =>
      order.chain(order.choices).flatMap((step) => {
        const held = step.booked ?? step.given;
        if (!held?.staff.some((h) => hands.has(h))) return [];
        if (step.booked && mine.has(step.booked.id)) return [];
        const from = step.booked ? step.booked.start : startOfDay(book, step.given!.first);
        const to = step.booked ? step.booked.end : endOfDay(book, step.given!.last);
        return to > book.now && from < until ? [{ order, step, from }] : [];
      }),
    )
    .sort((a, b) => Number(a.step.does === 'meeting') - Number(b.step.does === 'meeting') || a.from - b.from);
}

/** An order without this work, or without this appointment, which may be that of several garments. */
export const loosened = (o: AmongOthers, of: AmongOthers, { id, booked }: Step): AmongOthers =>
  booked === null && o !== of
    ? o
    : {
        ...o,
        chain: (choices) =>
          o
            .chain(choices)
            .map((s) =>
              (booked ? s.booked?.id === booked.id : s.id === id) ? { ...s, booked: null, given: null } : s,
            ),
      };

/**
 * The ground with the time of a step given back to those who held it: an appointment's with its time for changing, of work
 * at the bench as many minutes of what is kept for such on its days. The room of an appointment stays kept.
 */
export function freed(
  ground: PlanGround,
  step: Pick<Step, 'booked' | 'given' | 'kind' | 'minutes'>,
): PlanGround {
  const { book, hours } = ground;
  const back = (id: number, works: readonly Span[], busy: readonly Span[]): Span[] => {
    if (step.booked) {
      const buffer = step.kind === null ? 0 : (book.rooming.get(step.kind)?.buffer ?? 0);
      const span = [{ from: step.booked.start, to: step.booked.end + buffer }];
      return common(hours.get(id) ?? [], span).filter((s) => s.to > book.now);
    }
    const days = [
      { from: startOfDay(book, step.given!.first), to: endOfDay(book, step.given!.last) },
      { from: book.now, to: Number.POSITIVE_INFINITY },
    ] as const;
    const kept = without(without(common(common(hours.get(id) ?? [], [days[0]]), [days[1]]), busy), works);
    return firstOf(kept, step.minutes);
  };
  const staff = step.booked?.staff ?? step.given?.staff ?? [];
  return {
    ...ground,
    book: {
      ...book,
      staff: book.staff.map((h) => {
        if (!staff.includes(h.id)) return h;
        const more = back(h.id, h.works, h.busy);
        return { ...h, works: withMore(h.works, more), busy: step.booked ? without(h.busy, more) : h.busy };
      }),
    },
  };
}

/** The ground with a stretch of some hands' time kept for something. */
export const keptFor = (ground: PlanGround, staff: readonly number[], kept: Span): PlanGround => ({
  ...ground,
  book: {
    ...ground.book,
    staff: ground.book.staff.map((h) =>
      staff.includes(h.id) ? { ...h, works: without(h.works, [kept]), busy: withMore(h.busy, [kept]) } : h,
    ),
  },
});
