import { type Cm, cm } from '../units/length.ts';
import { endOf, lengthOf, mapped, type Point, pointAt, reversed, type Segment, startOf } from './curve.ts';
import { edgeLength, pointAlong } from './measure.ts';
import { type Dart, type Edge, edgeOf, type Panel } from './panel.ts';
import { about, between, pathLength } from './path.ts';
import { BENDS, flared, seamThrough } from './shape.ts';

/** A turn about a point. */
const turner = ([px, py]: Point, angle: number) => {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return ([x, y]: Point): Point => [
    px + (x - px) * cos - (y - py) * sin,
    py + (x - px) * sin + (y - py) * cos,
  ];
};
const bearing = (from: Point, to: Point) => Math.atan2(to[1] - from[1], to[0] - from[0]);

/** Two stretches of one edge joined: the longer of the two gives way where their ends do not quite meet. */
function trued(a: readonly Segment[], b: readonly Segment[], corner: Point): Segment[] {
  // A dart at the end of its edge leaves one stretch: it begins or ends where the next edge has turned to.
  if (a.length === 0) return [[corner, ...b[0]!.slice(1)] as unknown as Segment, ...b.slice(1)];
  if (b.length === 0) return [...a.slice(0, -1), [...a.at(-1)!.slice(0, -1), corner] as unknown as Segment];
  const [end, start] = [endOf(a.at(-1)!), startOf(b[0]!)];
  return pathLength(a) > pathLength(b)
    ? [...a.slice(0, -1), [...a.at(-1)!.slice(0, -1), start] as unknown as Segment, ...b]
    : [...a, [end, ...b[0]!.slice(1)] as unknown as Segment, ...b.slice(1)];
}

export interface MovedTo {
  readonly edge: string;
  /** along that edge from its first point, cm */
  readonly along: number;
  /** the figure that tells its new intake */
  readonly figure: string;
  /** it ends this far short of the pivot, cm */
  readonly short: number;
}

/**
 * A dart closed at its edge and opened at another: the cloth between the two is turned rigidly about the point that both
 * lead to, so that every sewn length beside it stays. Where its legs are not quite as long as each other, the edge it
 * leaves is trued along its longer stretch. A dart that begins exactly there is taken into it.
 * @throws RangeError when the panel has no such dart or edge, or both lie on one edge
 */
