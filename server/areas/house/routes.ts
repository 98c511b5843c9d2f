import {
  type HouseBenchView,
  type HouseRulesView,
  type HouseSettings,
  type HouseView,
  may,
  withoutPrices,
} from '@rocchetto/contract';
import { INCH_ROUNDING } from '@rocchetto/core/units/rounding.ts';
import { roundingOf } from '@rocchetto/core/units/rounding-choices.ts';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Db, Tx } from '../../db/pool.ts';
import type { Deps, Env } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { on } from '../../http/route.ts';
import { versioned } from '../../http/versioned.ts';
import {
  BENCH_CHANGED,
  changeBench,
  changeHouse,
  changeRules,
  firstSteps,
  houseBench,
  isSetUp,
  putFirstStepsAway,
  RULES_CHANGED,
  readBenchChanges,
  readHouse,
  readRuleChanges,
} from '../../records/house.ts';

/** How many changes of the rules are told. */
const CHANGES = 100;

const settings = async (db: Db): Promise<HouseView> => {
  const { rules: _, ...view } = await readHouse(db);
  return view;
};

/** The settings the whole house goes by. */
export function houseRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /house', async (_c) => await settings(deps.pool));
  on(app, 'PUT /house', (c, { body: { version, rounding, ...wanted } }) =>
    once(c, deps, async (tx) => {
      await versioned(tx, {
        what: 'house',
        id: 1,
        version,
        mine: wanted,
        who: c.get('who'),
        did: 'settings changed',
        read: (t) => readHouse(t, true),
        write: async (t, before) => {
          const { rules: _, version: __, ...was } = before;
          const first = !(await isSetUp(t));
          await changeHouse(t, { ...was, ...wanted });
          const rules = rounding
            ? { ...before.rules, rounding: roundingOf(rounding) }
            : followsUnit(before, { ...was, ...wanted });
          if (rules) await moveRules(t, before.rules, rules, first ? null : c.get('who').id);
          return wanted;
        },
        kept: ({ rules: _, version: __, ...settings }) => settings,
      });
      const body = await settings(tx);
      return { body, changed: [['house', 1, body.version]] };
    }),
  );
  on(app, 'GET /house/first-steps', async (_c) => await firstSteps(deps.pool));
  on(app, 'POST /house/first-steps/away', (c) =>
    once(c, deps, async (tx) => {
      await putFirstStepsAway(tx);
      return { body: { ok: true as const }, changed: [['house', 1, 0]] };
    }),
  );
  on(app, 'GET /house/rules', async (_c) => {
    const { version, rules, unit } = await readHouse(deps.pool);
    return {
      version,
      rules,
      changes: await readRuleChanges(deps.pool, CHANGES, unit),
    } satisfies HouseRulesView;
  });
  on(app, 'PUT /house/rules', (c, { body: { version, rules } }) =>
    once(c, deps, async (tx) => {
      const now = await versioned(tx, {
        what: 'house',
        id: 1,
        version,
        mine: rules,
        who: c.get('who'),
        did: RULES_CHANGED,
        read: (t) => readHouse(t, true),
        write: async (t) => {
          await changeRules(t, rules);
          return rules;
        },
        kept: (before) => before.rules,
      });
      return { body: { version: now }, changed: now === version ? [] : [['house', 1, now]] };
    }),
  );
  on(app, 'GET /house/bench', async (_c, { role }) => {
    const { version, bench } = await houseBench(deps.pool);
    const prices = may(role, 'money.read');
    return {
      version,
      bench: prices ? bench : withoutPrices(bench),
      changes: await readBenchChanges(deps.pool, CHANGES, prices),
    } satisfies HouseBenchView;
  });
  on(app, 'PUT /house/bench', (c, { body: { version, bench } }) =>
    once(c, deps, async (tx) => {
      const now = await versioned(tx, {
        what: 'house',
        id: 1,
        version,
        mine: bench,
        who: c.get('who'),
        did: BENCH_CHANGED,
        read: (t) => houseBench(t, true),
        write: async (t) => {
          await changeBench(t, bench);
          return bench;
        },
        kept: (before) => before.bench,
      });
      return { body: { version: now }, changed: now === version ? [] : [['house', 1, now]] };
    }),
  );
  return app;
}

type Before = Awaited<ReturnType<typeof readHouse>>;

/** The rules of a studio that goes over to inches, which marks its figures in them, and back; null where it keeps its own. */
function followsUnit(before: Before, wanted: HouseSettings): Before['rules'] | null {
  if (before.unit === wanted.unit) return null;
  const { rounding, ...rest } = before.rules;
  const usual = JSON.stringify(rounding) === JSON.stringify(INCH_ROUNDING);
  if (wanted.unit === 'in' && rounding === undefined) return { ...rest, rounding: INCH_ROUNDING };
  return wanted.unit === 'cm' && usual ? rest : null;
}

/** Writes rules that follow from settings. What is set with the studio itself (`by` null) moved nothing that anybody worked by. */
async function moveRules(
  tx: Tx,
  was: Before['rules'],
  rules: Before['rules'],
  by: number | null,
): Promise<void> {
  await changeRules(tx, rules);
  if (by !== null) await remember(tx, 'house', 1, by, RULES_CHANGED, was, rules);
}
