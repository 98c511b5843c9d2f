import { type OrderWrite, ROLE_WORD } from '@rocchetto/contract';
import { Form, Input, Select } from 'antd';
import { useState } from 'react';
import { useClientsQuery } from '../../api/clients.ts';
import { useStaffQuery } from '../../api/staff.ts';
import { DateField, dateRule } from '../../shared/DateField.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { useSettled } from '../../shared/useSettled.ts';

interface Values extends Omit<OrderWrite, 'wornOn' | 'dueOn'> {
  readonly wornOn: string;
  readonly dueOn: string;
}
interface Props {
  readonly start: Partial<OrderWrite>;
  readonly clientName: string | null;
  /** nothing was made for its client yet: a wrong one can be mended */
  readonly mayMove?: boolean;
  readonly busy: boolean;
  readonly saveWord: string;
  readonly onSave: (w: OrderWrite) => void;
}

/** An order's head: for whom, what, when it is worn and due, and who answers for it. */
export function OrderForm({ start, clientName, mayMove = false, busy, saveWord, onSave }: Props) {
  const [form] = Form.useForm<Values>();
  const [typed, setTyped] = useState('');
  const q = useSettled(typed.trim(), 120);
  const { data: found = [] } = useClientsQuery(
    { q },
    { skip: clientName !== null && !(mayMove && q !== '') },
  );
  const { data: staff = [] } = useStaffQuery();
  const worn = Form.useWatch('wornOn', form);
  const fixed = clientName === null ? [] : [{ value: start.clientId!, label: clientName }];
  return (
    <Form
      form={form}
      layout="vertical"
      requiredMark={false}
      initialValues={{
        occasion: '',
        responsibleId: null,
        ...start,
        wornOn: start.wornOn ?? '',
        dueOn: start.dueOn ?? '',
      }}
      onFinish={(v) =>
        onSave({
          ...v,
          occasion: v.occasion ?? '',
          wornOn: v.wornOn || null,
          dueOn: v.dueOn || null,
          responsibleId: v.responsibleId ?? null,
        })
      }
    >
      <div className="fields">
        <Form.Item name="clientId" label="Client" rules={[{ required: true, message: 'Choose the client.' }]}>
          <Select
            showSearch={{ filterOption: false, onSearch: setTyped }}
            disabled={clientName !== null && !mayMove}
            placeholder="Type a name, phone or code"
            options={
              clientName !== null && (!mayMove || typed === '')
                ? fixed
                : found.map((c) => ({ value: c.id, label: `${c.name} · ${c.code}` }))
            }
          />
        </Form.Item>
        <Form.Item
          name="what"
          label="Garment or job"
          rules={[{ required: true, whitespace: true, message: 'Enter the garment or job.' }, { max: 200 }]}
        >
          <Input autoComplete="off" autoFocus={clientName !== null} />
        </Form.Item>
        <Form.Item name="occasion" label="Occasion" rules={[{ max: 200 }]}>
          <Input autoComplete="off" />
        </Form.Item>
        <Form.Item name="wornOn" label="Worn on" rules={[dateRule]}>
          <DateField />
        </Form.Item>
        <Form.Item
          name="dueOn"
          label="Due date"
          dependencies={['wornOn']}
          rules={[
            dateRule,
            {
              validator: (_, due: string) =>
                /^\d/.test(due ?? '') && /^\d/.test(worn ?? '') && due > worn
                  ? Promise.reject(new Error('That is after the day it is worn.'))
                  : Promise.resolve(),
            },
          ]}
        >
          <DateField />
        </Form.Item>
        <Form.Item name="responsibleId" label="Responsible">
          <Select
            allowClear
            placeholder="Unassigned"
            options={staff.map((s) => ({ value: s.id, label: `${s.name} (${ROLE_WORD[s.role]})` }))}
          />
        </Form.Item>
      </div>
      <ActionButton look="take" type="submit" busy={busy}>
        {saveWord}
      </ActionButton>
    </Form>
  );
}
