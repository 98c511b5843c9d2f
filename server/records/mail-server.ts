import type { MailServerView, MailServerWrite } from '@rocchetto/contract';
import type { Db } from '../db/pool.ts';

/** The mail server as it may be shown: whether there is a password, never which. */
export async function readMailServer(db: Db, lock = false): Promise<MailServerView> {
  const { rows } = await db.query<MailServerView>({
    name: lock ? 'mail-server-held' : 'mail-server',
    text: `select is_on as "on", host, port, security, username as "user", version, secret <> '' as "hasPassword"
      from mail_server${lock ? ' for update' : ''}`,
  });
  return rows[0]!;
}

/** What the mail server is told when it asks. */
export async function mailSecret(db: Db): Promise<string> {
  const { rows } = await db.query<{ secret: string }>({
    name: 'mail-secret',
    text: 'select secret from mail_server',
  });
  return rows[0]!.secret;
}

export async function changeMailServer(db: Db, m: MailServerWrite): Promise<void> {
  await db.query(
    `update mail_server set is_on = $1, host = $2, port = $3, security = $4, username = $5,
       secret = case when $5 = '' then '' else coalesce($6, secret) end, version = version + 1`,
    [m.on, m.host, m.port, m.security, m.user, m.password ?? null],
  );
}
