import { type LeavingView, StoredCare } from '@rocchetto/contract';
import { stored } from '@rocchetto/contract/stored.ts';
import { type CareWords, careOf } from '@rocchetto/core/care/care.ts';
import { CLOTH_NAME, OTHERS } from '@rocchetto/core/garment/laid-length.ts';
import type { Db, Tx } from '../db/pool.ts';
import { readOrder } from './orders.ts';

/** Where an order’s garment hangs, and its care as the house words it. */
export async function leavingOf(
  db: Db,
  orderId: number,
): Promise<{ readonly rack: string; readonly care: CareWords } | undefined> {
  const { rows } = await db.query<{ rack: string; care: unknown }>({
    name: 'leaving-of-order',
    text: 'select rack, care from orders where id = $1',
    values: [orderId],
  });
  const [row] = rows;
  return row && { rack: row.rack, care: row.care === null ? {} : stored(StoredCare, 'Care', row.care).lines };
}
export const writeRack = (tx: Tx, orderId: number, rack: string) =>
  tx.query('update orders set rack = $2 where id = $1', [orderId, rack]);
export const writeCare = (tx: Tx, orderId: number, lines: CareWords) =>
  tx.query('update orders set care = $2 where id = $1', [
    orderId,
    Object.keys(lines).length === 0 ? null : JSON.stringify({ version: 1, lines }),
  ]);

/** The next appointment at which the garment can be fetched: a collection, or else a fitting. */
async function fetchedAt(
  db: Db,
  orderId: number,
  now: Date,
): Promise<{ readonly at: string; readonly kind: string } | undefined> {
  const { rows } = await db.query<{ at: string; kind: string }>({
    name: 'fetched-at',
    text: `select to_char(lower(s.during) at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at,
             coalesce((select h.diary -> 'kinds' -> a.kind ->> 'name' from house h), replace(a.kind, '-', ' ')) as kind
        from appointment a join slot s on s.appointment_id = a.id and s.state <> 'left'
       where a.order_id in (select together($1)) and a.status in ('offered', 'confirmed', 'arrived') and lower(s.during) > $2
       order by (a.kind = 'collection') desc, lower(s.during) limit 1`,
    values: [orderId, now],
  });
  return rows[0];
}

/** Where it hangs, what its care is, when it is fetched; undefined when there is no such order. */
export async function leavingView(db: Db, orderId: number, now: Date): Promise<LeavingView | undefined> {
  const [of, order, next] = [
    await leavingOf(db, orderId),
    await readOrder(db, orderId),
    await fetchedAt(db, orderId, now),
  ];
  if (!of || !order) return undefined;
  const { cloth, cloths = [], lining } = order.brief ?? {};
  const layers = [
    { layer: 'outer', cloth: cloth?.name ?? '' },
    ...cloths.map((c, i) => ({ layer: CLOTH_NAME[OTHERS[i]!], cloth: c.name })),
    ...[cloth, ...cloths].flatMap((c) =>
      c?.underlining ? [{ layer: 'underlining', cloth: c.underlining }] : [],
    ),
    ...(lining ? [{ layer: 'lining', cloth: lining }] : []),
  ];
  return {
    rack: of.rack,
    care: careOf(layers, of.care),
    own: of.care,
    fetchedAt: next?.at ?? null,
    fetchedKind: next?.kind ?? null,
  };
}
