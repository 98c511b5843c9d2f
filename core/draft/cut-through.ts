import { cm } from '../units/length.ts';
import { endOf, mapped, type Point, reversed, type Segment, startOf } from './curve.ts';
import { pointAlong } from './measure.ts';
import { type Dart, type Edge, edgeOf, type Panel, type PanelMark } from './panel.ts';
import { alongAtX, between, pathLength } from './path.ts';

/** Where a seam leaves an edge, cm along it. */
interface At {
  readonly edge: string;
  readonly along: number;
}
/** What a panel becomes where a seam crosses one of its darts. */
export interface CutThrough {
  /** above the seam, below it */
  readonly upper: Panel;
  readonly lower: Panel;
  /** where a point of the panel lies by now */
  readonly place: (at: Point) => { readonly upper: boolean; readonly at: Point };
  /** the darts as they open into the seam now, those too that are eased on */
  readonly darts: readonly Dart[];
  /** their mouths were above it: the upper half is the one that was closed */
  readonly mouthUp: boolean;
}

const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1]];
const cross = (u: Point, v: Point): number => u[0] * v[1] - u[1] * v[0];
const size = (v: Point): number => Math.hypot(v[0], v[1]);

/** How far along a path it crosses the line through two points, cm; null where it does not. */
function crosses(path: readonly Segment[], from: Point, to: Point): number | null {
  const off = (along: number) => cross(minus(to, from), minus(pointAlong(path, along), from));
  let [low, high] = [0, pathLength(path) as number];
  if (off(low) * off(high) > 0) return null;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (off(low) * off(middle) <= 0) high = middle;
    else low = middle;
  }
  return high;
}

/** So much of a seam before a dart runs straight to its leg, cm. */
const LAST = 2;
/** The seam between two places of it that ends in the points given: its last way straight, so that no kink is left there. */
function bridged(
  seam: readonly Segment[],
  [from, to]: readonly [number, number],
  ends: readonly [Point, Point],
): Segment[] {
  const [f, t] = [from === 0 ? 0 : from + LAST, to === pathLength(seam) ? to : to - LAST];
  if (t - f < 1) return [[ends[0], ends[1]]];
  const middle = between(seam, f, t);
  const [begin, end] = [startOf(middle[0]!), endOf(middle.at(-1)!)];
  return [
    ...(f === 0 ? [] : [[ends[0], begin] as const]),
    ...middle,
    ...(t === to ? [] : [[end, ends[1]] as const]),
  ];
}

/** Where a seam leaves the two legs of a dart, equally far from its tip. */
interface Met {
  readonly dart: Dart;
  readonly points: readonly [Point, Point];
}
/** The way of a seam on the open panel, in pieces with a gap at each dart that it crosses, from the first edge on. */
export interface SeamDrawn {
  readonly pieces: readonly (readonly Segment[])[];
  readonly met: readonly Met[];
}

/** A point turned about another. */
const turner = ([cx, cy]: Point, angle: number) => {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return ([x, y]: Point): Point => [cx + (x - cx) * c - (y - cy) * s, cy + (x - cx) * s + (y - cy) * c];
};
/** The angle that brings one point over another about a centre. */
const angleTo = (from: Point, to: Point, about: Point): number => {
  const [u, v] = [minus(from, about), minus(to, about)];
  return Math.atan2(cross(u, v), u[0] * v[0] + u[1] * v[1]);
};

/**
 * A seam drawn with darts that open above it closed, as the panel is worn: level from edge to edge, and cut open again.
 * @param darts by how far they lie from the centre, the farthest first
 * @param out paths of the edge it leaves at, by id  @param b where it meets the edge at the centre
 * @param level how deep it meets the outer edge  @param way the seam between two points
 * @throws RangeError where it does not cross a dart well, or meets no edge
 */
