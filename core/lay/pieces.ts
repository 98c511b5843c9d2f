import { distance, endOf, type Point, startOf } from '../draft/curve.ts';
import type { PanelLayer } from '../draft/panel.ts';
import type { Cloth } from '../garment/input.ts';
import { onBorder } from '../garment/on-cloth.ts';
import { isFacing } from '../garment/seams.ts';
import { liesUp } from '../garment/two-sides.ts';
import type { WholePanel } from '../garment/whole.ts';
import { cutRing, openedOut } from '../pattern/cut-ring.ts';
import type { Reserved } from './cloth.ts';

/** A piece of paper as it is laid: its grain upright, its box begun at 0, 0. Lengths cm. */
export interface LayPiece {
  readonly id: string;
  readonly name: string;
  readonly layer: PanelLayer;
  readonly cut: 'fold' | 'pair' | 'single';
  /** pieces of cloth that are cut from it */
  readonly count: number;
  /** its ring; a half on the fold opened out */
  readonly whole: readonly Point[];
  /** the half, its fold along x = 0 and its cloth to the right of it; null where it has none, or not along the grain */
  readonly half: readonly Point[] | null;
  /** which side of the cloth lies up as it is drawn; undefined where it is all the same */
  readonly up?: boolean | undefined;
  /** its grain runs at a slant to the paper, so that nothing of it lies along a fold or border */
  readonly bias: boolean;
  /** one of the strips to keep: it lies the way it was asked for, either side up */
  readonly strip: boolean;
  /** it only finishes an edge, and may be of another cloth */
  readonly facing: boolean;
  /** its lower edge lies on the cloth's border */
  readonly border: boolean;
  /** heights of its body lines as it lies upright, from the box's beginning */
  readonly lines: readonly { readonly id: string; readonly name: string; readonly y: number }[];
}

/** Turns points about 0, 0 by an angle, radians. */
const turnedBy = (points: readonly Point[], angle: number): Point[] => {
  if (Math.abs(angle) < 1e-12) return [...points];
  const [s, c] = [Math.sin(angle), Math.cos(angle)];
  return points.map(([x, y]) => [c * x - s * y, s * x + c * y]);
};

/** Points moved so that their box begins at 0, 0. */
export function fromZero(points: readonly Point[]): Point[] {
  const x0 = Math.min(...points.map(([x]) => x));
  const y0 = Math.min(...points.map(([, y]) => y));
  return points.map(([x, y]) => [x - x0, y - y0]);
}

/** A ring as it lies: turned by quarters, mirrored first, its box at 0, 0. */
export function asLaid(ring: readonly Point[], turn: 0 | 90 | 180 | 270, mirrored: boolean): Point[] {
  const flat = mirrored ? ring.map(([x, y]): Point => [-x, y]) : ring;
  const way: Readonly<Record<number, (p: Point) => Point>> = {
    0: (p) => p,
    90: ([x, y]) => [-y, x],
    180: ([x, y]) => [-x, -y],
    270: ([x, y]) => [y, -x],
  };
  const out = fromZero(flat.map(way[turn]!));
  // Walked the same way round as before.
  return mirrored ? out.reverse() : out;
}

/** Outlines are kept to this many places of a centimetre: a hundredth of a millimetre. */
const kept = (points: readonly Point[]): Point[] =>
  points.map(([x, y]): Point => [Math.round(x * 1000) / 1000, Math.round(y * 1000) / 1000]);

/** The panels of a garment as pieces to lay; two halves on one fold that are not alike are one piece of cloth. */
export function piecesToLay(panels: readonly WholePanel[], cloth: Cloth): LayPiece[] {
  const leftOf = (p: WholePanel) =>
    p.cut === 'single' && p.edges.some((e) => e.fold)
      ? panels.find((q) => q.id === `${p.id}-left`)
      : undefined;
  const isJoined = new Set(panels.flatMap((p) => leftOf(p)?.id ?? []));
  return panels.flatMap((p) => (isJoined.has(p.id) ? [] : [pieceToLay(p, leftOf(p), cloth)]));
}

function pieceToLay(right: WholePanel, left: WholePanel | undefined, cloth: Cloth): LayPiece {
  // So that the right side of the cloth lies up.
  const [p, other] = left && !liesUp(right, 'right') ? [left, right] : [right, left];
  // Upright means down the paper: the grain from the upper end to the lower one.
  // A grain across it runs to the right, so that its lower edge comes to lie at the first selvedge, where a border is.
  const [a, b] = p.warp;
  const [from, to] = b[1] - a[1] > 1e-6 || (Math.abs(b[1] - a[1]) <= 1e-6 && b[0] > a[0]) ? [a, b] : [b, a];
  const angle = Math.PI / 2 - Math.atan2(to[1] - from[1], to[0] - from[0]);
  const slant = Math.abs(Math.sin(2 * angle)) > 1e-6;
  const fold = p.edges.find((e) => e.fold && e.path.length > 0);
  const bare = cutRing(p);
  const ends = fold ? ([startOf(fold.path[0]!), endOf(fold.path.at(-1)!)] as const) : null;
  const opened = ends ? openedOut(bare, other ? cutRing(other) : bare, [ends[0], ends[1]]) : bare;
  const whole = turnedBy(opened, angle);
  const x0 = Math.min(...whole.map(([x]) => x));
  const y0 = Math.min(...whole.map(([, y]) => y));
  const half =
    ends && !other && !slant ? halfOn(turnedBy(bare, angle), turnedBy(ends, angle) as [Point, Point]) : null;
  return {
    id: right.id,
    name: other ? right.name.replace(/, (right|left)$/, '') : right.name,
    layer: p.layer,
    cut: p.cut,
    count: p.count,
    whole: kept(whole.map(([x, y]): Point => [x - x0, y - y0])),
    half: half && kept(half),
    ...(p.up === undefined || other ? {} : { up: p.up }),
    bias: slant,
    strip: false,
    facing: isFacing(p),
    border: onBorder(p, cloth),
    lines: slant
      ? []
      : p.lines.map((l) => ({ id: l.id, name: l.name, y: turnedBy([[0, l.y]], angle)[0]![1] - y0 })),
  };
}

/** A half with its fold along x = 0; null where the fold does not run along the grain. */
function halfOn(ring: readonly Point[], [a, b]: readonly [Point, Point]): Point[] | null {
  if (distance(a, b) < 1 || Math.abs(a[0] - b[0]) > 1e-3) return null;
  const x = (a[0] + b[0]) / 2;
  const right = ring.reduce((sum, [px]) => sum + px - x, 0) > 0;
  const y0 = Math.min(...ring.map(([, y]) => y));
  const moved = ring.map(([px, y]): Point => [Math.max(0, right ? px - x : x - px), y - y0]);
  return right ? moved : moved.reverse();
}

/** Strips to keep, as pieces that are laid with the rest. */
export const stripsToKeep = (strips: readonly Reserved[]): LayPiece[] =>
  strips.map((s, i): LayPiece => {
    const [x, y] = s.way === 'across' ? [s.length, s.width] : [s.width, s.length];
    const flat: Point[] = [
      [0, 0],
      [x, 0],
      [x, y],
      [0, y],
    ];
    return {
      id: `strip-${i + 1}`,
      name: s.name,
      layer: 'outer',
      cut: 'single',
      count: s.count,
      whole: kept(s.way === 'bias' ? fromZero(turnedBy(flat, Math.PI / 4)) : flat),
      half: null,
      bias: s.way === 'bias',
      strip: true,
      facing: false,
      border: false,
      lines: [],
    };
  });
