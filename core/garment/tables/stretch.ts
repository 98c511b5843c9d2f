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

/**
 * A stretch as a hand writes it: a percentage ("50"), or how long a fold of the cloth was relaxed and stretched
 * ("10 to 15", "4 → 6 in"): (stretched − relaxed) ÷ relaxed × 100.
 * @returns per cent, or the sentence that says why it cannot be read
 */
export function readStretch(
  text: string,
): { readonly ok: true; readonly percent: number } | { readonly ok: false; readonly sentence: string } {
  const number = String.raw`(\d+(?:[.,]\d+)?)`;
  const bare = text.trim().toLowerCase();
  const of = (s: string) => Number(s.replace(',', '.'));
  const percent = new RegExp(`^${number}\\s*%?$`).exec(bare);
  const pulled = new RegExp(
    `^${number}\\s*(?:cm|in|mm)?\\s*(?:to|→|->|>|–|-)\\s*${number}\\s*(?:cm|in|mm)?$`,
  ).exec(bare);
  const value = percent ? of(percent[1]!) : pulled ? (of(pulled[2]!) / of(pulled[1]!) - 1) * 100 : Number.NaN;
  if (!Number.isFinite(value))
    return {
      ok: false,
      sentence: 'Write a percentage, or how long a fold is relaxed and stretched: 10 to 15.',
    };
  if (value < 0) return { ok: false, sentence: 'Stretched it cannot be shorter than relaxed.' };
  if (value > 300) return { ok: false, sentence: 'No cloth stretches to more than four times its length.' };
  return { ok: true, percent: Math.round(value * 10) / 10 };
}
