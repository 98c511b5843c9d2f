import { ROLE_WORD, ROLES, type Role, type StaffView } from '@rocchetto/contract';
import { useState } from 'react';
import { useChangeStaffMutation } from '../../api/staff.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, SelectField, TextField } from '../../shared/pieces.tsx';

/** Another name or role for somebody who works here. */
export function StaffForm({ person: s, onDone }: { person: StaffView; onDone: () => void }) {
  const [change, { error, isLoading }] = useChangeStaffMutation();
  const [was] = useState({ name: s.name, role: s.role });
  const [name, setName] = useState(s.name);
  const [role, setRole] = useState<Role>(s.role);
  return (
    <form
      className="slip"
      aria-label={`Edit ${s.name}`}
      onSubmit={async (e) => {
        e.preventDefault();
        if ('data' in (await change({ id: s.id, name, role, was }))) onDone();
      }}
    >
      <Problem error={error} />
      <div className="row">
        <label htmlFor="staff-name">Name</label>
        <TextField
          id="staff-name"
          className="grow"
          maxLength={200}
          autoComplete="off"
          autoFocus
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <label htmlFor="staff-role">Role</label>
        <SelectField id="staff-role" value={role} onChange={(e) => setRole(e.target.value as Role)}>
          {ROLES.map((r) => (
            <option key={r} value={r}>
              {ROLE_WORD[r]}
            </option>
          ))}
        </SelectField>
        <ActionButton look="take" type="submit" disabled={name.trim() === '' || isLoading}>
          Save
        </ActionButton>
        <ActionButton look="quiet" onClick={onDone}>
          Cancel
        </ActionButton>
      </div>
    </form>
  );
}
