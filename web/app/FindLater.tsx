import { lazy, Suspense, useEffect, useRef, useState } from 'react';

const FindField = lazy(() => import('./FindField.tsx'));

/**
 * The find field as a plain one at first, so that a page is there before its search is; the real one takes its
 * place when the browser has nothing better to do or a hand reaches for it, with what was typed meanwhile.
 * `begin` asks for it at once, with the focus in it.
 */
export function FindLater({ begin }: { begin: boolean }) {
  const [wanted, setWanted] = useState(begin);
  const [typed, setTyped] = useState('');
  const plain = useRef<HTMLInputElement>(null);
  const reached = useRef(begin);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== '/' || e.ctrlKey || e.metaKey || e.altKey) return;
      if ((e.target as HTMLElement).closest('input, textarea, [contenteditable]')) return;
      if (!plain.current) return;
      e.preventDefault();
      plain.current.focus();
    };
    window.addEventListener('keydown', onKey);
    const idle = setTimeout(() => setWanted(true), 2500);
    return () => {
      window.removeEventListener('keydown', onKey);
      clearTimeout(idle);
    };
  }, []);
  const waiting = (
    <input
      ref={plain}
      className="find"
      value={typed}
      placeholder="Find a client or an order  ( / )"
      aria-label="Find a client or an order"
      onChange={(e) => setTyped(e.target.value)}
      onFocus={() => {
        reached.current = true;
        setWanted(true);
      }}
      onBlur={() => {
        reached.current = false;
      }}
    />
  );
  if (!wanted) return waiting;
  return (
    <Suspense fallback={waiting}>
      <FindField start={typed} focused={() => reached.current} />
    </Suspense>
  );
}
