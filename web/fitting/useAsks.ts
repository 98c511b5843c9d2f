import { useSyncExternalStore } from 'react';
import { api, LIST } from '../api/base.ts';
import { store } from '../api/store.ts';
import { AskOutbox } from './askOutbox.ts';

let one: AskOutbox | undefined;

/** The device’s one outbox of changes that were asked for. */
export function askOutbox(): AskOutbox {
  one ??= new AskOutbox((orderId) =>
    store.dispatch(
      api.util.invalidateTags([
        { type: 'Alterations', id: orderId },
        { type: 'Alterations', id: LIST },
        { type: 'Order', id: orderId },
      ]),
    ),
  );
  return one;
}

export const useWaitingAsks = () => useSyncExternalStore(askOutbox().subscribe, askOutbox().snapshot);
