import type { PlanView } from '@rocchetto/contract/plan.ts';
import { daysBetween } from '@rocchetto/core/dates/studio-day.ts';

/** Steps that are tied on the same day at the latest and can begin on the same day at the earliest: one knot. */
export interface Knot {
  /** their places in the list, counted from 1 */
  readonly first: number;
  readonly last: number;
  /** days from today */
  readonly early: number;
  readonly late: number;
  readonly tight: boolean;
  readonly booked: boolean;
  readonly says: string;
}

/** The knots of a plan along the days. A step without a latest day is tied where it can be at the earliest. */
export function knotsOf(plan: Pick<PlanView, 'steps' | 'today'>): Knot[] {
  const out: Knot[] = [];
  plan.steps.forEach((s, i) => {
    if (!s.earliest) return;
    const early = Math.max(0, daysBetween(plan.today, s.earliest.day));
    const late = s.latest ? daysBetween(plan.today, s.latest.day) : early;
    const before = out.at(-1);
    if (
      before &&
      before.early === early &&
      before.late === late &&
      before.last === i &&
      !before.booked &&
      !s.booked
    )
      out[out.length - 1] = {
        ...before,
        last: i + 1,
        tight: before.tight || s.tight,
        says: `${before.says}, ${s.name}`,
      };
    else out.push({ first: i + 1, last: i + 1, early, late, tight: s.tight, booked: s.booked, says: s.name });
  });
  return out;
}

/** How far slack thread hangs below its ends, in the units of the drawing: more for more days, never out of it. */
export const sag = (days: number, most: number): number => (days <= 0 ? 0 : most * (1 - Math.exp(-days / 9)));

/** In which row below one another knots stand whose numbers would lie over each other, by the places where they are tied. */
export function rowsOf(xs: readonly number[], apart: number): number[] {
  const ends: number[] = [];
  return xs.map((x) => {
    const free = ends.findIndex((end) => end <= x);
    const row = free < 0 ? ends.length : free;
    ends[row] = x + apart;
    return row;
  });
}
