import { type Cm, cm } from '../units/length.ts';
import {
  type Box,
  directionAt,
  distance,
  emptyBox,
  endOf,
  mapped,
  offset,
  type Point,
  reach,
  reachAlong,
  reversed,
  type Segment,
  startOf,
} from './curve.ts';
import type { InnerDart, Panel } from './panel.ts';
import { withoutStart } from './path.ts';

/** The seam line of a flat panel, darts open. */
export const sewnOutline = (panel: Panel): Segment[] => panel.edges.flatMap((e) => e.path);

/** How far a corner of the cut line may stand out, times its allowance. */
const MOST_MITRE = 4;

/** The cut line: every edge moved out by its own allowance, corners drawn on until they meet. */
export function cutOutline(panel: Panel): Segment[] {
  const edges = panel.edges.filter((e) => e.path.length > 0);
  const moved = edges.map((_, i) => joined(cutWay(edges, i).flatMap((s) => offset(s, edges[i]!.allowance))));
  return edges.flatMap((e, i) => {
    const [own, next] = [moved[i]!, moved[(i + 1) % edges.length]!];
    const [end, start] = [endOf(own.at(-1)!), startOf(next[0]!)];
    if (distance(end, start) < 1e-6) return own;
    const round = [end, ...cornersOf(e, edges[(i + 1) % edges.length]!), start];
    return [...own, ...round.slice(1).map((p, k) => [round[k]!, p] as const)];
  });
}

/** What is cut beyond one edge: from its seam line to its cut line, and what fills the corner after it. */
export interface CutStrip {
  readonly seam: readonly Segment[];
  readonly cut: readonly Segment[];
  /** the cut line's corners between this edge's end and the next one's beginning */
  readonly corners: readonly Point[];
}

/** The cut line taken apart, edge by edge in their order; edges without an allowance too. */
export function cutStrips(panel: Panel): CutStrip[] {
  const edges = panel.edges.filter((e) => e.path.length > 0);
  return edges.map((e, i) => ({
    seam: e.path,
    cut: joined(cutWay(edges, i).flatMap((s) => offset(s, e.allowance))),
    corners: cornersOf(e, edges[(i + 1) % edges.length]!),
  }));
}

/** Where two lines meet; null when they run alongside each other. */
function meet(a: Point, u: Point, b: Point, v: Point): Point | null {
  const cross = u[0] * v[1] - u[1] * v[0];
  if (Math.abs(cross) < 1e-9) return null;
  const t = ((b[0] - a[0]) * v[1] - (b[1] - a[1]) * v[0]) / cross;
  return [a[0] + t * u[0], a[1] + t * u[1]];
}

interface Size {
  readonly width: Cm;
  readonly height: Cm;
}
const sizeOf = ([x0, y0, x1, y1]: Box): Size => ({ width: cm(x1 - x0), height: cm(y1 - y0) });

/** Width and height of what is cut, allowances and corners included, cm: the box of `cutOutline`, without drawing it. */
export function cutSize(panel: Panel): Size {
  const box = emptyBox();
  const edges = panel.edges.filter((e) => e.path.length > 0);
  edges.forEach((e, i) => {
    for (const s of cutWay(edges, i)) reachAlong(box, s, e.allowance);
    for (const [x, y] of cornersOf(e, edges[(i + 1) % edges.length]!)) reach(box, x, y);
  });
  return sizeOf(box);
}

/** A path with the hair's breadth that an offset leaves between its curves closed. */
export const joined = (path: readonly Segment[]): Segment[] =>
  path.flatMap((s, i) => {
    const before = path[i - 1];
    return before && distance(endOf(before), startOf(s)) > 1e-6
      ? [[endOf(before), startOf(s)] as const, s]
      : [s];
  });

/** A point moved outward across a direction of travel. */
const out = (p: Point, way: Point, by: number): Point => [p[0] + by * way[1], p[1] - by * way[0]];

/**
 * Where the cut lines of two edges meet. At a point that is so sharp that they would meet far out they are cut off square
 * past it; none where they meet at the seam's own corner, or where the cloth has a corner inward.
 */
function cornersOf(e: Panel['edges'][number], next: Panel['edges'][number]): Point[] {
  const folded = foldedCorners(e, next);
  if (folded) return folded;
  const a = e.path.at(-1)!;
  const b = next.path[0]!;
  const u = directionAt(a, 1);
  const v = directionAt(b, 0);
  const p = out(endOf(a), u, e.allowance);
  const q = out(startOf(b), v, next.allowance);
  if (distance(p, q) < 1e-6) return [];
  const wide = Math.max(e.allowance, next.allowance);
  const corner = meet(p, u, q, v);
  if (corner && distance(corner, p) <= MOST_MITRE * wide && distance(corner, q) <= MOST_MITRE * wide)
    return [corner];
  // Walked with the cloth on the right hand, a turn to the right is a point of the cloth.
  const pointed = u[0] * v[1] - u[1] * v[0] > 0 && u[0] * v[0] + u[1] * v[1] < 0;
  return pointed
    ? [
        [p[0] + u[0] * wide, p[1] + u[1] * wide],
        [q[0] - v[0] * wide, q[1] - v[1] * wide],
      ]
    : [];
}

