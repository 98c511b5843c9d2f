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
  | { readonly ok: true; readonly written: Written; readonly cm: Cm; readonly unitGiven: boolean }
  | { readonly ok: false; readonly code: ReadProblem; readonly sentence: string };

const SUPER = '⁰¹²³⁴⁵⁶⁷⁸⁹';
const SUB = '₀₁₂₃₄₅₆₇₈₉';
const WIDE = '０１２３４５６７８９';
const INCH = ['in', 'ins', 'inch', 'inches', '"', '″', '”', '“', '＂', "''", '’’', '′′'];
const FOOT = ['ft', 'foot', 'feet', "'", '′', '’'];
/** Every way of writing a unit, with how many of which written unit it is. */
const UNITS: Record<string, { readonly unit: LengthUnit; readonly of: number; readonly name: string }> =
  Object.fromEntries(
    (
      [
        [['cm', 'cms', 'centimetre', 'centimetres', 'centimeter', 'centimeters'], 'cm', 1, 'cm'],
        [['mm', 'mms', 'millimetre', 'millimetres', 'millimeter', 'millimeters'], 'mm', 1, 'mm'],
        [['m', 'metre', 'metres', 'meter', 'meters'], 'cm', 100, 'm'],
        [INCH, 'in', 1, 'in'],
        [FOOT, 'in', 12, 'ft'],
        [['yd', 'yds', 'yard', 'yards'], 'in', 36, 'yd'],
      ] as const
    ).flatMap(([words, unit, of, name]) => words.map((w) => [w, { unit, of, name }])),
  );

const no = (code: ReadProblem, sentence: string): ReadResult => ({ ok: false, code, sentence });

/** Small figures around a fraction's slash, composed fractions and wide figures spelled as a keyboard would. */
function spelled(text: string): string {
  return text
    .replace(/[０-９]/g, (d) => String(WIDE.indexOf(d)))
    .replace(/[．／，]/g, (c) => ({ '．': '.', '／': '/', '，': ',' })[c]!)
    .replace(/([⁰¹²³⁴⁵⁶⁷⁸⁹]+)[⁄/]([₀₁₂₃₄₅₆₇₈₉]+|\d+)/g, (_, a: string, b: string) => {
      const figures = (run: string) =>
        [...run]
          .map((d) => (SUPER.includes(d) ? SUPER.indexOf(d) : SUB.includes(d) ? SUB.indexOf(d) : d))
          .join('');
      return ` ${figures(a)}/${figures(b)}`;
    })
    .replace(/[½⅓⅔¼¾⅛⅜⅝⅞]/g, (c) => ` ${COMPOSED[c]}`)
    .replace(/⁄/g, '/')
    .replace(/[−‒–—]/g, '-')
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/([a-z])\.$/, '$1')
    .trim();
}

const NUMBER = '(\\d+(?:[.,]\\d*)?|[.,]\\d+)';
const FRACTION = '(\\d+ ?/ ?\\d+)';
const AND = '(?: and | ?[-+] ?| )';
const UNIT = `([a-zµ]+|["″”“＂]|'{1,2}|[’′]{1,2})`;
/** `34`, `34.5 cm`, `34 3/8 in` */
const PLAIN = new RegExp(`^${NUMBER}(?:${AND}${FRACTION})? ?${UNIT}?$`);
/** `3/8 in` */
const ALONE = new RegExp(`^${FRACTION} ?${UNIT}?$`);
/** `34" 3/8`, `34 in and 3/8` */
const AFTER = new RegExp(`^${NUMBER} ?${UNIT}${AND}?${FRACTION}$`);
/** `2 ft 3`, `2'10 3/8"`, `8 cm 7 mm` */
const TWO = new RegExp(`^${NUMBER} ?${UNIT} ?${NUMBER}(?:${AND}${FRACTION})? ?${UNIT}?$`);
/** What a smaller unit may follow, and whether it may be left out. */
const FOLLOWS: Record<string, readonly [then: string, open: boolean]> = {
  ft: ['in', true],
  yd: ['in', false],
  cm: ['mm', false],
  m: ['cm', false],
};
const DENOMINATORS = [2, 4, 8, 16, 32, 64];

/** A refusal while a length is taken apart. */
class Refused {
  constructor(
    readonly code: ReadProblem,
    readonly sentence: string,
  ) {}
}

/** What the last few thousand texts came to: a sheet reads the same lengths many times on its way from file to figures. */
const LAST = new Map<string, ReadResult>();
const MOST_KEPT = 4096;

/**
 * Reads what a hand typed: `34 3/8`, `34⅜`, `34" 3/8`, `34.375`, `87,3 cm`, `873 mm`, `2 ft 3`, `8 cm 7 mm`. What could
 * be read two ways is refused with the ways in the sentence.
 * @param fallback the unit meant when none is written
 * @param asKept reads a record as it was once taken, before fractions were held to what a tape has
 * @returns the length as written and in cm, or a code and a plain sentence. Never throws.
 */
