import type { Problem } from '@rocchetto/contract';
import type { Context } from 'hono';
import type { ContentfulStatusCode } from 'hono/utils/http-status';

/** A refusal with a plain sentence. Thrown so that an open transaction rolls back. */
export class Refusal extends Error {
  readonly problem: Problem;
  constructor(status: number, code: string, detail: string, more: Partial<Problem> = {}) {
    super(detail);
    this.problem = {
      type: `/problems/${code}`,
      title: code.replaceAll('-', ' '),
      status,
      code,
      detail,
      ...more,
    };
  }
}

export const notFound = (what: string) =>
  new Refusal(
    404,
    'not-found',
    `There is no such ${what}. It may have been removed, or the address is wrong.`,
  );

/** Somebody else saved first: both texts go back, so that neither is lost. */
export const conflict = (theirs: unknown, mine: unknown) =>
  new Refusal(
    409,
    'changed-meanwhile',
    'Someone else saved this. Nothing was overwritten; your text is safe. Compare before saving.',
    { theirs, mine },
  );

/** Answers RFC 9457 problem+json. */
export const answer = (c: Context, problem: Problem) =>
  c.body(JSON.stringify(problem), problem.status as ContentfulStatusCode, {
    'content-type': 'application/problem+json',
  });
