import { type ClientRow, ClientWrite, languageName } from '@rocchetto/contract';
import { Checkbox, Form, Input, Select } from 'antd';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useLikelyQuery } from '../../api/clients.ts';
import { useDiaryHouseQuery } from '../../api/hours.ts';
import { ActionButton } from '../../shared/pieces.tsx';
import { useSettled } from '../../shared/useSettled.ts';

interface Props {
  readonly start: Partial<ClientWrite>;
  readonly except: number;
  readonly busy: boolean;
  readonly saveWord: string;
  readonly onSave: (w: ClientWrite) => void;
  readonly onChange?: (w: Partial<ClientWrite>) => void;
  /** a second key beside the one that saves */
  readonly besides?: ReactNode;
}

const UNITS = [
  { value: 'cm', label: 'centimetres' },
  { value: 'in', label: 'inches' },
];

/** A client's card to fill in. A likely duplicate is pointed out, never forbidden. */
export function ClientForm({ start, except, busy, saveWord, onSave, onChange, besides }: Props) {
  const [form] = Form.useForm<ClientWrite>();
  const { data: diary } = useDiaryHouseQuery();
  const tags = Object.keys(diary?.rules.languages ?? {});
  const name = useSettled(Form.useWatch('name', form) ?? '', 300);
  const phone = useSettled(Form.useWatch('phone', form) ?? '', 300);
  const minor = Form.useWatch('minor', form) ?? start.minor ?? false;
  const unchanged = name === (start.name ?? '') && phone === (start.phone ?? '');
  const { data: likely = [] } = useLikelyQuery(
    { name, phone, except },
    { skip: (name.length < 3 && phone.length < 6) || (unchanged && except > 0) },
  );
  return (
    <Form
      form={form}
      layout="vertical"
      initialValues={{ unit: null, language: '', ...start }}
      onFinish={(w) => onSave(ClientWrite.parse({ ...w, name: w.name.trim() }))}
      onValuesChange={(_, all) => onChange?.(all)}
      requiredMark={false}
      scrollToFirstError
    >
      <div className="fields">
        <Form.Item
          name="name"
          label="Name"
          rules={[
            { required: true, whitespace: true, message: 'Enter a name.' },
            { max: 200, message: 'The name is over 200 characters. Shorten it.' },
          ]}
        >
          <Input autoComplete="off" autoFocus={except === 0} />
        </Form.Item>
        <Form.Item
          name="phone"
          label="Phone"
          rules={[{ max: 60, message: 'The phone number is over 60 characters. Shorten it.' }]}
        >
          <Input autoComplete="off" inputMode="tel" />
        </Form.Item>
        <Form.Item
          name="email"
          label="E-mail"
          rules={[{ type: 'email', message: 'This isn’t an e-mail address. Check it.' }]}
        >
          <Input autoComplete="off" inputMode="email" />
        </Form.Item>
        <Form.Item
          name="address"
          label="Address"
          rules={[{ max: 500, message: 'The address is over 500 characters. Shorten it.' }]}
        >
          <Input autoComplete="off" />
        </Form.Item>
        <Form.Item
          name="note"
          label="Note"
          className="full"
          rules={[{ max: 2000, message: 'The note is over 2,000 characters. Shorten it.' }]}
        >
          <Input.TextArea rows={2} />
        </Form.Item>
        <Form.Item name="unit" label="Unit on their own pages">
          <Select options={[{ value: null, label: 'as the studio' }, ...UNITS]} />
        </Form.Item>
        <Form.Item name="language" label="Language of letters" hidden={tags.length === 0 && !start.language}>
          <Select
            options={[
              { value: '', label: 'the studio’s own texts' },
              ...[...new Set([...tags, ...(start.language ? [start.language] : [])])].map((tag) => ({
                value: tag,
                label: languageName(tag),
              })),
            ]}
          />
        </Form.Item>
        <Form.Item name="minor" valuePropName="checked">
          <Checkbox>Under age: a guardian must be present and named</Checkbox>
        </Form.Item>
        {minor && (
          <Form.Item
            name="guardian"
            label="Guardian"
            rules={[{ required: true, whitespace: true, message: 'Name the guardian.' }]}
          >
            <Input autoComplete="off" />
          </Form.Item>
        )}
      </div>
      <ActionButton look="take" type="submit" busy={busy}>
        {saveWord}
      </ActionButton>
      {besides}
      {/* Below: it comes while a hand is on its way to a key above. */}
      <Likely rows={likely} />
    </Form>
  );
}

function Likely({ rows }: { rows: readonly ClientRow[] }) {
  if (rows.length === 0) return null;
  return (
    <div className="notice" role="status">
      <p>Possibly an existing client:</p>
      <ul>
        {rows.map((r) => (
          <li key={r.id}>
            <Link to={`/clients/${r.id}`}>{r.name}</Link>{' '}
            <span className="soft">
              {r.code}
              {r.phone ? ` · ${r.phone}` : ''}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
