/**
 * The line that a digital tape sends for each press of its button, and what a station makes of the lines it hears.
 * The line is ours, for the simulated tape that ships with the program:
 * `RT1;<device>;<number>;<millimetres>;<milliseconds since the press>;<check>`, the check being the XOR of all bytes
 * before its semicolon in two hexadecimal digits.
 */
export interface TapeLine {
  readonly device: string;
  /** counts the presses of this device, from 1 */
  readonly number: number;
  readonly mm: number;
  /** how long ago the button was pressed, ms: a tape out of reach keeps its readings and sends them later */
  readonly ago: number;
}

const LONGEST = 120;
const LINE = /^RT1;([a-z0-9-]{1,20});([1-9]\d{0,6});(\d{1,4}(?:\.5)?);(\d{1,9});([0-9A-F]{2})$/;

function checkOf(text: string): string {
  let x = 0;
  for (let i = 0; i < text.length; i++) x ^= text.charCodeAt(i) & 0xff;
  return x.toString(16).toUpperCase().padStart(2, '0');
}

/** The line of one press. */
export function tapeLine({ device, number, mm, ago }: TapeLine): string {
  const text = `RT1;${device};${number};${mm};${Math.round(ago)}`;
  return `${text};${checkOf(text)}`;
}

/** What a line says; a sentence when it says nothing that can be trusted. */
export function readTapeLine(raw: unknown): TapeLine | string {
  if (typeof raw !== 'string') return 'The tape sent something that is not a line.';
  const line = raw.trim();
  if (line.length > LONGEST) return 'The tape sent a line that is too long.';
  const m = LINE.exec(line);
  if (!m) return 'The tape sent a line that cannot be read.';
  if (checkOf(line.slice(0, line.lastIndexOf(';'))) !== m[5])
    return 'A line of the tape was garbled on its way.';
  const mm = Number(m[3]);
  if (mm <= 0) return 'The tape sent nothing: its figure is 0.';
  return { device: m[1]!, number: Number(m[2]), mm, ago: Number(m[4]) };
}

/** Older than this a reading is not put in by itself: the hand may be at another measure by now (house figure), ms. */
export const LATE = 10_000;

export interface TapeHeard {
  /** by device: every number heard, so that a double is known */
  readonly numbers: ReadonlyMap<string, ReadonlySet<number>>;
}
export const NOTHING_HEARD: TapeHeard = { numbers: new Map() };

export type TapeEvent =
  | { readonly is: 'reading' | 'late' | 'double'; readonly line: TapeLine }
  | { readonly is: 'garbage'; readonly sentence: string };

/**
 * What a station makes of a line: a reading to put in, one that comes late or out of order and is only offered, a
 * double that changes nothing, or garbage.
 */
export function hearTape(
  heard: TapeHeard,
  raw: unknown,
): { readonly heard: TapeHeard; readonly event: TapeEvent } {
  const line = readTapeLine(raw);
  if (typeof line === 'string') return { heard, event: { is: 'garbage', sentence: line } };
  const before = heard.numbers.get(line.device) ?? new Set<number>();
  if (before.has(line.number)) return { heard, event: { is: 'double', line } };
  const numbers = new Map(heard.numbers).set(line.device, new Set(before).add(line.number));
  const behind = [...before].some((n) => n > line.number);
  return { heard: { numbers }, event: { is: line.ago > LATE || behind ? 'late' : 'reading', line } };
}

/** How a reading that came from a tape is noted in the book: this says which press it was. */
export const tapeNote = ({ device, number }: Pick<TapeLine, 'device' | 'number'>): string =>
  `by ${device}, no. ${number}`;
/** As a hand would have typed it. */
export const tapeTyped = ({ mm }: Pick<TapeLine, 'mm'>): string => `${mm} mm`;
