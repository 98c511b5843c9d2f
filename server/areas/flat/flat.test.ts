import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let [fitter, bench]: Caller[] = [];
let order: { clientId: number; orderId: number };
beforeAll(async () => {
  t = await startTestApp();
  [fitter, bench] = [await t.as('fitter'), await t.as('seamstress')];
  order = await skirtOrder(fitter!);
  const lines = ['waist 70 cm', 'hip 98 cm', 'waist-to-hip 20.5 cm'];
  await json(fitter!.send('POST', '/readings', sessionBody(order.clientId, order.orderId, lines)));
});
afterAll(() => t.close());

const lay = async (more: object = {}) =>
  (
    await json(
      bench!.send('POST', `/orders/${order.orderId}/flat`, { of: 'toile', cut: 'skirt', ...more }),
      201,
    )
  ).id as number;
const read = (id: number, of: Record<string, string>, status = 200) =>
  json(
    bench!.send('POST', `/flat/${id}/readings`, {
      readings: Object.entries(of).map(([point, written]) => ({ id: randomUUID(), point, written })),
    }),
    status,
  );
const row = (view: { rows: { point: { id: string } }[] }, id: string) =>
  view.rows.find((r) => r.point.id === id);

describe('a toile laid flat beside its order', () => {
  it('is read by the bench, as it was written, beside body and sheet; the newest of a point counts', async () => {
    const id = await lay({ words: 'second toile' });
    await read(id, { 'half-hip': '20 in', 'length-front': '63 cm' });
    const [view] = await read(id, { 'half-hip': '20 3/8 in' });
    expect(view).toMatchObject({ id, of: 'toile', cut: 'skirt', words: 'second toile', by: bench!.name });
    expect(row(view, 'half-hip')).toMatchObject({
      written: { text: '20 3⁄8', unit: 'in' },
      body: 49,
      within: true,
    });
    expect(row(view, 'length-front')).toMatchObject({ sheet: 62, differs: 1, tolerance: 0.6, within: false });
    const kept = await t.pool.query('select count(*)::int as n from flat_reading where lay_id = $1', [id]);
    expect(kept.rows[0].n).toBe(3);
  });

  it('takes a repeat once, and refuses what is no reading of this piece, keeping nothing of it', async () => {
    const id = await lay();
    const same = { readings: [{ id: randomUUID(), point: 'half-waist', written: '36 cm' }] };
    for (let i = 0; i < 2; i++) await json(bench!.send('POST', `/flat/${id}/readings`, same));
    expect((await read(id, { 'half-hip': '51 cm', 'half-chest': '44 cm' }, 422)).code).toBe('no-such-point');
    expect((await read(id, { 'half-hip': 'wide' }, 422)).detail).toMatch(/wide/);
    expect((await read(id, { 'half-hip': '400 cm' }, 422)).detail).toMatch(/between/);
    await read(id, {}, 422);
    await read(999_999, { 'half-hip': '51 cm' }, 404);
    const kept = await t.pool.query('select point from flat_reading where lay_id = $1', [id]);
    expect(kept.rows).toEqual([{ point: 'half-waist' }]);
  });

  it('stands beside an order without a brief too', async () => {
    const bare = await json(
      fitter!.send('POST', '/orders', { clientId: order.clientId, what: 'Something' }),
      201,
    );
    const { id } = await json(
      bench!.send('POST', `/orders/${bare.id}/flat`, { of: 'garment', cut: 'set-in' }),
      201,
    );
    const [view] = await read(id, { 'half-chest': '46.5 cm' });
    expect(row(view, 'half-chest')).toMatchObject({ flat: 46.5, whole: 93, body: null, sheet: null });
    await json(bench!.send('POST', '/orders/999999/flat', { of: 'garment', cut: 'set-in' }), 404);
    await json(bench!.send('POST', `/orders/${bare.id}/flat`, { of: 'sock', cut: 'set-in' }), 422);
  });
});
