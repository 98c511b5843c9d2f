import { CM_PER, type Cm, type SheetUnit } from '../../units/length.ts';
import { prettyFraction } from '../../units/print.ts';

// How lengths printed on sheets of version 1: inches off the sixteenth as decimals. Frozen.

export { printByHand } from '../../units/print.ts';

function sixteenths(value: number): string | null {
  const n = Math.round(value * 16);
  if (Math.abs(value * 16 - n) > 1e-6) return null;
  let num = n % 16;
  let den = 16;
  while (num > 0 && num % 2 === 0) {
    num /= 2;
    den /= 2;
  }
  return prettyFraction(Math.floor(n / 16), num, den);
}

const trim = (n: number, places: number) => {
  const text = n.toFixed(places);
  return text.includes('.') ? text.replace(/0+$/, '').replace(/\.$/, '') : text;
};

/** A length as version 1 printed it, without its unit. It must not change: kept sheets print so for ever. */
export function printLength(length: Cm, unit: SheetUnit): string {
  const value = length / CM_PER[unit];
  const size = Math.abs(value);
  const body = unit === 'in' ? (sixteenths(size) ?? trim(size, 2)) : trim(Math.round(size * 1e9) / 1e9, 2);
  return value < 0 && body !== '0' ? `−${body}` : body;
}

/** That, with its unit. */
export const printWithUnit = (length: Cm, unit: SheetUnit): string => `${printLength(length, unit)} ${unit}`;

/** A difference as version 1 printed it: a sign before it, its unit behind. */
export function printSigned(length: Cm, unit: SheetUnit): string {
  const text = printLength(length, unit);
  return `${length > 0 && text !== '0' ? '+' : ''}${text} ${unit}`;
}

/** What the rounded quarters together differ from the finished girth, cm; null without quarters. */
export const driftV1 = (f: {
  readonly front: { readonly rounded: Cm } | null;
  readonly back: { readonly rounded: Cm } | null;
  readonly finished: Cm | null;
}): Cm | null =>
  !f.front || !f.back || f.finished === null
    ? null
    : ((2 * f.front.rounded + 2 * f.back.rounded - f.finished) as Cm);
