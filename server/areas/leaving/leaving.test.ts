import { HouseBench } from '@rocchetto/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let [principal, fitter, desk, bench]: Caller[] = [];
let orderId = 0;
beforeAll(async () => {
  t = await startTestApp();
  [principal, fitter, desk, bench] = [
    await t.as('principal'),
    await t.as('fitter'),
    await t.as('desk'),
    await t.as('seamstress'),
  ];
  orderId = (await skirtOrder(fitter!, { name: 'Fetches It' })).orderId;
});
afterAll(() => t.close());

const note = (body: object, status = 201, who = desk!) =>
  json(who.send('POST', `/orders/${orderId}/money`, body), status);
const money = () => json(desk!.get(`/orders/${orderId}/money`));

describe('money that was spoken of', () => {
  it('is prices agreed less what came in; a note is taken back, not erased', async () => {
    const asked = { kind: 'press', direction: 'press', amount: null };
    const { id } = await json(
      desk!.send('POST', `/orders/${orderId}/alterations`, { asked, source: 'desk' }),
      201,
    );
    const step = { step: 'agree', name: 'Client', price: 19.9 };
    await json(desk!.send('POST', `/alterations/${id}/steps`, { version: 1, step }));
    await note({ is: 'price', amount: 240.1, words: 'the skirt' });
    const deposit = await note({ is: 'received', amount: 100, words: 'deposit' });
    expect(await money()).toMatchObject({ agreed: 260, received: 100, open: 160 });
    await json(desk!.send('DELETE', `/money/${deposit.id}`));
    await json(desk!.send('DELETE', `/money/${deposit.id}`), 404);
    expect(await money()).toMatchObject({ received: 0, open: 260, alterations: [{ price: 19.9 }] });
    const kept = await t.pool.query('select 1 from money_noted where order_id = $1', [orderId]);
    expect(kept.rowCount).toBe(2);
  });

  it.each([
    [{ is: 'received', amount: -5 }, 'over 0'],
    [{ is: 'received', amount: 0 }, 'over 0'],
    [{ is: 'price', amount: 1.005 }, 'two decimals'],
    [{ is: 'price', amount: 2e9 }, 'smaller price'],
    [{ is: 'price', amount: 'ten' }, 'Enter the amount as a number'],
  ])('%j is refused with a sentence', async (body, sentence) => {
    expect((await note(body, 422)).detail).toContain(sentence);
  });

  it('is nothing for the bench to see or to note', async () => {
    await json(bench!.get(`/orders/${orderId}/money`), 403);
    await note({ is: 'price', amount: 1 }, 403, bench!);
  });

  it('the same note sent twice is noted once', async () => {
    const before = (await money()).noted.length;
    const key = crypto.randomUUID();
    const body = { is: 'received', amount: 12, words: '' };
    await Promise.all(
      [1, 2].map(() => desk!.send('POST', `/orders/${orderId}/money`, body, { 'idempotency-key': key })),
    );
    expect((await money()).noted).toHaveLength(before + 1);
  });
});

describe('how a garment leaves', () => {
  it('says its care from the cloth, in own words where it has some, and where it hangs', async () => {
    const order = await json(fitter!.get(`/orders/${orderId}`));
    const brief = {
      ...order.brief,
      cloth: { ...order.brief.cloth, name: 'wool crêpe' },
      lining: 'cupro, slate',
    };
    await json(fitter!.send('PUT', `/orders/${orderId}/brief`, { version: order.version, brief }));
    const leaving = async () => json(bench!.get(`/orders/${orderId}/leaving`));
    const care = (await leaving()).care;
    expect(care.map((l: { says: string }) => l.says)).toEqual([
      'Wash by hand, at most 40 °C; do not wring.',
      'Do not bleach.',
      'Dry flat, in the shade; do not tumble.',
      'Iron at most at 150 °C, through a cloth.',
      'Professional dry cleaning, gently.',
    ]);
    expect(care[0].because).toBe('Wool in the outer.');
    await json(bench!.send('PUT', `/orders/${orderId}/rack`, { rack: 'rail B, 12' }));
    await json(bench!.send('PUT', `/orders/${orderId}/care`, { lines: {} }), 403);
    await json(
      fitter!.send('PUT', `/orders/${orderId}/care`, { lines: { washing: 'Sponge only.', drying: '' } }),
    );
    expect(await leaving()).toMatchObject({
      rack: 'rail B, 12',
      own: { washing: 'Sponge only.' },
      fetchedAt: null,
    });
    expect((await leaving()).care[0].says).toBe('Sponge only.');
    await json(bench!.send('PUT', `/orders/${orderId}/rack`, { rack: 'x'.repeat(61) }), 422);
    const pdf = await fitter!.get(`/orders/${orderId}/fitting-record.pdf`);
    expect(pdf.status).toBe(200);
  });
});

