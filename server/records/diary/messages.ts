import type { MessageView, Outbox } from '@rocchetto/contract';
import type { MessageKind } from '@rocchetto/core';
import type { Db, Tx } from '../../db/pool.ts';
import { readRooms } from './hours.ts';

/** Writes a message down and queues its job, in the same transaction. One that is there already stays. */
export async function addMessage(
  tx: Tx,
  m: { appointmentId: number; slotId: number | null; kind: MessageKind; dueAt: Date },
): Promise<void> {
  const { rows } = await tx.query<{ id: number }>(
    `insert into message (appointment_id, slot_id, kind, due_at) values ($1, $2, $3, $4)
     on conflict (appointment_id, kind, coalesce(slot_id, 0)) do nothing returning id`,
    [m.appointmentId, m.slotId, m.kind, m.dueAt],
  );
  if (rows[0]) await queueMessage(tx, rows[0].id, m.dueAt);
}

/** What was still to be told of an appointment is not told. */
export async function dropMessages(tx: Tx, appointmentId: number): Promise<void> {
  await tx.query(`update message set state = 'dropped' where appointment_id = $1 and state = 'waiting'`, [
    appointmentId,
  ]);
}

export async function holdMessage(
  tx: Tx,
  id: number,
): Promise<{ state: string; appointmentId: number; slotId: number | null; kind: MessageKind } | undefined> {
  const { rows } = await tx.query(
    'select state, appointment_id as "appointmentId", slot_id as "slotId", kind from message where id = $1 for update',
    [id],
  );
  return rows[0];
}

/** Where a client is told, by mail where there is an address, else by text; and the rooms by name. */
export async function messageTo(
  db: Db,
  clientId: number,
): Promise<{
  to: string;
  channel: 'mail' | 'text';
  language: string;
  roomNames: ReadonlyMap<number, string>;
}> {
  const { rows } = await db.query<{ email: string; phone: string; language: string }>(
    'select email, phone, language from client where id = $1',
    [clientId],
  );
  const { email, phone, language } = rows[0]!;
  const rooms = await readRooms(db);
  return {
    to: email || phone,
    channel: email ? 'mail' : 'text',
    language,
    roomNames: new Map(rooms.map((r) => [r.id, r.name])),
  };
}

export async function settleMessage(
  tx: Tx,
  id: number,
  state: 'sent' | 'dropped' | 'no-address',
  at: Date,
): Promise<undefined> {
  await tx.query(`update message set state = $2, settled_at = $3, trouble = '' where id = $1`, [
    id,
    state,
    at,
  ]);
}

/** The mail server has it: whatever has come of the appointment meanwhile, the client was told. */
export async function mailedMessage(tx: Tx, id: number, at: Date): Promise<void> {
  await settleMessage(tx, id, 'sent', at);
  await tx.query('update carried set by_mail = true where message_id = $1', [id]);
}

/** The mail server will not have it: it waits for a hand, not for the queue. */
export async function refusedMessage(db: Db, id: number, at: Date, trouble: string): Promise<void> {
  await db.query(
    `update message set state = 'refused', settled_at = $2, tries = tries + 1, trouble = $3 where id = $1 and state = 'waiting'`,
    [id, at, trouble.slice(0, 200)],
  );
}

/** Puts one that did not reach the client back in the queue. False where there is none such. */
export async function tellAgain(tx: Tx, id: number): Promise<boolean> {
  const { rowCount } = await tx.query(
    `update message set state = 'waiting', settled_at = null, trouble = '' where id = $1 and state in ('refused', 'no-address')`,
    [id],
  );
  if (rowCount) await queueMessage(tx, id, null);
  return rowCount === 1;
}

/** @param at null for now, by the database's clock */
const queueMessage = (tx: Tx, id: number, at: Date | null) =>
  tx.query(
    `select graphile_worker.add_job('tell', json_build_object('id', $1::bigint), run_at := coalesce($2, now()), job_key := 'tell-' || $1::bigint, max_attempts := 25)`,
    [id, at],
  );

export interface Letter {
  readonly channel: 'mail' | 'text';
  readonly to: string;
  readonly subject: string;
  readonly body: string;
}

/** Writes a letter down as it goes, or as it would go; one that was written for an earlier try gives way to it. */
export async function carry(tx: Tx, messageId: number, at: Date, l: Letter, pageKey: string): Promise<void> {
  const as = [messageId, at, l.channel, l.to, l.subject, l.body];
  const { rowCount } = await tx.query(
    'update carried set at = $2, channel = $3, sent_to = $4, subject = $5, body = $6 where message_id = $1',
    as,
  );
  if (!rowCount)
    await tx.query(
      'insert into carried (message_id, at, channel, sent_to, subject, body, page_key) values ($1, $2, $3, $4, $5, $6, $7)',
      [...as, pageKey],
    );
}

/** The key of the page that a letter names which was written already; empty when none was. */
export async function pageKeyOf(tx: Tx, messageId: number): Promise<string> {
  const { rows } = await tx.query<{ key: string }>(
    'select page_key as key from carried where message_id = $1',
    [messageId],
  );
  return rows[0]?.key ?? '';
}

/** Whether sending is made to fail just now, as it can be in the demo. */
export async function carrierFails(tx: Tx): Promise<boolean> {
  const { rows } = await tx.query<{ fails: boolean }>('select carrier_fails and demo as fails from house');
  return rows[0]!.fails;
}

/** Notes that a message could not be sent. */
export async function tryOf(db: Db, id: number, trouble: string): Promise<void> {
  await db.query(`update message set tries = tries + 1, trouble = $2 where id = $1 and state = 'waiting'`, [
    id,
    trouble.slice(0, 200),
  ]);
}

/** The outbox, fifty at once: what was told, or what is still to be told; of one appointment everything. */
export async function listMessages(
  db: Db,
  {
    show,
    appointment,
    before,
  }: { show: 'told' | 'to-come'; appointment?: number | undefined; before?: number | undefined },
): Promise<Outbox> {
  const { rows: house } = await db.query<Omit<Outbox, 'messages'>>(
    'select carrier_fails and demo as fails, demo, (select is_on from mail_server) as mail from house',
  );
  const [order, past] = show === 'told' || appointment ? ['desc', '<'] : ['asc', '>'];
  const which = appointment
    ? 'm.appointment_id = $1'
    : `$1::bigint is null and (m.state = 'waiting') = ${show === 'to-come'}`;
  const { rows } = await db.query<MessageView>({
    name: `messages-${appointment ? 'of' : show}`,
    text: `select m.id, m.appointment_id as "appointmentId", c.name as "clientName", m.kind,
        to_char(m.due_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "dueAt", m.state,
        coalesce(k.channel, '') as channel, coalesce(k.sent_to, '') as "sentTo", coalesce(k.subject, '') as subject,
        coalesce(k.body, '') as body, coalesce(k.by_mail, false) as mailed, m.tries, m.trouble
       from message m left join carried k on k.message_id = m.id
       join appointment a on a.id = m.appointment_id join client c on c.id = a.client_id
      where ${which} and ($2::bigint is null or (m.due_at, m.id) ${past} (select b.due_at, b.id from message b where b.id = $2))
      order by m.due_at ${order}, m.id ${order} limit 50`,
    values: [appointment ?? null, before ?? null],
  });
  return { ...house[0]!, messages: rows };
}

/** False in a house that is no demo: there nothing is made to fail. */
export async function setCarrier(tx: Tx, fails: boolean): Promise<boolean> {
  const { rowCount } = await tx.query('update house set carrier_fails = $1 where demo', [fails]);
  return rowCount === 1;
}
