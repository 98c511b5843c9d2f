import { type Cm, cm } from '../units/length.ts';

/** Zip lengths kept in stock, cm. House list. */
export const STOCKED_ZIPS: readonly Cm[] = [
  10, 12, 15, 18, 20, 22, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70,
].map(cm);

/** Finished girth of the garment at a level below the waist, both cm. */
export interface GirthAt {
  readonly level: Cm;
  readonly girth: Cm;
}

/**
 * How far an opening from the waist must reach so that the widest body girth passes: the level where the
 * finished girth, straight between the given levels, first lets it through.
 * @param profile finished girths from the waist down, levels growing
 * @returns the level in cm below the waist, or null when no given level is wide enough
 */
export function openingDepth(profile: readonly GirthAt[], widest: Cm): Cm | null {
  let above: GirthAt | undefined;
  for (const here of profile) {
    if (here.girth >= widest) {
      if (!above || above.girth >= widest) return here.level;
      const share = (widest - above.girth) / (here.girth - above.girth);
      return cm(above.level + share * (here.level - above.level));
    }
    above = here;
  }
  return null;
}

/** The next stocked zip that reaches at least `depth`; null when the list has none so long. */
export const stockedZip = (depth: Cm): Cm | null => STOCKED_ZIPS.find((z) => z >= depth - 1e-9) ?? null;
