import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, clientBody, json, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

// 10 March 2026 is a Tuesday; the test studio's clock stands at noon of it, in UTC. The house is open 9 to 18.
let t: TestApp;
let principal: Caller;
let fitter: Caller;
let wren: Caller;
let [wrenId, adaId, clientId, orderId, room] = [0, 0, 0, 0, 0];
beforeAll(async () => {
  t = await startTestApp();
  [principal, fitter] = [await t.as('principal'), await t.as('fitter')];
  wrenId = (await json(principal.send('POST', '/staff', { name: 'Wren Able', role: 'seamstress' }), 201)).id;
  adaId = (await json(principal.send('POST', '/staff', { name: 'Ada Able', role: 'fitter' }), 201)).id;
  wren = await t.asStaff(wrenId);
  room = (await json(principal.send('POST', '/rooms', { name: 'Bay', goodFor: ['fitting'] }), 201)).id;
  ({ clientId, orderId } = await skirtOrder(fitter));
});
afterAll(() => t.close());

const work = (more: object = {}) => ({
  staffId: wrenId,
  day: '2026-03-12',
  minutes: 180,
  what: 'Toile cut and sewn',
  makes: 'toile',
  ...more,
});
const promise = (more: object = {}, status = 201) =>
  json(fitter.send('POST', `/orders/${orderId}/bench`, work(more)), status);
const says = async (answer: Promise<Response>, status = 422) => {
  const problem = await json(answer, status);
  return [problem.detail, ...(problem.problems ?? [])].join(' ');
};
const times = (query: string) =>
  json(fitter.get(`/diary/times?kind=toile-fitting&clientId=${clientId}&orderId=${orderId}&${query}`));

