import { createHash } from 'node:crypto';
import { setImmediate } from 'node:timers/promises';
import { isDeepStrictEqual } from 'node:util';
import {
  type HouseRulesWire,
  NO_SETTINGS,
  type SpecFile,
  toHouse,
  toLeads,
  toSheetInput,
  unitOf,
} from '@rocchetto/contract';
import { suppose } from '@rocchetto/contract/what-if.ts';
import type { ClientMoves, ClientMovesAsk, OrderMoved, WouldMove } from '@rocchetto/contract/would-move.ts';
import { computeSheet, danger, dayIn, EASE_ZONES, type HouseRules, type Leads } from '@rocchetto/core';
import { type Held, heldOf, moveLines, nothingMoved, whatMoved } from '@rocchetto/core/compare/what-moved.ts';
import { readsAny, rulesDiffer, watchedRules } from '@rocchetto/core/house/rules-read.ts';
import type { Db } from '../../db/pool.ts';
import { HttpError } from '../../http/problem.ts';
import { readHouse } from '../../records/house.ts';
import { readSession } from '../../records/sessions.ts';
import {
  dueWithin,
  openSheets,
  openSheetsCount,
  openSheetsOf,
  parseGround,
  type SheetGround,
  sheetGrounds,
} from '../../records/sheets.ts';
import { rulesOfASheet, specOfOrder } from '../../records/spec-of-order.ts';
import { TEXTS } from './texts.ts';

/** So many open orders are looked at in one piece of the work: a quarter of a second, after which others have their turn. */
export const PIECE = 120;
/** So many of the things that move are told of one order. */
const LISTED = 3;

/** A row of ease for every place, so that of one that is set anew only the fit that is set counts as other. */
const everyRow = (house: HouseRules): HouseRules => ({
  ...house,
  ease: { ...Object.fromEntries(EASE_ZONES.map((zone) => [zone, {}])), ...house.ease },
});

/** What is remembered of a sheet as it is by today's rules, and which of them it goes by. */
interface Known {
  readonly mark: string;
  readonly held: Held;
  readonly read: ReadonlySet<string>;
}
/** By order, as long as nothing that they are made of has changed. */
const asTheyAre = new Map<number, Known>();
/** So many sheets are remembered in one thread: a few kilobytes each. */
const REMEMBERED = 5000;
function known(o: Open, today: string): Known {
  const mark = createHash('sha1').update(today).update(o.text).digest('base64url');
  const found = asTheyAre.get(o.id);
  if (found?.mark === mark) return found;
  const input = toSheetInput(o.spec(o.ground));
  const { rules, read } = watchedRules(everyRow(input.house));
  const made: Known = { mark, held: heldOf(computeSheet({ ...input, house: rules })), read };
  asTheyAre.delete(o.id);
  asTheyAre.set(o.id, made);
  if (asTheyAre.size > REMEMBERED) asTheyAre.delete(asTheyAre.keys().next().value!);
  return made;
}

/** An open order as it can be drafted again; null for one without a brief. */
interface Open {
  readonly id: number;
  readonly agreed: boolean;
  readonly text: string;
  readonly ground: SheetGround;
  readonly spec: (of: SheetGround) => SpecFile;
}
async function openOnes(
  db: Db,
  some: readonly { readonly id: number; readonly agreed: boolean }[],
  today: string,
): Promise<Open[]> {
  const grounds = await sheetGrounds(
    db,
    some.map((o) => o.id),
  );
  return some.flatMap(({ id, agreed }): Open[] => {
    const text = grounds.get(id);
    if (text === undefined) return [];
    const ground = parseGround(text);
    if (!ground.order?.brief || ground.order.brief.parts.length === 0) return [];
    const settings = ground.record?.settings ?? NO_SETTINGS;
    return [{ id, agreed, text, ground, spec: (of) => specOfOrder(of, settings, today) }];
  });
}

/** The order as it would come out otherwise; null when it would not. */
function movedOrder(o: Open, was: Held, other: SpecFile): OrderMoved | null {
  const moved = whatMoved(was, computeSheet(toSheetInput(other)));
  if (nothingMoved(moved)) return null;
  const lines = moveLines(moved, unitOf(other));
  const { number, what } = o.ground.order;
  return {
    id: o.id,
    number,
    what,
    agreed: o.agreed,
    moves: lines.slice(0, LISTED),
    more: Math.max(0, lines.length - LISTED),
  };
}

