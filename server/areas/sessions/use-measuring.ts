import { randomUUID } from 'node:crypto';
import { type OrderFull, type ReadingWire, type SessionFull, SessionWrite } from '@rocchetto/contract';
import { standing } from '@rocchetto/core';
import type { Tx } from '../../db/pool.ts';
import type { SignedIn } from '../../http/context.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { keepReadings, readSession } from '../../records/sessions.ts';
import { TEXTS } from './texts.ts';

/**
 * An earlier measuring of the client as the order's own: every reading that stands, as it was read, marked as carried
 * over and with its own time, in a session that can go on with what this order asks for besides.
 * @throws HttpError where it is another client's, nothing was read in it, or a minor's guardian was not there
 */
export async function useMeasuring(
  tx: Tx,
  order: Pick<OrderFull, 'id' | 'clientId'>,
  sessionId: string,
  who: SignedIn,
  now: Date,
): Promise<{ sessionId: string; readings: number }> {
  const from = await readSession(tx, sessionId);
  if (!from || from.clientId !== order.clientId) throw notFound('measuring');
  const readings = standing(from.readings)
    .filter((r) => r.state === 'read' && r.written !== null)
    .map(
      ({ by: _, ...r }): ReadingWire => ({
        ...r,
        id: randomUUID(),
        // What the client reported, or a garment gave, stays that: it is asked about as it was.
        source: r.source === 'taken here' ? 'carried over' : r.source,
        replaces: null,
      }),
    );
  if (readings.length === 0) throw new HttpError(422, 'nothing-read', TEXTS.nothingRead);
  // The column's own version is not the session's.
  const { version: _, ...details } = from.details as SessionFull['details'] & { readonly version?: number };
  const session = SessionWrite.parse({
    ...details,
    id: randomUUID(),
    clientId: order.clientId,
    orderId: order.id,
    at: now.toISOString(),
    measurer: from.measurer,
    unit: from.unit,
    cords: [],
    consent: false,
  });
  const { kept } = await keepReadings(tx, session, readings, who);
  if (kept.length !== readings.length) throw new HttpError(422, 'guardian', TEXTS.guardianOfMeasuring);
  return { sessionId: session.id, readings: readings.length };
}