describe('work promised at the bench', () => {
  it('shares the day with appointments; what is too much is told with the figures', async () => {
    expect((await promise({ day: '2026-03-17', minutes: 540 })).says).toBeNull();
    const over = await promise({ day: '2026-03-17', minutes: 90, what: 'Buttonholes', makes: null });
    expect(over.says).toBe('Wren Able has 9 h on 17 Mar; 10 h 30 at the bench are 1 h 30 too much.');
    await json(
      fitter.send('POST', '/appointments', {
        kind: 'fitting',
        clientId,
        slots: [{ day: '2026-03-18', time: '10:00', staff: [adaId], roomId: room }],
      }),
      201,
    );
    const ada = await promise({ staffId: adaId, day: '2026-03-18', minutes: 500, makes: null });
    // 45 minutes and 10 for changing.
    expect(ada.says).toBe(
      'Ada Able has 9 h on 18 Mar; 55 min of appointments and 8 h 20 at the bench are 15 min too much.',
    );
    // On a Sunday nobody works.
    expect((await promise({ day: '2026-03-15', minutes: 60, makes: null })).says).toBe(
      'Wren Able is not at work on 15 Mar, but 1 h at the bench is scheduled.',
    );
  });

  it('stands on the order and in the diary, and is done by the one whose hands it was in', async () => {
    const { id } = await promise({ day: '2026-03-19', what: 'Baste for the fitting', makes: 'basted' });
    const order = await json(wren.get(`/orders/${orderId}`));
    expect(order.bench.find((b: { id: number }) => b.id === id)).toMatchObject({
      what: 'Baste for the fitting',
      minutes: 180,
      doneAt: null,
    });
    const day = await json(wren.get('/diary?day=2026-03-19'));
    expect(day.bench).toMatchObject([{ id, orderNumber: order.number, staffId: wrenId }]);
    const done = await json(wren.send('POST', `/bench/${id}/done`, { version: 1, done: true }));
    expect(done.version).toBe(2);
    expect((await wren.send('POST', `/bench/${id}/done`, { version: 1, done: false })).status).toBe(409);
    const now = await json(wren.get('/diary?day=2026-03-19'));
    expect(now.bench[0].doneAt).toBe('2026-03-10T12:00:00Z');
    const { rows } = await t.pool.query(
      `select what from history where entity = 'order' and entity_id = $1 and what like 'bench work%' order by id desc limit 2`,
      [String(orderId)],
    );
    expect(rows.map((r) => r.what)).toEqual(['bench work done', 'bench work scheduled']);
  });

  it('is changed and taken back by those who plan, on top of its version', async () => {
    const { id } = await promise({ day: '2026-03-20' });
    expect(
      await json(
        fitter.send('PUT', `/bench/${id}`, { ...work({ day: '2026-03-21', minutes: 60 }), version: 1 }),
      ),
    ).toMatchObject({ version: 2, says: null });
    expect((await fitter.send('PUT', `/bench/${id}`, { ...work(), version: 1 })).status).toBe(409);
    for (const role of ['seamstress', 'desk'] as const) {
      const who = await t.as(role);
      expect((await who.send('POST', `/orders/${orderId}/bench`, work())).status).toBe(403);
      expect((await who.send('DELETE', `/bench/${id}`)).status).toBe(403);
    }
    await json(fitter.send('DELETE', `/bench/${id}`));
    expect((await fitter.send('DELETE', `/bench/${id}`)).status).toBe(404);
    expect((await fitter.send('PUT', `/bench/${id}`, { ...work(), version: 3 })).status).toBe(404);
  });

  it.each([
    ['for a day that is past', { day: '2026-03-09' }, /is past/],
    ['by a stranger', { staffId: 9999 }, /not on the staff/],
    ['of no length', { minutes: 0 }, /5 minutes or more/],
    ['of 13 hours', { minutes: 780 }, /several days/],
    ['without a word', { what: '  ' }, /Enter the work/],
    ['that makes what nobody knows', { makes: 'tea' }, /makes|Invalid/],
    ['on a day that is none', { day: '2026-02-30' }, /isn’t a date/],
  ])('%s is refused with a sentence', async (_, more, sentence) => {
    expect(await says(fitter.send('POST', `/orders/${orderId}/bench`, work(more)))).toMatch(sentence);
  });
  it('of an order that is not is not found, and the same request twice promises once', async () => {
    expect((await fitter.send('POST', '/orders/99999/bench', work())).status).toBe(404);
    const key = { 'idempotency-key': randomUUID() };
    const body = work({ day: '2026-03-26', makes: null });
    const [one, two] = await Promise.all(
      [1, 2].map(() => fitter.send('POST', `/orders/${orderId}/bench`, body, key)),
    );
    expect((await json(one!, 201)).id).toBe((await json(two!, 201)).id);
  });
});

