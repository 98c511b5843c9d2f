import type { OrderAppointment } from '@rocchetto/contract';
import { printDayAndDate } from '@rocchetto/core';
import type { Span } from '@rocchetto/core/diary/zoned.ts';
import { wallAt } from '@rocchetto/core/diary/zoned.ts';
import type { Db } from '../../db/pool.ts';
import { HttpError } from '../../http/problem.ts';
import { KIND_NAME } from './appointments.ts';
import type { StudioDays } from './check.ts';
import { minutes, span } from './spans.ts';
import { TEXTS } from './texts.ts';

export { benchAhead, benchOfOrder, clientAway } from './bench.ts';

/** An order's appointments that stand, by time, for its thread. */
export async function orderAppointments(db: Db, zone: string, orderId: number): Promise<OrderAppointment[]> {
  const { rows } = await db.query<{
    id: number;
    kind: string;
    kindName: string;
    status: OrderAppointment['status'];
    start: number;
  }>({
    name: 'order-appointments',
    text: `select a.id, a.kind, ${KIND_NAME} as "kindName", a.status, ${minutes('lower(s.during)')} as start from appointment a
             join slot s on s.appointment_id = a.id and s.state = 'taken'
            where a.order_id in (select together($1)) and a.status <> 'cancelled' order by lower(s.during)`,
    values: [orderId],
  });
  return rows.map(({ start, ...r }) => ({ ...r, ...wallAt(zone, start) }));
}

export async function orderExists(db: Db, id: number): Promise<boolean> {
  return (await db.query('select 1 from orders where id = $1', [id])).rowCount !== 0;
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
export function ahead(
  { zone, dateOrder }: StudioDays,
  what: string,
  booked: Awaited<ReturnType<typeof bookedAhead>>,
): HttpError {
  const first = booked.slice(0, 5).map((b) => {
    const { day, time } = wallAt(zone, b.start);
    return `${b.clientName}, ${printDayAndDate(day, dateOrder)} ${time}`;
  });
  const more = booked.length > 5 ? `, and ${booked.length - 5} more` : '';
  return new HttpError(409, 'booked-ahead', TEXTS.bookedAhead(what, first.join('; '), more), {
    theirs: booked,
  });
}
