import type { AlterationView, BoxView } from '@rocchetto/contract';
import { useEffect, useState } from 'react';
import { useTickMutation } from '../../api/alterations.ts';
import { inLine } from '../../api/in-line.ts';

type To = 'done' | 'open' | 'struck';
interface Wanted {
  readonly to: To;
  readonly reason: string;
  /** answers that came since the server has it; null while it has not. One of them may have been asked for before. */
  readonly since: number | null;
}

/** Whether an answer shows what was wanted. */
const shows = (b: BoxView | undefined, w: Wanted): boolean =>
  b !== undefined &&
  (w.to === 'struck'
    ? b.struck === w.reason
    : b.struck === null && (b.doneAt !== null) === (w.to === 'done'));

/** What still stands before the answers that are on their way: all but what an answer shows, and what two have denied. */
export const afterAnswer = (
  wanted: ReadonlyMap<string, Wanted>,
  boxes: readonly BoxView[],
): ReadonlyMap<string, Wanted> =>
  new Map(
    [...wanted].flatMap(([id, w]): [string, Wanted][] => {
      if (w.since === null) return [[id, w]];
      return shows(
        boxes.find((b) => b.id === id),
        w,
      ) || w.since >= 1
        ? []
        : [[id, { ...w, since: w.since + 1 }]];
    }),
  );

/**
 * The pieces of an alteration as this hand has ticked them: a tick shows at once, stays while older answers still come
 * in, and goes back when it is refused.
 */
export function useTicks(a: AlterationView) {
  const [send, { error }] = useTickMutation();
  const [wanted, setWanted] = useState<ReadonlyMap<string, Wanted>>(new Map());
  useEffect(() => {
    setWanted((now) => afterAnswer(now, a.boxes));
  }, [a.boxes]);
  const put = (box: string, w: Wanted | null) =>
    setWanted((now) => {
      const next = new Map(now);
      if (w) next.set(box, w);
      else next.delete(box);
      return next;
    });
  const tick = async (box: string, to: To, reason = ''): Promise<boolean> => {
    put(box, { to, reason, since: null });
    const done = await inLine(`tick ${a.id} ${box}`, () =>
      send({ id: a.id, orderId: a.orderId, box, to, reason }),
    );
    const kept = 'data' in done;
    put(box, kept ? { to, reason, since: 0 } : null);
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
  return { boxes, tick, error, pending: [...wanted.values()].some((w) => w.since === null) };
}
