import { unzipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let [principal, fitter, desk, bench]: Caller[] = [];
const BODY = ['waist 70 cm', 'waist 70 cm', 'hip 98 cm', 'hip 98 cm', 'waist-to-hip 20.5 cm'];
beforeAll(async () => {
  t = await startTestApp();
  [principal, fitter, desk, bench] = [
    await t.as('principal'),
    await t.as('fitter'),
    await t.as('desk'),
    await t.as('seamstress'),
  ];
});
afterAll(() => t.close());

const measured = async (name: string) => {
  const made = await skirtOrder(fitter!, { name });
  await json(fitter!.send('POST', '/readings', sessionBody(made.clientId, made.orderId, BODY)));
  return made as { clientId: number; orderId: number };
};
const version = async (orderId: number) => (await json(fitter!.get(`/orders/${orderId}/sheet`))).version;
const agree = async (orderId: number, status = 200) =>
  json(
    fitter!.send('POST', `/orders/${orderId}/sheet/agree`, {
      version: await version(orderId),
      name: 'Client',
    }),
    status,
  );
const ask = (orderId: number, more: object = {}, who = desk!, status = 201) =>
  json(who.send('POST', `/orders/${orderId}/questions`, { what: 'Which lining?', ...more }), status);

describe('an open question', () => {
  it('holds back what it moves and nothing else: the sheet, the cut or the hand-over', async () => {
    const { orderId } = await measured('Not Yet Decided');
    const lining = await ask(orderId, { holds: 'nothing', decides: 'her sister', byKind: 'toile-fitting' });
    const hem = await ask(orderId, { what: 'How long is the hem?', holds: 'sheet' });
    const trim = await ask(orderId, { what: 'Piping?', holds: 'cut' });
    const bow = await ask(orderId, { what: 'A bow.', holds: 'hand-over' });
    const decided = (id: number, v = 1, decision: string | null = 'as drawn', status = 200) =>
      json(desk!.send('POST', `/questions/${id}/decided`, { version: v, decision, name: 'Client' }), status);

    expect((await agree(orderId, 422)).problems).toEqual([
      'Not decided yet: How long is the hem. Decide it first.',
    ]);
    await decided(hem.id);
    await agree(orderId);
    const cut = async (status: number) =>
      json(fitter!.send('POST', `/orders/${orderId}/sheet/cut`, { version: await version(orderId) }), status);
    expect((await cut(409)).detail).toBe('Not decided yet: Piping. Decide it first.');
    await decided(trim.id);
    await cut(200);
    const way = async () => (await json(fitter!.get(`/orders/${orderId}/alterations`))).inTheWay;
    expect(await way()).toContain('Not decided yet: A bow. Decide it first.');
    await decided(bow.id);
    expect((await way()).join()).not.toContain('bow');

    const { questions } = await json(bench!.get(`/orders/${orderId}/design`));
    expect(questions.map((q: { id: number }) => q.id)).toEqual([lining.id, hem.id, trim.id, bow.id]);
    expect(questions[1]).toMatchObject({ decision: 'as drawn', decidedName: 'Client' });
  });

  it('two who decide it at once: the second is told, and it can be opened again', async () => {
    const { orderId } = await measured('Twice Decided');
    const { id } = await ask(orderId);
    const answers = await Promise.all(
      ['silk', 'cupro'].map((decision) =>
        fitter!.send('POST', `/questions/${id}/decided`, { version: 1, decision, name: '' }),
      ),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
    await json(desk!.send('POST', `/questions/${id}/decided`, { version: 2, decision: null }));
    const { questions } = await json(desk!.get(`/orders/${orderId}/design`));
    expect(questions[0]).toMatchObject({ decision: null, decidedAt: null, version: 3 });
  });

  it('is refused from the bench, without words, and past sixty', async () => {
    const { orderId } = await measured('Asks A Lot');
    await ask(orderId, {}, bench!, 403);
    expect((await ask(orderId, { what: '  ' }, desk!, 422)).detail).toContain('Enter the question.');
    await json(desk!.send('POST', `/orders/999999/questions`, { what: 'x' }), 404);
    await t.pool.query(
      `insert into open_question (order_id, what, asked_by) select $1, 'q', (select id from staff limit 1) from generate_series(1, 60)`,
      [orderId],
    );
    expect((await ask(orderId, {}, desk!, 409)).code).toBe('many-questions');
  });
});

describe('what a client likes', () => {
  it('goes to the card, is offered at the next brief, and goes with the client', async () => {
    const { orderId, clientId } = await measured('Likes Pockets');
    const { id } = await json(
      desk!.send('POST', `/orders/${orderId}/likes`, { words: 'deep pockets, a soft waistband' }),
      201,
    );
    const next = await json(desk!.send('POST', '/orders', { clientId, what: 'Coat' }), 201);
    const { likes } = await json(bench!.get(`/orders/${next.id}/design`));
    expect(likes).toMatchObject([{ id, words: 'deep pockets, a soft waistband' }]);
    expect(await json(desk!.get(`/clients/${clientId}/likes`))).toHaveLength(1);
    await ask(orderId, { what: 'A secret matter' });
    await json(
      desk!.send('POST', `/orders/${orderId}/money`, { is: 'received', amount: 30, words: 'cash' }),
      201,
    );
    const zip = await (await principal!.get(`/clients/${clientId}/data.zip`)).arrayBuffer();
    const kept = new TextDecoder().decode(unzipSync(new Uint8Array(zip))['client.json']!);
    for (const words of ['deep pockets', 'A secret matter', 'cash']) expect(kept).toContain(words);
    await json(bench!.send('DELETE', `/likes/${id}`), 403);
    await json(desk!.send('DELETE', `/likes/${id}`));
    await json(desk!.send('DELETE', `/likes/${id}`), 404);
    expect(await json(desk!.get(`/clients/${clientId}/likes`))).toEqual([]);
    await t.pool.query(`update orders set stage = 'handed-over' where client_id = $1`, [clientId]);
    const { version: v } = await json(principal!.get(`/clients/${clientId}`));
    await json(principal!.send('POST', `/clients/${clientId}/erase`, { version: v, reason: 'asked' }));
    const left = await t.pool.query(
      `select (select count(*) from client_like where client_id = $1)::int + (select count(*) from open_question where order_id = $2)::int as n,
        (select words from money_noted where order_id = $2) as words`,
      [clientId, orderId],
    );
    expect(left.rows[0]).toEqual({ n: 0, words: '' });
  });
});

describe('what earlier fittings have taught', () => {
  it('is offered to the next order of the client once it was checked, with how often', async () => {
    const { orderId, clientId } = await measured('Learns By Fitting');
    const asked = { kind: 'side-seams', direction: 'out', amount: '2 cm' };
    const { id } = await json(
      fitter!.send('POST', `/orders/${orderId}/alterations`, { asked, source: 'fitting' }),
      201,
    );
    const next = await json(desk!.send('POST', '/orders', { clientId, what: 'Second skirt' }), 201);
    const lessons = async () => json(fitter!.get(`/orders/${next.id}/learnt`));
    await t.pool.query(`update alteration set status = 'done' where id = $1`, [id]);
    expect(await lessons()).toEqual([]);
    await t.pool.query(`update alteration set status = 'checked' where id = $1`, [id]);
    const hip = (await lessons()).find((l: { id: string }) => l.id === 'hip');
    expect(hip).toMatchObject({ agrees: true, sets: { figure: 'hip', target: 'style' } });
    expect(hip.by).toBeCloseTo(2, 1);
    expect(hip.orders).toHaveLength(1);
    // It is not offered to the order it was learnt at.
    expect(await json(fitter!.get(`/orders/${orderId}/learnt`))).toEqual([]);
  });
});
