import type { ClothInHand } from './cloth.ts';
import { COLUMN, type Columns, columnsOf, forbidden } from './columns.ts';
import type { LaidPiece, LaidStrip } from './lay.ts';
import { asLaid, type LayPiece } from './pieces.ts';
import { onRepeat, type Variant } from './task.ts';

const KNOWN = new WeakMap<LayPiece, Map<string, Columns>>();
/** A piece's columns as it lies, moved to the right within its first; worked out once for each way. */
function shapeOf(p: LayPiece, l: LaidPiece, shift: number): Columns {
  const key = `${l.half} ${l.turn} ${l.mirrored} ${shift.toFixed(4)}`;
  const own = KNOWN.get(p) ?? new Map<string, Columns>();
  KNOWN.set(p, own);
  const known = own.get(key) ?? columnsOf(asLaid(l.half ? p.half! : p.whole, l.turn, l.mirrored), shift);
  // Wherever a hand has stopped once: not kept for ever.
  if (own.size > 200) own.clear();
  own.set(key, known);
  return known;
}

/** The stretches along the cloth that a piece may not begin in, when its box begins at `x`; cm. */
function takenAt(
  laid: LaidPiece,
  x: number,
  strip: Pick<LaidStrip, 'pieces' | 'double'>,
  pieces: ReadonlyMap<string, LayPiece>,
  cloth: ClothInHand,
): { readonly bad: readonly (readonly [number, number])[]; readonly height: number } {
  // Columns begin where this piece does, so that it is exact; the others are moved within theirs.
  const own = shapeOf(pieces.get(laid.piece)!, laid, 0);
  const bad: [number, number][] = [];
  const hold = (shape: (shift: number) => Columns, at: number, y: number) => {
    const column = Math.floor((at - x) / COLUMN + 1e-6);
    const pairs = forbidden(shape(Math.max(0, at - x - column * COLUMN)), own, -column);
    for (let i = 0; i < pairs.length; i += 2) bad.push([pairs[i]! + y, pairs[i + 1]! + y]);
  };
  for (const o of strip.pieces) {
    const p = pieces.get(o.piece);
    if (o.id !== laid.id && p) hold((shift) => shapeOf(p, o, shift), o.x, o.y);
  }
  if (!strip.double)
    for (const f of cloth.flaws) {
      const [l, r] = [f.across - cloth.selvedge, f.across - cloth.selvedge + f.width];
      if (r > l)
        hold(
          (shift) =>
            columnsOf(
              [
                [0, 0],
                [r - l, 0],
                [r - l, f.length],
                [0, f.length],
              ],
              shift,
            ),
          l,
          f.along,
        );
    }
  return { bad, height: own.height };
}

/** Where a piece may begin along the cloth on a repeat. */
const repeatOf = (laid: LaidPiece, p: LayPiece, height: number, cloth: ClothInHand): Variant['repeat'] => {
  const line =
    cloth.repeat && laid.turn % 180 === 0 ? p.lines.find((l) => l.id === cloth.repeat!.line) : null;
  return line
    ? { every: cloth.repeat!.along, at: -(laid.turn === 180 ? height - line.y : line.y) }
    : undefined;
};

/** Across the cloth a piece stays on it, and a half on its fold. */
export function keptAcross(
  laid: LaidPiece,
  x: number,
  width: number,
  strip: Pick<LaidStrip, 'width'>,
): number {
  return laid.half ? laid.x : Math.max(0, Math.min(x, strip.width - width));
}

/**
 * Where a piece comes to lie that a hand wants at `to`: across as wanted, along the cloth as near as nothing is in the way.
 * It slides along its neighbours and rests against them.
 * @returns null where it does not go on the cloth there at all
 */
export function slidTo(
  laid: LaidPiece,
  to: { readonly x: number; readonly y: number },
  strip: Pick<LaidStrip, 'pieces' | 'double' | 'width'>,
  pieces: ReadonlyMap<string, LayPiece>,
  cloth: ClothInHand,
): { readonly x: number; readonly y: number } | null {
  const p = pieces.get(laid.piece)!;
  const { width } = shapeOf(p, laid, 0);
  if (width > strip.width + 1e-6) return null;
  const x = keptAcross(laid, to.x, width, strip);
  const { bad, height } = takenAt(laid, x, strip, pieces, cloth);
  const repeat = repeatOf(laid, p, height, cloth);
  const free = (y: number) => y >= -1e-9 && bad.every(([lo, hi]) => y <= lo + 1e-9 || y >= hi - 1e-9);
  const v = { repeat } as Variant;
  const near = (y: number): number[] => {
    if (!repeat) return [y];
    const up = onRepeat(y, v);
    return [up, up - repeat.every, up + repeat.every];
  };
  // A little beyond what is in the way, so that nothing is counted as lying over by a hair.
  const wanted = [to.y, 0, ...bad.flat()].flatMap(near).filter(free);
  if (wanted.length === 0) return null;
  const best = wanted.reduce((a, b) => (Math.abs(b - to.y) < Math.abs(a - to.y) ? b : a));
  return { x, y: Math.max(0, best) };
}
