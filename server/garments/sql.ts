import { type GarmentRow, type GarmentWrite, readParts } from '@rocchetto/contract';
import { foldText } from '@rocchetto/core';
import type { Db } from '../db/pool.ts';

/** The house's saved compositions, by name. */
export async function savedGarments(db: Db): Promise<GarmentRow[]> {
  const { rows } = await db.query<{ id: number; name: string; made: unknown }>({
    name: 'garments',
    text: 'select id, name, made from garment where gone_at is null order by name_key limit 500',
  });
  return rows.map(({ id, name, made }) => ({ id, name, parts: readParts(made) }));
}

/** Saves one under its name; null when the list has that name already. */
export async function saveGarment(db: Db, w: GarmentWrite, staffId: number): Promise<number | null> {
  const { rows } = await db.query<{ id: number }>(
    `insert into garment (name, name_key, made, saved_by) values ($1, $2, $3, $4)
     on conflict (name_key) where gone_at is null do nothing returning id`,
    [w.name, foldText(w.name), JSON.stringify({ version: 2, parts: w.parts }), staffId],
  );
  return rows[0]?.id ?? null;
}

/** Takes one off the list; its name, or null when it is not on it. */
export async function dropGarment(db: Db, id: number): Promise<string | null> {
  const { rows } = await db.query<{ name: string }>(
    'update garment set gone_at = now() where id = $1 and gone_at is null returning name',
    [id],
  );
  return rows[0]?.name ?? null;
}
