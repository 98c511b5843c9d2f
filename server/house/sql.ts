import { type HouseSettings, type HouseView, type HouseWire, readRules } from '@rocchetto/contract';
import type { Db } from '../db/pool.ts';

/** The house's one row, with its rules laid over the tables of core. */
export async function readHouse(db: Db, lock = false): Promise<HouseView & { readonly rules: HouseWire }> {
  const { rows } = await db.query<HouseView & { rules: HouseWire }>({
    name: lock ? 'house-held' : 'house',
    text: `select studio, time_zone as "timeZone", version, rules from house${lock ? ' for update' : ''}`,
  });
  return { ...rows[0]!, rules: readRules(rows[0]!.rules) };
}

export async function changeHouse(db: Db, { studio, timeZone }: HouseSettings): Promise<void> {
  await db.query('update house set studio = $1, time_zone = $2, version = version + 1', [studio, timeZone]);
}
