import type { AlterationView } from '@rocchetto/contract';
import { useState } from 'react';
import { useStepMutation } from '../../api/alterations.ts';
import { useStaffQuery } from '../../api/staff.ts';
import { DateField } from '../../shared/DateField.tsx';
import { useDays, useMay, useMe } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, SelectField, TextField } from '../../shared/pieces.tsx';

/** Who does it and on which day, which then takes its minutes; a bench hand takes what nobody has. */
export function GiveForm({ alteration: a }: { alteration: AlterationView }) {
  const me = useMe();
  const { short } = useDays();
  const mayGive = useMay('alter.ask');
  const { data: staff = [] } = useStaffQuery();
  const [step, { error, isLoading }] = useStepMutation();
  const [staffId, setStaffId] = useState(a.staffId ?? 0);
  const [day, setDay] = useState(a.day ?? '');
  const [minutes, setMinutes] = useState(String(a.minutes));
  const [note, setNote] = useState('');
  if (a.status !== 'agreed' && a.status !== 'in-work') return null;
  const give = (to: number | null, on: string | null) =>
    step({
      id: a.id,
      orderId: a.orderId,
      version: a.version,
      step: { step: 'assign', staffId: to, day: on, minutes: Math.round(Number(minutes)) || a.minutes, note },
    });
  return (
    <section className="noprint">
      <h2>Assigned to</h2>
      <p>
        {a.staffName ?? 'Unassigned'}
        {a.day && `, ${short(a.day)}`}.
      </p>
      <Problem error={error} />
      {mayGive ? (
        <form
          className="stack"
          aria-label="Assign"
          onSubmit={(e) => {
            e.preventDefault();
            void give(staffId || null, staffId && day ? day : null);
          }}
        >
          <label htmlFor="give-to">Assign to</label>
          <SelectField id="give-to" value={staffId} onChange={(e) => setStaffId(Number(e.target.value))}>
            <option value={0}>unassigned</option>
            {staff.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </SelectField>
          <label htmlFor="give-day">Day</label>
          <DateField id="give-day" value={day} onChange={setDay} />
          <label htmlFor="give-minutes">Minutes</label>
          <TextField
            id="give-minutes"
            inputMode="numeric"
            value={minutes}
            onChange={(e) => setMinutes(e.target.value.replace(/\D/g, '').slice(0, 3))}
          />
          <label htmlFor="give-note">Note for them</label>
          <TextField id="give-note" maxLength={500} value={note} onChange={(e) => setNote(e.target.value)} />
          <ActionButton look="plain" type="submit" busy={isLoading}>
            Assign job
          </ActionButton>
        </form>
      ) : (
        a.staffId === null && (
          <ActionButton look="plain" busy={isLoading} onClick={() => void give(me.id, null)}>
            Assign to me
          </ActionButton>
        )
      )}
    </section>
  );
}
