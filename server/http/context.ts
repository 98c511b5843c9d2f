import { type Role, sentencesOf, unkeepable, unkeepableSentence } from '@rocchetto/contract';
import type { Context } from 'hono';
import type { Logger } from 'pino';
import type { z } from 'zod';
import type { Pool } from '../db/pool.ts';
import type { Live } from '../live/live.ts';
import { HttpError } from './problem.ts';
import { TEXTS } from './texts.ts';

export interface SignedIn {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly csrf: string;
  /** the house asks for a second factor that is not there yet */
  readonly factorOwed?: boolean;
}

/** What every area of the server is given. */
export interface Deps {
  readonly pool: Pool;
  readonly log: Logger;
  readonly live: Live;
  /** the database, for threads that ask it by themselves */
  readonly url: string;
  /** the instant that counts as now */
  readonly now: () => Date;
}

export type Env = { Variables: { who: SignedIn; secureHeadersNonce?: string } };
export type Ctx = Context<Env>;

/** Levels of lists and objects within each other: what the program sends itself lies less than twenty deep. */
const DEEPEST = 64;

/** Whether a JSON text holds lists and objects more than so many levels within each other, found without building them. */
export function isDeeper(text: string, most: number): boolean {
  let level = 0;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (quoted) {
      if (c === 92) i++;
      else if (c === 34) quoted = false;
    } else if (c === 34) quoted = true;
    else if (c === 91 || c === 123) {
      if (++level > most) return true;
    } else if (c === 93 || c === 125) level--;
  }
  return false;
}

/** The body, checked. @throws HttpError 400 for no JSON, 422 with one sentence for each thing that is wrong */
export async function body<S extends z.ZodType>(c: Ctx, schema: S): Promise<z.infer<S>> {
  let json: unknown;
  try {
    const text = await c.req.text();
    if (isDeeper(text, DEEPEST)) throw new HttpError(400, 'too-deep', TEXTS.tooDeep(DEEPEST));
    json = JSON.parse(text);
  } catch (error) {
    if (error instanceof HttpError || (error instanceof Error && error.name === 'BodyLimitError'))
      throw error;
    throw new HttpError(400, 'not-json', TEXTS.notJson);
  }
  return checked(schema, json);
}

/** A value by its schema, its texts such as can be kept. @throws HttpError 422 */
export function checked<S extends z.ZodType>(schema: S, value: unknown): z.infer<S> {
  const where = unkeepable(value);
  if (where) throw new HttpError(422, 'not-keepable', unkeepableSentence(where));
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const problems = sentencesOf(result.error);
  throw new HttpError(422, 'not-valid', problems[0] ?? 'Something is not filled in correctly.', { problems });
}

/** A numeric id from the path. @throws HttpError 404 for anything that is not one */
export function idParam(c: Ctx, what: string): number {
  const text = c.req.param('id') ?? '';
  if (!/^\d{1,15}$/.test(text)) throw new HttpError(404, 'not-found', TEXTS.notFound(what));
  return Number(text);
}
