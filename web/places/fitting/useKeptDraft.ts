import { useState } from 'react';
import { useMe } from '../../shared/me.ts';
import { type Draft, EMPTY } from './draft.ts';

const keyOf = (by: number, orderId: number) => `fitting-${by}-${orderId}`;

function keptDraft(by: number, orderId: number): Draft {
  try {
    const text = sessionStorage.getItem(keyOf(by, orderId));
    return text === null ? EMPTY : { ...EMPTY, ...(JSON.parse(text) as Partial<Draft>) };
  } catch {
    // A browser that keeps nothing, or something else under this name: begin anew.
    return EMPTY;
  }
}

/** What is being written at this order’s mirror, each hand’s own: it survives a reload and a look elsewhere, until it is kept or left. */
export function useKeptDraft(orderId: number): readonly [Draft, (d: Draft) => void] {
  const { id: me } = useMe();
  const [draft, setDraft] = useState(() => keptDraft(me, orderId));
  const set = (d: Draft) => {
    setDraft(d);
    try {
      if (d === EMPTY) sessionStorage.removeItem(keyOf(me, orderId));
      else sessionStorage.setItem(keyOf(me, orderId), JSON.stringify(d));
    } catch {
      // It stays on the page all the same.
    }
  };
  return [draft, set];
}
