import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';

/**
 * The chosen figure. It changes on the page at once; the address follows when the hand rests, so that going through
 * the rows does not draw the whole house anew.
 */
export function usePicked(first: string): readonly [picked: string, pick: (id: string) => void] {
  const [params, setParams] = useSearchParams();
  const [picked, setPicked] = useState(params.get('f') ?? first);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const set = useRef(setParams);
  set.current = setParams;
  useEffect(() => () => clearTimeout(timer.current), []);
  const pick = useCallback((id: string) => {
    setPicked(id);
    clearTimeout(timer.current);
    timer.current = setTimeout(
      () =>
        startTransition(() =>
          set.current(
            () => {
              // As the address is by now: what was pressed meanwhile may not have been drawn yet.
              const now = new URLSearchParams(window.location.search);
              now.set('f', id);
              return now;
            },
            { replace: true },
          ),
        ),
      400,
    );
  }, []);
  return [picked, pick];
}
