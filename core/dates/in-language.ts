import { printDayAndDate } from './print.ts';
import type { DateOrder } from './read-date.ts';

/** A day with its weekday, as it is written in a language: "jeudi 12 mars 2026"; as the house writes where none is given. */
export function printDayIn(language: string, iso: string, order: DateOrder): string {
  if (language === '') return printDayAndDate(iso, order);
  try {
    return new Intl.DateTimeFormat(language, {
      weekday: 'long',
      day: 'numeric',
      month: 'long',
      year: 'numeric',
      timeZone: 'UTC',
    }).format(Date.parse(`${iso}T00:00:00Z`));
  } catch {
    // A sign that this machine knows no language by.
    return printDayAndDate(iso, order);
  }
}
