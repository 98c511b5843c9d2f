import type { AppointmentView, SlotView } from '@rocchetto/contract';
import type { Span } from '@rocchetto/core/diary/zoned.ts';
import { wallAt } from '@rocchetto/core/diary/zoned.ts';
import type { Db, Tx } from '../../db/pool.ts';
import { minutes, span } from './spans.ts';

/** Offers that were not answered in time let their times go. */
export async function letGo(tx: Db, now: Date): Promise<void> {
  const { rows } = await tx.query<{ id: number }>(
    `update appointment set status = 'cancelled', version = version + 1
      where status = 'offered' and held_until <= $1 returning id`,
    [now],
  );
  if (rows.length > 0)
    await tx.query(
      `update slot set state = 'left', reason = 'not answered in time', left_at = $2 where appointment_id = any($1) and state = 'offered'`,
      [rows.map((r) => r.id), now],
    );
}

export interface SlotMade {
  readonly start: number;
  readonly end: number;
  readonly staff: readonly number[];
  readonly roomId: number | null;
}

/** The first half of the key under which bookings of one day wait for each other. */
const BOOKING = 7243;

/**
 * Holds these days for the change in hand. Two that put something under an exclusion constraint at one moment may each
 * wait for the other, until PostgreSQL ends one of them: here the second waits for the first, and is told.
 */
export async function holdDays(tx: Tx, days: readonly string[]): Promise<void> {
  for (const day of [...new Set(days)].sort())
    await tx.query('select pg_advisory_xact_lock($1, $2)', [
      BOOKING,
      Math.floor(Date.parse(`${day}T00:00:00Z`) / 86_400_000),
    ]);
}

/** Keeps one time for an appointment. @throws the exclusion's error (23P01) when somebody, the room or the house has it not free */
export async function addSlot(
  tx: Tx,
  appointmentId: number,
  state: 'offered' | 'taken',
  s: SlotMade,
): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    'insert into slot (appointment_id, during, room_id, state) values ($1, $2, $3, $4) returning id',
    [appointmentId, span(s.start, s.end), s.roomId, state],
  );
  await tx.query('insert into slot_staff (slot_id, staff_id) select $1, unnest($2::bigint[])', [
    rows[0]!.id,
    s.staff,
  ]);
  return rows[0]!.id;
}

/** Lets the times of an appointment go, all but one, with the reason. */
export async function leaveSlots(
  tx: Tx,
  appointmentId: number,
  { but = 0, reason, by, at }: { but?: number; reason: string; by: number | null; at: Date },
): Promise<void> {
  await tx.query(
    `update slot set state = 'left', reason = $3, left_by = $4, left_at = $5 where appointment_id = $1 and id <> $2 and state <> 'left'`,
    [appointmentId, but, reason, by, at],
  );
}

export async function addAppointment(
  tx: Tx,
  a: {
    kind: string;
    clientId: number;
    orderId: number | null;
    status: 'offered' | 'confirmed';
    minutes: number;
    buffer: number;
    whoComes: string;
    bring: string;
    note: string;
    heldUntil: string | null;
    by: number;
  },
): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    `insert into appointment (kind, client_id, order_id, status, minutes, buffer, who_comes, bring, note, held_until, made_by)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11) returning id`,
    [
      a.kind,
      a.clientId,
      a.orderId,
      a.status,
      a.minutes,
      a.buffer,
      a.whoComes,
      a.bring,
      a.note,
      a.heldUntil,
      a.by,
    ],
  );
  return rows[0]!.id;
}

interface Row extends Omit<AppointmentView, 'slots'> {
  readonly slots: readonly Omit<SlotView, 'day' | 'from' | 'to'>[];
}

/** What the kind of an appointment `a` is called in this house. */
export const KIND_NAME = `coalesce((select h.diary -> 'kinds' -> a.kind ->> 'name' from house h), replace(a.kind, '-', ' '))`;

/** An appointment with its slots, in one query; `where` names rows of `a`. */
const APPOINTMENT = (where: string) => `
  select a.id, a.kind, ${KIND_NAME} as "kindName", a.status, a.client_id as "clientId", c.name as "clientName", a.order_id as "orderId",
    o.number as "orderNumber", o.what, a.minutes, a.buffer, a.who_comes as "whoComes", a.bring, a.note, a.answer, a.answer_words as "answerWords", (select w.name from staff w where w.id = a.answered_by) as "answeredBy",
    to_char(a.held_until at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "heldUntil",
    to_char(a.ready_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "readyAt",
    to_char(a.changed_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "changedAt", a.version,
    (select json_agg(json_build_object('id', s.id, 'state', s.state, 'start', ${minutes('lower(s.during)')}, 'end', ${minutes('upper(s.during)')},
        'roomId', s.room_id, 'reason', s.reason, 'leftAt', s.left_at,
        'staff', (select coalesce(json_agg(w.staff_id order by w.staff_id), '[]') from slot_staff w where w.slot_id = s.id)) order by s.id)
       from slot s where s.appointment_id = a.id) as slots
   from appointment a join client c on c.id = a.client_id left join orders o on o.id = a.order_id
  where ${where}`;

