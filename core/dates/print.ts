const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];

/** A calendar day (yyyy-mm-dd) as it is printed everywhere, on paper always so: "24 Dec 2026". Empty for none. */
export function printDate(iso: string): string {
  const found = /^(\d{4})-(\d\d)-(\d\d)/.exec(iso);
  if (!found) return iso;
  return `${Number(found[3])} ${MONTHS[Number(found[2]) - 1]} ${Number(found[1])}`;
}

/** The same in a list on screen: without the year when it is `today`'s. */
export function printShortDate(iso: string, today: string): string {
  const text = printDate(iso);
  return iso.slice(0, 4) === today.slice(0, 4) ? text.slice(0, -5) : text;
}

/** With its weekday, for a date just typed: "Fri 4 Dec 2026". */
export const printDayAndDate = (iso: string): string =>
  `${DAYS[new Date(`${iso}T00:00:00Z`).getUTCDay()]} ${printDate(iso)}`;
