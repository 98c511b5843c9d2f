import type { SessionRow } from '@rocchetto/contract';
import { measure, printWritten, type Reading, resolveAll, TAPE_NAME } from '@rocchetto/core';
import { type ReactNode, useState } from 'react';
import { useSessionQuery } from '../../api/sessions.ts';
import { Facts } from '../../shared/Facts.tsx';
import { useDays } from '../../shared/me.ts';
import { Waiting } from '../../shared/Place.tsx';

/** One session in a line; opened, its readings as they were read, over what and by which rules, and what else is told of it. */
export function SessionReadings({ session, children }: { session: SessionRow; children?: ReactNode }) {
  const [open, setOpen] = useState(false);
  const { short } = useDays();
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>
        {short(session.at)}, {session.readings} {session.readings === 1 ? 'reading' : 'readings'} by{' '}
        {session.measurer}
      </summary>
      {open && <Readings id={session.id} />}
      {open && children}
    </details>
  );
}

function Readings({ id }: { id: string }) {
  const { data, error, refetch } = useSessionQuery(id);
  if (!data) return <Waiting what="the measurements" error={error} again={refetch} />;
  const { details } = data;
  return (
    <>
      <Facts
        facts={[...resolveAll(data.readings)].map(([m, figure]) => {
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
      <Corrected readings={data.readings} />
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
          Print measurement card (PDF)
        </a>
      </p>
    </>
  );
}

/** What was struck out or corrected, by whom and why: nothing that was read goes from the book. */
function Corrected({ readings }: { readings: readonly Reading[] }) {
  const was = new Map(readings.map((r) => [r.id, r]));
  const all = readings.flatMap((r) => {
    const before = r.replaces ? was.get(r.replaces) : undefined;
    return before?.written ? [{ r, before: printWritten(before.written) }] : [];
  });
  if (all.length === 0) return null;
  return (
    <ul className="why soft">
      {all.map(({ r, before }) => (
        <li key={r.id}>
          {measure(r.measure).name}, {before}:{' '}
          {r.written ? `corrected to ${printWritten(r.written)}` : 'crossed out'}
          {r.wroteBy && ` by ${r.wroteBy}`}
          {r.reason && `, ${r.reason}`}
        </li>
      ))}
    </ul>
  );
}
