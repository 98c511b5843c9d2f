import { useEffect, useRef } from 'react';
import { closeHelp, openHelp, useHelp } from '../shared/help.ts';
import { ActionButton } from '../shared/pieces.tsx';
import { useLater } from '../shared/useLater.ts';
import { isWriting } from '../shared/writing.ts';

const load = () => import('./HelpBody.tsx');

/**
 * The help of the place where one is, under "?" and a button. The browser's own dialog keeps the focus inside and closes
 * on Escape; a press outside closes it too.
 */
export function Help() {
  const dialog = useRef<HTMLDialogElement>(null);
  const open = useHelp();
  const Body = useLater(load, open !== null);
  useEffect(() => {
    if (open && !dialog.current?.open) dialog.current?.showModal();
    if (!open) dialog.current?.close();
  }, [open]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      // A "?" is never part of a length, so it opens the help at the tape too.
      const reading = e.target instanceof Element && e.target.closest('.reading') !== null;
      if (e.key !== '?' || e.ctrlKey || e.metaKey || (isWriting(e.target) && !reading)) return;
      e.preventDefault();
      openHelp();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <>
      <ActionButton look="quiet" className="keysask" onClick={() => openHelp()} aria-label="Help">
        ?
      </ActionButton>
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: Escape closes it by itself */}
      <dialog
        ref={dialog}
        className="keylist"
        aria-label="Help"
        onClose={closeHelp}
        onClick={(e) => {
          const { left, right, top, bottom } = e.currentTarget.getBoundingClientRect();
          const inside = e.clientX >= left && e.clientX <= right && e.clientY >= top && e.clientY <= bottom;
          // A press by key has no place (0, 0) and is the button's own.
          if (e.target === e.currentTarget && !inside) e.currentTarget.close();
        }}
      >
        {open && Body ? (
          <Body id={open.id} close={closeHelp} />
        ) : (
          <p className="soft" role="status">
            Loading the help …
          </p>
        )}
      </dialog>
    </>
  );
}
