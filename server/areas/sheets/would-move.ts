import { createHash } from 'node:crypto';
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
import type { Db } from '../../db/pool.ts';
import { readHouse } from '../../records/house.ts';
import { dueWithin, openSheets, parseGround, sheetGrounds } from '../../records/sheets.ts';
import { specOfOrder } from '../../records/spec-of-order.ts';

/** How many open orders are looked at, those due first. */
export const LOOKED = 150;
/** How many are told by name. */
const NAMED = 8;

/** Orders are read so many at a time. */
const READ = 50;

/** What of a sheet is held against another: figures, pieces and what is said of them; nobody's name. */
type Held = Pick<Sheet, 'figures' | 'pieces' | 'checks'>;

/** Sheets as they are by today's rules, by order, as long as nothing that they are made of has changed. */
const asTheyAre = new Map<number, { readonly mark: string; readonly sheet: Held }>();
function known(id: number, ground: string, today: string, make: () => Sheet): Held {
  const mark = createHash('sha1').update(today).update(ground).digest('base64url');
  const found = asTheyAre.get(id);
  if (found?.mark === mark) return found.sheet;
  const { figures, pieces, checks } = make();
  const sheet = { figures, pieces, checks };
  asTheyAre.delete(id);
  asTheyAre.set(id, { mark, sheet });
  if (asTheyAre.size > 2 * LOOKED) asTheyAre.delete(asTheyAre.keys().next().value!);
  return sheet;
}

/**
 * What other rules would do to the orders in work: each sheet as it is and as it would be. Changes nothing. Works for
 * a second or so: it runs in a thread of its own.
 */
export async function wouldMove(db: Db, rules: HouseRulesWire, now: Date): Promise<WouldMove> {
  const house = await readHouse(db);
  const today = dayIn(house.timeZone, now);
  const open = await openSheets(db, today, LOOKED + 1);
  const looked = open.slice(0, LOOKED);
  const orders: WouldMove['orders'][number][] = [];
  for (let from = 0; from < looked.length; from += READ) {
    const some = looked.slice(from, from + READ);
    const grounds = await sheetGrounds(
      db,
      some.map((o) => o.id),
    );
    for (const { id, agreed } of some) {
      const text = grounds.get(id);
      if (text === undefined) continue;
      const ground = parseGround(text);
      if (!ground.order?.brief || ground.order.brief.parts.length === 0) continue;
      const settings = ground.record?.settings ?? NO_SETTINGS;
      const sheet = (own: HouseRulesWire) =>
        computeSheet(
          toSheetInput(specOfOrder({ ...ground, house: { ...ground.house, rules: own } }, settings, today)),
        );
      const before = known(id, text, today, () => sheet(ground.house.rules));
      const moves = firstMove(before, sheet(rules));
      if (moves) orders.push({ id, number: ground.order.number, what: ground.order.what, agreed, moves });
    }
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
function firstMove(before: Held, after: Sheet): string | null {
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