describe('minutes, prices and signs of the house', () => {
  it('are the principal’s, stand beside the tables, and reach the next alteration', async () => {
    const view = await json(bench!.get('/house/bench'));
    expect(view.bench).toEqual(HouseBench.parse({ version: 1 }));
    const bench1 = { version: 1, kinds: { zip: { minutes: 95, price: 48 } }, signs: {} };
    await json(fitter!.send('PUT', '/house/bench', { version: view.version, bench: bench1 }), 403);
    await json(principal!.send('PUT', '/house/bench', { version: view.version, bench: bench1 }));
    const clash = await json(
      principal!.send('PUT', '/house/bench', { version: view.version, bench: bench1 }),
      409,
    );
    expect(clash.code).toBe('changed-meanwhile');
    const asked = { kind: 'zip', direction: 'replace', amount: null };
    const { id } = await json(
      desk!.send('POST', `/orders/${orderId}/alterations`, { asked, source: 'desk' }),
      201,
    );
    const all = await json(desk!.get(`/orders/${orderId}/alterations`));
    expect(all.alterations.find((a: { id: number }) => a.id === id).minutes).toBe(95);
    expect((await json(desk!.get('/house/bench'))).changes[0].says).toEqual([
      'zip replaced: usual → 95 minutes',
      'zip replaced: price none → 48.00',
    ]);
  });

  it.each([
    [{ kinds: { zip: { minutes: 1 } } }, '5 minutes or more'],
    [{ kinds: { zip: { price: -1 } } }, '0 or more'],
    [{ kinds: { nothing: {} } }, 'no such alteration'],
    [{ signs: { nothing: {} } }, 'no such fitting sign'],
    [
      {
        signs: {
          'own-x': { name: 'x', like: 'cross-strain-waist', hidden: false, causes: [] },
        },
      },
      'one cause',
    ],
  ])('%j is refused with a sentence', async (more, sentence) => {
    const { version } = await json(principal!.get('/house/bench'));
    const bench2 = { version: 1, kinds: {}, signs: {}, ...more };
    const no = await json(principal!.send('PUT', '/house/bench', { version, bench: bench2 }), 422);
    expect(no.detail).toContain(sentence);
  });
});

describe('a garment that was brought in', () => {
  it('is measured as it lies, without a sheet to lie against', async () => {
    const { id: clientId } = await json(desk!.send('POST', '/clients', { name: 'Brings A Coat' }), 201);
    const came = { clientId, kind: 'coat', what: 'Winter coat', lined: true, condition: 'nothing found' };
    const { orderId: coat } = await json(desk!.send('POST', '/brought-in', came), 201);
    const of = async () => json(desk!.get(`/orders/${coat}/alterations`));
    const [bust] = (await of()).points;
    expect(bust).toMatchObject({ id: 'garment.bust', target: null, required: false, reading: null });
    await json(
      desk!.send('POST', `/orders/${coat}/points`, { readings: { 'garment.bust': '41 1/2 in' } }),
      201,
    );
    await json(desk!.send('POST', `/orders/${coat}/points`, { readings: { 'garment.thigh': '5 cm' } }), 422);
    expect((await of()).points[0].reading).toMatchObject({ written: '41 1/2 in', within: true });
    expect((await of()).inTheWay).toEqual([]);
  });
});
