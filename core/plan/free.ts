import type { DiaryBook, Hand } from '../diary/find.ts';
import { common, joined, lengthOf, without } from '../diary/spans.ts';
import type { Minute, Span } from '../diary/zoned.ts';

/** What is free of somebody's hours from now on: less closed days, what is booked, and minutes given at the bench. */
export function freeOf(hand: Hand, closed: readonly Span[], days: readonly Span[], now: Minute): Span[] {
  const ahead = [{ from: now, to: Number.POSITIVE_INFINITY }];
  const free = without(without(common(hand.works, ahead), closed), hand.busy);
  const bench = hand.bench ?? [];
  if (bench.length === 0) return free;
  // Work given for a day lies anywhere in it; the plan reckons with it as the last of the day.
  const full = new Map(bench.map((b) => [b.from, b.left]));
  return joined(
    days.flatMap((day) => {
      const spans = common(free, [day]);
      const left = full.get(day.from);
      return left === undefined ? spans : firstOf(spans, left);
    }),
  );
}

/** The first so many minutes of some spans. */
export function firstOf(spans: readonly Span[], minutes: number): Span[] {
  if (lengthOf(spans) <= minutes) return [...spans];
  const out: Span[] = [];
  let left = Math.max(0, minutes);
  for (const s of spans) {
    if (left <= 0) break;
    const to = Math.min(s.to, s.from + left);
    out.push({ from: s.from, to });
    left -= to - s.from;
  }
  return out;
}

/** The same hands with another one who is there whenever the house is open, and has nothing else to do. */
export const withAnother = (staff: DiaryBook['staff'], open: readonly Span[]): Hand[] => [
  ...staff,
  { id: -1, name: 'another hand', skills: ['tailoring'], works: open, busy: [] },
];

/** The same hands, each so many minutes longer after the last hour of every day on which they work. */
export function withOvertime(
  staff: DiaryBook['staff'],
  hours: ReadonlyMap<number, readonly Span[]>,
  days: readonly Span[],
  minutes: number,
): Hand[] {
  return staff.map((h) => {
    const more = days.flatMap((day) => {
      const last = common(hours.get(h.id) ?? [], [day]).at(-1);
      return last ? [{ from: last.to, to: last.to + minutes }] : [];
    });
    return { ...h, works: joined([...h.works, ...more]) };
  });
}
