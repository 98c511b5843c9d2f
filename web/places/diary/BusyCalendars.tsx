import type { BusyKept } from '@rocchetto/contract';
import { useState } from 'react';
import { useAddBusyMutation, useBusyQuery, useRemoveBusyMutation } from '../../api/calendars.ts';
import { useDays, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, FileField } from '../../shared/pieces.tsx';

/** Times somebody is busy elsewhere, read from a calendar file and kept free here. */
export function BusyCalendars() {
  const me = useMe();
  const { long, short } = useDays();
  const { data: files = [] } = useBusyQuery();
  const [add, adding] = useAddBusyMutation();
  const [remove, removing] = useRemoveBusyMutation();
  const [made, setMade] = useState<BusyKept | null>(null);
  const [wrong, setWrong] = useState('');
  const take = async (file: File) => {
    setMade(null);
    setWrong('');
    if (file.size > 1_900_000) {
      setWrong(`${file.name} is over 2 MB. Nothing was imported.`);
      return;
    }
    const text = await file.text().catch(() => null);
    if (text === null) {
      setWrong(`${file.name} can’t be read. Nothing was imported.`);
      return;
    }
    const done = await add({ staffId: me.id, name: file.name.replace(/\.ics$/i, '').slice(0, 80), text });
    if ('data' in done && done.data) setMade(done.data);
  };
  return (
    <details>
      <summary>Busy elsewhere</summary>
      <p className="soft">
        Import your own calendar file (.ics). Its busy times are kept free here; what they are is not stored.
        Importing the same file again replaces the earlier one.
      </p>
      <Problem error={adding.error ?? removing.error} />
      {wrong && <Notice tone="bad">{wrong}</Notice>}
      {made && (
        <Notice tone={made.over > 0 || made.notes.length > 0 ? 'look' : 'good'}>
          <p>
            {made.times} {made.times === 1 ? 'time is' : 'times are'} kept free until {long(made.until)}.
          </p>
          {made.over > 0 && (
            <p>
              {made.over} {made.over === 1 ? 'lies' : 'lie'} overlap bookings, which stay as they are. Check
              whether they must move.
            </p>
          )}
          {made.notes.map((n) => (
            <p key={n}>{n}</p>
          ))}
        </Notice>
      )}
      <ul className="why">
        {files
          .filter((f) => f.staffId === me.id)
          .map((f) => (
            <li key={f.id}>
              {f.name}, imported {short(f.madeAt)}{' '}
              <ActionButton
                look="quiet"
                aria-label={`Remove the busy times of ${f.name}`}
                onClick={() => {
                  setMade(null);
                  void remove(f.id);
                }}
              >
                Remove
              </ActionButton>
            </li>
          ))}
      </ul>
      <label>
        <span className="hidden">Calendar file</span>
        <FileField
          accept=".ics,text/calendar"
          disabled={adding.isLoading}
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = '';
            if (file) void take(file);
          }}
        />
      </label>
    </details>
  );
}
