import type { PairsWrite } from '@rocchetto/contract';
import { toCm } from '@rocchetto/contract';
import type { Db, Tx } from '../db/pool.ts';

/** So many of the newest sessions tell whose tape reads how well. */
export const NEWEST = 800;

/** The first two readings of each measure of the newest sessions, by who read: written texts and what they were read as. */
export async function readTwice(
  db: Db,
): Promise<{ readonly sessions: number; readonly rows: readonly ReadTwice[] }> {
  const { rows } = await db.query<ReadTwice & { sessions: number }>({
    name: 'read-twice',
    text: `with newest as (select id from session order by at desc limit ${NEWEST}),
        live as (
          select r.session_id, r.measure, r.read_by as by, r.fact, row_number() over (partition by r.session_id, r.measure order by r.seq) as n
            from newest m join reading r on r.session_id = m.id
           where r.state = 'read' and r.fact ->> 'replaces' is null and coalesce(r.fact ->> 'source', 'taken here') = 'taken here'
             and not exists (select 1 from reading x where x.session_id = r.session_id and x.fact ->> 'replaces' = r.id::text)
        )
      select a.measure, a.by, a.fact as first, b.fact as second, (select count(*)::int from newest) as sessions
        from live a join live b on b.session_id = a.session_id and b.measure = a.measure and b.n = 2 and b.by = a.by
       where a.n = 1`,
  });
  return { sessions: rows[0]?.sessions ?? 0, rows };
}
export interface ReadTwice {
  readonly measure: string;
  readonly by: string;
  readonly first: unknown;
  readonly second: unknown;
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
      where o.client_id = $1 and o.stage <> 'cut' order by o.id desc limit 20`,
    values: [clientId],
  });
  return rows;
}