const walled = (zone: string, r: Row): AppointmentView => ({
  ...r,
  slots: (r.slots ?? []).map((s) => {
    const { day, time } = wallAt(zone, s.start);
    return { ...s, day, from: time, to: wallAt(zone, s.end).time };
  }),
});

export async function readAppointment(
  db: Db,
  zone: string,
  id: number,
): Promise<AppointmentView | undefined> {
  const { rows } = await db.query<Row>({ name: 'appointment', text: APPOINTMENT('a.id = $1'), values: [id] });
  return rows[0] && walled(zone, rows[0]);
}

/** Holds the appointment's row for the change in hand. */
export async function holdAppointment(
  tx: Tx,
  zone: string,
  id: number,
): Promise<AppointmentView | undefined> {
  await tx.query('select 1 from appointment where id = $1 for update', [id]);
  return readAppointment(tx, zone, id);
}

/** Appointments that have or are offered a time in the span, by their first one. */
export async function readDiary(db: Db, zone: string, within: Span): Promise<AppointmentView[]> {
  const { rows } = await db.query<Row>({
    name: 'diary-span',
    text: `${APPOINTMENT(`a.id in (select s.appointment_id from slot s where s.during && $1::tstzrange and s.state <> 'left')`)} order by a.id`,
    values: [span(within.from, within.to)],
  });
  return rows.map((r) => walled(zone, r));
}

export async function stepAppointment(
  tx: Tx,
  id: number,
  status: string,
  change: { heldUntil?: null } = {},
): Promise<void> {
  await tx.query(
    `update appointment set status = $2, version = version + 1, answer = case when $2 = 'confirmed' and answer = 'another-time' then '' else answer end, held_until = case when $3 then null else held_until end where id = $1`,
    [id, status, change.heldUntil === null],
  );
}

export async function noteAppointment(
  tx: Tx,
  id: number,
  d: { whoComes: string; bring: string; note: string },
): Promise<void> {
  await tx.query(
    'update appointment set who_comes = $2, bring = $3, note = $4, version = version + 1 where id = $1',
    [id, d.whoComes, d.bring, d.note],
  );
}

export async function readyAppointment(tx: Tx, id: number, at: Date | null, by: number): Promise<void> {
  await tx.query('update appointment set ready_at = $2, ready_by = $3, version = version + 1 where id = $1', [
    id,
    at,
    at && by,
  ]);
}

export const takeSlot = (tx: Tx, id: number) =>
  tx.query(`update slot set state = 'taken' where id = $1`, [id]);

/** Appointments that have or had a time of somebody's or a room's in the span. */
export async function readForFeed(
  db: Db,
  zone: string,
  of: { staffId: number | null; roomId: number | null },
  within: Span,
): Promise<AppointmentView[]> {
  const { rows } = await db.query<Row>({
    name: 'diary-feed',
    text: `${APPOINTMENT(`a.id in (select s.appointment_id from slot s left join slot_staff w on w.slot_id = s.id
        where s.during && $1::tstzrange and ($2::bigint is null or w.staff_id = $2) and ($3::bigint is null or s.room_id = $3))`)} order by a.id`,
    values: [span(within.from, within.to), of.staffId, of.roomId],
  });
  return rows.map((r) => walled(zone, r));
}

/** Keeps what the client said; `by` is whoever of the staff said it for her. */
export async function keepAnswer(
  tx: Tx,
  id: number,
  said: { readonly answer: string; readonly words: string; readonly at: Date; readonly by: number | null },
): Promise<void> {
  await tx.query(
    'update appointment set answer = $2, answer_words = $3, answered_at = $4, answered_by = $5, version = version + 1 where id = $1',
    [id, said.answer, said.words, said.at, said.by],
  );
}

/** What she said was of another time: nothing is said of this one. */
export const forgetAnswer = (tx: Tx, id: number) =>
  tx.query(
    `update appointment set answer = '', answer_words = '', answered_at = null, answered_by = null where id = $1`,
    [id],
  );

/** Whether this order is this client's. */
export async function isOrderOf(db: Db, orderId: number, clientId: number): Promise<boolean> {
  return (
    (await db.query('select 1 from orders where id = $1 and client_id = $2', [orderId, clientId]))
      .rowCount !== 0
  );
}

export async function isClient(db: Db, id: number): Promise<boolean> {
  return (await db.query('select 1 from client where id = $1 and erased_at is null', [id])).rowCount !== 0;
}
