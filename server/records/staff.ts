import type { Role, StaffView } from '@rocchetto/contract';
import { foldText, initialsOf, usualSkills } from '@rocchetto/core';
import type { Db, Tx } from '../db/pool.ts';
import { HttpError } from '../http/problem.ts';
import { TEXTS } from './texts.ts';

export async function listStaff(db: Db): Promise<StaffView[]> {
  const { rows } = await db.query<StaffView>({
    name: 'staff',
    text: `select id, name, role, passphrase_hash is not null as ready, (
        select to_char(l.expires_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') from setup_link l
         where l.staff_id = s.id and l.used_at is null and l.expires_at > now() limit 1) as "linkUntil"
       from staff s where active order by name`,
  });
  return rows;
}

/** What somebody measures and reads in, where it is not what the studio does. */
export async function unitOfStaff(db: Db, id: number): Promise<'cm' | 'in' | null> {
  const { rows } = await db.query<{ unit: 'cm' | 'in' | null }>({
    name: 'staff-unit',
    text: 'select unit from staff where id = $1',
    values: [id],
  });
  return rows[0]?.unit ?? null;
}
export const changeUnit = (db: Db, id: number, unit: 'cm' | 'in' | null) =>
  db.query('update staff set unit = $2 where id = $1', [id, unit]);

export async function isActive(db: Db, id: number): Promise<boolean> {
  return (await db.query('select 1 from staff where id = $1 and active', [id])).rowCount !== 0;
}

/** The name of somebody who works here; undefined for anybody else. */
export async function staffName(db: Db, id: number): Promise<string | undefined> {
  const { rows } = await db.query<{ name: string }>('select name from staff where id = $1 and active', [id]);
  return rows[0]?.name;
}

const taken = (name: string) => new HttpError(422, 'name-taken', TEXTS.nameTaken(name));

const onlyOwner = () => new HttpError(422, 'last-principal', TEXTS.lastPrincipal);

/** Adds somebody; a name is taken only while its bearer works here. @throws HttpError 422 name-taken */
export async function addStaff(tx: Tx, name: string, role: Role): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    'insert into staff (name, name_key, role, skills, initials) values ($1, $2, $3, $4, $5) on conflict do nothing returning id',
    [name, foldText(name), role, usualSkills(role), initialsOf(name)],
  );
  if (!rows[0]) throw taken(name);
  return rows[0].id;
}

/** @throws HttpError 422 name-taken */
export async function nameStaff(tx: Tx, id: number, name: string): Promise<void> {
  const other = await tx.query('select 1 from staff where name_key = $1 and active and id <> $2', [
    foldText(name),
    id,
  ]);
  if (other.rowCount) throw taken(name);
  await tx.query('update staff set name = $2, name_key = $3 where id = $1', [id, name, foldText(name)]);
}

/** Name and role of somebody who works here, held until the transaction ends; the owners' rows are held with it. */
export async function holdStaff(tx: Tx, id: number): Promise<{ name: string; role: Role } | undefined> {
  await tx.query(`select 1 from staff where role = 'principal' and active order by id for update`);
  const { rows } = await tx.query<{ name: string; role: Role }>(
    'select name, role from staff where id = $1 and active for update',
    [id],
  );
  return rows[0];
}
/** @throws HttpError 422 where the studio would be without an owner */
export async function changeRole(tx: Tx, id: number, role: Role): Promise<void> {
  const { rows } = await tx.query<{ id: number }>(`select id from staff where role = 'principal' and active`);
  if (role !== 'principal' && rows.length === 1 && rows[0]!.id === id) throw onlyOwner();
  await tx.query('update staff set role = $2 where id = $1', [id, role]);
}

/**
 * Takes somebody off the staff and ends their sign-ins. The principals' rows are held together, so that two who
 * take each other off at the same moment leave one. Answers false when nobody active has this id.
 * @throws HttpError 422 for the last principal
 */
export async function removeStaff(tx: Tx, id: number): Promise<boolean> {
  const { rows } = await tx.query<{ id: number }>(
    `select id from staff where role = 'principal' and active order by id for update`,
  );
  if (rows.length === 1 && rows[0]!.id === id) throw onlyOwner();
  const gone = await tx.query('update staff set active = false where id = $1 and active', [id]);
  await tx.query('delete from sign_in where staff_id = $1', [id]);
  await tx.query('delete from setup_link where staff_id = $1', [id]);
  await tx.query('delete from known_device where staff_id = $1', [id]);
  await tx.query('delete from second_factor where staff_id = $1', [id]);
  return gone.rowCount !== 0;
}
