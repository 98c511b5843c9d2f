import { useEffect, useRef } from 'react';
import { Facts } from '../shared/Facts.tsx';
import { KEYS } from '../shared/keys.ts';

/** Whether what is typed there becomes text. */
export const isWriting = (at: EventTarget | null): boolean =>
  at instanceof Element &&
  at.closest(
    'textarea, select, [contenteditable], input:not([type="checkbox"], [type="radio"], [type="button"])',
  ) !== null;

/** The short list of keys, under "?" and a button. The browser's own dialog keeps the focus inside and closes on Escape; a press outside closes it too. */
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
      <button
        type="button"
        className="quiet keysask"
        onClick={() => dialog.current?.showModal()}
        aria-label="Keys"
      >
        ?
      </button>
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: Escape closes it by itself */}
      <dialog
        ref={dialog}
        className="keylist"
        aria-label="Keys"
        onClick={(e) => {
          const { left, right, top, bottom } = e.currentTarget.getBoundingClientRect();
          const inside = e.clientX >= left && e.clientX <= right && e.clientY >= top && e.clientY <= bottom;
          // A press by key has no place (0, 0) and is the button's own.
          if (e.target === e.currentTarget && !inside) e.currentTarget.close();
        }}
      >
        <div className="spread">
          <h2>Keys</h2>
          <button type="button" className="quiet" onClick={() => dialog.current?.close()}>
            Close
          </button>
        </div>
        <Facts of={KEYS.map(({ keys, does }) => [does, <kbd key={keys}>{keys}</kbd>])} />
      </dialog>
    </>
  );
}
