import { type ImportReport, StoredMapping, StoredReport } from '@rocchetto/contract';
import { stored } from '@rocchetto/contract/stored.ts';
import { type Column, foldPhone, foldText } from '@rocchetto/core';
import { padded } from '../db/numbered.ts';
import type { Db, Tx } from '../db/pool.ts';
import type { Encoding } from './imported-file.ts';

export interface ImportFile {
  readonly id: number;
  readonly name: string;
  readonly bytes: Buffer;
  readonly encoding: Encoding;
  readonly columns: readonly Column[];
  readonly leave: readonly number[];
  readonly state: 'open' | 'taking' | 'taken' | 'failed';
  readonly done: number;
  readonly rows: number;
  readonly report: ImportReport | null;
}
type Row = Omit<ImportFile, 'columns' | 'leave' | 'report'> & {
  readonly mapping: unknown;
  readonly report: unknown;
};

export async function readImport(db: Db, id: number): Promise<ImportFile | undefined> {
  const { rows } = await db.query<Row>({
    name: 'import-file',
    text: 'select id, name, bytes, encoding, mapping, state, done, rows, report from import_file where id = $1',
    values: [id],
  });
  const [row] = rows;
  if (!row) return undefined;
  const { mapping, report, ...rest } = row;
  const { columns, leave } = stored(StoredMapping, 'Columns', mapping);
  return {
    ...rest,
    columns,
    leave,
    report: report === null ? null : stored(StoredReport, 'Report', report),
  };
}
const asMapping = (columns: readonly Column[], leave: readonly number[] = []) =>
  JSON.stringify({ version: 1, columns, leave });

export async function addImport(
  tx: Tx,
  f: Pick<ImportFile, 'name' | 'bytes' | 'encoding' | 'columns' | 'rows'>,
  by: number,
  at: Date,
): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    'insert into import_file (name, bytes, encoding, mapping, rows, by, at) values ($1, $2, $3, $4, $5, $6, $7) returning id',
    [f.name, f.bytes, f.encoding, asMapping(f.columns), f.rows, by, at],
  );
  return rows[0]!.id;
}
/** Another way of reading its columns, while nothing of it is taken; false when it is too late. */
export async function mapImport(
  tx: Tx,
  id: number,
  encoding: Encoding,
  { columns, leave, rows }: Pick<ImportFile, 'columns' | 'leave' | 'rows'>,
): Promise<boolean> {
  const { rowCount } = await tx.query(
    `update import_file set encoding = $2, mapping = $3, rows = $4 where id = $1 and state in ('open', 'failed')`,
    [id, encoding, asMapping(columns, leave), rows],
  );
  return rowCount === 1;
}
export async function rememberedMapping(db: Db, header: Buffer): Promise<readonly Column[] | null> {
  const { rows } = await db.query<{ mapping: unknown }>(
    'select mapping from import_mapping where header = $1',
    [header],
  );
  return rows[0] ? stored(StoredMapping, 'Columns', rows[0].mapping).columns : null;
}
export const rememberMapping = (tx: Tx, header: Buffer, columns: readonly Column[], at: Date) =>
  tx.query(
    'insert into import_mapping (header, mapping, at) values ($1, $2, $3) on conflict (header) do update set mapping = excluded.mapping, at = excluded.at',
    [header, asMapping(columns), at],
  );

/** Says that it is being taken; false when somebody has begun already, or it is done. */
export async function beginTaking(db: Db, id: number): Promise<boolean> {
  const { rowCount } = await db.query(
    `update import_file set state = 'taking', begun_at = now(), done = 0, report = null where id = $1 and state in ('open', 'failed')`,
    [id],
  );
  return rowCount === 1;
}
export const progress = (db: Db, id: number, done: number) =>
  db.query('update import_file set done = $2 where id = $1', [id, done]);
/** Held while it is taken: free, a taking was interrupted. */
export async function holdTaking(tx: Tx, id: number): Promise<void> {
  await tx.query('select pg_advisory_xact_lock(7007, $1)', [id]);
  // The planner does not know how few clients a range of names holds, and reads all of them for each: 2.9 s against 2 ms.
  await tx.query('set local enable_seqscan = off');
}
/** Whether it is under way: begun just now, or its transaction holds the lock. */
export async function isUnderWay(db: Db, id: number): Promise<boolean> {
  const { rows } = await db.query<{ held: boolean }>(
    `select coalesce((select begun_at > now() - interval '1 minute' from import_file where id = $2), false) or exists (select 1 from pg_locks where locktype = 'advisory' and classid = 7007 and objid = $1::oid and database = (select oid from pg_database where datname = current_database())) as held`,
    [id, id],
  );
  return rows[0]!.held;
}
/** It is done: what was taken and left out is kept, the file itself goes. */
export const finishImport = (tx: Tx, id: number, rows: number, report: ImportReport) =>
  tx.query(`update import_file set state = 'taken', done = $2, report = $3, bytes = '' where id = $1`, [
    id,
    rows,
    JSON.stringify(report),
  ]);
export const failImport = (db: Db, id: number, report: ImportReport) =>
  db.query(`update import_file set state = 'failed', report = $2 where id = $1 and state = 'taking'`, [
    id,
    JSON.stringify(report),
  ]);

