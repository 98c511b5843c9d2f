import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../testing.ts';

let t: TestApp;
let [principal, fitter, bench]: Caller[] = [];
const id = async (who: Caller) => (await json(who.get('/me'))).id as number;
beforeAll(async () => {
  t = await startTestApp();
  [principal, fitter, bench] = [await t.as('principal'), await t.as('fitter'), await t.as('seamstress')];
});
afterAll(() => t.close());

describe('whose tape', () => {
  it('pairs of one hand make its error; the principal sees all hands, another only their own', async () => {
    for (let i = 0; i < 5; i++) {
      const { clientId, orderId } = await skirtOrder(fitter!, { name: `Read Twice ${i}` });
      const body = sessionBody(clientId, orderId, [
        'waist 70 cm',
        'waist 70.4 cm',
        'hip 98 cm',
        'hip 101 cm',
        'waist-to-hip 20 cm',
      ]);
      await json(fitter!.send('POST', '/readings', body));
    }
    const all = await json(principal!.get('/tape'));
    expect(all.hands).toHaveLength(1);
    const [waist, hip] = all.hands[0].rows;
    expect(waist).toMatchObject({ measure: 'waist', pairs: 5, verdict: 'steady', allowed: 0.9 });
    expect(waist.tem).toBeCloseTo(0.4 / Math.SQRT2, 6);
    expect(hip).toMatchObject({ measure: 'hip', verdict: 'strays' });
    expect((await json(bench!.get('/tape'))).hands).toEqual([]);
  });

  it('two hands at practice are kept by one of them, and told beside each other', async () => {
    const [me, other] = [await id(bench!), await id(fitter!)];
    const pairs = [{ measure: 'bust', reader: '96 cm', second: '37 1/2 in' }];
    await json(bench!.send('POST', '/tape/pairs', { readerId: me, secondId: other, pairs }), 201);
    const { between } = await json(bench!.get('/tape'));
    expect(between[0].rows[0]).toMatchObject({ measure: 'bust', pairs: 1, verdict: 'too few' });
    expect(between[0].rows[0].tem).toBeCloseTo(Math.abs(96 - 95.25) / Math.SQRT2, 6);
    const send = (body: object, status: number) => json(bench!.send('POST', '/tape/pairs', body), status);
    expect((await send({ readerId: me, secondId: me, pairs }, 422)).detail).toContain(
      'another than the first',
    );
    await send({ readerId: other, secondId: await id(principal!), pairs }, 403);
    await send({ readerId: me, secondId: 99999, pairs }, 422);
    await send({ readerId: me, secondId: other, pairs: [{ ...pairs[0], measure: 'tail' }] }, 422);
  });
});

describe('what a client measured over time', () => {
  it('is a line of each measure with what was worn and who read, and says what is too old for which order', async () => {
    const { clientId, orderId } = await skirtOrder(fitter!, { name: 'Over Time' });
    const at = (day: string, lines: string[], order: number | null) => {
      const body = sessionBody(clientId, order as number, lines);
      return fitter!.send('POST', '/readings', {
        ...body,
        session: { ...body.session, at: `${day}T10:00:00Z`, beneath: 'slip' },
      });
    };
    await json(at('2025-03-02', ['waist 70 cm', 'hip 98 cm'], null));
    await json(at('2025-11-20', ['waist 72 cm'], orderId));
    const view = await json(fitter!.get(`/clients/${clientId}/history`));
    expect(view.series.map((s: { measure: string }) => s.measure)).toEqual(['waist', 'hip']);
    expect(view.series[0].points.map((p: { cm: number; beneath: string }) => [p.cm, p.beneath])).toEqual([
      [70, 'slip'],
      [72, 'slip'],
    ]);
    expect(view.stale).toMatchObject([{ orderId }]);
    expect(view.stale[0].says).toContain('110 days old');
    await json(bench!.get(`/clients/${clientId}/history`), 403);
  });
});

describe('how we measure, on paper', () => {
  it('is a guide, a client’s page, an order’s list, and a card of a session', async () => {
    const { clientId, orderId } = await skirtOrder(fitter!, { name: 'On Paper' });
    const body = sessionBody(clientId, orderId, ['waist 70 cm', 'hip 38 1/2 in']);
    await json(fitter!.send('POST', '/readings', body));
    for (const path of [
      '/guide.pdf',
      '/guide.pdf?for=client',
      `/orders/${orderId}/measuring-list.pdf`,
      `/sessions/${body.session.id}/card.pdf`,
    ]) {
      const res = await fitter!.get(path);
      expect(res.status, path).toBe(200);
      expect(
        Buffer.from(await res.arrayBuffer())
          .subarray(0, 5)
          .toString(),
        path,
      ).toBe('%PDF-');
    }
    expect((await bench!.get(`/sessions/${body.session.id}/card.pdf`)).status).toBe(403);
    expect((await fitter!.get('/sessions/nothing/card.pdf')).status).toBe(404);
    const bare = await json(fitter!.send('POST', '/orders', { clientId, what: 'Coat' }), 201);
    expect((await json(fitter!.get(`/orders/${bare.id}/measuring-list.pdf`), 409)).code).toBe('no-brief');
  });
});
