import { useSyncExternalStore } from 'react';
import { type Whose, whose } from '../../offline/author.ts';
import { ActionButton } from '../../shared/pieces.tsx';
import { waitingOf } from './readingsOutbox.ts';
import { fittingOutbox } from './useFittingOutbox.ts';
import { outbox, useKept } from './useReadingsOutbox.ts';

const counted = (n: number, one: string, many: string) => (n === 0 ? [] : [`${n} ${n === 1 ? one : many}`]);

/**
 * In the band of every page: how much of this device still waits, of the tape and of fittings. One's own is sent;
 * another's waits for whoever wrote it to sign in.
 */
export function Pending() {
  const kept = useKept();
  const entries = useSyncExternalStore(fittingOutbox().subscribe, fittingOutbox().snapshot).filter(
    // One whose first try is still under way does not wait yet.
    (w) => w.refused === '' && !w.first,
  );
  const of = (writer: Whose) => {
    // What was refused does not wait: it is told with its sentence.
    const readings = waitingOf(kept, writer).filter((k) => k.refused === '');
    const own = entries.filter((w) => whose(w.by) === writer);
    return {
      says: [
        ...counted(readings.length, 'reading', 'readings'),
        ...counted(own.length, 'fitting entry', 'fitting entries'),
      ].join(' and '),
      names: [...new Set([...readings, ...own].map((w) => w.by?.name ?? ''))].filter(Boolean).join(', '),
    };
  };
  const [mine, others, unknown] = [of('mine'), of('other'), of('unknown')];
  return (
    <span role="status" className="pending">
      {mine.says && `${mine.says} waiting to be sent. `}
      {others.says &&
        `${others.says} waiting for ${others.names || 'the person who wrote them'} to sign in. `}
      {unknown.says && (
        <>
          {unknown.says} without a name.{' '}
          <ActionButton
            look="quiet"
            onClick={() => {
              void outbox().claim();
              void fittingOutbox().claim();
            }}
          >
            Send as mine
          </ActionButton>
        </>
      )}
    </span>
  );
}
