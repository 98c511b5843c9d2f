import { type Lying, onRepeat, placesIn, type Task } from './task.ts';

/** A little of a lower place is worth so much of a lower end: pieces go into the gaps before they go on top. */
const LOW = 0.05;

export interface Placer {
  /** Lays the items in this order, each where it ends lowest; null where one of them goes onto the cloth nowhere. `give` up once longer than this. */
  lay(order: readonly number[], give: number): Lying | null;
}

/** Lays pieces one after another, each as far down the cloth as it goes. */
export function placer(task: Task): Placer {
  const { items, offsets, obstacles } = task;
  const places = placesIn(task);
  const most = items.length + obstacles.length;
  const [shapes, columns, at] = [new Int32Array(most), new Int32Array(most), new Float64Array(most)];
  let count = 0;
  const put = (shape: number, column: number, where: number) => {
    shapes[count] = shape;
    columns[count] = column;
    at[count] = where;
    count++;
  };
  /** A place moved past every forbidden stretch that it lies in, of one piece that lies at `base`. */
  const past = (
    bad: ArrayLike<number>,
    base: number,
    from: number,
    v: Task['items'][number]['variants'][number],
  ) => {
    let where = from;
    for (let i = 0; i < bad.length; i += 2)
      if (where > bad[i]! + base + 1e-9 && where < bad[i + 1]! + base - 1e-9)
        where = onRepeat(bad[i + 1]! + base, v);
    return where;
  };
  /** The lowest free place for a shape in a column, or infinity once it would end above `worst`. */
  const lowest = (
    shape: number,
    column: number,
    worst: number,
    v: Task['items'][number]['variants'][number],
  ) => {
    let where = onRepeat(0, v);
    for (let moved = true; moved; ) {
      moved = false;
      for (let k = 0; k < count; k++) {
        const clear = past(offsets.of(shapes[k]!, shape, column - columns[k]!), at[k]!, where, v);
        if (clear === where) continue;
        if (clear > worst) return Number.POSITIVE_INFINITY;
        where = clear;
        moved = true;
      }
    }
    return where;
  };
  return {
    lay(order, give) {
      count = 0;
      for (const o of obstacles) put(o.shape, o.column, o.at);
      const lying = {
        variant: new Int32Array(items.length),
        column: new Int32Array(items.length),
        at: new Float64Array(items.length),
        length: 0,
      };
      for (const i of order) {
        let [best, bestV, bestC, bestAt] = [Number.POSITIVE_INFINITY, -1, -1, 0];
        items[i]!.variants.forEach((v, n) => {
          const { height } = offsets.shapes[v.shape]!;
          for (const c of places[i]![n]!) {
            const where = lowest(v.shape, c, best - height, v);
            const worth = where + height + LOW * where;
            if (worth < best) [best, bestV, bestC, bestAt] = [worth, n, c, where];
          }
        });
        if (bestV < 0) return null;
        const v = items[i]!.variants[bestV]!;
        put(v.shape, bestC, bestAt);
        lying.variant[i] = bestV;
        lying.column[i] = bestC;
        lying.at[i] = bestAt;
        lying.length = Math.max(lying.length, bestAt + offsets.shapes[v.shape]!.height);
        if (lying.length > give) return null;
      }
      return lying;
    },
  };
}
