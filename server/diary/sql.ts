import type {
  AppointmentView,
  ClosureView,
  DiaryRules,
  FeedView,
  LeaveView,
  MessageView,
  OrderAppointment,
  RoomView,
  RoomWrite,
  SlotView,
  StaffAtWork,
  StaffWork,
} from '@rocchetto/contract';
import { DiaryRules as Rules, StoredHours, stored } from '@rocchetto/contract';
import { foldText, type MessageKind, printDayAndDate } from '@rocchetto/core';
import type { Span } from '@rocchetto/core/diary/zoned.ts';
import { wallAt } from '@rocchetto/core/diary/zoned.ts';
import type { Db, Tx } from '../db/pool.ts';
import { Refusal } from '../http/problem.ts';

/** Minutes since 1970 of an instant. */
const minutes = (instant: string) => `(extract(epoch from ${instant}) / 60)::int`;
const span = (from: number, to: number) =>
  `[${new Date(from * 60_000).toISOString()},${new Date(to * 60_000).toISOString()})`;

/** What the house has laid over core's kinds, its opening hours and its version. */
export async function readRules(
  db: Db,
  lock = false,
): Promise<{ zone: string; rules: DiaryRules; version: number }> {
  const { rows } = await db.query<{ zone: string; rules: unknown; version: number }>({
    name: lock ? 'diary-rules-held' : 'diary-rules',
    text: `select time_zone as zone, diary as rules, version from house${lock ? ' for update' : ''}`,
  });
  return { ...rows[0]!, rules: stored(Rules, 'The diary’s rules', rows[0]!.rules) };
}

export async function writeRules(tx: Tx, rules: DiaryRules): Promise<void> {
  await tx.query('update house set diary = $1, version = version + 1', [JSON.stringify(rules)]);
}

export async function readStaff(db: Db): Promise<StaffAtWork[]> {
  const { rows } = await db.query({
    name: 'diary-staff',
    text: 'select id, name, role, skills, initials, mark, hours, version from staff where active order by name',
  });
  return rows.map((r) => ({ ...r, hours: stored(StoredHours, 'Hours', r.hours).hours }));
}

export async function readWork(tx: Tx, id: number): Promise<(StaffWork & { version: number }) | undefined> {
  const { rows } = await tx.query(
    'select skills, initials, mark, hours, version from staff where id = $1 and active for update',
    [id],
  );
  return rows[0] && { ...rows[0], hours: stored(StoredHours, 'Hours', rows[0].hours).hours };
}

export async function writeWork(tx: Tx, id: number, w: StaffWork): Promise<void> {
  await tx.query(
    'update staff set skills = $2, initials = $3, mark = $4, hours = $5, version = version + 1 where id = $1',
    [id, w.skills, w.initials, w.mark, JSON.stringify({ version: 1, hours: w.hours })],
  );
}

const ROOM = 'id, name, good_for as "goodFor", version';
export async function readRooms(db: Db): Promise<RoomView[]> {
  const { rows } = await db.query<RoomView>({
    name: 'diary-rooms',
    text: `select ${ROOM} from room where active order by name`,
  });
  return rows;
}
export async function readRoom(tx: Tx, id: number): Promise<RoomView | undefined> {
  const { rows } = await tx.query<RoomView>(`select ${ROOM} from room where id = $1 and active for update`, [
    id,
  ]);
  return rows[0];
}
export async function addRoom(tx: Tx, r: RoomWrite): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    'insert into room (name, name_key, good_for) values ($1, $2, $3) returning id',
    [r.name, foldText(r.name), r.goodFor],
  );
  return rows[0]!.id;
}
export async function writeRoom(tx: Tx, id: number, r: RoomWrite): Promise<void> {
  await tx.query(
    'update room set name = $2, name_key = $3, good_for = $4, version = version + 1 where id = $1',
    [id, r.name, foldText(r.name), r.goodFor],
  );
}
export const closeRoom = (tx: Tx, id: number) =>
  tx.query('update room set active = false where id = $1', [id]);

