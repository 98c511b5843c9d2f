import { findMeasure, MEASURES, type Measure } from '../measures/catalogue.ts';
import { searchMeasures } from '../measures/find.ts';
import type { Way } from '../measures/session.ts';
import { foldText } from '../text/fold.ts';
import { readLength } from '../units/reading.ts';

/** What a column of an old book holds. */
export const CARD_FIELDS = ['name', 'phone', 'email', 'address', 'note', 'date', 'measurer'] as const;
export type CardField = (typeof CARD_FIELDS)[number];
export type Column =
  | { readonly is: 'leave' }
  | { readonly is: CardField }
  | {
      readonly is: 'measure';
      readonly id: string;
      /** what a figure without a unit means */
      readonly unit: 'cm' | 'in';
      readonly way: Way;
    };

/** Headers that books have for what is no measure, folded. */
const WORDS: Readonly<Record<CardField, RegExp>> = {
  name: /^(full |client |customer )?(name|client|customer)$/,
  phone: /^(tele)?phone( number)?$|^tel$|^mobile$|^cell$/,
  email: /^e ?mail( address)?$/,
  address: /^(postal |home )?address$/,
  note: /^(notes?|remarks?|comments?)$/,
  date: /^(date|day|measured( on)?|taken( on)?)$/,
  measurer: /^(by|measured by|taken by|measurer|fitter)$/,
};

/** Guesses what a column holds from its header and some of its cells; to be seen and changed by a hand. */
export function guessColumn(header: string, cells: readonly string[]): Column {
  const folded = foldText(header.replace(/["()[\]_-]/g, ' '));
  for (const is of CARD_FIELDS) if (WORDS[is].test(folded)) return { is };
  const way: Way = /\bhalf\b|½/.test(folded) ? 'half' : /\bquarter\b|¼/.test(folded) ? 'quarter' : 'whole';
  const bare = folded
    .replace(/\b(half|quarter|in|inch|inches|cm|centimetres?|centimeters?|girth|size)\b/g, ' ')
    .trim();
  // Its own whole name before anything is taken for a word about it.
  const m =
    MEASURES.find((x) => foldText(x.name.replace(/["()[\]_-]/g, ' ')) === folded) ?? measureCalled(bare);
  if (!m) return { is: 'leave' };
  const named = /\b(in|inch|inches)\b/.test(folded) ? 'in' : /\bcm\b|centim/.test(folded) ? 'cm' : null;
  return { is: 'measure', id: m.id, way, unit: named ?? guessUnit(m, way, cells) };
}

/** The measure that is called exactly so, by its own or another name; or the first that is found. */
function measureCalled(words: string): Measure | undefined {
  if (words.length < 3) return undefined;
  const found = searchMeasures(words, 40).filter((m) => !m.side);
  const exactly = found.find((m) => [m.name, ...m.also.split(',')].some((n) => foldText(n) === words));
  return exactly ?? found.find((m) => foldText(m.name).startsWith(words));
}

/** Centimetres or inches: which of the two puts more cells into the usual span. */
function guessUnit(m: Measure, way: Way, cells: readonly string[]): 'cm' | 'in' {
  const times = way === 'half' ? 2 : way === 'quarter' ? 4 : 1;
  const score = (unit: 'cm' | 'in') =>
    cells.filter((c) => {
      const read = readLength(c, unit);
      if (!read.ok || read.unitGiven) return false;
      const whole = read.cm * times;
      return whole >= m.range[0] && whole <= m.range[1];
    }).length;
  return score('in') > score('cm') ? 'in' : 'cm';
}

/** Why these columns cannot be read together; '' when they can. */
export function columnsSay(columns: readonly Column[]): string {
  const names = columns.filter((c) => c.is === 'name').length;
  if (names !== 1)
    return names === 0
      ? 'Choose the column that contains the name.'
      : 'Two columns contain the name. Choose one.';
  const once = new Set<string>();
  for (const c of columns) {
    const key = c.is === 'measure' ? c.id : c.is;
    if (key === 'leave' || key === 'note') continue;
    if (once.has(key))
      return `Two columns contain ${c.is === 'measure' ? findMeasure(c.id)?.name : key}. Choose one and skip the other.`;
    once.add(key);
  }
  return '';
}
