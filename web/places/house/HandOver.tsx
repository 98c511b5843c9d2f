import type { StaffView } from '@rocchetto/contract';
import { hoursWord } from '@rocchetto/core/diary/load.ts';
import { useState } from 'react';
import { useAheadQuery, useHandWorkOverMutation } from '../../api/staff.ts';
import { useDays } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, SelectField } from '../../shared/pieces.tsx';

/** Gives what somebody who leaves has ahead to another, one by one or all; what cannot go is told with its reason. */
export function HandOver({ from, staff }: { from: number; staff: readonly StaffView[] }) {
  const { data: ahead, error: notRead } = useAheadQuery(from);
  const [give, { data, error, isLoading }] = useHandWorkOverMutation();
  const [to, setTo] = useState(0);
  const { long } = useDays();
  const name = staff.find((s) => s.id === from)?.name ?? 'Someone';
  const taker = staff.find((s) => s.id === to)?.name ?? '';
  const one = (what: string, which: { appointments: number[] } | { bench: number[] }) => (
    <ActionButton
      look="quiet"
      disabled={!to || isLoading}
      aria-label={`Reassign: ${what}`}
      onClick={() => void give({ id: from, toId: to, ...which })}
    >
      {taker ? `to ${taker}` : 'to …'}
    </ActionButton>
  );
  const left = (ahead?.bookings.length ?? 0) + (ahead?.bench.length ?? 0);
  return (
    <form
      className="slip"
      aria-label="Reassign bookings"
      onSubmit={(e) => {
        e.preventDefault();
        if (to) void give({ id: from, toId: to });
      }}
    >
      <h3>What {name} has ahead</h3>
      <Problem error={error ?? notRead} />
      <p>
        <label htmlFor="hand-to">Reassign to </label>
        <SelectField id="hand-to" value={to} onChange={(e) => setTo(Number(e.target.value))}>
          <option value={0}>…</option>
          {staff
            .filter((s) => s.id !== from)
            .map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
        </SelectField>{' '}
        <ActionButton look="plain" type="submit" disabled={!to || isLoading || left === 0}>
          Reassign all {left}
        </ActionButton>
      </p>
      {data && (
        <Notice tone={data.standing.length > 0 ? 'look' : 'good'}>
          <p>
            {data.handed} reassigned{data.standing.length > 0 ? '; these stay as they were:' : '.'}
          </p>
          <ul>
            {data.standing.map((s) => (
              <li key={s.id}>
                {s.clientName}, {s.when}: {s.why}
              </li>
            ))}
          </ul>
        </Notice>
      )}
      {ahead && left === 0 && (
        <p className="agreed">Nothing is left: {name} can be removed from the staff.</p>
      )}
      <ul className="why">
        {ahead?.bookings.map((b) => (
          <li key={b.id}>
            {b.clientName}, {b.when} {one(`${b.clientName}, ${b.when}`, { appointments: [b.id] })}
          </li>
        ))}
        {ahead?.bench.map((w) => (
          <li key={`b${w.id}`}>
            {w.what} for {w.orderNumber}, {long(w.day)}, {hoursWord(w.minutes)}{' '}
            {one(`${w.what} for ${w.orderNumber}`, { bench: [w.id] })}
          </li>
        ))}
      </ul>
    </form>
  );
}
