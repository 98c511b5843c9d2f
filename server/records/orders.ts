import {
  type BriefWire,
  type GarmentOfOrder,
  type OrderFull,
  type OrderRow,
  type OrderWrite,
  readBrief,
  type SheetRow,
} from '@rocchetto/contract';
import { foldText, type Stage } from '@rocchetto/core';
import { padded } from '../db/numbered.ts';
import type { Db, Tx } from '../db/pool.ts';
import { HttpError } from '../http/problem.ts';
import { alterationsInShort } from './alterations.ts';
import { benchOfOrder, orderAppointments } from './diary/ahead.ts';
import { readHouse } from './house.ts';
import { sessionsOfOrder } from './sessions.ts';
import { TEXTS } from './texts.ts';

/** A row of any list of orders, read from `orders o` joined by ROW_FROM. The stage is kept by the database (002). */
export const ROW = `o.id, o.number, o.what, o.occasion, o.worn_on as "wornOn", o.due_on as "dueOn", o.client_id as "clientId",
  c.name as "clientName", st.name as responsible, o.stage`;
export const ROW_JOIN = 'join client c on c.id = o.client_id left join staff st on st.id = o.responsible_id';

/** A client's orders, newest first. */
export async function ordersOfClient(db: Db, clientId: number): Promise<OrderRow[]> {
  const { rows } = await db.query<OrderRow>({
    name: 'orders-of-client',
    text: `select ${ROW} from orders o ${ROW_JOIN} where o.client_id = $1 order by o.id desc limit 200`,
    values: [clientId],
  });
  return rows;
}

interface OrderRecord extends OrderRow {
  /** why it was cancelled; empty while it is not */
  readonly cancelledReason: string;
  readonly responsibleId: number | null;
  readonly version: number;
  readonly brief: BriefWire | null;
  readonly briefAt: Date | null;
  readonly minor: boolean;
  readonly guardian: string;
}

/** One order's own record. With `lock` the row is held until the transaction ends. */
export async function readOrder(db: Db, id: number, lock = false): Promise<OrderRecord | undefined> {
  const { rows } = await db.query<OrderRecord>({
    name: lock ? 'order-held' : 'order',
    text: `select ${ROW}, o.responsible_id as "responsibleId", o.version, o.brief, o.brief_at as "briefAt", o.cancelled_reason as "cancelledReason", c.minor, c.guardian
      from orders o ${ROW_JOIN} where o.id = $1${lock ? ' for update of o' : ''}`,
    values: [id],
  });
  return rows[0] && { ...rows[0], brief: readBrief(rows[0].brief) };
}

async function sheetRows(db: Db, orderId: number): Promise<SheetRow[]> {
  const { rows } = await db.query<SheetRow>({
    name: 'sheets-of-order',
    text: `select s.revision, s.status, st.name as "agreedBy", s.agreed_at as "agreedAt", s.cut_at as "cutAt"
       from sheet s left join staff st on st.id = s.agreed_by where s.order_id = $1 order by s.revision`,
    values: [orderId],
  });
  return rows;
}

export async function fullOrder(db: Db, id: number, withSessions: boolean): Promise<OrderFull | undefined> {
  const order = await readOrder(db, id);
  if (!order) return undefined;
  const sheets = await sheetRows(db, id);
  const sessions = withSessions ? await sessionsOfOrder(db, id) : [];
  const { timeZone } = await readHouse(db);
  const appointments = await orderAppointments(db, timeZone, id);
  const bench = await benchOfOrder(db, id);
  const garments = await garmentsOfOrder(db, id);
  return {
    ...order,
    briefAt: order.briefAt?.toISOString() ?? null,
    sheets,
    sessions,
    appointments,
    bench,
    garments,
    ...(await alterationsInShort(db, id)),
  };
}

/** Cancels an order; its stage is kept for the day it is taken up again. */
export async function cancelOrder(tx: Tx, id: number, reason: string, by: number, at: Date): Promise<void> {
  await tx.query(
    `update orders set cancelled_from = stage, stage = 'cancelled', cancelled_reason = $2, cancelled_by = $3, cancelled_at = $4,
       version = version + 1 where id = $1`,
    [id, reason, by, at],
  );
}
/** Takes a cancelled order up again, as far as it had come. */
export async function reopenOrder(tx: Tx, id: number): Promise<void> {
  await tx.query(
    `update orders set stage = cancelled_from, cancelled_from = null, cancelled_reason = '', cancelled_by = null, cancelled_at = null,
       version = version + 1 where id = $1`,
    [id],
  );
}
/** Appointments of an order that are offered or booked from now on. */
export async function upcomingOf(db: Db, orderId: number, now: Date): Promise<number[]> {
  const { rows } = await db.query<{ id: number }>(
    `select a.id from appointment a where a.order_id = $1 and a.status in ('offered', 'confirmed')
       and exists (select 1 from slot s where s.appointment_id = a.id and s.state <> 'left' and upper(s.during) > $2) order by a.id`,
    [orderId, now],
  );
  return rows.map((r) => r.id);
}
/** Puts a garment that is cut in fittings, or ready, by whether anything stands in the way of handing it over. */
export async function settleStage(tx: Tx, id: number, clear: boolean): Promise<void> {
  await tx.query(
    clear
      ? `update orders set stage = 'ready' where id = $1 and stage in ('cut', 'fitting')`
      : `update orders set stage = 'fitting' where id = $1 and stage = 'ready'`,
    [id],
  );
}
/** A fitting has begun: what is cut is in fittings. */
export async function beginFitting(tx: Tx, id: number): Promise<void> {
  await tx.query(`update orders set stage = 'fitting' where id = $1 and stage = 'cut'`, [id]);
}
/** @throws HttpError 409 where the order is cancelled: what is made of it waits until it is taken up again */
export function refuseCancelled(order: { readonly stage: Stage; readonly number: string }): void {
  if (order.stage === 'cancelled') throw new HttpError(409, 'cancelled', TEXTS.cancelled(order.number));
}

