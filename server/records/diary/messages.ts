import type { MessageView } from '@rocchetto/contract';
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
  if (rows[0])
    await tx.query(
      `select graphile_worker.add_job('tell', json_build_object('id', $1::bigint), run_at := $2, job_key := 'tell-' || $1::bigint, max_attempts := 25)`,
      [rows[0].id, m.dueAt],
    );
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
): Promise<{ to: string; channel: 'mail' | 'text'; roomNames: ReadonlyMap<number, string> }> {
  const { rows } = await db.query<{ email: string; phone: string }>(
    'select email, phone from client where id = $1',
    [clientId],
  );
  const { email, phone } = rows[0]!;
  const rooms = await readRooms(db);
  return {
    to: email || phone,
    channel: email ? 'mail' : 'text',
    roomNames: new Map(rooms.map((r) => [r.id, r.name])),
  };
}

export async function settleMessage(
  tx: Tx,
  id: number,
  state: 'sent' | 'dropped' | 'no-address',
  at: Date,
): Promise<void> {
  await tx.query(`update message set state = $2, settled_at = $3, trouble = '' where id = $1`, [
    id,
    state,
    at,
  ]);
}

export interface Letter {
  readonly channel: 'mail' | 'text';
  readonly to: string;
  readonly subject: string;
  readonly body: string;
}

/** The stand-in for a carrier of mail and text messages: what it is given stands in the outbox. */
export async function carry(tx: Tx, messageId: number, at: Date, l: Letter): Promise<void> {
  await tx.query(
    'insert into carried (message_id, at, channel, sent_to, subject, body) values ($1, $2, $3, $4, $5, $6)',
    [messageId, at, l.channel, l.to, l.subject, l.body],
  );
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
): Promise<{ fails: boolean; messages: MessageView[] }> {
  const { rows: house } = await db.query<{ fails: boolean }>('select carrier_fails as fails from house');
  const [order, past] = show === 'told' || appointment ? ['desc', '<'] : ['asc', '>'];
  const which = appointment
    ? 'm.appointment_id = $1'
    : `$1::bigint is null and (m.state = 'waiting') = ${show === 'to-come'}`;
  const { rows } = await db.query<MessageView>({
    name: `messages-${appointment ? 'of' : show}`,
    text: `select m.id, m.appointment_id as "appointmentId", c.name as "clientName", m.kind,
        to_char(m.due_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "dueAt", m.state,
        coalesce(k.channel, '') as channel, coalesce(k.sent_to, '') as "sentTo", coalesce(k.subject, '') as subject,
        coalesce(k.body, '') as body, m.tries, m.trouble
       from message m left join carried k on k.message_id = m.id
       join appointment a on a.id = m.appointment_id join client c on c.id = a.client_id
      where ${which} and ($2::bigint is null or (m.due_at, m.id) ${past} (select b.due_at, b.id from message b where b.id = $2))
      order by m.due_at ${order}, m.id ${order} limit 50`,
    values: [appointment ?? null, before ?? null],
  });
  return { fails: house[0]!.fails, messages: rows };
}

export async function setCarrier(tx: Tx, fails: boolean): Promise<void> {
  await tx.query('update house set carrier_fails = $1', [fails]);
}
