import type { BenchWork } from '@rocchetto/contract';
import { InputNumber } from 'antd';
import { useState } from 'react';
import { useDoneWorkMutation } from '../../api/bench.ts';
import { useMay } from '../../shared/me.ts';

/**
 * Whether a piece of bench work is done, ticked by whoever did it; the tick shows at once and goes back when it is
 * refused. Work of a plan also asks how long it took: what later plans are reckoned by.
 */
export function DoneBox({ of: w }: { of: BenchWork }) {
  const may = useMay('diary.ready');
  const [done] = useDoneWorkMutation();
  const [wanted, setWanted] = useState<{ version: number; done: boolean } | null>(null);
  const [took, setTook] = useState<number | null>(w.took);
  const waits = wanted?.version === w.version;
  const send = async (isDone: boolean) => {
    if (waits) return;
    setWanted({ version: w.version, done: isDone });
    if ('error' in (await done({ id: w.id, version: w.version, done: isDone, took }))) setWanted(null);
  };
  const shown = waits ? wanted.done : w.doneAt !== null;
  return (
    <>
      <input
        type="checkbox"
        aria-label={`${w.what}, ${w.orderNumber}: done`}
        checked={shown}
        disabled={!may || w.alterationId !== null}
        onChange={(e) => void send(e.target.checked)}
      />
      {may && w.step !== null && (
        <InputNumber
          className="took"
          size="small"
          aria-label={`${w.what}, ${w.orderNumber}: minutes it took`}
          placeholder="took, min"
          min={1}
          max={2880}
          precision={0}
          value={took}
          onChange={setTook}
          onBlur={() => shown && took !== w.took && void send(true)}
          onPressEnter={() => void send(true)}
        />
      )}
    </>
  );
}
