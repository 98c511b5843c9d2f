import { inches, type SheetUnit } from './length.ts';
import { printWithUnit } from './print.ts';
import { type HouseRounding, ROUNDING_STEPS } from './rounding.ts';

/** A rounding as one word: "cm 0.5 nearest". */
export const roundingWord = (r: HouseRounding): string => `${r.unit} ${r.step} ${r.mode}`;

/** The rounding such a word means; what no house knows is refused where it is parsed. */
export function roundingOf(word: string): HouseRounding {
  const [unit, step, mode] = word.split(' ');
  return { unit: unit as SheetUnit, step: Number(step), mode: mode as HouseRounding['mode'] };
}

function label({ unit, step, mode }: HouseRounding): string {
  if (step === 0) return `${unit}: exact`;
  const word =
    unit === 'in' ? printWithUnit(inches(step), 'in') : step < 0.5 ? `${step * 10} mm` : `${step} cm`;
  return mode === 'up' ? `up to the next ${word}` : `nearest ${word}`;
}

/** Every way a house rounds what a hand marks, with its words. */
export const ROUNDING_CHOICES: readonly { readonly value: string; readonly label: string }[] = (
  ['cm', 'in'] as const
).flatMap((unit) =>
  ROUNDING_STEPS[unit].flatMap((step) =>
    (step === 0 ? (['nearest'] as const) : (['nearest', 'up'] as const)).map((mode) => ({
      value: roundingWord({ unit, step, mode }),
      label: label({ unit, step, mode }),
    })),
  ),
);
