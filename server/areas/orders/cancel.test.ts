import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let [fitter, desk, bench]: Caller[] = [];
let [roomId, ada] = [0, 0];
beforeAll(async () => {
  t = await startTestApp();
  [fitter, desk, bench] = [await t.as('fitter'), await t.as('desk'), await t.as('seamstress')];
  const principal = await t.as('principal');
  roomId = (await json(principal.send('POST', '/rooms', { name: 'Bay', goodFor: ['fitting'] }), 201)).id;
  ada = (await json(principal.send('POST', '/staff', { name: 'Ada Able', role: 'fitter' }), 201)).id;
});
afterAll(() => t.close());

const order = (id: number) => json(desk!.get(`/orders/${id}`));
const list = async (view: string): Promise<number[]> =>
  (await json(desk!.get(`/orders?view=${view}`))).map((o: { id: number }) => o.id);
const cancel = (id: number, version: number, more: object = {}) =>
  desk!.send('POST', `/orders/${id}/cancel`, { version, reason: 'wedding called off', ...more });
const madeOrder = async (name: string) => skirtOrder(fitter!, { name });
/** An hour with the fitter, straight into the diary. */
const booked = async (orderId: number, clientId: number, day: string) => {
  const slots = [{ day, time: '10:00', staff: [ada], roomId }];
  return json(desk!.send('POST', '/appointments', { kind: 'fitting', clientId, orderId, slots }), 201);
};

describe('a cancelled order', () => {
  it('needs a reason, is in no list of work, and comes back as far as it had come', async () => {
    const { orderId } = await madeOrder('Called Off');
    const before = await order(orderId);
    expect(before.stage).toBe('brief');
    expect((await json(cancel(orderId, before.version, { reason: ' ' }), 422)).detail).toContain(
      'Enter the reason',
    );
    await json(cancel(orderId, before.version + 1), 409);
    await json(cancel(orderId, before.version));
    const gone = await order(orderId);
    expect([gone.stage, gone.cancelledReason]).toEqual(['cancelled', 'wedding called off']);
    for (const view of ['work', 'danger', 'week', 'client']) expect(await list(view)).not.toContain(orderId);
    expect(await list('all')).toContain(orderId);
    expect((await json(cancel(orderId, gone.version), 409)).detail).toContain('already cancelled');
    await json(desk!.send('POST', `/orders/${orderId}/reopen`, { version: gone.version }));
    const back = await order(orderId);
    expect([back.stage, back.cancelledReason]).toEqual(['brief', '']);
    expect(await list('work')).toContain(orderId);
    await json(desk!.send('POST', `/orders/${orderId}/reopen`, { version: back.version }), 409);
  });

  it('takes no brief, no change, no booking while it is cancelled, and readings do not wake it', async () => {
    const { orderId, clientId } = await madeOrder('Sleeps');
    const { version, brief } = await order(orderId);
    await json(cancel(orderId, version));
    const refused = async (who: Caller, method: string, path: string, body: object) =>
      expect((await json(who.send(method, path, body), 409)).detail).toContain('is cancelled');
    await refused(fitter!, 'PUT', `/orders/${orderId}/brief`, {
      version: version + 1,
      brief: { ...brief, note: 'changed' },
    });
    await refused(desk!, 'POST', `/orders/${orderId}/alterations`, {
      asked: { kind: 'press', direction: 'press', amount: null },
      source: 'desk',
    });
    await refused(fitter!, 'POST', `/orders/${orderId}/sheet/changes`, {
      version: 0,
      change: { kind: 'revise' },
    });
    await refused(fitter!, 'POST', `/orders/${orderId}/sheet/agree`, { version: 0, name: 'x' });
    const house = await json(desk!.get('/diary/house'));
    await refused(desk!, 'POST', '/appointments', {
      kind: 'alteration-intake',
      clientId,
      orderId,
      slots: [{ day: '2026-03-12', time: '10:00', staff: [house.staff[0].id], roomId: null }],
    });
    expect((await order(orderId)).stage).toBe('cancelled');
  });

  it('asks whether what is booked ahead goes with it, and only then lets the time go', async () => {
    const { orderId, clientId } = await madeOrder('Booked Ahead');
    const made = await booked(orderId, clientId, '2026-03-12');
    await json(cancel(orderId, (await order(orderId)).version));
    expect((await json(desk!.get(`/appointments/${made.id}`))).status).toBe('confirmed');
    await json(desk!.send('POST', `/orders/${orderId}/reopen`, { version: (await order(orderId)).version }));
    await json(cancel(orderId, (await order(orderId)).version, { appointments: true }));
    const gone = await json(desk!.get(`/appointments/${made.id}`));
    expect([gone.status, gone.slots.at(-1).state, gone.slots.at(-1).reason]).toEqual([
      'cancelled',
      'left',
      'order cancelled',
    ]);
    const { messages } = await json(desk!.get(`/messages?appointment=${made.id}`));
    expect(messages.map((m: { kind: string }) => m.kind)).toContain('cancelled');
  });

  it('is not cancelled by the bench; two who press at once cancel once', async () => {
    const { orderId } = await madeOrder('Pressed Twice');
    const { version } = await order(orderId);
    await json(bench!.send('POST', `/orders/${orderId}/cancel`, { version, reason: 'x' }), 403);
    const both = await Promise.all([cancel(orderId, version), cancel(orderId, version)]);
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
  });
});

