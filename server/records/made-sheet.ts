import { NO_SETTINGS, toSheetInput } from '@rocchetto/contract';
import { computeSheet, dayIn, type Sheet } from '@rocchetto/core';
import type { Db } from '../db/pool.ts';
import { parseGround, sheetGround } from './sheets.ts';
import { specOfOrder } from './spec-of-order.ts';

/** The sheet a garment is made from, with its panels, and whether it is cut; null where an order has none. */
export async function madeSheet(
  db: Db,
  orderId: number,
  now: Date,
): Promise<{ readonly sheet: Sheet; readonly cut: boolean } | null> {
  const ground = parseGround(await sheetGround(db, orderId, null));
  if (!ground.order?.brief || ground.order.brief.parts.length === 0) return null;
  const spec =
    ground.record?.spec ??
    specOfOrder(ground, ground.record?.settings ?? NO_SETTINGS, dayIn(ground.house.timeZone, now));
  return { sheet: computeSheet(toSheetInput(spec)), cut: ground.record?.status === 'cut' };
}
