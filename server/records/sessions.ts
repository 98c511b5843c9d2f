import {
  type Earlier,
  type ReadingWire,
  readDetails,
  readReading,
  type SessionFull,
  type SessionRow,
  type SessionWrite,
} from '@rocchetto/contract';
import type { Reading } from '@rocchetto/core';
import type { Db } from '../db/pool.ts';
import type { SignedIn } from '../http/context.ts';

const ROW = `m.id, m.order_id as "orderId", m.at, m.measurer, m.unit, (select count(*)::int from reading r where r.session_id = m.id and r.state = 'read') as readings, exists (select 1 from home_link h where h.session_id = m.id) as "atHome"`;

export async function sessionsOfClient(db: Db, clientId: number): Promise<SessionRow[]> {
  const { rows } = await db.query<SessionRow>({
    name: 'sessions-of-client',
    text: `select ${ROW} from session m where client_id = $1 order by at desc limit 100`,
    values: [clientId],
  });
  return rows;
}
export async function sessionsOfOrder(db: Db, orderId: number): Promise<SessionRow[]> {
  const { rows } = await db.query<SessionRow>({
    name: 'sessions-of-order',
    text: `select ${ROW} from session m where order_id in (select together($1)) order by at desc limit 100`,
    values: [orderId],
  });
  return rows;
}

/** What a batch must fit: its client and order, and the session of its id when there is one. */
export interface Ground {
  readonly minor: boolean;
  /** the order belongs to the client, or none is named */
  readonly orderFits: boolean;
  /** whose the session of this id is; null when there is none yet */
  readonly heldBy: number | null;
}

/**
 * Keeps the session and its readings in one statement, where they fit; those already kept are left as they are.
 * Readings only ever join a session of the client they were sent for.
 * @returns what they had to fit (null when the client is not in the book), and the ids that are new: none when
 * something does not fit
 */
export async function keepReadings(
  db: Db,
  w: SessionWrite,
  readings: readonly ReadingWire[],
  who: SignedIn,
): Promise<{ readonly ground: Ground | null; readonly kept: readonly string[] }> {
  const { id, clientId, orderId, at, unit, ...details } = w;
  const measurer = w.measurer || who.name;
  const rows = readings.map(({ id: readingId, measure, state, at: taken, ...fact }, n) => ({
    id: readingId,
    measure,
    state,
    at: taken,
    fact,
    n,
  }));
  const { rows: answer } = await db.query<{ ground: Ground | null; kept: string[] }>({
    name: 'keep-readings',
    text: `with ground as (
        select c.minor, m.client_id as "heldBy",
          $3::bigint is null or exists (select 1 from orders o where o.id = $3 and o.client_id = c.id) as "orderFits"
          from client c left join session m on m.id = $1 where c.id = $2 and c.erased_at is null
      ), fits as (
        select 1 from ground where "orderFits" and coalesce("heldBy", $2) = $2 and ($10 or not minor)
      ), made as (
        insert into session (id, client_id, order_id, at, staff_id, measurer, details, unit)
        select $1, $2, $3, $4::timestamptz, $5, $6, $7::jsonb, $8 from fits on conflict (id) do nothing returning id, measurer
      ), into_session as (
        select id, measurer from made
        union all select s.id, s.measurer from session s, fits where s.id = $1 and s.client_id = $2 limit 1
      ), kept as (
        insert into reading (id, session_id, measure, state, fact, read_by, staff_id, at)
        select x.id, s.id, x.measure, x.state, x.fact, s.measurer, $5, x.at
          from into_session s, jsonb_to_recordset($9::jsonb) as x(id uuid, measure text, state text, fact jsonb, at timestamptz, n int)
         order by x.n on conflict (id) do nothing returning id
      )
      select (select to_jsonb(g) from ground g) as ground, array(select id::text from kept) as kept`,
    values: [
      id,
      clientId,
      orderId,
      at,
      who.id,
      measurer,
      JSON.stringify({ ...details, measurer }),
      unit,
      JSON.stringify(rows),
      w.guardian.trim() !== '',
    ],
  });
  return answer[0]!;
}

const READING = `select jsonb_build_object('id', r.id, 'measure', r.measure, 'state', r.state, 'at', r.at, 'by', r.read_by) || r.fact as reading from reading r`;

/** Kept readings by their ids, with the session each lies in. */
export async function readingsById(
  db: Db,
  ids: readonly string[],
): Promise<{ readonly sessionId: string; readonly reading: Reading }[]> {
  const { rows } = await db.query<{ sessionId: string; reading: Reading }>({
    name: 'readings-by-id',
    text: READING.replace('as reading', 'as reading, r.session_id as "sessionId"').concat(
      ' where r.id = any($1::uuid[])',
    ),
    values: [ids],
  });
  return rows.map((r) => ({ ...r, reading: readReading(r.reading) }));
}

/** A session as its JSON columns are read. */
export const parsedSession = (s: SessionFull): SessionFull => ({
  ...s,
  details: readDetails(s.details),
  readings: s.readings.map(readReading),
});

export async function readSession(db: Db, id: string): Promise<SessionFull | undefined> {
  const { rows } = await db.query<SessionFull>({
    name: 'session',
    text: `select m.id, m.client_id as "clientId", m.order_id as "orderId", m.at, m.measurer, m.unit, m.details,
        (select coalesce(jsonb_agg(x.reading), '[]') from (${READING} where r.session_id = m.id order by r.seq) x) as readings
       from session m where m.id = $1`,
    values: [id],
  });
  return rows[0] && parsedSession(rows[0]);
}

/** The client's sessions before this one, newest first, with their readings: what "last time" is told from. */
export async function earlierSessions(db: Db, clientId: number, except: string | null): Promise<Earlier[]> {
  const { rows } = await db.query<Earlier>({
    name: 'earlier-sessions',
    text: `select m.id, m.at, (select coalesce(jsonb_agg(x.reading), '[]') from (${READING} where r.session_id = m.id order by r.seq) x) as readings
       from session m where m.client_id = $1 and ($2::uuid is null or m.id <> $2) order by m.at desc limit 5`,
    values: [clientId, except],
  });
  return rows.map((s) => ({ ...s, readings: s.readings.map(readReading) }));
}
