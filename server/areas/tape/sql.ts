import type { PairsWrite } from '@rocchetto/contract';
import { toCm } from '@rocchetto/contract';
import type { Db, Tx } from '../../db/pool.ts';

/** So many of the newest sessions tell whose tape reads how well. */
export const NEWEST = 800;

/** One reading in short: what was written and how it was taken, as the database tells it. */
export interface ReadShort {
  readonly value: string;
  readonly unit: string;
  readonly text: string;
  readonly way: string;
  readonly tape: string;
}
export interface ReadTwice {
  readonly measure: string;
  readonly by: string;
  readonly first: ReadShort;
  readonly second: ReadShort;
}

const SHORT = (n: number) =>
  `json_build_array(f[${n}] #>> '{written,value}', f[${n}] #>> '{written,unit}', f[${n}] #>> '{written,text}', coalesce(f[${n}] ->> 'way', 'whole'), coalesce(f[${n}] ->> 'tape', 'snug'))`;
type Short = readonly [string, string, string, string, string];
const shortOf = ([value, unit, text, way, tape]: Short): ReadShort => ({ value, unit, text, way, tape });

/**
 * The first two readings of each measure of the newest sessions by one hand. Each reading of these sessions is read
 * once, by its index; what was replaced is found by its own id, not by looking at every other reading.
 */
export const READ_TWICE = `with newest as materialized (select id from session order by at desc limit ${NEWEST}),
    taken as materialized (select r.id, r.session_id, r.measure, r.read_by, r.seq, r.fact, r.state
        from newest m join lateral (select * from reading x where x.session_id = m.id offset 0) r on true),
    gone as (select distinct fact ->> 'replaces' as id from taken where fact ->> 'replaces' is not null),
    pairs as (
      select t.measure, (array_agg(t.read_by order by t.seq))[1] as by, (array_agg(t.read_by order by t.seq))[2] as also,
          (array_agg(t.fact order by t.seq))[1:2] as f
        from taken t left join gone g on g.id = t.id::text
       where t.state = 'read' and g.id is null and t.fact ->> 'replaces' is null and coalesce(t.fact ->> 'source', 'taken here') = 'taken here'
       group by t.session_id, t.measure having count(*) > 1)
  select (select count(*)::int from newest) as sessions,
    (select coalesce(json_agg(json_build_array(measure, by, ${SHORT(1)}, ${SHORT(2)})), '[]') from pairs where by = also) as pairs`;

export async function readTwice(
  db: Db,
): Promise<{ readonly sessions: number; readonly rows: readonly ReadTwice[] }> {
  const { rows } = await db.query<{ sessions: number; pairs: readonly [string, string, Short, Short][] }>({
    name: 'read-twice',
    text: READ_TWICE,
  });
  const { sessions, pairs } = rows[0]!;
  return {
    sessions,
    rows: pairs.map(([measure, by, a, b]) => ({ measure, by, first: shortOf(a), second: shortOf(b) })),
  };
}

export async function keepPairs(tx: Tx, { readerId, secondId, pairs }: PairsWrite, at: Date): Promise<void> {
  for (const p of pairs)
    await tx.query(
      `insert into tape_pair (measure, reader, second, reader_cm, second_cm, reader_written, second_written, at)
       values ($1, $2, $3, $4, $5, $6, $7, $8)`,
      [p.measure, readerId, secondId, toCm(p.reader), toCm(p.second), p.reader, p.second, at],
    );
}
/** The newest pairs of practice, with names. */
export async function practised(db: Db): Promise<
  readonly {
    readonly measure: string;
    readonly reader: string;
    readonly second: string;
    readonly a: number;
    readonly b: number;
  }[]
> {
  const { rows } = await db.query<{ measure: string; reader: string; second: string; a: number; b: number }>({
    name: 'practised',
    text: `select p.measure, r.name as reader, s.name as second, p.reader_cm as a, p.second_cm as b
       from (select * from tape_pair order by at desc limit 2000) p join staff r on r.id = p.reader join staff s on s.id = p.second`,
  });
  return rows;
}

/** A client’s sessions, the oldest first, with their readings as they are kept: sixty at the most. */
export async function sessionsOver(db: Db, clientId: number): Promise<readonly { readonly id: string }[]> {
  const { rows } = await db.query<{ id: string }>({
    name: 'sessions-over',
    text: 'select id from (select id, at from session where client_id = $1 order by at desc limit 60) s order by at',
    values: [clientId],
  });
  return rows;
}

/** Open orders of a client with the fit of their brief and the day of the session they go by. */
export async function measuredFor(db: Db, clientId: number) {
  const { rows } = await db.query<{
    id: number;
    number: string;
    fit: string | null;
    at: Date | null;
    changed: boolean;
  }>({
    name: 'measured-for',
    text: `select o.id, o.number, o.brief ->> 'fit' as fit, s.at, coalesce(s.details ->> 'changed', '') <> '' as changed
       from orders o left join lateral (select at, details from session where order_id in (select together(o.id))
         order by exists (select 1 from home_link h where h.session_id = session.id), at desc limit 1) s on true
      where o.client_id = $1 and o.stage in ('asked', 'brief', 'measured', 'sheet', 'agreed') order by o.id desc limit 20`,
    values: [clientId],
  });
  return rows;
}
