import type { BriefWire } from '@rocchetto/contract';
import { type PlanChoices, readBrief, PlanChoices as Stored, stored } from '@rocchetto/contract';
import type { OrderAtWork } from '@rocchetto/core/plan/chain.ts';
import type { Db, Tx } from '../../db/pool.ts';
import { minutes } from '../../records/diary/spans.ts';

/** An order as a plan finds it: how far it is, what is booked and given, what was chosen. */
export interface PlanRow extends Omit<OrderAtWork, 'work'> {
  readonly id: number;
  readonly number: string;
  readonly what: string;
  readonly clientId: number;
  readonly clientName: string;
  readonly brief: BriefWire | null;
  readonly choices: PlanChoices | null;
  readonly version: number;
}

type Raw = Omit<PlanRow, 'brief' | 'choices'> & { brief: unknown; choices: unknown };

/** Orders by their ids. The appointments of one are those of all its garments, since they are tried on together. One query. */
export async function readPlans(db: Db, orderIds: readonly number[]): Promise<PlanRow[]> {
  const { rows } = await db.query<Raw>({
    name: 'order-plans',
    text: `select o.id, o.number, o.what, o.stage, o.client_id as "clientId", c.name as "clientName", o.worn_on as "wornOn", o.due_on as "dueOn",
        o.brief, p.choices, coalesce(p.version, 0) as version,
        exists (select 1 from brought_in b where b.order_id = o.id) as "broughtIn",
        coalesce((select json_agg(json_build_object('id', a.id, 'kind', a.kind, 'done', a.status = 'done', 'day', to_char(lower(s.during) at time zone h.time_zone, 'YYYY-MM-DD'),
            'start', ${minutes('lower(s.during)')}, 'end', ${minutes('upper(s.during)')},
            'staff', (select coalesce(json_agg(w.staff_id order by w.staff_id), '[]') from slot_staff w where w.slot_id = s.id)) order by lower(s.during))
          from appointment a join slot s on s.appointment_id = a.id and s.state = 'taken'
         where a.order_id in (select together(o.id)) and a.status in ('confirmed', 'arrived', 'done')), '[]') as booked,
        coalesce((select json_agg(json_build_object('step', w.step, 'staffId', w.staff_id, 'day', w.day, 'done', w.done_at is not null,
            'doneOn', to_char(w.done_at at time zone h.time_zone, 'YYYY-MM-DD')) order by w.day, w.id)
          from bench_work w where w.order_id = o.id and w.step is not null and w.gone_at is null), '[]') as given,
        coalesce((select sum(greatest(0, al.minutes - coalesce((select round(sum(extract(epoch from x.ended_at - x.started_at)) / 60)
              from alteration_work x where x.alteration_id = al.id and x.ended_at is not null), 0)))
          from alteration al where al.order_id = o.id and al.status in ('asked', 'agreed', 'in-work')), 0)::int as alterations
      from house h cross join unnest($1::bigint[]) x(id) join orders o on o.id = x.id join client c on c.id = o.client_id left join order_plan p on p.order_id = o.id`,
    values: [orderIds],
  });
  return rows.map((row) => ({
    ...row,
    brief: readBrief(row.brief),
    choices: row.choices === null ? null : stored(Stored, 'Plan', row.choices),
  }));
}
export const readPlan = async (db: Db, orderId: number): Promise<PlanRow | undefined> =>
  (await readPlans(db, [orderId]))[0];

/** Orders in work that have a day, the sooner due first, and whether there are more of them. */
export async function openOrders(
  db: Db,
  most: number,
): Promise<{ readonly ids: number[]; readonly more: boolean }> {
  const { rows } = await db.query<{ id: number }>({
    name: 'plans-open',
    text: `select id from orders where stage not in ('handed-over', 'cancelled')
       order by coalesce(due_on, 'infinity'::date), id limit $1`,
    values: [most + 1],
  });
  return { ids: rows.slice(0, most).map((r) => r.id), more: rows.length > most };
}

/** When these clients cannot come: days away, and what they are booked for already, by client. */
export async function clientsElsewhere(
  db: Db,
  clients: readonly number[],
  within: readonly [first: string, last: string],
  during: string,
): Promise<{
  away: { clientId: number; firstDay: string; lastDay: string }[];
  booked: { clientId: number; from: number; to: number }[];
}> {
  const [away, booked] = await Promise.all([
    db.query<{ clientId: number; firstDay: string; lastDay: string }>({
      name: 'clients-away',
      text: `select client_id as "clientId", first_day as "firstDay", last_day as "lastDay" from client_away
         where client_id = any($1) and last_day >= $2 and first_day <= $3`,
      values: [clients, ...within],
    }),
    db.query<{ clientId: number; from: number; to: number }>({
      name: 'clients-booked',
      text: `select client_id as "clientId", ${minutes('lower(during)')} as from, ${minutes('upper(during)')} as to from occupied
         where client_id = any($1) and during && $2::tstzrange`,
      values: [clients, during],
    }),
  ]);
  return { away: away.rows, booked: booked.rows };
}

/** What is booked and given of an order, in one word: whoever takes up a plan must have seen the same. */
export const stampOf = ({ booked, given }: Pick<PlanRow, 'booked' | 'given'>): string =>
  [
    ...booked.filter((b) => !b.done).map((b) => `${b.id}@${b.start}`),
    ...given.filter((g) => !g.done).map((g) => `${g.step}@${g.staffId}@${g.day}`),
  ].join(' ');

export async function keepChoices(
  tx: Tx,
  orderId: number,
  choices: PlanChoices,
  by: number,
  at: Date,
): Promise<number> {
  const { rows } = await tx.query<{ version: number }>(
    `insert into order_plan (order_id, choices, changed_by, changed_at) values ($1, $2, $3, $4)
     on conflict (order_id) do update set choices = $2, changed_by = $3, changed_at = $4, version = order_plan.version + 1
     returning version`,
    [orderId, JSON.stringify(choices), by, at],
  );
  return rows[0]!.version;
}

/** Whose step given work is, and by which table it was reckoned: kept beside what any work at the bench has. */
export const giveStep = (tx: Tx, benchId: number, step: string, ofTable: number | null) =>
  tx.query('update bench_work set step = $2, of_table = $3 where id = $1', [benchId, step, ofTable]);

/** A piece of work of which it is known how long it took. */
export interface Took {
  readonly step: string;
  readonly given: number;
  readonly took: number;
  /** what the house's table was of the one that ships when it was given */
  readonly ofTable: number;
}
/** The latest of them; a step that was given over several days is one, once all of it is told. */
export async function tookOf(db: Db): Promise<Took[]> {
  const { rows } = await db.query<Took>({
    name: 'plan-past',
    text: `select w.step, sum(w.minutes)::int as given, sum(w.took)::int as took, max(w.of_table) as "ofTable"
       from (select order_id, step, minutes, took, of_table from bench_work
              where took is not null and of_table is not null and gone_at is null order by id desc limit 3000) w
      where not exists (select 1 from bench_work o
              where o.order_id = w.order_id and o.step = w.step and o.gone_at is null and o.took is null)
      group by w.order_id, w.step`,
  });
  return rows;
}
