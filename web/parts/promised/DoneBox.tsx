import type { BenchWork } from '@rocchetto/contract';
import { useState } from 'react';
import { useDoneWorkMutation } from '../../api/bench.ts';
import { useMay } from '../../shared/me.ts';

/** Whether a piece of bench work is done, ticked by whoever did it; the tick shows at once and goes back when it is refused. */
export function DoneBox({ of: w }: { of: BenchWork }) {
  const may = useMay('diary.ready');
  const [done] = useDoneWorkMutation();
  const [wanted, setWanted] = useState<{ version: number; done: boolean } | null>(null);
  const waits = wanted?.version === w.version;
  return (
    <input
      type="checkbox"
      aria-label={`${w.what}, ${w.orderNumber}: done`}
      checked={waits ? wanted.done : w.doneAt !== null}
      disabled={!may || w.alterationId !== null}
      onChange={async (e) => {
        if (waits) return;
        const want = { version: w.version, done: e.target.checked };
        setWanted(want);
        if ('error' in (await done({ id: w.id, ...want }))) setWanted(null);
      }}
    />
  );
}
