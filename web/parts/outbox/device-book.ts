import type { ReadingWire, SessionWrite } from '@rocchetto/contract';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Author } from '../../offline/author.ts';

/** A reading on this device: kept before it is sent, and kept after, until it is a week old. */
export interface KeptReading {
  readonly reading: ReadingWire;
  readonly sessionId: string;
  /** order of taking on this device */
  readonly seq: number;
  readonly sent: boolean;
  /** the server's sentence when it would not take it */
  readonly refused: string;
  /** who wrote it: it goes under their sign-in only. Absent in what an earlier build kept */
  readonly by?: Author;
}

/**
 * What a hand writes while it works, network or not: a change asked for, a step of one, pins counted, points measured, a
 * photograph; a piece ticked; a question, what a client likes; work that is done.
 */
export interface DeviceWrite {
  readonly orderId: number;
  readonly is: 'ask' | 'step' | 'pins' | 'points' | 'photo' | 'tick' | 'question' | 'like' | 'work';
  /** where it goes, below /api; '' for a step of a change that has not reached the book itself */
  readonly path: string;
  /** a photograph is its own bytes */
  readonly body: object;
  /** in words, lengths kept open */
  readonly says: string;
  /** the change on this device that it is a step of */
  readonly after?: string;
  /** the page where it was written, and is put right; the order’s fitting where it does not say */
  readonly at?: string;
  /** its body’s version is that of the screen: what this device has done since is not somebody else’s */
  readonly onTop?: boolean;
}
/** One that has not reached the studio’s book yet. */
export interface KeptWrite extends DeviceWrite {
  /** also its key: sent twice it is made once */
  readonly id: string;
  /** order of writing */
  readonly seq: number;
  /** the server’s sentence when it would not take it */
  readonly refused: string;
  /** its first try is still under way: it does not wait yet */
  readonly first?: boolean;
  /** who wrote it: it goes under their sign-in only. Absent in what an earlier build kept */
  readonly by?: Author;
}
/** What a hand did on this device, until the studio’s book has it: the one database of this browser. */
export interface DeviceBook extends DBSchema {
  session: { key: string; value: { session: SessionWrite; by: number } };
  reading: { key: string; value: KeptReading & { id: string } };
  write: { key: string; value: KeptWrite };
}
export type DeviceDb = Promise<IDBPDatabase<DeviceBook>>;

/** @throws where this browser keeps nothing, at once or later */
export const openDeviceBook = (): DeviceDb =>
  Promise.resolve().then(() =>
    openDB<DeviceBook>('rocchetto-device', 1, {
      upgrade(db) {
        db.createObjectStore('session', { keyPath: 'session.id' });
        db.createObjectStore('reading', { keyPath: 'id' });
        db.createObjectStore('write', { keyPath: 'id' });
      },
      // A later build that wants another shape is not held up by this page.
      blocking: (_, __, event) => (event.target as IDBDatabase).close(),
    }),
  );