/** The order as other rules would have it; a sheet that looked at none of what differs is not drafted anew. */
function byOtherRules(o: Open, today: string, rules: HouseRulesWire): OrderMoved | null {
  const { held, read } = known(o, today);
  const other = o.spec({ ...o.ground, house: { ...o.ground.house, rules } });
  const [now, then] = [o.spec(o.ground), other].map((s) => everyRow(toHouse(s.house)));
  const differ = rulesDiffer(now, then);
  return readsAny(read, differ) ? movedOrder(o, held, other) : null;
}

/** The newest preparation; a question asked meanwhile ends it. */
let preparing: symbol | null = null;
/**
 * Drafts the open orders as they are, one after the other, while nobody asks: whoever has opened the rules will. A
 * question that comes meanwhile is not held up, and finds what was drafted by then. Failing, it leaves the work to it.
 */
async function prepare(db: Db, today: string): Promise<void> {
  const mine = Symbol('preparation');
  preparing = mine;
  let after: string | null = '';
  while (after !== null) {
    const found = await openSheets(db, today, after, PIECE + 1);
    for (const o of await openOnes(db, found.slice(0, PIECE), today)) {
      if (preparing !== mine) return;
      known(o, today);
      await setImmediate();
    }
    after = found.length > PIECE ? found[PIECE - 1]!.at : null;
  }
}

/**
 * What other rules would do to the orders in work, a piece of them: each sheet as it is and as it would be. Changes
 * nothing. It runs in a thread of its own.
 */
export async function wouldMove(
  db: Db,
  { rules, after }: { readonly rules: HouseRulesWire; readonly after: string },
  now: Date,
): Promise<WouldMove> {
  const house = await readHouse(db);
  const today = dayIn(house.timeZone, now);
  preparing = null;
  const first = after === '';
  const all = first ? await openSheetsCount(db, today) : null;
  const inDangerThen = first ? await inDanger(db, [toLeads(house.rules), toLeads(rules)], today) : null;
  // What no sheet goes by moves none, and is not worked out order by order.
  if (all !== null && isDeepStrictEqual(rulesOfASheet(rules), rulesOfASheet(house.rules))) {
    prepare(db, today).catch(() => undefined);
    return { all, looked: all, next: null, danger: inDangerThen, orders: [] };
  }
  const found = await openSheets(db, today, after, PIECE + 1);
  const some = found.slice(0, PIECE);
  const orders = (await openOnes(db, some, today)).flatMap((o) => byOtherRules(o, today, rules) ?? []);
  return {
    all,
    looked: some.length,
    next: found.length > PIECE ? some.at(-1)!.at : null,
    danger: inDangerThen,
    orders,
  };
}

/** What a measuring of a client, or other readings in it, would do to the client's orders in work. Changes nothing. */
export async function clientWouldMove(
  db: Db,
  clientId: number,
  { sessionId, readings, except }: ClientMovesAsk,
  now: Date,
): Promise<ClientMoves> {
  const house = await readHouse(db);
  const today = dayIn(house.timeZone, now);
  const session = await readSession(db, sessionId);
  if (!session || session.clientId !== clientId) throw new HttpError(404, 'not-there', TEXTS.notThere);
  // A client's are one piece of the work; whoever has more is told of the first.
  const found = await openSheetsOf(db, clientId, today, PIECE + 1);
  const all = await openOnes(db, found.slice(0, PIECE), today);
  const looked = all.filter(
    (o) => o.id !== except && (o.ground.session?.id === sessionId) === readings.length > 0,
  );
  const orders = looked.flatMap((o) => {
    const made = o.spec({ ...o.ground, session });
    const changes = readings.map((r) => ({ what: 'reading' as const, of: r.measure, value: r.value }));
    const { spec, refused } = suppose(made, changes, unitOf(made));
    const [reason] = Object.values(refused);
    if (reason !== undefined) throw new HttpError(422, 'not-readable', reason);
    return movedOrder(o, known(o, today).held, spec) ?? [];
  });
  return { looked: looked.length, more: found.length > PIECE, orders };
}

/** How many orders are in danger under each of two tables of lead times. */
async function inDanger(db: Db, both: readonly [Leads, Leads], today: string): Promise<[number, number]> {
  const furthest = Math.max(...both.flatMap((leads) => Object.values(leads)));
  const due = await dueWithin(db, today, furthest);
  const count = (leads: Leads) => due.filter((o) => danger(o, today, leads) !== null).length;
  return [count(both[0]), count(both[1])];
}
