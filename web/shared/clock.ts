import { useMemo } from 'react';
import { useMe } from './me.ts';

/** Wall times of the studio from minutes since 1970, as "10:30". */
export function useClock(): (at: number) => string {
  const { timeZone } = useMe();
  return useMemo(() => {
    const format = new Intl.DateTimeFormat('en-GB', {
      timeZone,
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    });
    return (at) => format.format(at * 60_000);
  }, [timeZone]);
}

/** Which of the two, where the clocks show the time of an instant twice; undefined where they show it once. */
export function turnAt(clock: (at: number) => string, at: number): 'first' | 'second' | undefined {
  const again = (by: number) => clock(at + by) === clock(at);
  if (again(60) || again(30)) return 'first';
  return again(-60) || again(-30) ? 'second' : undefined;
}
