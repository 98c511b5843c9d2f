import { en } from 'chrono-node';

/** Which of day and month is written first in 3/4. */
export type DateOrder = 'dmy' | 'mdy';

const pad = (n: number, width = 2) => String(n).padStart(width, '0');

/** A calendar day that exists, as yyyy-mm-dd; null for 31 February and its like. */
function day(year: number, month: number, date: number): string | null {
  const d = new Date(Date.UTC(year, month - 1, date));
  const exists = d.getUTCMonth() === month - 1 && d.getUTCDate() === date && year >= 1900 && year <= 2200;
  return exists ? `${pad(year, 4)}-${pad(month)}-${pad(date)}` : null;
}

/** Day and month without a year: this year's, or next year's once this year's is past. */
const coming = (month: number, date: number, today: string): string | null => {
  const year = Number(today.slice(0, 4));
  const now = day(year, month, date);
  return now !== null && now >= today ? now : (day(year + 1, month, date) ?? now);
};

/**
 * Reads a date as a hand writes it, day before month unless the studio writes `mdy`: `28.12.`, `28/12/26`, `2026-12-28`, `28 dec`, `next friday`,
 * `in two weeks`. `today` is the studio's day. @returns yyyy-mm-dd, or null for what is no date. Never throws.
 */
export function readDate(typed: string, today: string, order: DateOrder = 'dmy'): string | null {
  const text = typed
    .trim()
    .slice(0, 60)
    .replace(/^([a-z]{3,9})\.? (\d{1,2})\.?$/i, '$2 $1');
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text);
  if (iso) return day(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const plain = /^(\d{1,2})\s?[./-]\s?(\d{1,2})(?:\s?[./-]\s?(\d{4}|\d{2})?)?$/.exec(text);
  if (plain) {
    const [d, m] = order === 'mdy' ? [plain[2], plain[1]] : [plain[1], plain[2]];
    const y = plain[3];
    return y
      ? day(Number(y) < 100 ? 2000 + Number(y) : Number(y), Number(m), Number(d))
      : coming(Number(m), Number(d), today);
  }
  const [year, month, date] = today.split('-').map(Number) as [number, number, number];
  const found = (order === 'mdy' ? en.casual : en.GB).parse(text, new Date(year, month - 1, date, 12), {
    forwardDate: true,
  })[0];
  // Words around a date are not a date: "fitting on friday" is a note.
  if (!found || found.text.length < text.replace(/[.,]+$/, '').length) return null;
  const { start } = found;
  const known = { month: start.get('month')!, date: start.get('day')! };
  if (start.isCertain('day') && start.isCertain('month') && !start.isCertain('year'))
    return coming(known.month, known.date, today);
  return day(start.get('year')!, known.month, known.date);
}
