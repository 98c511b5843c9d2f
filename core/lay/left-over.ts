import { type ClothInHand, usable } from './cloth.ts';
import { COLUMN, columnsOf } from './columns.ts';
import type { LaidStrip, Lay } from './lay.ts';
import { asLaid, type LayPiece } from './pieces.ts';

/** A free rectangle: from the strip's left and the cloth's cut end, cm. */
export interface Free {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly length: number;
  readonly double: boolean;
}

/** Rectangles narrower or shorter than this are scraps, cm. */
const LEAST = 8;

/** What is taken of each column of a strip: stretches along its length, in order. */
function takenIn(strip: LaidStrip, pieces: readonly LayPiece[]): [number, number][][] {
  const count = Math.floor(strip.width / COLUMN + 1e-6);
  const taken: [number, number][][] = Array.from({ length: count }, () => []);
  for (const l of strip.pieces) {
    const p = pieces.find((q) => q.id === l.piece);
    if (!p || (l.half && !p.half)) continue;
    const first = Math.floor(l.x / COLUMN + 1e-9);
    const { columns } = columnsOf(
      asLaid(l.half ? p.half! : p.whole, l.turn, l.mirrored),
      l.x - first * COLUMN,
    );
    columns.forEach((c, i) => {
      for (let k = 0; k < c.length; k += 2) taken[first + i]?.push([c[k]! + l.y, c[k + 1]! + l.y]);
    });
  }
  for (const t of taken) t.sort((a, b) => a[0] - b[0]);
  return taken;
}

/** The free stretches between taken ones within a length. */
function freeIn(taken: readonly (readonly [number, number])[], length: number): [number, number][] {
  const out: [number, number][] = [];
  let from = 0;
  for (const [lo, hi] of taken) {
    if (lo > from) out.push([from, Math.min(lo, length)]);
    from = Math.max(from, hi);
  }
  if (from < length) out.push([from, length]);
  return out;
}

/** The largest free rectangle of a strip: from each column and each of its gaps to the right, as long as they overlap. */
function largest(columns: readonly (readonly [number, number][])[]): Omit<Free, 'double'> | null {
  let best: Omit<Free, 'double'> | null = null;
  columns.forEach((gaps, c) => {
    for (const gap of gaps) {
      // Depth first over which gap it goes on in: usually one.
      const walk = (at: number, lo: number, hi: number): void => {
        // As wide as the strip goes on it would be no larger than what was found.
        if (best && (columns.length - c) * COLUMN * (hi - lo) <= best.width * best.length) return;
        const width = (at - c) * COLUMN;
        if (width >= LEAST && (!best || width * (hi - lo) > best.width * best.length))
          best = { x: c * COLUMN, y: lo, width, length: hi - lo };
        for (const [l, h] of columns[at] ?? []) {
          const [nl, nh] = [Math.max(lo, l), Math.min(hi, h)];
          if (nh - nl >= LEAST) walk(at + 1, nl, nh);
        }
      };
      if (gap[1] - gap[0] >= LEAST) walk(c + 1, gap[0], gap[1]);
    }
  });
  return best;
}

/** The largest pieces of cloth that a lay leaves, up to `most`, the largest first; the rest of the cloth in hand with them. */
export function leftOver(lay: Lay, pieces: readonly LayPiece[], cloth: ClothInHand, most = 4): Free[] {
  const out: Free[] = [];
  const { length } = usable(cloth);
  lay.stages.forEach((stage, nth) => {
    const last = nth === lay.stages.length - 1;
    for (const strip of stage.strips) {
      const until = last && length !== null ? Math.max(stage.length, length - stage.from) : stage.length;
      let columns = takenIn(strip, pieces).map((t) => freeIn(t, until));
      for (let k = 0; k < most; k++) {
        const found = largest(columns);
        if (!found) break;
        out.push({ ...found, y: found.y + stage.from, double: strip.double });
        const [a, b] = [found.y, found.y + found.length];
        columns = columns.map((gaps, c) =>
          c * COLUMN < found.x - 1e-9 || c * COLUMN >= found.x + found.width - 1e-9
            ? gaps
            : gaps.flatMap(([l, h]): [number, number][] => [
                ...(l < a ? [[l, Math.min(h, a)] as [number, number]] : []),
                ...(h > b ? [[Math.max(l, b), h] as [number, number]] : []),
              ]),
        );
      }
    }
  });
  return out.sort((a, b) => b.width * b.length - a.width * a.length).slice(0, most);
}

/**
 * How much bias binding of a width a free rectangle gives, cut at 45° and joined, cm: its area by the binding’s width, less
 * a corner triangle at each end where no full strip lies (geometry; what joins take is not in it).
 */
export function biasFrom({ width, length }: Pick<Free, 'width' | 'length'>, binding: number): number {
  const short = Math.min(width, length);
  const full = width * length - short * short;
  // Within a square the strips grow and shrink: those longer than twice their width are of use.
  const corners = short * short - 2 * (2 * binding) ** 2;
  return Math.max(0, full + Math.max(0, corners)) / binding;
}
