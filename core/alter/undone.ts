import type { Asked } from './asked.ts';
import type { Box } from './boxes.ts';

/** An alteration that was asked for or agreed before, as far as a later one may undo it. */
export interface Earlier {
  readonly sentence: string;
  readonly kind: Asked['kind'];
  readonly boxes: readonly Pick<Box, 'panel' | 'seam' | 'each'>[];
}

/**
 * What of the earlier alterations a later one makes undone, a sentence each: the same seam taken the other way, a hem
 * marked before what hangs above it has moved, a sleeve set before its armhole. (The order of fitting: common practice.)
 */
export function undone(asked: Asked, boxes: readonly Box[], earlier: readonly Earlier[]): string[] {
  return earlier.flatMap((e) => {
    const back = boxes.some((b) =>
      e.boxes.some(
        (x) =>
          x.panel !== '' &&
          x.panel === b.panel &&
          x.seam === b.seam &&
          // A band only follows.
          x.seam !== 'length' &&
          x.each !== null &&
          b.each !== null &&
          Math.abs(x.each) > 1e-9 &&
          Math.sign(x.each) === -Math.sign(b.each),
      ),
    );
    if (back) return [`This undoes an earlier change: ${e.sentence}`];
    if (e.kind.marksHem && asked.kind.rehangs)
      return [`The hem was marked before this. Mark it again when this is done. ${e.sentence}`];
    if (e.kind.id === 'sleeve-turn' && asked.kind.otherArmhole)
      return [`The sleeve was turned before this. Check it again when the armhole is done. ${e.sentence}`];
    return [];
  });
}
