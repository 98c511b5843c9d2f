import type { PromisesView } from '@rocchetto/contract';
import type { Deps } from '../../http/context.ts';

/** An answer is looked up again once something changed, but no sooner than this, and once it is as old as that, ms. */
const [SOONEST, OLDEST] = [10_000, 300_000];

/** All promises as they were a moment ago, one answer for everybody: planning them anew for every page of the day would be too dear. */
export function glances(deps: Deps, plan: () => Promise<PromisesView>): () => Promise<PromisesView> {
  let last: { readonly at: number; readonly answer: Promise<PromisesView> } | null = null;
  let changed = false;
  deps.live.listen(() => {
    changed = true;
  });
  return () => {
    const age = last ? Date.now() - last.at : Number.POSITIVE_INFINITY;
    if (last && age < OLDEST && (!changed || age < SOONEST)) return last.answer;
    changed = false;
    const answer = plan();
    last = { at: Date.now(), answer };
    // What failed is not kept.
    answer.catch(() => {
      if (last?.answer === answer) last = null;
    });
    return answer;
  };
}
