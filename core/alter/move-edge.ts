import { directionAt, endOf, type Point, type Segment, startOf } from '../draft/curve.ts';
import { edgeLength } from '../draft/measure.ts';
import { type Dart, type Edge, edgeOf, type Panel } from '../draft/panel.ts';
import { alongOf, between, pathLength, piecesOf } from '../draft/path.ts';
import { cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import { amountAt, mostOut, type Profile } from './profile.ts';
import { CannotAlter } from './refusal.ts';

/** Which way an edge is moved: across the panel, up and down it, or straight out from itself. */
export type Way = 'across' | 'down' | 'out';

/** A dart whose foot is moved past its tip is no dart; this much is left of it, cm. */
const LEAST_DART = 1;
/** A notch lies on an edge within this, cm. */
const ON_EDGE = 0.5;

/**
 * Moves an edge between its two neighbours by a profile along it: out adds cloth, in takes it. Its neighbours are
 * drawn on or trimmed along themselves to meet it, so that a waist line keeps its course when a side seam is taken in; an
 * armhole above it bends with it.
 * Darts on it keep their tips, and their legs are drawn on or trimmed. Its allowance loses what was added.
 * @param along edges that go on from it and move with it: the hem of a vent with the hem
 * @throws CannotAlter where there is not so much cloth
 */
export function moveEdge(
  panel: Panel,
  id: string,
  profile: Profile,
  way: Way,
  along: readonly string[] = [],
): Panel {
  const first = edgeOf(panel, id);
  const i = panel.edges.indexOf(first);
  const n = panel.edges.length;
  const chain = [first];
  while (along.includes(panel.edges[(i + chain.length) % n]!.id))
    chain.push(panel.edges[(i + chain.length) % n]!);
  const edge = { ...first, path: chain.flatMap((e) => e.path) };
  const before = panel.edges[(i + n - 1) % n]!;
  const after = panel.edges[(i + chain.length) % n]!;
  const length = pathLength(edge.path);
  const [s0, s1] = [amountAt(profile, 0), amountAt(profile, length)];
  const unit = unitOf(edge, way);
  const moved = (p: Point, along: number, fallback: Point): Point => {
    const by = amountAt(profile, along);
    const [ux, uy] = unit ?? fallback;
    return [p[0] + ux * by, p[1] + uy * by];
  };
  const head =
    before.id === 'armhole' && way === 'across' ? bentEnd(before, s0, unit!) : trimmedEnd(panel, before, s0);
  const tail = trimmedStart(panel, after, s1);
  /** how far along each of the chain begins, and where the last ends */
  const ends = [0];
  for (const e of chain) ends.push(ends.at(-1)! + pathLength(e.path));
  const pieces = piecesOf(edge.path, [...profile.map((s) => s.at), ...ends]);
  const path = pieces.map(({ from, to, segment }, k) => {
    const last = segment.length - 1;
    return segment.map((p, j) => {
      if (k === 0 && j === 0) return head.corner ?? moved(p, from, outOf(segment, 0));
      if (k === pieces.length - 1 && j === last) return tail.corner ?? moved(p, to, outOf(segment, 1));
      return moved(p, from + ((to - from) * j) / last, outOf(segment, j / last));
    }) as unknown as Segment;
  });
  const edges = panel.edges.map((e): Edge => {
    const part = chain.indexOf(e);
    if (part >= 0)
      return {
        ...e,
        path: path.filter(
          (_, k) => pieces[k]!.from > ends[part]! - 1e-6 && pieces[k]!.from < ends[part + 1]! - 1e-6,
        ),
        allowance: cm(Math.max(0, e.allowance - mostOut(profile))),
      };
    if (e === before) return { ...e, path: head.path };
    return e === after ? { ...e, path: tail.path } : e;
  });
  const darts = panel.darts.map((d): Dart => {
    if (d.edge === id) return footMoved(d, profile, unit, path);
    // What is trimmed off the head of the edge after it brings its darts nearer to that head.
    return d.edge === after.id ? { ...d, at: cm(d.at + s1) } : d;
  });
  const marks = panel.marks.map((m) => {
    const on = alongOf(edge.path, m.at);
    return on.off > ON_EDGE ? m : { ...m, at: moved(m.at, on.along, [0, 0]) };
  });
  return { ...panel, edges, darts, marks };
}

/** Straight out of a segment at t, of length 1: the cloth lies on the right hand of travel. */
function outOf(s: Segment, t: number): Point {
  const [x, y] = directionAt(s, t);
  return [y, -x];
}

/** The one direction in which the edge is moved everywhere; null where each place is moved straight out of itself. */
function unitOf(edge: Edge, way: Way): Point | null {
  if (way === 'out') return null;
  // Outward is told by the chord, so that a curved edge moves to one side as a whole.
  const [a, b] = [startOf(edge.path[0]!), endOf(edge.path.at(-1)!)];
  if (way === 'across') return [b[1] - a[1] >= 0 ? 1 : -1, 0];
  return [0, b[0] - a[0] >= 0 ? -1 : 1];
}

interface Trimmed {
  readonly path: readonly Segment[];
  /** where the corner lies now; null where it stayed */
  readonly corner: Point | null;
}

const notSo = (panel: Panel, e: Edge, by: number) =>
  new CannotAlter(
    `There is not so much cloth: the ${e.name} of the ${panel.name} is ${say(edgeLength(panel, e.id))} long, and ${say(Math.abs(by))} of it would go.`,
  );
const dartInTheWay = (panel: Panel, e: Edge) =>
  new CannotAlter(
    `A dart on the ${e.name} of the ${panel.name} lies in what would be taken off: move the dart first.`,
  );

/** So much of an armhole bends to meet a side seam that is moved, cm: about to its first notch (common practice). */
const BENT = 8;
/**
 * An armhole goes with the side seam below it, fading out, so that the underarm stays the round that it was; trimmed along
 * itself it would meet the seam in a point.
 */
function bentEnd(e: Edge, by: number, [ux, uy]: Point): Trimmed {
  if (Math.abs(by) < 1e-9) return { path: e.path, corner: null };
  const length = pathLength(e.path);
  const begins = Math.max(0, length - BENT);
  const share = (along: number) => {
    const t = Math.max(0, (along - begins) / (length - begins));
    return t * t * (3 - 2 * t);
  };
  const path = piecesOf(e.path, [begins]).map(({ from, to, segment }) => {
    const last = segment.length - 1;
    return segment.map(([x, y], j) => {
      const w = by * share(from + ((to - from) * j) / last);
      return [x + ux * w, y + uy * w];
    }) as unknown as Segment;
  });
  return { path, corner: endOf(path.at(-1)!) };
}

/** The edge before: drawn on straight (by > 0) or trimmed at its end. */
function trimmedEnd(panel: Panel, e: Edge, by: number): Trimmed {
  if (Math.abs(by) < 1e-9) return { path: e.path, corner: null };
  const length = pathLength(e.path);
  const end = e.path.at(-1)!;
  if (by > 0) {
    const [x, y] = directionAt(end, 1);
    const corner: Point = [endOf(end)[0] + x * by, endOf(end)[1] + y * by];
    return { path: drawnOn(e.path, corner), corner };
  }
  if (-by > length - 0.5) throw notSo(panel, e, by);
  for (const d of panel.darts)
    if (d.edge === e.id && d.at + d.intake / 2 > length + by) throw dartInTheWay(panel, e);
  const path = between(e.path, 0, length + by);
  return { path, corner: endOf(path.at(-1)!) };
}

/** The edge after: drawn on backwards (by > 0) or trimmed at its start. */
function trimmedStart(panel: Panel, e: Edge, by: number): Trimmed {
  if (Math.abs(by) < 1e-9) return { path: e.path, corner: null };
  const first = e.path[0]!;
  const length = pathLength(e.path);
  if (by > 0) {
    const [x, y] = directionAt(first, 0);
    const corner: Point = [startOf(first)[0] - x * by, startOf(first)[1] - y * by];
    const path: Segment[] =
      first.length === 2 ? [[corner, first[1]], ...e.path.slice(1)] : [[corner, startOf(first)], ...e.path];
    return { path, corner };
  }
  if (-by > length - 0.5) throw notSo(panel, e, by);
  for (const d of panel.darts) if (d.edge === e.id && d.at - d.intake / 2 < -by) throw dartInTheWay(panel, e);
  const path = between(e.path, -by, length);
  return { path, corner: startOf(path[0]!) };
}

const drawnOn = (path: readonly Segment[], corner: Point): Segment[] => {
  const last = path.at(-1)!;
  return last.length === 2 ? [...path.slice(0, -1), [last[0], corner]] : [...path, [endOf(last), corner]];
};

/** A dart on a moved edge: its tip stays, its legs are drawn on or trimmed to where the edge lies now. */
function footMoved(d: Dart, profile: Profile, unit: Point | null, path: readonly Segment[]): Dart {
  const by = amountAt(profile, d.at);
  if (Math.abs(by) < 1e-9) return d;
  const middle: Point = [(d.legs[0][0] + d.legs[1][0]) / 2, (d.legs[0][1] + d.legs[1][1]) / 2];
  const reach = Math.hypot(middle[0] - d.tip[0], middle[1] - d.tip[1]);
  const away: Point = unit ?? [(middle[0] - d.tip[0]) / reach, (middle[1] - d.tip[1]) / reach];
  const along = (away[0] * (middle[0] - d.tip[0]) + away[1] * (middle[1] - d.tip[1])) / reach;
  const times = 1 + (by * along) / reach;
  if (reach * times < LEAST_DART)
    throw new CannotAlter(`A dart of ${say(d.length)} would be gone: move it first, or take less.`);
  const leg = (p: Point): Point => [
    d.tip[0] + (p[0] - d.tip[0]) * times,
    d.tip[1] + (p[1] - d.tip[1]) * times,
  ];
  const legs = [leg(d.legs[0]), leg(d.legs[1])] as const;
  const foot: Point = [(legs[0][0] + legs[1][0]) / 2, (legs[0][1] + legs[1][1]) / 2];
  return {
    ...d,
    legs,
    at: cm(alongOf(path, foot).along),
    intake: cm(d.intake * times),
    length: cm(d.length * times),
  };
}
