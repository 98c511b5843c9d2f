import {
  type MeasuringList,
  type MeasuringListChange,
  type MeasuringListWrite,
  StoredMeasuringList,
} from '@rocchetto/contract';
import { stored } from '@rocchetto/contract/stored.ts';
import { foldText } from '@rocchetto/core';
import type { Db } from '../../db/pool.ts';

type Row = Omit<MeasuringList, 'measures'> & { readonly made: unknown };
const read = ({ made, ...row }: Row): MeasuringList => ({
  ...row,
  measures: stored(StoredMeasuringList, 'Measuring list', made).measures,
});
const kept = (w: MeasuringListWrite) => JSON.stringify({ version: 1, measures: w.measures });

/** Whose list: a client's own, or the house's. */
export type Whose = number | 'house';
const clientOf = (whose: Whose) => (whose === 'house' ? null : whose);

/** The standing lists of the house, or a client's own, by name. */
export async function measuringLists(db: Db, whose: Whose): Promise<MeasuringList[]> {
  const { rows } = await db.query<Row>({
    name: 'measuring-lists',
    text: 'select id, name, made, version from measuring_list where client_id is not distinct from $1 order by name_key limit 200',
    values: [clientOf(whose)],
  });
  return rows.map(read);
}

/** One, and whose it is; undefined where there is none, or it is not of this sort. */
export async function readMeasuringList(
  db: Db,
  id: number,
  of: 'house' | 'clients',
): Promise<(MeasuringList & { readonly clientId: number | null }) | undefined> {
  const { rows } = await db.query<Row & { clientId: number | null }>(
    `select id, name, made, version, client_id as "clientId" from measuring_list where id = $1 and (client_id is null) = $2`,
    [id, of === 'house'],
  );
  const row = rows[0];
  if (!row) return undefined;
  const { clientId, ...list } = row;
  return { ...read(list), clientId };
}

/** Adds one; null when there is one of that name. */
export async function addMeasuringList(
  db: Db,
  whose: Whose,
  w: MeasuringListWrite,
): Promise<MeasuringList | null> {
  const { rows } = await db.query<Row>(
    `insert into measuring_list (name, name_key, made, client_id) values ($1, $2, $3, $4) on conflict do nothing
     returning id, name, made, version`,
    [w.name, foldText(w.name), kept(w), clientOf(whose)],
  );
  return rows[0] ? read(rows[0]) : null;
}

/** Whether another of the same lists has this name. */
export async function nameTaken(db: Db, id: number, name: string): Promise<boolean> {
  const { rows } = await db.query(
    `select 1 from measuring_list l, measuring_list own where own.id = $2 and l.name_key = $1 and l.id <> $2
        and l.client_id is not distinct from own.client_id`,
    [foldText(name), id],
  );
  return rows.length > 0;
}

/** Changes one whose version is still this; undefined when it has moved on or is gone. */
export async function changeMeasuringList(
  db: Db,
  id: number,
  { version, ...w }: MeasuringListChange,
): Promise<MeasuringList | undefined> {
  const { rows } = await db.query<Row>(
    `update measuring_list set name = $2, name_key = $3, made = $4, version = version + 1
      where id = $1 and version = $5 returning id, name, made, version`,
    [id, w.name, foldText(w.name), kept(w), version],
  );
  return rows[0] && read(rows[0]);
}

export async function dropMeasuringList(db: Db, id: number): Promise<string | null> {
  const { rows } = await db.query<{ name: string }>(
    'delete from measuring_list where id = $1 returning name',
    [id],
  );
  return rows[0]?.name ?? null;
}
