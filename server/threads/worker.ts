import type { Problem } from '@rocchetto/contract';
import { refusalOf } from '../db/errors.ts';
import { Refusal } from '../http/problem.ts';
import { JOBS, type JobName } from './jobs.ts';

/** What comes back from a thread: the answer, or a refusal with its sentence. An error of the program is thrown. */
export type Came = { readonly answer: unknown } | { readonly refused: Problem };

/** Does one job in this thread. */
export default async function work({ job, args }: { job: JobName; args: readonly unknown[] }): Promise<Came> {
  try {
    return { answer: await (JOBS[job] as (...of: unknown[]) => unknown)(...args) };
  } catch (error) {
    const refusal = error instanceof Refusal ? error : refusalOf(error);
    if (!refusal) throw error;
    return { refused: refusal.problem };
  }
}
