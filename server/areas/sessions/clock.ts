import type { Readings } from '@rocchetto/contract';
import type { z } from 'zod';

/** A device's clock may be this far off before its times are set right, ms. */
const ALLOWED = 2 * 60_000;

/**
 * How far a device's clock is ahead of the studio's, ms, by what it says the time is as it sends; 0 within two minutes,
 * or when it says nothing that is a time.
 */
export function aheadBy(says: string | undefined, now: Date): number {
  const ahead = says ? Date.parse(says) - now.getTime() : 0;
  return Number.isFinite(ahead) && Math.abs(ahead) > ALLOWED ? ahead : 0;
}

/** A batch with its times as the studio's clock had them: what was taken an hour ago was taken an hour ago. */
export function inStudioTime(batch: z.infer<typeof Readings>, ahead: number): z.infer<typeof Readings> {
  if (ahead === 0) return batch;
  const right = (at: string) => {
    const time = new Date(Date.parse(at) - ahead);
    return Number.isNaN(time.getTime()) ? at : time.toISOString();
  };
  return {
    session: { ...batch.session, at: right(batch.session.at) },
    readings: batch.readings.map((r) => ('sentence' in r ? r : { ...r, at: right(r.at) })),
  };
}
