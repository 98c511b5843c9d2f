import { type ComponentType, useEffect, useState } from 'react';

/** When loading failed (a network that is away), the next try comes after this, ms. */
const AGAIN = 3000;

/**
 * A part of a page whose code comes later: null until it is there. A failed load breaks nothing, it is tried again.
 * @param wanted nothing is loaded before this is true
 */
export function useLater<P>(
  load: () => Promise<{ default: ComponentType<P> }>,
  wanted = true,
): ComponentType<P> | null {
  const [part, setPart] = useState<ComponentType<P> | null>(null);
  const [failures, setFailures] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a failure is what asks for the next try
  useEffect(() => {
    if (!wanted || part) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let gone = false;
    load().then(
      (m) => !gone && setPart(() => m.default),
      () => {
        timer = setTimeout(() => setFailures(failures + 1), AGAIN);
      },
    );
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [wanted, failures, part]);
  return part;
}
