import { Doors, type DoorsWrite, type SignInView } from '@rocchetto/contract';
import { stored } from '@rocchetto/contract/stored.ts';
import type { Db, Tx } from '../db/pool.ts';
import { newToken, tokenHash } from '../http/token.ts';

/** How the house keeps its doors. */
export async function readDoors(db: Db): Promise<Doors> {
  const { rows } = await db.query<{ doors: unknown }>({ name: 'doors', text: 'select doors from house' });
  return stored(Doors, 'Doors', rows[0]!.doors);
}
export const writeDoors = (tx: Tx, doors: DoorsWrite) =>
  tx.query('update house set doors = $1', [JSON.stringify({ version: 1, ...doors })]);

/** Where somebody is signed in, the latest first. `token` is the one that asks. */
export async function signInsOf(db: Db, staffId: number, token: string): Promise<SignInView[]> {
  const { rows } = await db.query<SignInView>(
    `select id, device, to_char(created_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "madeAt",
        to_char(seen_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "seenAt", token_hash = $2 as "isThis", locked_at is not null as "isLocked"
       from sign_in where staff_id = $1 and expires_at > now() order by seen_at desc, id desc limit 50`,
    [staffId, tokenHash(token)],
  );
  return rows;
}
/** Ends one sign-in of somebody's own; false when there is none of this number. */
export async function endSignIn(tx: Tx, staffId: number, id: number): Promise<boolean> {
  return (
    (await tx.query('delete from sign_in where staff_id = $1 and id = $2', [staffId, id])).rowCount === 1
  );
}
export const endOtherSignIns = (tx: Tx, staffId: number, token: string) =>
  tx.query('delete from sign_in where staff_id = $1 and token_hash <> $2', [staffId, tokenHash(token)]);

export const lockSignIn = (db: Db, token: string, at: Date | null) =>
  db.query('update sign_in set locked_at = $2, seen_at = now() where token_hash = $1', [
    tokenHash(token),
    at,
  ]);

/** A device is remembered so long after its last right sign-in. */
const REMEMBERED = '180 days';
export const DEVICE_COOKIE = 'rocchetto-device';
export const DEVICE_SECONDS = 180 * 86_400;

/** Remembers a device for this person; its token is new each time. */
export async function rememberDevice(db: Db, staffId: number, before: string | undefined): Promise<string> {
  const { token, hash } = newToken();
  if (before) await db.query('delete from known_device where token_hash = $1', [tokenHash(before)]);
  await db.query(
    'insert into known_device (token_hash, staff_id, expires_at) values ($1, $2, now() + $3::interval)',
    [hash, staffId, REMEMBERED],
  );
  return token;
}
/** The hash of a device's token when this person has signed in on it before. */
export async function knownDevice(
  db: Db,
  token: string | undefined,
  nameKey: string,
): Promise<Buffer | null> {
  if (!token) return null;
  const hash = tokenHash(token);
  const { rowCount } = await db.query(
    `select 1 from known_device d join staff s on s.id = d.staff_id
      where d.token_hash = $1 and s.name_key = $2 and s.active and d.expires_at > now()`,
    [hash, nameKey],
  );
  return rowCount ? hash : null;
}
export const forgetDevices = (db: Db, staffId: number) =>
  db.query('delete from known_device where staff_id = $1', [staffId]);

export async function hashOf(db: Db, staffId: number): Promise<string | null> {
  const { rows } = await db.query<{ h: string | null }>(
    'select passphrase_hash as h from staff where id = $1 and active',
    [staffId],
  );
  return rows[0]?.h ?? null;
}
export const writeHash = (tx: Tx, staffId: number, hash: string) =>
  tx.query('update staff set passphrase_hash = $2 where id = $1', [staffId, hash]);