const DAYS = 'first_day as "firstDay", last_day as "lastDay"';
export async function readLeave(db: Db, from: string): Promise<LeaveView[]> {
  const { rows } = await db.query<LeaveView>({
    name: 'diary-leave',
    text: `select id, staff_id as "staffId", ${DAYS}, reason from leave where gone_at is null and last_day >= $1 order by first_day, id`,
    values: [from],
  });
  return rows;
}
export async function readClosures(db: Db, from: string): Promise<ClosureView[]> {
  const { rows } = await db.query<ClosureView>({
    name: 'diary-closures',
    text: `select id, name, ${DAYS} from closure where gone_at is null and last_day >= $1 order by first_day, id`,
    values: [from],
  });
  return rows;
}

/** Keeps the days of a leave or a closing. @throws the exclusion's error (23P01) when something is there already */
export async function addAway(
  tx: Tx,
  what: { table: 'leave'; staffId: number; reason: string } | { table: 'closure'; name: string },
  days: { firstDay: string; lastDay: string },
  during: Span,
): Promise<number> {
  const { rows } = await (what.table === 'leave'
    ? tx.query<{ id: number }>(
        'insert into leave (staff_id, reason, first_day, last_day) values ($1, $2, $3, $4) returning id',
        [what.staffId, what.reason, days.firstDay, days.lastDay],
      )
    : tx.query<{ id: number }>(
        'insert into closure (name, first_day, last_day) values ($1, $2, $3) returning id',
        [what.name, days.firstDay, days.lastDay],
      ));
  const id = rows[0]!.id;
  await (what.table === 'leave'
    ? tx.query('insert into occupied (leave_id, staff_id, during) values ($1, $2, $3)', [
        id,
        what.staffId,
        span(during.from, during.to),
      ])
    : tx.query('insert into occupied (closure_id, house, during) values ($1, 2, $2)', [
        id,
        span(during.from, during.to),
      ]));
  return id;
}

/** Takes a leave or a closing back; false when there is none. */
export async function takeBackAway(tx: Tx, table: 'leave' | 'closure', id: number): Promise<boolean> {
  const gone = await tx.query(`update ${table} set gone_at = now() where id = $1 and gone_at is null`, [id]);
  await tx.query(`delete from occupied where ${table}_id = $1`, [id]);
  return gone.rowCount !== 0;
}

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

export type AppointmentRecord = AppointmentView & { readonly changedAt: string };
interface Row extends Omit<AppointmentRecord, 'slots'> {
  readonly slots: readonly Omit<SlotView, 'day' | 'from' | 'to'>[];
}
/** An appointment with its slots, in one query; `where` names rows of `a`. */
const APPOINTMENT = (where: string) => `
  select a.id, a.kind, a.status, a.client_id as "clientId", c.name as "clientName", a.order_id as "orderId",
    o.number as "orderNumber", o.what, a.minutes, a.buffer, a.who_comes as "whoComes", a.bring, a.note, a.answer, a.answer_words as "answerWords",
    to_char(a.held_until at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "heldUntil",
    to_char(a.ready_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "readyAt",
    to_char(a.changed_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "changedAt", a.version,
    (select json_agg(json_build_object('id', s.id, 'state', s.state, 'start', ${minutes('lower(s.during)')}, 'end', ${minutes('upper(s.during)')},
        'roomId', s.room_id, 'reason', s.reason, 'leftAt', s.left_at,
        'staff', (select coalesce(json_agg(w.staff_id order by w.staff_id), '[]') from slot_staff w where w.slot_id = s.id)) order by s.id)
       from slot s where s.appointment_id = a.id) as slots
   from appointment a join client c on c.id = a.client_id left join orders o on o.id = a.order_id
  where ${where}`;