export function moveDart(panel: Panel, id: string, to: MovedTo, pivot: Point): Panel {
  const dart = panel.darts.find((d) => d.id === id);
  if (!dart) throw new RangeError(`${panel.name} has no dart ${id}`);
  const ids = panel.edges.map((e) => e.id);
  const [from, target] = [ids.indexOf(dart.edge), ids.indexOf(to.edge)];
  if (target < 0 || target === from)
    throw new RangeError(`${panel.name}: no dart can be moved to ${to.edge}`);
  const own = edgeOf(panel, dart.edge).path;
  const [p1, p2] = dart.legs;
  const up = target < from;
  const turn = turner(
    pivot,
    up ? bearing(pivot, p2) - bearing(pivot, p1) : bearing(pivot, p1) - bearing(pivot, p2),
  );
  const turned = (path: readonly Segment[]) => path.map((s) => mapped(s, turn));
  const goal = edgeOf(panel, to.edge).path;
  const whole = pathLength(goal);
  const [before, after] = [between(goal, 0, to.along), between(goal, to.along, whole)];
  const at = pointAlong(goal, to.along);
  const moved = turn(at);
  const [cut, rest] = [
    between(own, 0, dart.at - dart.intake / 2),
    between(own, dart.at + dart.intake / 2, pathLength(own)),
  ];
  const edges = panel.edges.map((e, i): Edge => {
    if (i === from)
      return {
        ...e,
        path: trued(up ? turned(cut) : cut, up ? rest : turned(rest), up ? turn(p1) : turn(p2)),
      };
    if (i === target)
      return {
        ...e,
        path: up ? [...before, [at, moved], ...turned(after)] : [...turned(before), [moved, at], ...after],
      };
    return (up ? i > target && i < from : i > from && i < target) ? { ...e, path: turned(e.path) } : e;
  });
  const mouth = Math.hypot(moved[0] - at[0], moved[1] - at[1]);
  // Where the edge is walked on the far side of the cut, what lies on it has turned with it.
  const isTurned = (d: Dart): boolean => {
    const i = ids.indexOf(d.edge);
    if (i === target) return up ? d.at > to.along : d.at < to.along;
    if (i === from) return up ? d.at < dart.at : d.at > dart.at;
    return up ? i > target && i < from : i > from && i < target;
  };
  const joins = panel.darts.find(
    (d) => d.edge === to.edge && Math.abs(d.at - d.intake / 2 - to.along) < 1e-6,
  );
  const others = panel.darts
    .filter((d) => d !== dart && d !== joins)
    .map((d): Dart => {
      const on = d.edge === to.edge && d.at > to.along ? cm(d.at + mouth) : d.at;
      return isTurned(d)
        ? { ...d, at: on, tip: turn(d.tip), legs: [turn(d.legs[0]), turn(d.legs[1])] }
        : { ...d, at: on };
    });
  const intake = cm(mouth + (joins?.intake ?? 0));
  const legs: [Point, Point] = up ? [at, moved] : [moved, joins ? joins.legs[1] : at];
  const middle: Point = [(legs[0][0] + legs[1][0]) / 2, (legs[0][1] + legs[1][1]) / 2];
  const reach = Math.hypot(pivot[0] - middle[0], pivot[1] - middle[1]);
  const length = cm(Math.max(1, reach - to.short));
  const tip: Point = [
    middle[0] + ((pivot[0] - middle[0]) * length) / (reach || 1),
    middle[1] + ((pivot[1] - middle[1]) * length) / (reach || 1),
  ];
  const made: Dart = {
    id: dart.id,
    figure: to.figure,
    edge: to.edge,
    at: cm(to.along + intake / 2),
    intake,
    length,
    tip,
    legs,
  };
  const turnsWith = (at: Point): boolean => {
    const on = panel.edges.findIndex((e) => liesOn(e.path, at));
    if (on === from) return about(own, at) < dart.at === up;
    if (on === target) return about(goal, at) > to.along === up;
    return up ? on > target && on < from : on > from && on < target;
  };
  const marks = panel.marks.map((m) => (turnsWith(m.at) ? { ...m, at: turn(m.at) } : m));
  return { ...panel, edges, darts: [...others, made], marks };
}

/** Whether a point lies on a path, to half a millimetre, at one of its ends or between. */
export const liesOn = (path: readonly Segment[], at: Point): boolean => path.some((s) => nearPath(s, at));

/** Whether it lies on this segment. */
function nearPath(s: Segment, p: Point): boolean {
  // Outside of the box of its control points it lies nowhere on it.
  for (const k of [0, 1] as const) {
    let [least, most] = [s[0][k], s[0][k]];
    for (const q of s) {
      least = Math.min(least, q[k]);
      most = Math.max(most, q[k]);
    }
    if (p[k] < least - 0.05 || p[k] > most + 0.05) return false;
  }
  const steps = s.length === 2 ? 1 : 24;
  let a = startOf(s);
  for (let i = 1; i <= steps; i++) {
    const b = i === steps ? endOf(s) : pointAt(s, i / steps);
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (length > 0) {
      const t = ((p[0] - a[0]) * (b[0] - a[0]) + (p[1] - a[1]) * (b[1] - a[1])) / length ** 2;
      const off = Math.abs((p[0] - a[0]) * (b[1] - a[1]) - (p[1] - a[1]) * (b[0] - a[0])) / length;
      if (t > -1e-6 && t < 1 + 1e-6 && off < 0.05) return true;
    }
    a = b;
  }
  return false;
}

/**
 * A seam that runs through a point, with one direction there, as two curves.
 * @param held how far it keeps to that direction, as a part of the way; the less, the nearer the point it turns
 */
