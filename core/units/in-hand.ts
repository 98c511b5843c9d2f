import { CM_PER, type SheetUnit } from './length.ts';

/** In which steps a hand that thinks in inches writes a length of so many: eighths, then quarters, then halves. Common practice, no source. */
const STEP: readonly (readonly [upTo: number, step: number])[] = [
  [2, 1 / 8],
  [12, 1 / 4],
  [Number.POSITIVE_INFINITY, 1 / 2],
];
const EIGHTHS = ['', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'];

/**
 * A usual length of the program ("3 cm") as a studio that works in inches would write it ("1 1/8 in"): to a step its
 * hand uses, not converted to the hair. What is no plain length in centimetres comes back as it is. Lengths text, cm.
 */
export function inHand(text: string, unit: SheetUnit): string {
  const found = /^(\d+(?:\.\d+)?) cm$/.exec(text);
  if (unit === 'cm' || !found) return text;
  const length = Number(found[1]) / CM_PER.in;
  const [, step] = STEP.find(([upTo]) => length <= upTo)!;
  const eighths = Math.round(Math.round(length / step) * step * 8);
  const [whole, part] = [Math.floor(eighths / 8), EIGHTHS[eighths % 8]!];
  return `${[whole > 0 || part === '' ? String(whole) : '', part].filter(Boolean).join(' ')} in`;
}
