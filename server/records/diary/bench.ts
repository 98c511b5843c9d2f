import type { BenchWork, BenchWrite, ClientAway, ClientAwayWrite } from '@rocchetto/contract';
import type { Db, Tx } from '../../db/pool.ts';

const WORK = `b.id, b.order_id as "orderId", o.number as "orderNumber", o.what as "order", b.staff_id as "staffId", b.day, b.minutes,
  b.what, b.makes, b.step, b.took, b.alteration_id as "alterationId", b.version, to_char(b.done_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "doneAt"
  from bench_work b join orders o on o.id = b.order_id where b.gone_at is null`;

/** Work promised for these days, and what is still to do for the orders that have a time on them. */
export async function readBench(
  db: Db,
  first: string,
  last: string,
  orders: readonly number[],
): Promise<BenchWork[]> {
  const { rows } = await db.query<BenchWork>({
    name: 'bench-days',
    text: `select * from (select ${WORK} and b.day between $1 and $2
        union select ${WORK} and b.order_id = any($3)) w order by day, id`,
    values: [first, last, orders],
  });
  return rows;
}

/** What is promised to one order, by day. */
export async function benchOfOrder(db: Db, orderId: number): Promise<BenchWork[]> {
  const { rows } = await db.query<BenchWork>({
    name: 'bench-order',
    text: `select ${WORK} and b.order_id = $1 order by b.day, b.id`,
    values: [orderId],
  });
  return rows;
}

/** What somebody has promised and not done. */
export async function benchAhead(db: Db, staffId: number): Promise<BenchWork[]> {
  const { rows } = await db.query<BenchWork>({
    name: 'bench-ahead',
    text: `select ${WORK} and b.staff_id = $1 and b.done_at is null
      and not exists (select 1 from alteration a where a.id = b.alteration_id and a.status = 'done') order by b.day, b.id limit 200`,
    values: [staffId],
  });
  return rows;
}

export async function holdBench(tx: Tx, id: number): Promise<BenchWork | undefined> {
  await tx.query('select 1 from bench_work where id = $1 for update', [id]);
  const { rows } = await tx.query<BenchWork>(`select ${WORK} and b.id = $1`, [id]);
  return rows[0];
}

export async function addBench(tx: Tx, orderId: number, w: BenchWrite): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    'insert into bench_work (order_id, staff_id, day, minutes, what, makes) values ($1, $2, $3, $4, $5, $6) returning id',
    [orderId, w.staffId, w.day, w.minutes, w.what, w.makes],
  );
  return rows[0]!.id;
}

export async function writeBench(tx: Tx, id: number, w: BenchWrite): Promise<void> {
  await tx.query(
    'update bench_work set staff_id = $2, day = $3, minutes = $4, what = $5, makes = $6, version = version + 1 where id = $1',
    [id, w.staffId, w.day, w.minutes, w.what, w.makes],
  );
}

export const doneBench = (tx: Tx, id: number, at: Date | null, by: number, took: number | null) =>
  tx.query(
    'update bench_work set done_at = $2, done_by = $3, took = $4, version = version + 1 where id = $1',
    [id, at, at && by, at && took],
  );

export const dropBench = (tx: Tx, id: number, at: Date) =>
  tx.query('update bench_work set gone_at = $2, version = version + 1 where id = $1', [id, at]);

/** Minutes promised by somebody for a day, done or not. */
export async function benchMinutes(db: Db, staffId: number, day: string): Promise<number> {
  const { rows } = await db.query<{ sum: number }>(
    'select coalesce(sum(minutes), 0)::int as sum from bench_work where staff_id = $1 and day = $2 and gone_at is null',
    [staffId, day],
  );
  return rows[0]!.sum;
}

/** Days on which a client cannot come, from a day on. */
export async function clientAway(db: Db, clientId: number, from: string): Promise<ClientAway[]> {
  const { rows } = await db.query<ClientAway>({
    name: 'client-away',
    text: `select id, first_day as "firstDay", last_day as "lastDay", reason from client_away
       where client_id = $1 and last_day >= $2 order by first_day, id limit 100`,
    values: [clientId, from],
  });
  return rows;
}

export async function addClientAway(tx: Tx, clientId: number, d: ClientAwayWrite): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    'insert into client_away (client_id, first_day, last_day, reason) values ($1, $2, $3, $4) returning id',
    [clientId, d.firstDay, d.lastDay, d.reason],
  );
  return rows[0]!.id;
}

/** Takes days away back; the client they were of, or undefined when there are none. */
export async function dropClientAway(tx: Tx, id: number): Promise<number | undefined> {
  const { rows } = await tx.query<{ clientId: number }>(
    'delete from client_away where id = $1 returning client_id as "clientId"',
    [id],
  );
  return rows[0]?.clientId;
}