/**
 * Where a hem or casing meets the edge beside it: its cut ends mirror that edge at the fold, so that they lie on it once
 * they are turned. From the other edge's cut line over the fold to the hem's; null where that makes no corner.
 */
function foldedCorners(e: Panel['edges'][number], next: Panel['edges'][number]): Point[] | null {
  if (!e.turned === !next.turned || (e.turned ? next : e).fold) return null;
  const [hem, side] = e.turned ? [e, next] : [next, e];
  if (hem.allowance <= 0) return null;
  const at = endOf(e.path.at(-1)!);
  const along = e.turned ? directionAt(e.path.at(-1)!, 1) : directionAt(next.path[0]!, 0);
  const way = e.turned ? directionAt(next.path[0]!, 0) : directionAt(e.path.at(-1)!, 1);
  const beside = out(at, way, side.allowance);
  const fold = meet(beside, way, at, along);
  // Mirrored at the fold: what runs along it stays, what runs across turns round.
  const dot = way[0] * along[0] + way[1] * along[1];
  const back: Point = [2 * dot * along[0] - way[0], 2 * dot * along[1] - way[1]];
  const corner = fold && meet(fold, back, out(at, along, hem.allowance), along);
  if (
    !corner ||
    distance(corner, fold) > MOST_MITRE * hem.allowance ||
    distance(at, fold) > MOST_MITRE * side.allowance + 1e-9
  )
    return null;
  return e.turned ? [corner, fold] : [fold, corner];
}

/** The way of an edge along which it is cut: a hem that is narrower where it is turned ends as much sooner. */
function cutWay(edges: Panel['edges'], i: number): readonly Segment[] {
  const e = edges[i]!;
  if (!e.turned || e.allowance <= 0) return e.path;
  const n = edges.length;
  const [first, last] = [e.path[0]!, e.path.at(-1)!];
  const inward = (corners: Point[] | null, at: Point, way: Point): number => {
    // Of fold and corner the one that lies beyond the fold.
    const corner = corners?.reduce((a, b) => (distance(a, at) > distance(b, at) ? a : b));
    return corner ? Math.max(0, (at[0] - corner[0]) * way[0] + (at[1] - corner[1]) * way[1]) : 0;
  };
  const back = (p: Point): Point => [-p[0], -p[1]];
  const atEnd = inward(foldedCorners(e, edges[(i + 1) % n]!), endOf(last), directionAt(last, 1));
  const atStart = inward(
    foldedCorners(edges[(i + n - 1) % n]!, e),
    startOf(first),
    back(directionAt(first, 0)),
  );
  if (atEnd < 1e-6 && atStart < 1e-6) return e.path;
  const begun = atStart > 1e-6 ? withoutStart(e.path, atStart) : e.path;
  return atEnd > 1e-6 ? reversed(withoutStart(reversed(begun), atEnd)) : begun;
}

/** Width and height of the seam line, cm. */
export function sewnSize(panel: Panel): Size {
  const box = emptyBox();
  for (const e of panel.edges) for (const s of e.path) reachAlong(box, s, 0);
  return sizeOf(box);
}

/** A path mirrored at the centre line, walked so that it goes on where the path began. */
export const mirrored = (path: readonly Segment[]): Segment[] =>
  reversed(path.map((s) => mapped(s, ([x, y]) => [-x, y])));

/** A dart with two ends, its points moved. */
export const innerBy = (d: InnerDart, move: (q: Point) => Point): InnerDart => ({
  ...d,
  at: move(d.at),
  up: move(d.up),
  down: move(d.down),
});

/** A dart with two ends as it is drawn: from its upper end by one side to the lower and back. */
export const innerOutline = ({ at: [x, y], intake, up, down }: InnerDart): Segment[] => {
  const [left, right]: [Point, Point] = [
    [x - intake / 2, y],
    [x + intake / 2, y],
  ];
  return [
    [up, right],
    [right, down],
    [down, left],
    [left, up],
  ];
};

const n = (x: number) => String(Math.round(x * 100) / 100);
const pt = ([x, y]: Point) => `${n(x)} ${n(y)}`;

/** A path as SVG path data, cm to two decimals. */
export function pathData(path: readonly Segment[], close = false): string {
  const parts: string[] = [];
  let here: Point | null = null;
  for (const s of path) {
    if (!here || distance(here, startOf(s)) > 1e-6) parts.push(`M${pt(startOf(s))}`);
    parts.push(s.length === 2 ? `L${pt(s[1])}` : `C${pt(s[1])} ${pt(s[2])} ${pt(s[3])}`);
    here = endOf(s);
  }
  return `${parts.join(' ')}${close ? ' Z' : ''}`;
}
