import type { OrderMoved, WouldMove } from '@rocchetto/contract/would-move.ts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';
import { PIECE } from './would-move.ts';

let t: TestApp;
let [principal, fitter, desk]: Caller[] = [];
beforeAll(async () => {
  t = await startTestApp();
  [principal, fitter, desk] = [await t.as('principal'), await t.as('fitter'), await t.as('desk')];
});
afterAll(() => t.close());

const LINES = ['waist 70 cm', 'hip 96 cm', 'waist-to-hip 20 cm'];
const measured = async () => {
  const { clientId, orderId } = await skirtOrder(fitter!);
  const body = sessionBody(clientId, orderId, LINES);
  await json(fitter!.send('POST', '/readings', body));
  return { clientId, orderId, sessionId: body.session.id as string };
};

describe('what other rules would move', () => {
  it('comes in pieces: every open order once, those due first, how many there are with the first', async () => {
    const { orderId } = await measured();
    const many = PIECE + 5;
    await t.pool.query(
      `insert into orders (number, client_id, what, stage, brief, due_on, with_id)
       select 'M-' || i, client_id, what, 'measured', brief, date '2026-04-01' + i, $1 from orders, generate_series(1, $2) i where id = $1`,
      [orderId, many],
    );
    const pieces: WouldMove[] = [];
    let after: string | null = '';
    while (after !== null) {
      const piece: WouldMove = await json(
        principal!.send('POST', '/house/rules/would-move', {
          rules: { ease: { hip: { fitted: '6 cm' } } },
          after,
        }),
      );
      pieces.push(piece);
      after = piece.next;
      expect(pieces.length).toBeLessThan(5);
    }
    expect(pieces.map((p) => p.looked)).toEqual([PIECE, many + 1 - PIECE]);
    expect(pieces.map((p) => p.all)).toEqual([many + 1, null]);
    expect(pieces.map((p) => p.danger === null)).toEqual([false, true]);
    const ids = pieces.flatMap((p) => p.orders.map((o) => o.id));
    expect(new Set(ids).size).toBe(many + 1);
    expect(ids.length).toBe(many + 1);
    expect(pieces[0]!.orders[0]!.moves[0]).toBe('hip: 101.13 cm → 102.13 cm (+1 cm)');
    await t.pool.query(`delete from orders where number like 'M-%'`);
  });
  it('asked from no place in the list is refused with a sentence', async () => {
    for (const after of ['x', '2026-01-01', "2026-01-01 1'", 'infinity -1'])
      await json(principal!.send('POST', '/house/rules/would-move', { rules: {}, after }), 422);
  });
});

describe('what a measuring would move in the client’s open orders', () => {
  const ask = (clientId: number, body: object, status = 200) =>
    json(fitter!.send('POST', `/clients/${clientId}/would-move`, body), status);
  const of = (moves: { orders: OrderMoved[] }, id: number) => moves.orders.find((o) => o.id === id);

  it('a corrected reading: in those made from it, by how much, and nothing is kept', async () => {
    const { clientId, orderId, sessionId } = await measured();
    const before = await json(fitter!.get(`/orders/${orderId}/sheet`));
    const moves = await ask(clientId, { sessionId, readings: [{ measure: 'hip', value: '98 cm' }] });
    expect(moves.looked).toBe(1);
    expect(of(moves, orderId)!.moves[0]).toBe('hip: 101.13 cm → 103.13 cm (+2 cm)');
    expect(await ask(clientId, { sessionId, readings: [{ measure: 'hip', value: '96 cm' }] })).toMatchObject({
      orders: [],
    });
    expect(
      (await ask(clientId, { sessionId, readings: [{ measure: 'hip', value: '98 cm' }], except: orderId }))
        .looked,
    ).toBe(0);
    expect(await json(fitter!.get(`/orders/${orderId}/sheet`))).toEqual(before);
  });
  it('a new measuring: in the open orders that are not made from it', async () => {
    const { clientId, orderId } = await measured();
    const body = sessionBody(clientId, null, ['waist 70 cm', 'hip 97 cm', 'waist-to-hip 20 cm']);
    await json(fitter!.send('POST', '/readings', body));
    const moves = await ask(clientId, { sessionId: body.session.id });
    expect(of(moves, orderId)!.moves[0]).toBe('hip: 101.13 cm → 102.13 cm (+1 cm)');
  });
  it('nobody else’s measuring, no reading that is none, and not for those who may not read them', async () => {
    const [one, two] = [await measured(), await measured()];
    await ask(one.clientId, { sessionId: two.sessionId }, 404);
    await ask(one.clientId, { sessionId: 'x' }, 422);
    const bad = (value: string) =>
      ask(one.clientId, { sessionId: one.sessionId, readings: [{ measure: 'hip', value }] }, 422);
    expect((await bad('wide')).detail).toContain('wide');
    expect((await bad('-4 cm')).detail.length).toBeGreaterThan(10);
    const { status } = await desk!.send('POST', `/clients/${one.clientId}/would-move`, {
      sessionId: one.sessionId,
    });
    expect(status).toBe(403);
  });
});
