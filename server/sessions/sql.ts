import type { ReadingWire, SessionRow, SessionWrite } from '@rocchetto/contract';
import type { Reading } from '@rocchetto/core';
import type { Db } from '../db/pool.ts';
import type { SignedIn } from '../http/context.ts';

const ROW = `m.id, m.order_id as "orderId", m.at, m.measurer, m.unit, (select count(*)::int from reading r where r.session_id = m.id and r.state = 'read') as readings`;

export async function sessionsOfClient(db: Db, clientId: number): Promise<SessionRow[]> {
  return (
    await db.query<SessionRow>(
      `select ${ROW} from session m where client_id = $1 order by at desc limit 100`,
      [clientId],
    )
  ).rows;
}
export async function sessionsOfOrder(db: Db, orderId: number): Promise<SessionRow[]> {
  return (
    await db.query<SessionRow>(
      `select ${ROW} from session m where order_id = $1 order by at desc limit 100`,
      [orderId],
    )
  ).rows;
}

/** What a session says about itself beside its readings. */
export interface SessionDetails extends Omit<SessionWrite, 'id' | 'clientId' | 'orderId' | 'at' | 'unit'> {}
export interface SessionFull {
  readonly id: string;
  readonly clientId: number;
  readonly orderId: number | null;
  readonly at: Date;
  readonly measurer: string;
  readonly unit: 'cm' | 'in';
  readonly details: SessionDetails;
  readonly readings: readonly Reading[];
}

/** Adds the session; the same id sent again changes nothing. */
export async function addSession(db: Db, w: SessionWrite, who: SignedIn) {
  const { id, clientId, orderId, at, unit, ...details } = w;
  const measurer = w.measurer || who.name;
  await db.query(
    'insert into session (id, client_id, order_id, at, staff_id, measurer, details, unit) values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict (id) do nothing',
    [id, clientId, orderId, at, who.id, measurer, JSON.stringify({ ...details, measurer }), unit],
  );
}

/** Adds readings in the order they were taken. One that is already kept is left as it is. */
export async function addReadings(
  db: Db,
  sessionId: string,
  readings: readonly ReadingWire[],
  readBy: string,
  who: SignedIn,
) {
  for (const { id, measure, state, at, ...fact } of readings)
    await db.query(
      'insert into reading (id, session_id, measure, state, fact, read_by, staff_id, at) values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict (id) do nothing',
      [id, sessionId, measure, state, JSON.stringify(fact), readBy, who.id, at],
    );
}

const READING = `select jsonb_build_object('id', r.id, 'measure', r.measure, 'state', r.state, 'at', r.at, 'by', r.read_by) || r.fact as reading from reading r`;

export async function readSession(db: Db, id: string): Promise<SessionFull | undefined> {
  const { rows } = await db.query<Omit<SessionFull, 'readings'>>(
    'select id, client_id as "clientId", order_id as "orderId", at, measurer, unit, details from session where id = $1',
    [id],
  );
  if (!rows[0]) return undefined;
  const readings = await db.query<{ reading: Reading }>(`${READING} where r.session_id = $1 order by r.seq`, [
    id,
  ]);
  return { ...rows[0], readings: readings.rows.map((r) => r.reading) };
}

export async function latestSessionOf(db: Db, orderId: number): Promise<string | undefined> {
  return (
    await db.query<{ id: string }>(
      'select id from session where order_id = $1 order by at desc, created_at desc limit 1',
      [orderId],
    )
  ).rows[0]?.id;
}

/** The client's sessions before this one, newest first, with their readings: what "last time" is told from. */
export async function earlierSessions(
  db: Db,
  clientId: number,
  except: string | null,
): Promise<{ id: string; at: Date; readings: Reading[] }[]> {
  const { rows } = await db.query<{ id: string; at: Date; readings: Reading[] }>(
    `select m.id, m.at, (select coalesce(jsonb_agg(x.reading), '[]') from (${READING} where r.session_id = m.id order by r.seq) x) as readings
       from session m where m.client_id = $1 and ($2::uuid is null or m.id <> $2) order by m.at desc limit 5`,
    [clientId, except],
  );
  return rows;
}
