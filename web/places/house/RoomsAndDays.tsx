import { ROOM_USES, type RoomUse } from '@rocchetto/core';
import { Checkbox, Form, Input, Popconfirm, Select } from 'antd';
import { useState } from 'react';
import {
  useAddClosureMutation,
  useAddLeaveMutation,
  useAddRoomMutation,
  useChangeRoomMutation,
  useDiaryHouseQuery,
  useRemoveClosureMutation,
  useRemoveLeaveMutation,
  useRemoveRoomMutation,
} from '../../api/hours.ts';
import { emptyForm } from '../../shared/clear-unless-changed.ts';
import { DateField, dateRule } from '../../shared/DateField.tsx';
import { useDays, useMay } from '../../shared/me.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

const needed = (message: string) => [{ required: true, whitespace: true, message }];
const day = (name: string, label: string) => (
  <Form.Item name={name} label={label} rules={[{ required: true, message: 'Choose a day.' }, dateRule]}>
    <DateField />
  </Form.Item>
);

/** Rooms, leave and closed days: what the diary keeps free. */
export function RoomsAndDays() {
  const { data: house, error, refetch } = useDiaryHouseQuery();
  if (!house) return <Problem error={error} again={refetch} />;
  return (
    <>
      <Rooms />
      <Away />
    </>
  );
}

function Rooms() {
  const { data: house } = useDiaryHouseQuery();
  const may = useMay('house.write');
  const [add, adding] = useAddRoomMutation();
  const [remove, removing] = useRemoveRoomMutation();
  const [change, changing] = useChangeRoomMutation();
  const [form] = Form.useForm<RoomWritten>();
  const [open, setOpen] = useState(0);
  return (
    <>
      <h2>Rooms</h2>
      <Problem error={adding.error ?? removing.error ?? changing.error} />
      {house!.rooms.length === 0 && (
        <p className="soft">No rooms yet. A fitting needs one. Add the first and say what it suits.</p>
      )}
      <ul className="why">
        {house!.rooms.map((r) => (
          <li key={r.id}>
            {r.name} <span className="soft">{r.goodFor.join(', ') || 'no particular use'}</span>{' '}
            {may && (
              <ActionButton
                look="quiet"
                aria-expanded={open === r.id}
                aria-label={`Edit room ${r.name}`}
                onClick={() => setOpen(open === r.id ? 0 : r.id)}
              >
                Edit
              </ActionButton>
            )}{' '}
            {may && (
              <Popconfirm
                title={`Remove ${r.name}?`}
                okText="Remove room"
                cancelText="Cancel"
                onConfirm={() => remove(r.id)}
              >
                <ActionButton look="quiet" aria-label={`Remove room ${r.name}`}>
                  Remove
                </ActionButton>
              </Popconfirm>
            )}
            {open === r.id && (
              <Form<RoomWritten>
                key={r.version}
                name={`room-${r.id}`}
                className="slip"
                layout="vertical"
                requiredMark={false}
                aria-label={`Edit room ${r.name}`}
                initialValues={r}
                onFinish={async (v) => {
                  const done = await change({ id: r.id, version: r.version, ...v });
                  if ('data' in done) setOpen(0);
                }}
              >
                <RoomFields label="Room name" />
                <ActionButton look="plain" type="submit" busy={changing.isLoading}>
                  Save room
                </ActionButton>
              </Form>
            )}
          </li>
        ))}
      </ul>
      {may && (
        <Form
          form={form}
          name="room"
          layout="vertical"
          requiredMark={false}
          initialValues={{ goodFor: ['fitting'] }}
          onFinish={async (v) => {
            if ('data' in (await add(v))) emptyForm(form, v);
          }}
        >
          <RoomFields label="New room" />
          <ActionButton look="plain" type="submit" busy={adding.isLoading}>
            Add room
          </ActionButton>
        </Form>
      )}
    </>
  );
}

interface RoomWritten {
  name: string;
  goodFor: RoomUse[];
}

