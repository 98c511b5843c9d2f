import {
  type HouseBenchView,
  type HouseRulesView,
  type HouseView,
  may,
  withoutPrices,
} from '@rocchetto/contract';
import { Hono } from 'hono';
import type { Db } from '../../db/pool.ts';
import type { Deps, Env } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { on } from '../../http/route.ts';
import { versioned } from '../../http/versioned.ts';
import {
  BENCH_CHANGED,
  changeBench,
  changeHouse,
  changeRules,
  houseBench,
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
  on(app, 'PUT /house', (c, { body: { version, ...wanted } }) =>
    once(c, deps, async (tx) => {
      await versioned(tx, {
        what: 'house',
        id: 1,
        version,
        mine: wanted,
        who: c.get('who'),
        did: 'settings changed',
        read: (t) => readHouse(t, true),
        write: async (t) => {
          await changeHouse(t, wanted);
          return wanted;
        },
        kept: ({ studio, timeZone }) => ({ studio, timeZone }),
      });
      const body = await settings(tx);
      return { body, changed: [['house', 1, body.version]] };
    }),
  );
  on(app, 'GET /house/rules', async (_c) => {
    const { version, rules } = await readHouse(deps.pool);
    return {
      version,
      rules,
      changes: await readRuleChanges(deps.pool, CHANGES),
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