const walled = (zone: string, r: Row): AppointmentRecord => ({
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
): Promise<AppointmentRecord | undefined> {
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

export interface BookRows {
  readonly staff: readonly StaffAtWork[];
  readonly rooms: readonly RoomView[];
  readonly leave: readonly LeaveView[];
  /** [staff, room, house, from, to] of all that is kept, in order; 2 for a closed house */
  readonly busy: readonly (readonly [number | null, number | null, number | null, number, number])[];
}

/** All that free times are looked for in, over a span: who works here, rooms, leave, what is kept. One query. */
export async function readBookRows(db: Db, within: Span, first: string, moving = 0): Promise<BookRows> {
  const { rows } = await db.query<
    { [K in keyof BookRows]: BookRows[K] | null } & { staff: (StaffAtWork & { hours: unknown })[] }
  >({
    name: 'diary-book',
    text: `select
      (select json_agg(json_build_object('id', id, 'name', name, 'role', role, 'skills', skills, 'initials', initials,
          'mark', mark, 'hours', hours, 'version', version) order by name) from staff where active) as staff,
      (select json_agg(json_build_object('id', id, 'name', name, 'goodFor', good_for, 'version', version) order by name)
         from room where active) as rooms,
      (select json_agg(json_build_object('id', id, 'staffId', staff_id, 'firstDay', first_day, 'lastDay', last_day, 'reason', reason))
         from leave where gone_at is null and last_day >= $2) as leave,
      (select json_agg(json_build_array(b.staff_id, b.room_id, b.house, ${minutes('lower(b.during)')}, ${minutes('upper(b.during)')})
          order by lower(b.during))
         from occupied b left join slot s on s.id = b.slot_id
        where b.during && $1::tstzrange and (b.house is null or b.house = 2)
          and (s.appointment_id is null or s.appointment_id <> $3)) as busy`,
    values: [span(within.from, within.to), first, moving],
  });
  const { staff, rooms, leave, busy } = rows[0]!;
  return {
    staff: (staff ?? []).map((s) => ({ ...s, hours: stored(StoredHours, 'Hours', s.hours).hours })),
    rooms: rooms ?? [],
    leave: leave ?? [],
    busy: busy ?? [],
  };
}

/** Whom the client had at their last appointment, newest first. */
export async function lastHands(db: Db, clientId: number): Promise<number[]> {
  const { rows } = await db.query<{ id: number }>({
    name: 'diary-last-hands',
    text: `select w.staff_id as id from appointment a join slot s on s.appointment_id = a.id and s.state = 'taken'
             join slot_staff w on w.slot_id = s.id
            where a.client_id = $1 and a.status in ('confirmed', 'arrived', 'done') order by lower(s.during) desc limit 3`,
    values: [clientId],
  });
  return rows.map((r) => r.id);
}

/** An order's appointments that stand, by time, for its thread. */
export async function orderAppointments(db: Db, zone: string, orderId: number): Promise<OrderAppointment[]> {
  const { rows } = await db.query<{
    id: number;
    kind: string;
    status: OrderAppointment['status'];
    start: number;
  }>({
    name: 'order-appointments',
    text: `select a.id, a.kind, a.status, ${minutes('lower(s.during)')} as start from appointment a
             join slot s on s.appointment_id = a.id and s.state = 'taken'
            where a.order_id = $1 and a.status <> 'cancelled' order by lower(s.during)`,
    values: [orderId],
  });
  return rows.map(({ start, ...r }) => ({ ...r, ...wallAt(zone, start) }));
}

/** Bookings that still stand after a moment, of somebody, in a room, or at all within a span: what must be moved first. */
export async function bookedAhead(
  db: Db,
  where: { staffId?: number; roomId?: number; within?: Span },
  after: Date,
): Promise<{ id: number; clientName: string; start: number }[]> {
  const { rows } = await db.query({
    text: `select distinct on (lower(s.during), a.id) a.id, c.name as "clientName", ${minutes('lower(s.during)')} as start
       from slot s join appointment a on a.id = s.appointment_id join client c on c.id = a.client_id
       left join slot_staff w on w.slot_id = s.id
      where s.state <> 'left' and a.status in ('offered', 'confirmed') and upper(s.during) > $1
        and ($2::bigint is null or w.staff_id = $2) and ($3::bigint is null or s.room_id = $3)
        and ($4::tstzrange is null or s.during && $4::tstzrange)
      order by lower(s.during), a.id limit 50`,
    values: [
      after,
      where.staffId ?? null,
      where.roomId ?? null,
      where.within ? span(where.within.from, where.within.to) : null,
    ],
  });
  return rows;
}

/** What stands in the way, by name: up to five bookings, and how many more. */
export function ahead(zone: string, what: string, booked: Awaited<ReturnType<typeof bookedAhead>>): Refusal {
  const first = booked.slice(0, 5).map((b) => {
    const { day, time } = wallAt(zone, b.start);
    return `${b.clientName}, ${printDayAndDate(day)} ${time}`;
  });
  const more = booked.length > 5 ? `, and ${booked.length - 5} more` : '';
  return new Refusal(
    409,
    'booked-ahead',
    `${what} has bookings ahead; move them first: ${first.join('; ')}${more}.`,
    {
      theirs: booked,
    },
  );
}

export async function addFeed(
  tx: Tx,
  tokenHash: Buffer,
  of: { staffId: number | null; roomId: number | null; by: number },
): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    'insert into feed (token_hash, staff_id, room_id, made_by) values ($1, $2, $3, $4) returning id',
    [tokenHash, of.staffId, of.roomId, of.by],
  );
  return rows[0]!.id;
}

