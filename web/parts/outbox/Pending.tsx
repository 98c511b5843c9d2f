import type { Whose } from '../../offline/author.ts';
import { ActionButton } from '../../shared/pieces.tsx';
import { claimAll, useAllWaiting } from './queue.ts';

const counted = (n: number, one: string, many: string) => (n === 0 ? [] : [`${n} ${n === 1 ? one : many}`]);

/**
 * In the band of every page: how much of this device still waits, of the tape, of fittings and of the bench. One's own is
 * sent; another's waits for whoever wrote it to sign in.
 */
export function Pending() {
  const all = useAllWaiting();
  const of = (writer: Whose) => {
    const own = all.filter((w) => w.whose === writer);
    const number = (is: 'reading' | 'entry') => own.filter((w) => w.is === is).length;
    return {
      says: [
        ...counted(number('reading'), 'reading', 'readings'),
        ...counted(number('entry'), 'entry', 'entries'),
      ].join(' and '),
      names: [...new Set(own.map((w) => w.name))].filter(Boolean).join(', '),
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
          <ActionButton look="quiet" onClick={claimAll}>
            Send as mine
          </ActionButton>
        </>
      )}
    </span>
  );
}
