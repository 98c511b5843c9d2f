import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

let now = new Date('2026-03-10T12:00:00Z');
let t: TestApp;
let [fitter, desk, bench]: Caller[] = [];
beforeAll(async () => {
  t = await startTestApp(() => now);
  [fitter, desk, bench] = [await t.as('fitter'), await t.as('desk'), await t.as('seamstress')];
});
afterAll(() => t.close());

/** Asked as a stranger's browser does, without any sign-in. */
const ask = (path: string, body: object) =>
  t.app.request(`/api${path}`, {
    method: 'POST',
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  });
const look = (key: string) => ask('/at-home/look', { key });

let n = 0;
async function linked(client: object = {}, days = 14) {
  now = new Date('2026-03-10T12:00:00Z');
  const order = await skirtOrder(fitter!, { name: `At Home ${++n}`, ...client });
  const { path, id } = await json(desk!.send('POST', `/orders/${order.orderId}/home-links`, { days }), 201);
  const key = /^\/at-home#([\w-]{43})$/.exec(path)![1]!;
  return { order, key, linkId: id as number };
}
const readings = (of: Record<string, string>, stands = false) =>
  Object.entries(of).map(([measure, text]) => ({ id: crypto.randomUUID(), measure, text, stands }));
const HERS = { waist: '70', hip: '98,5', 'waist-to-hip': '20.5' };
const kept = async (orderId: number) =>
  (
    await t.pool.query(
      `select r.measure, r.fact, r.read_by, s.measurer from reading r join session s on s.id = r.session_id where s.order_id = $1 order by r.seq`,
      [orderId],
    )
  ).rows;

