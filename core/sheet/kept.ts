import type { Check, Figure } from '../figure/figure.ts';
import type { SheetInput } from '../garment/input.ts';
import type { HouseRounding } from '../units/rounding.ts';
import { computeSheet, type Sheet } from './compute.ts';
import { type Drawn, drawGarment } from './drawing.ts';
import { type PrintedSheet, printSheet } from './print.ts';

/**
 * A sheet as it is shown and as it is kept when it is agreed: what it printed in both units and drew, word for word, and
 * the figures it can be compared by. Nothing in it is worked out again, whatever later code does.
 */
export interface Kept {
  readonly version: 2;
  readonly figures: readonly Figure[];
  readonly checks: readonly Check[];
  readonly rounding: HouseRounding;
  readonly printed: { readonly cm: PrintedSheet; readonly in: PrintedSheet };
  readonly drawn: { readonly cm: Drawn; readonly in: Drawn };
}

/** A computed sheet as it is shown: figures, and both units printed and drawn when they are first asked for. */
export function shownSheet(sheet: Sheet): Kept {
  const printed = lazily((unit) => printSheet(sheet, unit));
  return {
    version: 2,
    figures: sheet.figures,
    checks: sheet.checks,
    rounding: sheet.input.house.rounding,
    printed,
    drawn: lazily((unit) => drawGarment(sheet, printed[unit])),
  };
}

/** Both units of something, each made once, when it is read. */
function lazily<T>(make: (unit: 'cm' | 'in') => T): { readonly cm: T; readonly in: T } {
  const made: { cm?: T; in?: T } = {};
  const once = (unit: 'cm' | 'in') => {
    made[unit] ??= make(unit);
    return made[unit];
  };
  return Object.defineProperties({} as { cm: T; in: T }, {
    cm: { enumerable: true, get: () => once('cm') },
    in: { enumerable: true, get: () => once('in') },
  });
}

/** Computes a sheet and shows it. @throws RangeError for parts that are no garment */
export const showInput = (input: SheetInput): Kept => shownSheet(computeSheet(input));
