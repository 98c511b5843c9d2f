import type { ClothInHand } from '@rocchetto/core/lay/cloth.ts';
import { type LaidPiece, type Lay, layOn } from '@rocchetto/core/lay/lay.ts';
import type { LayPiece } from '@rocchetto/core/lay/pieces.ts';
import { WAYS, type Way } from '@rocchetto/core/lay/ways.ts';
import { cm } from '@rocchetto/core/units/length.ts';

/** What is looked for: one lay, or what else could be done, each for so many ms. */
export type Ask = {
  readonly pieces: readonly LayPiece[];
  readonly cloth: ClothInHand;
  readonly way: Way;
  readonly time: number;
  readonly seed: number;
} & (
  | { readonly kind: 'lay'; readonly pinned: readonly (readonly LaidPiece[])[] }
  | { readonly kind: 'ladder'; readonly widths: readonly number[] }
);

/** Another way it could be done, with its lay. */
export interface Rung {
  readonly way: Way;
  /** another width to buy, cm; null: the cloth as it is */
  readonly width: number | null;
  /** facings cut from another cloth */
  readonly without: boolean;
  readonly lay: Lay;
}
export type Told =
  | { readonly kind: 'better'; readonly lay: Lay }
  | { readonly kind: 'rung'; readonly rung: Rung }
  | { readonly kind: 'done'; readonly lay: Lay | null };

const now = () => performance.now();
/** Lays are told no oftener than this, ms. */
const EACH = 150;
const tell = (told: Told) => postMessage(told);

function ladder(ask: Ask & { kind: 'ladder' }): void {
  const { pieces, cloth, time, seed, widths } = ask;
  const look = (way: Way, of: readonly LayPiece[], on: ClothInHand) =>
    layOn(way, of, on, { seed, now, time });
  for (const way of WAYS) {
    if (way === ask.way) continue;
    const lay = look(way, pieces, cloth);
    if (lay) tell({ kind: 'rung', rung: { way, width: null, without: false, lay } });
  }
  const bare = pieces.filter((p) => !p.facing);
  if (bare.length < pieces.length && bare.length > 0) {
    const lay = look(ask.way, bare, cloth);
    if (lay) tell({ kind: 'rung', rung: { way: ask.way, width: null, without: true, lay } });
  }
  for (const width of widths) {
    if (Math.abs(width - cloth.width) < 1) continue;
    const lay = look(ask.way, pieces, { ...cloth, width: cm(width), flaws: [] });
    if (lay) tell({ kind: 'rung', rung: { way: ask.way, width, without: false, lay } });
  }
}

addEventListener('message', ({ data }: MessageEvent<Ask>) => {
  if (data.kind === 'ladder') {
    ladder(data);
    tell({ kind: 'done', lay: null });
    return;
  }
  const { way, pieces, cloth, time, seed, pinned } = data;
  // Better ones come fast at first: a hand sees every one that lasts.
  let shown = Number.NEGATIVE_INFINITY;
  const lay = layOn(way, pieces, cloth, {
    seed,
    now,
    time,
    pinned,
    better: (found) => {
      if (now() - shown < EACH) return;
      shown = now();
      tell({ kind: 'better', lay: found });
    },
  });
  if (lay) tell({ kind: 'better', lay });
  tell({ kind: 'done', lay });
});
