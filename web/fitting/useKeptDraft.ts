import { useState } from 'react';
import { type Draft, EMPTY } from './draft.ts';

const keyOf = (orderId: number) => `fitting-${orderId}`;

function keptDraft(orderId: number): Draft {
  try {
    const text = sessionStorage.getItem(keyOf(orderId));
    return text === null ? EMPTY : { ...EMPTY, ...(JSON.parse(text) as Partial<Draft>) };
  } catch {
    // A browser that keeps nothing, or something else under this name: begin anew.
    return EMPTY;
  }
}

/** What is being written at this order’s mirror: it survives a reload and a look elsewhere, until it is kept or left. */
export function useKeptDraft(orderId: number): readonly [Draft, (d: Draft) => void] {
  const [draft, setDraft] = useState(() => keptDraft(orderId));
  const set = (d: Draft) => {
    setDraft(d);
    try {
      if (d === EMPTY) sessionStorage.removeItem(keyOf(orderId));
      else sessionStorage.setItem(keyOf(orderId), JSON.stringify(d));
    } catch {
      // It stays on the page all the same.
    }
  };
  return [draft, set];
}
