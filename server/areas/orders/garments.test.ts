import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, clientBody, json, sessionBody, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let fitter: Caller;
beforeAll(async () => {
  t = await startTestApp();
  fitter = await t.as('fitter');
});
afterAll(() => t.close());

const SKIRT = {
  parts: [{ part: 'straight-skirt', length: '62 cm', hemOpening: 'vent', openingHeight: '18 cm' }],
};
const GATHERED = { parts: [{ part: 'gathered-skirt', length: '70 cm' }] };
const READ = ['waist 70 cm', 'waist 70 cm', 'hip 96 cm', 'hip 96 cm', 'waist-to-hip 20 cm'];

async function newOrder() {
  const client = await json(fitter.send('POST', '/clients', clientBody('Ines Varga')), 201);
  const order = await json(
    fitter.send('POST', '/orders', {
      clientId: client.id,
      what: 'Skirt and tunic',
      occasion: 'a christening',
      dueOn: '2026-05-01',
    }),
    201,
  );
  return { clientId: client.id as number, orderId: order.id as number, number: order.number as string };
}
const further = (id: number, what: string, headers = {}) =>
  fitter.send('POST', `/orders/${id}/garments`, { what }, headers);
const brief = async (id: number, of: object) => {
  const { version } = await json(fitter.get(`/orders/${id}`));
  return fitter.send('PUT', `/orders/${id}/brief`, { version, brief: of });
};

