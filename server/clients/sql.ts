import type { ClientRow, ClientView, ClientWrite } from '@rocchetto/contract';
import { foldPhone, foldText } from '@rocchetto/core';
import type { Db } from '../db/pool.ts';

const COLUMNS = 'id, code, name, phone, email, address, note, minor, guardian, version';

/** The folded text a client is found by. */
export const searchText = (code: string, name: string, phone: string) =>
  [foldText(name), foldText(code), foldPhone(phone)].filter(Boolean).join(' ');

/**
 * The query behind searching while typing: text that stands in name, code or phone first; only when that is
 * too little, words that nearly match. $1 is the folded text, $2 how many, $3 the text safe for like, $4 whether
 * near matches are wanted. Exported so that the benchmark runs it bare.
 */
export const SEARCH_SQL = `
  with inside as (
    select id, code, name, phone, case when search like $3 || '%' then 3.0 else 2.0 end as near from client
     where search like '%' || $3 || '%' order by near desc, name, id limit $2
  ), alike as (
    select id, code, name, phone, word_similarity($1, search) as near from client
     where $4 and (select count(*) from inside) < 5 and $1 <% search and search not like '%' || $3 || '%'
     order by near desc, name, id limit $2
  )
  select id, code, name, phone, (select count(*)::int from orders o where o.client_id = found.id) as orders
    from (select * from inside union all select * from alike) found order by near desc, name, id limit $2`;

/** One or two letters are a beginning, not yet a word: names and words that start so, in order. */
export const START_SQL = `
  select id, code, name, phone, (select count(*)::int from orders o where o.client_id = found.id) as orders
    from (select id, code, name, phone, search from client where search like $2 || '%' order by search using ~<~ limit $1) found
   order by name, id`;

const likeSafe = (text: string) => text.replace(/[\\%_]/g, '\\$&');

/** A code or number is right or wrong: nearly every code is nearly like every other, so only words are matched nearly. */
export const searchValues = (folded: string, limit: number) => [
  folded,
  limit,
  likeSafe(folded),
  !/\d/.test(folded),
];

/** Clients whose name, code or phone is like `typed`; accents and slips forgiven. */
export async function searchClients(db: Db, typed: string, limit = 20): Promise<ClientRow[]> {
  const folded = foldText(typed).slice(0, 100);
  const digits = foldPhone(typed);
  const wanted = digits.length >= 4 && /^[\d\s+()/.-]+$/.test(typed) ? digits : folded;
  if (wanted.length < 3) return (await db.query<ClientRow>(START_SQL, [limit, likeSafe(wanted)])).rows;
  return (await db.query<ClientRow>(SEARCH_SQL, searchValues(wanted, limit))).rows;
}

/** The book in order of name, a page at a time; `after` is the last row of the page before. */
export async function listClients(
  db: Db,
  after: { name: string; id: number } | null,
  limit = 50,
): Promise<ClientRow[]> {
  const { rows } = await db.query<ClientRow>(
    `select id, code, name, phone, (select count(*)::int from orders o where o.client_id = client.id) as orders from client
      where $1::text is null or (name, id) > ($1, $2) order by name, id limit $3`,
    [after?.name ?? null, after?.id ?? 0, limit],
  );
  return rows;
}

export async function readClient(db: Db, id: number, lock = false): Promise<ClientView | undefined> {
  return (
    await db.query<ClientView>(`select ${COLUMNS} from client where id = $1 ${lock ? 'for update' : ''}`, [
      id,
    ])
  ).rows[0];
}

export async function addClient(db: Db, w: ClientWrite): Promise<ClientView> {
  const code = await db.query<{ code: string }>(
    `select 'C-' || lpad(nextval('client_code')::text, 4, '0') as code`,
  );
  const values = [
    code.rows[0]!.code,
    w.name,
    w.phone,
    w.email,
    w.address,
    w.note,
    w.minor,
    w.guardian,
    searchText(code.rows[0]!.code, w.name, w.phone),
  ];
  const { rows } = await db.query<ClientView>(
    `insert into client (code, name, phone, email, address, note, minor, guardian, search) values ($1, $2, $3, $4, $5, $6, $7, $8, $9) returning ${COLUMNS}`,
    values,
  );
  return rows[0]!;
}

export async function changeClient(db: Db, id: number, code: string, w: ClientWrite): Promise<ClientView> {
  const { rows } = await db.query<ClientView>(
    `update client set name = $2, phone = $3, email = $4, address = $5, note = $6, minor = $7, guardian = $8, search = $9, version = version + 1
      where id = $1 returning ${COLUMNS}`,
    [id, w.name, w.phone, w.email, w.address, w.note, w.minor, w.guardian, searchText(code, w.name, w.phone)],
  );
  return rows[0]!;
}

/** Clients who may be the same person: the same phone, or a name that is nearly the same. */
export async function likelyDuplicates(
  db: Db,
  name: string,
  phone: string,
  except: number,
): Promise<ClientRow[]> {
  const digits = foldPhone(phone);
  const { rows } = await db.query<ClientRow>(
    `select id, code, name, phone, 0 as orders from client
      where id <> $3 and ((length($2) >= 6 and search like '%' || $2) or ($1 <> '' and $1 <% search and similarity(search, $1) > 0.35))
      order by similarity(search, $1) desc limit 5`,
    [foldText(name), digits, except],
  );
  return rows;
}
