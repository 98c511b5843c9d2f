import { ROLE_WORD, ROLES, type Role, type StaffView } from '@rocchetto/contract';
import { Form, Input, Popconfirm, Select } from 'antd';
import { useState } from 'react';
import {
  useAddStaffMutation,
  useRemoveStaffMutation,
  useStaffLinkMutation,
  useStaffQuery,
  useWithdrawLinkMutation,
} from '../../api/staff.ts';
import { CopyText } from '../../shared/CopyText.tsx';
import { emptyForm } from '../../shared/clear-unless-changed.ts';
import { useDays, useMay, useMe } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, Ledger } from '../../shared/pieces.tsx';
import { problemOf } from '../../shared/problem-of.ts';
import { HandOver } from './HandOver.tsx';
import { StaffForm } from './StaffForm.tsx';

/** Who works here, who has not yet come in, and the links by which they do. */
export function StaffSection() {
  const me = useMe();
  const mayManage = useMay('staff.manage');
  const { data: staff = [] } = useStaffQuery();
  const [link, linking] = useStaffLinkMutation();
  const [remove, removing] = useRemoveStaffMutation();
  /** links made on this page: what is kept elsewhere of a link opens nothing */
  const [made, setMade] = useState<Readonly<Record<number, string>>>({});
  const [editing, setEditing] = useState(0);
  const keep = (id: number, path: string) => setMade((m) => ({ ...m, [id]: path }));
  const renew = async (id: number) => {
    const done = await link(id);
    if ('data' in done && done.data) keep(id, done.data.path);
  };
  return (
    <>
      <h2>Staff</h2>
      <Problem error={linking.error ?? removing.error} />
      {problemOf(removing.error).code === 'booked-ahead' && removing.originalArgs !== undefined && (
        <HandOver key={removing.originalArgs} from={removing.originalArgs} staff={staff} />
      )}
      <Ledger>
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Role</th>
            <th scope="col">Passphrase</th>
            {mayManage && (
              <th scope="col">
                <span className="hidden">do</span>
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {staff.map((s) => (
            <tr key={s.id}>
              <td>{s.name}</td>
              <td>{ROLE_WORD[s.role]}</td>
              <td>{s.ready ? 'set' : 'not set yet'}</td>
              {mayManage && (
                <td>
                  <ActionButton look="quiet" aria-label={`Edit ${s.name}`} onClick={() => setEditing(s.id)}>
                    Edit
                  </ActionButton>
                  {s.ready && (
                    <ActionButton
                      look="quiet"
                      aria-label={`New sign-in link for ${s.name}`}
                      onClick={() => void renew(s.id)}
                    >
                      New sign-in link
                    </ActionButton>
                  )}
                  {s.id !== me.id && (
                    <Popconfirm
                      title={`Remove ${s.name} from the staff?`}
                      description="They are signed out at once. What they did stays on record."
                      okText={`Remove ${s.name}`}
                      cancelText="Cancel"
                      onConfirm={() => remove(s.id)}
                    >
                      <ActionButton look="quiet" aria-label={`Remove ${s.name} from the staff`}>
                        Remove
                      </ActionButton>
                    </Popconfirm>
                  )}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </Ledger>
      {staff
        .filter((s) => s.id === editing)
        .map((s) => (
          <StaffForm key={s.id} person={s} onDone={() => setEditing(0)} />
        ))}
      {mayManage && (
        <>
          <Invitations
            staff={staff.filter((s) => !s.ready || s.linkUntil !== null)}
            made={made}
            renew={(id) => void renew(id)}
          />
          <AddStaff joined={keep} />
        </>
      )}
    </>
  );
}

interface InvitationsProps {
  readonly staff: readonly StaffView[];
  readonly made: Readonly<Record<number, string>>;
  readonly renew: (id: number) => void;
}
/** Who has a link they have not used yet, or none and no passphrase either. */
function Invitations({ staff, made, renew }: InvitationsProps) {
  const { short } = useDays();
  const [withdraw, withdrawing] = useWithdrawLinkMutation();
  if (staff.length === 0) return null;
  return (
    <>
      <h2>Sign-in links not used yet</h2>
      <p className="soft">
        Give each person their link: it works once, for three days. A link is shown only on the page where it
        was made; a new one ends the one before.
      </p>
      <Problem error={withdrawing.error} />
      <ul className="bare">
        {staff.map((s) => (
          <li key={s.id}>
            <div className="row">
              <strong>{s.name}</strong>
              <span className={s.linkUntil ? 'soft' : 'pending'}>
                {s.linkUntil ? `link works until ${short(s.linkUntil)}` : 'no link'}
              </span>
              <ActionButton
                look="quiet"
                aria-label={`${s.linkUntil ? 'Make new link' : 'Make link'} for ${s.name}`}
                onClick={() => renew(s.id)}
              >
                {s.linkUntil ? 'Make new link' : 'Make link'}
              </ActionButton>
              {s.linkUntil && (
                <ActionButton
                  look="quiet"
                  aria-label={`Withdraw link of ${s.name}`}
                  onClick={() => void withdraw(s.id)}
                >
                  Withdraw link
                </ActionButton>
              )}
            </div>
            {s.linkUntil && made[s.id] && (
              <CopyText
                key={made[s.id]}
                label={`Sign-in link for ${s.name}`}
                text={`${window.location.origin}${made[s.id]}`}
              />
            )}
          </li>
        ))}
      </ul>
    </>
  );
}

function AddStaff({ joined }: { joined: (id: number, path: string) => void }) {
  const [add, adding] = useAddStaffMutation();
  const [form] = Form.useForm<{ name: string; role: Role }>();
  return (
    <>
      <h2>Add staff</h2>
      <Problem error={adding.error} />
      <Form
        form={form}
        name="staff"
        layout="vertical"
        requiredMark={false}
        initialValues={{ role: 'fitter' }}
        onFinish={async (v) => {
          const done = await add(v);
          if ('data' in done && done.data) {
            joined(done.data.id, done.data.path);
            emptyForm(form, v);
          }
        }}
      >
        <div className="fields">
          <Form.Item
            name="name"
            label="Name"
            rules={[{ required: true, whitespace: true, message: 'Enter a name.' }, { max: 200 }]}
          >
            <Input autoComplete="off" />
          </Form.Item>
          <Form.Item name="role" label="Role">
            <Select options={ROLES.map((r) => ({ value: r, label: ROLE_WORD[r] }))} />
          </Form.Item>
        </div>
        <ActionButton look="plain" type="submit" busy={adding.isLoading}>
          Add staff
        </ActionButton>
      </Form>
    </>
  );
}
