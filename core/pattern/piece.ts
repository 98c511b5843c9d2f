import { distance, type Point, type Segment, startOf } from '../draft/curve.ts';
import { cross, grainArrow, tick } from '../draft/marks-drawn.ts';
import { spanAt } from '../draft/measure.ts';
import { innerOutline, sewnOutline } from '../draft/outline.ts';
import type { Panel, PanelMark } from '../draft/panel.ts';
import type { WholePanel } from '../garment/whole.ts';
import { cutRing, openedOut, pressedTo, reflected } from './cut-ring.ts';
import { HIGH, type Label, labelIn, middleOf, roomAlong } from './label.ts';
import { lines } from './polyline.ts';

/** What a line of a pattern is; the names are those of the layers in a drawing file. */
export const KINDS = ['CUT', 'SEAM', 'GRAIN', 'FOLD', 'NOTCH', 'DRILL', 'MARK', 'TEXT'] as const;
export type PatternKind = (typeof KINDS)[number];

export interface PatternLine {
  readonly kind: Exclude<PatternKind, 'CUT' | 'TEXT'>;
  readonly path: readonly Segment[];
  readonly closed?: true;
}
export interface PatternWord {
  readonly at: Point;
  readonly text: string;
  /** height of its letters, cm */
  readonly size: number;
  /** turned a quarter to the left */
  readonly upright?: true;
  /** its place is its middle, not its beginning */
  readonly centred?: true;
}

/** One piece of paper: all that is drawn on it at full size, cm, y down. */
export interface PatternPiece {
  readonly id: string;
  readonly name: string;
  /** what is cut from it: "outer: 2, a pair" */
  readonly cut: readonly string[];
  /** the cut line, one simple ring */
  readonly ring: readonly Point[];
  readonly lines: readonly PatternLine[];
  readonly words: readonly PatternWord[];
  /** x0, y0, x1, y1 of its ring */
  readonly box: readonly [number, number, number, number];
  /** the edges by name, for walking a seam along its partner */
  readonly edges: readonly {
    /** the panel it is of: a piece may be two halves that are not alike */
    readonly piece: string;
    readonly id: string;
    readonly name: string;
    readonly path: readonly Segment[];
  }[];
}

/** What a pattern says on each of its pieces beside its own name: an order, never a client's name. */
export interface PatternHead {
  /** the order's number, the client's code, the sheet's revision, the day */
  readonly lines: readonly string[];
}

const SMALL = 0.3;
/** Letters stand so far beside what they name, cm. */
const BESIDE = 0.3;

/** What is drawn on one half of a piece. */
function drawnOn(p: WholePanel): PatternLine[] {
  return [
    { kind: 'SEAM', path: p.edges.filter((e) => !e.fold).flatMap((e) => e.path) },
    ...p.darts.map(
      (d): PatternLine => ({
        kind: 'SEAM',
        path: [
          [d.legs[0], d.tip],
          [d.tip, d.legs[1]],
        ],
      }),
    ),
    ...(p.inner ?? []).map((d): PatternLine => ({ kind: 'SEAM', path: innerOutline(d) })),
    ...p.lines.flatMap((l): PatternLine[] => {
      const span = spanAt(p, l.y);
      return span ? [{ kind: 'MARK', path: [[[span[0], l.y] as const, [span[1], l.y] as const]] }] : [];
    }),
    ...p.marks.flatMap((m) => markLines(p, m)),
  ];
}

interface Drawing {
  /** other layers that are cut from the same paper */
  readonly also: readonly string[];
  readonly head: PatternHead;
  /** halves on the fold drawn whole */
  readonly opened: boolean;
}

/**
 * A panel, and other layers that are cut from the same paper, as one piece of the pattern.
 * @param other the other half, where it is not alike and both are one piece of cloth: mirrored at the fold
 */
