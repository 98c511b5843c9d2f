import type { Point } from '../draft/curve.ts';

/** Cloth is looked at in columns so wide along its length, cm. */
export const COLUMN = 0.5;
const HAIR = 1e-7;

/** A shape as the columns see it: in each column what it takes of the length, as pairs from and to, cm, exact and never less. */
export interface Columns {
  readonly columns: readonly Float64Array[];
  /** cm; across the cloth and along it */
  readonly width: number;
  readonly height: number;
}

/** Joins stretches that touch or overlap, from the lowest. */
function merged(pairs: (readonly [number, number])[]): Float64Array {
  pairs.sort((a, b) => a[0] - b[0]);
  const out: number[] = [];
  for (const [lo, hi] of pairs) {
    const last = out.length - 1;
    if (last > 0 && lo <= out[last]! + HAIR) out[last] = Math.max(out[last]!, hi);
    else out.push(lo, hi);
  }
  return Float64Array.from(out);
}

/** Where an upright line at x runs inside a ring: pairs from and to. */
function insideAt(ring: readonly Point[], x: number): [number, number][] {
  const at: number[] = [];
  ring.forEach(([x0, y0], i) => {
    const [x1, y1] = ring[(i + 1) % ring.length]!;
    if (x0 > x !== x1 > x) at.push(y0 + ((x - x0) * (y1 - y0)) / (x1 - x0));
  });
  at.sort((a, b) => a - b);
  return at.flatMap((y, i) => (i % 2 === 1 ? [[at[i - 1]!, y] as [number, number]] : []));
}

/**
 * A simple ring in columns. Its box begins at 0, 0; `shift` moves it to the right within its first column, cm.
 * The ring’s part within a column is projected onto the length: by its stretches of outline and by where the column’s own
 * edges run inside it, so nothing of it is missed.
 */
export function columnsOf(ring: readonly Point[], shift = 0): Columns {
  const width = Math.max(...ring.map(([x]) => x));
  const height = Math.max(...ring.map(([, y]) => y));
  const count = Math.max(1, Math.ceil((width + shift) / COLUMN - 1e-6));
  const found: (readonly [number, number])[][] = Array.from({ length: count }, () => []);
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!;
    const [x0, x1] = ax <= bx ? [ax + shift, bx + shift] : [bx + shift, ax + shift];
    const from = Math.max(0, Math.floor(x0 / COLUMN + 1e-9));
    const to = Math.min(count - 1, Math.floor(x1 / COLUMN - 1e-9));
    // An upright stretch between two columns is in neither: what lies beside it is found at their own edges.
    for (let c = from; c <= to; c++) {
      const at = (x: number) =>
        Math.abs(bx - ax) < 1e-12 ? ay : ay + ((x - shift - ax) * (by - ay)) / (bx - ax);
      const [l, r] = [Math.max(x0, c * COLUMN), Math.min(x1, (c + 1) * COLUMN)];
      const [y0, y1] = Math.abs(bx - ax) < 1e-12 ? [ay, by] : [at(l), at(r)];
      found[c]!.push([Math.min(y0, y1), Math.max(y0, y1)]);
    }
  });
  for (let c = 0; c < count; c++)
    for (const x of [c * COLUMN + HAIR, (c + 1) * COLUMN - HAIR])
      found[c]!.push(...insideAt(ring, x - shift));
  return { columns: found.map(merged), width: width + shift, height };
}

/**
 * Where a shape may not lie beside another: stretches of the second one’s offset along the cloth, from the first one’s,
 * when it begins `apart` columns to the right of the first. Open at both ends: to touch is allowed.
 */
export function forbidden(first: Columns, second: Columns, apart: number): Float64Array {
  const pairs: [number, number][] = [];
  const from = Math.max(0, -apart);
  const to = Math.min(second.columns.length, first.columns.length - apart);
  for (let c = from; c < to; c++) {
    const a = first.columns[c + apart]!;
    const b = second.columns[c]!;
    for (let i = 0; i < a.length; i += 2)
      for (let j = 0; j < b.length; j += 2) pairs.push([a[i]! - b[j + 1]!, a[i + 1]! - b[j]!]);
  }
  if (pairs.length === 0) return NOTHING;
  // Stretches that only touch leave one place between them; it is closed, nobody lays that exactly.
  return merged(pairs);
}
const NOTHING = new Float64Array(0);

/** Forbidden offsets of every pair of shapes, worked out when first asked for. */
export class Offsets {
  readonly shapes: Columns[] = [];
  private readonly tables: (Float64Array | undefined)[][][] = [];

  add(shape: Columns): number {
    this.shapes.push(shape);
    return this.shapes.length - 1;
  }

  of(first: number, second: number, apart: number): Float64Array {
    const row = this.tables[first] ?? [];
    this.tables[first] = row;
    const table = row[second] ?? [];
    row[second] = table;
    const at = apart + this.shapes[second]!.columns.length;
    // Not beside each other at all.
    if (at <= 0 || apart >= this.shapes[first]!.columns.length) return NOTHING;
    let found = table[at];
    if (!found) {
      found = forbidden(this.shapes[first]!, this.shapes[second]!, apart);
      table[at] = found;
    }
    return found;
  }
}
