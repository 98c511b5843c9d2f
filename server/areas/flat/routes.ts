import type { FlatView } from '@rocchetto/contract';
import {
  allowancesIn,
  besideFlat,
  findFlatPoint,
  findZone,
  flatChange,
  flatSays,
  profileOf,
  readLength,
  resolveAll,
  type Written,
  wishesOf,
} from '@rocchetto/core';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import type { Db } from '../../db/pool.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { notFound, Refusal } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { madeSheet } from '../../records/made-sheet.ts';
import { readOrder } from '../../records/orders.ts';
import { addFlatLay, addFlatReadings, flatLay, flatLays, type Lay } from './sql.ts';

function writtenOf(lay: Lay): Map<string, Written> {
  const out = new Map<string, Written>();
  for (const [point, text] of Object.entries(lay.read)) {
    const read = readLength(text, 'cm', true);
    if (read.ok) out.set(point, read.written);
  }
  return out;
}

/** A garment, pattern or toile laid flat: read point by point, beside the body and the sheet. */
export function flatRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  async function view(db: Db, orderId: number): Promise<FlatView[]> {
    const lays = await flatLays(db, orderId);
    if (lays.length === 0) return [];
    const sheet = (await madeSheet(db, orderId, deps.now()))?.sheet ?? null;
    const measured = sheet ? resolveAll(sheet.input.readings) : new Map();
    const net = (id: string) => measured.get(id)?.net ?? null;
    const profile = sheet && profileOf(sheet.input.brief.parts);
    const wish = sheet && wishesOf(sheet, net, profile === 'upper' ? 'shoulder' : 'waist');
    const wanted = (id: string) => {
      const zone = wish ? findZone(id) : undefined;
      // A girth of which no table says the ease is wanted as wide as nothing.
      return !zone || !wish || (!zone.ease && !zone.length && zone.edges > 2) ? null : wish(zone).want;
    };
    // In what a hand marks a change: a millimetre or a sixteenth.
    const unit = sheet?.input.house.rounding.unit ?? 'cm';
    const hand = { unit, step: unit === 'cm' ? 0.1 : 0.0625, mode: 'nearest' } as const;
    return lays.map((lay) => {
      const held = besideFlat(lay.cut, writtenOf(lay), sheet, measured, wanted);
      const rows = held.map((r) => ({ ...r, change: flatChange(r, hand) }));
      const { id, of, cut, words, by, at } = lay;
      return {
        id,
        of,
        cut,
        words,
        by,
        at: at.toISOString(),
        rows,
        says: [...flatSays(rows), ...[allowancesIn(rows)].filter((x) => x !== null)],
      };
    });
  }
  on(app, 'GET /orders/:id/flat', async (c) => await view(deps.pool, idParam(c, 'order')));
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
  on(app, 'POST /flat/:id/readings', (c, { body: { readings } }) => {
    const id = idParam(c, 'piece measured flat');
    return once(c, deps, async (tx) => {
      const lay = await flatLay(tx, id);
      if (!lay) throw notFound('piece measured flat');
      const stray = readings.find((r) => !findFlatPoint(lay.cut, r.point));
      if (stray) throw new Refusal(422, 'no-such-point', `${stray.point} is not measured on this piece.`);
      await addFlatReadings(tx, id, readings, c.get('who').id, deps.now());
      return { body: await view(tx, lay.orderId), changed: [['order', lay.orderId, 0]] };
    });
  });
  return app;
}
