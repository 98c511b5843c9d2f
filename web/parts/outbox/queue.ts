import type { SessionWrite } from '@rocchetto/contract';
import { useSyncExternalStore } from 'react';
import { useLocation } from 'react-router';
import { api, LIST } from '../../api/base.ts';
import { store } from '../../api/store.ts';
import { type Whose, whose } from '../../offline/author.ts';
import { takeOverNoted } from '../../offline/put-now.ts';
import { type DeviceWrite, openDeviceBook } from './device-book.ts';
import { takeOverEarlier } from './earlier.ts';
import { Readings } from './readings.ts';
import { Writes } from './writes.ts';

/** What a hand does on this device, network or not: one database, and what waits in it goes by itself. */
export interface DeviceQueue {
  readonly readings: Readings;
  readonly writes: Writes;
}

/** @param told what has reached the studio’s book, or was refused by it */
export function openQueue(told: {
  readonly reading: (session: SessionWrite) => void;
  readonly write: (write: DeviceWrite) => void;
}): DeviceQueue {
  const db = openDeviceBook();
  // What an earlier build kept is looked for once, and what a page that was left had begun to keep; where this browser
  // keeps nothing there is none.
  const ready = db.then(
    async (book) => {
      await takeOverNoted(book).catch(() => undefined);
      await takeOverEarlier(book).catch(() => undefined);
    },
    () => undefined,
  );
  return {
    readings: new Readings(db, ready, told.reading),
    writes: new Writes(db, ready, told.write),
  };
}

let one: DeviceQueue | undefined;
/** The device’s one queue. What it sends is asked for anew where it shows, and nothing else. */
function queue(): DeviceQueue {
  one ??= openQueue({
    reading: ({ id, clientId, orderId }) =>
      store.dispatch(
        api.util.invalidateTags([
          { type: 'Session', id },
          { type: 'Client', id: clientId },
          ...(orderId === null
            ? []
            : [
                { type: 'Order' as const, id: orderId },
                { type: 'Order' as const, id: LIST },
                { type: 'Sheet' as const, id: orderId },
              ]),
        ]),
      ),
    write: ({ is, orderId: id }) =>
      store.dispatch(
        api.util.invalidateTags([
          { type: 'Alterations', id },
          { type: 'Alterations', id: LIST },
          // A tick moves nobody's day: neither the diary nor free times are asked for again.
          ...(is === 'tick'
            ? []
            : [
                { type: 'Order' as const, id },
                { type: 'Sheet' as const, id },
              ]),
          ...(is === 'like' || is === 'question' ? ['Client' as const] : []),
          ...(is === 'work' || is === 'step' ? [{ type: 'Order' as const, id: LIST }, 'Diary' as const] : []),
        ]),
      ),
  });
  return one;
}
export const readings = (): Readings => queue().readings;
export const writes = (): Writes => queue().writes;

export const useKept = () => useSyncExternalStore(readings().subscribe, readings().snapshot);
const useWrites = () => useSyncExternalStore(writes().subscribe, writes().snapshot);

/** What of an order waits to be sent, in order. */
export const useWaiting = (orderId: number) => useWrites().filter((w) => w.orderId === orderId);

/** What was written of an order on the page that is open, and waits or was refused. */
export function useWaitingHere(orderId: number, ...kinds: readonly DeviceWrite['is'][]) {
  const { pathname } = useLocation();
  return useWaiting(orderId).filter((w) => w.at === pathname && (kinds.length === 0 || kinds.includes(w.is)));
}

/** One that waits on this device, of whatever kind. */
export interface Waits {
  readonly id: string;
  readonly is: 'reading' | 'entry';
  readonly whose: Whose;
  readonly name: string;
}
/** All that waits on this device; what was refused does not wait: it is told with its sentence. */
export function useAllWaiting(): readonly Waits[] {
  const kept = useKept();
  const entries = useWrites();
  return [
    ...kept
      .filter((k) => !k.sent && k.refused === '')
      .map((k) => ({ id: k.reading.id, is: 'reading' as const, whose: whose(k.by), name: k.by?.name ?? '' })),
    // One whose first try is still under way does not wait yet.
    ...entries
      .filter((w) => w.refused === '' && !w.first)
      .map((w) => ({ id: w.id, is: 'entry' as const, whose: whose(w.by), name: w.by?.name ?? '' })),
  ];
}

/** What the studio would not take of whoever is signed in here. */
export function useRefused() {
  const kept = useKept();
  const entries = useWrites();
  return {
    readings: kept.filter((k) => k.refused !== '' && whose(k.by) === 'mine'),
    writes: entries.filter((w) => w.refused !== '' && whose(w.by) === 'mine'),
  };
}

/** Whoever is signed in says that what an earlier build kept without a name is theirs. */
export function claimAll(): void {
  void readings().claim();
  void writes().claim();
}
