import type { Point } from '../../draft/curve.ts';
import { pathData } from '../../draft/outline.ts';
import { seamThrough } from '../../draft/shape.ts';
import { n, type View } from './silhouette.ts';

/** Two legs as they hang, waist at y 0, cm: half widths of the body above the crotch, flat widths of a leg below it. */
export interface HangingLegs {
  readonly waist: number;
  /** half widths by height, the last where the side falls straight */
  readonly through: readonly Point[];
  readonly crotch: number;
  readonly knee: { readonly level: number; readonly girth: number } | null;
  readonly hem: { readonly level: number; readonly girth: number };
}

/** Where the legs’ edges lie: outer, middle and inner at knee and hem. */
export function legEdges(q: HangingLegs) {
  const hip = q.through.at(-1) ?? ([q.waist, 0] as Point);
  const at = (level: number, girth: number) => {
    // A wide leg falls in folds: it is shown no wider than the hip has room for.
    const half = Math.min(girth / 4, (hip[0] + 1.5) / 2);
    // A leg hangs a little outward, so that the two do not lie over each other.
    const middle = Math.max(hip[0] * 0.52, half + 0.5);
    return { level, outer: middle + half, middle, inner: Math.max(0.5, middle - half) };
  };
  return {
    hip,
    knee: q.knee ? at(q.knee.level, q.knee.girth) : null,
    hem: at(q.hem.level, q.hem.girth),
  };
}

/** Draws both legs into a view. */
export function hangLegs(out: View, q: HangingLegs): void {
  const e = legEdges(q);
  const body: Point[] = [[q.waist, 0], ...q.through];
  const upper = body.length > 1 ? pathData(seamThrough(body)) : `M${n(q.waist)} 0`;
  const mirror = (d: string) =>
    d.replace(/(-?[\d.]+) (-?[\d.]+)/g, (_, x: string, y: string) => `${n(-Number(x))} ${y}`);
  const knee = e.knee ?? e.hem;
  const leg =
    `${upper} C${n(e.hip[0])} ${n(e.hip[1] + (knee.level - e.hip[1]) * 0.4)} ${n(knee.outer)} ${n(knee.level - (knee.level - e.hip[1]) * 0.4)} ${n(knee.outer)} ${n(knee.level)}` +
    (e.knee ? ` L${n(e.hem.outer)} ${n(e.hem.level)}` : '') +
    ` L${n(e.hem.inner)} ${n(e.hem.level)}` +
    (e.knee ? ` L${n(e.knee.inner)} ${n(e.knee.level)}` : '') +
    ` L0 ${n(q.crotch)}`;
  out.strokes.push(
    { kind: 'outline', figure: null, d: leg },
    { kind: 'outline', figure: null, d: mirror(leg) },
    { kind: 'outline', figure: null, d: `M${n(-q.waist)} 0 L${n(q.waist)} 0` },
  );
}
