import { createHash } from 'node:crypto';
import type { Changed } from '@rocchetto/contract/live.ts';
import { inTransaction, type Tx } from '../db/pool.ts';
import type { Ctx, Deps } from './context.ts';
import { HttpError } from './problem.ts';
import { TEXTS } from './texts.ts';

export interface Reply<A> {
  readonly body: A;
  /** what other pages should hear of, once it is committed */
  readonly changed?: readonly Changed[];
}

/** Method, address and content of a change: what a key must stay with. */
const contentOf = async (c: Ctx): Promise<Buffer> =>
  createHash('sha256')
    .update(`${c.req.method} ${c.req.path}\n${await c.req.text()}`)
    .digest();

const KEY = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

/**
 * Makes a change in one transaction, once for each Idempotency-Key: the same key sent again gets the first
 * answer back, and with other content a 422. Two requests with one key at the same instant wait for each other
 * on the key's row. `present` lays over the kept answer what must not be kept in it (a one-time link).
 */
export function once<const A>(c: Ctx, deps: Deps, work: (tx: Tx) => Promise<Reply<A>>): Promise<A>;
export function once<const A, P>(
  c: Ctx,
  deps: Deps,
  work: (tx: Tx) => Promise<Reply<A>>,
  present: (tx: Tx, body: A) => Promise<P>,
): Promise<P>;
export async function once<A, P>(
  c: Ctx,
  deps: Deps,
  work: (tx: Tx) => Promise<Reply<A>>,
  present?: (tx: Tx, body: A) => Promise<P>,
): Promise<A | P> {
  const key = c.req.header('idempotency-key');
  if (key !== undefined && !KEY.test(key)) throw new HttpError(400, 'bad-key', TEXTS.badKey);
  const content = key === undefined ? null : await contentOf(c);
  const reply = await inTransaction(deps.pool, async (tx): Promise<Reply<A | P>> => {
    const made = key === undefined ? await work(tx) : await keyed(tx, c, key, content!, work);
    return present ? { ...made, body: await present(tx, made.body) } : made;
  });
  if (reply.changed) deps.live.tell(reply.changed);
  return reply.body;
}

async function keyed<A>(
  tx: Tx,
  c: Ctx,
  key: string,
  content: Buffer,
  work: (tx: Tx) => Promise<Reply<A>>,
): Promise<Reply<A>> {
  const mine = [c.get('who').id, key] as const;
  const fresh = await tx.query(
    'insert into write_once (staff_id, key, path, content, status) values ($1, $2, $3, $4, 0) on conflict do nothing',
    [...mine, c.req.path, content],
  );
  if (fresh.rowCount === 0) {
    const { rows } = await tx.query('select content, body from write_once where staff_id = $1 and key = $2', [
      ...mine,
    ]);
    if (!rows[0].content?.equals(content)) throw new HttpError(422, 'key-used', TEXTS.keyUsed);
    return { body: rows[0].body as A };
  }
  const made = await work(tx);
  await tx.query('update write_once set status = 200, body = $3 where staff_id = $1 and key = $2', [
    ...mine,
    JSON.stringify(made.body),
  ]);
  return made;
}