export function drawnClosed(
  darts: readonly Dart[],
  out: ReadonlyMap<string, readonly Segment[]>,
  b: Point,
  level: number,
  way: (a: Point, b: Point) => readonly Segment[],
): SeamDrawn & { readonly first: At } {
  const turns = darts.map((dart) => {
    // The leg towards the centre stays: the other lies on its far side.
    const mid: Point = [(dart.legs[0][0] + dart.legs[1][0]) / 2, (dart.legs[0][1] + dart.legs[1][1]) / 2];
    const inward = Math.sign(cross(minus(mid, dart.tip), minus(b, dart.tip)));
    const [stays, goes] =
      Math.sign(cross(minus(mid, dart.tip), minus(dart.legs[0], dart.tip))) === inward
        ? [dart.legs[0], dart.legs[1]]
        : [dart.legs[1], dart.legs[0]];
    const angle = angleTo(goes, stays, dart.tip);
    return { dart, stays, close: turner(dart.tip, angle), open: turner(dart.tip, -angle) };
  });
  const n = turns.length;
  /** Closed: what lies beyond the k-th dart turns about it and every one that lies nearer. */
  const closed = (p: Point, k: number): Point => turns.slice(k).reduce((q, t) => t.close(q), p);
  const opened = (p: Point, k: number): Point => turns.slice(k).reduceRight((q, t) => t.open(q), p);
  for (const [edge, path] of out) {
    const shut = path.map((x) => mapped(x, (p) => closed(p, 0)));
    const along = crosses(shut, [b[0] - 1, level], [b[0] + 1, level]);
    if (along === null) continue;
    const seam = way(pointAlong(shut, along), b);
    const at = turns.map((t, k) => {
      const u = crosses(seam, closed(t.stays, k + 1), closed(t.dart.tip, k + 1));
      if (u === null) throw new RangeError('the seam does not cross the dart');
      const far = size(minus(opened(pointAlong(seam, u), k + 1), t.dart.tip));
      if (far < 1 || far > size(minus(t.stays, t.dart.tip)) - 1)
        throw new RangeError('the seam meets an end of the dart');
      return u;
    });
    const ends = [0, ...at, pathLength(seam)];
    if (ends.some((u, i) => i > 0 && u - ends[i - 1]! < 0.5))
      throw new RangeError('two darts meet at the seam');
    const pieces = Array.from({ length: n + 1 }, (_, k) =>
      between(seam, ends[k]!, ends[k + 1]!).map((x) => mapped(x, (p) => opened(p, k))),
    );
    const met = turns.map(
      ({ dart }, k): Met => ({
        dart,
        points: [endOf(pieces[k]!.at(-1)!), startOf(pieces[k + 1]![0]!)],
      }),
    );
    return { first: { edge, along }, pieces, met };
  }
  throw new RangeError('the seam meets no edge');
}

function metBy(seam: readonly Segment[], dart: Dart) {
  const [m0, m1] = dart.legs;
  const { tip } = dart;
  const mouth: Point = [(m0[0] + m1[0]) / 2, (m0[1] + m1[1]) / 2];
  const [u0, u1, on] = [m0, m1, mouth].map((m) => crosses(seam, m, tip)) as (number | null)[];
  if (u0 == null || u1 == null || on == null) throw new RangeError('the seam does not cross the dart');
  const leg = size(minus(m0, tip));
  const reach = (size(minus(pointAlong(seam, on), tip)) * leg) / size(minus(mouth, tip));
  if (reach < 1 || reach > leg - 1) throw new RangeError('the seam meets an end of the dart');
  const legAt = (m: Point): Point => {
    const part = reach / size(minus(m, tip));
    return [tip[0] + (m[0] - tip[0]) * part, tip[1] + (m[1] - tip[1]) * part];
  };
  // Along the seam one leg comes first.
  const [at, points] =
    u0 < u1
      ? [
          [u0, u1],
          [legAt(m0), legAt(m1)],
        ]
      : [
          [u1, u0],
          [legAt(m1), legAt(m0)],
        ];
  return { dart, at: at as [number, number], points: points as [Point, Point] };
}

/**
 * A seam drawn on the open panel over darts that open below it: body lines are level there. It bends a little at each.
 * @param seam its way from the first edge to the second, as if there were no dart
 * @throws RangeError where it does not cross both legs well between mouth and tip
 */
export function drawnOpen(seam: readonly Segment[], darts: readonly Dart[]): SeamDrawn {
  const met = darts.map((d) => metBy(seam, d)).sort((a, b) => a.at[0] - b.at[0]);
  const whole = pathLength(seam);
  const from = [0, ...met.map((m) => m.at[1])];
  const to = [...met.map((m) => m.at[0]), whole];
  const pieces = from.map((f, i) => {
    if (to[i]! - f < 0.5) throw new RangeError('two darts meet at the seam');
    const begin = i > 0 ? met[i - 1]!.points[1] : pointAlong(seam, 0);
    const end = i < met.length ? met[i]!.points[0] : pointAlong(seam, whole);
    return bridged(seam, [f, to[i]!], [begin, end]);
  });
  return { pieces, met };
}

type Item = readonly [edge: Edge, path: readonly Segment[]];

/** Two pieces as one path; legs that are not quite alike meet in their middle. */
function joinedAt(a: readonly Segment[], b: readonly Segment[]): Segment[] {
  const [end, start] = [endOf(a.at(-1)!), startOf(b[0]!)];
  const at: Point = [(end[0] + start[0]) / 2, (end[1] + start[1]) / 2];
  return [
    ...a.slice(0, -1),
    [...a.at(-1)!.slice(0, -1), at] as unknown as Segment,
    [at, ...b[0]!.slice(1)] as unknown as Segment,
    ...b.slice(1),
  ];
}

