import type { Point } from '../draft/curve.ts';
import { type ClothInHand, usable } from './cloth.ts';
import { COLUMN, columnsOf, Offsets } from './columns.ts';
import { asLaid, type LayPiece } from './pieces.ts';
import type { Item, Task, Variant } from './task.ts';

/** The ways cloth is laid to be cut. */
export const WAYS = ['open', 'half', 'depth', 'middle', 'across'] as const;
export type Way = (typeof WAYS)[number];
export const WAY_NAME: Readonly<Record<Way, string>> = {
  open: 'open, one layer',
  half: 'folded in half, selvedge to selvedge',
  depth: 'folded over as far as the pieces need, the rest one layer',
  middle: 'both selvedges folded to the middle',
  across: 'open, every piece across the grain',
};

/** A strip of the cloth as it lies: where it begins across, how wide it is, its layers, its folds. Lengths cm. */
export interface Strip {
  readonly across: number;
  readonly width: number;
  readonly double: boolean;
  readonly folds: readonly ('left' | 'right')[];
  readonly task: Task;
}
/** Strips beside each other; stages follow one another along the cloth. */
export interface Plan {
  readonly way: Way;
  readonly stages: readonly (readonly Strip[])[];
}

type Turn = Variant['turn'];
interface Region {
  readonly width: number;
  readonly double: boolean;
  readonly folds: readonly ('left' | 'right')[];
  /** nothing may lie across this line, cm from the left */
  readonly middle?: number;
}

/** Shapes of a task, each once. */
class Shapes {
  readonly offsets = new Offsets();
  private readonly known = new Map<string, number>();
  of(key: string, ring: () => readonly Point[], shift: number): number {
    const own = `${key} ${shift.toFixed(6)}`;
    const found = this.known.get(own);
    if (found !== undefined) return found;
    const made = this.offsets.add(columnsOf(ring(), shift));
    this.known.set(own, made);
    return made;
  }
}

/** What of the pieces goes onto double cloth, and what is left for one layer: singles, and the odd one of pairs. */
const isDouble = (p: LayPiece, width: number): boolean =>
  (p.cut === 'fold' && p.half !== null && widthOf(p.half) <= width + 1e-9) ||
  (p.cut === 'pair' && p.count >= 2 && widthOf(p.whole) <= width + 1e-9);
/** How far a ring that begins at 0 reaches across, cm. */
export const widthOf = (ring: readonly Point[]): number => Math.max(...ring.map(([x]) => x));
/** How far a ring that begins at 0 reaches along, cm. */
export const heightOf = (ring: readonly Point[]): number => Math.max(...ring.map(([, y]) => y));

interface Asked {
  readonly cloth: ClothInHand;
  readonly turns: readonly Turn[];
}

/** One piece's variants within a region. */
function variantsOf(
  shapes: Shapes,
  p: LayPiece,
  region: Region,
  { cloth, turns }: Asked,
  mirrors: readonly boolean[],
  half: boolean,
): Variant[] {
  const ring = half ? p.half! : p.whole;
  const line = cloth.repeat && p.lines.find((l) => l.id === cloth.repeat!.line);
  // A strip lies the way it was asked for, whatever way the garment is laid.
  return (p.strip ? [0 as const] : turns).flatMap((turn) =>
    mirrors.flatMap((mirrored): Variant[] => {
      const laid = () => asLaid(ring, turn, mirrored);
      const key = `${p.id} ${half} ${turn} ${mirrored}`;
      const flat = shapes.of(key, laid, 0);
      const { height, width } = shapes.offsets.shapes[flat]!;
      const repeat = line
        ? { every: cloth.repeat!.along, at: -(turn === 180 ? height - line.y : line.y) }
        : undefined;
      const base = { turn, mirrored, repeat, shift: 0 };
      if (half) {
        // Upright the fold is at the left; turned about or mirrored at the right, both of them at the left again.
        const left = (turn === 180) === mirrored;
        if (!region.folds.includes(left ? 'left' : 'right')) return [];
        if (left) return [{ ...base, shape: flat, columns: [0] }];
        const begin = region.width - width;
        if (begin < -1e-9) return [];
        const column = Math.floor(begin / COLUMN + 1e-9);
        const shift = Math.max(0, begin - column * COLUMN);
        return [{ ...base, shape: shapes.of(key, laid, shift), columns: [column], shift }];
      }
      if (width > region.width + 1e-6) return [];
      if (p.border && !region.double) return turn === 0 ? [{ ...base, shape: flat, columns: [0] }] : [];
      if (region.middle !== undefined) {
        const most = Math.floor((region.width - width) / COLUMN + 1e-6);
        const columns = Array.from({ length: Math.max(0, most + 1) }, (_, c) => c).filter(
          (c) => c * COLUMN + width <= region.middle! + 1e-9 || c * COLUMN >= region.middle! - 1e-9,
        );
        return columns.length > 0 ? [{ ...base, shape: flat, columns }] : [];
      }
      return [{ ...base, shape: flat, columns: null }];
    }),
  );
}

