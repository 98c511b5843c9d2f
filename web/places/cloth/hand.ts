import type { ClothWire } from '@rocchetto/contract/cloth-lay.ts';
import type { ClothInHand } from '@rocchetto/core/lay/cloth.ts';
import type { LaidPiece, LaidStrip, Lay } from '@rocchetto/core/lay/lay.ts';
import { closedUp } from '@rocchetto/core/lay/legal.ts';
import { asLaid, type LayPiece } from '@rocchetto/core/lay/pieces.ts';
import { slidTo } from '@rocchetto/core/lay/slide.ts';
import type { Way } from '@rocchetto/core/lay/ways.ts';

/** What is on the table: the cloth as it was written, how it lies, where the pieces are, which of them are pinned. */
export interface Hand {
  readonly cloth: ClothWire;
  readonly way: Way;
  readonly lay: Lay | null;
  readonly pinned: readonly string[];
}

export type Pieces = ReadonlyMap<string, LayPiece>;

/** A piece and the strip it lies on. */
export function found(lay: Lay, id: string): { laid: LaidPiece; strip: LaidStrip; from: number } | null {
  for (const stage of lay.stages)
    for (const strip of stage.strips) {
      const laid = strip.pieces.find((l) => l.id === id);
      if (laid) return { laid, strip, from: stage.from };
    }
  return null;
}

/** A lay in which one piece is another, or is taken away. */
export function withPiece(lay: Lay, id: string, to: LaidPiece | null, pieces: readonly LayPiece[]): Lay {
  const swap = (strip: LaidStrip): LaidStrip => ({
    ...strip,
    pieces: strip.pieces.flatMap((l) => (l.id !== id ? [l] : to ? [to] : [])),
  });
  return closedUp({ ...lay, stages: lay.stages.map((s) => ({ ...s, strips: s.strips.map(swap) })) }, pieces);
}

/** A piece turned about or mirrored where it lies, or as near as it goes; null where it may not lie so. */
export function turnedOver(
  lay: Lay,
  id: string,
  how: 'flip' | 'mirror',
  pieces: Pieces,
  cloth: ClothInHand,
): LaidPiece | null {
  const at = found(lay, id);
  if (!at) return null;
  const { laid, strip } = at;
  const p = pieces.get(laid.piece)!;
  if (how === 'flip' && cloth.oneWay) return null;
  // On one layer a piece is cut for its own side; on a fold both turn together, so that the fold stays.
  if (how === 'mirror' && !strip.double && !cloth.bothSides) return null;
  const turn = how === 'flip' ? (((laid.turn + 180) % 360) as LaidPiece['turn']) : laid.turn;
  const mirrored = (how === 'mirror') !== (how === 'flip' && laid.half) ? !laid.mirrored : laid.mirrored;
  if (laid.half && how === 'mirror' && strip.folds.length < 2) return null;
  const ring = asLaid(laid.half ? p.half! : p.whole, turn, mirrored);
  const width = Math.max(...ring.map(([x]) => x));
  const next = {
    ...laid,
    turn,
    mirrored,
    x: laid.half && how === 'mirror' ? (laid.x === 0 ? strip.width - width : 0) : laid.x,
  };
  const to = slidTo(next, { x: next.x, y: next.y }, strip, pieces, cloth);
  return to && { ...next, ...to };
}

/** The same in whatever order its fields were written. */
export const isSame = (a: unknown, b: unknown): boolean => sorted(a) === sorted(b);
const sorted = (v: unknown) =>
  JSON.stringify(v, (_, x: unknown) =>
    typeof x === 'object' && x !== null && !Array.isArray(x)
      ? Object.fromEntries(Object.entries(x).sort(([p], [q]) => (p < q ? -1 : 1)))
      : x,
  );

/** How a hand is written; raised when its shape changes. */
const VERSION = 1;
/** Whose table it is: each of the staff has their own on a device they share. */
export interface TableOf {
  readonly by: number;
  readonly order: number;
  readonly of: string;
  readonly panels: string;
}
const key = ({ by, order, of, panels }: TableOf) => `cloth ${by} ${order} ${of} ${panels}`;
/** What lies on the table and is not kept yet stays through a reload of the page. */
export function recalled(at: TableOf): Hand | null {
  try {
    const text = sessionStorage.getItem(key(at));
    const kept = text ? (JSON.parse(text) as { version: number; hand: Hand }) : null;
    // Written by a program of another day it is left alone.
    return kept?.version === VERSION ? kept.hand : null;
  } catch {
    return null;
  }
}
export function remembered(at: TableOf, hand: Hand | null): void {
  try {
    if (hand) sessionStorage.setItem(key(at), JSON.stringify({ version: VERSION, hand }));
    else sessionStorage.removeItem(key(at));
  } catch {
    // A browser that keeps nothing still lays cloth.
  }
}
