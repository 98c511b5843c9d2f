import { useSyncExternalStore } from 'react';

/** What of the help stands open: the page of one place by its id, that of where one is, or nothing. */
type Open = { readonly id: string | null } | null;
let now: Open = null;
const hears = new Set<() => void>();

/** Opens the help: of a place, or of where one is. */
export function openHelp(id: string | null = null): void {
  now = { id };
  for (const hear of hears) hear();
}
export function closeHelp(): void {
  now = null;
  for (const hear of hears) hear();
}
export const useHelp = (): Open =>
  useSyncExternalStore(
    (hear) => {
      hears.add(hear);
      return () => hears.delete(hear);
    },
    () => now,
  );
