import type { BenchWork } from '@rocchetto/contract';
import { useState } from 'react';
import { useDoneWorkMutation } from '../../api/bench.ts';
import { useMay } from '../../shared/me.ts';
import { TextField, Tick } from '../../shared/pieces.tsx';

/**
 * Whether a piece of bench work is done, ticked by whoever did it; the tick shows at once and goes back when it is
 * refused. Work of a plan also asks how long it took: what later plans are reckoned by.
 */
export function DoneBox({ of: w }: { of: BenchWork }) {
  const may = useMay('diary.ready');
  const [done] = useDoneWorkMutation();
  const [wanted, setWanted] = useState<{ version: number; done: boolean } | null>(null);
  const told = w.took === null ? '' : String(w.took);
  // A field of its own: the days it stands on do without the component library.
  const [took, setTook] = useState(told);
  const waits = wanted?.version === w.version;
  const send = async (isDone: boolean) => {
    if (waits) return;
    setWanted({ version: w.version, done: isDone });
    if (
      'error' in
      (await done({ id: w.id, version: w.version, done: isDone, took: Math.min(Number(took), 2880) || null }))
    )
      setWanted(null);
  };
  const shown = waits ? wanted.done : w.doneAt !== null;
  return (
    <>
      <Tick
        aria-label={`${w.what}, ${w.orderNumber}: done`}
        checked={shown}
        disabled={!may || w.alterationId !== null}
        onChange={(e) => void send(e.target.checked)}
      />
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
