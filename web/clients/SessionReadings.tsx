import type { SessionRow } from '@rocchetto/contract';
import { measure, resolveAll, TAPE_NAME } from '@rocchetto/core';
import { useState } from 'react';
import { useSessionQuery } from '../api/api.ts';
import { shortDate } from '../shared/dates.ts';
import { Waiting } from '../shared/Problem.tsx';

/** One session in a line; opened, its readings as they were read, over what and by which rules. */
export function SessionReadings({ session }: { session: SessionRow }) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>
        {shortDate(session.at)}, {session.readings} readings by {session.measurer}
      </summary>
      {open && <Readings id={session.id} />}
    </details>
  );
}

function Readings({ id }: { id: string }) {
  const { data, error, refetch } = useSessionQuery(id);
  if (!data) return <Waiting what="the readings" error={error} again={refetch} />;
  const { details } = data;
  return (
    <>
      <dl className="facts">
        {[...resolveAll(data.readings)].map(([m, figure]) => (
          <div key={m} style={{ display: 'contents' }}>
            <dt>{measure(m).name}</dt>
            <dd>
              <strong>{figure.asRead || figure.state}</strong>
              {figure.readings[0] && figure.readings[0].tape !== 'snug' && (
                <span className="soft">, {TAPE_NAME[figure.readings[0].tape]}</span>
              )}
            </dd>
          </div>
        ))}
      </dl>
      <p className="soft">
        {[
          details.beneath && `over ${details.beneath}`,
          details.heel && `heel ${details.heel}`,
          details.scribe && `written by ${details.scribe}`,
          `waist: ${details.waistRule}`,
          `hip: ${details.hipRule}`,
        ]
          .filter(Boolean)
          .join('; ')}
        .
      </p>
    </>
  );
}
