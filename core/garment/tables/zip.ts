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
  /** what the girth has to spare at a depth; below nothing where the body does not pass */
  const spare = (d: number) => (girthAt(cm(d)) ?? 0) - widest + 1e-9;
  const slit = (widest - waist) / 2;
  let above = { d: 0, spare: spare(0) };
  for (let d = Math.min(deepest, 4); ; d = Math.min(deepest, d + 4)) {
    const here = { d, spare: spare(d) };
    if (here.spare >= 0) return cm(Math.max(firstPassing(spare, above, here), slit));
    if (d >= deepest) return null;
    above = here;
  }
}

interface Depth {
  readonly d: number;
  readonly spare: number;
}

/** Where the girth first has nothing to spare between a depth too narrow and one that passes, to 1e-5 cm: by the chord, else by halves. */
function firstPassing(spare: (d: number) => number, narrow: Depth, passing: Depth): number {
  let [lo, hi] = [narrow, passing];
  for (let halve = false; hi.d - lo.d > 1e-5; ) {
    const wide = hi.d - lo.d;
    const chord = (wide * -lo.spare) / (hi.spare - lo.spare);
    // A hair past the chord, so that the next try comes from the other side.
    const d = lo.d + (halve ? wide / 2 : Math.min(wide - 4e-6, Math.max(4e-6, chord + 4e-6)));
    const here = { d, spare: spare(d) };
    if (here.spare >= 0) hi = here;
    else lo = here;
    halve = hi.d - lo.d > wide / 2;
  }
  return hi.d;
}
