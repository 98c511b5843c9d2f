import Fraction from 'fraction.js';
import { CM_PER, type Cm, cm, type LengthUnit } from './length.ts';
import { COMPOSED, oneShape, prettyFraction } from './print.ts';

/** A length exactly as it was read or written: the number as an exact fraction and its unit. */
export interface Written {
  /** exact value in `unit`, as a fraction string such as "275/8" or "873/10" */
  readonly value: string;
  readonly unit: LengthUnit;
  /** the number as the person wrote it, tidied for print: "34 3⁄8", "87.3", "87.30" */
  readonly text: string;
}

export type ReadProblem =
  | 'empty'
  | 'letters'
  | 'negative'
  | 'zero'
  | 'divided-by-zero'
  | 'too-large'
  | 'mixed-units'
  | 'malformed';

export type ReadResult =
  | { ok: true; written: Written; cm: Cm; unitGiven: boolean }
  | { ok: false; code: ReadProblem; sentence: string };

const SUPER = '⁰¹²³⁴⁵⁶⁷⁸⁹';
const SUB = '₀₁₂₃₄₅₆₇₈₉';
const UNIT_WORD: Record<string, LengthUnit> = {
  cm: 'cm',
  centimetre: 'cm',
  centimetres: 'cm',
  mm: 'mm',
  millimetres: 'mm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
  '”': 'in',
};

const no = (code: ReadProblem, sentence: string): ReadResult => ({ ok: false, code, sentence });

/** Spells composed fractions out: "34⅜" and "34 ³⁄₈" become "34 3/8". */
function spellFractions(text: string): string {
  let out = '';
  let before = '';
  for (const ch of text) {
    const high = SUPER.indexOf(ch);
    const low = SUB.indexOf(ch);
    if (COMPOSED[ch]) out += ` ${COMPOSED[ch]}`;
    else if (high >= 0) out += SUPER.includes(before) && before ? high : ` ${high}`;
    else if (low >= 0) out += low;
    else if (ch === '⁄') out += '/';
    else out += ch;
    before = ch;
  }
  return out;
}

/**
 * Reads what a hand typed: `34 3/8`, `34⅜`, `34-3/8`, `34.375`, `34 3/8 in`, `87.3`, `87,3 cm`, `873 mm`.
 * @param fallback the unit meant when none is written
 * @returns the length as written and in cm, or a code and a plain sentence. Never throws.
 */
export function readLength(typed: string, fallback: LengthUnit): ReadResult {
  const shown = typed.trim().length > 40 ? `${typed.trim().slice(0, 40)}…` : typed.trim();
  const spelled = spellFractions(typed.slice(0, 200)).trim().toLowerCase().replace(/\s+/g, ' ');
  if (spelled === '')
    return no('empty', 'Nothing was written. Type the reading, for example 34 3/8 or 87.3.');
  if (typed.length > 200) return no('malformed', `“${shown}” is too long to be a length.`);
  const words = spelled.match(/[a-zµ]+|["″”]/g) ?? [];
  const units = words.map((w) => UNIT_WORD[w]);
  const stray = words.find((w) => !UNIT_WORD[w]);
  if (stray) return no('letters', `“${stray}” is not a unit. Use cm, mm or in after the number.`);
  if (units.length > 1)
    return no('mixed-units', `“${shown}” names more than one unit. Write the whole length in one of them.`);
  const body = spelled.replace(/([a-z]+|["″”])$/, '').trim();
  if (/[a-z"″”]/.test(body))
    return no('malformed', `“${shown}” has its unit before the number; write it after.`);
  if (/^[-−]/.test(body)) return no('negative', `“${shown}” is below zero; a length cannot be.`);
  const parsed = /^(?:(\d+)(?:[ -]|$))?(?:(\d+)\/(\d+))?$/.exec(body);
  const decimal = /^(\d*)[.,](\d+)$|^(\d+)[.,]?$/.exec(body);
  const unit = units[0] ?? fallback;
  let fraction: Fraction;
  let text: string;
  if (decimal) {
    if (body.length > 24) return no('too-large', `“${shown}” has more digits than a tape.`);
    const plain = body.replace(',', '.').replace(/\.$/, '').replace(/^\./, '0.');
    fraction = new Fraction(plain);
    text = plain.replace(/^0+(?=\d)/, '');
  } else if (parsed && body !== '') {
    const [, whole = '0', num = '0', den = '1'] = parsed;
    if (Number(den) === 0)
      return no('divided-by-zero', `“${shown}” divides by zero. A fraction of an inch is written like 3/8.`);
    if (body.length > 24) return no('too-large', `“${shown}” has more digits than a tape.`);
    fraction = new Fraction(whole).add(new Fraction(`${num}/${den}`));
    text = prettyFraction(Number(whole), Number(num), Number(den));
  } else {
    return no('malformed', `“${shown}” is not a length. Write it like 34 3/8, 34.375 or 87.3 cm.`);
  }
  const length = cm(fraction.valueOf() * CM_PER[unit]);
  if (length === 0) return no('zero', 'The reading is 0; a length must be more than nothing.');
  if (length > 1000) return no('too-large', `“${shown}” ${unit} is more than ten metres; read it again.`);
  return {
    ok: true,
    written: { value: fraction.toFraction(), unit, text },
    cm: length,
    unitGiven: units.length === 1,
  };
}

/** The length of something written. @throws RangeError when `value` is not a fraction string (corrupt record). */
export function writtenToCm(w: Pick<Written, 'value' | 'unit'>): Cm {
  if (!/^\d+(\/[1-9]\d*)?$/.test(w.value)) throw new RangeError(`Not an exact length: ${w.value}`);
  const [n, d = '1'] = w.value.split('/');
  return cm((Number(n) / Number(d)) * CM_PER[w.unit]);
}

/** What was read, back as it was read: "34 3⁄8 in", "87.3 cm". */
export const printWritten = (w: Pick<Written, 'text' | 'unit'>): string => `${oneShape(w.text)} ${w.unit}`;