describe('a client measures at home', () => {
  it('finds what this order needs and what can be taken at home, and nothing of the book', async () => {
    const { key } = await linked({ phone: '0555 123', note: 'secret' });
    const { words, ...page } = await json(look(key));
    expect(words).toMatchObject({ 'name waist': 'Waist', start: 'Start' });
    expect(Object.keys(words)).not.toContain('name bust');
    expect(page).toEqual({
      language: '',
      studio: 'The studio',
      contact: [],
      unit: 'cm',
      client: `At Home ${n}`,
      minor: false,
      measures: [
        'waist',
        'tummy',
        'waist-to-tummy',
        'hip',
        'waist-to-hip',
        'waist-to-knee',
        'waist-to-floor',
        'hem-front',
        'hem-left',
        'hem-right',
        'hem-back',
      ],
      until: '24 Mar 2026',
      sent: '',
    });
  });

  it('sends once; it arrives flagged, and sheet not agreed before staff have confirmed each figure', async () => {
    const { key, order } = await linked();
    const sent = readings({ ...HERS, hip: '38 3/4' }).map((r) =>
      r.measure === 'hip' ? { ...r, text: '38 3/4 in' } : r,
    );
    const body = { key, unit: 'cm', readings: sent, helper: 'a neighbour' };
    expect((await json(ask('/at-home', body))).sent).toBe('10 Mar 2026');
    // Said twice is said once; another figure is not laid over it.
    expect((await json(ask('/at-home', body))).sent).toBe('10 Mar 2026');
    const other = { ...body, readings: readings({ ...HERS, hip: '92' }) };
    expect((await json(ask('/at-home', other), 409)).code).toBe('sent-already');
    const rows = await kept(order.orderId);
    expect(rows.map((r) => [r.measure, r.fact.written.text, r.fact.source])).toEqual([
      ['waist', '70', 'reported by client'],
      ['hip', '38 3⁄4', 'reported by client'],
      ['waist-to-hip', '20.5', 'reported by client'],
    ]);
    expect(new Set(rows.map((r) => r.read_by))).toEqual(new Set(['the client, at home']));

    const file = await json(fitter!.get(`/orders/${order.orderId}/sheet.json`));
    const asked = file.printed.checks.filter((k: { code: string }) => k.code.startsWith('reported-'));
    expect(asked).toHaveLength(3);
    expect(asked.map((k: { text: string }) => k.text).join()).toContain('98.43 cm, was measured at home');
    let { version } = await json(fitter!.get(`/orders/${order.orderId}/sheet`));
    const agree = (status = 200) =>
      json(fitter!.send('POST', `/orders/${order.orderId}/sheet/agree`, { version, name: 'Nell' }), status);
    const accept = async (code: string) => {
      const change = { kind: 'accept', code, reason: 'read again here' };
      version = (
        await json(fitter!.send('POST', `/orders/${order.orderId}/sheet/changes`, { version, change }))
      ).version;
    };
    expect((await agree(422)).problems.join()).toContain('was measured at home');
    for (const { code, state } of file.printed.checks) if (state === 'warned') await accept(code);
    await agree();
  });

  it('speaks the client’s language where the studio wrote the page in it, and its own English for the rest', async () => {
    const principal = await t.as('principal');
    const { version, rules } = await json(principal.get('/diary/house'));
    const home = {
      start: 'Commencer',
      'name waist': 'Taille',
      unread: 'Écrivez un nombre.',
      sentAlready: 'Envoyé le {sent}.',
    };
    const languages = { fr: { home } };
    await json(principal.send('PUT', '/diary/rules', { version, rules: { ...rules, languages } }));
    const wrong = { fr: { home: { start: 'Commencer {link}' } } };
    const refused = await json(
      principal.send('PUT', '/diary/rules', { version: version + 1, rules: { ...rules, languages: wrong } }),
      422,
    );
    expect(JSON.stringify(refused)).toContain('There is no field {link}');
    const { key } = await linked({ language: 'fr' });
    expect(await json(look(key))).toMatchObject({
      language: 'fr',
      until: 'mardi 24 mars 2026',
      words: { start: 'Commencer', 'name waist': 'Taille', 'name hip': 'Hip' },
    });
    // So are its refusals, with the name that the page has.
    const send = (of: Record<string, string>, status: number) =>
      json(ask('/at-home', { key, unit: 'cm', readings: readings(of) }), status);
    expect((await send({ ...HERS, waist: 'large' }, 422)).detail).toBe('Taille: Écrivez un nombre.');
    await send(HERS, 200);
    expect((await send({ ...HERS, hip: '92' }, 409)).detail).toBe('Envoyé le mardi 10 mars 2026.');
    const other = await linked({ language: 'de' });
    expect(await json(look(other.key))).toMatchObject({ language: '', until: '24 Mar 2026' });
  });

  it('keeps that a finger lay under the tape, of a girth only', async () => {
    const { key, order } = await linked();
    const sent = readings(HERS).map((r) => ({ ...r, tape: 'one-finger' }));
    await json(ask('/at-home', { key, unit: 'cm', readings: sent }));
    expect((await kept(order.orderId)).map((r) => [r.measure, r.fact.tape])).toEqual([
      ['waist', 'one-finger'],
      ['hip', 'one-finger'],
      ['waist-to-hip', 'snug'],
    ]);
  });

  it('never takes the place of what the studio itself has read', async () => {
    const order = await skirtOrder(fitter!, { name: `At Home ${++n}` });
    const own = sessionBody(order.clientId, order.orderId, [
      'waist 71 cm',
      'hip 99 cm',
      'waist-to-hip 21 cm',
    ]);
    await json(fitter!.send('POST', '/readings', own));
    await t.pool.query(`update session set created_at = '2026-03-09T10:00:00Z' where order_id = $1`, [
      order.orderId,
    ]);
    const { path } = await json(desk!.send('POST', `/orders/${order.orderId}/home-links`, {}), 201);
    const key = path.split('#')[1];
    await json(ask('/at-home', { key, unit: 'cm', readings: readings({ waist: '70' }) }));
    const sheet = await json(fitter!.get(`/orders/${order.orderId}/sheet`));
    expect(sheet.sessionId).toBe(own.session.id);
    const { sessions } = await json(fitter!.get(`/orders/${order.orderId}`));
    expect(sessions.map((s: { atHome: boolean }) => s.atHome)).toEqual([true, false]);
  });

  it('tells what cannot be, and asks to look again at what is unlikely, keeping nothing until it is right', async () => {
    const { key, order } = await linked();
    const send = (of: Record<string, string>, more: object = {}, stands = false) =>
      ask('/at-home', { key, unit: 'cm', readings: readings(of, stands), ...more });
    for (const [of, says] of [
      [{ waist: 'round' }, /waist: /],
      [{ waist: '-4' }, /waist: /],
      [{ waist: '27' }, /waist: .*in/],
      [{ 'neck-base': '36' }, /not needed here/],
    ] as const) {
      const problem = await json(send(of as Record<string, string>), 422);
      expect(problem.detail).toMatch(says);
    }
    expect((await json(send({}), 422)).detail).toContain('Nothing is filled in');
    expect(await kept(order.orderId)).toEqual([]);
    await json(send({ waist: '172' }, {}, true));
    expect(await kept(order.orderId)).toHaveLength(1);
  });

  it('asks for the grown-up who is there with a minor', async () => {
    const { key } = await linked({ minor: true, guardian: 'Her father' });
    const body = { key, unit: 'cm', readings: readings(HERS) };
    expect((await json(ask('/at-home', body), 422)).code).toBe('guardian');
    await json(ask('/at-home', { ...body, guardian: 'Her father' }));
  });

  it('is closed when its time is over, when it was closed or made anew, when the studio has measured since, and to a guess', async () => {
    const first = await linked();
    now = new Date('2026-03-24T12:00:01Z');
    expect((await json(look(first.key), 404)).code).toBe('closed');
    const second = await linked();
    await json(desk!.send('POST', `/orders/${second.order.orderId}/home-links`, {}), 201);
    await json(look(second.key), 404);
    const third = await linked();
    await json(desk!.send('POST', `/home-links/${third.linkId}/close`, {}));
    await json(desk!.send('POST', `/home-links/${third.linkId}/close`, {}), 404);
    await json(look(third.key), 404);
    const fourth = await linked();
    const session = sessionBody(fourth.order.clientId, fourth.order.orderId, ['waist 70 cm']);
    await json(fitter!.send('POST', '/readings', session));
    await t.pool.query(`update session set created_at = $2 where order_id = $1`, [
      fourth.order.orderId,
      new Date('2026-03-10T13:00:00Z'),
    ]);
    await json(look(fourth.key), 404);
    const late = await json(ask('/at-home', { key: fourth.key, unit: 'cm', readings: readings(HERS) }), 409);
    expect(late.code).toBe('measured-since');
    for (const guess of ['', 'x', 'é'.repeat(40), first.key.replace(/^./, (c) => (c === '_' ? '-' : '_'))])
      await json(look(guess), 404);
    const states = await json(desk!.get(`/orders/${third.order.orderId}/home-links`));
    expect(states).toMatchObject([{ state: 'closed', madeBy: desk!.name }]);
  });

  it('keeps one of two that are sent at once', async () => {
    const { key, order } = await linked();
    const two = await Promise.all(
      [0, 1].map(() => ask('/at-home', { key, unit: 'cm', readings: readings(HERS) })),
    );
    expect(two.map((r) => r.status).sort()).toEqual([200, 409]);
    expect(await kept(order.orderId)).toHaveLength(3);
  });

  it('is asked for by those who write orders', async () => {
    const { order } = await linked();
    await json(bench!.send('POST', `/orders/${order.orderId}/home-links`, {}), 403);
    await json(bench!.get(`/orders/${order.orderId}/home-links`), 403);
  });
});