/** The pieces of cloth of a piece of paper on one layer, each with how it may lie. */
function singly(shapes: Shapes, p: LayPiece, region: Region, asked: Asked, from = 0): Item[] {
  return Array.from({ length: Math.max(0, p.count - from) }, (_, k) => {
    const other = p.cut === 'pair' ? (k + from) % 2 === 1 : p.up === false;
    const mirrors = p.cut === 'fold' ? [false] : asked.cloth.bothSides && !p.bias ? [other, !other] : [other];
    return {
      id: `${p.id}#${k + from}`,
      piece: p.id,
      variants: variantsOf(shapes, p, region, asked, mirrors, false),
    };
  });
}

/** The pieces of cloth of a piece of paper on two layers. */
function doubly(shapes: Shapes, p: LayPiece, region: Region, asked: Asked): Item[] {
  const half = p.cut === 'fold';
  const times = half ? p.count : Math.floor(p.count / 2);
  return Array.from({ length: times }, (_, k) => ({
    id: `${p.id}#${half ? k : 2 * k}`,
    piece: p.id,
    variants: variantsOf(shapes, p, region, asked, [false, true], half),
  }));
}

function taskIn(region: Region, items: readonly Item[], shapes: Shapes, flaws: Task['obstacles'] = []): Task {
  return { width: region.width, items, offsets: shapes.offsets, obstacles: flaws };
}

/** Flaws as shapes nothing may lie over, on cloth that lies open: from the usable edge. */
function flawsIn(shapes: Shapes, cloth: ClothInHand): Task['obstacles'] {
  return cloth.flaws.flatMap((f, i) => {
    const [x0, x1] = [
      Math.max(0, f.across - cloth.selvedge),
      Math.min(usable(cloth).width, f.across + f.width - cloth.selvedge),
    ];
    if (x1 <= x0 || f.length <= 0) return [];
    const column = Math.floor(x0 / COLUMN + 1e-9);
    const box: Point[] = [
      [0, 0],
      [x1 - x0, 0],
      [x1 - x0, f.length],
      [0, f.length],
    ];
    return [{ shape: shapes.of(`flaw ${i}`, () => box, x0 - column * COLUMN), column, at: f.along }];
  });
}

/** How pieces may be turned on this cloth. */
const turnsOn = (cloth: ClothInHand, way: Way): Turn[] =>
  way === 'across' ? [90, 270] : cloth.oneWay ? [0] : [0, 180];

/** The cloth laid open, all pieces on one layer. */
function openStage(
  pieces: readonly LayPiece[],
  cloth: ClothInHand,
  way: Way,
  from: (p: LayPiece) => number,
): Strip[] {
  const region: Region = { width: usable(cloth).width, double: false, folds: [] };
  const shapes = new Shapes();
  const asked = { cloth, turns: turnsOn(cloth, way) };
  const items = pieces.flatMap((p) => singly(shapes, p, region, asked, from(p)));
  if (items.length === 0) return [];
  return [{ ...region, across: 0, task: taskIn(region, items, shapes, flawsIn(shapes, cloth)) }];
}

