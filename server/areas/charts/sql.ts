import { ChartFile, type KeptChart, StoredSize } from '@rocchetto/contract/compare.ts';
import { stored } from '@rocchetto/contract/stored.ts';
import { foldText } from '@rocchetto/core';
import type { Db, Tx } from '../../db/pool.ts';

interface Row {
  readonly id: number;
  readonly made: unknown;
  readonly version: number;
}
const kept = ({ id, version, made }: Row): KeptChart => ({
  id,
  version,
  chart: stored(ChartFile, 'Size chart', made),
});

/** The house's charts, by name. */
export async function charts(db: Db): Promise<KeptChart[]> {
  const { rows } = await db.query<Row>({
    name: 'size-charts',
    text: 'select id, made, version from size_chart order by name_key limit 200',
  });
  return rows.map(kept);
}
export async function readChart(db: Db, id: number): Promise<KeptChart | undefined> {
  const { rows } = await db.query<Row>('select id, made, version from size_chart where id = $1', [id]);
  return rows[0] && kept(rows[0]);
}
/** Adds one; null when there is one of that name. */
export async function addChart(db: Db, chart: ChartFile): Promise<KeptChart | null> {
  const { rows } = await db.query<Row>(
    `insert into size_chart (name, name_key, made) values ($1, $2, $3) on conflict (name_key) do nothing
     returning id, made, version`,
    [chart.name, foldText(chart.name), JSON.stringify(chart)],
  );
  return rows[0] ? kept(rows[0]) : null;
}
/** Whether another chart has this name. */
export async function chartNameTaken(db: Db, id: number, name: string): Promise<boolean> {
  const { rows } = await db.query('select 1 from size_chart where name_key = $1 and id <> $2', [
    foldText(name),
    id,
  ]);
  return rows.length > 0;
}
/** Changes one whose version is still this; undefined when it has moved on or is gone. */
export async function changeChart(
  db: Db,
  id: number,
  version: number,
  chart: ChartFile,
): Promise<KeptChart | undefined> {
  const { rows } = await db.query<Row>(
    `update size_chart set name = $2, name_key = $3, made = $4, version = version + 1
      where id = $1 and version = $5 returning id, made, version`,
    [id, chart.name, foldText(chart.name), JSON.stringify(chart), version],
  );
  return rows[0] && kept(rows[0]);
}
export async function dropChart(db: Db, id: number): Promise<string | null> {
  const { rows } = await db.query<{ name: string }>('delete from size_chart where id = $1 returning name', [
    id,
  ]);
  return rows[0]?.name ?? null;
}

export interface ChosenSize {
  readonly chart: ChartFile;
  readonly size: string;
  readonly by: string;
  readonly at: Date;
  readonly version: number;
}
/** The size that was chosen for an order. */
export async function chosenSize(db: Db, orderId: number): Promise<ChosenSize | undefined> {
  const { rows } = await db.query<{ made: unknown; by: string; at: Date; version: number }>({
    name: 'order-size',
    text: `select o.made, s.name as by, o.at, o.version from order_size o join staff s on s.id = o.by where o.order_id = $1`,
    values: [orderId],
  });
  const row = rows[0];
  if (!row) return undefined;
  const { chart, size } = stored(StoredSize, 'Chosen size', row.made);
  return { chart, size, by: row.by, at: row.at, version: row.version };
}
/** Keeps a choice over the one of this version, 0 where there is none; false when it has moved on. */
export async function keepSize(
  tx: Tx,
  orderId: number,
  version: number,
  made: { readonly chart: ChartFile; readonly size: string } | null,
  by: number,
  at: Date,
): Promise<boolean> {
  const text = made && JSON.stringify({ version: 1, ...made });
  const { rowCount } =
    text === null
      ? await tx.query('delete from order_size where order_id = $1 and version = $2', [orderId, version])
      : version === 0
        ? await tx.query(
            `insert into order_size (order_id, made, by, at) values ($1, $2, $3, $4) on conflict (order_id) do nothing`,
            [orderId, text, by, at],
          )
        : await tx.query(
            `update order_size set made = $3, by = $4, at = $5, version = version + 1 where order_id = $1 and version = $2`,
            [orderId, version, text, by, at],
          );
  return rowCount === 1;
}
