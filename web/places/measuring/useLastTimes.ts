import { type Cm, measure, printWritten, resolve, wholeOf } from '@rocchetto/core';
import { useMemo } from 'react';
import { useEarlierQuery } from '../../api/sessions.ts';
import { useDays } from '../../shared/me.ts';
import type { RibbonItem } from './Ribbon.tsx';

export interface LastTime {
  readonly cm: Cm;
  /** as it was read */
  readonly text: string;
  readonly date: string;
}

/** The newest earlier figure of each measure of this list, as it was read. */
export function useLastTimes(
  clientId: number,
  sessionId: string,
  items: readonly RibbonItem[],
): ReadonlyMap<string, LastTime> {
  const { data: earlier } = useEarlierQuery({ clientId, except: sessionId });
  const { short } = useDays();
  const ids = items.map((i) => i.id).join();
  return useMemo(() => {
    const out = new Map<string, LastTime>();
    for (const id of ids.split(','))
      for (const session of earlier ?? []) {
        const m = resolve(measure(id), session.readings);
        const first = m.readings.find((r) => r.state === 'read' && r.written);
        if (m.net === null || !first?.written) continue;
        out.set(id, {
          cm: m.readings.length > 1 ? m.net : wholeOf(first),
          text: printWritten(first.written),
          date: short(session.at),
        });
        break;
      }
    return out;
  }, [earlier, ids, short]);
}
