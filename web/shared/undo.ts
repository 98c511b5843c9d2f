import { useSyncExternalStore } from 'react';

/** How long what was just done with one key can be undone with another, ms. Later it can be where it is recorded. */
export const UNDO_FOR = 10_000;

interface Act {
  /** what was done, a sentence */
  readonly says: string;
  /** undoes it; what comes back has `error` when it could not be */
  readonly undo: () => Promise<{ readonly error?: unknown } | object>;
}

export interface Undoable extends Act {
  /** no two are the same, though they may say the same */
  readonly no: number;
}

let now: Undoable | null = null;
let count = 0;
const hears = new Set<() => void>();
const set = (next: Undoable | null) => {
  now = next;
  for (const hear of hears) hear();
};

/** Offers to undo what was just done. What was offered before gives way. */
export const offerUndo = (u: Act): void => set({ ...u, no: ++count });
export const dropUndo = (u: Undoable): void => {
  if (now === u) set(null);
};
const listen = (hear: () => void) => {
  hears.add(hear);
  return () => hears.delete(hear);
};
/** What can be undone just now. */
export const useUndoable = (): Undoable | null => useSyncExternalStore(listen, () => now);