export function readLength(typed: string, fallback: LengthUnit, asKept = false): ReadResult {
  if (typed.length > 60) return readAnew(typed, fallback, asKept);
  const key = `${asKept ? 'kept' : 'new'} ${fallback} ${typed}`;
  const before = LAST.get(key);
  if (before) return before;
  const read = readAnew(typed, fallback, asKept);
  if (LAST.size >= MOST_KEPT) LAST.clear();
  LAST.set(key, read);
  return read;
}

/** As much of what was typed as a sentence can bear. */
const cut = (text: string) => (text.length > 40 ? `${text.slice(0, 40)}…` : text);

function readAnew(typed: string, fallback: LengthUnit, asKept: boolean): ReadResult {
  const shown = cut(typed.trim());
  const text = spelled(typed.slice(0, 200));
  if (text === '') return no('empty', 'Nothing was typed. Type the figure, for example 34 3/8 or 87.3.');
  if (typed.length > 200) return no('malformed', `“${shown}” is too long to be a length.`);
  try {
    return takeApart(text, { shown, fallback, asKept });
  } catch (refused) {
    if (refused instanceof Refused) return no(refused.code, refused.sentence);
    throw refused;
  }
}

interface Reading {
  readonly shown: string;
  readonly fallback: LengthUnit;
  readonly asKept: boolean;
}

