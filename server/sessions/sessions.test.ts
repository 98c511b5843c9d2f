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
} from '../testing.ts';

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
    const kept = await json(
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
    expect(kept.readings[0]).toMatchObject({
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
      'does not say',
    ],
    ['letters', { written: { value: '1', unit: 'cm', text: 'wide' } }, 'unit'],
    ['nothing', { written: null }, 'needs a figure'],
    ['zero', { written: { value: '0', unit: 'cm', text: '0' } }, '0'],
    ['an unknown measure', { measure: 'tail' }, 'No measurement'],
    ['an unknown tape', { tape: 'rope' }, 'tape'],
  ])('refuses %s and keeps nothing', async (_, wrong, says) => {
    const body = sessionBody(order.clientId, order.orderId, ['waist 70 cm']);
    const before = await count();
    const problem = await json(
      fitter.send('POST', '/readings', { ...body, readings: [{ ...body.readings[0], ...wrong }] }),
      422,
    );
    expect(problem.problems.join(' ')).toContain(says);
    expect(await count()).toBe(before);
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
