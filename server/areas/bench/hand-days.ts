import type { BenchWeek } from '@rocchetto/contract';
import { common, lengthOf, without } from '@rocchetto/core/diary/spans.ts';
import { wholeDay } from '@rocchetto/core/diary/zoned.ts';
import type { Book } from '../../records/diary/book.ts';

/** What each day of each hand holds, minutes: hours less leave, appointments, work promised, and what is free from now on. */
export function handDays(book: Book, zone: string, days: readonly string[], now: Date): BenchWeek['hands'] {
  const minute = Math.floor(now.getTime() / 60_000);
  return book.staff.map(({ id, name, skills, works: hours, busy, bench }) => ({
    id,
    name,
    skills,
    days: days.map((day) => {
      const whole = wholeDay(zone, day);
      const works = common(without(hours, book.closed), [whole]);
      // Leave is kept too, and is no appointment: only what lies in the hours is.
      const booked = lengthOf(common(busy, works));
      const promised = bench?.find((b) => b.from === whole.from);
      const has = lengthOf(common(hours, [whole])) - lengthOf(common(busy, [whole]));
      const left = promised?.left ?? has;
      const ahead = { from: Math.max(whole.from, minute), to: whole.to };
      const still =
        ahead.from >= ahead.to ? 0 : lengthOf(common(works, [ahead])) - lengthOf(common(busy, [ahead]));
      return {
        works: lengthOf(works),
        booked,
        bench: promised ? has - promised.left : 0,
        free: Math.max(0, promised ? Math.min(still, left) : still),
      };
    }),
  }));
}
