import { type Cm, cm } from '../../units/length.ts';

/**
 * Stretch classes and what they take off the body girth for "close".
 * Source: handbook on patterns for stretch fabrics (Richardson; from memory).
 */
export const STRETCH_CLASSES = [
  { name: 'stable', upTo: 25, percent: 0 },
  { name: 'moderate', upTo: 50, percent: 2 },
  { name: 'stretchy', upTo: 75, percent: 3 },
  { name: 'super', upTo: 100, percent: 5 },
  { name: 'rib', upTo: Number.POSITIVE_INFINITY, percent: 10 },
] as const;

/** The class of a stretch given in percent of the relaxed length. */
export const stretchClass = (percent: number) => STRETCH_CLASSES.find((c) => percent <= c.upTo)!;

/** How much comes off a body girth (cm, not negative) for a close garment of this stretch along the girth. */
export const stretchReduction = (body: Cm, stretchPercent: number): Cm =>
  cm((body * stretchClass(stretchPercent).percent) / 100);
