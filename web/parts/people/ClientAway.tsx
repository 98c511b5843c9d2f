import type { ClientFull } from '@rocchetto/contract';
import { useState } from 'react';
import { useAddAwayMutation, useDropAwayMutation } from '../../api/clients.ts';
import { clearUnlessChanged } from '../../shared/clear-unless-changed.ts';
import { DateField } from '../../shared/DateField.tsx';
import { useDays, useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';

/** Days on which a client cannot come: no time is found for them there. */
export function ClientAway({ client }: { client: ClientFull }) {
  const may = useMay('diary.write');
  const { long } = useDays();
  const [add, adding] = useAddAwayMutation();
  const [drop, dropping] = useDropAwayMutation();
  const [first, setFirst] = useState('');
  const [last, setLast] = useState('');
  const [reason, setReason] = useState('');
  if (!may && client.away.length === 0) return null;
  return (
    <section>
      <h2>Unavailable</h2>
      <Problem error={adding.error ?? dropping.error} />
      <ul className="why">
        {client.away.map((a) => (
          <li key={a.id}>
            {long(a.firstDay)}
            {a.lastDay !== a.firstDay && ` to ${long(a.lastDay)}`}
            {a.reason && `, ${a.reason}`}{' '}
            {may && (
              <ActionButton
                look="quiet"
                aria-label={`Remove the days from ${long(a.firstDay)}`}
                onClick={() => void drop({ id: a.id, clientId: client.id })}
              >
                Remove
              </ActionButton>
            )}
          </li>
        ))}
      </ul>
      {may && (
        <form
          className="stack"
          aria-label="Days the client is unavailable"
          onSubmit={async (e) => {
            e.preventDefault();
            const done = await add({
              clientId: client.id,
              firstDay: first,
              lastDay: last || first,
              reason: reason.trim(),
            });
            if ('data' in done) {
              setFirst(clearUnlessChanged(first, ''));
              setLast(clearUnlessChanged(last, ''));
              setReason(clearUnlessChanged(reason, ''));
            }
          }}
        >
          <label htmlFor="away-first">First day</label>
          <DateField id="away-first" value={first} onChange={setFirst} />
          <label htmlFor="away-last">Last day</label>
          <DateField id="away-last" value={last} onChange={setLast} />
          <label htmlFor="away-why">Reason</label>
          <TextField
            id="away-why"
            value={reason}
            maxLength={200}
            onChange={(e) => setReason(e.target.value)}
          />
          <div className="row">
            <ActionButton look="plain" type="submit" disabled={!first || adding.isLoading}>
              Add days
            </ActionButton>
          </div>
        </form>
      )}
    </section>
  );
}
