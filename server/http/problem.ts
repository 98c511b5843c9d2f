import type { Problem } from '@rocchetto/contract';
import type { Context } from 'hono';
import type { ContentfulStatusCode } from 'hono/utils/http-status';
import { TEXTS } from './texts.ts';

/** A refusal with a plain sentence. Thrown so that an open transaction rolls back. */
export class HttpError extends Error {
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

export const notFound = (what: string) => new HttpError(404, 'not-found', TEXTS.notFoundOrRemoved(what));

/** Somebody else saved first: both texts go back, so that neither is lost. */
export const conflict = (theirs: unknown, mine: unknown) =>
  new HttpError(409, 'changed-meanwhile', TEXTS.changedMeanwhile, { theirs, mine });

/** Answers RFC 9457 problem+json. */
export const answer = (c: Context, problem: Problem) =>
  c.body(JSON.stringify(problem), problem.status as ContentfulStatusCode, {
    'content-type': 'application/problem+json',
  });
