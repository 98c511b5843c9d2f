import { CM_PER, type Cm, type SheetUnit } from './length.ts';

const SLASH = '\u2044';
/** Fractions that have a character of their own. */
export const COMPOSED: Record<string, string> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};
const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹';
const LOWERED = '₀₁₂₃₄₅₆₇₈₉';

/**
 * A whole and a fraction as a real fraction: 34, 3, 8 → "34 3⁄8". Every fraction has the one shape that the face
 * makes of figures around a fraction slash (U+2044), sixteenths like eighths.
 */
export function prettyFraction(whole: number, num: number, den: number): string {
  if (num === 0) return String(whole);
  const piece = `${num}${SLASH}${den}`;
  return whole === 0 ? piece : `${whole} ${piece}`;
}

/** Fractions written in composed, raised or lowered figures, in the one shape: "34 ⅜" and "34 ³⁄₈" → "34 3⁄8". */
export const oneShape = (text: string): string =>
  text.replace(/[½⅓⅔¼¾⅛⅜⅝⅞⁰¹²³⁴⁵⁶⁷⁸⁹₀₁₂₃₄₅₆₇₈₉]/g, (ch) => {
    if (COMPOSED[ch]) return COMPOSED[ch].replace('/', SLASH);
    return String(RAISED.includes(ch) ? RAISED.indexOf(ch) : LOWERED.indexOf(ch));
  });

/** A positive number of inches that lies on a sixteenth, as a fraction; null when it does not. */
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

/** The size of a length in one unit, and whether a step of the hand only stands near it. */
function sized(length: Cm, unit: SheetUnit): { near: string; text: string } {
  const size = Math.abs(length) / CM_PER[unit];
  // Halves go up, also those that a binary number holds a hair short.
  if (unit === 'cm') return { near: '', text: trim(Math.floor(size * 100 + 0.5 + 1e-7) / 100, 2) };
  const exact = sixteenths(size);
  return exact !== null
    ? { near: '', text: exact }
    : { near: '≈ ', text: sixteenths(Math.round(size * 16) / 16) as string };
}

/**
 * A length as the sheet prints it, without its unit: centimetres to at most 2 decimals; inches as a real fraction,
 * and where the figure lies on no sixteenth the nearest one with its sign: "≈ 34 3⁄8". No ruler has hundredths of an
 * inch, so a hand could not mark what decimals say. Below zero takes a true minus sign.
 */
export function printLength(length: Cm, unit: SheetUnit): string {
  const { near, text } = sized(length, unit);
  return `${near}${length < 0 && text !== '0' ? '−' : ''}${text}`;
}

/** A length with its unit: "26.5 cm", "10 3⁄8 in". */
export const printWithUnit = (length: Cm, unit: SheetUnit): string => `${printLength(length, unit)} ${unit}`;

/** A signed amount with its unit, for eases and differences: "+5 cm", "−0.5 cm", "0 cm", "≈ +1 in". */
export function printSigned(length: Cm, unit: SheetUnit): string {
  const { near, text } = sized(length, unit);
  const sign = text === '0' ? '' : length > 0 ? '+' : '−';
  return `${near}${sign}${text} ${unit}`;
}

/** "= 87.31 cm", "≈ 34 3⁄8 in": what a length is in another unit. */
export function printEquals(length: Cm, unit: SheetUnit): string {
  const text = printWithUnit(length, unit);
  return text.startsWith('≈') ? text : `= ${text}`;
}

/**
 * A length as it stands in a sentence or beside something to lay ready. The house's own lengths are centimetres and
 * print as they are; in inches one that lies on no sixteenth prints to the nearest step a hand uses, an eighth, or
 * below an inch a sixteenth ("59 in" for 150 cm). What is less than half a step is told so.
 */
export function printByHand(length: Cm, unit: SheetUnit): string {
  const size = Math.abs(length) / CM_PER[unit];
  if (unit === 'cm' || sixteenths(size) !== null) return printWithUnit(length, unit);
  const step = size < 1 ? 1 / 16 : 1 / 8;
  const steps = Math.round(size / step);
  if (steps === 0) return `less than ${printWithUnit((step * CM_PER.in) as Cm, unit)}`;
  return printWithUnit((Math.sign(length) * steps * step * CM_PER.in) as Cm, unit);
}

/** A length inside a sentence, kept open until it is known in which unit the sentence will be read. */
export const say = (length: number): string => `{cm:${Math.round(length * 1e9) / 1e9}}`;

/** The thickness of cloth inside a sentence, cm: it is read off a gauge, not a tape, in millimetres or thousandths of an inch. */
export const sayThick = (thickness: number): string => `{thick:${Math.round(thickness * 1e4) / 1e4}}`;

const thick = (thickness: number, unit: SheetUnit): string =>
  unit === 'cm'
    ? `${Math.round(thickness * 1000) / 100} mm`
    : `${Math.round((thickness / CM_PER.in) * 1000) / 1000} in`;

/** The sentence with its lengths in one unit, by hand: "{cm:2.54} apart" → "1 in apart". */
export const formatSentence = (sentence: string, unit: SheetUnit): string =>
  sentence
    .replace(/\{cm:(-?[\d.]+(?:e-?\d+)?)\}/g, (_, n) => printByHand(Number(n) as Cm, unit))
    .replace(/\{thick:([\d.]+)\}/g, (_, n) => thick(Number(n), unit))
    // Which way something is off that no hand can mark is not worth a sign.
    .replace(/[+−](?=less than )/g, '');
