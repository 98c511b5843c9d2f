import type { Minute } from './zoned.ts';

/** An appointment as it lies on its people's and its room's day. Minutes. */
export interface DayKept {
  readonly id: number;
  readonly start: Minute;
  readonly end: Minute;
  /** for changing after it */
  readonly buffer: number;
  readonly staff: readonly number[];
  readonly roomId: number | null;
}

export interface Pushed {
  readonly id: number;
  /** begins this much later */
  readonly by: number;
  readonly end: Minute;
}

/**
 * What it does to the rest of the day when one begins so many minutes late and still takes as long as planned: which
 * ones begin later, by how much, the late one first. What has room before it takes up the delay.
 */
export function ifLate(day: readonly DayKept[], id: number, minutes: number): Pushed[] {
  const late = day.find((a) => a.id === id);
  if (!late || minutes <= 0) return [];
  const free = new Map<string, Minute>();
  const pushed: Pushed[] = [];
  for (const a of [...day].sort((x, y) => x.start - y.start || x.id - y.id)) {
    if (a.start < late.start || (a.start === late.start && a.id !== id)) continue;
    const keys = [...a.staff.map((s) => `staff ${s}`), ...(a.roomId === null ? [] : [`room ${a.roomId}`])];
    const begins = Math.max(a.id === id ? a.start + minutes : a.start, ...keys.map((k) => free.get(k) ?? 0));
    const end = begins + a.end - a.start;
    if (begins > a.start) pushed.push({ id: a.id, by: begins - a.start, end });
    for (const k of keys) free.set(k, end + a.buffer);
  }
  return pushed;
}