/** Pieces of one edge that follow each other are one again. */
function merged(items: readonly Item[]): Edge[] {
  const out: Edge[] = [];
  for (const [e, path] of items.filter(([, p]) => p.length > 0)) {
    const last = out.at(-1);
    if (last?.id === e.id) out[out.length - 1] = { ...last, path: joinedAt(last.path, path) };
    else out.push({ ...e, path });
  }
  return out;
}

const near = (a: Point, b: Point): boolean => size(minus(a, b)) < 1e-6;
/** Where in a ring of pieces a gap lies between two points. @throws RangeError where there is none */
function gapOf(items: readonly Item[], points: readonly [Point, Point]): number {
  const found = items.findIndex(([, path], i) => {
    const [end, start] = [endOf(path.at(-1)!), startOf(items[(i + 1) % items.length]![1][0]!)];
    return (
      (near(end, points[0]) && near(start, points[1])) || (near(end, points[1]) && near(start, points[0]))
    );
  });
  if (found < 0) throw new RangeError('the seam runs into the mouth of a dart');
  return found;
}

/** An edge of a ring in pieces, without the mouths of the darts on it; `skipped` is what was cut off before it begins. */
function withoutMouths(
  items: readonly Item[],
  darts: readonly Dart[],
  skipped: (edge: string) => number,
): Item[] {
  return items.flatMap(([e, path]): Item[] => {
    const own = darts.filter((d) => d.edge === e.id).sort((a, b) => a.at - b.at);
    if (own.length === 0) return [[e, path]];
    const whole = pathLength(path);
    const ends = own.map(
      (d) => [d.at - d.intake / 2 - skipped(e.id), d.at + d.intake / 2 - skipped(e.id)] as const,
    );
    const from = [0, ...ends.map(([, to]) => to)];
    const to = [...ends.map(([f]) => f), whole];
    if (from.some((f, i) => to[i]! - f < 0.1)) throw new RangeError('the seam runs into the mouth of a dart');
    return from.map((f, i): Item => [e, between(path, f, to[i]!)]);
  });
}

/** The half on the side of the darts’ mouths: closed for good, what lies away from the kept edge turned about each tip. */
function closedOver(ring: readonly Item[], met: readonly Met[], keeps: string) {
  const n = ring.length;
  const kept = ring.findIndex(([e]) => e.id === keeps);
  let items = ring;
  const turns: ((p: Point) => Point)[] = [];
  // Those that the seam meets first lie farthest from the kept edge: the others are still as they were.
  for (const { dart, points } of met) {
    const [mouth, seam] = [gapOf(items, dart.legs), gapOf(items, points)];
    // From the mouth round to the seam, and from the seam round to the mouth.
    const isOnward = (i: number) => (i - mouth - 1 + n) % n <= (seam - mouth - 1 + n) % n;
    const onward = !isOnward(kept);
    const ends = near(endOf(items[mouth]![1].at(-1)!), dart.legs[0]);
    const [goes, stays] = onward === ends ? [dart.legs[1], dart.legs[0]] : [dart.legs[0], dart.legs[1]];
    const [u, v] = [minus(goes, dart.tip), minus(stays, dart.tip)];
    const turn = turner(dart.tip, angleTo(goes, stays, dart.tip));
    const side = Math.sign(cross(v, u));
    turns.push((p) => (Math.sign(cross(v, minus(p, dart.tip))) === side ? turn(p) : p));
    items = items.map(
      ([e, path], i): Item => (isOnward(i) === onward ? [e, path.map((x) => mapped(x, turn))] : [e, path]),
    );
  }
  return { edges: merged(items), point: (p: Point): Point => turns.reduce((q, t) => t(q), p) };
}

/** A dart that is less than this where it opens is eased on instead of sewn, cm (common practice). */
const EASED = 0.6;

/** The half on the side of the darts’ tips: there each opens into the seam, or is eased on where little is left of it. */
function openedInto(items: readonly Item[], seam: Edge, met: readonly Met[]) {
  const pieces = items.filter(([e]) => e === seam);
  const darts: Dart[] = [];
  const path: Segment[] = [];
  for (const [i, [, piece]] of pieces.entries()) {
    if (i > 0) {
      const legs = [endOf(path.at(-1)!), startOf(piece[0]!)] as const;
      const { dart } = met.find((m) => m.points.some((q) => near(q, legs[0])))!;
      const intake = size(minus(legs[0], legs[1]));
      const middle: Point = [(legs[0][0] + legs[1][0]) / 2, (legs[0][1] + legs[1][1]) / 2];
      darts.push({
        ...dart,
        edge: seam.id,
        at: cm(pathLength(path) + intake / 2),
        intake: cm(intake),
        length: cm(size(minus(middle, dart.tip))),
        legs,
      });
      path.push([legs[0], legs[1]]);
    }
    path.push(...piece);
  }
  const first = items.findIndex(([e]) => e === seam);
  const eased = darts.filter((d) => d.intake < EASED);
  const sewn: Edge = { ...seam, gather: cm(eased.reduce((sum, d) => sum + d.intake, 0)) };
  return {
    edges: merged([...items.slice(0, first), [sewn, path], ...items.slice(first + pieces.length)]),
    darts,
    sewn: darts.filter((d) => d.intake >= EASED),
  };
}

