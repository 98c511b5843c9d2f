import type { DBSchema, IDBPDatabase, StoreNames, StoreValue } from 'idb';

const UNDER_WAY = 'rocchetto-under-way:';

/** Written in the turn in which it is called, under a key of its own; '' where this browser gives no such room. */
function note(store: string, row: object): string {
  const key = UNDER_WAY + crypto.randomUUID();
  try {
    localStorage.setItem(key, JSON.stringify({ version: 1, store, row }));
    return key;
  } catch {
    return '';
  }
}

/**
 * Puts one row and commits at once. That alone does not keep the figure of a fast hand: a page that is left drops what
 * stands in the database's queue behind another write, committed or not (46 of 100 in a trial). So the row is noted
 * first where writing is done when the call returns, and the note goes once the row is there; the next page takes over
 * what stayed. Resolves once the row is there. @throws when the browser cannot keep it; then no note stays either
 */
export async function putNow<S extends DBSchema, N extends StoreNames<S> & string>(
  opening: Promise<IDBPDatabase<S>>,
  store: N,
  row: StoreValue<S, N> & object,
  /** false for what is no text, as a photograph's bytes */
  noted = true,
): Promise<void> {
  const key = noted ? note(store, row) : '';
  try {
    const db = await opening;
    const tx = db.transaction(store, 'readwrite');
    const put = tx.objectStore(store).put(row);
    tx.commit();
    await Promise.all([put, tx.done]);
  } finally {
    if (key) localStorage.removeItem(key);
  }
}

/** One note taken over, and gone; a row that is there already stays as it is. @throws where it cannot be put yet */
async function takeOver<S extends DBSchema>(db: IDBPDatabase<S>, key: string): Promise<void> {
  const noted = JSON.parse(localStorage.getItem(key) ?? 'null') as {
    version: number;
    store: StoreNames<S>;
    row: StoreValue<S, StoreNames<S>>;
  } | null;
  // A later build's note is for a page of that build.
  if (noted?.version !== 1 || !db.objectStoreNames.contains(noted.store)) return;
  await db.add(noted.store, noted.row).catch((e: unknown) => {
    if (!(e instanceof DOMException && e.name === 'ConstraintError')) throw e;
  });
  localStorage.removeItem(key);
}

/** What pages that were left had noted and not put yet. One that cannot be taken over stays, and holds up no other. */
export async function takeOverNoted<S extends DBSchema>(db: IDBPDatabase<S>): Promise<void> {
  for (const key of Object.keys(localStorage).filter((k) => k.startsWith(UNDER_WAY)))
    await takeOver(db, key).catch(() => undefined);
}
