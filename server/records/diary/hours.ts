import type {
  ClosureView,
  DiaryRules,
  ImpactAsked,
  LeaveView,
  RoomView,
  RoomWrite,
  StaffAtWork,
  StaffWork,
} from '@rocchetto/contract';
import {
  type DiaryRuleChange,
  diaryRulesMoved,
  DiaryRules as Rules,
  StoredHours,
  stored,
} from '@rocchetto/contract';
import { foldText, hoursWords, printDate } from '@rocchetto/core';
import type { DateOrder } from '@rocchetto/core/dates/read-date.ts';
import type { Span } from '@rocchetto/core/diary/zoned.ts';
import type { Db, Tx } from '../../db/pool.ts';
import { cutBusy } from './busy.ts';
import { minutes, span } from './spans.ts';

/** What the house has laid over core's kinds, its opening hours and its version. */
export async function readRules(
  db: Db,
  lock = false,
): Promise<{ zone: string; dateOrder: DateOrder; rules: DiaryRules; version: number }> {
  const { rows } = await db.query<{ zone: string; dateOrder: DateOrder; rules: unknown; version: number }>({
    name: lock ? 'diary-rules-held' : 'diary-rules',
    text: `select time_zone as zone, date_order as "dateOrder", diary as rules, version from house${lock ? ' for update' : ''}`,
  });
  return { ...rows[0]!, rules: stored(Rules, 'The diary’s rules', rows[0]!.rules) };
}

/** What “the rules changed” is called in the history. */
export const RULES_CHANGED = 'diary rules changed';

interface Happened {
  readonly at: Date;
  readonly by: string | null;
  readonly entity: 'house' | 'staff' | 'room' | 'leave' | 'closure';
  readonly what: string;
  /** whose it is: a member of staff, a room, a closed day */
  readonly of: string | null;
  readonly before: unknown;
  readonly after: unknown;
}

/** The latest changes of what the diary goes by, newest first: hours, kinds and words, staff at work, rooms, days away. */
export async function readRuleChanges(db: Db, most: number, order: DateOrder): Promise<DiaryRuleChange[]> {
  const { rows } = await db.query<Happened>({
    name: 'diary-rule-changes',
    text: `select h.at, s.name as by, h.entity, h.what, h.before, h.after, coalesce(st.name, r.name, c.name, ls.name) as of
       from history h left join staff s on s.id = h.staff_id
       left join staff st on h.entity = 'staff' and st.id::text = h.entity_id
       left join room r on h.entity = 'room' and r.id::text = h.entity_id
       left join closure c on h.entity = 'closure' and c.id::text = h.entity_id
       left join leave l on h.entity = 'leave' and l.id::text = h.entity_id left join staff ls on ls.id = l.staff_id
      where (h.entity = 'house' and h.what = $1) or (h.entity in ('staff', 'room', 'leave', 'closure') and h.what not like 'busy%')
      order by h.id desc limit $2`,
    values: [RULES_CHANGED, most],
  });
  return rows.map((r) => ({ at: r.at.toISOString(), by: r.by ?? '', moved: movedBy(r, order) }));
}

function movedBy({ entity, what, of, before, after }: Happened, order: DateOrder): DiaryRuleChange['moved'] {
  if (entity === 'house')
    return diaryRulesMoved(
      stored(Rules, 'The diary’s rules', before ?? {}),
      stored(Rules, 'The diary’s rules', after ?? {}),
    );
  const name = of ?? '';
  if (entity === 'staff' && what === 'work changed') {
    const [was, is] = [before, after].map((w) => w as Partial<StaffWork> | null);
    const hours = (w: Partial<StaffWork> | null) => hoursWords(w?.hours ?? []) || 'opening hours';
    const skills = (w: Partial<StaffWork> | null) => (w?.skills ?? []).join(', ') || 'none';
    return [
      { name: `${name}, skills`, from: skills(was ?? null), to: skills(is ?? null) },
      { name: `${name}, hours`, from: hours(was ?? null), to: hours(is ?? null) },
    ].filter((m) => m.from !== m.to);
  }
  const days = after as { firstDay?: string; lastDay?: string } | null;
  const on = days?.firstDay
    ? ` ${printDate(days.firstDay, order)}${days.lastDay !== days.firstDay ? ` to ${printDate(days.lastDay ?? '', order)}` : ''}`
    : '';
  return [{ name, from: '', to: `${entity === 'leave' ? 'leave ' : ''}${what}${on}` }];
}

/** Bookings ahead, all of them, one member of staff’s or of one kind, for telling what a change would leave standing. */
export async function bookedTimes(
  db: Db,
  after: Date,
  of: ImpactAsked,
): Promise<readonly (Span & { readonly id: number; readonly clientName: string })[]> {
  const { rows } = await db.query({
    name: 'booked-times',
    text: `select a.id, c.name as "clientName", ${minutes('lower(s.during)')} as from, ${minutes('upper(s.during)')} as to
       from slot s join appointment a on a.id = s.appointment_id join client c on c.id = a.client_id
      where s.state <> 'left' and s.during && tstzrange($1::timestamptz, $1::timestamptz + interval '1 year')
        and a.status in ('offered', 'confirmed') and ($2::text is null or a.kind = $2)
        and ($3::bigint is null or exists (select 1 from slot_staff w where w.slot_id = s.id and w.staff_id = $3))
      order by lower(s.during) limit 3000`,
    values: [after, 'kind' in of ? of.kind : null, 'hours' in of ? of.staffId : null],
  });
  return rows;
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
  if (what.table === 'leave') await cutBusy(tx, what.staffId, during);
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