export function pieceOfPattern(
  p: WholePanel,
  other: WholePanel | null,
  { also, head, opened }: Drawing,
): PatternPiece {
  const fold = p.edges.find((e) => e.fold && e.path.length > 0);
  const open = fold && (opened || other) ? foldOf(fold.path) : null;
  const turned = (path: readonly Segment[]): Segment[] =>
    open ? path.map((s) => s.map((at) => reflected(at as Point, ...open)) as unknown as Segment) : [...path];
  const half = cutRing(p);
  const ring = open ? openedOut(half, other ? cutRing(other) : half, open) : half;
  const name = other ? p.name.replace(/, (right|left)$/, '') : p.name;
  const up = p.up === undefined || other ? [] : [`right side of the cloth ${p.up ? 'up' : 'down'}`];
  const cut = [other ? `${cutWords(p, true)}, right side up` : cutWords(p, open !== null), ...up, ...also];
  const warp = warpIn(ring, p);
  const label = labelIn(
    ring,
    [name, ...head.lines, ...cut.flatMap(inRows)],
    [...dartShapes(p), shapeOf(warp)],
  );
  const edgesOf = (q: WholePanel, way: (path: readonly Segment[]) => Segment[]) =>
    q.edges
      .filter((e) => e.path.length > 0 && !(open && e.fold))
      .map((e) => ({ piece: q.id, id: e.id, name: e.name, path: way(e.path) }));
  return {
    id: p.id,
    name,
    cut,
    ring,
    lines: [
      ...drawnOn(p),
      ...(open ? drawnOn(other ?? p).map((l) => ({ ...l, path: turned(l.path) })) : []),
      { kind: 'GRAIN', path: grainArrow(warp) },
      ...(fold && !open ? [{ kind: 'FOLD' as const, path: foldSign(foldOf(fold.path), p) }] : []),
    ],
    words: [
      ...labelWords(label),
      ...(fold && !open ? [foldWord(foldOf(fold.path))] : []),
      ...p.lines.flatMap((l) => nameOfLine(p, l)),
      ...dartWords(p),
      ...p.marks.flatMap(markWord),
    ],
    box: boxOf(ring),
    edges: [...edgesOf(p, (x) => [...x]), ...(other ? edgesOf(other, turned) : [])],
  };
}

/** A box around points: x0, y0, x1, y1. */
export const boxOf = (ring: readonly Point[]): [number, number, number, number] => [
  Math.min(...ring.map(([x]) => x)),
  Math.min(...ring.map(([, y]) => y)),
  Math.max(...ring.map(([x]) => x)),
  Math.max(...ring.map(([, y]) => y)),
];

/** What is cut from a panel's own cloth, in words. */
export function cutWords(p: Panel, opened = false): string {
  const how =
    opened || p.cut === 'single'
      ? ''
      : p.cut === 'fold'
        ? ', on the fold'
        : p.count > 2
          ? ', in pairs, mirror half'
          : ', a pair, mirror one';
  return `${p.layer === 'outer' ? 'cut' : p.layer} ${p.count}${how}`;
}

const foldOf = (path: readonly Segment[]): [Point, Point] => [
  startOf(path[0]!),
  path.at(-1)!.at(-1) as Point,
];

/** A fold: its line, and at both ends an arrow that points at it. */
function foldSign([from, to]: readonly [Point, Point], p: Panel): Segment[] {
  const whole = distance(from, to) || 1;
  const way: Point = [(to[0] - from[0]) / whole, (to[1] - from[1]) / whole];
  const points = p.edges.flatMap((e) => e.path.flatMap((s) => [...s] as Point[]));
  const middle = points.reduce((a, [x, y]) => [a[0] + x / points.length, a[1] + y / points.length] as Point, [
    0, 0,
  ] as Point);
  // Toward the cloth.
  const turn = (middle[0] - from[0]) * -way[1] + (middle[1] - from[1]) * way[0] > 0 ? 1 : -1;
  const inward: Point = [-way[1] * turn, way[0] * turn];
  const deep = Math.min(1.5, whole / 4);
  const at = (along: number, into: number): Point => [
    from[0] + way[0] * along + inward[0] * into,
    from[1] + way[1] * along + inward[1] * into,
  ];
  const arrow = (along: number): Segment[] => [
    [at(along, deep), at(along, 0)],
    [at(along, 0), at(along - 0.25, 0.5)],
    [at(along, 0), at(along + 0.25, 0.5)],
  ];
  const end = Math.min(3, whole / 5);
  return [[from, to], ...arrow(end), ...arrow(whole - end), [at(end, deep), at(whole - end, deep)]];
}

