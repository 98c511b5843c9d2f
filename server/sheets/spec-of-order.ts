import type { BriefWire, SpecFile } from '@rocchetto/contract';
import { standing } from '@rocchetto/core';
import type { Db } from '../db/pool.ts';
import { notFound, Refusal } from '../http/problem.ts';
import { readOrder } from '../orders/sql.ts';
import { latestSessionOf, readSession, type SessionFull } from '../sessions/sql.ts';
import { readHouse, type Settings } from './sql.ts';

export const NO_SETTINGS: Settings = { house: {}, overrides: [], accepted: [], sessionId: null };

/** The order as a spec file: its brief, its session's readings as read, the house's rules and the fitter's decisions. */
export async function specOfOrder(
  db: Db,
  orderId: number,
  settings: Settings,
  today: string,
): Promise<{ spec: SpecFile; sessionId: string | null }> {
  const order = await readOrder(db, orderId);
  if (!order) throw notFound('order');
  const brief: BriefWire | null = order.brief;
  if (!brief || brief.parts.length === 0)
    throw new Refusal(
      409,
      'no-brief',
      'A sheet begins with the brief: say what skirt it is to be, then measure. Other garments have no sheet yet.',
    );
  const sessionId = settings.sessionId ?? (await latestSessionOf(db, orderId)) ?? null;
  const session = sessionId ? await readSession(db, sessionId) : undefined;
  const house = await readHouse(db);
  const spec: SpecFile = {
    format: 'rocchetto-spec',
    version: 1,
    order: {
      studio: house.studio,
      number: order.number,
      client: order.clientName,
      what: order.what,
      occasion: order.occasion,
      wornOn: order.wornOn ?? '',
      dueOn: order.dueOn ?? '',
      responsible: order.responsible ?? '',
    },
    garment: brief,
    session: {
      date: session ? session.at.toISOString().slice(0, 10) : '',
      measurer: session?.measurer ?? '',
      scribe: session?.details.scribe ?? '',
      beneath: session?.details.beneath ?? '',
      heel: session?.details.heel ?? null,
      waistRule: session?.details.waistRule ?? '',
      hipRule: session?.details.hipRule ?? '',
    },
    readings: session ? readingsOf(session) : [],
    house: { ...house.rules, ...settings.house },
    overrides: settings.overrides.map(({ id: _, ...o }) => o),
    accepted: [...settings.accepted],
    asOf: today,
  };
  return { spec, sessionId };
}

/** Readings that still stand, each with its unit, as the file writes them. */
function readingsOf(session: SessionFull): SpecFile['readings'] {
  return standing(session.readings).map((r) => ({
    measure: r.measure,
    value: r.written ? `${r.written.text} ${r.written.unit}` : '',
    state: r.state,
    way: r.way,
    tape: r.tape,
    source: r.source,
    by: r.by,
    at: r.at,
    reason: r.reason,
    note: r.note,
  }));
}
