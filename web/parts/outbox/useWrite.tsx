import { formatSentence, type SheetUnit } from '@rocchetto/core';
import { useState } from 'react';
import { useLocation } from 'react-router';
import { Notice } from '../../shared/Notice.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import type { DeviceWrite, KeptWrite } from './device-book.ts';
import { writes } from './queue.ts';
import type { FirstTry } from './writes.ts';

const NOT_STORED =
  'It could not be sent, and this browser can’t store it. Keep this page open until the server can be reached, then enter it again.';

/** Writes by way of the device: what is refused at once is told where it was written. */
export function useWrite() {
  const { pathname } = useLocation();
  const [state, setState] = useState({ busy: false, wrong: '' });
  const write = async (one: DeviceWrite): Promise<FirstTry> => {
    setState((s) => ({ ...s, busy: true }));
    const tried = await writes().keep({ at: pathname, ...one });
    const unsafe = tried.is === 'waits' && !tried.safe;
    const wrong = tried.is === 'refused' ? tried.sentence : unsafe ? NOT_STORED : '';
    setState({ busy: false, wrong });
    return tried;
  };
  return { write, ...state };
}

/** What was refused at once. */
export const Wrong = ({ says }: { readonly says: string }) =>
  says === '' ? null : <Notice tone="bad">{says}</Notice>;

interface Props {
  /** what waits of the page, or was refused later */
  readonly written: readonly KeptWrite[];
  readonly unit?: SheetUnit;
}

/** What was written here and has not reached the book yet: it is safe on this device. */
export function WaitingHere({ written, unit = 'cm' }: Props) {
  const told = written.filter((w) => !w.first);
  if (told.length === 0) return null;
  return (
    <ul className="readback" aria-label="Waiting to be sent">
      {told.map((w) => (
        <li key={w.id}>
          {formatSentence(w.says, unit)}{' '}
          {w.refused === '' ? (
            <span className="pending">saved here, not sent yet</span>
          ) : (
            <>
              <span className="tight">{w.refused}</span>{' '}
              <ActionButton look="quiet" onClick={() => void writes().drop(w.id)}>
                Remove
              </ActionButton>
            </>
          )}
        </li>
      ))}
    </ul>
  );
}