/** Every garment of an order, the first one first. */
export async function garmentsOfOrder(db: Db, id: number): Promise<GarmentOfOrder[]> {
  const { rows } = await db.query<GarmentOfOrder & { brief: unknown }>({
    name: 'garments-of-order',
    text: 'select g.id, g.number, g.what, g.stage, g.brief from orders g where g.id in (select together($1)) order by g.id',
    values: [id],
  });
  return rows.map(({ brief, ...g }) => ({ ...g, parts: readBrief(brief)?.parts ?? [] }));
}

/** A further garment beside those of an order: dates, occasion and the one responsible are the first one's; `letter` tells it apart. */
export async function addGarment(db: Db, firstId: number, letter: string, what: string): Promise<number> {
  const { rows } = await db.query<{ id: number }>(
    `insert into orders (number, client_id, what, occasion, worn_on, due_on, responsible_id, with_id, stage)
     select o.number || $2, o.client_id, $3, o.occasion, o.worn_on, o.due_on, o.responsible_id, o.id,
       case when exists (select 1 from session m join reading r on r.session_id = m.id where m.order_id in (select together(o.id)))
         then 'measured' else 'asked' end
       from orders o where o.id = $1 returning id`,
    [firstId, letter, what],
  );
  const { id } = rows[0]!;
  await refold(db, (await db.query<Words>(`select ${WORDS} where o.id = $1`, [id])).rows);
  return id;
}

/** The folded words an order is found by: its own, and its client's name and code. */
export const orderSearch = (words: readonly string[], clientName: string, clientCode: string): string =>
  foldText([...words, clientName, clientCode].join(' '));

/** An order's own words and its client's, read for folding. */
const WORDS =
  'o.id, o.number, o.what, o.occasion, c.name, c.code from orders o join client c on c.id = o.client_id';
interface Words {
  readonly id: number;
  readonly number: string;
  readonly what: string;
  readonly occasion: string;
  readonly name: string;
  readonly code: string;
}

async function refold(db: Db, rows: readonly Words[]) {
  for (const o of rows)
    await db.query('update orders set search = $2 where id = $1', [
      o.id,
      orderSearch([o.number, o.what, o.occasion], o.name, o.code),
    ]);
}

/** A client's new name reaches the words their orders are found by. */
export async function renameOrders(db: Db, clientId: number, name: string, code: string): Promise<void> {
  const { rows } = await db.query<Words>(`select ${WORDS} where o.client_id = $1 for update of o`, [
    clientId,
  ]);
  await refold(
    db,
    rows.map((o) => ({ ...o, name, code })),
  );
}

export async function addOrder(db: Db, w: OrderWrite, brief: BriefWire | null): Promise<number> {
  const { rows } = await db.query<{ id: number }>(
    `insert into orders (number, client_id, what, occasion, worn_on, due_on, responsible_id, brief, brief_at, stage)
     values (to_char(now(), 'YY') || '-' || (select ${padded('n', 3)} from nextval('order_number') n), $1, $2, $3, $4, $5, $6, $7,
       case when $7::jsonb is null then null else now() end, case when $7::jsonb is null then 'asked' else 'brief' end) returning id`,
    [w.clientId, w.what, w.occasion, w.wornOn, w.dueOn, w.responsibleId, brief && JSON.stringify(brief)],
  );
  const { id } = rows[0]!;
  await refold(db, (await db.query<Words>(`select ${WORDS} where o.id = $1`, [id])).rows);
  return id;
}

/** Whether nothing was made for its client yet: an order on the wrong client can be mended as long as that holds. */
export async function isUntouched(db: Db, id: number): Promise<boolean> {
  const { rows } = await db.query<{ so: boolean }>(
    `select o.stage in ('asked', 'brief') and (select count(*) from together(o.id)) = 1
        and not exists (select 1 from session s where s.order_id = o.id) and not exists (select 1 from appointment a where a.order_id = o.id)
        and not exists (select 1 from alteration a where a.order_id = o.id) and not exists (select 1 from brought_in b where b.order_id = o.id)
        and not exists (select 1 from money_noted m where m.order_id = o.id) and not exists (select 1 from home_link h where h.order_id = o.id)
        and not exists (select 1 from photo p where p.order_id = o.id) as so
       from orders o where o.id = $1`,
    [id],
  );
  return rows[0]?.so ?? false;
}

export async function changeOrder(db: Db, id: number, w: OrderWrite): Promise<void> {
  await db.query(
    'update orders set what = $2, occasion = $3, worn_on = $4, due_on = $5, responsible_id = $6, client_id = $7, version = version + 1 where id = $1',
    [id, w.what, w.occasion, w.wornOn, w.dueOn, w.responsibleId, w.clientId],
  );
  await refold(db, (await db.query<Words>(`select ${WORDS} where o.id = $1`, [id])).rows);
}

export async function changeBrief(db: Db, id: number, brief: BriefWire): Promise<void> {
  await db.query(
    `update orders set brief = $2, brief_at = now(), version = version + 1,
       stage = case when stage = 'asked' then 'brief' else stage end where id = $1`,
    [id, JSON.stringify(brief)],
  );
}

/** The code of an order's client, by which paper that lies about says whose it is; empty where there is no such order. */
export async function clientCodeOf(db: Db, orderId: number): Promise<string> {
  const { rows } = await db.query<{ code: string }>({
    name: 'client-code-of-order',
    text: 'select c.code from orders o join client c on c.id = o.client_id where o.id = $1',
    values: [orderId],
  });
  return rows[0]?.code ?? '';
}
