import type { SheetChange, SheetView } from '@rocchetto/contract';
import { useRef, useState } from 'react';
import { useChangeSheetMutation } from '../../api/sheets.ts';
import { useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { problemOf } from '../../shared/problem-of.ts';

export type Change = SheetChange['change'];

/** Sends one change of the sheet. When somebody was first, the change waits here until it is made on top or dropped. */
export function useSheetChange(id: number, view: SheetView) {
  // Only what was refused draws the page again: what is under way shows in its row already.
  const [send, { error, reset }] = useChangeSheetMutation({ selectFromResult: ({ error }) => ({ error }) });
  const [waiting, setWaiting] = useState<Change | null>(null);
  const { name: by } = useMe();
  // A second change made before the first is answered waits for it, and is made on top of it.
  const line = useRef<Promise<unknown>>(Promise.resolve());
  const newest = useRef(view.version);
  newest.current = Math.max(newest.current, view.version);
  const make = async (wanted: Change, version: number): Promise<boolean> => {
    const done = await send({ id, version, change: wanted, by });
    if ('error' in done && done.error) {
      setWaiting(wanted);
      return false;
    }
    if (done.data) newest.current = Math.max(newest.current, done.data.version);
    setWaiting(null);
    return true;
  };
  const change = (wanted: Change, version?: number): Promise<boolean> => {
    const made = line.current.then(() => make(wanted, version ?? newest.current));
    line.current = made;
    return made;
  };
  const { status, theirs } = problemOf(error);
  const problem =
    error && status === 409 && theirs && waiting ? (
      <Notice tone="bad">
        <p>Someone else changed this sheet. Theirs is saved; yours is still here: {words(waiting)}</p>
        <ActionButton look="take" onClick={() => void change(waiting, (theirs as SheetView).version)}>
          Apply mine on top
        </ActionButton>{' '}
        <ActionButton
          look="plain"
          onClick={() => {
            setWaiting(null);
            reset();
          }}
        >
          Discard mine
        </ActionButton>
      </Notice>
    ) : (
      <Problem error={error} />
    );
  return { change, problem };
}

function words(c: Change): string {
  switch (c.kind) {
    case 'override':
      return `${c.figure}, ${c.target} ${c.value} (${c.reason}).`;
    case 'accept':
      return `the warning accepted because: ${c.reason}`;
    default:
      return `${c.kind}.`;
  }
}
