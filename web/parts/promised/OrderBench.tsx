import type { BenchWork, OrderFull } from '@rocchetto/contract';
import { NEEDS, type Need } from '@rocchetto/core';
import { hoursWord } from '@rocchetto/core/diary/load.ts';
import { Form, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { useChangeBenchMutation, useDropWorkMutation, usePromiseWorkMutation } from '../../api/bench.ts';
import { useStaffQuery } from '../../api/staff.ts';
import { DateField, dateRule } from '../../shared/DateField.tsx';
import { useDays, useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { DoneBox } from './DoneBox.tsx';

/** What the bench can make ready; a brief is written, not sewn. */
const MAKES = (Object.keys(NEEDS) as Need[]).filter((n) => n !== 'brief');

/** Work promised to an order: who, when, how long, and what it makes ready. */
export function OrderBench({ order }: { order: OrderFull }) {
  const may = useMay('bench.write');
  const { short } = useDays();
  const { data: staff = [] } = useStaffQuery();
  const [drop, dropping] = useDropWorkMutation();
  const [open, setOpen] = useState<BenchWork | 'new' | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const nameOf = (id: number) => staff.find((s) => s.id === id)?.name ?? 'someone who left';
  return (
    <>
      <h2>Bench work</h2>
      <Problem error={dropping.error} />
      {says && <Notice>{says}</Notice>}
      {order.bench.length === 0 && (
        <p className="soft">
          No work is scheduled yet. Scheduled work fills the day beside the appointments, and tells the diary
          when a toile or a basted garment will be ready.
        </p>
      )}
      <ul className="why">
        {order.bench.map((w) => (
          <li key={w.id}>
            <DoneBox work={w} />{' '}
            <span className={w.doneAt ? 'soft' : ''}>
              {w.what}: {nameOf(w.staffId)}, {short(w.day)}, {hoursWord(w.minutes)}
              {w.makes && <span className="soft"> · makes ready {NEEDS[w.makes]}</span>}
            </span>{' '}
            {w.alterationId !== null && (
              <Link to={`/orders/${order.id}/alterations/${w.alterationId}`}>Open the job</Link>
            )}
            {may && !w.doneAt && w.alterationId === null && (
              <>
                <ActionButton look="quiet" aria-label={`Edit ${w.what}`} onClick={() => setOpen(w)}>
                  Edit
                </ActionButton>{' '}
                <ActionButton look="quiet" aria-label={`Remove ${w.what}`} onClick={() => void drop(w.id)}>
                  Remove
                </ActionButton>
              </>
            )}
          </li>
        ))}
      </ul>
      {may && open === null && (
        <ActionButton look="plain" onClick={() => setOpen('new')}>
          Schedule work
        </ActionButton>
      )}
      {may && open !== null && (
        <WorkForm
          key={open === 'new' ? 'new' : `${open.id} ${open.version}`}
          orderId={order.id}
          work={open === 'new' ? null : open}
          staff={staff}
          onDone={(s) => {
            setSays(s);
            setOpen(null);
          }}
        />
      )}
    </>
  );
}

interface Written {
  readonly what: string;
  readonly makes: Need | '';
  readonly staffId: number;
  readonly day: string;
  readonly hours: number;
}
interface FormProps {
  readonly orderId: number;
  readonly work: BenchWork | null;
  readonly staff: readonly { id: number; name: string }[];
  readonly onDone: (says: string | null) => void;
}

function WorkForm({ orderId, work, staff, onDone }: FormProps) {
  const [promise, promising] = usePromiseWorkMutation();
  const [change, changing] = useChangeBenchMutation();
  return (
    <Form
      name="bench"
      className="slip"
      layout="vertical"
      requiredMark={false}
      aria-label={work ? `Edit ${work.what}` : 'Schedule work'}
      initialValues={
        work ? { ...work, makes: work.makes ?? '', hours: work.minutes / 60 } : { makes: '', hours: 2 }
      }
      onFinish={async (w: Written) => {
        const body = {
          what: w.what,
          makes: w.makes === '' ? null : w.makes,
          staffId: w.staffId,
          day: w.day,
          minutes: Math.round(w.hours * 60),
        };
        const done = work
          ? await change({ id: work.id, version: work.version, ...body })
          : await promise({ orderId, ...body });
        if ('data' in done && done.data) onDone(done.data.says);
      }}
    >
      <Problem error={promising.error ?? changing.error} />
      <div className="fields">
        <Form.Item
          name="what"
          label="Work"
          rules={[{ required: true, whitespace: true, message: 'Enter the work.' }]}
        >
          <Input autoComplete="off" maxLength={200} />
        </Form.Item>
        <Form.Item name="makes" label="Makes ready">
          <Select
            options={[
              { value: '', label: 'nothing for an appointment' },
              ...MAKES.map((n) => ({ value: n, label: NEEDS[n] })),
            ]}
          />
        </Form.Item>
        <Form.Item name="staffId" label="Who" rules={[{ required: true, message: 'Choose who does it.' }]}>
          <Select options={staff.map((s) => ({ value: s.id, label: s.name }))} />
        </Form.Item>
        <Form.Item name="day" label="Day" rules={[{ required: true, message: 'Choose a day.' }, dateRule]}>
          <DateField />
        </Form.Item>
        <Form.Item name="hours" label="Hours" rules={[{ required: true, message: 'Enter the hours.' }]}>
          <InputNumber min={0.25} max={12} step={0.25} />
        </Form.Item>
      </div>
      <div className="row acts">
        <ActionButton look="take" type="submit" busy={promising.isLoading || changing.isLoading}>
          {work ? 'Save work' : 'Schedule work'}
        </ActionButton>
        <ActionButton look="quiet" onClick={() => onDone(null)}>
          Cancel
        </ActionButton>
      </div>
    </Form>
  );
}
