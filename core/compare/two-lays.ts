import { TOLERANCE } from '../figure/build.ts';
import type { FlatRow } from '../sheet/beside-flat.ts';
import { type Cm, cm } from '../units/length.ts';

/** One point of two pieces that were measured flat: of a half both the half and the whole. Lengths cm. */
export interface PairRow {
  readonly point: FlatRow['point'];
  readonly one: Cm;
  readonly other: Cm;
  /** one − other, as it was read; twice it where a half goes round */
  readonly differs: Cm;
  readonly whole: Cm | null;
  readonly tolerance: Cm;
  readonly within: boolean;
}

/**
 * Two samples of one cut side by side, every point that was read of both, in a fitter's order.
 * @param own what a length may differ by, halves half of it; null for the house's
 */
export function betweenLays(
  one: readonly FlatRow[],
  other: readonly FlatRow[],
  own: Cm | null,
): readonly PairRow[] {
  return one.flatMap((a): PairRow[] => {
    const b = other.find((r) => r.point.id === a.point.id);
    if (a.flat === null || b?.flat == null) return [];
    const differs = cm(a.flat - b.flat);
    const tolerance = a.point.half
      ? cm((own ?? TOLERANCE.girth) / 2)
      : (own ?? a.tolerance ?? TOLERANCE.length);
    return [
      {
        point: a.point,
        one: a.flat,
        other: b.flat,
        differs,
        whole: a.point.half ? cm(2 * differs) : null,
        tolerance,
        within: Math.abs(differs) <= tolerance + 1e-9,
      },
    ];
  });
}
