import { FillRule, type PathD, simplifyPathD, unionD } from 'clipper2-ts';
import { directionAt, distance, endOf, type Point, type Segment, startOf } from '../draft/curve.ts';
import { cutStrips, sewnOutline } from '../draft/outline.ts';
import type { Dart, Panel } from '../draft/panel.ts';
import { areaOf, pointsAlong } from './polyline.ts';

/** Points of the ring nearer to a straight line than this are left out, cm. */
const STRAIGHT = 0.001;
/** Decimal places of a centimetre that are kept where shapes are joined. */
const PLACES = 5;
/** No cap of a dart stands out further than this beyond its seam line, times its allowance. */
const MOST_CAP = 3;

const toPath = (points: readonly Point[]): PathD => points.map(([x, y]) => ({ x, y }));
const toPoints = (path: PathD): Point[] => path.map(({ x, y }) => [x, y]);

/** Shapes joined to one ring, whichever way each is walked and wherever it crosses itself. */
function joinedRing(shapes: readonly (readonly Point[])[]): Point[] {
  // Each by itself first: what is walked the other way round would be taken away.
  const each = shapes
    .filter((s) => s.length > 2 && areaOf(s) > 1e-6)
    .flatMap((s) => unionD([toPath(s)], [], FillRule.NonZero, PLACES));
  const whole = unionD(each, [], FillRule.NonZero, PLACES).map(toPoints);
  const ring = whole.reduce<Point[]>((a, b) => (areaOf(b) > areaOf(a) ? b : a), []);
  return toPoints(simplifyPathD(toPath(ring), STRAIGHT, true));
}

/**
 * The cut line of a panel as one simple ring, cm: the seam line with each edge's allowance laid on, corners drawn on,
 * squared or mirrored at a hem as the draft has them, and a cap over each dart, so that its folded cloth reaches the
 * cut edge. A fold has no allowance.
 */
export function cutRing(panel: Panel): Point[] {
  const strips = cutStrips(panel);
  const shapes: Point[][] = [pointsAlong(sewnOutline(panel))];
  strips.forEach(({ seam, cut, corners }, i) => {
    const next = strips[(i + 1) % strips.length]!;
    shapes.push([...pointsAlong(seam), ...pointsAlong(cut).reverse()]);
    shapes.push([endOf(seam.at(-1)!), endOf(cut.at(-1)!), ...corners, startOf(next.cut[0]!)]);
  });
  for (const d of panel.darts) {
    const cap = capOf(panel, d);
    if (cap) shapes.push(cap);
  }
  return joinedRing(shapes);
}

/** The way a dart is pressed: an upright one toward the centre, one across downward (common practice). */
export const pressedTo = (d: Dart): 'toward the centre' | 'downward' => {
  const [[x0, y0], [x1, y1]] = d.legs;
  return Math.abs(x1 - x0) >= Math.abs(y1 - y0) ? 'toward the centre' : 'downward';
};

/**
 * What stands out over an open dart, so that its cloth, folded the way it is pressed, ends at the cut edge: the edge of the
 * side it lies on, mirrored about that leg.
 */
function capOf(panel: Panel, d: Dart): Point[] | null {
  const e = panel.edges.find((x) => x.id === d.edge);
  if (!e || e.allowance <= 0) return null;
  const [one, two] = d.legs;
  const down = pressedTo(d) === 'downward';
  // The leg that the fold lies over, and the other, which lies on it when the dart is sewn.
  const first = down ? one[1] > two[1] : Math.abs(one[0]) < Math.abs(two[0]);
  const [near, far] = first ? [one, two] : [two, one];
  const way = wayAt(e.path, near, near === two);
  const out: Point = [near[0] + e.allowance * way[1], near[1] - e.allowance * way[0]];
  const middle: Point = [(one[0] + two[0]) / 2, (one[1] + two[1]) / 2];
  const folded = reflected(middle, d.tip, near);
  const over = meeting(d.tip, folded, out, [out[0] + way[0], out[1] + way[1]]);
  if (!over) return null;
  const peak = reflected(over, d.tip, near);
  const near2 = meeting(d.tip, near, out, [out[0] + way[0], out[1] + way[1]]);
  if (!near2 || distance(peak, middle) > MOST_CAP * e.allowance) return null;
  return [near, near2, peak, reflected(near2, d.tip, middle), far];
}

/** The direction of an edge where it is nearest to a point; where two stretches meet there, of the one after it or before. */
function wayAt(path: readonly Segment[], at: Point, after: boolean): Point {
  let best: { off: number; way: Point } = { off: Number.POSITIVE_INFINITY, way: [1, 0] };
  for (const s of path)
    if (distance(after ? startOf(s) : endOf(s), at) < 1e-3) return directionAt(s, after ? 0 : 1);
  for (const s of path) {
    const points = pointsAlong([s]);
    points.forEach((p, i) => {
      const off = distance(p, at);
      if (off < best.off) best = { off, way: directionAt(s, i / (points.length - 1)) };
    });
  }
  return best.way;
}

/** A point mirrored at the line through two others. */
export function reflected([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): Point {
  const [dx, dy] = [bx - ax, by - ay];
  const t = ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1);
  return [2 * (ax + t * dx) - x, 2 * (ay + t * dy) - y];
}

/** Where two lines through pairs of points meet; null where they run alongside. */
function meeting([ax, ay]: Point, [bx, by]: Point, [cx, cy]: Point, [dx, dy]: Point): Point | null {
  const [ux, uy, vx, vy] = [bx - ax, by - ay, dx - cx, dy - cy];
  const cross = ux * vy - uy * vx;
  if (Math.abs(cross) < 1e-9) return null;
  const t = ((cx - ax) * vy - (cy - ay) * vx) / cross;
  return [ax + t * ux, ay + t * uy];
}

/** Two halves that meet on a fold as one ring: one as it is, the other mirrored there. */
export const openedOut = (
  ring: readonly Point[],
  other: readonly Point[],
  fold: readonly [Point, Point],
): Point[] => joinedRing([ring, other.map((p) => reflected(p, fold[0], fold[1]))]);
