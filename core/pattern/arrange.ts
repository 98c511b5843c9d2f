import type { PatternPiece } from './piece.ts';

/** Between two pieces on the paper, and around them all, cm. */
const GAP = 1.5;
const EDGE = 0.4;

export interface Placed {
  readonly piece: PatternPiece;
  /** how far it is moved, cm */
  readonly by: readonly [x: number, y: number];
}
/** Pieces beside each other on paper: width and height of what they take, cm. */
export interface Arranged {
  readonly placed: readonly Placed[];
  readonly width: number;
  readonly height: number;
}

const wide = ({ box }: PatternPiece) => box[2] - box[0];
const tall = ({ box }: PatternPiece) => box[3] - box[1];

/**
 * Pieces in rows on paper of this width, the tallest first, each row as low as its tallest allows: a piece lies on what is
 * below it as far up as it can (a skyline). A piece that is wider than the paper lies alone and stands over it.
 */
export function arranged(pieces: readonly PatternPiece[], width: number): Arranged {
  // Where the free paper begins: stretches from left to right, each at its height.
  let skyline: { x: number; y: number; w: number }[] = [{ x: EDGE, y: EDGE, w: width - EDGE }];
  const placed: Placed[] = [];
  for (const piece of [...pieces].sort((a, b) => tall(b) - tall(a) || wide(b) - wide(a))) {
    const w = Math.min(width - EDGE, wide(piece) + GAP);
    const best = skyline
      .filter((s) => s.x + w <= width + 1e-9)
      .map((s) => ({
        x: s.x,
        y: Math.max(...skyline.filter((o) => o.x < s.x + w - 1e-9 && o.x + o.w > s.x + 1e-9).map((o) => o.y)),
      }))
      .reduce((a, b) => (b.y < a.y - 1e-9 ? b : a));
    placed.push({ piece, by: [best.x - piece.box[0], best.y - piece.box[1]] });
    const top = best.y + tall(piece) + GAP;
    const [from, to] = [best.x, best.x + w];
    skyline = [
      ...skyline.flatMap((s) => [
        { x: s.x, y: s.y, w: Math.min(s.x + s.w, from) - s.x },
        { x: Math.max(s.x, to), y: s.y, w: s.x + s.w - Math.max(s.x, to) },
      ]),
      { x: from, y: top, w },
    ]
      .filter((s) => s.w > 1e-6)
      .sort((a, b) => a.x - b.x);
  }
  return {
    placed,
    width: Math.max(0, ...placed.map(({ piece, by }) => piece.box[2] + by[0])),
    height: Math.max(0, ...placed.map(({ piece, by }) => piece.box[3] + by[1])),
  };
}
