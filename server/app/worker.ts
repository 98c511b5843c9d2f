import type { Paper } from '@rocchetto/contract';
import { refusalOf } from '../http/database-errors.ts';
import { HttpError } from '../http/problem.ts';
import { usePaper } from '../paper/page.ts';
import type { Came } from '../threads/came.ts';
import { JOBS } from './jobs.ts';

/** Does one job in this thread. */
export default async function work({
  job,
  args,
  paper,
}: {
  job: keyof typeof JOBS;
  args: readonly unknown[];
  paper: Paper;
}): Promise<Came> {
  try {
    usePaper(paper);
    return { answer: await (JOBS[job] as (...of: unknown[]) => unknown)(...args) };
  } catch (error) {
    const refusal = error instanceof HttpError ? error : refusalOf(error);
    if (!refusal) throw error;
    return { refused: refusal.problem };
  }
}
