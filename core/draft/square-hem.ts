import { directionAt, endOf, type Point, reversed, type Segment, startOf } from './curve.ts';
import { pointAlong } from './measure.ts';
import type { Edge, Panel } from './panel.ts';
import { between, pathLength, withoutStart } from './path.ts';

/** A seam that leans by less than this has no corner worth a curve, radians. */
const LEAST = 0.5 * (Math.PI / 180);
/** So much of its reach by the lean a hem is lifted at the seam: its curve lies near it, its middle stays level (common practice). */
const LIFT = 0.3;
/** No hem is lifted or lowered at a seam by more than this part of its own length. */
const MOST = 0.25;

const backwards = ([x, y]: Point): Point => [-x, -y];
const unit = (from: Point, to: Point): Point => {
  const d = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  return [(to[0] - from[0]) / d, (to[1] - from[1]) / d];
};

/** What a hem is between its seams: how each leans away from it, and where the hem keeps its place. Angles radians. */
function hemOf(panel: Panel, id: string) {
  const i = panel.edges.findIndex((e) => e.id === id);
  if (i < 0) throw new RangeError(`${panel.name} has no edge ${id}`);
  const n = panel.edges.length;
  const [before, hem, after] = [panel.edges[(i + n - 1) % n]!, panel.edges[i]!, panel.edges[(i + 1) % n]!];
  const length = pathLength(hem.path);
  // Each seam walked away from the hem's end.
  const seams = [reversed(before.path), after.path] as const;
  const held = [before, after].findIndex((e) => e.fold || e.id === 'centre');
  const middle = held === 0 ? 0 : held === 1 ? length : length / 2;
  const ends = seams.map((seam, k) => {
    const s = directionAt(seam[0]!, 0);
    const h = k === 0 ? directionAt(hem.path[0]!, 0) : backwards(directionAt(hem.path.at(-1)!, 1));
    const lean = Math.PI / 2 - Math.acos(Math.max(-1, Math.min(1, s[0] * h[0] + s[1] * h[1])));
    const reach = k === 0 ? middle : length - middle;
    const leans = Math.abs(lean) >= LEAST && reach >= 0.5;
    const lift = leans ? Math.max(-MOST * reach, Math.min(MOST * reach, LIFT * reach * Math.tan(lean))) : 0;
    return { seam, lift, leans, reach };
  });
  return { i, n, hem, length, middle, ends };
}

/** How far a hem is lifted along the seam that leans from it, cm; less than nothing where the seam goes on. */
export const hemLift = (panel: Panel, id: string): number =>
  hemOf(panel, id).ends.reduce((most, e) => (Math.abs(e.lift) > Math.abs(most) ? e.lift : most), 0);

/**
 * A hem that meets its seams square, so that it runs on over them without a point: where a seam flares the hem is lifted
 * along it, where it tapers the seam goes on a little. It keeps its place at a fold or centre, else in its middle (common
 * practice). Lengths cm.
 * @param by how far it is lifted, where the seam it joins is to end as it does; by its own lean if not given
 * @throws RangeError when the panel has no such edge
 */
export function squareHem(panel: Panel, id: string, by?: number): Panel {
  const { i, n, hem, length, middle, ends } = hemOf(panel, id);
  const keeps: Point =
    middle === 0
      ? startOf(hem.path[0]!)
      : middle === length
        ? endOf(hem.path.at(-1)!)
        : pointAlong(hem.path, middle);
  const moved = ends.map(({ seam, lift: own, leans, reach }, k) => {
    if (by === undefined ? !leans : reach < 0.5 || Math.abs(by) < 1e-6)
      return { seam, half: half(hem.path, middle, length, k) };
    const lift = by ?? own;
    const corner = startOf(seam[0]!);
    const s = directionAt(seam[0]!, 0);
    const low: Point = [corner[0] + s[0] * lift, corner[1] + s[1] * lift];
    const cut = lift > 0 ? withoutStart(seam, lift) : [[low, corner] as const, ...seam];
    const end = startOf(cut[0]!);
    const t = directionAt(cut[0]!, 0);
    // Square to the seam, towards the hem's middle.
    const toward: Point = Math.sign(keeps[0] - end[0]) === Math.sign(-t[1]) ? [-t[1], t[0]] : [t[1], -t[0]];
    const along =
      middle === 0
        ? directionAt(hem.path[0]!, 0)
        : middle === length
          ? backwards(directionAt(hem.path.at(-1)!, 1))
          : unit(keeps, pointAlong(hem.path, middle + (k === 0 ? -0.1 : 0.1)));
    const third = Math.hypot(end[0] - keeps[0], end[1] - keeps[1]) / 3;
    const curve: Segment = [
      keeps,
      [keeps[0] + along[0] * third, keeps[1] + along[1] * third],
      [end[0] + toward[0] * third, end[1] + toward[1] * third],
      end,
    ];
    return { seam: cut, half: [curve] };
  });
  const [first, second] = moved as [(typeof moved)[0], (typeof moved)[0]];
  const path = [...(middle > 0 ? reversed(first.half) : []), ...(middle < length ? second.half : [])];
  return {
    ...panel,
    edges: panel.edges.map((e, k): Edge => {
      if (k === i) return { ...e, path };
      if (k === (i + n - 1) % n) return { ...e, path: reversed(first.seam) };
      if (k === (i + 1) % n) return { ...e, path: second.seam };
      return e;
    }),
  };
}

/** The hem from where it keeps its place to one of its ends. */
const half = (path: readonly Segment[], middle: number, length: number, k: number): readonly Segment[] =>
  k === 0 ? reversed(between(path, 0, middle)) : between(path, middle, length);