export function seamOver(a: Point, over: Point, b: Point, held = 1 / 3): Segment[] {
  const [u, v] = [Math.hypot(over[0] - a[0], over[1] - a[1]), Math.hypot(b[0] - over[0], b[1] - over[1])];
  const far = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const way: Point = [(b[0] - a[0]) / far, (b[1] - a[1]) / far];
  const third = (from: Point, to: Point): Point => [
    from[0] + (to[0] - from[0]) / 3,
    from[1] + (to[1] - from[1]) / 3,
  ];
  return [
    [a, third(a, over), [over[0] - way[0] * u * held, over[1] - way[1] * u * held], over],
    [over, [over[0] + way[0] * v * held, over[1] + way[1] * v * held], third(b, over), b],
  ];
}

/**
 * A seam over a point and on, past a dart with two ends, to a hem: `waist` is that dart at its widest, on the first and
 * on the second half; `after` are the points below that both have; `spread` makes each half so much wider at the hem.
 */
export interface SeamBelow {
  readonly waist: readonly [Point, Point] | null;
  readonly after: readonly Point[];
  readonly spread: number;
}

/** One side of such a seam, with one direction at every point of it. */
function seamDown(
  a: Point,
  over: Point,
  waist: Point | null,
  after: readonly Point[],
  end: Point,
  held: number,
): Segment[] {
  const below = [...(waist ? [waist] : []), ...after];
  const [first] = seamOver(a, over, below[0] ?? end, held);
  const [c1, c2] = [first![2] as Point, over];
  const smooth = seamThrough(
    [over, ...(below.length > 0 ? below : [end])],
    (c2[0] - c1[0]) / (c2[1] - c1[1] || 1),
  );
  return below.length > 0 ? [first!, ...smooth, flared(below.at(-1)!, end, BENDS.hip)] : [first!, ...smooth];
}

/** Two sides of a seam differ by this much at the most, cm, where the longer can turn nearer to its point (common practice: 0.3). */
const SEAM_APART = 0.2;
/** However near it turns, a seam is held to its direction for this part of the way. */
const LEAST_HELD = 0.12;

/** How far each side of a seam keeps its direction over the point, so that both are as long as each other. */
function alike(length: (i: 0 | 1, held: number) => number): readonly [number, number] {
  const usual = 1 / 3;
  const [first, second] = [length(0, usual), length(1, usual)];
  if (Math.abs(first - second) <= SEAM_APART) return [usual, usual];
  const i = first > second ? 0 : 1;
  const goal = Math.min(first, second) + SEAM_APART;
  // The length falls evenly enough with what is held for three steps along its chord.
  let [low, high, short, long] = [LEAST_HELD, usual, length(i, LEAST_HELD), Math.max(first, second)];
  let held = low;
  for (let n = 0; n < 3 && short < goal; n++) {
    held = low + ((high - low) * (goal - short)) / (long - short || 1);
    const made = length(i, held);
    if (made > goal) [high, long] = [held, made];
    else [low, short] = [held, made];
  }
  return i === 0 ? [low, usual] : [usual, low];
}

/** Where a panel is cut apart: at a dart that opens on an edge, or at a place of it where none does. */
export interface CutAt {
  readonly edge: string;
  readonly dart?: string;
  readonly along: number;
}

/**
 * A panel cut apart along a seam over a point, from one edge to another further round: the darts there open into the
 * seam. The first half holds what comes before the cut and after it, the second what lies between.
 */
