import {
  directionAt,
  endOf,
  lengthOf,
  mapped,
  type Point,
  pointAt,
  type Segment,
  startOf,
  stretch,
} from '../draft/curve.ts';
import { innerBy } from '../draft/outline.ts';
import type { Dart, Edge, Panel } from '../draft/panel.ts';
import { alongOf } from '../draft/path.ts';
import { cm } from '../units/length.ts';
import { CannotAlter } from './refusal.ts';

/** A panel cut through across, and its lower or upper part moved. Lengths cm. */
export interface Slash {
  /** height of the line it is cut at */
  readonly y: number;
  /** how far it is spread (+) or overlapped (−) */
  readonly by: number;
  /** at which share of it at x, 0 to 1: 1 everywhere for a level slash; a wedge runs to nothing at its hinge */
  readonly share: (x: number) => number;
  /** which part moves: the lower one takes what hangs below it along */
  readonly moves: 'lower' | 'upper';
  /** how a point of the part that moves goes, where that is not straight up or down */
  readonly turned?: (p: Point) => Point;
}

/** A level slash: the panel is so much longer (+) or shorter (−) below the line. */
export const level = (y: number, by: number): Slash => ({ y, by, share: () => 1, moves: 'lower' });

/**
 * A wedge at the centre to nothing at a hinge on the side seam: the upper part sinks (−) or rises (+) there. Widths
 * stay as they are; the centre line stays straight.
 */
export const wedge = (y: number, by: number, hinge: number): Slash => ({
  y,
  by,
  share: (x) => Math.min(1, Math.max(0, 1 - x / hinge)),
  moves: 'upper',
});

/**
 * Cuts a panel through and moves one part. Spread, the gap is filled straight; overlapped, what lies in the overlap is
 * gone and the seams are trued: they meet half way between the two.
 * @throws CannotAlter where a corner of the panel or a dart's tip lies in what would go
 */
export function slash(panel: Panel, cut: Slash): Panel {
  const gone = Math.max(0, -cut.by);
  // The overlap lies on the side of the part that moves.
  const edgeOfMoved = (x: number) =>
    cut.moves === 'lower' ? cut.y + gone * cut.share(x) : cut.y - gone * cut.share(x);
  const isMoved = ([x, y]: Point) =>
    cut.moves === 'lower' ? y > edgeOfMoved(x) - 1e-9 : y < edgeOfMoved(x) + 1e-9;
  const isKept = ([, y]: Point) => (cut.moves === 'lower' ? y <= cut.y + 1e-9 : y >= cut.y - 1e-9);
  const move =
    cut.turned ??
    (([x, y]: Point): Point => [x, y + (cut.moves === 'lower' ? cut.by : -cut.by) * cut.share(x)]);
  const placed = (p: Point, what: string): Point => {
    if (gone > 0 && !isMoved(p) && !isKept(p))
      throw new CannotAlter(
        `${what} of the ${panel.name} lies in what would be taken out: choose another line.`,
      );
    return isKept(p) ? p : move(p);
  };
  const edges = panel.edges.map((e): Edge => {
    placed(startOf(e.path[0]!), 'A corner');
    return {
      ...e,
      path: cutPath(e.path, {
        isKept,
        isMoved,
        move,
        atLine: (p) => p[1] - cut.y,
        atMoved: (p) => p[1] - edgeOfMoved(p[0]),
        trues: gone > 0,
      }),
    };
  });
  const lineBy = <L extends NonNullable<Panel['levels']>[number]>(l: L): L => ({
    ...l,
    y: cm(l.y > cut.y && cut.moves === 'lower' ? l.y + cut.by : l.y),
    ...(l.over ? { over: isKept(l.over) ? l.over : move(l.over) } : {}),
  });
  const byId = new Map(edges.map((e) => [e.id, e]));
  const darts = panel.darts.map((d): Dart => {
    const legs = [placed(d.legs[0], 'A dart'), placed(d.legs[1], 'A dart')] as const;
    const tip = placed(d.tip, 'The tip of a dart');
    const foot: Point = [(legs[0][0] + legs[1][0]) / 2, (legs[0][1] + legs[1][1]) / 2];
    return {
      ...d,
      legs,
      tip,
      at: cm(alongOf(byId.get(d.edge)!.path, foot).along),
      length: cm(Math.hypot(tip[0] - foot[0], tip[1] - foot[1])),
    };
  });
  return {
    ...panel,
    edges,
    darts,
    lines: panel.lines.map(lineBy),
    ...(panel.levels ? { levels: panel.levels.map(lineBy) } : {}),
    marks: panel.marks.map((m) => ({ ...m, at: isKept(m.at) ? m.at : move(m.at) })),
    ...(panel.inner ? { inner: panel.inner.map((d) => innerBy(d, (q) => (isKept(q) ? q : move(q)))) } : {}),
  };
}

