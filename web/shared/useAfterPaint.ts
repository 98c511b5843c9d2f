import { startTransition, useEffect, useState } from 'react';

/** A value that follows only once the page has been painted with what else changed: for what is dear to draw. */
export function useAfterPaint<T>(value: T): T {
  const [shown, setShown] = useState(value);
  useEffect(() => {
    let after: ReturnType<typeof setTimeout>;
    const frame = requestAnimationFrame(() => {
      after = setTimeout(() => startTransition(() => setShown(value)));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(after);
    };
  }, [value]);
  return shown;
}
