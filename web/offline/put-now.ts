import type { DBSchema, IDBPDatabase, StoreNames, StoreValue } from 'idb';

/**
 * Puts one row and commits at once, in one turn of the page: from then on the browser finishes it by itself, even where
 * the page is left or closed in the next moment. A transaction that waits to commit by itself dies with its page, and the
 * figure of a fast hand with it. Resolves once the row is there. @throws when the browser cannot keep it
 */
export async function putNow<S extends DBSchema, N extends StoreNames<S>>(
  db: IDBPDatabase<S>,
  store: N,
  row: StoreValue<S, N>,
): Promise<void> {
  const tx = db.transaction(store, 'readwrite');
  const put = tx.objectStore(store).put(row);
  tx.commit();
  await Promise.all([put, tx.done]);
}