describe('what is cut does not vanish', () => {
  it('stands at risk and in work however long it is overdue, until it is handed over', async () => {
    const { orderId } = await madeOrder('Long Overdue');
    await t.pool.query(`update orders set stage = 'cut', due_on = '2025-01-10' where id = $1`, [orderId]);
    for (const view of ['work', 'danger']) expect((await list(view))[0]).toBe(orderId);
    await t.pool.query(
      `insert into handed_over (order_id, by, client_name, cautions) values ($1, (select min(id) from staff), 'x', '{"version": 1, "cautions": []}')`,
      [orderId],
    );
    expect((await order(orderId)).stage).toBe('handed-over');
    for (const view of ['work', 'danger']) expect(await list(view)).not.toContain(orderId);
    const { version } = await order(orderId);
    expect((await json(cancel(orderId, version), 409)).detail).toContain('Record its return');
    await t.pool.query('update handed_over set taken_back_at = now() where order_id = $1', [orderId]);
    expect((await order(orderId)).stage).toBe('fitting');
    expect((await list('work'))[0]).toBe(orderId);
  });

  it('is in fittings once a change is asked of it', async () => {
    const { orderId } = await madeOrder('In Fittings');
    await t.pool.query(`update orders set stage = 'cut' where id = $1`, [orderId]);
    const asked = { kind: 'press', direction: 'press', amount: null };
    await json(desk!.send('POST', `/orders/${orderId}/alterations`, { asked, source: 'desk' }), 201);
    expect((await order(orderId)).stage).toBe('fitting');
  });
});

describe('an order on the wrong client', () => {
  it('is mended while nothing was made for it, and stays once there is', async () => {
    const wrong = await madeOrder('Wrong Client');
    const right = await madeOrder('Right Client');
    const put = async (clientId: number, status = 200) => {
      const { version, what } = await order(wrong.orderId);
      return json(desk!.send('PUT', `/orders/${wrong.orderId}`, { version, what, clientId }), status);
    };
    expect((await put(right.clientId)).clientName).toBe('Right Client');
    const found = await json(desk!.get('/orders?view=all&q=right%20client'));
    expect(found.map((o: { id: number }) => o.id)).toContain(wrong.orderId);
    await booked(wrong.orderId, right.clientId, '2026-03-13');
    expect((await put(wrong.clientId, 422)).detail).toContain('client can’t be changed');
    expect((await order(wrong.orderId)).clientName).toBe('Right Client');
  });
});
