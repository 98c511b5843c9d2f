import { type HouseTimes, TIMES, WORK_STEPS, type WorkStep } from './times.ts';

/**
 * What the house's table of a step is of the one that ships: work that was given by an earlier table is brought to
 * today's by it, or a table that was corrected by the past would be corrected again by the same past.
 */
export function ofTable(step: WorkStep, house: HouseTimes): number {
  const lines = TIMES.filter((t) => t.step === step);
  const sum = (of: (t: (typeof TIMES)[number]) => number) => lines.reduce((all, t) => all + of(t), 0);
  return Math.max(0.01, sum((t) => house.minutes[t.id] ?? t.minutes) / sum((t) => t.minutes));
}

/** A piece of work as it was given and as long as it took, minutes. */
export interface Case {
  readonly step: WorkStep;
  readonly given: number;
  readonly took: number;
}
/** What a step usually takes of the time the table gives it: 1.2 is a fifth more. */
export interface Past {
  readonly step: WorkStep;
  readonly name: string;
  readonly cases: number;
  readonly median: number;
  /** eight in ten lie between these */
  readonly low: number;
  readonly high: number;
  /** every factor there was, in order */
  readonly factors: readonly number[];
}

/** The kind of work of a step by its id in a plan: `changes-2` is changes; null for one that was added. */
export const workStepOf = (id: string): WorkStep | null =>
  (Object.keys(WORK_STEPS) as WorkStep[]).find(
    (s) => id === s || (s === 'changes' && /^changes-\d+$/.test(id)),
  ) ?? null;

/** With fewer cases the house's table alone is used (house figure, no source). */
export const ENOUGH = 8;

/** A share of a list in order, between its neighbours (the common linear definition, from memory). */
export function quantile(of: readonly number[], share: number): number {
  const at = (of.length - 1) * share;
  const [a, b] = [of[Math.floor(at)]!, of[Math.ceil(at)]!];
  return a + (b - a) * (at - Math.floor(at));
}

/** The studio's own past, step by step; only steps with enough cases. Pure. */
export function pastOf(cases: readonly Case[]): Past[] {
  return (Object.keys(WORK_STEPS) as WorkStep[]).flatMap((step): Past[] => {
    const factors = cases
      .filter((c) => c.step === step && c.given > 0)
      .map((c) => c.took / c.given)
      .sort((a, b) => a - b);
    if (factors.length < ENOUGH) return [];
    return [
      {
        step,
        name: WORK_STEPS[step],
        cases: factors.length,
        median: quantile(factors, 0.5),
        low: quantile(factors, 0.1),
        high: quantile(factors, 0.9),
        factors,
      },
    ];
  });
}

/** How a step's factor is drawn: by chance between 0 and 1. */
export type Draw = (step: WorkStep, chance: () => number) => number;

/**
 * Draws a factor from a studio's past: one of those there were, or between two that follow each other, and beyond the
 * outermost by as much as their neighbour lies within, since a few cases never show the whole spread. 1 where there is none.
 */
export function drawFrom(past: readonly Past[]): Draw {
  const by = new Map(past.map((p) => [p.step, p.factors]));
  return (step, chance) => {
    const of = by.get(step);
    if (!of) return 1;
    const at = chance() * (of.length + 1) - 1;
    const last = of.length - 1;
    const beyond =
      at < 0
        ? of[0]! + at * (of[1]! - of[0]!)
        : at > last
          ? of[last]! + (at - last) * (of[last]! - of[last - 1]!)
          : null;
    return Math.max(0.05, beyond ?? quantile(of, at / last));
  };
}
