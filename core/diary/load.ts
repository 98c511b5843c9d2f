import { printShortDate } from '../dates/print.ts';
import type { DateOrder } from '../dates/read-date.ts';
import { lengthOf } from './spans.ts';
import type { Span } from './zoned.ts';

/** What a day asks of somebody, minutes: appointments with the time for changing, and work promised at the bench. */
export interface Load {
  readonly works: number;
  readonly booked: number;
  readonly bench: number;
  /** how much more than the day holds */
  readonly over: number;
}

/** @param works hours less leave, in order  @param booked what is kept, in order, none touching  @param bench minutes promised */
export function loadOf(works: readonly Span[], booked: readonly Span[], bench: number): Load {
  const has = lengthOf(works);
  const kept = lengthOf(booked);
  return { works: has, booked: kept, bench, over: Math.max(0, kept + bench - has) };
}

/** Minutes as a hand says them: "2 h 30", "8 h", "45 min". */
export function hoursWord(minutes: number): string {
  const [h, m] = [Math.floor(minutes / 60), minutes % 60];
  if (h === 0) return `${m} min`;
  return m === 0 ? `${h} h` : `${h} h ${m}`;
}

/** "Wren Halloran has 8 h on 3 Dec; 2 h 30 of appointments and 7 h at the bench are 1 h 30 too much." Null while it goes in. */
export function overloadWords(
  name: string,
  day: string,
  today: string,
  l: Load,
  order: DateOrder,
): string | null {
  if (l.over === 0) return null;
  const on = printShortDate(day, today, order);
  const parts = [
    l.booked > 0 && `${hoursWord(l.booked)} of appointments`,
    l.bench > 0 && `${hoursWord(l.bench)} at the bench`,
  ].filter(Boolean);
  const asked = `${parts.join(' and ')} ${parts.length > 1 || l.booked + l.bench !== 60 ? 'are' : 'is'}`;
  return l.works === 0
    ? `${name} is not at work on ${on}, but ${asked} scheduled.`
    : `${name} has ${hoursWord(l.works)} on ${on}; ${asked} ${hoursWord(l.over)} too much.`;
}
