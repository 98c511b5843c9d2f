import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { type DBSchema, openDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { putNow, takeOverNoted } from './put-now.ts';

interface Trial extends DBSchema {
  figure: { key: string; value: { id: string; text: string } };
}
const open = () =>
  openDB<Trial>('trial', 1, { upgrade: (db) => db.createObjectStore('figure', { keyPath: 'id' }) });

/** As the browser's own: its entries are its properties. */
const noteBook = () => {
  const entries: Record<string, string> = {};
  return Object.defineProperties(entries, {
    getItem: { value: (k: string) => entries[k] ?? null },
    setItem: { value: (k: string, v: string) => void Object.assign(entries, { [k]: v }) },
    removeItem: { value: (k: string) => void delete entries[k] },
  }) as unknown as Storage;
};
let notes: Storage;
beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  notes = noteBook();
  vi.stubGlobal('localStorage', notes);
});
afterEach(() => vi.unstubAllGlobals());
const never = new Promise<never>(() => undefined);

describe('a row is noted before the call returns', () => {
  it('and the note goes once the row is there', async () => {
    const putting = putNow(open(), 'figure', { id: 'a', text: '70' });
    expect(Object.values(notes)).toEqual([expect.stringContaining('"70"')]);
    await putting;
    expect(Object.keys(notes)).toEqual([]);
    expect(await (await open()).getAll('figure')).toEqual([{ id: 'a', text: '70' }]);
  });

  it('so that the next page has what a page that was left had not put', async () => {
    void putNow<Trial, 'figure'>(never, 'figure', { id: 'a', text: '70' });
    void putNow<Trial, 'figure'>(never, 'figure', { id: 'b', text: '98' });
    const db = await open();
    await takeOverNoted(db);
    expect(await db.getAll('figure')).toEqual([
      { id: 'a', text: '70' },
      { id: 'b', text: '98' },
    ]);
    expect(Object.keys(notes)).toEqual([]);
  });

  it('and a row that came there after all stays as it is', async () => {
    void putNow<Trial, 'figure'>(never, 'figure', { id: 'a', text: '70' });
    const db = await open();
    await db.put('figure', { id: 'a', text: '70, sent' });
    await takeOverNoted(db);
    expect(await db.getAll('figure')).toEqual([{ id: 'a', text: '70, sent' }]);
    expect(Object.keys(notes)).toEqual([]);
  });

  it('and none stays where the browser keeps nothing: it is told, and the hand enters it again', async () => {
    const closed = Promise.reject(new Error('private window'));
    await expect(putNow<Trial, 'figure'>(closed, 'figure', { id: 'a', text: '70' })).rejects.toThrow(
      'private',
    );
    expect(Object.keys(notes)).toEqual([]);
  });

  it('a browser without room for notes keeps the row all the same', async () => {
    vi.stubGlobal('localStorage', undefined);
    await putNow(open(), 'figure', { id: 'a', text: '70' });
    expect(await (await open()).getAll('figure')).toHaveLength(1);
  });

  it('a photograph is not noted, and what a later build noted waits for its page', async () => {
    void putNow<Trial, 'figure'>(never, 'figure', { id: 'a', text: 'bytes' }, false);
    expect(Object.keys(notes)).toEqual([]);
    notes.setItem('rocchetto-under-way:x', JSON.stringify({ version: 2, store: 'figure', row: { id: 'z' } }));
    notes.setItem('another', 'x');
    const db = await open();
    await takeOverNoted(db);
    expect(await db.getAll('figure')).toEqual([]);
    expect(Object.keys(notes)).toEqual(['rocchetto-under-way:x', 'another']);
  });

  it('a note that cannot be read holds up no other', async () => {
    notes.setItem('rocchetto-under-way:1', '{"version": 1, "store": "fig');
    notes.setItem(
      'rocchetto-under-way:2',
      JSON.stringify({ version: 1, store: 'figure', row: { text: 'no id' } }),
    );
    void putNow<Trial, 'figure'>(never, 'figure', { id: 'a', text: '70' });
    const db = await open();
    await takeOverNoted(db);
    expect(await db.getAll('figure')).toEqual([{ id: 'a', text: '70' }]);
    expect(Object.keys(notes)).toEqual(['rocchetto-under-way:1', 'rocchetto-under-way:2']);
  });
});
