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
const read = (id: number, of: Record<string, string>, status = 200, hand = bench!) =>
  json(
    hand.send('POST', `/flat/${id}/readings`, {
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
    const [view] = await read(id, { 'half-chest': '46.5 cm', 'half-hip': '51 cm' }, 200, fitter!);
    expect(row(view, 'half-chest')).toMatchObject({ flat: 46.5, whole: 93, body: null, sheet: null });
    // Held against the client as last measured, for another order: a hip of 98, and what a fitted dress wants there.
    const hip = row(view, 'half-hip') as unknown as Record<string, number>;
    expect(hip).toMatchObject({ body: 49, sheet: null });
    expect(hip.ease).toBeGreaterThan(0);
    expect(hip.differs).toBeCloseTo(51 - 49 - hip.ease!, 9);
    expect(view.says[0]).toMatch(/no brief: the piece is held against the client as last measured/);
    const stranger = await json(fitter!.send('POST', '/clients', { name: 'Never Measured' }), 201);
    const unmeasured = await json(
      fitter!.send('POST', '/orders', { clientId: stranger.id, what: 'Something' }),
      201,
    );
    const other = await json(
      bench!.send('POST', `/orders/${unmeasured.id}/flat`, { of: 'garment', cut: 'set-in' }),
      201,
    );
    const [nothing] = await read(other.id, { 'half-hip': '51 cm' }, 200, fitter!);
    expect(row(nothing, 'half-hip')).toMatchObject({ body: null, should: null });
    expect(nothing.says[0]).toMatch(/has not been measured/);
    // Who may not read readings is told the same of both clients: nothing of either body.
    const told = async (orderId: number) => {
      const [{ rows, says }] = await json(bench!.get(`/orders/${orderId}/flat`));
      return {
        says,
        rows: rows.map((r: { body: unknown; ease: unknown; should: unknown; change: unknown }) => [
          r.body,
          r.ease,
          r.should,
          r.change,
        ]),
      };
    };
    expect(await told(bare.id)).toEqual(await told(unmeasured.id));
    expect(JSON.stringify((await told(bare.id)).rows)).not.toMatch(/\d/);
    await json(bench!.send('POST', '/orders/999999/flat', { of: 'garment', cut: 'set-in' }), 404);
    await json(bench!.send('POST', `/orders/${bare.id}/flat`, { of: 'sock', cut: 'set-in' }), 422);
  });
});

describe('what is to be changed on a piece', () => {
  const accept = (id: number, point: string, accepted: boolean, status = 200) =>
    json(bench!.send('PUT', `/flat/${id}/changes`, { point, accepted }), status);
  it('is accepted as it was said, stays so when more is read, and is taken back', async () => {
    const id = await lay({ of: 'pattern' });
    await read(id, { 'half-hip': '53.5 cm' });
    const [view] = await accept(id, 'half-hip', true);
    expect(view.changes).toMatchObject([{ point: 'half-hip', by: bench!.name }]);
    const { says } = view.changes[0];
    expect(says).toContain('at each of the four side-seam edges');
    const [later] = await read(id, { 'half-hip': '54 cm' });
    expect(later.changes[0].says).toBe(says);
    expect(row(later, 'half-hip')).not.toMatchObject({ change: says });
    expect((await accept(id, 'half-hip', false))[0].changes).toEqual([]);
  });
  it('is nothing where nothing is: a point that is within, one that there is not, a piece that is not there', async () => {
    const id = await lay();
    await read(id, { 'length-front': '62 cm' });
    expect((await accept(id, 'length-front', true, 409)).detail).toContain('Nothing is to be changed');
    await accept(id, 'elbow', true, 409);
    await accept(999_999, 'half-hip', true, 404);
    await json(bench!.send('PUT', `/flat/${id}/changes`, { point: 'half-hip' }), 422);
  });
  it('goes by a tolerance of the piece’s own', async () => {
    const id = await lay();
    await read(id, { 'length-front': '63 cm' });
    const set = (tolerance: string | null, status = 200) =>
      json(bench!.send('PUT', `/flat/${id}`, { tolerance }), status);
    expect(row((await set('1/2 in'))[0], 'length-front')).toMatchObject({ within: true, tolerance: 1.27 });
    expect(row((await set(null))[0], 'length-front')).toMatchObject({ within: false, tolerance: 0.6 });
    expect((await set('wide', 422)).detail).toContain('wide');
    expect((await set('9 cm', 422)).detail).toMatch(/between/);
  });
  it('of a bodice without shoulders is read too', async () => {
    const id = await lay({ cut: 'strapless', of: 'garment' });
    const [view] = await read(id, { 'top-front': '25 cm', 'half-underbust': '38 cm' });
    expect(row(view, 'top-front')).toMatchObject({ flat: 25 });
    expect(view.cut).toBe('strapless');
  });
});

describe('the neck template', () => {
  it('is printed for a garment with a neck, and refused in a sentence for one without', async () => {
    const refused = await json(fitter!.get(`/orders/${order.orderId}/neck-template.pdf`), 409);
    expect(refused.detail).toContain('neck width');
    const { clientId, orderId, version } = await skirtOrder(fitter!);
    await json(
      fitter!.send('PUT', `/orders/${orderId}/brief`, {
        version,
        brief: { parts: [{ part: 'darted-bodice' }] },
      }),
    );
    const lines = ['bust 92 cm', 'waist 74 cm', 'neck-width 14 cm'];
    await json(fitter!.send('POST', '/readings', sessionBody(clientId, orderId, lines)));
    const pdf = await fitter!.get(`/orders/${orderId}/neck-template.pdf`);
    expect(pdf.headers.get('content-type')).toBe('application/pdf');
    expect(
      Buffer.from(await pdf.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
  });
});
