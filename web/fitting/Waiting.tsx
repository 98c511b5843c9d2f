import type { AlterationWrite } from '@rocchetto/contract';
import { type SheetUnit, tell } from '@rocchetto/core';
import type { Waiting as One } from './fittingOutbox.ts';
import { fittingOutbox, useWaiting } from './useOutbox.ts';
import { sentenceOf } from './words.ts';

interface Props {
  readonly orderId: number;
  readonly unit: SheetUnit;
  /** a refused change goes back into the form */
  readonly onTakeUp: (asked: AlterationWrite) => void;
}

/** What a waiting one says. */
export const saysOf = (w: One): string =>
  w.is === 'ask' ? sentenceOf((w.body as AlterationWrite).asked) : w.says;

/** What was written on this device and has not reached the book yet: it is safe here, and sent when the network is back. */
export function Waiting({ orderId, unit, onTakeUp }: Props) {
  const waiting = useWaiting(orderId).filter((w) => !w.first);
  if (waiting.length === 0) return null;
  return (
    <ul className="readback" aria-label="Waiting to be sent">
      {waiting.map((w) => (
        <li key={w.id}>
          {tell(saysOf(w), unit)}{' '}
          {w.refused === '' ? (
            <span className="pending">
              {w.path === '' ? 'kept here, follows its change' : 'kept here, waits to be sent'}
            </span>
          ) : (
            <>
              <span className="tight">{w.refused}</span>{' '}
              {w.is === 'ask' && (
                <button
                  type="button"
                  className="quiet"
                  onClick={() => {
                    onTakeUp(w.body as AlterationWrite);
                    void fittingOutbox().drop(w.id);
                  }}
                >
                  take it up again
                </button>
              )}
              <button type="button" className="quiet" onClick={() => void fittingOutbox().drop(w.id)}>
                drop it
              </button>
            </>
          )}
        </li>
      ))}
    </ul>
  );
}
