import type { AlterationView, BoxView } from '@rocchetto/contract';
import { useEffect, useRef, useState } from 'react';
import { useWaiting } from '../../parts/outbox/queue.ts';
import { useWrite } from '../../parts/outbox/useWrite.tsx';

type To = 'done' | 'open' | 'struck';
interface Ticked {
  readonly box: string;
  readonly to: To;
  readonly reason: string;
}
interface Kept extends Ticked {
  /** answers that came since the server has it; one of them may have been asked for before */
  readonly since: number;
}

/** Whether an answer shows what was ticked. */
const shows = (b: BoxView | undefined, w: Ticked): boolean =>
  b !== undefined &&
  (w.to === 'struck'
    ? b.struck === w.reason
    : b.struck === null && (b.doneAt !== null) === (w.to === 'done'));

/** What still stands before the answers that are on their way: all but what an answer shows, and what two have denied. */
export const afterAnswer = (kept: readonly Kept[], boxes: readonly BoxView[]): readonly Kept[] =>
  kept.flatMap((w) => {
    const box = boxes.find((b) => b.id === w.box);
    return shows(box, w) || w.since >= 1 ? [] : [{ ...w, since: w.since + 1 }];
  });

const overlay = (b: BoxView, w: Ticked | undefined): BoxView =>
  w
    ? {
        ...b,
        doneAt: w.to === 'done' ? (b.doneAt ?? 'now') : null,
        struck: w.to === 'struck' ? w.reason : null,
      }
    : b;

/**
 * The pieces of an alteration as this hand has ticked them, network or not: a tick shows at once, stays while older
 * answers still come in, and goes back when it is refused.
 */
export function useTicks(a: AlterationView) {
  const { write, wrong } = useWrite();
  const [kept, setKept] = useState<readonly Kept[]>([]);
  const path = `/alterations/${a.id}/boxes`;
  const ofThis = useWaiting(a.orderId).filter((w) => w.is === 'tick' && w.path === path);
  const waiting = ofThis.filter((w) => w.refused === '').map((w) => ({ id: w.id, ...(w.body as Ticked) }));
  const before = useRef(waiting);
  useEffect(() => {
    const there = new Set(ofThis.map((w) => w.id));
    const gone = before.current.filter((w) => !there.has(w.id));
    before.current = waiting;
    if (gone.length > 0)
      setKept((now) => [
        ...now.filter((k) => !gone.some((g) => g.box === k.box)),
        ...gone.map(({ box, to, reason }) => ({ box, to, reason, since: 0 })),
      ]);
  });
  useEffect(() => setKept((now) => afterAnswer(now, a.boxes)), [a.boxes]);
  const tick = async (box: BoxView, to: To, says: string, reason = ''): Promise<boolean> => {
    const body = { box: box.id, to, reason };
    const tried = await write({ orderId: a.orderId, is: 'tick', path, body, says });
    if (tried.is === 'refused') setKept((now) => now.filter((k) => k.box !== box.id));
    return tried.is !== 'refused';
  };
  const boxes = a.boxes.map((b) =>
    overlay(b, waiting.findLast((w) => w.box === b.id) ?? kept.findLast((w) => w.box === b.id)),
  );
  return { boxes, tick, wrong };
}
