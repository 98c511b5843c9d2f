import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readClient } from '../../records/clients.ts';
import { dropBlock, dropGarment, keepBlock, ownBlocks, savedGarments, saveGarment } from './sql.ts';
import { TEXTS } from './texts.ts';

/** Garments the house has put together and saved under a name. */
export function garmentRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  on(app, 'GET /garments', async (_c) => await savedGarments(deps.pool));
  on(app, 'POST /garments', (c, { body: wanted }) =>
    once(c, deps, async (tx) => {
      const id = await saveGarment(tx, wanted, c.get('who').id);
      if (id === null) throw new HttpError(422, 'name-taken', TEXTS.nameTaken(wanted.name));
      await remember(tx, 'garment', id, c.get('who').id, 'saved', undefined, wanted);
      return { body: { id, ...wanted }, changed: [['house', 1, 0]] };
    }),
  );
  on(app, 'DELETE /garments/:id', (c) => {
    const id = idParam(c, 'garment');
    return once(c, deps, async (tx) => {
      const name = await dropGarment(tx, id);
      if (name === null) throw notFound('garment');
      await remember(tx, 'garment', id, c.get('who').id, 'removed', { name }, undefined);
      return { body: { ok: true }, changed: [['house', 1, 0]] };
    });
  });
  on(app, 'GET /clients/:id/blocks', async (c) => {
    const id = idParam(c, 'client');
    if (!(await readClient(deps.pool, id))) throw notFound('client');
    return await ownBlocks(deps.pool, id);
  });
  on(app, 'POST /clients/:id/blocks', (c, { body: wanted }) => {
    const clientId = idParam(c, 'client');
    return once(c, deps, async (tx) => {
      if (!(await readClient(tx, clientId))) throw notFound('client');
      const by = c.get('who').id;
      const id = await keepBlock(tx, clientId, wanted, by, deps.now());
      if (id === null) throw new HttpError(422, 'name-taken', TEXTS.blockNameTaken(wanted.name));
      await remember(tx, 'client', clientId, by, 'block saved', undefined, wanted);
      return { body: { id }, changed: [['client', clientId, 0]] };
    });
  });
  on(app, 'DELETE /blocks/:id', (c) => {
    const id = idParam(c, 'block');
    return once(c, deps, async (tx) => {
      const gone = await dropBlock(tx, id, deps.now());
      if (!gone) throw notFound('block');
      await remember(
        tx,
        'client',
        gone.clientId,
        c.get('who').id,
        'block removed',
        { name: gone.name },
        undefined,
      );
      return { body: { ok: true }, changed: [['client', gone.clientId, 0]] };
    });
  });
  return app;
}
