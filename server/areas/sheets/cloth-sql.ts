import { type LayKeep, StoredLay } from '@rocchetto/contract/cloth-lay.ts';
import type { ClothId } from '@rocchetto/contract/laid.ts';
import { stored } from '@rocchetto/contract/stored.ts';
import type { Db, Tx } from '../../db/pool.ts';
import type { KeptRow } from './cloth.ts';

interface Row {
  readonly id: number;
  readonly of: ClothId;
  readonly name: string;
  readonly revision: number;
  readonly panels: string;
  readonly by: string;
  readonly at: Date;
  readonly made: unknown;
}

/** The lay that counts of each cloth of an order. */
export async function keptLays(db: Db, orderId: number): Promise<KeptRow[]> {
  const { rows } = await db.query<Row>({
    name: 'cloth-lays',
    text: `select distinct on (l.of) l.id::int, l.of, l.name, l.revision, l.panels, s.name as by, l.at, l.made
       from cloth_lay l join staff s on s.id = l.by where l.order_id = $1 order by l.of, l.id desc`,
    values: [orderId],
  });
  return rows.map(({ made, at, ...row }) => {
    const { cloth, lay } = stored(StoredLay, 'Lay', made);
    return { ...row, at: at.toISOString(), cloth, lay };
  });
}

/** The id of the lay that counts now, 0 where there is none. The order's row is held by the caller. */
export async function newestLay(tx: Tx, orderId: number, of: ClothId): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    'select id::int from cloth_lay where order_id = $1 and of = $2 order by id desc limit 1',
    [orderId, of],
  );
  return rows[0]?.id ?? 0;
}

export async function keepLay(
  tx: Tx,
  orderId: number,
  { of, name, panels, cloth, lay }: LayKeep,
  more: {
    readonly revision: number;
    readonly takes: number;
    readonly width: number;
    readonly by: number;
    readonly at: Date;
  },
): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    `insert into cloth_lay (order_id, of, name, revision, panels, takes_cm, width_cm, made, by, at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) returning id::int`,
    [
      orderId,
      of,
      name,
      more.revision,
      panels,
      more.takes,
      more.width,
      JSON.stringify({ version: 1, cloth, lay } satisfies StoredLay),
      more.by,
      more.at,
    ],
  );
  return rows[0]!.id;
}
