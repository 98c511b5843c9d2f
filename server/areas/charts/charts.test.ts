import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let [fitter, seamstress]: Caller[] = [];
let order: { clientId: number; orderId: number };
beforeAll(async () => {
  t = await startTestApp();
  [fitter, seamstress] = [await t.as('fitter'), await t.as('seamstress')];
  order = await skirtOrder(fitter!);
  const lines = ['waist 70 cm', 'hip 98 cm', 'waist-to-hip 20.5 cm'];
  await json(fitter!.send('POST', '/readings', sessionBody(order.clientId, order.orderId, lines)));
});
afterAll(() => t.close());

const chart = (name: string, more: object = {}) => ({
  name,
  of: 'finished',
  unit: 'cm',
  sizes: [
    { size: '12', at: { waist: '72', hip: '100' } },
    { size: '14', at: { waist: '76', hip: '104' } },
    { size: '16', at: { waist: '80', hip: '108' } },
  ],
  ...more,
});
const add = (name: string, more: object = {}, status = 201) =>
  json(fitter!.send('POST', '/charts', chart(name, more)), status);

describe('size charts of the house', () => {
  it('are added once by a name, changed by who has read the last, taken away; read by everybody', async () => {
    const kept = await add('Skirt block, finished');
    expect((await add('skirt block, FINISHED', {}, 422)).code).toBe('name-taken');
    const change = (version: number, status = 200) =>
      json(fitter!.send('PUT', `/charts/${kept.id}`, { version, chart: chart('Skirt block') }), status);
    expect(await change(kept.version)).toMatchObject({ chart: { name: 'Skirt block' }, version: 2 });
    expect((await change(kept.version, 409)).code).toBe('stale');
    expect((await json(seamstress!.get('/charts'))).map((k: { id: number }) => k.id)).toContain(kept.id);
    const csv = await (await seamstress!.get(`/charts/${kept.id}/chart.csv`)).text();
    expect(csv).toBe('size,waist (cm),hip (cm)\r\n12,72,100\r\n14,76,104\r\n16,80,108');
    // What comes out is read as it went in.
    expect(await json(fitter!.send('POST', '/charts/read', { text: csv }))).toMatchObject({
      unit: 'cm',
      measures: ['waist', 'hip'],
      left: [],
      sizes: [{ size: '12', cup: null, at: { waist: '72', hip: '100' } }, {}, {}],
    });
    await json(fitter!.send('DELETE', `/charts/${kept.id}`));
    await json(fitter!.send('DELETE', `/charts/${kept.id}`), 404);
  });
  it('with a size twice, a word for a figure, a size of no figures are refused with each reason, nothing kept', async () => {
    const before = (await json(fitter!.get('/charts'))).length;
    const twice = await add(
      'Twice',
      { sizes: [...chart('').sizes, { size: '12', at: { hip: 'wide' } }] },
      422,
    );
    expect(twice.detail).toMatch(/Size 12, hip: .*wide.*Size 12 is on this chart twice/s);
    expect((await add('Bare', { sizes: [{ size: '12', at: {} }] }, 422)).detail).toContain('no figures');
    await add('None', { sizes: [] }, 422);
    await add('Odd', { sizes: [{ size: '12', at: { girth: '80' } }] }, 422);
    expect((await json(fitter!.get('/charts'))).length).toBe(before);
  });
});

describe('which size for an order', () => {
  const path = () => `/orders/${order.orderId}/size`;
  it('is ranked by its body and brief; the chosen one is kept with its chart and what to change', async () => {
    const kept = await add('Skirts of the house');
    const view = await json(fitter!.get(`${path()}?chart=${kept.id}`));
    expect(view.by).toContain('by the hip');
    // A fitted skirt wants 4 or more at the hip of 98: 104 is the nearest that the waist follows.
    expect(view.sizes[0]).toMatchObject({ name: '14' });
    expect(view.chosen).toBeNull();
    const choose = (size: string, version: number, status = 200) =>
      json(fitter!.send('PUT', path(), { chartId: kept.id, size, version }), status);
    expect((await choose('13', 0, 422)).code).toBe('no-such-size');
    await choose('14', 0);
    expect((await choose('16', 0, 409)).code).toBe('stale');
    // The chart may go; what was chosen stays as it was.
    await json(fitter!.send('DELETE', `/charts/${kept.id}`));
    const after = await json(fitter!.get(path()));
    expect(after.chart).toContain('EN 13402');
    expect(after.chosen).toMatchObject({ size: '14', chart: 'Skirts of the house', version: 1 });
    expect(after.chosen.changes[0].sentence).toMatch(/^Waist: take/);
    await json(fitter!.send('PUT', path(), { chartId: 0, size: '', version: 1 }));
    expect((await json(fitter!.get(path()))).chosen).toBeNull();
  });
  it('the order’s garment comes out in every size of a table of bodies, and is read again as a chart', async () => {
    const finished = `/orders/${order.orderId}/finished.csv`;
    const text = await (await fitter!.get(finished)).text();
    expect(text).toMatch(/^size,waist \(cm\),hip \(cm\),/);
    const again = await json(fitter!.send('POST', '/charts/read', { text }));
    expect(again.sizes).toHaveLength(12);
    expect(again.left).toEqual([]);
    const kept = await add('Ours, finished');
    expect((await json(fitter!.get(`${finished}?chart=${kept.id}`), 422)).code).toBe('no-bodies');
    expect((await seamstress!.get(finished)).status).toBe(403);
  });
  it('of two who choose at once one is kept and the other is told', async () => {
    const both = await Promise.all(
      ['96', '100'].map((size) => fitter!.send('PUT', path(), { chartId: 0, size, version: 0 })),
    );
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
  });
  it('is not shown to who may not read the body; an order without a brief says what is missing', async () => {
    expect((await seamstress!.get(path())).status).toBe(403);
    const bare = await json(
      fitter!.send('POST', '/orders', { clientId: order.clientId, what: 'Something' }),
      201,
    );
    const none = await json(fitter!.get(`/orders/${bare.id}/size`), 409);
    expect(none).toMatchObject({ code: 'no-brief', detail: expect.stringContaining('no brief yet') });
    await json(fitter!.get('/orders/999999/size'), 404);
    await json(fitter!.get(`${path()}?chart=999999`), 404);
  });
});
