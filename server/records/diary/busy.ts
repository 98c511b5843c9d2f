import type { BusyFile } from '@rocchetto/contract';
import type { Span } from '@rocchetto/core/diary/zoned.ts';
import type { Db, Tx } from '../../db/pool.ts';
import { minutes, span } from './spans.ts';

const FILE = `f.id, f.staff_id as "staffId", f.name, f.until,
  to_char(f.made_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as "madeAt" from busy_file f where f.gone_at is null`;

/** Calendars read in, of one of the staff or of all. */
export async function listBusy(db: Db, staffId: number | null): Promise<BusyFile[]> {
  const { rows } = await db.query<BusyFile>({
    name: 'busy-files',
    text: `select ${FILE} and ($1::bigint is null or f.staff_id = $1) order by f.id`,
    values: [staffId],
  });
  return rows;
}

export async function readBusy(tx: Tx, id: number): Promise<BusyFile | undefined> {
  const { rows } = await tx.query<BusyFile>(`select ${FILE} and f.id = $1 for update`, [id]);
  return rows[0];
}

/** All that is kept of somebody within a span, in order. */
export async function keptOf(tx: Tx, staffId: number, within: Span): Promise<(Span & { booked: boolean })[]> {
  const { rows } = await tx.query(
    `select ${minutes('lower(during)')} as from, ${minutes('upper(during)')} as to, slot_id is not null as booked
       from occupied where staff_id = $1 and during && $2::tstzrange order by lower(during)`,
    [staffId, span(within.from, within.to)],
  );
  return rows;
}

/** Keeps busy times. @throws the exclusion's error (23P01) when something is booked there meanwhile */
export async function addBusy(
  tx: Tx,
  f: { staffId: number; name: string; until: string; by: number },
  spans: readonly Span[],
): Promise<number> {
  const { rows } = await tx.query<{ id: number }>(
    'insert into busy_file (staff_id, name, until, made_by) values ($1, $2, $3, $4) returning id',
    [f.staffId, f.name, f.until, f.by],
  );
  const id = rows[0]!.id;
  await tx.query(
    'insert into occupied (busy_id, staff_id, during) select $1, $2, s::tstzrange from unnest($3::text[]) s',
    [id, f.staffId, spans.map((s) => span(s.from, s.to))],
  );
  return id;
}

/** Takes a calendar back: by its number, or somebody's of this name. */
export async function takeBackBusy(
  tx: Tx,
  which: { id: number } | { staffId: number; name: string },
  at: Date,
): Promise<void> {
  const [where, values] =
    'id' in which ? ['id = $2', [which.id]] : ['staff_id = $2 and name = $3', [which.staffId, which.name]];
  const { rows } = await tx.query<{ id: number }>(
    `update busy_file set gone_at = $1 where gone_at is null and ${where} returning id`,
    [at, ...values],
  );
  await tx.query('delete from occupied where busy_id = any($1)', [rows.map((r) => r.id)]);
}

/** Busy times from calendars over a span, by whom. */
export async function readBusySpans(
  db: Db,
  within: Span,
): Promise<readonly (Span & { readonly staffId: number })[]> {
  const { rows } = await db.query({
    name: 'busy-spans',
    text: `select staff_id as "staffId", ${minutes('lower(during)')} as from, ${minutes('upper(during)')} as to
       from occupied where busy_id is not null and staff_id is not null and during && $1::tstzrange order by lower(during)`,
    values: [span(within.from, within.to)],
  });
  return rows;
}

/** Leave goes before a calendar's busy times: these are cut where it lies. */
export async function cutBusy(tx: Tx, staffId: number, during: Span): Promise<void> {
  await tx.query(
    `with gone as (delete from occupied where busy_id is not null and staff_id = $1 and during && $2::tstzrange
        returning busy_id, staff_id, during)
     insert into occupied (busy_id, staff_id, during)
       select busy_id, staff_id, unnest(tstzmultirange(during) - tstzmultirange($2::tstzrange)) from gone`,
    [staffId, span(during.from, during.to)],
  );
}
