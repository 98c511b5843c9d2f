import {
  type GarmentRow,
  type GarmentWrite,
  type OwnBlock,
  type OwnBlockWrite,
  readBlock,
  readParts,
} from '@rocchetto/contract';
import { foldText } from '@rocchetto/core';
import type { Db } from '../../db/pool.ts';

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

/** A client's own blocks, the latest first. */
export async function ownBlocks(db: Db, clientId: number): Promise<OwnBlock[]> {
  const { rows } = await db.query<{ id: number; name: string; made: unknown; by: string; at: Date }>({
    name: 'own-blocks',
    text: `select b.id, b.name, b.made, s.name as by, b.saved_at as at from own_block b join staff s on s.id = b.saved_by
        where b.client_id = $1 and b.gone_at is null order by b.id desc limit 100`,
    values: [clientId],
  });
  return rows.map(({ made, at, ...b }) => ({ ...b, ...readBlock(made), at: at.toISOString() }));
}

/** Keeps one under its name; null when the client has a block of that name already. */
export async function keepBlock(
  db: Db,
  clientId: number,
  { name, ...made }: OwnBlockWrite,
  staffId: number,
  at: Date,
): Promise<number | null> {
  const { rows } = await db.query<{ id: number }>(
    `insert into own_block (client_id, name, name_key, made, saved_by, saved_at) values ($1, $2, $3, $4, $5, $6)
     on conflict (client_id, name_key) where gone_at is null do nothing returning id`,
    [clientId, name, foldText(name), JSON.stringify({ version: 2, ...made }), staffId, at],
  );
  return rows[0]?.id ?? null;
}

/** Takes one off; whose it was and its name, or undefined. */
export async function dropBlock(
  db: Db,
  id: number,
  at: Date,
): Promise<{ readonly clientId: number; readonly name: string } | undefined> {
  const { rows } = await db.query<{ clientId: number; name: string }>(
    'update own_block set gone_at = $2 where id = $1 and gone_at is null returning client_id as "clientId", name',
    [id, at],
  );
  return rows[0];
}

/** Takes one off the list; its name, or null when it is not on it. */
export async function dropGarment(db: Db, id: number): Promise<string | null> {
  const { rows } = await db.query<{ name: string }>(
    'update garment set gone_at = now() where id = $1 and gone_at is null returning name',
    [id],
  );
  return rows[0]?.name ?? null;
}
