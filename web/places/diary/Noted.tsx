import type { AppointmentView } from '@rocchetto/contract';
import { Fragment, useState } from 'react';
import { useNoteAppointmentMutation } from '../../api/diary.ts';
import { Facts } from '../../shared/Facts.tsx';
import { useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, TextField } from '../../shared/pieces.tsx';

const FIELDS = [
  ['whoComes', 'Comes too', 200],
  ['bring', 'To bring', 500],
  ['note', 'Note', 1000],
] as const;

/** Who comes along, what to bring, and a note: read, and written where one may. */
export function Noted({ appointment: a }: { appointment: AppointmentView }) {
  const may = useMay('diary.write') && (a.status === 'offered' || a.status === 'confirmed');
  const [keep, { error, isLoading }] = useNoteAppointmentMutation();
  const [open, setOpen] = useState(false);
  const [written, setWritten] = useState({ whoComes: a.whoComes, bring: a.bring, note: a.note });
  if (!open)
    return (
      <>
        <Facts facts={FIELDS.map(([id, label]) => [label, a[id]])} />
        {may && (
          <p>
            <ActionButton look="quiet" onClick={() => setOpen(true)}>
              {FIELDS.some(([id]) => a[id]) ? 'Edit notes' : 'Add who comes and what to bring'}
            </ActionButton>
          </p>
        )}
      </>
    );
  return (
    <form
      className="stack"
      aria-label="Notes"
      onSubmit={async (e) => {
        e.preventDefault();
        const done = await keep({
          id: a.id,
          version: a.version,
          whoComes: written.whoComes.trim(),
          bring: written.bring.trim(),
          note: written.note.trim(),
        });
        if ('data' in done) setOpen(false);
      }}
    >
      <Problem error={error} />
      {FIELDS.map(([id, label, max]) => (
        <Fragment key={id}>
          <label htmlFor={`noted-${id}`}>{label}</label>
          <TextField
            id={`noted-${id}`}
            maxLength={max}
            value={written[id]}
            onChange={(e) => setWritten({ ...written, [id]: e.target.value })}
          />
        </Fragment>
      ))}
      <div className="row">
        <ActionButton look="take" type="submit" busy={isLoading}>
          Save notes
        </ActionButton>
        <ActionButton look="quiet" onClick={() => setOpen(false)}>
          Cancel
        </ActionButton>
      </div>
    </form>
  );
}