export function cutApart(
  panel: Panel,
  first: CutAt,
  second: CutAt,
  over: Point,
  seam: { readonly id: string; readonly name: string; readonly allowance: Cm },
  below?: SeamBelow,
): { readonly outer: Panel; readonly inner: Panel } {
  const ids = panel.edges.map((e) => e.id);
  const at = (c: CutAt) => {
    const path = edgeOf(panel, c.edge).path;
    const d = c.dart ? panel.darts.find((x) => x.id === c.dart) : undefined;
    const [from, to] = d ? [d.at - d.intake / 2, d.at + d.intake / 2] : [c.along, c.along];
    return {
      index: ids.indexOf(c.edge),
      before: between(path, 0, from),
      after: between(path, to, edgeLength(panel, c.edge)),
      legs: d ? d.legs : ([pointAlong(path, c.along), pointAlong(path, c.along)] as const),
    };
  };
  const [a, b] = [at(first), at(second)];
  const gone = new Set([first.dart, second.dart]);
  const darts = panel.darts.filter((d) => !gone.has(d.id));
  const edges = (list: readonly (readonly [Edge, readonly Segment[]])[]): Edge[] =>
    list.filter(([, path]) => path.length > 0).map(([e, path]) => ({ ...e, path }));
  /** A part of a cut edge: what the whole is gathered or eased by is shared as the parts are long. */
  const part = (c: typeof a, path: readonly Segment[], drawn = path) => {
    const e = panel.edges[c.index]!;
    const whole = pathLength(c.before) + pathLength(c.after);
    return [{ ...e, gather: e.gather && cm((e.gather * pathLength(path)) / whole) }, drawn] as const;
  };
  const cut = (path: Segment[]): Edge => ({
    id: seam.id,
    name: seam.name,
    path,
    allowance: seam.allowance,
    fold: false,
    gather: cm(0),
  });
  const whole = (e: Edge) => [e, e.path] as const;
  const ends = [b.legs[1], b.legs[0]].map(
    ([x, y], i): Point => [x + (below?.spread ?? 0) * (i === 0 ? 1 : -1), y],
  ) as [Point, Point];
  const spread = (from: Point, to: Point): Segment[] => (below?.spread ? [[from, to]] : []);
  const belowOf = (i: 0 | 1): Point => below?.waist?.[i] ?? below?.after[0] ?? ends[i];
  const drawn = (i: 0 | 1, held: number): Segment[] =>
    below
      ? seamDown(a.legs[i], over, below.waist?.[i] ?? null, below.after, ends[i], held)
      : seamOver(a.legs[i], over, ends[i], held);
  // Below the point nothing depends on it where the seam goes on to a hem: what lies there is measured once.
  const upper = (i: 0 | 1, h: number): number => lengthOf(seamOver(a.legs[i], over, belowOf(i), h)[0]!);
  const rest = below ? ([0, 1] as const).map((i) => pathLength(drawn(i, 1 / 3)) - upper(i, 1 / 3)) : null;
  const keeps = alike((i, h) => (rest ? upper(i, h) + rest[i]! : pathLength(drawn(i, h))));
  const down = (i: 0 | 1): Segment[] => drawn(i, keeps[i]);
  const outerEdges = [
    ...edges([...panel.edges.slice(0, a.index).map(whole), part(a, a.before)]),
    cut(down(0)),
    ...edges([
      part(b, b.after, [...spread(ends[0], b.legs[1]), ...b.after]),
      ...panel.edges.slice(b.index + 1).map(whole),
    ]),
  ];
  const innerEdges = [
    ...edges([
      part(a, a.after),
      ...panel.edges.slice(a.index + 1, b.index).map(whole),
      part(b, b.before, [...b.before, ...spread(b.legs[0], ends[1])]),
    ]),
    cut(reversed(down(1))),
  ];
  const mine = (list: readonly Edge[]) => (d: Dart) => {
    const path = list.find((e) => e.id === d.edge)?.path ?? [];
    return path.some((s) => nearPath(s, d.legs[0]) || startOf(s) === d.legs[0] || endOf(s) === d.legs[1]);
  };
  // What a dart inside held opens into the seam as well.
  const { inner: held, ...open } = panel;
  const base: Panel = below || !held ? open : { ...open, inner: held };
  return {
    outer: {
      ...base,
      edges: outerEdges,
      darts: darts.filter(mine(outerEdges)),
      across: { centre: panel.across.centre, side: seam.id },
    },
    inner: {
      ...base,
      edges: innerEdges,
      darts: darts.filter(mine(innerEdges)),
      across: { centre: seam.id, side: panel.across.side },
    },
  };
}
