import { type Action, may, type Role, sentencesOf } from '@rocchetto/contract';
import type { Context, MiddlewareHandler } from 'hono';
import type { Logger } from 'pino';
import type { z } from 'zod';
import type { Pool } from '../db/pool.ts';
import { Refusal } from './problem.ts';

export interface SignedIn {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly csrf: string;
}

/** What every area of the server is given. */
export interface Deps {
  readonly pool: Pool;
  readonly log: Logger;
  /** ISO date of today in the studio's zone */
  readonly today: () => string;
}

export type Env = { Variables: { who: SignedIn; secureHeadersNonce?: string } };
export type Ctx = Context<Env>;

/** Lets only those pass whose role may do this. Every route names its action. */
export const needs =
  (action: Action): MiddlewareHandler<Env> =>
  async (c, next) => {
    const who = c.get('who');
    if (!who)
      throw new Refusal(
        401,
        'signed-out',
        'You are signed out. Sign in again; what you wrote is still here.',
      );
    if (!may(who.role, action))
      throw new Refusal(403, 'not-yours', `This is not open to the role “${who.role}”. Ask the principal.`);
    await next();
  };

/** The body, checked. @throws Refusal 400 for no JSON, 422 with one sentence for each thing that is wrong */
export async function body<S extends z.ZodType>(c: Ctx, schema: S): Promise<z.infer<S>> {
  let json: unknown;
  try {
    json = await c.req.json();
  } catch (error) {
    if (error instanceof Error && error.name === 'BodyLimitError') throw error;
    throw new Refusal(400, 'not-json', 'What was sent is not JSON.');
  }
  return checked(schema, json);
}

export function checked<S extends z.ZodType>(schema: S, value: unknown): z.infer<S> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const problems = sentencesOf(result.error);
  throw new Refusal(422, 'not-valid', problems[0] ?? 'What was sent is not right.', { problems });
}

/** A numeric id from the path. @throws Refusal 404 for anything that is not one */
export function idParam(c: Ctx, what: string, name = 'id'): number {
  const text = c.req.param(name) ?? '';
  if (!/^\d{1,15}$/.test(text)) throw new Refusal(404, 'not-found', `There is no such ${what}.`);
  return Number(text);
}
