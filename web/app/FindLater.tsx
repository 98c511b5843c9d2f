import { useEffect, useRef, useState } from 'react';
import { TextField } from '../shared/pieces.tsx';
import { useLater } from '../shared/useLater.ts';

const load = () => import('./FindField.tsx');
/** A page is there before its search is: the field's own code waits this long unless a hand reaches for it, ms. */
const IDLE = 2500;

/**
 * The find field as a plain one at first; the real one takes its place when its code is there, with what was typed
 * meanwhile and the focus where it was. `begin` asks for it at once, with the focus in it.
 */
export function FindLater({ begin }: { begin: boolean }) {
  const [wanted, setWanted] = useState(begin);
  const [typed, setTyped] = useState('');
  const plain = useRef<HTMLInputElement>(null);
  const reached = useRef(begin);
  const FindField = useLater(load, wanted);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== '/' || e.ctrlKey || e.metaKey || e.altKey) return;
      if ((e.target as HTMLElement).closest('input, textarea, [contenteditable]')) return;
      if (!plain.current) return;
      e.preventDefault();
      plain.current.focus();
    };
    window.addEventListener('keydown', onKey);
    const idle = setTimeout(() => setWanted(true), IDLE);
    if (begin) plain.current?.focus();
    return () => {
      window.removeEventListener('keydown', onKey);
      clearTimeout(idle);
    };
  }, [begin]);
  if (FindField) return <FindField start={typed} focused={reached.current} />;
  return (
    <TextField
      bare
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
}
