import { useEffect, useRef } from 'react';

const KEYS: readonly (readonly [keys: string, does: string])[] = [
  ['/', 'find a client or an order'],
  ['?', 'this list'],
  ['Enter', 'at the tape: accept the reading and go on'],
  ['Backspace', 'at the tape, in an empty field: one measurement back'],
  ['s', 'in an empty field: skip this one for now'],
  ['d', 'in an empty field: the client declines it'],
  ['r', 'in an empty field: take a second reading of the one before'],
  ['u', 'in an empty field: the other unit'],
  ['t', 'in an empty field: how the tape is held'],
  ['w', 'in an empty field: whole, half or quarter'],
  ['↑ ↓', 'on the sheet: the figure above or below, its why opens'],
];

/** The short list of keys, under "?" and a button. The browser's own dialog keeps the focus inside and closes on Escape. */
export function ShortcutList() {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const field = (e.target as HTMLElement).closest('input, textarea, [contenteditable]');
      // A "?" is never part of a length, so it opens the list at the tape too.
      if (e.key !== '?' || e.ctrlKey || e.metaKey || (field && !field.classList.contains('reading'))) return;
      e.preventDefault();
      if (!dialog.current?.open) dialog.current?.showModal();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <>
      <button type="button" className="quiet" onClick={() => dialog.current?.showModal()} aria-label="Keys">
        ?
      </button>
      <dialog ref={dialog} className="keylist" aria-label="Keys">
        <div className="spread">
          <h2>Keys</h2>
          <button type="button" className="quiet" onClick={() => dialog.current?.close()}>
            close
          </button>
        </div>
        <dl className="facts">
          {KEYS.map(([keys, does]) => (
            <div key={keys} style={{ display: 'contents' }}>
              <dt>
                <kbd>{keys}</kbd>
              </dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
      </dialog>
    </>
  );
}
