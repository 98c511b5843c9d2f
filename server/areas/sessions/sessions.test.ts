import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  type Caller,
  clientBody,
  json,
  sessionBody,
  skirtOrder,
  startTestApp,
  type TestApp,
} from '../../app/testing.ts';

let t: TestApp;
let fitter: Caller;
let order: Awaited<ReturnType<typeof skirtOrder>>;
beforeAll(async () => {
  t = await startTestApp();
  fitter = await t.as('fitter');
  order = await skirtOrder(fitter);
});
afterAll(() => t.close());
const count = async () => (await t.pool.query('select count(*)::int as n from reading')).rows[0].n as number;

describe('readings', () => {
  it('are kept as read, with who read and when', async () => {
    const body = sessionBody(order.clientId, order.orderId, []);
    const id = randomUUID();
    const answer = await json(
      fitter.send('POST', '/readings', {
        ...body,
        readings: [
          {
            id,
            measure: 'hip',
            state: 'read',
            written: { value: '275/8', unit: 'in', text: '34 ⅜' },
            tape: 'one-finger',
            at: '2026-03-09T10:01:00Z',
          },
        ],
      }),
    );
    expect(answer).toEqual({ kept: [id], refused: [] });
    const { readings } = await json(fitter.get(`/sessions/${body.session.id}`));
    expect(readings[0]).toMatchObject({
      id,
      measure: 'hip',
      written: { value: '275/8', unit: 'in', text: '34 ⅜' },
      tape: 'one-finger',
      by: fitter.name,
      way: 'whole',
    });
  });
  it('sent again, or by several tabs at once, are kept once and in order', async () => {
    const body = sessionBody(order.clientId, order.orderId, ['waist 70 cm', 'waist 70.5 cm', 'hip 98 cm']);
    const before = await count();
    await Promise.all([1, 2, 3, 4].map(() => fitter.send('POST', '/readings', body)));
    expect(await count()).toBe(before + 3);
    const session = await json(fitter.get(`/sessions/${body.session.id}`));
    expect(session.readings.map((r: { id: string }) => r.id)).toEqual(body.readings.map((r) => r.id));
  });
  it('are never altered: a correction is added beside', async () => {
    await expect(t.pool.query(`update reading set measure = 'hip'`)).rejects.toThrow('only added');
  });
  it.each([
    [
      'a figure that says one thing and counts another',
      { written: { value: '99', unit: 'cm', text: '70' } },
      'does not mean',
    ],
    ['letters', { written: { value: '1', unit: 'cm', text: 'wide' } }, 'unit'],
    ['nothing', { written: null }, 'Enter a figure'],
    ['zero', { written: { value: '0', unit: 'cm', text: '0' } }, '0'],
    ['an unknown measure', { measure: 'tail' }, 'no measurement'],
    ['an unknown tape', { tape: 'rope' }, 'tape'],
  ])('refuses %s with its sentence, and keeps the right one beside it', async (_, wrong, says) => {
    const body = sessionBody(order.clientId, order.orderId, ['waist 70 cm', 'hip 98 cm']);
    const [bad, good] = [body.readings[0]!, body.readings[1]!];
    const before = await count();
    const answer = await json(
      fitter.send('POST', '/readings', { ...body, readings: [{ ...bad, ...wrong }, good] }),
    );
    expect(answer.kept).toEqual([good.id]);
    expect(answer.refused).toEqual([{ id: bad.id, sentence: expect.stringContaining(says) }]);
    expect(await count()).toBe(before + 1);
  });
  it('sent again with another figure are told, not swallowed', async () => {
    const body = sessionBody(order.clientId, order.orderId, ['waist 70 cm', 'hip 98 cm']);
    await json(fitter.send('POST', '/readings', body));
    const [waist, hip] = body.readings;
    const other = { ...waist, written: { value: '71', unit: 'cm', text: '71' } };
    const answer = await json(fitter.send('POST', '/readings', { ...body, readings: [other, hip] }));
    expect(answer.kept).toEqual([hip!.id]);
    expect(answer.refused[0].sentence).toMatch(/saved as 70 cm; 71 cm did not replace it/);
    const { readings } = await json(fitter.get(`/sessions/${body.session.id}`));
    expect(readings.map((r: { written: { text: string } }) => r.written.text)).toEqual(['70', '98']);
    const twice = sessionBody(order.clientId, order.orderId, ['waist 70 cm']);
    const both = { ...twice, readings: [twice.readings[0], { ...other, id: twice.readings[0]!.id }] };
    expect(await json(fitter.send('POST', '/readings', both))).toMatchObject({
      kept: [twice.readings[0]!.id],
      refused: [{ sentence: expect.stringContaining('arrived as one') }],
    });
  });
  it('of one id in another session are told, and stay where they are', async () => {
    const [one, two] = [1, 2].map(() => sessionBody(order.clientId, order.orderId, ['waist 70 cm']));
    await json(fitter.send('POST', '/readings', one));
    const answer = await json(fitter.send('POST', '/readings', { ...two, readings: one!.readings }));
    expect(answer).toMatchObject({ kept: [], refused: [{ id: one!.readings[0]!.id }] });
  });
  it('of one new session sent for two clients at once join one of them only', async () => {
    const other = await json(fitter.send('POST', '/clients', clientBody('Race Client')), 201);
    for (let i = 0; i < 10; i++) {
      const mine = sessionBody(order.clientId, null, ['waist 70 cm']);
      const theirs = {
        session: { ...mine.session, clientId: other.id },
        readings: sessionBody(other.id, null, ['waist 80 cm']).readings,
      };
      const answers = await Promise.all([mine, theirs].map((b) => fitter.send('POST', '/readings', b)));
      expect(answers.map((a) => a.status).sort()).toEqual([200, 422]);
      const { rows } = await t.pool.query('select count(*)::int as n from reading where session_id = $1', [
        mine.session.id,
      ]);
      expect(rows[0].n).toBe(1);
    }
  });
  it('do not go to another client’s order or session', async () => {
    const other = await json(fitter.send('POST', '/clients', clientBody('Other Client')), 201);
    expect(
      (await json(fitter.send('POST', '/readings', sessionBody(other.id, order.orderId, [])), 422)).code,
    ).toBe('no-such-order');
    const mine = sessionBody(order.clientId, null, ['waist 70 cm']);
    await json(fitter.send('POST', '/readings', mine));
    const stolen = { ...mine, session: { ...mine.session, clientId: other.id } };
    expect((await json(fitter.send('POST', '/readings', stolen), 422)).code).toBe('other-client');
    expect((await json(fitter.send('POST', '/readings', sessionBody(999_999, null, [])), 422)).code).toBe(
      'no-such-client',
    );
  });
  it('of a minor need a named guardian', async () => {
    const child = await json(
      fitter.send('POST', '/clients', clientBody('Small One', { minor: true, guardian: 'Big One' })),
      201,
    );
    expect(
      (await json(fitter.send('POST', '/readings', sessionBody(child.id, null, ['waist 55 cm'])), 422)).code,
    ).toBe('guardian');
    await json(
      fitter.send('POST', '/readings', sessionBody(child.id, null, ['waist 55 cm'], { guardian: 'Big One' })),
    );
  });
  it('of earlier sessions are told newest first, without the one asked from', async () => {
    const now = sessionBody(order.clientId, order.orderId, ['waist 71 cm']);
    await json(fitter.send('POST', '/readings', now));
    const earlier = await json(fitter.get(`/clients/${order.clientId}/earlier?except=${now.session.id}`));
    expect(earlier.length).toBeGreaterThan(0);
    expect(earlier.some((s: { id: string }) => s.id === now.session.id)).toBe(false);
    expect((await fitter.get('/clients/abc/earlier')).status).toBe(404);
    expect((await fitter.get('/sessions/not-a-uuid')).status).toBe(404);
  });
});
