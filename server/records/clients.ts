import type { ClientRow, ClientView, ClientWrite } from '@rocchetto/contract';
import { foldPhone, foldText } from '@rocchetto/core';
import { likeSafe } from '../db/like.ts';
import { padded } from '../db/numbered.ts';
import type { Db } from '../db/pool.ts';

const COLUMNS = 'id, code, name, phone, email, address, note, minor, guardian, unit, language, version';

/** The folded text a client is found by: nothing of it is hidden from any role. */
export const searchText = (code: string, name: string) =>
  [foldText(name), foldText(code)].filter(Boolean).join(' ');

const COUNT = '(select count(*)::int from orders o where o.client_id = found.id) as orders';

/**
 * The query behind searching while typing: text that stands in name or code first; only when that is too
 * little, words that nearly match. $1 is the folded text, $2 how many, $3 the text safe for like, $4 whether
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
  select id, code, name, phone, ${COUNT}
    from (select * from inside union all select * from alike) found order by near desc, name, id limit $2`;

/** One or two letters are a beginning, not yet a word: names and words that start so, in order. */
export const START_SQL = `
  select id, code, name, phone, ${COUNT}
    from (select id, code, name, phone, search from client where search like $2 || '%' order by search using ~<~ limit $1) found
   order by name, id`;

/** The digits of a phone number, wherever they stand in it. Only for those who may see it. */
const PHONE_SQL = `
  select id, code, name, phone, ${COUNT}
    from (select id, code, name, phone from client where phone_digits like '%' || $1 || '%' limit 200) found
   order by name, id limit $2`;

/** A code or number is right or wrong: nearly every code is nearly like every other, so only words are matched nearly. */
export const searchValues = (folded: string, limit: number) => [
  folded,
  limit,
  likeSafe(folded),
  !/\d/.test(folded),
];

/**
 * Clients whose name or code is like `typed`, accents and slips forgiven; with `byPhone` also those whose number
 * holds the digits typed. Without it no answer depends on a phone number.
 */
export async function searchClients(
  db: Db,
  typed: string,
  byPhone: boolean,
  limit = 20,
): Promise<ClientRow[]> {
  const folded = foldText(typed).slice(0, 100);
  const named =
    folded.length < 3
      ? await db.query<ClientRow>({
          name: 'clients-start',
          text: START_SQL,
          values: [limit, likeSafe(folded)],
        })
      : await db.query<ClientRow>(SEARCH_SQL, searchValues(folded, limit));
  const digits = foldPhone(typed);
  if (!byPhone || digits.length < 4 || !/^[\d\s+()/.-]+$/.test(typed)) return named.rows;
  const called = await db.query<ClientRow>(PHONE_SQL, [digits, limit]);
  const known = new Set(named.rows.map((r) => r.id));
  return [...named.rows, ...called.rows.filter((r) => !known.has(r.id))].slice(0, limit);
}

/** The book in order of name, a page at a time; `after` is the last row of the page before. */
export async function listClients(
  db: Db,
  after: { name: string; id: number } | null,
  limit = 50,
): Promise<ClientRow[]> {
  const { rows } = await db.query<ClientRow>(
    `select id, code, name, phone, ${COUNT} from client found
      where (name, id) > ($1, $2) and erased_at is null order by name, id limit $3`,
    [after?.name ?? '', after?.id ?? 0, limit],
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

/** In which language a client is written to; empty for the house's own. */
export async function languageOf(db: Db, id: number): Promise<string> {
  const { rows } = await db.query<{ language: string }>({
    name: 'client-language',
    text: 'select language from client where id = $1',
    values: [id],
  });
  return rows[0]?.language ?? '';
}

export async function addClient(db: Db, w: ClientWrite): Promise<ClientView> {
  const code = await db.query<{ code: string }>(
    `select 'C-' || ${padded('n', 4)} as code from nextval('client_code') n`,
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
    searchText(code.rows[0]!.code, w.name),
    foldPhone(w.phone),
    w.unit,
    w.language,
  ];
  const { rows } = await db.query<ClientView>(
    `insert into client (code, name, phone, email, address, note, minor, guardian, search, phone_digits, unit, language) values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12) returning ${COLUMNS}`,
    values,
  );
  return rows[0]!;
}

export async function changeClient(db: Db, id: number, code: string, w: ClientWrite): Promise<ClientView> {
  const { rows } = await db.query<ClientView>(
    `update client set name = $2, phone = $3, email = $4, address = $5, note = $6, minor = $7, guardian = $8, search = $9, phone_digits = $10, unit = $11, language = $12, version = version + 1
      where id = $1 returning ${COLUMNS}`,
    [
      id,
      w.name,
      w.phone,
      w.email,
      w.address,
      w.note,
      w.minor,
      w.guardian,
      searchText(code, w.name),
      foldPhone(w.phone),
      w.unit,
      w.language,
    ],
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
      where id <> $3 and ((length($2) >= 6 and phone_digits like '%' || $2) or ($1 <> '' and $1 <% search and similarity(search, $1) > 0.35))
      order by similarity(search, $1) desc limit 5`,
    [foldText(name), digits, except],
  );
  return rows;
}
