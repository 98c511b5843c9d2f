import { findMeasure } from '../measures/catalogue.ts';
import type { Way } from '../measures/session.ts';
import { type Cm, cm } from '../units/length.ts';
import { say } from '../units/print.ts';
import type { Written } from '../units/reading.ts';
import { type Expectation, surprise } from './expectation.ts';

/** A slip that would explain a figure, and what was read if it was that. */
export interface Slip {
  readonly is: 'other-unit' | 'half' | 'quarter' | 'swapped' | 'ten';
  /** what the whole would be then, cm */
  readonly value: Cm;
  readonly words: string;
  /** the figure breaks this session’s habit of whole and half centimetres, and the slip mends that */
  readonly mends?: true;
}

/** Beyond so many spreads a figure is asked about whatever explains it. */
const FAR = 3.8;
/** A slip is asked about when it explains the figure so many times better than chance (natural logarithm). */
const BETTER: Readonly<Record<Slip['is'], number>> = {
  'other-unit': 1,
  half: 1,
  quarter: 1,
  swapped: 3.2,
  ten: 4.4,
};
/** One that also mends a broken habit needs no more than to fit as well, nearly. */
const MENDS = -1.5;
/** A slip explains nothing unless what it leads to is itself expected. */
const FITS = 2;

/** Every slip that could have made this figure of another. */
export function slipsOf(
  value: Cm,
  written: Pick<Written, 'text' | 'unit'>,
  way: Way,
  girth: boolean,
  halves = false,
): Slip[] {
  const inch = written.unit === 'in';
  const slips: Slip[] = [
    {
      is: 'other-unit',
      value: cm(inch ? value / 2.54 : value * 2.54),
      words: inch ? 'Was it centimetres?' : 'Was it inches?',
    },
  ];
  if (way === 'whole' && girth)
    slips.push(
      { is: 'half', value: cm(value * 2), words: 'Was a half read?' },
      { is: 'quarter', value: cm(value * 4), words: 'Was a quarter read?' },
    );
  if (way !== 'whole' && girth)
    slips.push({
      is: 'half',
      value: cm(value / (way === 'half' ? 2 : 4)),
      words: 'Was it the whole already?',
    });
  const scale = Number(written.text.replace(/[^\d.]/g, '')) || null;
  // Fractions are not swapped by a hand that writes them; decimals and whole numbers are.
  if (scale && /^[\d.]+$/.test(written.text))
    for (const text of swapsOf(written.text)) {
      const mends = halves && !onHalf(written.text) && onHalf(text);
      slips.push({
        is: 'swapped',
        value: cm((value * Number(text)) / scale),
        words: `Were two digits swapped (${text})?`,
        ...(mends ? { mends } : {}),
      });
    }
  const ten = inch ? 4 * 2.54 : 10;
  for (const by of [ten, -ten])
    if (value + by > 0)
      slips.push({
        is: 'ten',
        value: cm(value + by),
        words: inch ? 'Is it four inches off?' : `Is it ten off (${say(value + by)})?`,
      });
  return slips;
}

const onHalf = (text: string) => Number.isInteger(Number(text) * 2);

/** Whether a hand reads in whole and half centimetres: at least four figures so far, and none between. */
export const readsHalves = (written: readonly Pick<Written, 'text' | 'unit'>[]): boolean =>
  written.length >= 4 && written.every((w) => w.unit === 'cm' && /^[\d.]+$/.test(w.text) && onHalf(w.text));

/** The text with each two neighbouring digits exchanged. */
function swapsOf(text: string): string[] {
  const at = [...text].flatMap((ch, i) => (/\d/.test(ch) ? [i] : []));
  return at.slice(1).flatMap((j, k) => {
    const i = at[k]!;
    if (text[i] === text[j]) return [];
    const chars = [...text];
    [chars[i], chars[j]] = [chars[j]!, chars[i]!];
    const swapped = chars.join('');
    return Number(swapped) > 0 ? [swapped] : [];
  });
}

/** A figure that is asked about: what was expected, and the likeliest slip. */
export interface Doubt {
  readonly surprise: number;
  readonly slip: Slip | null;
  readonly sentence: string;
}

/** Whether a figure is asked about, in one sentence with its reason; null when it is as expected. */
export function doubtOf(
  id: string,
  value: Cm,
  written: Pick<Written, 'text' | 'unit'>,
  way: Way,
  e: Expectation,
  halves = false,
): Doubt | null {
  const z = surprise(value, e);
  const girth = findMeasure(id)?.kind !== 'length';
  const likely = slipsOf(value, written, way, girth, halves)
    .map((slip) => ({ slip, fits: surprise(slip.value, e) }))
    .filter(({ fits }) => Math.abs(fits) < FITS)
    .map(({ slip, fits }) => ({
      slip,
      better: (z * z - fits * fits) / 2 - (slip.mends ? MENDS : BETTER[slip.is]),
    }))
    .sort((a, b) => b.better - a.better);
  const best = likely[0];
  if (Math.abs(z) < FAR && !(best && best.better > 0)) return null;
  const slip = best?.slip ?? null;
  return {
    surprise: z,
    slip,
    sentence: `${bandSentence(id, e)} ${say(value)} lies ${z > 0 ? 'above' : 'below'} it. ${slip?.words ?? 'Read it again?'}`,
  };
}

/** "From hip, bust and height 88 cm to 97 cm is expected": the quiet band at the field, with its evidence. */
export function bandSentence(id: string, e: Expectation): string {
  const [from, to] = bandOf(e);
  const names = [
    ...(e.last === null ? [] : ['last time']),
    ...e.from.map((f) => findMeasure(f.id)?.name ?? f.id).filter((n) => n !== findMeasure(id)?.name),
  ].slice(0, 3);
  const by =
    names.length === 0
      ? 'Of adults'
      : `From ${names.length === 1 ? names[0] : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`}`;
  return `${by} ${say(from)} to ${say(to)} is expected.`;
}

/** The band that holds 95 of 100, to half a centimetre. */
export function bandOf(e: Expectation): readonly [Cm, Cm] {
  const half = (n: number) => cm(Math.round(n * 2) / 2);
  return [half(e.mean - 1.96 * e.spread), half(e.mean + 1.96 * e.spread)];
}
