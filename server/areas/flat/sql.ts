import type { FlatCut, Laid } from '@rocchetto/core';
import type { Db, Tx } from '../../db/pool.ts';

export interface Lay {
  readonly id: number;
  readonly orderId: number;
  readonly of: Laid;
  readonly cut: FlatCut;
  readonly words: string;
  readonly by: string;
  readonly at: Date;
  /** as it was written; null for the studio's own */
  readonly tolerance: string | null;
  readonly changes: readonly {
    readonly point: string;
    readonly says: string;
    readonly by: string;
    readonly at: string;
  }[];
  /** by point, the newest reading as it was written */
  readonly read: Readonly<Record<string, string>>;
}

const LAY = `select l.id, l.order_id as "orderId", l.of, l.cut, l.words, s.name as by, l.at, l.tolerance,
    coalesce((select json_agg(json_build_object('point', c.point, 'says', c.says, 'by', w.name, 'at', c.at) order by c.at)
      from flat_change c join staff w on w.id = c.by where c.lay_id = l.id), '[]') as changes,
    coalesce((select jsonb_object_agg(x.point, x.written) from
      (select distinct on (point) point, written from flat_reading where lay_id = l.id order by point, seq desc) x), '{}') as read
   from flat_lay l join staff s on s.id = l.by`;

/** What was laid flat beside an order, the newest first. */
export async function flatLays(db: Db, orderId: number): Promise<readonly Lay[]> {
  const { rows } = await db.query<Lay>({
    name: 'flat-lays',
    text: `${LAY} where l.order_id = $1 order by l.id desc limit 20`,
    values: [orderId],
  });
  return rows;
}
export async function flatLay(db: Db, id: number): Promise<Lay | undefined> {
  const { rows } = await db.query<Lay>({ name: 'flat-lay', text: `${LAY} where l.id = $1`, values: [id] });
  return rows[0];
}
export async function addFlatLay(
  tx: Tx,
  orderId: number,
  l: { of: Laid; cut: FlatCut; words: string; tolerance: string | null },
  by: number,
  at: Date,
): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    'insert into flat_lay (order_id, of, cut, words, tolerance, by, at) values ($1, $2, $3, $4, $5, $6, $7) returning id',
    [orderId, l.of, l.cut, l.words, l.tolerance, by, at],
  );
  return rows[0]!.id;
}
/** Adds readings; one of an id that is kept already changes nothing. */
export const addFlatReadings = (
  tx: Tx,
  layId: number,
  readings: readonly { id: string; point: string; written: string }[],
  by: number,
  at: Date,
) =>
  tx.query(
    `insert into flat_reading (id, lay_id, point, written, by, at)
     select x.id, $1, x.point, x.written, $2, $3 from jsonb_to_recordset($4::jsonb) as x(id uuid, point text, written text)
     on conflict (id) do nothing`,
    [layId, by, at, JSON.stringify(readings)],
  );

export const setTolerance = (tx: Tx, layId: number, tolerance: string | null) =>
  tx.query('update flat_lay set tolerance = $2 where id = $1', [layId, tolerance]);
/** Keeps what is to be changed at a point, as it was said; accepted again it is said anew. */
export const acceptChange = (tx: Tx, layId: number, point: string, says: string, by: number, at: Date) =>
  tx.query(
    `insert into flat_change (lay_id, point, says, by, at) values ($1, $2, $3, $4, $5)
     on conflict (lay_id, point) do update set says = excluded.says, by = excluded.by, at = excluded.at`,
    [layId, point, says, by, at],
  );
export const dropChange = (tx: Tx, layId: number, point: string) =>
  tx.query('delete from flat_change where lay_id = $1 and point = $2', [layId, point]);
