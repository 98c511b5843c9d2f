import { chance as seeded } from '../units/chance.ts';
import type { Step } from './chain.ts';
import type { Draw } from './past.ts';
import { dayOf, forwards, type PlanBook } from './schedule.ts';

/** How often a plan was tried with other times. */
export const RUNS = 160;

/**
 * The share of tries in which the last step is done on the day or before it, when every step takes as long as one drawn
 * from the past says. Seeded: the same question gives the same answer. What is booked or given stays where it is.
 * @param by yyyy-mm-dd
 */
export function chanceOf(
  book: PlanBook,
  chain: readonly Step[],
  by: string,
  draw: Draw,
  { runs = RUNS, seed = 7 }: { readonly runs?: number; readonly seed?: number } = {},
): number {
  const chance = seeded(seed);
  let held = 0;
  for (let i = 0; i < runs; i++) {
    const tried = chain.map((s) =>
      s.work === null ? s : { ...s, minutes: Math.max(0, Math.round(s.minutes * draw(s.work, chance))) },
    );
    const early = forwards(book, tried);
    const last = early.at(-1);
    if (!last) return 1;
    if (early.some((e) => e.stuck !== null)) continue;
    if (dayOf(book, (last.readyAt ?? last.at!.end) - 1) <= by) held++;
  }
  return held / runs;
}

/** "8 in 10". Never more than is known: certainty is told as "more than 9 in 10". */
export function chanceWords(chance: number): string {
  const n = Math.round(chance * 10);
  return n >= 10 ? 'more than 9 in 10' : n <= 0 ? 'less than 1 in 10' : `${n} in 10`;
}
