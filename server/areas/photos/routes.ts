import { createHash } from 'node:crypto';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { inTransaction } from '../../db/pool.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { holdAlteration } from '../../records/alterations.ts';
import { readOrder } from '../../records/orders.ts';
import { inTurn } from '../../threads/pool.ts';
import { addPhoto, bytesOf, countPhotos, dropPhoto, photosOf } from './sql.ts';
import { TEXTS } from './texts.ts';

/** More photographs than one order ever needs. */
const MOST = 100;

/** Photographs of garments and fittings, behind the same access as everything of an order. */
export function photoRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();

  on(app, 'GET /orders/:id/photos', async (c) => await photosOf(deps.pool, idParam(c, 'order')));

  on(app, 'POST /orders/:id/photos', async (c, { query }) => {
    const orderId = idParam(c, 'order');
    const bytes = Buffer.from(await c.req.arrayBuffer());
    if (bytes.length === 0) throw new HttpError(422, 'no-picture', TEXTS.noPicture);
    // The library is only loaded when somebody brings a picture; it works beside this thread, one picture at a time.
    const { cleaned } = await import('./picture.ts');
    const picture = await inTurn({ kind: 'pictures', person: c.get('who').id }, () => cleaned(bytes));
    const hash = createHash('sha256').update(bytes).digest();
    const id = await inTransaction(deps.pool, async (tx) => {
      if (!(await readOrder(tx, orderId, true))) throw notFound('order');
      if ((await countPhotos(tx, orderId)) >= MOST)
        throw new HttpError(409, 'many-photos', TEXTS.manyPhotos(MOST));
      const by = c.get('who').id;
      const alterationId = query.alteration ?? null;
      if (alterationId !== null && (await holdAlteration(tx, alterationId))?.orderId !== orderId)
        throw new HttpError(422, 'other-order', TEXTS.otherOrder);
      const of = { words: query.words ?? '', about: query.about, alterationId };
      const made = await addPhoto(tx, orderId, hash, picture, of, by, deps.now());
      if (made.did !== 'nothing')
        await remember(
          tx,
          'order',
          orderId,
          by,
          made.did === 'added' ? 'photograph added' : 'photograph caption',
          undefined,
          { id: made.id, ...(made.did === 'worded' ? { words: of.words } : {}) },
        );
      return made.id;
    });
    deps.live.tell([['alterations', orderId, 0]]);
    return { id };
  });

  const send = async (c: Ctx, which: 'picture' | 'thumb') => {
    const bytes = await bytesOf(deps.pool, idParam(c, 'photograph'), which);
    if (!bytes) throw notFound('photograph');
    return c.body(new Uint8Array(bytes), 200, {
      'content-type': 'image/jpeg',
      'cache-control': 'private, no-store',
      'content-disposition': 'inline',
    });
  };
  on(app, 'GET /photos/:id/picture.jpg', (c) => send(c, 'picture'));
  on(app, 'GET /photos/:id/thumb.jpg', (c) => send(c, 'thumb'));

  on(app, 'DELETE /photos/:id', (c) => {
    const id = idParam(c, 'photograph');
    return once(c, deps, async (tx) => {
      const orderId = await dropPhoto(tx, id);
      if (orderId === undefined) throw notFound('photograph');
      await remember(tx, 'order', orderId, c.get('who').id, 'photograph removed', { id }, undefined);
      return { body: { ok: true }, changed: [['alterations', orderId, 0]] };
    });
  });
  return app;
}
