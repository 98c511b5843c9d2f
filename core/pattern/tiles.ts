import type { Point } from '../draft/curve.ts';
import { type Arranged, arranged } from './arrange.ts';
import { PAPERS, type PaperId } from './papers.ts';
import type { Pattern } from './pattern.ts';
import type { PatternPiece } from './piece.ts';
import { inside } from './polyline.ts';

export const WAYS_UP = ['portrait', 'landscape'] as const;

/** What no printer reaches at the edge of a sheet, and how far two sheets lie over each other, cm. */
export const MARGIN = 1;
export const OVERLAP = 1;

export interface TilesAsked {
  readonly paper: PaperId;
  readonly way: (typeof WAYS_UP)[number];
  /** pieces one by one, each on sheets of its own, instead of as few sheets as can be */
  readonly apart: boolean;
}

/** One sheet: its place in rows and columns from 1, and the corner of what it shows, cm. */
export interface Tile {
  readonly row: number;
  readonly column: number;
  readonly at: Point;
  /** what is glued to it: letters that pair, by side */
  readonly marks: Partial<Record<'left' | 'right' | 'top' | 'bottom', string>>;
}
/** Sheets that are put together to one sheet with pieces on it. */
export interface Tiled {
  readonly arranged: Arranged;
  readonly tiles: readonly Tile[];
  readonly rows: number;
  readonly columns: number;
  /** what of each sheet is drawn on, and how far the next one begins, cm */
  readonly sheet: { readonly width: number; readonly height: number };
  readonly step: { readonly x: number; readonly y: number };
}

/** A, B … Z, AA: marks that pair. */
const letter = (i: number): string =>
  (i < 26 ? '' : letter(Math.floor(i / 26) - 1)) + String.fromCharCode(65 + (i % 26));

/** Whether something of a piece lies on a sheet: its line crosses it, or it lies within the piece. */
function touches(
  piece: PatternPiece,
  by: readonly [number, number],
  at: Point,
  w: number,
  h: number,
): boolean {
  const [x0, y0, x1, y1] = piece.box;
  if (x1 + by[0] < at[0] || x0 + by[0] > at[0] + w || y1 + by[1] < at[1] || y0 + by[1] > at[1] + h)
    return false;
  const [left, top] = [at[0] - by[0], at[1] - by[1]];
  const within = ([x, y]: Point) => x >= left && x <= left + w && y >= top && y <= top + h;
  if (piece.ring.some(within)) return true;
  // Long straight edges have no point on the sheet they pass: looked at in steps.
  const crosses = piece.ring.some((a, i) => {
    const b = piece.ring[(i + 1) % piece.ring.length]!;
    const n = Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1]));
    for (let k = 1; k < n; k++)
      if (within([a[0] + ((b[0] - a[0]) * k) / n, a[1] + ((b[1] - a[1]) * k) / n])) return true;
    return false;
  });
  return crosses || inside([left + w / 2, top + h / 2], piece.ring);
}

const usable = ({ paper, way }: Pick<TilesAsked, 'paper' | 'way'>) => {
  const { width, height } = PAPERS[paper];
  const [w, h] = way === 'portrait' ? [width, height] : [height, width];
  return { width: w - 2 * MARGIN, height: h - 2 * MARGIN };
};

function tiled(lying: Arranged, asked: Pick<TilesAsked, 'paper' | 'way'>): Tiled {
  const sheet = usable(asked);
  const step = { x: sheet.width - OVERLAP, y: sheet.height - OVERLAP };
  const columns = Math.max(1, Math.ceil((lying.width - OVERLAP) / step.x));
  const rows = Math.max(1, Math.ceil((lying.height - OVERLAP) / step.y));
  const used = (r: number, c: number): boolean =>
    r >= 0 &&
    c >= 0 &&
    r < rows &&
    c < columns &&
    lying.placed.some(({ piece, by }) =>
      touches(piece, by, [c * step.x, r * step.y], sheet.width, sheet.height),
    );
  const there = Array.from({ length: rows }, (_, r) =>
    Array.from({ length: columns }, (__, c) => used(r, c)),
  );
  const has = (r: number, c: number) => there[r]?.[c] === true;
  const marks = new Map<string, string>();
  const mark = (key: string) => {
    if (!marks.has(key)) marks.set(key, letter(marks.size));
    return marks.get(key)!;
  };
  const tiles: Tile[] = [];
  for (let r = 0; r < rows; r++)
    for (let c = 0; c < columns; c++)
      if (has(r, c))
        tiles.push({
          row: r + 1,
          column: c + 1,
          at: [c * step.x, r * step.y],
          marks: {
            ...(has(r, c - 1) ? { left: mark(`${r}|${c - 1}`) } : {}),
            ...(has(r, c + 1) ? { right: mark(`${r}|${c}`) } : {}),
            ...(has(r - 1, c) ? { top: mark(`${r - 1}-${c}`) } : {}),
            ...(has(r + 1, c) ? { bottom: mark(`${r}-${c}`) } : {}),
          },
        });
  return { arranged: lying, tiles, rows, columns, sheet, step };
}

/** How many columns of sheets are tried for the fewest of them. */
const MOST_COLUMNS = 9;

/**
 * A pattern on sheets of paper that are glued together, cm: arranged for the fewest sheets, or each piece on sheets of its
 * own. Empty sheets are left out.
 */
export function tilesOf(pattern: Pattern, asked: TilesAsked): Tiled[] {
  const { width } = usable(asked);
  const step = width - OVERLAP;
  if (asked.apart) return pattern.pieces.map((p) => tiled(arranged([p], Number.MAX_SAFE_INTEGER), asked));
  if (pattern.pieces.length === 0) return [];
  const tried = Array.from({ length: MOST_COLUMNS }, (_, i) =>
    tiled(arranged(pattern.pieces, OVERLAP + (i + 1) * step), asked),
  );
  return [tried.reduce((a, b) => (b.tiles.length < a.tiles.length ? b : a))];
}

/** How many sheets are printed, the cover not counted. */
export const sheetsIn = (all: readonly Tiled[]): number => all.reduce((n, t) => n + t.tiles.length, 0);

/** A page of a roll is no longer than this, cm: longer ones are not read everywhere (PDF allows 14,400 points, 508 cm). */
export const ROLL_PAGE = 500;

/**
 * A pattern on a roll of this width, cm: one page, or several where it is longer than a page may be, each with whole pieces.
 * @throws RangeError where a piece is wider than the roll
 */
export function rollOf(pattern: Pattern, width: number): Arranged[] {
  const room = width - 2 * MARGIN;
  const wide = pattern.pieces.find((p) => p.box[2] - p.box[0] > room);
  if (wide)
    throw new RangeError(
      `The ${wide.name} is ${Math.ceil(wide.box[2] - wide.box[0])} cm wide, the roll ${width} cm: print it on sheets, or on a wider roll.`,
    );
  const pages: PatternPiece[][] = [];
  let rest = [...pattern.pieces];
  while (rest.length > 0) {
    let now = rest;
    while (now.length > 1 && arranged(now, room).height > ROLL_PAGE - 2 * MARGIN) now = now.slice(0, -1);
    pages.push(now);
    rest = rest.slice(now.length);
  }
  return pages.map((p) => arranged(p, room));
}
