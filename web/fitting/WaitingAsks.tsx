import { toAsked, writtenOf } from '@rocchetto/contract/alterations.ts';
import { type SheetUnit, tell } from '@rocchetto/core';
import { alterationSentence } from '@rocchetto/core/alter/index.ts';
import type { WaitingAsk } from './askOutbox.ts';
import { askOutbox, useWaitingAsks } from './useAsks.ts';

interface Props {
  readonly orderId: number;
  readonly unit: SheetUnit;
  /** a refused one goes back into the form */
  readonly onTakeUp: (w: WaitingAsk) => void;
}

/** What was asked for on this device and has not reached the book yet: it is safe here, and sent when the network is back. */
export function WaitingAsks({ orderId, unit, onTakeUp }: Props) {
  const waiting = useWaitingAsks().filter((w) => w.orderId === orderId);
  if (waiting.length === 0) return null;
  return (
    <ul className="readback" aria-label="Waiting to be sent">
      {waiting.map((w) => (
        <li key={w.id}>
          {tell(alterationSentence(toAsked(w.body.asked), writtenOf(w.body.asked)), unit)}{' '}
          {w.refused === '' ? (
            <span className="pending">kept here, waits to be sent</span>
          ) : (
            <>
              <span className="tight">{w.refused}</span>{' '}
              <button
                type="button"
                className="quiet"
                onClick={() => {
                  onTakeUp(w);
                  void askOutbox().drop(w.id);
                }}
              >
                take it up again
              </button>
              <button type="button" className="quiet" onClick={() => void askOutbox().drop(w.id)}>
                drop it
              </button>
            </>
          )}
        </li>
      ))}
    </ul>
  );
}
