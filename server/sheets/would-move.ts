import { type HouseRulesWire, NO_SETTINGS, toLeads, toSheetInput, type WouldMove } from '@rocchetto/contract';
import {
  changesBetween,
  computeSheet,
  danger,
  dayIn,
  type Leads,
  printWithUnit,
  type Sheet,
  tell,
} from '@rocchetto/core';
import type { Db } from '../db/pool.ts';
import { readHouse } from '../house/sql.ts';
import { specOfOrder } from './spec-of-order.ts';
import { dueWithin, openSheets, parseGround, sheetGround } from './sql.ts';

/** How many open orders are looked at, those due first. */
export const LOOKED = 150;
/** How many are told by name. */
const NAMED = 8;

/** What other rules would do to the orders in work: each sheet computed as it is and as it would be. Changes nothing. */
export async function wouldMove(db: Db, rules: HouseRulesWire, now: Date): Promise<WouldMove> {
  const house = await readHouse(db);
  const today = dayIn(house.timeZone, now);
  const open = await openSheets(db, today, LOOKED + 1);
  const orders: WouldMove['orders'][number][] = [];
  for (const { id, agreed } of open.slice(0, LOOKED)) {
    const ground = parseGround(await sheetGround(db, id, null));
    if (!ground.order?.brief || ground.order.brief.parts.length === 0) continue;
    const settings = ground.record?.settings ?? NO_SETTINGS;
    const sheet = (own: HouseRulesWire) =>
      computeSheet(
        toSheetInput(specOfOrder({ ...ground, house: { ...ground.house, rules: own } }, settings, today)),
      );
    const moves = firstMove(sheet(ground.house.rules), sheet(rules));
    if (moves) orders.push({ id, number: ground.order.number, what: ground.order.what, agreed, moves });
  }
  return {
    looked: Math.min(open.length, LOOKED),
    more: open.length > LOOKED,
    moved: orders.filter((o) => !o.agreed).length,
    agreed: orders.filter((o) => o.agreed).length,
    danger: await inDanger(db, [toLeads(house.rules), toLeads(rules)], today),
    orders: orders.slice(0, NAMED),
  };
}

/** How many orders are in danger under each of two tables of lead times. */
async function inDanger(db: Db, both: readonly [Leads, Leads], today: string): Promise<[number, number]> {
  const furthest = Math.max(...both.flatMap((leads) => Object.values(leads)));
  const due = await dueWithin(db, today, furthest);
  const count = (leads: Leads) => due.filter((o) => danger(o, today, leads) !== null).length;
  return [count(both[0]), count(both[1])];
}

/** The first thing that differs between two sheets of one order, in words; null when they are the same. */
function firstMove(before: Sheet, after: Sheet): string | null {
  const unit = after.input.house.rounding.unit;
  const size = (cm: Parameters<typeof printWithUnit>[0] | null) =>
    cm === null ? 'none' : printWithUnit(cm, unit);
  const [first] = changesBetween(before.figures, after.figures);
  if (first)
    return `${first.name}${first.what === 'finished' ? '' : `, ${first.what}`}: ${size(first.before)} → ${size(first.after)}`;
  const piece = after.pieces.find((p, i) => {
    const was = before.pieces[i];
    return p.width !== was?.width || p.length !== was?.length;
  });
  if (piece) return `${piece.name}, cut size: ${size(piece.width)} × ${size(piece.length)}`;
  const said = new Set(before.checks.map((k) => k.sentence));
  const check = after.checks.find((k) => !said.has(k.sentence)) ?? null;
  if (check) return tell(check.sentence, unit);
  return after.checks.length === before.checks.length ? null : 'a warning would go';
}
