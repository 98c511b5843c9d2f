import type { z } from 'zod';

/** Plain sentences from a failed parse: where, and what is wrong there. At most ten. */
export function sentencesOf(error: z.ZodError): string[] {
  return error.issues.slice(0, 10).map((issue) => {
    const where = issue.path.map(String).join('.');
    // A key that is none says so itself.
    const message =
      issue.code === 'invalid_key' ? (issue.issues[0]?.message ?? issue.message) : issue.message;
    return where ? `${where}: ${message}` : message;
  });
}

/** An RFC 9457 problem as the server answers it. `detail` is the sentence for the screen. */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly code: string;
  readonly problems?: readonly string[];
  /** on 409: what the server holds now, beside what was sent */
  readonly theirs?: unknown;
  readonly mine?: unknown;
  /** on 409 for a time that is taken: the nearest free ones */
  readonly instead?: unknown;
}
