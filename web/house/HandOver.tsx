import type { StaffView } from '@rocchetto/contract';
import { useState } from 'react';
import { Notice } from '../shared/Notice.tsx';
import { Problem } from '../shared/Problem.tsx';
import { useHandOverMutation } from './api.ts';

/** Gives the bookings of somebody who leaves to another; what cannot go is told with its reason. */
export function HandOver({ from, staff }: { from: number; staff: readonly StaffView[] }) {
  const [give, { data, error, isLoading }] = useHandOverMutation();
  const [to, setTo] = useState(0);
  return (
    <form
      className="slip"
      aria-label="Hand the bookings over"
      onSubmit={(e) => {
        e.preventDefault();
        if (to) void give({ id: from, toId: to });
      }}
    >
      <Problem error={error} />
      <label htmlFor="hand-to">Hand all of them to </label>
      <select id="hand-to" className="field" value={to} onChange={(e) => setTo(Number(e.target.value))}>
        <option value={0}>…</option>
        {staff
          .filter((s) => s.id !== from)
          .map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
      </select>{' '}
      <button type="submit" className="plain" disabled={!to || isLoading}>
        Hand over
      </button>
      {data && (
        <Notice is={data.standing.length > 0 ? 'look' : 'good'}>
          <p>
            {data.handed} handed over{data.standing.length > 0 ? '; these stand as they were:' : '.'}
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
    </form>
  );
}
