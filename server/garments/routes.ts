import { Hono } from 'hono';
import { remember } from '../db/history.ts';
import { type Deps, type Env, idParam } from '../http/context.ts';
import { once } from '../http/once.ts';
import { notFound, Refusal } from '../http/problem.ts';
import { on } from '../http/route.ts';
import { dropGarment, savedGarments, saveGarment } from './sql.ts';

/** Garments the house has put together and saved under a name. */
export function garmentRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /garments', async (c) => c.json(await savedGarments(deps.pool)));
  on(app, 'POST /garments', (c, { body: wanted }) =>
    once(c, deps, async (tx) => {
      const id = await saveGarment(tx, wanted, c.get('who').id);
      if (id === null)
        throw new Refusal(
          422,
          'name-taken',
          `There is a garment called “${wanted.name}” already; nothing was saved. Give it another name.`,
        );
      await remember(tx, 'garment', id, c.get('who').id, 'saved', undefined, wanted);
      return { status: 201, body: { id, ...wanted }, changed: [['house', 1, 0]] };
    }),
  );
  on(app, 'DELETE /garments/:id', (c) => {
    const id = idParam(c, 'garment');
    return once(c, deps, async (tx) => {
      const name = await dropGarment(tx, id);
      if (name === null) throw notFound('garment');
      await remember(tx, 'garment', id, c.get('who').id, 'taken off', { name }, undefined);
      return { status: 200, body: { ok: true }, changed: [['house', 1, 0]] };
    });
  });
  return app;
}
