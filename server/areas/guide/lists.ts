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

/** The house's standing lists, by name. */
export async function measuringLists(db: Db): Promise<MeasuringList[]> {
  const { rows } = await db.query<Row>({
    name: 'measuring-lists',
    text: 'select id, name, made, version from measuring_list order by name_key limit 200',
  });
  return rows.map(read);
}

export async function readMeasuringList(db: Db, id: number): Promise<MeasuringList | undefined> {
  const { rows } = await db.query<Row>('select id, name, made, version from measuring_list where id = $1', [
    id,
  ]);
  return rows[0] && read(rows[0]);
}

/** Adds one; null when there is one of that name. */
export async function addMeasuringList(db: Db, w: MeasuringListWrite): Promise<MeasuringList | null> {
  const { rows } = await db.query<Row>(
    `insert into measuring_list (name, name_key, made) values ($1, $2, $3) on conflict (name_key) do nothing
     returning id, name, made, version`,
    [w.name, foldText(w.name), kept(w)],
  );
  return rows[0] ? read(rows[0]) : null;
}

/** Whether another list has this name. */
export async function nameTaken(db: Db, id: number, name: string): Promise<boolean> {
  const { rows } = await db.query('select 1 from measuring_list where name_key = $1 and id <> $2', [
    foldText(name),
    id,
  ]);
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
