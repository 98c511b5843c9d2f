import type { BriefWire, OrderFull, OrderRow, OrderWrite, SheetRow } from '@rocchetto/contract';
import type { Db } from '../db/pool.ts';
import { sessionsOfOrder } from '../sessions/sql.ts';

const STAGE = `case
    when exists (select 1 from sheet s where s.order_id = o.id and s.status = 'cut') then 'cut'
    when (select s.status from sheet s where s.order_id = o.id order by s.revision desc limit 1) = 'agreed' then 'agreed'
    when exists (select 1 from sheet s where s.order_id = o.id) then 'sheet'
    when exists (select 1 from session m where m.order_id = o.id and exists (select 1 from reading r where r.session_id = m.id)) then 'measured'
    when o.brief is not null then 'brief' else 'asked' end`;

const ROW = `o.id, o.number, o.what, o.occasion, o.worn_on as "wornOn", o.due_on as "dueOn", o.client_id as "clientId",
  c.name as "clientName", st.name as responsible, ${STAGE} as stage`;
const FROM =
  'from orders o join client c on c.id = o.client_id left join staff st on st.id = o.responsible_id';

interface Which {
  readonly clientId?: number;
  /** number, client or what, folded by the database only as far as ilike goes */
  readonly q?: string;
  readonly after?: { readonly due: string; readonly id: number } | null;
}

/** Orders by due date (none last), 50 at a time; a client's orders newest first, all. */
export async function listOrders(db: Db, which: Which): Promise<OrderRow[]> {
  if (which.clientId !== undefined)
    return (
      await db.query<OrderRow>(`select ${ROW} ${FROM} where o.client_id = $1 order by o.id desc limit 200`, [
        which.clientId,
      ])
    ).rows;
  const q = which.q ? `%${which.q.replace(/[\\%_]/g, '\\$&')}%` : null;
  const { rows } = await db.query<OrderRow>(
    `select ${ROW} ${FROM}
      where ($1::text is null or o.number ilike $1 or o.what ilike $1 or o.occasion ilike $1 or c.search like lower($1))
        and ($2::date is null or (coalesce(o.due_on, 'infinity'::date), o.id) > ($2, $3))
      order by coalesce(o.due_on, 'infinity'::date), o.id limit 50`,
    [q, which.after?.due ?? null, which.after?.id ?? 0],
  );
  return rows;
}

interface OrderRecord extends OrderRow {
  readonly responsibleId: number | null;
  readonly version: number;
  readonly brief: BriefWire | null;
  readonly briefAt: Date | null;
  readonly minor: boolean;
  readonly guardian: string;
}

/** One order's own record. With `lock` the row is held until the transaction ends. */
export async function readOrder(db: Db, id: number, lock = false): Promise<OrderRecord | undefined> {
  const { rows } = await db.query<OrderRecord>(
    `select ${ROW}, o.responsible_id as "responsibleId", o.version, o.brief, o.brief_at as "briefAt", c.minor, c.guardian ${FROM} where o.id = $1 ${lock ? 'for update of o' : ''}`,
    [id],
  );
  return rows[0];
}

export async function sheetRows(db: Db, orderId: number): Promise<SheetRow[]> {
  const { rows } = await db.query<SheetRow>(
    `select s.revision, s.status, st.name as "agreedBy", s.agreed_at as "agreedAt", s.cut_at as "cutAt"
       from sheet s left join staff st on st.id = s.agreed_by where s.order_id = $1 order by s.revision`,
    [orderId],
  );
  return rows;
}

export async function fullOrder(db: Db, id: number, withSessions: boolean): Promise<OrderFull | undefined> {
  const order = await readOrder(db, id);
  if (!order) return undefined;
  const sheets = await sheetRows(db, id);
  const sessions = withSessions ? await sessionsOfOrder(db, id) : [];
  return { ...order, briefAt: order.briefAt?.toISOString() ?? null, sheets, sessions };
}

export async function addOrder(db: Db, w: OrderWrite, brief: BriefWire | null): Promise<number> {
  const { rows } = await db.query<{ id: number }>(
    `insert into orders (number, client_id, what, occasion, worn_on, due_on, responsible_id, brief, brief_at)
     values (to_char(now(), 'YY') || '-' || lpad(nextval('order_number')::text, 3, '0'), $1, $2, $3, $4, $5, $6, $7, case when $7::jsonb is null then null else now() end) returning id`,
    [w.clientId, w.what, w.occasion, w.wornOn, w.dueOn, w.responsibleId, brief && JSON.stringify(brief)],
  );
  return rows[0]!.id;
}

export async function changeOrder(db: Db, id: number, w: OrderWrite) {
  await db.query(
    'update orders set what = $2, occasion = $3, worn_on = $4, due_on = $5, responsible_id = $6, version = version + 1 where id = $1',
    [id, w.what, w.occasion, w.wornOn, w.dueOn, w.responsibleId],
  );
}

export async function changeBrief(db: Db, id: number, brief: BriefWire) {
  await db.query('update orders set brief = $2, brief_at = now(), version = version + 1 where id = $1', [
    id,
    JSON.stringify(brief),
  ]);
}
