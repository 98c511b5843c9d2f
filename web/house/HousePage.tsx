import { ROLES, type Role } from '@rocchetto/contract';
import { Button, Form, Input, Select } from 'antd';
import { useEffect, useState } from 'react';
import {
  useAddStaffMutation,
  useRemoveStaffMutation,
  useStaffLinkMutation,
  useStaffQuery,
} from '../api/api.ts';
import { useMe } from '../app/me.ts';
import { Problem, Waiting } from '../shared/Problem.tsx';

/** Who works here. The principal adds staff and hands each a link to set a passphrase, once. */
export function Component() {
  const me = useMe();
  const { data: staff, error, refetch } = useStaffQuery();
  const [add, adding] = useAddStaffMutation();
  const [link, linking] = useStaffLinkMutation();
  const [remove, removing] = useRemoveStaffMutation();
  const [leaving, setLeaving] = useState<number | null>(null);
  const [made, setMade] = useState<{ name: string; path: string } | null>(null);
  const [form] = Form.useForm<{ name: string; role: Role }>();
  useEffect(() => {
    document.title = 'House · Rocchetto';
  }, []);
  if (!staff)
    return (
      <main className="work" id="work">
        <Waiting what="the staff" error={error} again={refetch} />
      </main>
    );
  return (
    <main className="work" id="work">
      <div>
        <h1>House</h1>
        <p className="soft">{me.studio}</p>
        <h2>Staff</h2>
        <Problem error={adding.error ?? linking.error ?? removing.error} />
        {made && (
          <div className="notice good" role="status">
            <p>Give {made.name} this link. It works once, for three days:</p>
            <code>
              {window.location.origin}
              {made.path}
            </code>
          </div>
        )}
        <table className="ledger">
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">Role</th>
              <th scope="col">Passphrase</th>
              <th scope="col">
                <span className="hidden">do</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {staff.map((s) => (
              <tr key={s.id}>
                <td>{s.name}</td>
                <td>{s.role}</td>
                <td>{s.ready ? 'set' : 'not set yet'}</td>
                <td>
                  <button
                    type="button"
                    className="quiet"
                    aria-label={`New link for ${s.name}`}
                    onClick={async () => {
                      const done = await link(s.id);
                      if ('data' in done && done.data) setMade({ name: s.name, path: done.data.path });
                    }}
                  >
                    new link
                  </button>
                  {s.id !== me.id &&
                    (leaving === s.id ? (
                      <>
                        <button type="button" className="quiet tight" onClick={() => void remove(s.id)}>
                          yes, {s.name} leaves
                        </button>
                        <button type="button" className="quiet" onClick={() => setLeaving(null)}>
                          no
                        </button>
                      </>
                    ) : (
                      <button
                        type="button"
                        className="quiet"
                        aria-label={`Take ${s.name} off the staff`}
                        onClick={() => setLeaving(s.id)}
                      >
                        take off
                      </button>
                    ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <h2 style={{ marginTop: 20 }}>Add to the staff</h2>
        <Form
          form={form}
          layout="vertical"
          requiredMark={false}
          initialValues={{ role: 'fitter' }}
          onFinish={async (v) => {
            const done = await add(v);
            if ('data' in done && done.data) {
              setMade({ name: v.name, path: done.data.path });
              form.resetFields();
            }
          }}
        >
          <div className="fields">
            <Form.Item
              name="name"
              label="Name"
              rules={[{ required: true, whitespace: true, message: 'A name is needed.' }, { max: 200 }]}
            >
              <Input autoComplete="off" />
            </Form.Item>
            <Form.Item name="role" label="Role">
              <Select options={ROLES.map((r) => ({ value: r, label: r }))} />
            </Form.Item>
          </div>
          <Button htmlType="submit" loading={adding.isLoading}>
            Add
          </Button>
        </Form>
      </div>
      <aside className="margin" aria-label="Margin">
        <section>
          <h2>Roles</h2>
          <dl className="facts">
            <dt>principal</dt>
            <dd>everything, and the staff</dd>
            <dt>fitter</dt>
            <dd>briefs, measuring and sheets, clients and orders</dd>
            <dt>seamstress</dt>
            <dd>reads orders and sheets; no addresses</dd>
            <dt>desk</dt>
            <dd>clients and orders; reads sheets, changes none</dd>
          </dl>
        </section>
      </aside>
    </main>
  );
}
