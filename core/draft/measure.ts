import { type Cm, cm } from '../units/length.ts';
import { crossing, lengthOf, type Point, parameterAt, pointAt } from './curve.ts';
import { type Dart, edgeOf, type InnerDart, type Panel } from './panel.ts';

/** Length along an edge of the flat panel, darts open, cm. */
export const edgeLength = (panel: Panel, id: string): Cm =>
  cm(edgeOf(panel, id).path.reduce((sum, s) => sum + lengthOf(s), 0));

/** Length of an edge once darts are closed and fullness is taken up, cm. */
export function sewnLength(panel: Panel, id: string): Cm {
  const darts = panel.darts.reduce((sum, d) => sum + (d.edge === id ? d.intake : 0), 0);
  return cm(edgeLength(panel, id) - darts - edgeOf(panel, id).gather);
}

/** What an upright dart still holds at a height: its intake at the edge, nothing at its tip, straight between, cm. */
export function held(dart: Dart, y: number): Cm {
  const foot = (dart.legs[0][1] + dart.legs[1][1]) / 2;
  const depth = (y - foot) / (dart.tip[1] - foot || 1);
  return cm(Math.min(1, Math.max(0, 1 - depth)) * dart.intake);
}

/** What a dart with two ends holds at a height: its intake at its middle, nothing from its ends on, cm. */
export function heldInside(dart: InnerDart, y: number): Cm {
  const end = y < dart.at[1] ? dart.up[1] : dart.down[1];
  const left = 1 - (y - dart.at[1]) / (end - dart.at[1] || 1);
  return cm(Math.min(1, Math.max(0, left)) * dart.intake);
}

/** The darts that lie across a width: those that run more down than sideways. */
const upright = (d: Dart) =>
  Math.abs(d.tip[1] - d.legs[0][1]) > Math.abs(d.tip[0] - (d.legs[0][0] + d.legs[1][0]) / 2);

/** From where to where the flat panel reaches at a height, centre to side, cm; null where it does not. */
export function spanAt(panel: Panel, y: number): readonly [from: number, to: number] | null {
  const side = crossEdge(panel, panel.across.side, y) ?? beginningAt(panel, y);
  return side === null ? null : [crossEdge(panel, panel.across.centre, y) ?? endingAt(panel, y), side];
}

/** A centre that ends this far above a height still stands for it there, cm: its corner has been moved. */
const ENDS_NEAR = 0.3;
/** The same of a side that begins below it, cm. */
const BEGINS_NEAR = 0.6;
/** Where a side stands that begins just below a height: its corner has been moved; null where it begins well below it. */
function beginningAt(panel: Panel, y: number): number | null {
  const start = edgeOf(panel, panel.across.side).path[0]?.[0];
  return start && start[1] - y > 0 && start[1] - y <= BEGINS_NEAR ? start[0] : null;
}
/** Where a centre stands that ends just above a height; 0 where it ends well above it. */
function endingAt(panel: Panel, y: number): number {
  const ends = edgeOf(panel, panel.across.centre).path.flatMap((s) => [s[0], s.at(-1) as Point]);
  const low = ends.reduce<Point>((a, b) => (b[1] > a[1] ? b : a), [0, Number.NEGATIVE_INFINITY]);
  return y - low[1] >= 0 && y - low[1] <= ENDS_NEAR ? low[0] : 0;
}

/** Width of the flat panel at a height, from its centre to its side, cm; null where it has none. */
export function widthAt(panel: Panel, y: number): Cm | null {
  const span = spanAt(panel, y);
  // What a band covers beside the centre line is there too.
  return span && cm(span[1] - (panel.beside === undefined ? span[0] : 0));
}

/** Width at a height once the darts are closed, cm: what the wearer has there. Fullness gathered above falls free. */
export function sewnWidthAt(panel: Panel, y: number): Cm | null {
  let width: number | null = widthAt(panel, y);
  if (width === null) return null;
  for (const d of panel.darts) if (upright(d)) width -= held(d, y);
  for (const d of panel.inner ?? []) width -= heldInside(d, y);
  return cm(width);
}

function crossEdge(panel: Panel, id: string, y: number): number | null {
  for (const s of edgeOf(panel, id).path) {
    const x = crossing(s, y);
    if (x !== null) return x;
  }
  return null;
}

/** The point at a distance along an edge, from its first point, cm. */
export function pointAlong(path: Panel['edges'][number]['path'], along: number): Point {
  let left = along;
  const last = path.at(-1);
  for (const s of path) {
    const length = lengthOf(s);
    if (left <= length + 1e-9 || s === last) return pointAt(s, parameterAt(s, left));
    left -= length;
  }
  return [0, 0];
}

/** A dart on an edge: its legs lie half its intake to each side of its middle, its tip straight below, cm. */
export function dartOn(
  path: Panel['edges'][number]['path'],
  d: Pick<Dart, 'id' | 'figure' | 'edge' | 'at' | 'intake' | 'length'>,
  toward?: Point,
): Dart {
  const legs = [pointAlong(path, d.at - d.intake / 2), pointAlong(path, d.at + d.intake / 2)] as const;
  const [x, y] = [(legs[0][0] + legs[1][0]) / 2, (legs[0][1] + legs[1][1]) / 2];
  if (!toward) return { legs, tip: [x, y + d.length], ...d };
  const far = Math.hypot(toward[0] - x, toward[1] - y) || 1;
  return {
    legs,
    tip: [x + ((toward[0] - x) * d.length) / far, y + ((toward[1] - y) * d.length) / far],
    ...d,
  };
}
