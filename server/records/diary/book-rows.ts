import type { ClientAway, LeaveView, RoomView, StaffAtWork } from '@rocchetto/contract';
import { StoredHours, stored } from '@rocchetto/contract';
import type { MakingWork } from '@rocchetto/core/diary/readiness.ts';
import type { Span } from '@rocchetto/core/diary/zoned.ts';
import type { Db } from '../../db/pool.ts';
import { minutes, span } from './spans.ts';

export interface BookRows {
  readonly staff: readonly StaffAtWork[];
  readonly rooms: readonly RoomView[];
  readonly leave: readonly LeaveView[];
  /** [staff, room, house, from, to] of all that is kept, in order; 2 for a closed house */
  readonly busy: readonly (readonly [number | null, number | null, number | null, number, number])[];
  /** [staff, day, minutes] promised at the bench */
  readonly bench: readonly (readonly [number, string, number])[];
  /** [from, to] of the client's own other appointments, in order */
  readonly elsewhere: readonly (readonly [number, number])[];
  /** whom the client had last, the newest first */
  readonly hands: readonly number[];
  /** days on which the client cannot come */
  readonly away: readonly ClientAway[];
  /** work promised to the order that makes something ready */
  readonly works: readonly MakingWork[];
}

/** For whom it is looked for, where it is for somebody. */
export interface ForWhom {
  readonly clientId?: number | undefined;
  readonly orderId?: number | undefined;
  /** an appointment that would be moved: what it keeps itself counts as free */
  readonly moving?: number | undefined;
}

/** All that free times are looked for in, over a span: who works here, rooms, leave, what is kept, and for whom. One query. */
export async function readBookRows(
  db: Db,
  within: Span,
  first: string,
  last: string,
  { clientId, orderId, moving }: ForWhom = {},
): Promise<BookRows> {
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
        where b.during && $1::tstzrange and b.client_id is null and (b.house is null or b.house = 2)
          and (s.appointment_id is null or s.appointment_id <> $3)) as busy,
      (select json_agg(json_build_array(w.staff_id, w.day, w.minutes) order by w.day) from (
          select staff_id, day, sum(minutes)::int as minutes from bench_work
           where gone_at is null and day between $2 and $6 group by staff_id, day) w) as bench,
      (select json_agg(json_build_array(${minutes('lower(b.during)')}, ${minutes('upper(b.during)')}) order by lower(b.during))
         from occupied b where b.client_id = $4 and b.during && $1::tstzrange and b.appointment_id <> $3) as elsewhere,
      (select json_agg(h.id) from (select w.staff_id as id from appointment a join slot s on s.appointment_id = a.id and s.state = 'taken'
          join slot_staff w on w.slot_id = s.id
         where a.client_id = $4 and a.status in ('confirmed', 'arrived', 'done') order by lower(s.during) desc limit 3) h) as hands,
      (select json_agg(json_build_object('id', id, 'firstDay', first_day, 'lastDay', last_day, 'reason', reason) order by first_day)
         from client_away where client_id = $4 and last_day >= $2) as away,
      (select json_agg(json_build_object('makes', makes, 'day', day, 'doneAt', done_at))
         from bench_work where order_id = $5 and gone_at is null and makes is not null) as works`,
    values: [span(within.from, within.to), first, moving ?? 0, clientId ?? null, orderId ?? null, last],
  });
  const { staff, rooms, leave, busy, bench, elsewhere, hands, away, works } = rows[0]!;
  return {
    elsewhere: elsewhere ?? [],
    staff: (staff ?? []).map((s) => ({ ...s, hours: stored(StoredHours, 'Hours', s.hours).hours })),
    rooms: rooms ?? [],
    leave: leave ?? [],
    busy: busy ?? [],
    bench: bench ?? [],
    hands: hands ?? [],
    away: away ?? [],
    works: works ?? [],
  };
}
