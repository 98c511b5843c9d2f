import { type Lying, onRepeat, placesIn, type Task, type Variant } from './task.ts';

/** Sweeps over all pieces before a shorter length is given up. */
const SWEEPS = 60;
/** Columns a piece is tried in at once, beside those next to where it lies. */
const TRIES = 28;
const NEAR = 6;

/** Whether a place lies in one of the forbidden stretches of a piece that lies at `base`. */
function liesIn(stretches: ArrayLike<number>, base: number, at: number): boolean {
  for (let j = 0; j < stretches.length; j += 2)
    if (at > stretches[j]! + base + 1e-7 && at < stretches[j + 1]! + base - 1e-7) return true;
  return false;
}

/**
 * Pushes pieces apart within a length that is too short for how they lie: one after another each that lies over another
 * goes where it does so least, and those that keep meeting weigh more from sweep to sweep (guided local search).
 * Null where it did not come out even.
 */
export function separated(
  task: Task,
  from: Lying,
  length: number,
  rnd: () => number,
  stop: () => boolean,
): Lying | null {
  const { items, offsets, obstacles } = task;
  const n = items.length;
  const places = placesIn(task);
  const [variant, column, at] = [from.variant.slice(), from.column.slice(), from.at.slice()];
  const shapeOf = (i: number) => items[i]!.variants[variant[i]!]!.shape;
  const roomFor = (v: Variant) => length - offsets.shapes[v.shape]!.height;
  const within = (where: number, v: Variant): number => {
    const most = roomFor(v);
    const on = onRepeat(Math.min(where, most), v);
    return on > most + 1e-9 && v.repeat ? on - v.repeat.every : on;
  };
  for (let i = 0; i < n; i++) {
    const v = items[i]!.variants[variant[i]!]!;
    at[i] = within(at[i]!, v);
    if (at[i]! < -1e-9) return null;
  }
  const total = n + obstacles.length;
  const weights = new Float64Array(n * total).fill(1);
  const other = (k: number) =>
    k < n ? { shape: shapeOf(k), column: column[k]!, at: at[k]! } : obstacles[k - n]!;
  /** How far a shape there reaches into what must not be met, each weighed; `bad` all stretches that it may not lie in. */
  const gather = (i: number, shape: number, c: number, into: number[]) => {
    into.length = 0;
    for (let k = 0; k < total; k++) {
      if (k === i) continue;
      const o = other(k);
      const pairs = offsets.of(o.shape, shape, c - o.column);
      const w = weights[i * total + k]!;
      for (let j = 0; j < pairs.length; j += 2) into.push(pairs[j]! + o.at, pairs[j + 1]! + o.at, w);
    }
  };
  const costAt = (where: number, bad: readonly number[], worst: number): number => {
    let sum = 0;
    for (let j = 0; j < bad.length; j += 3) {
      const [lo, hi] = [bad[j]!, bad[j + 1]!];
      if (where > lo + 1e-7 && where < hi - 1e-7) {
        // Deep inside or just over the edge, a place that is taken is taken.
        sum += bad[j + 2]! * (Math.min(where - lo, hi - where) + 0.2);
        if (sum >= worst) return sum;
      }
    }
    return sum;
  };
  const bad: number[] = [];
  const meets = (i: number): number => {
    gather(i, shapeOf(i), column[i]!, bad);
    return costAt(at[i]!, bad, Number.POSITIVE_INFINITY);
  };
  const move = (i: number): void => {
    let [best, bestV, bestC, bestAt] = [meets(i), variant[i]!, column[i]!, at[i]!];
    items[i]!.variants.forEach((v, nth) => {
      const most = roomFor(v);
      if (most < -1e-9) return;
      const own = places[i]![nth]!;
      const tries = new Set<number>();
      if (own.length <= TRIES + 2 * NEAR) for (const c of own) tries.add(c);
      else {
        for (let k = 0; k < TRIES; k++) tries.add(own[Math.floor(rnd() * own.length)]!);
        for (let k = -NEAR; k <= NEAR; k++)
          if (column[i]! + k >= own[0]! && column[i]! + k <= own.at(-1)!) tries.add(column[i]! + k);
        tries.add(own[0]!).add(own.at(-1)!);
      }
      for (const c of tries) {
        gather(i, v.shape, c, bad);
        const consider = (where: number) => {
          if (where < -1e-9 || where > most + 1e-9) return;
          const on = v.repeat ? within(where, v) : where;
          if (on < -1e-9) return;
          const cost = costAt(on, bad, best);
          if (cost < best - 1e-9) [best, bestV, bestC, bestAt] = [cost, nth, c, Math.max(0, on)];
        };
        consider(0);
        consider(most);
        for (let j = 0; j < bad.length; j += 3) {
          consider(bad[j]!);
          consider(bad[j + 1]!);
        }
        if (best === 0) break;
      }
    });
    variant[i] = bestV;
    column[i] = bestC;
    at[i] = bestAt;
  };
  const order = Array.from({ length: n }, (_, i) => i);
  for (let sweep = 0; sweep < SWEEPS; sweep++) {
    for (let k = n - 1; k > 0; k--) {
      const j = Math.floor(rnd() * (k + 1));
      [order[k], order[j]] = [order[j]!, order[k]!];
    }
    let clear = true;
    for (const i of order)
      if (meets(i) > 0) {
        clear = false;
        move(i);
        if (stop()) return null;
      }
    if (clear) {
      const own = Math.max(...order.map((i) => at[i]! + offsets.shapes[shapeOf(i)]!.height));
      return { variant, column, at, length: own };
    }
    for (let i = 0; i < n; i++)
      for (let k = 0; k < total; k++) {
        if (k === i) continue;
        const o = other(k);
        if (liesIn(offsets.of(o.shape, shapeOf(i), column[i]! - o.column), o.at, at[i]!))
          weights[i * total + k]! *= 1.5;
      }
  }
  return null;
}
