import type { BenchWork } from '@rocchetto/contract';
import { useState } from 'react';
import { useMay } from '../../shared/me.ts';
import { TextField, Tick } from '../../shared/pieces.tsx';
import { useWaiting } from '../outbox/queue.ts';
import { useWrite } from '../outbox/useWrite.tsx';

/**
 * Whether a piece of bench work is done, ticked by whoever did it; the tick shows at once and goes back when it is
 * refused. Work of a plan also asks how long it took: what later plans are reckoned by.
 */
export function DoneBox({ work: w }: { work: BenchWork }) {
  const may = useMay('diary.ready');
  const { write, wrong, busy } = useWrite();
  const [wanted, setWanted] = useState<{ version: number; done: boolean } | null>(null);
  const told = w.took === null ? '' : String(w.took);
  // A field of its own: the days it stands on do without the component library.
  const [took, setTook] = useState(told);
  const path = `/bench/${w.id}/done`;
  const waiting = useWaiting(w.orderId).findLast((x) => x.path === path && x.refused === '');
  const send = async (done: boolean) => {
    if (busy) return;
    setWanted({ version: w.version, done });
    const tried = await write({
      orderId: w.orderId,
      is: 'work',
      path,
      body: { version: w.version, done, took: Math.min(Number(took), 2880) || null },
      says: `${w.what}: ${done ? 'done' : 'not done'}.`,
      onTop: true,
    });
    if (tried.is === 'refused') setWanted(null);
  };
  const shown =
    wanted?.version === w.version
      ? wanted.done
      : waiting
        ? (waiting.body as { done: boolean }).done
        : w.doneAt !== null;
  return (
    <>
      <Tick
        aria-label={`${w.what}, ${w.orderNumber}: done`}
        checked={shown}
        disabled={!may || w.alterationId !== null}
        onChange={(e) => void send(e.target.checked)}
      />
      {waiting && !waiting.first && <span className="pending">saved here, not sent yet</span>}
      {wrong && (
        <span className="tight" role="alert">
          {wrong}
        </span>
      )}
      {may && w.step !== null && (
        <TextField
          bare
          className="took"
          inputMode="numeric"
          aria-label={`${w.what}, ${w.orderNumber}: minutes it took`}
          placeholder="took, min"
          value={took}
          onChange={(e) => setTook(e.target.value.replace(/\D/g, '').slice(0, 4))}
          onBlur={() => shown && took !== told && void send(true)}
          onKeyDown={(e) => {
            if (e.key !== 'Enter') return;
            e.preventDefault();
            void send(true);
          }}
        />
      )}
    </>
  );
}
