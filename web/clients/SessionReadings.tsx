import type { SessionRow } from '@rocchetto/contract';
import { measure, resolveAll, TAPE_NAME } from '@rocchetto/core';
import { useState } from 'react';
import { useDays } from '../app/me.ts';
import { useSessionQuery } from '../measuring/api.ts';
import { Facts } from '../shared/Facts.tsx';
import { Waiting } from '../shared/Place.tsx';

/** One session in a line; opened, its readings as they were read, over what and by which rules. */
export function SessionReadings({ session }: { session: SessionRow }) {
  const [open, setOpen] = useState(false);
  const { short } = useDays();
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>
        {short(session.at)}, {session.readings} readings by {session.measurer}
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
      <Facts
        of={[...resolveAll(data.readings)].map(([m, figure]) => {
          const tape = figure.readings[0]?.tape ?? 'snug';
          return [
            measure(m).name,
            <span key={m}>
              <strong>{figure.asRead || figure.state}</strong>
              {tape !== 'snug' && <span className="soft">, {TAPE_NAME[tape]}</span>}
            </span>,
          ];
        })}
      />
      <p className="soft">
        {[
          details.beneath && `over ${details.beneath}`,
          details.heel && `heel ${details.heel}`,
          details.scribe && `written by ${details.scribe}`,
          `waist: ${details.waistRule}`,
          `hip: ${details.hipRule}`,
          details.seated && 'seated',
          details.changed && `changed: ${details.changed}`,
        ]
          .filter(Boolean)
          .join('; ')}
        .{' '}
        <a href={`/api/sessions/${id}/card.pdf`} target="_blank" rel="noreferrer">
          The measure card
        </a>
      </p>
    </>
  );
}
