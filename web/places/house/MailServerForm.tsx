import type { MailServerView, MailServerWrite } from '@rocchetto/contract';
import { MAIL_SECURITY } from '@rocchetto/contract/mail.ts';
import { Form, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { useHouseQuery } from '../../api/house.ts';
import { useChangeMailServerMutation, useMailServerQuery, useTryMailMutation } from '../../api/messages.ts';
import { Facts } from '../../shared/Facts.tsx';
import { useMay } from '../../shared/me.ts';
import { Notice } from '../../shared/Notice.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { useVersionedSave } from '../../shared/useVersionedSave.tsx';

const SECURITY_WORD: Readonly<Record<(typeof MAIL_SECURITY)[number], string>> = {
  starttls: 'STARTTLS (usual port 587)',
  tls: 'TLS from the start (usual port 465)',
  none: 'none (only within the studio)',
};
const LABELS = {
  on: 'Letters',
  host: 'Mail server',
  port: 'Port',
  security: 'Encryption',
  user: 'Sign-in name',
  password: 'Password',
} as const;

/** Through which mail server letters to clients go; until one is set up they are recorded only. */
export function MailServerForm() {
  const mayWrite = useMay('house.write');
  const { data: server, error, refetch } = useMailServerQuery(undefined, { skip: !mayWrite });
  const [change, changing] = useChangeMailServerMutation();
  const { editing, version, edit, leave, save, problem } = useVersionedSave<MailServerWrite>({
    now: server?.version ?? 0,
    send: (w, onTop) => change({ ...w, version: onTop }),
    state: changing,
    labels: LABELS,
    refetch,
  });
  if (!mayWrite) return null;
  return (
    <>
      <h2>Mail server</h2>
      {!server && <Problem error={error} again={refetch} />}
      {server && !editing && <Standing server={server} edit={edit} />}
      {server && editing && (
        <>
          {problem}
          <MailFields
            server={server}
            busy={changing.isLoading}
            save={(w) => save(w, version)}
            off={() => save({ ...plain(server), on: false }, version)}
            leave={leave}
          />
        </>
      )}
    </>
  );
}

/** What is written of it: without its version and without whether there is a password. */
const plain = ({ version: _, hasPassword: __, ...m }: MailServerView) => m;

function Standing({ server, edit }: { server: MailServerView; edit: () => void }) {
  const { data: house } = useHouseQuery();
  const [sendTry, trying] = useTryMailMutation();
  const [to, setTo] = useState('');
  if (!server.on)
    return (
      <>
        <p className="soft">
          No mail server is set up: letters to clients are recorded under Messages and not sent.
        </p>
        {house && !house.email && (
          <p className="soft">Letters come from the studio’s e-mail address: add it under Studio first.</p>
        )}
        <div className="row acts">
          <ActionButton look="plain" onClick={edit} disabled={!house?.email}>
            Set up mail server
          </ActionButton>
        </div>
      </>
    );
  return (
    <>
      <Facts
        facts={[
          ['Mail server', `${server.host}, port ${server.port}`],
          ['Encryption', SECURITY_WORD[server.security]],
          ['Sign-in', server.user ? `${server.user}${server.hasPassword ? '' : ', no password'}` : 'none'],
          ['Letters come from', house?.email || 'no address: add one under Studio'],
        ]}
      />
      <div className="row acts">
        <ActionButton look="plain" onClick={edit}>
          Edit mail server
        </ActionButton>
      </div>
      <Problem error={trying.error} />
      {trying.isSuccess && (
        <Notice tone="good">The mail server took the letter to {trying.originalArgs}.</Notice>
      )}
      <form
        className="row acts"
        onSubmit={(e) => {
          e.preventDefault();
          void sendTry(to.trim());
        }}
      >
        <label htmlFor="mail-try">Test letter to</label>
        <Input
          id="mail-try"
          type="email"
          value={to}
          onChange={(e) => setTo(e.target.value)}
          style={{ width: '18rem' }}
        />
        <ActionButton look="plain" type="submit" busy={trying.isLoading} disabled={!to.includes('@')}>
          Send test letter
        </ActionButton>
      </form>
    </>
  );
}

interface FieldsProps {
  readonly server: MailServerView;
  readonly busy: boolean;
  readonly save: (w: MailServerWrite) => void;
  readonly off: () => void;
  readonly leave: () => void;
}
function MailFields({ server, busy, save, off, leave }: FieldsProps) {
  return (
    <Form
      layout="vertical"
      requiredMark={false}
      initialValues={plain(server)}
      onFinish={({ password, ...w }: MailServerWrite) =>
        save({ ...w, on: true, ...(password ? { password } : {}) })
      }
    >
      <div className="fields">
        <Form.Item
          name="host"
          label={LABELS.host}
          rules={[{ required: true, whitespace: true, message: 'Enter the mail server’s name.' }]}
        >
          <Input autoComplete="off" placeholder="e.g. mail.example.org" />
        </Form.Item>
        <Form.Item name="security" label={LABELS.security}>
          <Select options={MAIL_SECURITY.map((value) => ({ value, label: SECURITY_WORD[value] }))} />
        </Form.Item>
        <Form.Item name="port" label={LABELS.port}>
          <InputNumber min={1} max={65_535} precision={0} controls={false} />
        </Form.Item>
        <Form.Item name="user" label={`${LABELS.user} (optional)`}>
          <Input autoComplete="off" />
        </Form.Item>
        <Form.Item
          name="password"
          label={`${LABELS.password} (optional)`}
          extra={server.hasPassword ? 'A password is kept. Leave this empty to keep it.' : undefined}
        >
          <Input.Password autoComplete="new-password" />
        </Form.Item>
      </div>
      <div className="row acts">
        <ActionButton look="take" type="submit" busy={busy}>
          Save
        </ActionButton>
        {server.on && (
          <ActionButton look="plain" onClick={off}>
            Stop sending letters
          </ActionButton>
        )}
        <ActionButton look="quiet" onClick={leave}>
          Cancel
        </ActionButton>
      </div>
    </Form>
  );
}
