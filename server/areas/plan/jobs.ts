import type { PromisesAsk } from '@rocchetto/contract';
import { poolOf } from '../../threads/pool-of.ts';
import type { EstimatePaper } from './estimate-pdf.ts';

/** Planning all that is in work takes a processor too long to be done between two requests. */
export const PLAN_JOBS = {
  promises: async (url: string, ask: PromisesAsk, now: string) =>
    (await import('./promises.ts')).promises(poolOf(url), ask, new Date(now)),
  estimatePdf: async (of: EstimatePaper) => (await import('./estimate-pdf.ts')).estimatePdf(of),
} as const;
export type PlanJobs = typeof PLAN_JOBS;
