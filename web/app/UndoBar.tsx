import { useEffect, useRef, useState } from 'react';
import { ActionButton } from '../shared/pieces.tsx';
import { problemOf } from '../shared/problem-of.ts';
import { Toast } from '../shared/Toast.tsx';
import { dropUndo, UNDO_FOR, type Undoable, useUndoable } from '../shared/undo.ts';
import { isWriting } from '../shared/writing.ts';

/** What was just done with one key, and the key that undoes it: for ten seconds, longer while a hand is on it. */
export function UndoBar() {
  const of = useUndoable();
  return of && <Offered key={of.no} undoable={of} />;
}

function Offered({ undoable }: { undoable: Undoable }) {
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState('');
  const [held, setHeld] = useState(false);
  const begun = useRef(false);
  const undo = async () => {
    if (begun.current) return;
    begun.current = true;
    setBusy(true);
    const done = await undoable.undo();
    const error = 'error' in done ? done.error : undefined;
    setBusy(false);
    setSaid(error ? problemOf(error).detail : 'Undone.');
  };
  useEffect(() => {
    if (held || busy) return;
    const late = setTimeout(() => dropUndo(undoable), said === 'Undone.' ? UNDO_FOR / 4 : UNDO_FOR);
    return () => clearTimeout(late);
  }, [held, busy, said, undoable]);
  const press = useRef(undo);
  press.current = undo;
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      if (e.key !== 'z' || e.ctrlKey || e.metaKey || e.altKey || isWriting(e.target)) return;
      e.preventDefault();
      void press.current();
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, []);
  return (
    <Toast>
      {said || undoable.says}{' '}
      {!said && (
        <ActionButton
          look="quiet"
          busy={busy}
          onMouseEnter={() => setHeld(true)}
          onMouseLeave={() => setHeld(false)}
          onFocus={() => setHeld(true)}
          onBlur={() => setHeld(false)}
          onClick={() => void undo()}
        >
          Undo (z)
        </ActionButton>
      )}
    </Toast>
  );
}
