import { isDeepStrictEqual } from 'node:util';
import { remember } from '../db/history.ts';
import type { Tx } from '../db/pool.ts';
import type { SignedIn } from './context.ts';
import { conflict, notFound } from './problem.ts';

interface Change<R> {
  /** what it is: 'client', 'order' … */
  readonly what: string;
  readonly id: number;
  /** the version the change was made on top of */
  readonly version: number;
  /** what was sent, given back when somebody was first */
  readonly mine: unknown;
  readonly who: SignedIn;
  /** the line in the history */
  readonly did: string;
  /** reads the record and holds its row */
  readonly read: (tx: Tx) => Promise<R | undefined>;
  /** makes the change; its answer is what the history keeps */
  readonly write: (tx: Tx, before: R) => Promise<unknown>;
  /**
   * what the history keeps of the record as it was, in the shape of `mine`; all of it when left out. What is sent as it
   * stands is no change: compared with all of this, or field by field with the record.
   */
  readonly kept?: (before: R) => unknown;
}

/** As it travels: without what is not said. */
const plain = (v: unknown): unknown => (v === undefined ? undefined : JSON.parse(JSON.stringify(v)));

/** Whether what was sent says of a record what it says already; `whole` when nothing else may stand there. */
function stands(was: unknown, mine: unknown, whole: boolean): boolean {
  const [a, b] = [plain(was), plain(mine)];
  if (whole || typeof a !== 'object' || typeof b !== 'object' || a === null || b === null)
    return isDeepStrictEqual(a, b);
  return Object.entries(b).every(([key, value]) =>
    isDeepStrictEqual((a as Record<string, unknown>)[key], value),
  );
}

/**
 * One change of a versioned record: its row is held, a version that has moved on is refused with both texts,
 * and what was and what is are remembered. Gives the version that now stands. @throws HttpError 404, 409
 */
export async function versioned<R extends { readonly version: number }>(
  tx: Tx,
  c: Change<R>,
): Promise<number> {
  const before = await c.read(tx);
  if (!before) throw notFound(c.what);
  if (before.version !== c.version) throw conflict(before, c.mine);
  const was = c.kept ? c.kept(before) : before;
  if (stands(c.kept ? was : before, c.mine, c.kept !== undefined)) return before.version;
  const after = await c.write(tx, before);
  await remember(tx, c.what, c.id, c.who.id, c.did, was, after);
  return before.version + 1;
}
