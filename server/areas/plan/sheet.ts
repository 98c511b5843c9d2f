import { NO_SETTINGS, toSheetInput } from '@rocchetto/contract';
import { computeSheet, dayIn, type Sheet } from '@rocchetto/core';
import type { Db } from '../../db/pool.ts';
import { parseGround, sheetGround } from '../../records/sheets.ts';
import { laidIn, specOfOrder } from '../../records/spec-of-order.ts';
import type { PlanRow } from './sql.ts';

/** The sheet an order is planned and priced by: as it is agreed, or as it stands, bought by the lays that are kept now; null while it has no brief. */
export async function sheetOfOrder(
  db: Db,
  row: PlanRow,
  now: Date,
): Promise<{ readonly sheet: Sheet; readonly revision: number } | null> {
  if (!row.brief || row.brief.parts.length === 0) return null;
  const ground = parseGround(await sheetGround(db, row.id, null));
  const { record, house } = ground;
  const spec =
    record?.spec ?? specOfOrder(ground, record?.settings ?? NO_SETTINGS, dayIn(house.timeZone, now));
  return {
    sheet: computeSheet(toSheetInput({ ...spec, ...laidIn(ground) })),
    revision: record?.revision ?? 1,
  };
}
