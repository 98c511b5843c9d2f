/** Whether this is an IANA time zone that the platform knows. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

/** The names of three letters that the tz database has (from memory). */
const IANA_SHORT = 'CET EET EST GMT HST MET MST PRC ROC ROK UCT UTC WET'.split(' ');
/**
 * Whether a diary can be kept by a name: what platforms add to the tz database, as BST (Dhaka) or IST, means another
 * place to whoever writes it, and Temporal refuses it.
 */
export const isPlaceZone = (name: string): boolean =>
  isTimeZone(name) && (name.length !== 3 || IANA_SHORT.includes(name.toUpperCase()));

const formats = new Map<string, Intl.DateTimeFormat>();

/** The calendar day, yyyy-mm-dd, that an instant falls on in a time zone. @throws RangeError for an unknown zone */
export function dayIn(timeZone: string, instant: Date | string): string {
  let format = formats.get(timeZone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-CA', {
      timeZone,
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
    });
    formats.set(timeZone, format);
  }
  const parts = Object.fromEntries(
    format.formatToParts(new Date(instant)).map((p) => [p.type, p.value]),
  ) as Record<'year' | 'month' | 'day', string>;
  return `${parts.year.padStart(4, '0')}-${parts.month}-${parts.day}`;
}

/** The wall time, hh:mm, that an instant falls on in a time zone. @throws RangeError for an unknown zone */
export const timeIn = (timeZone: string, instant: Date | string): string =>
  new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).format(
    new Date(instant),
  );

/** Whole days from one calendar day to another; negative when `to` lies before. */
export const daysBetween = (from: string, to: string): number =>
  Math.round(
    (Date.parse(`${to.slice(0, 10)}T00:00:00Z`) - Date.parse(`${from.slice(0, 10)}T00:00:00Z`)) / 86_400_000,
  );