export async function knownRows(tx: Tx, hashes: readonly Buffer[]): Promise<Set<string>> {
  const { rows } = await tx.query<{ row: Buffer }>(
    'select row from imported_row where row = any($1::bytea[])',
    [hashes],
  );
  return new Set(rows.map((r) => r.row.toString('hex')));
}
/** Clients by their folded name: those that could be meant by a row. */
export async function clientsNamed(
  tx: Tx,
  names: readonly string[],
): Promise<readonly { readonly name: string; readonly id: number; readonly phone: string }[]> {
  const { rows } = await tx.query<{ name: string; id: number; phone: string }>(
    `select n as name, c.id, c.phone_digits as phone from unnest($1::text[]) n
       join client c on c.search ~>=~ (n || ' c-') and c.search ~<~ (n || ' c.') and c.erased_at is null`,
    [names],
  );
  return rows;
}
export interface NewCard {
  readonly name: string;
  readonly phone: string;
  readonly email: string;
  readonly address: string;
  readonly note: string;
  readonly digits: string;
  readonly folded: string;
}
/** Adds cards in one statement; their ids in the order given. */
export async function addCards(tx: Tx, cards: readonly NewCard[]): Promise<number[]> {
  const { rows } = await tx.query<{ id: number; n: number }>(
    `with card as (
        select y.*, 'C-' || ${padded('y.no', 4)} as code from (
        select x.*, nextval('client_code') as no
          from jsonb_to_recordset($1::jsonb) as x(n int, name text, phone text, email text, address text, note text, digits text, folded text) order by x.n) y
      ), made as (
        insert into client (code, name, phone, email, address, note, minor, guardian, search, phone_digits)
        select code, name, phone, email, address, note, false, '', folded || ' ' || lower(code), digits from card order by n returning id, code
      )
      select m.id, c.n from made m join card c on c.code = m.code order by c.n`,
    [JSON.stringify(cards.map((c, n) => ({ ...c, n })))],
  );
  return rows.map((r) => r.id);
}
export interface NewSession {
  readonly id: string;
  readonly clientId: number;
  readonly at: string;
  readonly measurer: string;
  readonly unit: 'cm' | 'in';
  readonly readings: readonly { readonly id: string; readonly measure: string; readonly fact: object }[];
}
export async function addSessions(tx: Tx, sessions: readonly NewSession[], staffId: number): Promise<void> {
  await tx.query(
    `insert into session (id, client_id, order_id, at, staff_id, measurer, details, unit)
     select x.id, x.client, null, x.at, $2, x.measurer, jsonb_build_object('measurer', x.measurer), x.unit
       from jsonb_to_recordset($1::jsonb) as x(id uuid, client bigint, at timestamptz, measurer text, unit text)`,
    [
      JSON.stringify(
        sessions.map((s) => ({ id: s.id, client: s.clientId, at: s.at, measurer: s.measurer, unit: s.unit })),
      ),
      staffId,
    ],
  );
  const readings = sessions.flatMap((s) =>
    s.readings.map((r) => ({ ...r, session: s.id, at: s.at, by: s.measurer })),
  );
  await tx.query(
    `insert into reading (id, session_id, measure, state, fact, read_by, staff_id, at)
     select x.id, x.session, x.measure, 'read', x.fact, x.by, $2, x.at
       from jsonb_to_recordset($1::jsonb) as x(id uuid, session uuid, measure text, fact jsonb, by text, at timestamptz)`,
    [JSON.stringify(readings), staffId],
  );
}
export const rememberRows = (
  tx: Tx,
  rows: readonly { readonly hash: Buffer; readonly clientId: number; readonly sessionId: string | null }[],
) =>
  tx.query(
    `insert into imported_row (row, client_id, session_id)
     select decode(x.hash, 'hex'), x.client, x.session from jsonb_to_recordset($1::jsonb) as x(hash text, client bigint, session uuid)`,
    [
      JSON.stringify(
        rows.map((r) => ({ hash: r.hash.toString('hex'), client: r.clientId, session: r.sessionId })),
      ),
    ],
  );

/**
 * What an import told of somebody by name goes from its report; a file that was never taken, and holds the name or
 * phone, goes whole: nobody can take a person out of its bytes.
 */
export async function eraseFromBooks(tx: Tx, code: string, texts: readonly string[]): Promise<void> {
  const named = texts.map((t) => foldText(t));
  const digits = texts.map(foldPhone).filter((d) => d.length > 5);
  const tells = (text: string) =>
    named.some((n) => foldText(text).includes(n)) || digits.some((d) => text.replace(/\D/g, '').includes(d));
  const { rows } = await tx.query<{ id: number; name: string; report: unknown }>(
    'select id, name, report from import_file where report is not null for update',
  );
  for (const { id, name, report } of rows) {
    const read = stored(StoredReport, 'Report', report);
    const left = read.left.map((l) =>
      tells(l.says) ? { ...l, says: `A row of ${code}, who was erased.` } : l,
    );
    const told = tells(name) ? `of ${code}` : name;
    if (told !== name || left.some((l, i) => l !== read.left[i]))
      await tx.query('update import_file set name = $2, report = $3 where id = $1', [
        id,
        told,
        JSON.stringify({ ...read, left }),
      ]);
  }
  const { rows: open } = await tx.query<{ id: number; encoding: Encoding }>(
    `select id, encoding from import_file where octet_length(bytes) > 0 for update`,
  );
  for (const { id, encoding } of open) {
    const { rows: file } = await tx.query<{ bytes: Buffer }>('select bytes from import_file where id = $1', [
      id,
    ]);
    if (tells(new TextDecoder(encoding).decode(file[0]!.bytes)))
      await tx.query('delete from import_file where id = $1', [id]);
  }
}
