import type { PhotoView } from '@rocchetto/contract';
import type { Db, Tx } from '../db/pool.ts';
import type { Picture } from './picture.ts';

export async function photosOf(db: Db, orderId: number): Promise<PhotoView[]> {
  const { rows } = await db.query<PhotoView>({
    name: 'photos-of-order',
    text: `select p.id, p.width, p.height, p.words, p.about, p.alteration_id as "alterationId", s.name as by, to_char(p.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at
       from photo p join staff s on s.id = p.by where p.order_id = $1 order by p.id limit 200`,
    values: [orderId],
  });
  return rows;
}
export async function countPhotos(tx: Tx, orderId: number): Promise<number> {
  const { rows } = await tx.query<{ n: number }>('select count(*)::int as n from photo where order_id = $1', [
    orderId,
  ]);
  return rows[0]!.n;
}
/** Keeps a picture; the one that is there already when it was sent before. */
export async function addPhoto(
  tx: Tx,
  orderId: number,
  hash: Buffer,
  p: Picture,
  of: Pick<PhotoView, 'words' | 'about' | 'alterationId'>,
  by: number,
  at: Date,
): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    `insert into photo (order_id, hash, width, height, picture, thumb, words, about, alteration_id, by, at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)
     on conflict (order_id, hash) do update set words = case when photo.words = '' then excluded.words else photo.words end,
       alteration_id = coalesce(photo.alteration_id, excluded.alteration_id) returning id`,
    [orderId, hash, p.width, p.height, p.picture, p.thumb, of.words, of.about, of.alterationId, by, at],
  );
  return rows[0]!.id;
}
export async function bytesOf(db: Db, id: number, which: 'picture' | 'thumb'): Promise<Buffer | undefined> {
  const { rows } = await db.query<{ bytes: Buffer }>(`select ${which} as bytes from photo where id = $1`, [
    id,
  ]);
  return rows[0]?.bytes;
}
/** Takes a photograph out of the book; the order it was of, or undefined. */
export async function dropPhoto(tx: Tx, id: number): Promise<number | undefined> {
  const { rows } = await tx.query<{ orderId: number }>(
    'delete from photo where id = $1 returning order_id as "orderId"',
    [id],
  );
  return rows[0]?.orderId;
}