/**
 * A panel cut apart along a seam that crosses darts: on the side of their tips each opens into the seam; on the side of
 * their mouths they are closed for good. The seam leaves both legs of a dart equally far from its tip, so that sewn it is
 * one line, as long on both halves. Body lines of the half that is closed lie aslant: none is kept. Lengths cm.
 * @param first the edge away from the centre  @param second the edge at the centre, which stays as it lies
 * @throws RangeError where the seam runs into a dart’s mouth, or the darts open on either side of it
 */
export function cutThrough(
  panel: Panel,
  [first, second]: readonly [At, At],
  { pieces, met }: SeamDrawn,
  made: Pick<Edge, 'id' | 'name' | 'allowance'>,
): CutThrough {
  const crossed = met.map((m) => m.dart);
  const seam = pieces.flatMap((p, i): Segment[] =>
    i === 0 ? [...p] : [[endOf(pieces[i - 1]!.at(-1)!), startOf(p[0]!)], ...p],
  );
  const edge: Edge = { ...made, path: [], fold: false, gather: cm(0) };
  const [i, j] = [first, second].map((q) => panel.edges.findIndex((e) => e.id === q.edge)) as [
    number,
    number,
  ];
  const cut = ({ edge: id, along }: At): readonly [Item, Item] => {
    const e = edgeOf(panel, id);
    return [
      [e, between(e.path, 0, along)],
      [e, between(e.path, along, pathLength(e.path))],
    ];
  };
  const [[before, rest], [until, after]] = [cut(first), cut(second)];
  const own = (e: Edge): Item => [e, e.path];
  const kept = (items: readonly Item[]) => items.filter(([, path]) => path.length > 0);
  const up = kept([
    ...panel.edges.slice(0, i).map(own),
    before,
    ...pieces.map((p): Item => [edge, p]),
    after,
    ...panel.edges.slice(j + 1).map(own),
  ]);
  const down = kept([
    rest,
    ...panel.edges.slice(i + 1, j).map(own),
    until,
    ...[...pieces].reverse().map((p): Item => [edge, reversed(p)]),
  ]);
  const above = ([x, y]: Point): boolean => {
    const along = alongAtX(seam, x);
    const [begin, end] = [startOf(seam[0]!), endOf(seam.at(-1)!)];
    return (
      y < (along !== null ? pointAlong(seam, along) : x > begin[0] === begin[0] > end[0] ? begin : end)[1]
    );
  };
  const mouthUp = above(crossed[0]!.legs[0]);
  if (crossed.some((d) => above(d.legs[0]) !== mouthUp || above(d.tip) === mouthUp))
    throw new RangeError('the seam crosses darts that open on either side of it');
  // Of an edge that is cut, the half below or beyond begins further on.
  const skipped = (id: string) =>
    id === first.edge && !mouthUp ? first.along : id === second.edge && mouthUp ? second.along : 0;
  const closed = closedOver(withoutMouths(mouthUp ? up : down, crossed, skipped), met, second.edge);
  const open = openedInto(mouthUp ? down : up, edge, met);
  const darts = (isUp: boolean) =>
    panel.darts.filter((d) => !crossed.includes(d) && above(d.legs[0]) === isUp);
  const marks = (isUp: boolean) => panel.marks.filter((m) => above(m.at) === isUp);
  const turned = (m: PanelMark): PanelMark => ({
    ...m,
    at: closed.point(m.at),
    ...(m.to ? { to: closed.point(m.to) } : {}),
    ...(m.along ? { along: m.along.map((x) => mapped(x, closed.point)) } : {}),
  });
  const half = (isUp: boolean): Panel => ({
    ...panel,
    ...(isUp === mouthUp
      ? {
          edges: closed.edges,
          darts: darts(isUp).map((d) => ({
            ...d,
            tip: closed.point(d.tip),
            legs: [closed.point(d.legs[0]), closed.point(d.legs[1])] as const,
          })),
          marks: marks(isUp).map(turned),
          lines: [],
          levels: [],
        }
      : { edges: open.edges, darts: [...darts(isUp), ...open.sewn], marks: marks(isUp) }),
  });
  return {
    upper: half(true),
    lower: half(false),
    place: (at) => {
      const isUp = above(at);
      return { upper: isUp, at: isUp === mouthUp ? closed.point(at) : at };
    },
    darts: open.darts,
    mouthUp,
  };
}
