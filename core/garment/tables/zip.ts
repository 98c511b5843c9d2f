import { type Cm, cm, inches, type SheetUnit } from '../../units/length.ts';

/** Zip lengths kept in stock, in the unit they are sold in. House lists. */
export const STOCKED_ZIPS: Record<SheetUnit, readonly Cm[]> = {
  cm: [10, 12, 15, 18, 20, 22, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70].map(cm),
  in: [4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20, 22, 24].map(inches),
};

/** The next stocked zip that reaches at least `depth`; null when the list has none so long. */
export const stockedZip = (depth: Cm, unit: SheetUnit): Cm | null =>
  STOCKED_ZIPS[unit].find((z) => z >= depth - 1e-9) ?? null;

/**
 * How far below the waist a way in must be open so that the widest body girth passes: where the marked girth of the
 * garment first lets it through, and at least so far that the two edges of the slit make up what the waist lacks.
 * @param girthAt marked girth at a depth below the waist, cm; null where the garment has none
 * @param deepest how far down to look
 * @returns the depth in cm, or null when nothing down to there is wide enough
 */
export function openingDepth(
  girthAt: (depth: Cm) => Cm | null,
  waist: Cm,
  widest: Cm,
  deepest: Cm,
): Cm | null {
  if (waist >= widest) return cm(0);
  const passes = (d: number) => (girthAt(cm(d)) ?? 0) >= widest - 1e-9;
  const slit = (widest - waist) / 2;
  let above = 0;
  for (let d = 0; ; d = Math.min(deepest, d + 4)) {
    if (passes(d)) {
      let [lo, hi] = [above, d];
      while (hi - lo > 1e-5) {
        const mid = (lo + hi) / 2;
        if (passes(mid)) hi = mid;
        else lo = mid;
      }
      return cm(Math.max(hi, slit));
    }
    if (d >= deepest) return null;
    above = d;
  }
}
