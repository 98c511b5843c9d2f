import { type FlatView, may } from '@rocchetto/contract';
import { findFlatPoint, readLength } from '@rocchetto/core';
import { type FlatGround, flatTable } from '@rocchetto/core/compare/flat-table.ts';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Db } from '../../db/pool.ts';
import { type Ctx, type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readHouse } from '../../records/house.ts';
import { madeSheet } from '../../records/made-sheet.ts';
import { readOrder } from '../../records/orders.ts';
import { threadsFor } from '../../threads/pool.ts';
import { flatGrounds } from './ground.ts';
import type { FlatJobs } from './jobs.ts';
import { neckHalf } from './neck-half.ts';
import {
  acceptChange,
  addFlatLay,
  addFlatReadings,
  dropChange,
  flatLay,
  flatLays,
  type Lay,
  setTolerance,
} from './sql.ts';
import { TEXTS } from './texts.ts';

const inThread = threadsFor<FlatJobs>();

/** One piece as it is shown. */
function viewOf({ id, of, cut, words, by, at, read, tolerance, changes }: Lay, ground: FlatGround): FlatView {
  const own = tolerance === null ? null : readLength(tolerance, 'cm', true);
  const table = flatTable(ground, cut, read, own?.ok ? own.cm : null);
  return { id, of, cut, words, by, at: at.toISOString(), tolerance, changes, ...table };
}

/** A garment, pattern or toile laid flat: read point by point, beside the body and the sheet. */
export function flatRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  async function view(c: Ctx, db: Db, orderId: number): Promise<FlatView[]> {
    const lays = await flatLays(db, orderId);
    if (lays.length === 0) return [];
    const ground = await flatGrounds(db, orderId, deps.now(), may(c.get('who').role, 'session.read'));
    return lays.map((lay) => {
      const told = ground(lay.cut);
      const table = viewOf(lay, told.ground);
      return { ...table, says: [...told.says, ...table.says] };
    });
  }
  on(app, 'GET /orders/:id/flat', async (c) => await view(c, deps.pool, idParam(c, 'order')));
  on(app, 'POST /orders/:id/flat', (c, { body }) => {
    const orderId = idParam(c, 'order');
    const who = c.get('who');
    return once(c, deps, async (tx) => {
      if (!(await readOrder(tx, orderId))) throw notFound('order');
      const id = await addFlatLay(tx, orderId, body, who.id, deps.now());
      await remember(tx, 'order', orderId, who.id, `a ${body.of} measured flat`, undefined, body);
      return { body: { id }, changed: [['order', orderId, 0]] };
    });
  });
  on(app, 'PUT /flat/:id', (c, { body: { tolerance } }) => {
    const id = idParam(c, 'piece measured flat');
    return once(c, deps, async (tx) => {
      const lay = await flatLay(tx, id);
      if (!lay) throw notFound('piece measured flat');
      await setTolerance(tx, id, tolerance);
      await remember(
        tx,
        'order',
        lay.orderId,
        c.get('who').id,
        'tolerance of a piece measured flat',
        { tolerance: lay.tolerance },
        { tolerance },
      );
      return { body: await view(c, tx, lay.orderId), changed: [['order', lay.orderId, 0]] };
    });
  });
  on(app, 'PUT /flat/:id/changes', (c, { body: { point, accepted } }) => {
    const id = idParam(c, 'piece measured flat');
    return once(c, deps, async (tx) => {
      const lay = await flatLay(tx, id);
      if (!lay) throw notFound('piece measured flat');
      if (accepted) {
        const lays = await view(c, tx, lay.orderId);
        const says = lays.find((l) => l.id === id)?.rows.find((r) => r.point.id === point)?.change;
        if (!says) throw new HttpError(409, 'nothing-to-change', TEXTS.nothingToChange);
        await acceptChange(tx, id, point, says, c.get('who').id, deps.now());
      } else await dropChange(tx, id, point);
      const what = accepted ? 'change of a piece accepted' : 'change of a piece taken back';
      await remember(tx, 'order', lay.orderId, c.get('who').id, what, undefined, { piece: id, point });
      return { body: await view(c, tx, lay.orderId), changed: [['order', lay.orderId, 0]] };
    });
  });
  on(app, 'GET /orders/:id/neck-template.pdf', async (c) => {
    const orderId = idParam(c, 'order');
    const made = await madeSheet(deps.pool, orderId, deps.now());
    const neck = made && neckHalf(made.sheet);
    if (!neck) throw new HttpError(409, 'no-neck', TEXTS.noNeck);
    const house = await readHouse(deps.pool);
    const pdf = await inThread(
      { kind: 'paper', person: c.get('who').id, paper: house.paper },
      'neckTemplate',
      neck,
      made.sheet.input.house.rounding.unit,
    );
    return c.body(new Uint8Array(pdf), 200, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="neck-template-${orderId}.pdf"`,
    });
  });
  on(app, 'POST /flat/:id/readings', (c, { body: { readings } }) => {
    const id = idParam(c, 'piece measured flat');
    return once(c, deps, async (tx) => {
      const lay = await flatLay(tx, id);
      if (!lay) throw notFound('piece measured flat');
      const stray = readings.find((r) => !findFlatPoint(lay.cut, r.point));
      if (stray) throw new HttpError(422, 'no-such-point', TEXTS.noSuchPoint(stray.point));
      await addFlatReadings(tx, id, readings, c.get('who').id, deps.now());
      return { body: await view(c, tx, lay.orderId), changed: [['order', lay.orderId, 0]] };
    });
  });
  return app;
}
