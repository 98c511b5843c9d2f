import { hearTape, NOTHING_HEARD, type TapeHeard, type TapeLine, tapeNote } from '@rocchetto/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import { tapeAir } from '../../parts/tape/tapeAir.ts';

/** ms */
const AT_ONCE = 150;

export interface DigitalTape {
  readonly state: 'off' | 'listening' | 'held elsewhere';
  readonly listen: () => void;
  readonly stop: () => void;
  /** the reading to put in now; its counter tells one from the next */
  readonly now: (TapeLine & { readonly count: number }) | null;
  /** readings that came late or while a hand was at something: offered, not put in */
  readonly offered: readonly TapeLine[];
  readonly settle: (line: TapeLine) => void;
  /** a hand was at something: it is offered instead */
  readonly offer: (line: TapeLine) => void;
  /** puts an offered one in after all */
  readonly use: (line: TapeLine) => void;
  /** said of lines that were no readings */
  readonly garbage: { readonly count: number; readonly sentence: string };
}

/**
 * Listens to the tape while a session is under way. One page of this browser holds the tape at a time; a press whose
 * note stands in the book already is a double, also after a reload.
 */
export function useDigitalTape(isKept: (note: string) => boolean): DigitalTape {
  const [state, setState] = useState<DigitalTape['state']>('off');
  const [now, setNow] = useState<DigitalTape['now']>(null);
  const [offered, setOffered] = useState<readonly TapeLine[]>([]);
  const [garbage, setGarbage] = useState({ count: 0, sentence: '' });
  const heard = useRef<TapeHeard>(NOTHING_HEARD);
  const count = useRef(0);
  const last = useRef(Number.NEGATIVE_INFINITY);
  const kept = useRef(isKept);
  useEffect(() => {
    kept.current = isKept;
  }, [isKept]);
  const release = useRef<() => void>(undefined);

  const put = useCallback((line: TapeLine) => {
    count.current += 1;
    setNow({ ...line, count: count.current });
  }, []);
  const offer = useCallback((line: TapeLine) => setOffered((all) => [...all.slice(-19), line]), []);
  const hear = useCallback(
    (raw: unknown) => {
      const { heard: after, event } = hearTape(heard.current, raw);
      heard.current = after;
      if (event.is === 'garbage') setGarbage((g) => ({ count: g.count + 1, sentence: event.sentence }));
      else if (event.is === 'double' || kept.current(tapeNote(event.line))) return;
      else if (event.is === 'late') offer(event.line);
      // No hand presses twice in so short a time: what comes on another's heels is shown before it is put in.
      else if (performance.now() - last.current < AT_ONCE) offer(event.line);
      else {
        last.current = performance.now();
        put(event.line);
      }
    },
    [put, offer],
  );
  const listen = useCallback(() => {
    if (release.current) return;
    void navigator.locks
      .request('rocchetto-tape', { ifAvailable: true }, (lock) => {
        if (!lock) return setState('held elsewhere');
        const air = tapeAir(hear);
        setState('listening');
        return new Promise<void>((done) => {
          release.current = () => {
            air.close();
            done();
          };
        });
      })
      .catch(() => setState('off'));
  }, [hear]);
  const stop = useCallback(() => {
    release.current?.();
    release.current = undefined;
    setState('off');
  }, []);
  useEffect(() => stop, [stop]);
  const settle = useCallback((line: TapeLine) => {
    setOffered((all) => all.filter((o) => o.device !== line.device || o.number !== line.number));
  }, []);
  return { state, listen, stop, now, offered, settle, offer, use: put, garbage };
}