describe('several garments in one order', () => {
  it('each has a letter after the number, the dates of the first, and is told beside the others', async () => {
    const { orderId, number } = await newOrder();
    const second = await json(further(orderId, 'Tunic'), 201);
    expect(second).toMatchObject({
      number: `${number}b`,
      what: 'Tunic',
      dueOn: '2026-05-01',
      stage: 'asked',
    });
    // Added to the second one, a third is a garment of the same order.
    const third = await json(further(second.id, 'Jacket'), 201);
    expect(third.number).toBe(`${number}c`);
    for (const id of [orderId, second.id, third.id]) {
      const { garments } = await json(fitter.get(`/orders/${id}`));
      expect(garments.map((g: { what: string }) => g.what)).toEqual(['Skirt and tunic', 'Tunic', 'Jacket']);
    }
    expect((await json(fitter.get(`/orders?q=${number}c`))).map((o: { id: number }) => o.id)).toEqual([
      third.id,
    ]);
  });

  it('measured once, all of them are measured; each has its own sheet and is cut alone', async () => {
    const { clientId, orderId } = await newOrder();
    const { id } = await json(further(orderId, 'Second skirt'), 201);
    await brief(orderId, SKIRT);
    await brief(id, GATHERED);
    expect((await fitter.send('POST', '/readings', sessionBody(clientId, orderId, READ))).status).toBe(200);
    const stages = async () =>
      (await json(fitter.get(`/orders/${id}`))).garments.map((g: { stage: string }) => g.stage);
    expect(await stages()).toEqual(['measured', 'measured']);
    const late = await json(further(orderId, 'Third, added later'), 201);
    expect(late.stage).toBe('measured');
    expect(late.sessions).toHaveLength(1);

    const sheet = await json(fitter.get(`/orders/${id}/sheet`));
    expect(sheet.spec.readings.map((r: { measure: string }) => r.measure)).toContain('waist');
    // The session of the first garment may be named for the second, one of another order may not.
    const sessionId = (await json(fitter.get(`/orders/${id}`))).sessions[0].id as string;
    const choose = async (of: number, which: string) => {
      const { version } = await json(fitter.get(`/orders/${of}/sheet`));
      return fitter.send('POST', `/orders/${of}/sheet/changes`, {
        version,
        change: { kind: 'session', sessionId: which },
      });
    };
    expect((await choose(id, sessionId)).status).toBe(200);
    const other = await newOrder();
    await brief(other.orderId, SKIRT);
    expect((await choose(other.orderId, sessionId)).status).toBe(422);

    // The second is agreed and cut; the first stays a measured order.
    const view = await json(fitter.get(`/orders/${id}/sheet`));
    await json(
      fitter.send('POST', `/orders/${id}/sheet/agree`, { version: view.version, name: 'Ines Varga' }),
    );
    const { version } = await json(fitter.get(`/orders/${id}/sheet`));
    expect((await fitter.send('POST', `/orders/${id}/sheet/cut`, { version })).status).toBe(200);
    expect((await stages()).slice(0, 2)).toEqual(['measured', 'cut']);
    expect((await brief(id, SKIRT)).status).toBe(409);
    expect((await brief(orderId, SKIRT)).status).toBe(200);
  });

  it('two hands at once give two letters, one key twice gives one garment', async () => {
    const { orderId, number } = await newOrder();
    const made = await Promise.all(['Cape', 'Stole', 'Belt'].map((what) => further(orderId, what)));
    expect(made.map((r) => r.status)).toEqual([201, 201, 201]);
    const { garments } = await json(fitter.get(`/orders/${orderId}`));
    expect(garments.map((g: { number: string }) => g.number)).toEqual(
      ['', 'b', 'c', 'd'].map((l) => `${number}${l}`),
    );
    const key = { 'idempotency-key': randomUUID() };
    const [one, again] = [
      await json(further(orderId, 'Gloves', key), 201),
      await json(further(orderId, 'Gloves', key), 201),
    ];
    expect(again.id).toBe(one.id);
    expect((await further(orderId, 'Other gloves', key)).status).toBe(422);
  });

  it('says so when there are too many, no such order, no words, or the hand may not', async () => {
    const { orderId } = await newOrder();
    for (let i = 0; i < 11; i++) expect((await further(orderId, `Garment ${i + 2}`)).status).toBe(201);
    const last = await further(orderId, 'One more');
    expect(last.status).toBe(422);
    expect((await last.json()).detail).toContain('12 garments');
    expect((await further(987654, 'Tunic')).status).toBe(404);
    expect((await further(orderId, '  ')).status).toBe(422);
    const bench = await t.as('seamstress');
    expect((await bench.send('POST', `/orders/${orderId}/garments`, { what: 'Tunic' })).status).toBe(403);
  });

  it('they are fitted together: the fitting of one is the day that the work on the other has to be ready', async () => {
    const { clientId, orderId } = await newOrder();
    const { id } = await json(further(orderId, 'Second skirt'), 201);
    const stranger = await newOrder();
    for (const of of [orderId, id, stranger.orderId]) await brief(of, SKIRT);
    await json(fitter.send('POST', '/readings', sessionBody(clientId, orderId, READ)));
    const principal = await t.as('principal');
    const staff = (await json(principal.send('POST', '/staff', { name: 'Ada Able', role: 'fitter' }), 201))
      .id;
    const roomId = (await json(principal.send('POST', '/rooms', { name: 'Bay', goodFor: ['fitting'] }), 201))
      .id;
    const slots = [{ day: '2026-03-12', time: '10:00', staff: [staff], roomId }];
    const fitting = await json(
      fitter.send('POST', '/appointments', { kind: 'fitting', clientId, orderId, slots }),
      201,
    );
    const asked = { kind: 'waist', direction: 'in', amount: '1 cm', as: 'pinned' };
    const at = (of: number) =>
      fitter.send('POST', `/orders/${of}/alterations`, {
        asked,
        source: 'fitting',
        appointmentId: fitting.id,
      });
    const made = await json(at(id), 201);
    expect((await at(stranger.orderId)).status).toBe(422);
    const row = (await json(fitter.get('/bench'))).find((r: { id: number }) => r.id === made.id);
    expect(row).toMatchObject({
      orderId: id,
      nextAt: expect.stringContaining('2026-03-12'),
      nextKind: 'fitting',
    });
    // And when the one is fetched, the other goes with it.
    expect((await json(fitter.get(`/orders/${id}/leaving`))).fetchedAt).toContain('2026-03-12');
    expect((await json(fitter.get(`/orders/${stranger.orderId}/leaving`))).fetchedAt).toBeNull();
  });

  it('what is measured for the order is what any of its garments needs', async () => {
    const { orderId } = await newOrder();
    const { id } = await json(further(orderId, 'Bodice'), 201);
    await brief(orderId, SKIRT);
    await brief(id, { parts: [{ part: 'darted-bodice' }] });
    const pdf = await fitter.get(`/orders/${orderId}/measuring-list.pdf`);
    expect(pdf.status).toBe(200);
    // The client's list for home is made of both as well; its link is opened without a sign-in.
    const link = await json(fitter.send('POST', `/orders/${orderId}/home-links`, { days: 7 }), 201);
    const look = await t.app.request('/api/at-home/look', {
      method: 'POST',
      body: JSON.stringify({ key: String(link.path).split('#')[1] }),
      headers: { 'content-type': 'application/json' },
    });
    const { measures } = await json(look);
    expect(measures).toEqual(expect.arrayContaining(['hip', 'bust']));
  });
});