/** The grain's arrow where there is most room beside the darts, as long as it may be there, along the way the panel gives. */
function warpIn(ring: readonly Point[], p: WholePanel): readonly [Point, Point] {
  const [from, to] = p.warp;
  const whole = distance(from, to) || 1;
  const way: Point = [(to[0] - from[0]) / whole, (to[1] - from[1]) / whole];
  const [x, y] = middleOf(ring, dartShapes(p));
  const half = Math.max(1, Math.min(whole, 0.8 * roomAlong([x, y], ring, way, 1)) / 2);
  return [
    [x - way[0] * half, y - way[1] * half],
    [x + way[0] * half, y + way[1] * half],
  ];
}

/** Long words of a label in rows. */
const inRows = (text: string): string[] => {
  const last = text.lastIndexOf(', ');
  return text.length > 22 && last > 0 ? [text.slice(0, last), text.slice(last + 2)] : [text];
};

/** What the label must not lie on, as thin shapes. */
const dartShapes = (p: Panel): Point[][] => p.darts.map((d): Point[] => [d.legs[0], d.tip, d.legs[1]]);
const shapeOf = ([a, b]: readonly [Point, Point]): Point[] => [
  [a[0] - 0.5, a[1]],
  [a[0] + 0.5, a[1]],
  [b[0] + 0.5, b[1]],
  [b[0] - 0.5, b[1]],
];

const foldWord = ([[x0, y0], [x1, y1]]: readonly [Point, Point]): PatternWord => ({
  at: [(x0 + x1) / 2 + (Math.abs(x1 - x0) < 0.1 ? 1.1 : 0), (y0 + y1) / 2],
  text: 'on the fold',
  size: SMALL,
  upright: true,
  centred: true,
});

function markLines(p: WholePanel, m: PanelMark): PatternLine[] {
  if (m.along) return [{ kind: 'MARK', path: m.along }];
  switch (m.kind) {
    case 'notch': {
      const t = tick(p, m.at);
      return t ? [{ kind: 'NOTCH', path: [t] }] : [];
    }
    case 'zip-end': {
      const t = tick(p, m.at);
      return t ? [{ kind: 'MARK', path: [t] }] : [];
    }
    case 'drill':
    case 'thread mark':
      return [{ kind: m.kind === 'drill' ? 'DRILL' : 'MARK', path: cross(m.at) }];
    default:
      return m.to ? [{ kind: 'MARK', path: [[m.at, m.to]] }] : [];
  }
}

const NAMED = new Set<PanelMark['kind']>(['zip-end', 'thread mark', 'fold line', 'lengthen', 'bone channel']);
const markWord = (m: PanelMark): PatternWord[] =>
  NAMED.has(m.kind) && m.name
    ? [{ at: [m.at[0] + BESIDE, m.at[1] - BESIDE], text: m.name, size: SMALL }]
    : [];

function nameOfLine(p: Panel, l: Panel['lines'][number]): PatternWord[] {
  const span = spanAt(p, l.y);
  return span ? [{ at: [span[0] + 1, l.y - BESIDE / 2], text: l.name, size: SMALL }] : [];
}

const dartWords = (p: Panel): PatternWord[] =>
  p.darts.map((d) => ({
    at: [d.tip[0] + BESIDE, d.tip[1] + (pressedTo(d) === 'downward' ? -BESIDE : 2 * BESIDE)],
    text: `press ${pressedTo(d)}`,
    size: SMALL,
  }));

function labelWords({ at, size, upright, rows }: Label): PatternWord[] {
  const step = size * HIGH;
  return rows.map((text, i) => {
    const off = (i - (rows.length - 1) / 2) * step;
    return {
      at: upright ? [at[0] + off, at[1]] : [at[0], at[1] + off],
      text,
      size: i === 0 ? size * 1.15 : size,
      centred: true,
      ...(upright ? { upright: true as const } : {}),
    };
  });
}

/** A ring as straight segments, closed. */
export const ringPath = (piece: Pick<PatternPiece, 'ring'>): Segment[] => lines(piece.ring, true);
/** The seam line of a panel, where a layer without allowances is cut. */
export const seamPath = (p: Panel): Segment[] => sewnOutline(p);