interface Sides {
  readonly isKept: (p: Point) => boolean;
  readonly isMoved: (p: Point) => boolean;
  readonly move: (p: Point) => Point;
  readonly atLine: (p: Point) => number;
  readonly atMoved: (p: Point) => number;
  /** whether two ends that stand apart meet half way, or are joined by a straight line */
  readonly trues: boolean;
}

/** A path with its moved stretches moved, the stretch in the overlap left out, and what stands apart joined. */
function cutPath(path: readonly Segment[], sides: Sides): Segment[] {
  const out: Segment[] = [];
  const add = (s: Segment) => {
    const last = out.at(-1);
    if (!last || apart(endOf(last), startOf(s)) < 1e-6) {
      out.push(s);
      return;
    }
    const [a, b] = [endOf(last), startOf(s)];
    if (!sides.trues) {
      out.push([a, b], s);
      return;
    }
    const half: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
    out[out.length - 1] = [...last.slice(0, -1), half] as unknown as Segment;
    out.push([half, ...s.slice(1)] as unknown as Segment);
  };
  for (const s of path) {
    const cuts = [0, ...crossings(s, sides.atLine), ...crossings(s, sides.atMoved), 1].sort((a, b) => a - b);
    for (let i = 0; i + 1 < cuts.length; i++) {
      const [a, b] = [cuts[i]!, cuts[i + 1]!];
      if (b - a < 1e-7) continue;
      const middle = pointAt(s, (a + b) / 2);
      if (sides.isKept(middle)) add(stretch(s, a, b));
      else if (sides.isMoved(middle)) add(mapped(stretch(s, a, b), sides.move));
    }
  }
  return out;
}

const lengthOfPath = (path: readonly Segment[]) => path.reduce((n, s) => n + lengthOf(s), 0);
const apart = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** Where a segment crosses a line: parameters strictly inside it (bisection between samples, to 1e-9). */
function crossings(s: Segment, off: (p: Point) => number): number[] {
  const n = s.length === 2 ? 1 : 24;
  const found: number[] = [];
  for (let i = 0; i < n; i++) {
    let [lo, hi] = [i / n, (i + 1) / n];
    const first = off(pointAt(s, lo));
    // A place that lies on the line itself counts to what lies beyond it, or a curve that is met just there is missed.
    if (first < 0 === off(pointAt(s, hi)) < 0) continue;
    while (hi - lo > 1e-9) {
      const t = (lo + hi) / 2;
      if (off(pointAt(s, t)) < 0 === first < 0) lo = t;
      else hi = t;
    }
    found.push((lo + hi) / 2);
  }
  return found.filter((t) => t > 1e-9 && t < 1 - 1e-9);
}

/**
 * A tuck (−) or an insert (+) at the centre to nothing at the side of a panel: its centre line stays straight, its
 * widths stay, and its shoulder keeps its length by its outer end sliding along itself.
 */
export function tuck(panel: Panel, y: number, by: number, hinge: number): Panel {
  const after = slash(panel, wedge(y, by, hinge));
  const i = after.edges.findIndex((e) => e.id === 'shoulder');
  if (i < 0) return after;
  const more = lengthOfPath(panel.edges[i]!.path) - lengthOfPath(after.edges[i]!.path);
  const n = after.edges.length;
  const next = after.edges[(i + 1) % n]!;
  const path = after.edges[i]!.path;
  const end = endOf(path.at(-1)!);
  const [dx, dy] = directionAt(path.at(-1)!, 1);
  const by2 = ([x, y2]: Point): Point => [x + dx * more, y2 + dy * more];
  const last = path.at(-1)!;
  const shoulder = [...path.slice(0, -1), [...last.slice(0, -1), by2(end)] as unknown as Segment];
  const [first, ...rest] = next.path;
  const armhole = [
    (first!.length === 2
      ? [by2(first![0]), first![1]]
      : [by2(first![0]), by2(first![1]), ...first!.slice(2)]) as unknown as Segment,
    ...rest,
  ];
  return {
    ...after,
    edges: after.edges.map((e, k) =>
      k === i ? { ...e, path: shoulder } : k === (i + 1) % n ? { ...e, path: armhole } : e,
    ),
  };
}

/**
 * The same on a side panel: what lies above the line turns about the side seam, so that every seam above keeps its
 * length, and at its inner seam it gives as much as the centre panel.
 */
export function turn(panel: Panel, y: number, by: number, [from, to]: readonly [number, number]): Panel {
  const angle = Math.atan2(by, to - from);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return slash(panel, {
    ...wedge(y, by, to),
    share: (x) => Math.max(0, (to - x) / (to - from)),
    // About the side seam at that height: what lies inward of it rises (+) or sinks (−).
    turned: ([x, v]) => [to + (x - to) * c - (v - y) * s, y + (x - to) * s + (v - y) * c],
  });
}
