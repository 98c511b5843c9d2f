import { NO_SETTINGS, type SessionFull, toSheetInput } from '@rocchetto/contract';
import { genericBrief } from '@rocchetto/contract/flat-draft.ts';
import { computeSheet, dayIn } from '@rocchetto/core';
import { type FlatGround, flatGround } from '@rocchetto/core/compare/flat-table.ts';
import type { FlatCut } from '@rocchetto/core/measures/flat/flat-points.ts';
import type { Db } from '../../db/pool.ts';
import { madeSheet } from '../../records/made-sheet.ts';
import { earlierSessions, readSession } from '../../records/sessions.ts';
import { parseGround, type SheetGround, sheetGround } from '../../records/sheets.ts';
import { specOfOrder } from '../../records/spec-of-order.ts';

/** The client’s newest measuring in which anything was read. */
async function newestMeasuring(db: Db, clientId: number): Promise<SessionFull | null> {
  const newest = (await earlierSessions(db, clientId, null)).find((s) =>
    s.readings.some((r) => r.state === 'read'),
  );
  return newest ? ((await readSession(db, newest.id)) ?? null) : null;
}

/** A ground with what is to be known of it. */
interface Told {
  readonly ground: FlatGround;
  readonly says: readonly string[];
}

/** What a piece is held against where the order has no brief: the client’s body and what the fit wants there, and no sheet. */
function withoutBrief(ground: SheetGround, cut: FlatCut, today: string): Told {
  const brief = genericBrief(cut);
  const spec = specOfOrder({ ...ground, order: { ...ground.order, brief } }, NO_SETTINGS, today);
  return {
    ground: { ...flatGround(computeSheet(toSheetInput(spec))), sheet: null },
    says: [
      ground.session === null
        ? 'This order has no brief, and the client has not been measured: there is nothing to hold the piece against.'
        : `This order has no brief: the piece is held against the client as last measured, with the ease of a garment that is ${brief.fit}.`,
    ],
  };
}

/** Where there is no sheet the body is only in the readings, and some hands may not read those. */
const NOTHING: Told = {
  ground: flatGround(null),
  says: ['This order has no brief: there is no sheet to hold the piece against.'],
};

/** What the pieces beside an order are held against, by their cut, for hands that may read readings or may not. */
export async function flatGrounds(
  db: Db,
  orderId: number,
  now: Date,
  readings: boolean,
): Promise<(cut: FlatCut) => Told> {
  const made = await madeSheet(db, orderId, now);
  if (made) {
    const told = { ground: flatGround(made.sheet), says: [] };
    return () => told;
  }
  if (!readings) return () => NOTHING;
  const ground = parseGround(await sheetGround(db, orderId, null));
  if (!ground.order) return () => ({ ground: flatGround(null), says: [] });
  const session = ground.session ?? (await newestMeasuring(db, ground.order.clientId));
  const today = dayIn(ground.house.timeZone, now);
  return (cut) => withoutBrief({ ...ground, session }, cut, today);
}
