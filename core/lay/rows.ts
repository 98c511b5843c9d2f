import type { Point } from '../draft/curve.ts';
import { type Cm, cm } from '../units/length.ts';
import type { ClothInHand } from './cloth.ts';
import type { LaidPiece, LaidStrip, Lay } from './lay.ts';
import { outlineOf } from './legal.ts';
import type { LayPiece } from './pieces.ts';

/** A piece on the cloth as a hand places it: by number, in the order of cutting. */
export interface LayRow {
  readonly number: number;
  readonly id: string;
  readonly name: string;
  /** its nearest corner from the cloth's cut end */
  readonly fromEnd: Cm;
  /** its nearest side from the selvedge, or from the fold */
  readonly fromSide: Cm;
  readonly side: 'selvedge' | 'fold' | 'edge of the upper layer';
  /** what is done with the paper */
  readonly how: string;
  /** from the first selvedge or fold and the cut end, cm */
  readonly outline: readonly Point[];
}

/** What a hand does with the paper of a piece. */
export function howLaid(l: LaidPiece, p: LayPiece, strip: Pick<LaidStrip, 'double'>): string {
  if (p.strip) return p.bias ? 'a strip, on the bias' : 'a strip to keep';
  const said = [
    l.half ? 'on the fold' : strip.double ? 'through both layers' : p.cut === 'fold' ? 'opened out' : '',
    l.mirrored && !l.half ? 'paper face down' : '',
    l.turn === 180 ? 'upside down' : l.turn === 90 || l.turn === 270 ? 'across the grain' : '',
  ];
  return said.filter(Boolean).join(', ') || 'as it is';
}

/** Every piece of a lay by number, from the cut end on. */
export function layRows(lay: Lay, pieces: readonly LayPiece[], cloth: ClothInHand): LayRow[] {
  const by = new Map(pieces.map((p) => [p.id, p]));
  const rows = lay.stages.flatMap((stage) =>
    stage.strips.flatMap((strip) =>
      strip.pieces.flatMap((l) => {
        const p = by.get(l.piece);
        if (!p || (l.half && !p.half)) return [];
        // What lies open begins at the selvedge, folded cloth at its fold; beside a fold, at the edge of the upper layer.
        const begins = strip.folds.length > 0 ? 0 : strip.across > 0 ? strip.across : cloth.selvedge;
        const outline = outlineOf(p, l).map(([x, y]): Point => [x + begins, y + stage.from]);
        const side: LayRow['side'] =
          strip.folds.length > 0 ? 'fold' : strip.across > 0 ? 'edge of the upper layer' : 'selvedge';
        const [x0, y0] = [Math.min(...outline.map(([x]) => x)), Math.min(...outline.map(([, y]) => y))];
        return [
          {
            id: l.id,
            name: p.name,
            fromEnd: cm(y0),
            fromSide: cm(side === 'edge of the upper layer' ? x0 - strip.across : x0),
            side,
            how: howLaid(l, p, strip),
            outline,
          },
        ];
      }),
    ),
  );
  return rows
    .sort((a, b) => a.fromEnd - b.fromEnd || a.fromSide - b.fromSide)
    .map((r, i) => ({ ...r, number: i + 1 }));
}

/** How wide the cloth lies, folded as a stage has it, cm. */
export const widthAsLaid = (
  strips: readonly Pick<LaidStrip, 'double' | 'across' | 'width' | 'folds'>[],
  cloth: ClothInHand,
): number =>
  strips.length === 2
    ? strips[1]!.across + strips[1]!.width + cloth.selvedge
    : strips[0]?.folds.length === 2
      ? cloth.width / 2
      : strips[0]?.double
        ? cloth.width / 2
        : cloth.width;