const RoomFields = ({ label }: { label: string }) => (
  <div className="fields">
    <Form.Item name="name" label={label} rules={needed('Enter the room’s name.')}>
      <Input autoComplete="off" maxLength={80} />
    </Form.Item>
    <Form.Item name="goodFor" label="Suits">
      <Checkbox.Group options={ROOM_USES.map((u) => ({ value: u, label: u }))} />
    </Form.Item>
  </div>
);

function Away() {
  const { data: house } = useDiaryHouseQuery();
  const { long } = useDays();
  const [mayStaff, mayHouse] = [useMay('staff.manage'), useMay('house.write')];
  const [addLeave, leaving] = useAddLeaveMutation();
  const [addClosure, closing] = useAddClosureMutation();
  const [removeLeave, unleaving] = useRemoveLeaveMutation();
  const [removeClosure, reopening] = useRemoveClosureMutation();
  const [leaveForm] = Form.useForm<{ staffId: number; firstDay: string; lastDay: string; reason?: string }>();
  const [closeForm] = Form.useForm<{ name: string; firstDay: string; lastDay: string }>();
  const span = (d: { firstDay: string; lastDay: string }) =>
    d.firstDay === d.lastDay ? long(d.firstDay) : `${long(d.firstDay)} to ${long(d.lastDay)}`;
  const { staff, leave, closures } = house!;
  const lines = [
    ...closures.map((c) => ({
      id: `c${c.id}`,
      firstDay: c.firstDay,
      text: `${span(c)}: studio closed, ${c.name}`,
      back: mayHouse ? () => removeClosure(c.id) : null,
    })),
    ...leave.map((l) => ({
      id: `l${l.id}`,
      firstDay: l.firstDay,
      text: `${span(l)}: ${staff.find((s) => s.id === l.staffId)?.name ?? 'somebody'}${l.reason && `, ${l.reason}`}`,
      back: mayStaff ? () => removeLeave(l.id) : null,
    })),
  ].sort((a, b) => a.firstDay.localeCompare(b.firstDay));
  return (
    <>
      <h2>Leave and closed days</h2>
      <Problem error={leaving.error ?? closing.error ?? unleaving.error ?? reopening.error} />
      {lines.length === 0 && <p className="soft">No leave and no closed days entered.</p>}
      <ul className="why">
        {lines.map((l) => (
          <li key={l.id}>
            {l.text}{' '}
            {l.back && (
              <ActionButton look="quiet" aria-label={`Remove: ${l.text}`} onClick={() => void l.back!()}>
                Remove
              </ActionButton>
            )}
          </li>
        ))}
      </ul>
      {mayStaff && (
        <Form
          form={leaveForm}
          name="leave"
          className="acts"
          layout="vertical"
          requiredMark={false}
          onFinish={async (v) => {
            if ('data' in (await addLeave({ ...v, reason: v.reason ?? '' }))) emptyForm(leaveForm, v);
          }}
        >
          <div className="fields">
            <Form.Item
              name="staffId"
              label="Leave for"
              rules={[{ required: true, message: 'Choose the person.' }]}
            >
              <Select options={staff.map((s) => ({ value: s.id, label: s.name }))} />
            </Form.Item>
            {day('firstDay', 'First day')}
            {day('lastDay', 'Last day')}
            <Form.Item name="reason" label="Reason">
              <Input maxLength={200} />
            </Form.Item>
          </div>
          <ActionButton look="plain" type="submit" busy={leaving.isLoading}>
            Add leave
          </ActionButton>
        </Form>
      )}
      {mayHouse && (
        <Form
          form={closeForm}
          name="closure"
          className="acts"
          layout="vertical"
          requiredMark={false}
          onFinish={async (v) => {
            if ('data' in (await addClosure(v))) emptyForm(closeForm, v);
          }}
        >
          <div className="fields">
            <Form.Item name="name" label="Studio closed for" rules={needed('Enter the reason.')}>
              <Input maxLength={80} />
            </Form.Item>
            {day('firstDay', 'First closed day')}
            {day('lastDay', 'Last closed day')}
          </div>
          <ActionButton look="plain" type="submit" busy={closing.isLoading}>
            Add closed days
          </ActionButton>
        </Form>
      )}
    </>
  );
}
