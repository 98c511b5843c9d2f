import { useSyncExternalStore } from 'react';
import { api } from '../api/api.ts';
import { store } from '../api/store.ts';
import { Outbox } from './outbox.ts';

let one: Outbox | undefined;

/** The device's one outbox. What it sends changes orders, sheets and sessions. */
export function outbox(): Outbox {
  one ??= new Outbox(() =>
    store.dispatch(api.util.invalidateTags(['Order', 'Orders', 'Sheet', 'Session', 'Client'])),
  );
  return one;
}

export const useKept = () => useSyncExternalStore(outbox().subscribe, outbox().snapshot);
