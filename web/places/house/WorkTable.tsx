import type { StaffAtWork, StaffWork } from '@rocchetto/contract';
import { type Hours, hoursWords, SKILLS } from '@rocchetto/core';
import { Checkbox, Input, Select } from 'antd';
import { useState } from 'react';
import { useChangeWorkMutation, useDiaryHouseQuery } from '../../api/hours.ts';
import { Mark } from '../../parts/people/Mark.tsx';
import { useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, Ledger } from '../../shared/pieces.tsx';
import { HoursField } from './HoursField.tsx';
import { StandOutside } from './ImpactPreview.tsx';

/** Who can do what, and when: each line opens to be changed. */
export function WorkTable() {
  const { data: house, error, refetch } = useDiaryHouseQuery();
  const may = useMay('staff.manage');
  const [open, setOpen] = useState(0);
  if (!house) return <Problem error={error} again={refetch} />;
  return (
    <>
      <h2>Staff hours and skills</h2>
      <div className="scroll">
        <Ledger>
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">Skills</th>
              <th scope="col">Hours</th>
              {may && (
                <th scope="col">
                  <span className="hidden">do</span>
                </th>
              )}
            </tr>
          </thead>
          <tbody>
            {house.staff.map((s) => (
              <tr key={s.id}>
                <td>
                  <svg className="hand" width="22" height="20" aria-hidden="true">
                    <Mark staffId={s.mark} />
                  </svg>{' '}
                  {s.name} <span className="soft">{s.initials}</span>
                </td>
                <td>{s.skills.join(', ') || 'none yet'}</td>
                <td>{hoursWords(s.hours) || 'opening hours'}</td>
                {may && (
                  <td>
                    <ActionButton
                      look="quiet"
                      aria-expanded={open === s.id}
                      aria-label={`Edit hours and skills of ${s.name}`}
                      onClick={() => setOpen(open === s.id ? 0 : s.id)}
                    >
                      {open === s.id ? 'Close' : 'Edit'}
                    </ActionButton>
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </Ledger>
      </div>
      {house.staff
        .filter((s) => s.id === open)
        .map((s) => (
          <WorkForm key={`${s.id} ${s.version}`} person={s} onDone={() => setOpen(0)} />
        ))}
    </>
  );
}

function WorkForm({ person: s, onDone }: { person: StaffAtWork; onDone: () => void }) {
  const [change, { error, isLoading }] = useChangeWorkMutation();
  const [skills, setSkills] = useState<StaffWork['skills']>([...s.skills]);
  const [initials, setInitials] = useState(s.initials);
  const [mark, setMark] = useState(s.mark);
  const [hours, setHours] = useState<readonly Hours[] | null>(s.hours);
  return (
    <form
      className="slip"
      aria-label={`Hours and skills of ${s.name}`}
      onSubmit={async (e) => {
        e.preventDefault();
        if (hours === null) return;
        const done = await change({
          id: s.id,
          version: s.version,
          skills,
          initials,
          mark,
          hours: [...hours],
        });
        if ('data' in done) onDone();
      }}
    >
      <h3>{s.name}</h3>
      <Problem error={error} />
      <Checkbox.Group
        aria-label="Skills"
        options={SKILLS.map((k) => ({ value: k, label: k }))}
        value={skills}
        onChange={(v) => setSkills(v as StaffWork['skills'])}
      />
      <div className="fields">
        <div>
          <label htmlFor="work-initials">Initials</label>
          <Input
            id="work-initials"
            value={initials}
            maxLength={3}
            onChange={(e) => setInitials(e.target.value)}
          />
        </div>
        <div>
          <label htmlFor="work-mark">Mark in the diary</label>
          <Select
            id="work-mark"
            value={mark}
            onChange={setMark}
            options={Array.from({ length: 12 }, (_, i) => ({
              value: i,
              label: (
                <svg width="22" height="20" role="img" aria-label={`mark ${i + 1}`}>
                  <Mark staffId={i} />
                </svg>
              ),
            }))}
          />
        </div>
      </div>
      <HoursField
        label="Hours"
        hours={s.hours}
        onChange={setHours}
        empty="Left empty, the opening hours apply."
      />
      {hours && <StandOutside staffId={s.id} hours={hours} before={s.hours} />}
      <div className="row acts">
        <ActionButton look="take" type="submit" disabled={isLoading || hours === null}>
          Save
        </ActionButton>
        <ActionButton look="quiet" onClick={onDone}>
          Cancel
        </ActionButton>
      </div>
    </form>
  );
}
