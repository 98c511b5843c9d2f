import { type HouseSettings, ROLE_WORD, ROLES, type Role } from '@rocchetto/contract';
import { Button, Form, Input, Popconfirm, Select } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { useChangeHouseMutation, useHouseQuery } from '../../api/house.ts';
import {
  useAddStaffMutation,
  useRemoveStaffMutation,
  useStaffLinkMutation,
  useStaffQuery,
} from '../../api/staff.ts';
import { CopyText } from '../../shared/CopyText.tsx';
import { emptyForm } from '../../shared/emptied.ts';
import { Facts } from '../../shared/Facts.tsx';
import { useMay, useMe } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { problemOf } from '../../shared/problem-of.ts';
import { useVersionedSave } from '../../shared/useVersionedSave.tsx';
import { Changes } from './Changes.tsx';
import { HandOver } from './HandOver.tsx';
import { KindsTable } from './KindsTable.tsx';
import { MailServerForm } from './MailServerForm.tsx';
import { RoomsAndDays } from './RoomsAndDays.tsx';
import { StaffForm } from './StaffForm.tsx';
import { DATE_WORD, PAPER_WORD, STUDIO_LABELS, StudioFields, UNIT_WORD, WEEK_WORD } from './StudioFields.tsx';
import { WordsTable } from './WordsTable.tsx';
import { WorkTable } from './WorkTable.tsx';

const SECTIONS = [
  ['studio', 'Studio'],
  ['staff', 'Staff'],
  ['hours-and-skills', 'Staff hours and skills'],
  ['rooms', 'Rooms, leave, closed days'],
  ['hours', 'Opening hours and appointment types'],
  ['messages', 'Message texts'],
  ['mail', 'Mail server'],
] as const;

/** Who works here and what the house goes by. The principal adds staff and hands each a link to set a passphrase, once. */
export function Component() {
  const { data: staff, error, refetch } = useStaffQuery();
  const { hash } = useLocation();
  const here = staff !== undefined;
  // A link to a section leads there once there is something to lead to.
  useEffect(() => {
    if (here && hash) document.getElementById(hash.slice(1))?.scrollIntoView();
  }, [here, hash]);
  if (!staff) return <Place title="Studio settings" waiting={{ what: 'the staff', error, again: refetch }} />;
  return (
    <Place
      title="Studio settings"
      margin={
        <>
          <nav aria-label="Sections">
            <h2>Sections</h2>
            <ul className="why">
              {SECTIONS.map(([id, words]) => (
                <li key={id}>
                  <a href={`#${id}`}>{words}</a>
                </li>
              ))}
            </ul>
          </nav>
          <section>
            <h2>Roles</h2>
            <Facts
              of={[
                ['owner', 'everything, with staff and studio settings'],
                ['fitter', 'briefs, measuring, sheets and alterations; clients, orders and the diary'],
                [
                  'seamstress',
                  'does and checks alterations; sees orders, sheets and the diary; no addresses, no body measurements',
                ],
                [
                  'front desk',
                  'clients, orders, the diary and garments brought in; sees sheets, changes none',
                ],
              ]}
            />
          </section>
        </>
      }
    >
      <h1>Studio settings</h1>
      <p>
        <Link to="/house/rules">Studio rules</Link>: ease, allowances, darts, rounding, ways of measuring,
        ages and lead times. <Link to="/house/bench">Bench times, prices and fitting signs</Link>: how long
        bench work takes, what it costs, and the signs offered at a fitting.{' '}
        <Link to="/how-we-measure">How we measure</Link>, and{' '}
        <Link to="/whose-tape">accuracy of measuring</Link>. <Link to="/house/security">Security</Link>: when
        screens lock, who needs a second factor, and sign-ins and refusals.
      </p>
      <div id="studio">
        <h2>Studio</h2>
        <Settings />
      </div>
      <div id="staff">
        <Staff />
      </div>
      <div id="hours-and-skills">
        <WorkTable />
      </div>
      <div id="rooms">
        <RoomsAndDays />
      </div>
      <div id="hours">
        <KindsTable />
      </div>
      <div id="messages">
        <WordsTable />
      </div>
      <div id="mail">
        <MailServerForm />
      </div>
      <Changes />
    </Place>
  );
}

