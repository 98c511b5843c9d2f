import type { BusyKept } from '@rocchetto/contract';
import { useState } from 'react';
import { useAddBusyMutation, useBusyQuery, useRemoveBusyMutation } from '../../api/calendars.ts';
import { useDays, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';

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
      setWrong(`${file.name} is more than 2 MB; nothing of it was taken.`);
      return;
    }
    const text = await file.text().catch(() => null);
    if (text === null) {
      setWrong(`${file.name} cannot be read; nothing was taken.`);
      return;
    }
    const done = await add({ staffId: me.id, name: file.name.replace(/\.ics$/i, '').slice(0, 80), text });
    if ('data' in done && done.data) setMade(done.data);
  };
  return (
    <details>
      <summary>Busy elsewhere</summary>
      <p className="soft">
        A calendar file (.ics) of your own: its busy times are kept free here, without a word of what they
        are. The same file read in again stands for the earlier one.
      </p>
      <Problem error={adding.error ?? removing.error} />
      {wrong && <Notice is="bad">{wrong}</Notice>}
      {made && (
        <Notice is={made.over > 0 || made.notes.length > 0 ? 'look' : 'good'}>
          <p>
            {made.times} {made.times === 1 ? 'time is' : 'times are'} kept free until {long(made.until)}.
          </p>
          {made.over > 0 && (
            <p>
              {made.over} {made.over === 1 ? 'lies' : 'lie'} over what is booked: that stands. Look whether it
              must move.
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
              {f.name}, read in {short(f.madeAt)}{' '}
              <button
                type="button"
                className="quiet"
                aria-label={`Take back the busy times of ${f.name}`}
                onClick={() => {
                  setMade(null);
                  void remove(f.id);
                }}
              >
                take back
              </button>
            </li>
          ))}
      </ul>
      <label>
        <span className="hidden">Calendar file</span>
        <input
          type="file"
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
