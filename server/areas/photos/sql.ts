import type { PhotoView } from '@rocchetto/contract';
import type { Db, Tx } from '../../db/pool.ts';
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
/** More words than a picture is told by. */
const MOST_WORDS = 400;

/**
 * Keeps a picture. The same picture sent again is the one that is there: what it is said to show is added to what it
 * was said to show before, and the mark it belongs to stays. `did` tells what of that changed anything.
 */
export async function addPhoto(
  tx: Tx,
  orderId: number,
  hash: Buffer,
  p: Picture,
  of: Pick<PhotoView, 'words' | 'about' | 'alterationId'>,
  by: number,
  at: Date,
): Promise<{ readonly id: number; readonly did: 'added' | 'worded' | 'nothing' }> {
  const { rows } = await tx.query<{ id: number }>(
    `insert into photo (order_id, hash, width, height, picture, thumb, words, about, alteration_id, by, at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11) on conflict (order_id, hash) do nothing returning id`,
    [orderId, hash, p.width, p.height, p.picture, p.thumb, of.words, of.about, of.alterationId, by, at],
  );
  if (rows[0]) return { id: rows[0].id, did: 'added' };
  const { rows: there } = await tx.query<{ id: number; words: string; alterationId: number | null }>(
    'select id, words, alteration_id as "alterationId" from photo where order_id = $1 and hash = $2 for update',
    [orderId, hash],
  );
  const { id, words, alterationId } = there[0]!;
  const more = of.words.trim();
  const all =
    more === '' || words.split(' · ').includes(more) ? words : words === '' ? more : `${words} · ${more}`;
  const mark = alterationId ?? of.alterationId;
  if (all === words && mark === alterationId) return { id, did: 'nothing' };
  await tx.query('update photo set words = $2, alteration_id = $3 where id = $1', [
    id,
    all.slice(0, MOST_WORDS),
    mark,
  ]);
  return { id, did: 'worded' };
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
