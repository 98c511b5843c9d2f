import { loadParts, partsAreThere } from '@rocchetto/core';
import { useEffect, useState } from 'react';

/** Brings what drafts these garment parts, and no others. They are there, or on their way, or could not be had. */
export function usePartsOf(ids: readonly string[]): {
  readonly there: boolean;
  readonly error: unknown;
  readonly again: () => void;
} {
  const [tried, setTried] = useState(0);
  const [error, setError] = useState<unknown>(null);
  const there = partsAreThere(ids);
  const key = ids.join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the ids are in the key, and a further try asks again
  useEffect(() => {
    if (there) return;
    let gone = false;
    setError(null);
    loadParts(ids).then(
      () => gone || setTried((n) => n + 1),
      (e: unknown) => gone || setError(e),
    );
    return () => {
      gone = true;
    };
  }, [key, tried]);
  return { there, error, again: () => setTried((n) => n + 1) };
}
