import type { Lay } from '@rocchetto/core/lay/lay.ts';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Ask, Rung, Told } from './search.worker.ts';

export interface Searching {
  readonly state: 'idle' | 'laying' | 'ladder';
  /** seconds that the last search took */
  readonly seconds: number;
  readonly rungs: readonly Rung[];
  readonly failed: string;
  readonly start: (ask: Ask, better: (lay: Lay) => void) => void;
  readonly stop: () => void;
  readonly clear: () => void;
}

/** Looks for lays in a thread of its own: each better one is told at once, and it ends when the page is left. */
export function useSearch(): Searching {
  const worker = useRef<Worker | null>(null);
  const begun = useRef(0);
  const [state, setState] = useState<Searching['state']>('idle');
  const [seconds, setSeconds] = useState(0);
  const [rungs, setRungs] = useState<readonly Rung[]>([]);
  const [failed, setFailed] = useState('');
  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    if (begun.current > 0) setSeconds(Math.round((performance.now() - begun.current) / 100) / 10);
    begun.current = 0;
    setState('idle');
  }, []);
  useEffect(() => () => worker.current?.terminate(), []);
  const clear = useCallback(() => setRungs([]), []);
  return {
    state,
    seconds,
    rungs,
    failed,
    stop,
    clear,
    start: (ask, better) => {
      worker.current?.terminate();
      const own = new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' });
      worker.current = own;
      begun.current = performance.now();
      setFailed('');
      if (ask.kind === 'ladder') setRungs([]);
      setState(ask.kind === 'ladder' ? 'ladder' : 'laying');
      own.onmessage = ({ data }: MessageEvent<Told>) => {
        if (worker.current !== own) return;
        if (data.kind === 'better') better(data.lay);
        else if (data.kind === 'rung') setRungs((r) => [...r, data.rung]);
        else stop();
      };
      own.onerror = () => {
        if (worker.current !== own) return;
        stop();
        setFailed('The search stopped by itself. What lies on the cloth is kept; start it again.');
      };
      own.postMessage(ask);
    },
  };
}
