import type { Db } from './pool.ts';

/** Adds a line to the studio's history, in the caller's transaction. */
export async function remember(
  db: Db,
  entity: string,
  id: string | number,
  staffId: number | null,
  what: string,
  before: unknown,
  after: unknown,
) {
  await db.query(
    'insert into history (entity, entity_id, staff_id, what, before, after) values ($1, $2, $3, $4, $5, $6)',
    [
      entity,
      String(id),
      staffId,
      what,
      before === undefined ? null : JSON.stringify(before),
      after === undefined ? null : JSON.stringify(after),
    ],
  );
}
