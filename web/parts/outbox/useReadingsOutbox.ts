import { useSyncExternalStore } from 'react';
import { api, LIST } from '../../api/base.ts';
import { store } from '../../api/store.ts';
import { Outbox } from './readingsOutbox.ts';

let one: Outbox | undefined;

/** The device's one outbox. What it sends changes a session, its order and that order's sheet, and nothing else. */
export function outbox(): Outbox {
  one ??= new Outbox(({ id, clientId, orderId }) =>
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
  );
  return one;
}

export const useKept = () => useSyncExternalStore(outbox().subscribe, outbox().snapshot);
