import type { Me } from '@rocchetto/contract';
import { type Action, may } from '@rocchetto/contract/may.ts';
import { printDate, printDayAndDate, printShortDate } from '@rocchetto/core/dates/print.ts';
import { dayIn } from '@rocchetto/core/dates/studio-day.ts';
import { danger } from '@rocchetto/core/thread/danger.ts';
import { createContext, useContext, useMemo } from 'react';

export const MeContext = createContext<Me | null>(null);

/** Who is signed in. Only inside the frame. */
export function useMe(): Me {
  const me = useContext(MeContext);
  if (!me) throw new Error('useMe outside the frame');
  return me;
}

/** Whether the one signed in may do this; the server asks again. */
export const useMay = (action: Action): boolean => may(useMe().role, action);

/** The studio's day: today, and how dates and instants are printed on every screen. */
export function useDays() {
  const { timeZone, dateOrder, leads } = useMe();
  const today = dayIn(timeZone, new Date());
  return useMemo(() => {
    /** a date as it is, an instant as the studio's day of it */
    const day = (at: string) => (at.length > 10 ? dayIn(timeZone, at) : at);
    return {
      today,
      /** why an order's date is in danger by the house's lead times, else null */
      danger: (order: Parameters<typeof danger>[0]) => danger(order, today, leads),
      /** "24 Dec" this year, "24 Dec 2027" another; a dash for none */
      short: (at: string | null | undefined) => (at ? printShortDate(day(at), today, dateOrder) : '—'),
      /** always with the year */
      long: (at: string | null | undefined) => (at ? printDate(day(at), dateOrder) : '—'),
      /** a day with its weekday: "Fri 4 Dec 2026", without its year where `year` is false */
      weekday: (iso: string, year = true) => printDayAndDate(iso, dateOrder, year),
      /** which of day and month the studio writes first */
      dateOrder,
    };
  }, [timeZone, dateOrder, leads, today]);
}
