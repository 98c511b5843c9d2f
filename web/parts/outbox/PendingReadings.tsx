import { ActionButton } from '../../shared/pieces.tsx';
import { waitingOf } from './readingsOutbox.ts';
import { outbox, useKept } from './useReadingsOutbox.ts';

const many = (n: number) => `${n} ${n === 1 ? 'reading' : 'readings'}`;

/**
 * In the band of every page: how many readings of this device still wait. One's own are sent; another's wait for
 * whoever wrote them to sign in.
 */
export function PendingReadings() {
  const kept = useKept();
  const [mine, others, unknown] = (['mine', 'other', 'unknown'] as const).map((w) => waitingOf(kept, w));
  const names = [...new Set(others!.map((k) => k.by?.name ?? ''))].filter(Boolean).join(', ');
  return (
    <span role="status" className="pending">
      {mine!.length > 0 && `${many(mine!.length)} waiting to be sent. `}
      {others!.length > 0 &&
        `${many(others!.length)} waiting for ${names || 'the person who took them'} to sign in. `}
      {unknown!.length > 0 && (
        <>
          {many(unknown!.length)} without a name.{' '}
          <ActionButton look="quiet" onClick={() => void outbox().claim()}>
            Send as mine
          </ActionButton>
        </>
      )}
    </span>
  );
}
