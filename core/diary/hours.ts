import { common, joined, without } from './spans.ts';
import { daysFrom, planOn, type Span, weekdayOf, wholeDay } from './zoned.ts';

/** Hours of one weekday, wall times hh:mm; a break is what lies between two of one day. 24:00 is the day's end. */
export interface Hours {
  /** 1 for Monday to 7 for Sunday */
  readonly weekday: number;
  readonly from: string;
  readonly to: string;
}

/** Weekly hours on these days, as spans in order. A change of clocks moves none of them: wall times stay. */
export function hoursOn(zone: string, days: readonly string[], hours: readonly Hours[]): Span[] {
  return joined(
    days.flatMap((day) => {
      const weekday = weekdayOf(day);
      return hours
        .filter((h) => h.weekday === weekday)
        .map((h) => ({ from: planOn(zone, day, h.from), to: planOn(zone, day, h.to) }));
    }),
  );
}

/** When a client could come: what the house is asked for, in its own wall times. */
export interface Wish {
  /** first and last day, yyyy-mm-dd */
  readonly from: string;
  readonly until: string;
  /** no earlier than, hh:mm; '' for any time */
  readonly earliest: string;
  /** over by, hh:mm; '' for any time */
  readonly latest: string;
  /** weekdays that do not suit, 1 to 7 */
  readonly notOn: readonly number[];
  /** days that do not suit: first and last, both of them */
  readonly away: readonly { readonly from: string; readonly until: string }[];
}

/**
 * The windows in which the whole appointment may lie: the house is open, the wish is met, and it is not past.
 * @param opening the house's weekly hours  @param closed when it is closed all the same
 */
export function windowsOf(
  zone: string,
  wish: Wish,
  opening: readonly Hours[],
  closed: readonly Span[],
  notBefore: number,
): Span[] {
  const away = (day: string) => wish.away.some((a) => a.from <= day && day <= a.until);
  const days = daysFrom(wish.from, wish.until).filter(
    (day) => !wish.notOn.includes(weekdayOf(day)) && !away(day),
  );
  const wanted = days.map((day) => {
    const whole = wholeDay(zone, day);
    return {
      from: wish.earliest ? planOn(zone, day, wish.earliest) : whole.from,
      to: wish.latest ? planOn(zone, day, wish.latest) : whole.to,
    };
  });
  const open = common(hoursOn(zone, days, opening), joined(wanted));
  return without(
    open.map((s) => ({ ...s, from: Math.max(s.from, notBefore) })).filter((s) => s.from < s.to),
    joined(closed),
  );
}
