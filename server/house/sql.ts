import {
  type HouseRulesWire,
  type HouseSettings,
  type HouseView,
  type RuleChange,
  readRules,
  rulesMoved,
} from '@rocchetto/contract';
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

/** The latest changes of the rules, newest first. */
export async function readRuleChanges(db: Db, most: number): Promise<RuleChange[]> {
  const { rows } = await db.query<{ at: Date; by: string | null; before: unknown; after: unknown }>({
    name: 'rule-changes',
    text: `select h.at, s.name as by, h.before, h.after from history h left join staff s on s.id = h.staff_id
       where h.entity = 'house' and h.entity_id = '1' and h.what = $1 order by h.id desc limit $2`,
    values: [RULES_CHANGED, most],
  });
  return rows.map((r) => ({
    at: r.at.toISOString(),
    by: r.by ?? '',
    moved: rulesMoved(readRules(r.before), readRules(r.after)),
  }));
}
