import { chance } from '../units/chance.ts';
import { placer } from './place.ts';
import { separated } from './separate.ts';
import type { Lying, Task } from './task.ts';

/** Of the first seconds so much goes into trying orders, ms; the rest into shortening the best. */
const ORDERS = 300;
/** Each shorter length tried is this part of the best one’s. */
const SHORTER = 0.985;
const LEAST_SHORTER = 0.996;

export interface Looking {
  readonly seed: number;
  /** the time now, ms, from any beginning */
  readonly now: () => number;
  /** how long is looked for, ms */
  readonly time: number;
  /** each better lay, the first at once */
  readonly better?: (lying: Lying) => void;
  /** a lay to begin with: it is never made worse */
  readonly from?: Lying | null;
  /** given up from outside */
  readonly stopped?: () => boolean;
}

/** The pieces’ orders that hands begin with: the longest first, the largest, the widest. */
function firstOrders(task: Task): number[][] {
  const shape = (i: number) => task.offsets.shapes[task.items[i]!.variants[0]!.shape]!;
  const by = (worth: (i: number) => number) =>
    task.items.map((_, i) => i).sort((a, b) => worth(b) - worth(a) || a - b);
  return [by((i) => shape(i).height), by((i) => shape(i).height * shape(i).width), by((i) => shape(i).width)];
}

/** Now and then two pieces have changed places, so that not the same is tried again. */
function disturbed(lying: Lying, rnd: () => number): Lying {
  const n = lying.at.length;
  if (n < 3 || rnd() < 0.5) return lying;
  const [a, b] = [Math.floor(rnd() * n), Math.floor(rnd() * n)];
  const at = lying.at.slice();
  [at[a], at[b]] = [at[b]!, at[a]!];
  return { ...lying, at };
}

/**
 * Looks for a short lay: orders of laying tried by chance, then the best of them made shorter step by step.
 * The same seed finds the same lays in the same order; how far it comes in a time depends on the machine.
 * @returns null where a piece goes onto the cloth nowhere
 */
export function search(task: Task, { seed, now, time, better, from = null, stopped }: Looking): Lying | null {
  if (task.items.some((i) => i.variants.length === 0)) return null;
  const end = now() + time;
  const rnd = chance(seed);
  const over = () => now() > end || stopped?.() === true;
  const { lay } = placer(task);
  let best: Lying | null = from;
  const keep = (found: Lying | null): boolean => {
    if (!found || (best && found.length >= best.length - 1e-6)) return false;
    best = found;
    better?.(found);
    return true;
  };
  if (best) better?.(best);
  let own: { order: number[]; length: number } | null = null;
  for (const order of firstOrders(task)) {
    const found = lay(order, Number.POSITIVE_INFINITY);
    if (!found) return best;
    if (!own || found.length < own.length) own = { order, length: found.length };
    keep(found);
    if (over()) return best;
  }
  const n = task.items.length;
  const until = Math.min(end, now() + ORDERS);
  // Orders by chance, worse ones taken less and less: two pieces change places, or one comes first.
  for (let heat = 1; n > 1 && now() < until && !stopped?.(); heat *= 0.995) {
    const order = own!.order.slice();
    const [a, b] = [Math.floor(rnd() * n), Math.floor(rnd() * n)];
    if (rnd() < 0.3) order.unshift(...order.splice(a, 1));
    else [order[a], order[b]] = [order[b]!, order[a]!];
    const found = lay(order, own!.length * (1 + 0.03 * heat));
    if (!found) continue;
    if (found.length <= own!.length || rnd() < 0.2 * heat) own = { order, length: found.length };
    keep(found);
  }
  // No lay is shorter than its longest piece.
  const least = Math.max(
    ...task.items.map((i) => Math.min(...i.variants.map((v) => task.offsets.shapes[v.shape]!.height))),
  );
  let by = SHORTER;
  while (!over() && best && best.length > least + 1e-6) {
    const goal = best.length * by;
    const found = separated(task, disturbed(best, rnd), goal, rnd, over);
    by = keep(found) || by !== SHORTER ? SHORTER : LEAST_SHORTER;
  }
  return best;
}
