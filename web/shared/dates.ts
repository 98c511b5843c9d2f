import dayjs from 'dayjs';

/** "24 Dec" this year, "24 Dec 2027" another; a dash for none. */
export function shortDate(iso: string | null | undefined): string {
  if (!iso) return '—';
  const d = dayjs(iso);
  return d.format(d.year() === dayjs().year() ? 'D MMM' : 'D MMM YYYY');
}

/** Whole days from today to the date; negative when it is past. */
export const daysUntil = (iso: string): number =>
  dayjs(iso).startOf('day').diff(dayjs().startOf('day'), 'day');
