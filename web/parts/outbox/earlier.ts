import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { DeviceBook, KeptWrite } from './device-book.ts';

/** What an earlier build kept of the fitting: rows without a path are changes that were asked for. */
type EarlierWrite = Omit<KeptWrite, 'path'> & { path?: string };
interface EarlierReadings extends DBSchema {
  session: DeviceBook['session'];
  reading: DeviceBook['reading'];
}
interface EarlierWrites extends DBSchema {
  ask: { key: string; value: EarlierWrite };
}
const upgradeWrite = (row: EarlierWrite): KeptWrite =>
  row.path === undefined
    ? { ...row, is: 'ask', path: `/orders/${row.orderId}/alterations`, says: '' }
    : { ...row, path: row.path };

/**
 * Takes over what an earlier build kept in two databases. Each row is here before it goes there, so that a page that
 * ends in between loses none; the databases stay, empty, since a tab of the earlier build may still write into them.
 */
export async function takeOverEarlier(book: IDBPDatabase<DeviceBook>): Promise<void> {
  const there = new Set((await indexedDB.databases()).map((d) => d.name));
  if (there.has('rocchetto')) {
    const db = await openDB<EarlierReadings>('rocchetto');
    if (db.objectStoreNames.contains('reading')) {
      for (const row of await db.getAll('session')) await book.put('session', row);
      for (const row of await db.getAll('reading')) {
        await book.put('reading', row);
        await db.delete('reading', row.id);
      }
      await db.clear('session');
    }
    db.close();
  }
  if (there.has('rocchetto-asked')) {
    const db = await openDB<EarlierWrites>('rocchetto-asked');
    if (db.objectStoreNames.contains('ask'))
      for (const row of await db.getAll('ask')) {
        await book.put('write', upgradeWrite(row));
        await db.delete('ask', row.id);
      }
    db.close();
  }
}