function Settings() {
  const { data: house, error, refetch } = useHouseQuery();
  const [change, changing] = useChangeHouseMutation();
  const mayWrite = useMay('house.write');
  const { editing, version, edit, leave, save, problem } = useVersionedSave<HouseSettings>({
    now: house?.version ?? 0,
    send: (w, onTop) => change({ ...w, version: onTop }),
    state: changing,
    labels: STUDIO_LABELS,
    refetch,
  });
  if (!house) return <Problem error={error} again={refetch} />;
  if (!editing)
    return (
      <>
        <Facts
          of={[
            ['Studio name', house.studio],
            ['Address', house.address || '—'],
            ['Phone', house.phone || '—'],
            ['E-mail', house.email || '—'],
            ['Unit', UNIT_WORD[house.unit]],
            ['Paper', PAPER_WORD[house.paper]],
            ['Dates', DATE_WORD[house.dateOrder]],
            ['Currency sign', house.currency || '—'],
            ['Week starts on', WEEK_WORD[house.weekStarts]],
            ['Time zone', house.timeZone],
            ['Checking', house.ownCheck ? 'a person may check their own work' : 'someone else must check'],
          ]}
        />
        {mayWrite && (
          <div className="row acts">
            <Button onClick={edit}>Edit studio</Button>
          </div>
        )}
      </>
    );
  return (
    <>
      {problem}
      <Form
        layout="vertical"
        requiredMark={false}
        initialValues={house}
        onFinish={(w: HouseSettings) => save(w, version)}
      >
        <StudioFields />
        <Button type="primary" htmlType="submit" loading={changing.isLoading}>
          Save
        </Button>
        <Button type="text" onClick={leave}>
          Cancel
        </Button>
      </Form>
    </>
  );
}

function Staff() {
  const me = useMe();
  const mayManage = useMay('staff.manage');
  const { data: staff = [] } = useStaffQuery();
  const [add, adding] = useAddStaffMutation();
  const [link, linking] = useStaffLinkMutation();
  const [remove, removing] = useRemoveStaffMutation();
  const [made, setMade] = useState<{ name: string; path: string } | null>(null);
  const [form] = Form.useForm<{ name: string; role: Role }>();
  const [editing, setEditing] = useState(0);
  return (
    <>
      <h2>Staff</h2>
      <Problem error={adding.error ?? linking.error ?? removing.error} />
      {problemOf(removing.error).code === 'booked-ahead' && removing.originalArgs !== undefined && (
        <HandOver key={removing.originalArgs} from={removing.originalArgs} staff={staff} />
      )}
      {made && (
        <Notice is="good">
          <p>Give {made.name} this link. It works once, for three days:</p>
          <CopyText label={`Sign-in link for ${made.name}`} text={`${window.location.origin}${made.path}`} />
        </Notice>
      )}
      <table className="ledger">
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
                  <button
                    type="button"
                    className="quiet"
                    aria-label={`Edit ${s.name}`}
                    onClick={() => setEditing(s.id)}
                  >
                    Edit
                  </button>
                  <button
                    type="button"
                    className="quiet"
                    aria-label={`New sign-in link for ${s.name}`}
                    onClick={async () => {
                      const done = await link(s.id);
                      if ('data' in done && done.data) setMade({ name: s.name, path: done.data.path });
                    }}
                  >
                    New sign-in link
                  </button>
                  {s.id !== me.id && (
                    <Popconfirm
                      title={`Remove ${s.name} from the staff?`}
                      description="They are signed out at once. What they did stays on record."
                      okText={`Remove ${s.name}`}
                      cancelText="Cancel"
                      onConfirm={() => remove(s.id)}
                    >
                      <button type="button" className="quiet" aria-label={`Remove ${s.name} from the staff`}>
                        Remove
                      </button>
                    </Popconfirm>
                  )}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      {staff
        .filter((s) => s.id === editing)
        .map((s) => (
          <StaffForm key={s.id} of={s} onDone={() => setEditing(0)} />
        ))}
      {mayManage && (
        <>
          <h2>Add staff</h2>
          <Form
            form={form}
            name="staff"
            layout="vertical"
            requiredMark={false}
            initialValues={{ role: 'fitter' }}
            onFinish={async (v) => {
              const done = await add(v);
              if ('data' in done && done.data) {
                setMade({ name: v.name, path: done.data.path });
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
            <Button htmlType="submit" loading={adding.isLoading}>
              Add staff
            </Button>
          </Form>
        </>
      )}
    </>
  );
}
