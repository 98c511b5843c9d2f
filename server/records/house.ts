import {
  benchMoved,
  type FirstSteps,
  HouseBench,
  type HouseBenchView,
  type HouseRulesWire,
  type HouseSettings,
  type HouseView,
  type RuleChange,
  readRules,
  rulesMoved,
  withoutPrices,
} from '@rocchetto/contract';
import { stored } from '@rocchetto/contract/stored.ts';
import type { SheetUnit } from '@rocchetto/core';
import type { Db, Tx } from '../db/pool.ts';

/** The house's one row, with its rules laid over the tables of core. */
export async function readHouse(
  db: Db,
  lock = false,
): Promise<HouseView & { readonly rules: HouseRulesWire }> {
  const { rows } = await db.query<HouseView & { rules: HouseRulesWire }>({
    name: lock ? 'house-held' : 'house',
    text: `select studio, time_zone as "timeZone", address, phone, email, unit, paper, date_order as "dateOrder", currency,
      week_starts as "weekStarts", own_check as "ownCheck", version, rules from house${lock ? ' for update' : ''}`,
  });
  return { ...rows[0]!, rules: readRules(rows[0]!.rules) };
}

/** Whether the studio has been set up: its settings were saved once. */
export async function isSetUp(db: Db): Promise<boolean> {
  const { rows } = await db.query<{ done: boolean }>('select set_up_at is not null as done from house');
  return rows[0]!.done;
}

/** Writes the settings. A studio that goes over to inches marks its figures in them from then on, unless it has a rule of its own. */
export async function changeHouse(db: Db, h: HouseSettings): Promise<void> {
  await db.query(
    `update house set studio = $1, time_zone = $2, address = $3, phone = $4, email = $5, unit = $6, paper = $7, date_order = $8,
       currency = $9, week_starts = $10, own_check = $11, set_up_at = coalesce(set_up_at, now()), version = version + 1`,
    [
      h.studio,
      h.timeZone,
      h.address,
      h.phone,
      h.email,
      h.unit,
      h.paper,
      h.dateOrder,
      h.currency,
      h.weekStarts,
      h.ownCheck,
    ],
  );
}

/** How far a new studio has come: not set up, set up with its first steps before it, or neither any more. */
export async function newness(db: Db): Promise<'set-up' | 'list' | null> {
  const { rows } = await db.query<{ is: 'set-up' | 'list' | null }>({
    name: 'house-newness',
    text: `select case when set_up_at is null then 'set-up' when first_steps_away_at is null then 'list' end as is from house`,
  });
  return rows[0]!.is;
}
/** What of the first steps is done, each by what is there. */
export async function firstSteps(db: Db): Promise<FirstSteps> {
  const { rows } = await db.query<FirstSteps>({
    name: 'first-steps',
    text: `select (own_check or exists (select 1 from staff where active offset 1)) as staff,
        coalesce(jsonb_array_length(diary -> 'opening'), 0) > 0 as hours, exists (select 1 from room where active) as rooms,
        exists (select 1 from client) as client, exists (select 1 from orders) as "order", exists (select 1 from reading) as tape from house`,
  });
  return rows[0]!;
}
export const putFirstStepsAway = (tx: Tx) =>
  tx.query('update house set first_steps_away_at = coalesce(first_steps_away_at, now())');

export async function changeRules(db: Db, rules: HouseRulesWire): Promise<void> {
  await db.query('update house set rules = $1, version = version + 1', [JSON.stringify(rules)]);
}

/** What “the rules changed” is called in the history. */
export const RULES_CHANGED = 'rules changed';

/** The latest changes of one kind to the house, newest first, as the history keeps them. */
async function changesOf(db: Db, what: string, most: number) {
  const { rows } = await db.query<{ at: Date; by: string | null; before: unknown; after: unknown }>({
    name: 'house-changes',
    text: `select h.at, s.name as by, h.before, h.after from history h left join staff s on s.id = h.staff_id
       where h.entity = 'house' and h.entity_id = '1' and h.what = $1 order by h.id desc limit $2`,
    values: [what, most],
  });
  return rows.map(({ at, by, before, after }) => ({ at: at.toISOString(), by: by ?? '', before, after }));
}

/** The latest changes of the rules, newest first. */
export async function readRuleChanges(db: Db, most: number, unit: SheetUnit): Promise<RuleChange[]> {
  return (await changesOf(db, RULES_CHANGED, most)).map(({ at, by, before, after }) => ({
    at,
    by,
    moved: rulesMoved(readRules(before), readRules(after), unit),
  }));
}

const readBench = (v: unknown): HouseBench => stored(HouseBench, 'Bench figures', v);

/** Minutes, prices and signs of the house, with the version of its one row; held with `lock`. */
export async function houseBench(
  db: Db,
  lock = false,
): Promise<{ readonly version: number; readonly bench: HouseBench; readonly unit: SheetUnit }> {
  const { rows } = await db.query<{ version: number; bench: unknown; unit: SheetUnit }>({
    name: lock ? 'house-bench-held' : 'house-bench',
    text: `select version, bench, unit from house${lock ? ' for update' : ''}`,
  });
  return { version: rows[0]!.version, bench: readBench(rows[0]!.bench), unit: rows[0]!.unit };
}
export async function changeBench(db: Db, bench: HouseBench): Promise<void> {
  await db.query('update house set bench = $1, version = version + 1', [JSON.stringify(bench)]);
}

/** What “bench figures changed” is called in the history. */
export const BENCH_CHANGED = 'bench figures changed';

/** The latest changes of them, newest first; for those who read no prices without these, and without what changed nothing else. */
export async function readBenchChanges(
  db: Db,
  most: number,
  prices: boolean,
): Promise<HouseBenchView['changes']> {
  const read = (v: unknown) => (prices ? readBench(v) : withoutPrices(readBench(v)));
  return (await changesOf(db, BENCH_CHANGED, most)).flatMap(({ at, by, before, after }) => {
    const says = benchMoved(read(before), read(after));
    return says.length === 0 ? [] : [{ at, by, says }];
  });
}
