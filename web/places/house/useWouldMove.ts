import type { HouseRulesWire } from '@rocchetto/contract';
import { type MovedSoFar, NONE_YET, type WouldMove, withPiece } from '@rocchetto/contract/would-move.ts';
import { useEffect, useState } from 'react';
import { useDispatch } from 'react-redux';
import type { store } from '../../api/store.ts';
import { wouldMovePiece } from '../../api/would-move.ts';
import { useSettled } from '../../shared/useSettled.ts';

interface Going {
  readonly so: MovedSoFar;
  readonly state: 'going' | 'done' | 'stopped';
  readonly error: unknown;
}
const BEGUN: Going = { so: NONE_YET, state: 'going', error: null };

/** What other rules would move in all open orders, asked piece by piece once the hand rests; other rules begin anew. */
export function useWouldMove(rules: HouseRulesWire) {
  const written = JSON.stringify(rules);
  const settled = useSettled(written, 400);
  const dispatch = useDispatch<typeof store.dispatch>();
  const [{ of, ...now }, set] = useState<Going & { readonly of: string }>({ ...BEGUN, of: '' });
  const [round, again] = useState(0);
  const stopped = now.state === 'stopped';
  // biome-ignore lint/correctness/useExhaustiveDependencies: a further round asks again
  useEffect(() => {
    if (stopped && of === settled) return;
    let gone = false;
    let asking: ReturnType<ReturnType<typeof wouldMovePiece>> | undefined;
    const ask = async () => {
      let so = NONE_YET;
      let after: string | null = '';
      set({ ...BEGUN, of: settled });
      while (after !== null) {
        asking = dispatch(
          wouldMovePiece(
            { rules: JSON.parse(settled) as HouseRulesWire, after },
            { subscribe: false, forceRefetch: true },
          ),
        );
        const came: { data?: WouldMove; error?: unknown } = await asking;
        if (gone) return;
        if (!came.data) return set({ so, state: 'done', error: came.error, of: settled });
        so = withPiece(so, came.data);
        after = came.data.next;
        set({ so, state: after === null ? 'done' : 'going', error: null, of: settled });
      }
    };
    void ask();
    return () => {
      gone = true;
      asking?.abort();
    };
  }, [settled, round, stopped, dispatch]);
  return {
    ...(of === written ? now : BEGUN),
    stop: () => set((s) => ({ ...s, state: 'stopped' })),
    again: () => {
      set((s) => ({ ...s, state: 'going' }));
      again(round + 1);
    },
  };
}

/** Tells the server that other rules may be tried soon: it drafts the open orders as they are, while nobody asks. */
export function usePrepared(rules: HouseRulesWire, may: boolean): void {
  const dispatch = useDispatch<typeof store.dispatch>();
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the page is opened
  useEffect(() => {
    if (may) void dispatch(wouldMovePiece({ rules, after: '' }, { subscribe: false, forceRefetch: true }));
  }, [may]);
}