describe('free times and what must be ready by then', () => {
  it('come before the toile only with a word against them, and not at all when that is asked for', async () => {
    await t.pool.query('update bench_work set gone_at = now() where gone_at is null');
    const none = await times('ready=1');
    expect(none.says).toContain('No work is scheduled to make the toile ready');
    expect(none.times.length).toBeGreaterThan(0);
    const { id } = await promise({ day: '2026-03-13' });
    const some = await times('');
    expect(some.says).toBe('The toile ready: scheduled for 13 Mar.');
    for (const found of some.times)
      expect(found.reasons.includes('before the toile ready, scheduled for 13 Mar')).toBe(
        found.day <= '2026-03-13',
      );
    // What will be ready stands first.
    expect(some.times[0].day > '2026-03-13').toBe(true);
    const only = await times('ready=1');
    expect(only.times.every((x: { day: string }) => x.day > '2026-03-13')).toBe(true);
    await json(wren.send('POST', `/bench/${id}/done`, { version: 1, done: true }));
    const done = await times('ready=1');
    expect(done).toMatchObject({ says: '' });
    expect(done.times[0].day <= '2026-03-12').toBe(true);
  });

  it('say whose day they would make too full with what is promised at the bench', async () => {
    const { id } = await promise({ staffId: adaId, day: '2026-03-24', minutes: 500, makes: null });
    const on = async (day: string) => {
      const { times: found } = await json(fitter.get(`/diary/times?kind=fitting&from=${day}&until=${day}`));
      return found.filter((x: { staff: number[] }) => x.staff[0] === adaId);
    };
    const full = await on('2026-03-24');
    expect(full.length).toBeGreaterThan(0);
    // 540 − 500 leave 40 for what takes 55 with changing.
    for (const time of full) expect(time.reasons).toContain('makes the day of Ada Able 15 min too full');
    for (const time of await on('2026-03-25')) expect(time.reasons.join()).not.toContain('too full');
    await json(fitter.send('DELETE', `/bench/${id}`));
  });

  it('never lie on days on which the client cannot come, as their card says', async () => {
    const { id } = await json(
      fitter.send('POST', `/clients/${clientId}/away`, {
        firstDay: '2026-03-11',
        lastDay: '2026-03-20',
        reason: 'travelling',
      }),
      201,
    );
    expect((await json(fitter.get(`/clients/${clientId}`))).away).toEqual([
      { id, firstDay: '2026-03-11', lastDay: '2026-03-20', reason: 'travelling' },
    ]);
    const found = await times('from=2026-03-11');
    expect(found.times.length).toBeGreaterThan(0);
    expect(found.times.every((x: { day: string }) => x.day > '2026-03-20')).toBe(true);
    expect(
      await says(
        fitter.send('POST', `/clients/${clientId}/away`, { firstDay: '2026-03-12', lastDay: '2026-03-11' }),
      ),
    ).toContain('before the first');
    expect((await wren.send('DELETE', `/client-away/${id}`)).status).toBe(403);
    await json(fitter.send('DELETE', `/client-away/${id}`));
    expect((await fitter.send('DELETE', `/client-away/${id}`)).status).toBe(404);
    expect((await times('from=2026-03-11')).times[0].day < '2026-03-20').toBe(true);
  });

  it('days away go out with the client’s data and are erased with it', async () => {
    const client = await json(fitter.send('POST', '/clients', clientBody('Odd Days')), 201);
    await json(
      fitter.send('POST', `/clients/${client.id}/away`, { firstDay: '2026-04-01', lastDay: '2026-04-02' }),
      201,
    );
    await json(
      principal.send('POST', `/clients/${client.id}/erase`, {
        version: client.version,
        reason: 'asked for it',
      }),
    );
    const { rowCount } = await t.pool.query('select 1 from client_away where client_id = $1', [client.id]);
    expect(rowCount).toBe(0);
  });
});

describe('somebody who leaves with work promised', () => {
  it('is kept until it is handed over, one by one or all', async () => {
    const pia = (await json(principal.send('POST', '/staff', { name: 'Pia Gone', role: 'seamstress' }), 201))
      .id;
    const [one, two] = [
      await promise({ staffId: pia, day: '2026-03-24', makes: null }),
      await promise({ staffId: pia, day: '2026-03-25', makes: null }),
    ];
    expect(await says(principal.send('DELETE', `/staff/${pia}`), 409)).toContain('Reassign it first');
    const ahead = await json(principal.get(`/staff/${pia}/ahead`));
    expect(ahead).toMatchObject({ bookings: [], bench: [{ id: one.id }, { id: two.id }] });
    expect((await fitter.get(`/staff/${pia}/ahead`)).status).toBe(403);
    const hand = (more: object) =>
      json(principal.send('POST', `/staff/${pia}/hand-over`, { toId: wrenId, ...more }));
    expect(await hand({ bench: [one.id] })).toEqual({ handed: 1, standing: [] });
    expect((await json(principal.get(`/staff/${pia}/ahead`))).bench).toMatchObject([{ id: two.id }]);
    expect(await hand({})).toEqual({ handed: 1, standing: [] });
    await json(principal.send('DELETE', `/staff/${pia}`));
    const order = await json(fitter.get(`/orders/${orderId}`));
    expect(
      order.bench
        .filter((b: { id: number }) => [one.id, two.id].includes(b.id))
        .map((b: { staffId: number }) => b.staffId),
    ).toEqual([wrenId, wrenId]);
  });
});
