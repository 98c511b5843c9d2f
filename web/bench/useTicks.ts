import type { AlterationView, BoxView } from '@rocchetto/contract';
import { useEffect, useState } from 'react';
import { useTickMutation } from '../fitting/api.ts';

type To = 'done' | 'open' | 'struck';
interface Wanted {
  readonly to: To;
  readonly reason: string;
  /** the server has it; what it answers next counts again */
  readonly kept: boolean;
}

/**
 * The pieces of an alteration as this hand has ticked them: a tick shows at once, stays while older answers still come
 * in, and goes back when it is refused.
 */
export function useTicks(a: AlterationView) {
  const [send, { error }] = useTickMutation();
  const [wanted, setWanted] = useState<ReadonlyMap<string, Wanted>>(new Map());
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a new answer takes the place of what was ticked
  useEffect(() => {
    setWanted((now) => new Map([...now].filter(([, w]) => !w.kept)));
  }, [a.boxes]);
  const put = (box: string, w: Wanted | null) =>
    setWanted((now) => {
      const next = new Map(now);
      if (w) next.set(box, w);
      else next.delete(box);
      return next;
    });
  const tick = async (box: string, to: To, reason = ''): Promise<boolean> => {
    put(box, { to, reason, kept: false });
    const done = await send({ id: a.id, orderId: a.orderId, box, to, reason });
    const kept = 'data' in done;
    put(box, kept ? { to, reason, kept } : null);
    return kept;
  };
  const boxes = a.boxes.map((b): BoxView => {
    const w = wanted.get(b.id);
    if (!w) return b;
    return {
      ...b,
      doneAt: w.to === 'done' ? (b.doneAt ?? 'now') : null,
      struck: w.to === 'struck' ? w.reason : null,
    };
  });
  return { boxes, tick, error, pending: [...wanted.values()].some((w) => !w.kept) };
}
