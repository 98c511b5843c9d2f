import { inTransaction, type Tx } from '../db/pool.ts';
import type { Ctx, Deps } from './context.ts';
import { Refusal } from './problem.ts';

interface Reply {
  readonly status: 200 | 201;
  readonly body: unknown;
}

/**
 * Makes a change in one transaction, once for each Idempotency-Key: the same key sent again gets the first
 * answer back. Two requests with one key at the same instant wait for each other on the key's row.
 */
export async function once(c: Ctx, deps: Deps, work: (tx: Tx) => Promise<Reply>) {
  const key = c.req.header('idempotency-key');
  if (key !== undefined && !/^[0-9a-f-]{36}$/i.test(key))
    throw new Refusal(400, 'bad-key', 'The Idempotency-Key must be a UUID.');
  const reply = await inTransaction(deps.pool, async (tx): Promise<Reply> => {
    if (key === undefined) return work(tx);
    const mine = [c.get('who').id, key] as const;
    const fresh = await tx.query(
      'insert into write_once (staff_id, key, path, status) values ($1, $2, $3, 0) on conflict do nothing',
      [...mine, c.req.path],
    );
    if (fresh.rowCount === 0) {
      const { rows } = await tx.query(
        'select path, status, body from write_once where staff_id = $1 and key = $2',
        [...mine],
      );
      if (rows[0].path !== c.req.path)
        throw new Refusal(422, 'key-used', 'This Idempotency-Key was used for another change.');
      return rows[0];
    }
    const made = await work(tx);
    await tx.query('update write_once set status = $3, body = $4 where staff_id = $1 and key = $2', [
      ...mine,
      made.status,
      JSON.stringify(made.body),
    ]);
    return made;
  });
  return c.json(reply.body as object, reply.status);
}
