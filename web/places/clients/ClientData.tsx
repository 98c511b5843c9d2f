import type { ClientFull } from '@rocchetto/contract';
import { Form, Input, Popconfirm } from 'antd';
import { useEraseClientMutation } from '../../api/clients.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

/** What the studio keeps of one client: given out, or erased on request. */
export function ClientData({ client }: { client: ClientFull }) {
  const [erase, { data, error, isLoading }] = useEraseClientMutation();
  const [form] = Form.useForm<{ reason: string }>();
  const reason = Form.useWatch('reason', form)?.trim() ?? '';
  return (
    <section>
      <h2>Personal data</h2>
      <p>
        <a href={`/api/clients/${client.id}/data.zip`} download>
          Download everything (ZIP)
        </a>
      </p>
      {data && (
        <Notice tone="good">
          <p>Erased. What must be kept:</p>
          <ul>
            {data.stays.map((s) => (
              <li key={s}>{s}</li>
            ))}
          </ul>
        </Notice>
      )}
      <Problem error={error} />
      <details>
        <summary>Erase client …</summary>
        <p className="soft">
          Name, contacts, notes and every measurement are erased for good, from the history too. Order
          numbers, dates and the figures of agreed sheets stay, without a name: accounts and repairs may need
          them, and your country’s law says for how long.
        </p>
        <Form form={form} layout="vertical" requiredMark={false}>
          <Form.Item name="reason" label="Who asked for it, and how">
            <Input maxLength={500} autoComplete="off" />
          </Form.Item>
          <Popconfirm
            title={`Erase ${client.name}?`}
            description="This cannot be undone."
            okText="Erase for good"
            cancelText="Cancel"
            disabled={!reason}
            onConfirm={() => erase({ id: client.id, version: client.version, reason })}
          >
            <ActionButton look="plain" className="danger" disabled={!reason} busy={isLoading}>
              Erase client
            </ActionButton>
          </Popconfirm>
        </Form>
      </details>
    </section>
  );
}
