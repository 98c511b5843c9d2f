import type { AlterationWrite } from '@rocchetto/contract';
import { formatSentence, type SheetUnit } from '@rocchetto/core';
import { whose } from '../../offline/author.ts';
import type { KeptWrite as One } from '../../parts/outbox/device-book.ts';
import { useWaiting, writes } from '../../parts/outbox/queue.ts';
import { ActionButton } from '../../shared/pieces.tsx';
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

/** So many are listed; the rest is counted. */
const LISTED = 30;

/** What was written on this device and has not reached the book yet: it is safe here, and sent when the network is back. */
export function Waiting({ orderId, unit, onTakeUp }: Props) {
  // What was written in a place of its own (likes, questions, a job) is told there.
  const waiting = useWaiting(orderId).filter((w) => !w.first && w.at === undefined);
  const [mine, others, unknown] = (['mine', 'other', 'unknown'] as const).map((of) =>
    waiting.filter((w) => whose(w.by) === of),
  );
  if (waiting.length === 0) return null;
  const names = [...new Set(others!.map((w) => w.by!.name))].join(', ');
  return (
    <ul className="readback" aria-label="Waiting to be sent">
      {mine!.slice(0, LISTED).map((w) => (
        <Line key={w.id} write={w} unit={unit} onTakeUp={onTakeUp} />
      ))}
      {mine!.length > LISTED && <li className="pending">and {mine!.length - LISTED} more.</li>}
      {others!.length > 0 && (
        <li className="pending">
          {others!.length} {others!.length === 1 ? 'change is' : 'changes are'} saved on this device and will
          be sent when {names} signs in here.
        </li>
      )}
      {unknown!.length > 0 && (
        <li className="pending">
          {unknown!.length} {unknown!.length === 1 ? 'change was' : 'changes were'} saved here without a name.{' '}
          <ActionButton look="quiet" onClick={() => void writes().claim(orderId)}>
            Send as mine
          </ActionButton>
        </li>
      )}
    </ul>
  );
}

function Line({ write: w, unit, onTakeUp }: { write: One } & Pick<Props, 'unit' | 'onTakeUp'>) {
  return (
    <li>
      {formatSentence(saysOf(w), unit)}{' '}
      {w.refused === '' ? (
        <span className="pending">
          {w.path === '' ? 'saved here, sent after its change' : 'saved here, not sent yet'}
        </span>
      ) : (
        <>
          <span className="tight">{w.refused}</span>{' '}
          {w.is === 'ask' && (
            <ActionButton
              look="quiet"
              onClick={() => {
                onTakeUp(w.body as AlterationWrite);
                void writes().drop(w.id);
              }}
            >
              Edit again
            </ActionButton>
          )}
          <ActionButton look="quiet" onClick={() => void writes().drop(w.id)}>
            Remove
          </ActionButton>
        </>
      )}
    </li>
  );
}
