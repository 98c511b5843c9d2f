/**
 * One length type for the whole program. Every length inside core is a `Cm`: a number that is known to be
 * centimetres. What was read at the tape stays beside it as read (see reading.ts); this is only derived.
 */
declare const unit: unique symbol;
export type Cm = number & { readonly [unit]: 'cm' };

/** The units a tape or a file may speak. */
export type LengthUnit = 'cm' | 'in' | 'mm';

/** The two unit systems a sheet is printed in. */
export type SheetUnit = 'cm' | 'in';

/**
 * Centimetres in one unit. The inch is 2.54 cm exactly
 * (international yard and pound agreement, 1959; ISO 80000; from memory).
 */
export const CM_PER: Record<LengthUnit, number> = { cm: 1, mm: 0.1, in: 2.54 };

/** Marks a number as centimetres. Use it where arithmetic on lengths gave back a plain number. */
export const cm = (n: number): Cm => n as Cm;

/** The length of `n` inches. */
export const inches = (n: number): Cm => (n * CM_PER.in) as Cm;

/** How many of `u` the length holds. */
export const inUnit = (length: Cm, u: LengthUnit): number => length / CM_PER[u];
