import {
  benchMoved,
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
import type { Db } from '../db/pool.ts';

/** The house's one row, with its rules laid over the tables of core. */
export async function readHouse(
  db: Db,
  lock = false,
): Promise<HouseView & { readonly rules: HouseRulesWire }> {
  const { rows } = await db.query<HouseView & { rules: HouseRulesWire }>({
    name: lock ? 'house-held' : 'house',
    text: `select studio, time_zone as "timeZone", version, rules from house${lock ? ' for update' : ''}`,
  });
  return { ...rows[0]!, rules: readRules(rows[0]!.rules) };
}

export async function changeHouse(db: Db, { studio, timeZone }: HouseSettings): Promise<void> {
  await db.query('update house set studio = $1, time_zone = $2, version = version + 1', [studio, timeZone]);
}

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
export async function readRuleChanges(db: Db, most: number): Promise<RuleChange[]> {
  return (await changesOf(db, RULES_CHANGED, most)).map(({ at, by, before, after }) => ({
    at,
    by,
    moved: rulesMoved(readRules(before), readRules(after)),
  }));
}

const readBench = (v: unknown): HouseBench => stored(HouseBench, 'Bench figures', v);

/** Minutes, prices and signs of the house, with the version of its one row; held with `lock`. */
export async function houseBench(
  db: Db,
  lock = false,
): Promise<{ readonly version: number; readonly bench: HouseBench }> {
  const { rows } = await db.query<{ version: number; bench: unknown }>({
    name: lock ? 'house-bench-held' : 'house-bench',
    text: `select version, bench from house${lock ? ' for update' : ''}`,
  });
  return { version: rows[0]!.version, bench: readBench(rows[0]!.bench) };
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
