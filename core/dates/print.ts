import type { DateOrder } from './read-date.ts';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];

const dayAndMonth = (day: number, month: string, order: DateOrder) =>
  order === 'mdy' ? `${month} ${day}` : `${day} ${month}`;

/**
 * A calendar day (yyyy-mm-dd) as the studio writes it, on screen and paper: "24 Dec 2026", with the month first
 * "Dec 24, 2026". Anything else comes back as it is.
 */
export function printDate(iso: string, order: DateOrder): string {
  const found = /^(\d{4})-(\d\d)-(\d\d)/.exec(iso);
  if (!found) return iso;
  const text = dayAndMonth(Number(found[3]), MONTHS[Number(found[2]) - 1]!, order);
  return `${text}${order === 'mdy' ? ',' : ''} ${Number(found[1])}`;
}

/** The same in a list on screen: without the year when it is `today`'s. */
export function printShortDate(iso: string, today: string, order: DateOrder): string {
  const text = printDate(iso, order);
  return iso.slice(0, 4) === today.slice(0, 4) ? text.replace(/,? \d+$/, '') : text;
}

/** With its weekday: "Fri 4 Dec 2026", with the month first "Fri, Dec 4, 2026"; without its year where `year` is false. */
export function printDayAndDate(iso: string, order: DateOrder, year = true): string {
  const day = DAYS[new Date(`${iso}T00:00:00Z`).getUTCDay()];
  return `${day}${order === 'mdy' ? ',' : ''} ${year ? printDate(iso, order) : printShortDate(iso, iso, order)}`;
}