/** The odd one of a pair that two layers leave over. */
const done = (p: LayPiece, double: boolean): number =>
  !double ? 0 : p.cut === 'fold' ? p.count : 2 * Math.floor(p.count / 2);

/**
 * How the pieces would be laid one way: strips with what goes onto each; null where the way makes nothing of them (no piece
 * for two layers), or where flaws were marked, which are seen on cloth that lies open only.
 */
export function planFor(way: Way, pieces: readonly LayPiece[], cloth: ClothInHand): Plan | null {
  if (way === 'across' && cloth.oneWay) return null;
  if (way === 'open' || way === 'across')
    return { way, stages: [openStage(pieces, cloth, way, () => 0)].filter((s) => s.length > 0) };
  if (cloth.flaws.length > 0) return null;
  const whole = cloth.width;
  const asked = { cloth, turns: turnsOn(cloth, way) };
  const shapes = new Shapes();
  if (way === 'depth') return folded(pieces, cloth, asked);
  const quarter = way === 'middle';
  const room = whole / (quarter ? 4 : 2) - cloth.selvedge;
  const region: Region = quarter
    ? { width: whole / 2, double: true, folds: ['left', 'right'], middle: whole / 4 }
    : { width: room, double: true, folds: ['left'] };
  const twice = new Set(pieces.filter((p) => isDouble(p, room)).map((p) => p.id));
  if (twice.size === 0) return null;
  const items = pieces.flatMap((p) => (twice.has(p.id) ? doubly(shapes, p, region, asked) : []));
  if (items.some((i) => i.variants.length === 0)) return null;
  const rest = openStage(
    pieces.filter((p) => !twice.has(p.id) || done(p, true) < p.count),
    cloth,
    'open',
    (p) => done(p, twice.has(p.id)),
  );
  const selvedges = quarter && cloth.selvedge > 0 ? alongMiddle(shapes, region, cloth) : [];
  return {
    way,
    stages: [[{ ...region, across: 0, task: taskIn(region, items, shapes, selvedges) }], rest].filter(
      (s) => s.length > 0,
    ),
  };
}

/** Where both selvedges meet in the middle nothing lies over them. */
function alongMiddle(shapes: Shapes, region: Region, { selvedge }: ClothInHand): Task['obstacles'] {
  const x = region.middle! - selvedge;
  const column = Math.floor(x / COLUMN + 1e-9);
  const box: Point[] = [
    [0, 0],
    [2 * selvedge, 0],
    [2 * selvedge, ENDLESS],
    [0, ENDLESS],
  ];
  return [{ shape: shapes.of('selvedges', () => box, x - column * COLUMN), column, at: -ENDLESS / 4 }];
}
const ENDLESS = 40_000;

/** Folded over as far as the halves on the fold need; beside it one layer for what is single. */
function folded(pieces: readonly LayPiece[], cloth: ClothInHand, asked: Asked): Plan | null {
  const halves = pieces.filter((p) => p.cut === 'fold' && p.half !== null);
  if (halves.length === 0) return null;
  const depth = Math.max(...halves.map((p) => widthOf(p.half!))) + cloth.selvedge;
  const beside = cloth.width - 2 * depth - cloth.selvedge;
  const rest = pieces.filter((p) => !halves.includes(p));
  // Nothing goes beside the fold: then it is folded in half.
  if (beside < 5 || rest.length === 0 || rest.some((p) => widthOf(p.whole) > beside + 1e-9)) return null;
  const [on, off] = [new Shapes(), new Shapes()];
  const double: Region = { width: depth - cloth.selvedge, double: true, folds: ['left'] };
  const single: Region = { width: beside, double: false, folds: [] };
  return {
    way: 'depth',
    stages: [
      [
        {
          ...double,
          across: 0,
          task: taskIn(
            double,
            halves.flatMap((p) => doubly(on, p, double, asked)),
            on,
          ),
        },
        {
          ...single,
          across: depth,
          task: taskIn(
            single,
            rest.flatMap((p) => singly(off, p, single, asked)),
            off,
          ),
        },
      ],
    ],
  };
}