/** Whose calendar this token opens; undefined for one that is guessed, taken back, or of somebody who left. */
export async function feedOf(
  db: Db,
  tokenHash: Buffer,
): Promise<{ staffId: number | null; roomId: number | null; name: string } | undefined> {
  const { rows } = await db.query({
    name: 'feed-of',
    text: `select f.staff_id as "staffId", f.room_id as "roomId", coalesce(s.name, r.name) as name
       from feed f join staff m on m.id = f.made_by and m.active
       left join staff s on s.id = f.staff_id left join room r on r.id = f.room_id
      where f.token_hash = $1 and f.revoked_at is null`,
    values: [tokenHash],
  });
  return rows[0];
}

export async function listFeeds(db: Db, by: number): Promise<FeedView[]> {
  const { rows } = await db.query<FeedView>(
    `select f.id, coalesce(r.name, 'my own days') as name, to_char(f.made_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "madeAt"
       from feed f left join room r on r.id = f.room_id where f.made_by = $1 and f.revoked_at is null order by f.id`,
    [by],
  );
  return rows;
}

export async function revokeFeed(tx: Tx, id: number, by: number): Promise<boolean> {
  const gone = await tx.query(
    'update feed set revoked_at = now() where id = $1 and made_by = $2 and revoked_at is null',
    [id, by],
  );
  return gone.rowCount !== 0;
}

/** Appointments that have or had a time of somebody's or a room's in the span. */
export async function readForFeed(
  db: Db,
  zone: string,
  of: { staffId: number | null; roomId: number | null },
  within: Span,
): Promise<AppointmentRecord[]> {
  const { rows } = await db.query<Row>({
    name: 'diary-feed',
    text: `${APPOINTMENT(`a.id in (select s.appointment_id from slot s left join slot_staff w on w.slot_id = s.id
        where s.during && $1::tstzrange and ($2::bigint is null or w.staff_id = $2) and ($3::bigint is null or s.room_id = $3))`)} order by a.id`,
    values: [span(within.from, within.to), of.staffId, of.roomId],
  });
  return rows.map((r) => walled(zone, r));
}

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

export async function addClientLink(
  tx: Tx,
  tokenHash: Buffer,
  appointmentId: number,
  until: Date,
): Promise<void> {
  await tx.query('insert into client_link (token_hash, appointment_id, expires_at) values ($1, $2, $3)', [
    tokenHash,
    appointmentId,
    until,
  ]);
}

/** The appointment a client's link opens; null for one that is guessed or has ended. */
export async function linkedAppointment(db: Db, tokenHash: Buffer, now: Date): Promise<number | null> {
  const { rows } = await db.query<{ id: number }>({
    name: 'client-link',
    text: 'select appointment_id as id from client_link where token_hash = $1 and expires_at > $2',
    values: [tokenHash, now],
  });
  return rows[0]?.id ?? null;
}

export async function keepAnswer(tx: Tx, id: number, answer: string, words: string, at: Date): Promise<void> {
  await tx.query(
    'update appointment set answer = $2, answer_words = $3, answered_at = $4, version = version + 1 where id = $1',
    [id, answer, words, at],
  );
}

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
