import type { Need } from './kinds.ts';

/** Work at the bench that makes something ready when it is done. */
export interface MakingWork {
  readonly makes: Need | null;
  /** the day it is promised for, yyyy-mm-dd */
  readonly day: string;
  readonly doneAt: string | null;
}

/** Whether what an appointment needs will be there: nothing is promised, all of it is done, or the day of the last piece. */
export type Readiness =
  | { readonly state: 'not-promised' }
  | { readonly state: 'done' }
  | { readonly state: 'promised'; readonly day: string };

/** What the work promised for an order says of one need. */
export function readiness(need: Need, works: readonly MakingWork[]): Readiness {
  const making = works.filter((w) => w.makes === need);
  if (making.length === 0) return { state: 'not-promised' };
  const open = making.filter((w) => w.doneAt === null).map((w) => w.day);
  return open.length === 0 ? { state: 'done' } : { state: 'promised', day: open.sort().at(-1)! };
}
