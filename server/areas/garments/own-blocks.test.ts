import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, clientBody, json, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let fitter: Caller;
beforeAll(async () => {
  t = await startTestApp();
  fitter = await t.as('fitter');
});
afterAll(() => t.close());

const newClient = async (name: string) =>
  (await json(fitter.send('POST', '/clients', clientBody(name)), 201)).id as number;
const BLOCK = {
  name: 'fitted bodice',
  fit: 'fitted',
  school: 'workroom',
  parts: [{ part: 'darted-bodice' }],
  steps: [
    { step: 'neck-deeper', part: 0, amount: '1 in' },
    { step: 'dart-to', part: 0, to: 'armhole' },
  ],
};

describe('a client’s own block', () => {
  it('is kept with its steps as they were written, and the next order’s sheet starts from it', async () => {
    const client = await newClient('Nell Arkwright');
    await json(fitter.send('POST', `/clients/${client}/blocks`, BLOCK), 201);
    const [block] = await json(fitter.get(`/clients/${client}/blocks`));
    expect(block).toMatchObject({ name: 'fitted bodice', by: 'Test fitter', fit: 'fitted' });
    expect(block.steps[0]).toEqual({ step: 'neck-deeper', part: 0, amount: '1 in', to: '' });
    const order = await json(fitter.send('POST', '/orders', { clientId: client, what: 'Blouse' }), 201);
    const brief = { fit: block.fit, school: block.school, parts: block.parts, steps: block.steps };
    await json(fitter.send('PUT', `/orders/${order.id}/brief`, { version: order.version, brief }));
    const file = await json(fitter.get(`/orders/${order.id}/sheet.json`));
    const adapted = file.printed.head.find(([l]: [string]) => l === 'Adapted');
    expect(adapted[1]).toContain('1. neckline deeper in front +2.54 cm; 2. the dart moved to the armhole');
  });
  it('two of one name are refused in a sentence; another client may have the name, and one taken off frees it', async () => {
    const [a, b] = [await newClient('Ada Quill'), await newClient('Bea Quill')];
    await json(fitter.send('POST', `/clients/${a}/blocks`, BLOCK), 201);
    const again = await json(
      fitter.send('POST', `/clients/${a}/blocks`, { ...BLOCK, name: 'Fitted  Bodice' }),
      422,
    );
    expect(again.detail).toContain('Nothing was saved');
    await json(fitter.send('POST', `/clients/${b}/blocks`, BLOCK), 201);
    const [{ id }] = await json(fitter.get(`/clients/${a}/blocks`));
    await json(fitter.send('DELETE', `/blocks/${id}`));
    expect(await json(fitter.get(`/clients/${a}/blocks`))).toEqual([]);
    await json(fitter.send('DELETE', `/blocks/${id}`), 404);
    await json(fitter.send('POST', `/clients/${a}/blocks`, BLOCK), 201);
  });
  it('refuses steps that cannot be, no parts, no such client; and hands that may not', async () => {
    const client = await newClient('Cora Lind');
    const send = (more: object) => fitter.send('POST', `/clients/${client}/blocks`, { ...BLOCK, ...more });
    const say = async (more: object) => (await json(send(more), 422)).detail as string;
    expect(await say({ steps: [{ step: 'neck-deeper', part: 0 }] })).toContain('needs an amount');
    expect(await say({ steps: [{ step: 'neck-deeper', part: 0, amount: '60 cm' }] })).toContain(
      'takes -10 to 25 cm',
    );
    expect(await say({ steps: [{ step: 'neck-deeper', part: 4, amount: '2 cm' }] })).toContain(
      'a part that was removed',
    );
    expect(await say({ steps: [{ step: 'longer', part: 0, amount: '' }] })).toMatch(/^steps/);
    expect(await say({ parts: [] })).toContain('at least one part');
    expect(await say({ steps: Array.from({ length: 41 }, () => BLOCK.steps[0]) })).toContain('forty steps');
    await json(fitter.send('POST', '/clients/98765/blocks', BLOCK), 404);
    const bench = await t.as('seamstress');
    expect((await bench.send('POST', `/clients/${client}/blocks`, BLOCK)).status).toBe(403);
    expect((await bench.send('DELETE', '/blocks/1')).status).toBe(403);
  });
  it('goes out with the client’s data and is erased with it', async () => {
    const client = await newClient('Dora Finch');
    await json(fitter.send('POST', `/clients/${client}/blocks`, { ...BLOCK, name: 'snug one' }), 201);
    const { rows } = await t.pool.query('select name from own_block where client_id = $1', [client]);
    expect(rows).toHaveLength(1);
    const principal = await t.as('principal');
    const { version } = await json(principal.get(`/clients/${client}`));
    await json(principal.send('POST', `/clients/${client}/erase`, { version, reason: 'asked by letter' }));
    expect((await t.pool.query('select 1 from own_block where client_id = $1', [client])).rowCount).toBe(0);
  });
});
