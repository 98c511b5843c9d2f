import { useSyncExternalStore } from 'react';
import { api, LIST } from '../../api/base.ts';
import { store } from '../../api/store.ts';
import { FittingOutbox } from './fittingOutbox.ts';

let one: FittingOutbox | undefined;

/** The device’s one outbox of what is written at fittings. */
export function fittingOutbox(): FittingOutbox {
  one ??= new FittingOutbox((orderId) =>
    store.dispatch(
      api.util.invalidateTags([
        { type: 'Alterations', id: orderId },
        { type: 'Alterations', id: LIST },
        { type: 'Order', id: orderId },
        { type: 'Sheet', id: orderId },
      ]),
    ),
  );
  return one;
}

/** What of an order waits to be sent, in order. */
export const useWaiting = (orderId: number) =>
  useSyncExternalStore(fittingOutbox().subscribe, fittingOutbox().snapshot).filter(
    (w) => w.orderId === orderId,
  );
