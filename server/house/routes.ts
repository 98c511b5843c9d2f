import type { HouseView } from '@rocchetto/contract';
import { Hono } from 'hono';
import type { Db } from '../db/pool.ts';
import type { Deps, Env } from '../http/context.ts';
import { once } from '../http/once.ts';
import { on } from '../http/route.ts';
import { versioned } from '../http/versioned.ts';
import { changeHouse, readHouse } from './sql.ts';

const settings = async (db: Db): Promise<HouseView> => {
  const { rules: _, ...view } = await readHouse(db);
  return view;
};

/** The settings the whole house goes by. */
export function houseRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /house', async (c) => c.json(await settings(deps.pool)));
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
      return { status: 200, body, changed: [['house', 1, body.version]] };
    }),
  );
  return app;
}
