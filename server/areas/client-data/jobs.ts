import { dayIn, printDate } from '@rocchetto/core';
import type { DateOrder } from '@rocchetto/core/dates/read-date.ts';
import { poolOf } from '../../threads/pool-of.ts';

export const CLIENT_DATA_JOBS = {
  /** All that is kept of one client, packed; null when there is no such client. */
  clientBundle: async (url: string, id: number, studio: string, timeZone: string, order: DateOrder) => {
    const [{ readClientData }, { bundle }] = await Promise.all([import('./sql.ts'), import('./bundle.ts')]);
    const data = await readClientData(poolOf(url), id);
    if (!data) return null;
    const zip = await bundle(data, studio, (at) => printDate(dayIn(timeZone, at), order), order);
    return { code: data.client.code, zip };
  },
} as const;
export type ClientDataJobs = typeof CLIENT_DATA_JOBS;
