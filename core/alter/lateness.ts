import { printShortDate } from '../dates/print.ts';
import type { DateOrder } from '../dates/read-date.ts';
import { daysBetween } from '../dates/studio-day.ts';
import type { AlterationState } from './status.ts';

/** What decides whether an alteration will be there in time. Days yyyy-mm-dd. */
export interface Waiting {
  readonly status: AlterationState;
  /** whose it is; null while nobody has it */
  readonly staffId: number | null;
  /** the day it is given to somebody for */
  readonly day: string | null;
  readonly neededOn: string | null;
  /** the day of the order’s next appointment */
  readonly nextOn: string | null;
}

/** Days ahead in which somebody should have it, and in which it should be checked (house figures, no source). */
const TAKEN_BY = 4;
const CHECKED_BY = 1;

/** The day it must be there: what was promised, or the next appointment when that is sooner. */
export const neededBy = ({ neededOn, nextOn }: Pick<Waiting, 'neededOn' | 'nextOn'>): string | null =>
  [neededOn, nextOn].filter((d) => d !== null).sort()[0] ?? null;

/** One sentence when it is late or in danger of it, and why; else null. */
export function latenessWords(w: Waiting, today: string, order: DateOrder): string | null {
  const by = neededBy(w);
  if (by === null) return null;
  const on = printShortDate(by, today, order);
  const left = daysBetween(today, by);
  if (left < 0) return `It was needed on ${on}.`;
  if (w.status === 'asked') return left <= TAKEN_BY ? `Needed on ${on}, not agreed yet.` : null;
  if (w.status === 'done') return left <= CHECKED_BY ? `Needed on ${on}, waiting to be checked.` : null;
  if (left === 0) return 'Needed today, not done yet.';
  if (w.day !== null && w.day > by)
    return `Assigned for ${printShortDate(w.day, today, order)}, but needed on ${on}.`;
  if (w.staffId === null) return left <= TAKEN_BY ? `Needed on ${on}, unassigned.` : null;
  return w.day !== null && w.day < today
    ? `Assigned for ${printShortDate(w.day, today, order)}, not done.`
    : null;
}