function takeApart(text: string, r: Reading): ReadResult {
  const { shown } = r;
  if (/[⁰¹²³⁴⁵⁶⁷⁸⁹₀₁₂₃₄₅₆₇₈₉]/.test(text))
    throw new Refused(
      'malformed',
      `“${shown}” has a small figure that is not a fraction. Type it like 34 3/8.`,
    );
  const said = (word: string | undefined) => {
    if (word === undefined) return null;
    const unit = UNITS[word];
    if (!unit)
      throw new Refused(
        'letters',
        `“${cut(word)}” is not a unit. Use cm, mm, m, in, ft or yd after the number.`,
      );
    return unit;
  };
  const words = (text.match(/[a-zµ]+/g) ?? []).filter((w) => w !== 'and');
  for (const w of words) said(w);
  if (/^-/.test(text)) throw new Refused('negative', `“${shown}” is below zero; a length cannot be.`);
  if (/[-+]$/.test(text))
    throw new Refused('malformed', `“${shown}” ends with a sign: is something missing?`);
  const plain = PLAIN.exec(text);
  if (plain) return made([[plain[1], plain[2], said(plain[3])]], r);
  const alone = ALONE.exec(text);
  if (alone) return made([[undefined, alone[1], said(alone[2])]], r);
  const after = AFTER.exec(text);
  if (after) return made([[after[1], after[3], said(after[2])]], r);
  const two = TWO.exec(text);
  if (two) {
    const [first, second] = [said(two[2])!, said(two[5])];
    const [then, open] = FOLLOWS[first.name] ?? ['', false];
    if (second ? second.name !== then : !open)
      throw new Refused(
        'mixed-units',
        `“${shown}” has more than one unit. Type the whole length in one of them.`,
      );
    return made(
      [
        [two[1], undefined, first],
        [two[3], two[4], UNITS[then]!],
      ],
      r,
    );
  }
  if (new Set(words).size > 1)
    throw new Refused(
      'mixed-units',
      `“${shown}” has more than one unit. Type the whole length in one of them.`,
    );
  if (/^[a-zµ"″”]/.test(text) && /\d/.test(text))
    throw new Refused('malformed', `“${shown}” has its unit before the number. Type it after.`);
  throw new Refused('malformed', `“${shown}” is not a length. Type it like 34 3/8, 34.375 or 87.3 cm.`);
}

type Unit = (typeof UNITS)[string];
type Term = readonly [number: string | undefined, fraction: string | undefined, unit: Unit | null];

/** The length of one or two terms; the second in the smaller unit. */
function made(terms: readonly Term[], r: Reading): ReadResult {
  const { shown, fallback } = r;
  const first = terms[0]![2];
  const unit = first?.unit ?? fallback;
  let whole = new Fraction(0);
  for (const [number, fraction, own] of terms) {
    const size = (own?.of ?? 1) * (own?.unit === 'mm' && unit === 'cm' ? 0.1 : 1);
    const part = numberOf(number, r).add(fractionOf(number, fraction, own?.unit ?? fallback, r));
    if (terms.length > 1 && own === first && part.d !== 1n)
      throw new Refused(
        'malformed',
        `“${shown}”: the larger unit must be a whole number. Type it like 2 ft 3.`,
      );
    whole = whole.add(part.mul(new Fraction(size)));
  }
  const length = cm(whole.valueOf() * CM_PER[unit]);
  if (length === 0) throw new Refused('zero', 'The figure is 0; a length must be over 0.');
  if (length > 1000) throw new Refused('too-large', `“${shown}” is over ten metres. Check it.`);
  const [number, fraction] = terms[0]!;
  const plain = terms.length === 1 && (first?.of ?? 1) === 1;
  return {
    ok: true,
    written: {
      value: whole.toFraction(),
      unit,
      text: plain ? asWritten(number, fraction) : tidy(whole, unit),
    },
    cm: length,
    unitGiven: first !== null,
  };
}

function numberOf(number: string | undefined, { shown, asKept }: Reading): Fraction {
  if (number === undefined) return new Fraction(0);
  if (number.length > 24) throw new Refused('too-large', `“${shown}” has more digits than a tape. Check it.`);
  if (!asKept && /^[1-9]\d{0,2},\d{3}$/.test(number))
    throw new Refused(
      'malformed',
      `“${shown}”: is the comma a decimal or does it mark thousands? Type ${number.replace(',', '.')} or ${number.replace(',', '')}.`,
    );
  return new Fraction(decimal(number));
}
const decimal = (number: string) => number.replace(',', '.').replace(/\.$/, '').replace(/^\./, '0.');

/** A fraction of an inch, a foot or a yard: proper, and of halves halved again. */
function fractionOf(
  number: string | undefined,
  fraction: string | undefined,
  unit: LengthUnit,
  { shown, asKept }: Reading,
): Fraction {
  if (fraction === undefined) return new Fraction(0);
  const [a, b] = fraction.split('/').map((n) => n.trim()) as [string, string];
  const [num, den] = [Number(a), Number(b)];
  if (den === 0)
    throw new Refused('divided-by-zero', `“${shown}” divides by zero. Type a fraction of an inch like 3/8.`);
  if (asKept) return new Fraction(num, den);
  if (number !== undefined && /[.,]/.test(number))
    throw new Refused('malformed', `“${shown}” has a decimal and a fraction. Type only one of them.`);
  if (num >= den) {
    const run = a.length > 1 && number === undefined && Number(a.slice(-1)) < den && Number(a.slice(-1)) > 0;
    const asked = run ? ` Did you mean ${a.slice(0, -1)} ${a.slice(-1)}/${b}?` : '';
    throw new Refused('malformed', `“${shown}”: ${num} over ${den} is no part of a whole.${asked}`);
  }
  if (!DENOMINATORS.includes(den))
    throw new Refused('malformed', `“${shown}”: a tape has halves, quarters, eighths … 64ths, no ${den}ths.`);
  if (unit !== 'in')
    throw new Refused(
      'malformed',
      `“${shown}”: a fraction is of an inch. Write ${number === undefined ? '' : `${number} `}${num}/${den} in, or ${
        Math.round((Number(number ?? 0) + num / den) * 100) / 100
      } ${unit}.`,
    );
  return new Fraction(num, den);
}

/** The number as the person wrote it, tidied: "34 3⁄8", "87.3", "87.30". */
function asWritten(number: string | undefined, fraction: string | undefined): string {
  if (fraction !== undefined) {
    const [a, b] = fraction.split('/').map((n) => Number(n.trim())) as [number, number];
    return prettyFraction(Number(number ?? 0), a, b);
  }
  return decimal(number!).replace(/^0+(?=\d)/, '');
}

/** A length of two units or of a larger one, in the unit it is kept in. */
function tidy(whole: Fraction, unit: LengthUnit): string {
  if (unit === 'in' && DENOMINATORS.includes(Number(whole.d))) {
    const n = Number(whole.n);
    const d = Number(whole.d);
    return prettyFraction(Math.floor(n / d), n % d, d);
  }
  return String(Math.round(whole.valueOf() * 1e6) / 1e6);
}

/**
 * A length field's text with its unit: one that names none gets the field's; an empty one is null. The one way in for
 * every field; whether it is a length is for `readLength` to say.
 */
export function withUnit(typed: string | null | undefined, unit: LengthUnit): string | null {
  const bare = (typed ?? '').trim();
  if (bare === '') return null;
  const read = readLength(bare.replace(/^[-−]/, ''), unit);
  const given = read.ok ? read.unitGiven : /[a-zµ"″”'’′]/i.test(bare);
  return given ? bare : `${bare} ${unit}`;
}

const EXACT = /^\d+(\/[1-9]\d*)?$/;

/** The length of something written. @throws RangeError when `value` is not a fraction string (corrupt record). */
export function writtenToCm(w: Pick<Written, 'value' | 'unit'>): Cm {
  if (!EXACT.test(w.value)) throw new RangeError(`Not an exact length: ${w.value}`);
  const slash = w.value.indexOf('/');
  const value =
    slash < 0 ? Number(w.value) : Number(w.value.slice(0, slash)) / Number(w.value.slice(slash + 1));
  return cm(value * CM_PER[w.unit]);
}

/** What was read, back as it was read: "34 3⁄8 in", "87.3 cm". */
export const printWritten = (w: Pick<Written, 'text' | 'unit'>): string => `${oneShape(w.text)} ${w.unit}`;

/** Half of a length as it would be written, with its unit where one was written; null for what is no length. */
export function halfOf(text: string, fallback: LengthUnit): string | null {
  const read = readLength(text, fallback);
  if (!read.ok) return null;
  const half = tidy(new Fraction(read.written.value).div(2), read.written.unit);
  return read.unitGiven ? `${half} ${read.written.unit}` : half;
}
