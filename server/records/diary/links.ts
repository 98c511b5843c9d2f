import type { FeedView } from '@rocchetto/contract';
import type { Db, Tx } from '../../db/pool.ts';

export async function addFeed(
  tx: Tx,
  tokenHash: Buffer,
  of: { staffId: number | null; roomId: number | null; by: number },
): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    'insert into feed (token_hash, staff_id, room_id, made_by) values ($1, $2, $3, $4) returning id',
    [tokenHash, of.staffId, of.roomId, of.by],
  );
  return rows[0]!.id;
}

/** Whose calendar this token opens; undefined for one that is guessed, taken back, or of somebody who left. */
export async function feedOf(
  db: Db,
  tokenHash: Buffer,
): Promise<{ staffId: number | null; roomId: number | null; name: string } | undefined> {
  const { rows } = await db.query({
    name: 'feed-of',
    text: `select f.staff_id as "staffId", f.room_id as "roomId", coalesce(s.name, r.name) as name
       from feed f join staff m on m.id = f.made_by and m.active
       left join staff s on s.id = f.staff_id left join room r on r.id = f.room_id
      where f.token_hash = $1 and f.revoked_at is null`,
    values: [tokenHash],
  });
  return rows[0];
}

export async function listFeeds(db: Db, by: number): Promise<FeedView[]> {
  const { rows } = await db.query<FeedView>(
    `select f.id, coalesce(r.name, 'my own days') as name, to_char(f.made_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "madeAt"
       from feed f left join room r on r.id = f.room_id where f.made_by = $1 and f.revoked_at is null order by f.id`,
    [by],
  );
  return rows;
}

export async function revokeFeed(tx: Tx, id: number, by: number): Promise<boolean> {
  const gone = await tx.query(
    'update feed set revoked_at = now() where id = $1 and made_by = $2 and revoked_at is null',
    [id, by],
  );
  return gone.rowCount !== 0;
}

export async function addClientLink(
  tx: Tx,
  tokenHash: Buffer,
  appointmentId: number,
  until: Date,
): Promise<void> {
  await tx.query('insert into client_link (token_hash, appointment_id, expires_at) values ($1, $2, $3)', [
    tokenHash,
    appointmentId,
    until,
  ]);
}

/** Ends every link to an appointment; how many there were. */
export async function closeClientLinks(tx: Tx, appointmentId: number): Promise<number> {
  return (await tx.query('delete from client_link where appointment_id = $1', [appointmentId])).rowCount ?? 0;
}

/** The appointment a client's link opens; null for one that is guessed or has ended. */
export async function linkedAppointment(db: Db, tokenHash: Buffer, now: Date): Promise<number | null> {
  const { rows } = await db.query<{ id: number }>({
    name: 'client-link',
    text: 'select appointment_id as id from client_link where token_hash = $1 and expires_at > $2',
    values: [tokenHash, now],
  });
  return rows[0]?.id ?? null;
}
