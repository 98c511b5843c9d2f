import { endOf, startOf } from '@rocchetto/core/draft/curve.ts';
import type { Arranged } from '@rocchetto/core/pattern/arrange.ts';

/** A place on the table, cm. */
export type At = readonly [x: number, y: number];

/** The places one measures from: corners of seam lines, notches, ends of darts, each as it lies on the table. */
export function placesOf({ placed }: Arranged): At[] {
  return placed.flatMap(({ piece, by }) =>
    [
      ...piece.edges.flatMap((e) => [startOf(e.path[0]!), endOf(e.path.at(-1)!)]),
      ...piece.lines.flatMap((l) =>
        l.kind === 'NOTCH' || l.kind === 'SEAM' ? l.path.flatMap((s) => [startOf(s), endOf(s)]) : [],
      ),
    ].map(([x, y]): At => [x + by[0], y + by[1]]),
  );
}

/** The nearest of the places that lies within so far of a mark, cm; null where none does. */
export function caughtBy(places: readonly At[], [x, y]: At, within: number): At | null {
  let [best, near] = [null as At | null, within];
  for (const p of places) {
    const off = Math.hypot(p[0] - x, p[1] - y);
    if (off < near) [best, near] = [p, off];
  }
  return best;
}
