import type { Db } from '../db/pool.ts';
import type { SignedIn } from '../http/context.ts';
import { newToken, tokenHash } from '../http/token.ts';

/** A sign-in ends after 12 hours without a request, and after 7 days whatever happens. */
const IDLE = '12 hours';
const LONGEST = '7 days';

export async function findStaff(db: Db, nameKey: string) {
  const { rows } = await db.query<{ id: number; passphrase_hash: string | null }>(
    'select id, passphrase_hash from staff where name_key = $1 and active',
    [nameKey],
  );
  return rows[0];
}

/** @param device the browser and system, as it names itself */
export async function openSignIn(db: Db, staffId: number, device = ''): Promise<string> {
  const { token, hash } = newToken();
  await db.query(
    `insert into sign_in (token_hash, staff_id, csrf, expires_at, device) values ($1, $2, $3, now() + $4::interval, $5)`,
    [hash, staffId, newToken().token, LONGEST, device.slice(0, 200)],
  );
  return token;
}

export async function closeSignIn(db: Db, token: string) {
  await db.query('delete from sign_in where token_hash = $1', [tokenHash(token)]);
}

/** Whoever holds a sign-in, and what stands between them and the book. */
export interface Holder extends SignedIn {
  readonly locked: boolean;
  readonly factorOwed: boolean;
}

/**
 * Who holds this token, or undefined when it has ended. `seen_at` is renewed at most once a minute, without
 * waiting for another request that renews it.
 */
export async function whoHolds(db: Db, token: string, renew = true): Promise<Holder | undefined> {
  const { rows } = await db.query<Holder & { old: boolean }>({
    name: 'who-holds',
    text: `select s.id, s.name, s.role, i.csrf, i.seen_at < now() - interval '1 minute' as old, i.locked_at is not null as locked,
        coalesce(h.doors -> 'secondFactor' ? s.role, false) and not exists (
          select 1 from second_factor f where f.staff_id = s.id and f.on_at is not null) as "factorOwed"
       from sign_in i join staff s on s.id = i.staff_id cross join house h
      where i.token_hash = $1 and s.active and i.expires_at > now() and i.seen_at > now() - $2::interval`,
    values: [tokenHash(token), IDLE],
  });
  if (rows[0]?.old && renew)
    await db.query(
      `update sign_in set seen_at = now()
        where token_hash in (select token_hash from sign_in where token_hash = $1 for update skip locked)`,
      [tokenHash(token)],
    );
  return rows[0];
}

/** A link to set a passphrase, good for three days and once. */
export async function makeSetupLink(db: Db, staffId: number): Promise<string> {
  const { token, hash } = newToken();
  await db.query('delete from setup_link where staff_id = $1 and used_at is null', [staffId]);
  await db.query(
    `insert into setup_link (token_hash, staff_id, expires_at) values ($1, $2, now() + interval '3 days')`,
    [hash, staffId],
  );
  return token;
}

/** Ends a link that nobody has used yet. False where there is none. */
export async function dropSetupLink(db: Db, staffId: number): Promise<boolean> {
  const { rowCount } = await db.query(
    'delete from setup_link where staff_id = $1 and used_at is null and expires_at > now()',
    [staffId],
  );
  return rowCount !== 0;
}

/** The name of whose link it is, when it is known, unused and young enough. */
export async function setupLinkHolds(db: Db, token: string): Promise<string | undefined> {
  const { rows } = await db.query<{ name: string }>(
    `select s.name from setup_link l join staff s on s.id = l.staff_id
      where l.token_hash = $1 and l.used_at is null and l.expires_at > now()`,
    [tokenHash(token)],
  );
  return rows[0]?.name;
}

/** Uses the link up. Undefined when it is unknown, old or used. */
export async function useSetupLink(db: Db, token: string): Promise<number | undefined> {
  const { rows } = await db.query<{ staff_id: number }>(
    'update setup_link set used_at = now() where token_hash = $1 and used_at is null and expires_at > now() returning staff_id',
    [tokenHash(token)],
  );
  return rows[0]?.staff_id;
}
