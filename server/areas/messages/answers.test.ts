import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, clientBody, json, startTestApp, type TestApp } from '../../app/testing.ts';
import { runDue } from './queue.ts';

let now = new Date('2026-03-10T12:00:00Z');
let t: TestApp;
let principal: Caller;
let [ada, room] = [0, 0];
beforeAll(async () => {
  t = await startTestApp(() => now);
  principal = await t.as('principal');
  ada = (await json(principal.get('/me'))).id;
  await json(
    principal.send('PUT', `/staff/${ada}/work`, {
      version: 1,
      skills: ['fitting'],
      initials: '',
      mark: 0,
      hours: [],
    }),
  );
  room = (await json(principal.send('POST', '/rooms', { name: 'Bay', goodFor: ['fitting'] }), 201)).id;
});
afterAll(() => t.close());

let n = 0;
const slot = (day: string, time: string) => ({ day, time, staff: [ada], roomId: room });
/** An appointment, and the key of the page its client was sent. */
async function told(slots: object[], more: object = {}) {
  const client = await json(
    principal.send('POST', '/clients', clientBody(`Asked ${++n}`, { phone: '0555 1', note: 'secret note' })),
    201,
  );
  const a = await json(
    principal.send('POST', '/appointments', { kind: 'fitting', clientId: client.id, slots, ...more }),
    201,
  );
  await runDue(t.url, t.pool, () => now);
  const { messages } = await json(principal.get(`/messages?appointment=${a.id}`));
  const key = /\/answer#([\w-]+)/.exec(messages.map((m: { body: string }) => m.body).join())![1]!;
  return { a, key };
}
/** Asked as a stranger's browser does, without any sign-in. */
const ask = (path: string, body: object) =>
  t.app.request(`/api${path}`, {
    method: 'POST',
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  });
const look = (key: string) => ask('/answer/look', { key });
const say = (key: string, answer: string, more: object = {}) => ask('/answer', { key, answer, ...more });

describe('what she said', () => {
  it('was of the time she saw: a move asks her anew, and her yes to the new time is written', async () => {
    const { a, key } = await told([slot('2026-03-18', '10:00')]);
    await json(say(key, 'yes', { words: 'gladly' }));
    let view = await json(principal.get(`/appointments/${a.id}`));
    expect([view.answer, view.answeredBy]).toEqual(['yes', null]);
    await json(
      principal.send('POST', `/appointments/${a.id}/move`, {
        version: view.version,
        slot: slot('2026-03-18', '15:00'),
        reason: 'a premiere',
      }),
    );
    view = await json(principal.get(`/appointments/${a.id}`));
    expect([view.answer, view.answerWords]).toEqual(['', '']);
    expect((await json(look(key))).answer).toBe('');
    await json(say(key, 'yes'));
    view = await json(principal.get(`/appointments/${a.id}`));
    expect(view.answer).toBe('yes');
    const { rows } = await t.pool.query(
      `select what from history where entity = 'appointment' and entity_id = $1 and what like 'the client said%'`,
      [String(a.id)],
    );
    expect(rows).toHaveLength(2);
  });
  it('by one of the staff on the studio’s own device stands under their name', async () => {
    const { a, key } = await told([slot('2026-03-19', '10:00')]);
    await json(
      t.app.request('/api/answer', {
        method: 'POST',
        headers: { 'content-type': 'application/json', cookie: principal.cookie },
        body: JSON.stringify({ key, answer: 'yes' }),
      }),
    );
    expect(await json(principal.get(`/appointments/${a.id}`))).toMatchObject({
      answer: 'yes',
      answeredBy: 'Test principal',
    });
  });
  it('is no longer taken once her page is closed; and a flood of guesses is not answered', async () => {
    const { a, key } = await told([slot('2026-03-20', '10:00')]);
    expect(await json(principal.send('POST', `/appointments/${a.id}/close-link`))).toEqual({
      ended: expect.any(Number),
    });
    expect((await look(key)).status).toBe(404);
    const seen: number[] = [];
    for (let i = 0; i < 45; i++) seen.push((await look(`made-up-${i}`.padEnd(43, 'x'))).status);
    expect(seen.filter((s) => s === 404).length).toBeLessThanOrEqual(40);
    expect(seen.at(-1)).toBe(429);
    await t.pool.query('delete from sign_in_tries');
  });
});

describe('a client’s own language', () => {
  const FRENCH = {
    words: {
      confirmed: { subject: 'Votre {kind} le {day}', body: 'Chère {client}, le {day} à {time}.\n{link}' },
    },
    page: {
      come: 'Oui, je viendrai',
      yours: '{client}, votre {kind}',
      held: 'Jusqu’au {until}.',
      notOpen: 'Rien à répondre.',
    },
    kinds: { fitting: 'essayage' },
  };
  it('is that of the letter and of the page where the studio has texts in it, and the studio’s own elsewhere', async () => {
    const { version, rules } = await json(principal.get('/diary/house'));
    await json(
      principal.send('PUT', '/diary/rules', { version, rules: { ...rules, languages: { fr: FRENCH } } }),
    );
    const write = (name: string, language: string) =>
      json(principal.send('POST', '/clients', clientBody(name, { email: 'f@example.org', language })), 201);
    const letter = async (clientId: number, time: string) => {
      const a = await json(
        principal.send('POST', '/appointments', {
          kind: 'fitting',
          clientId,
          slots: [slot('2026-03-23', time)],
        }),
        201,
      );
      await runDue(t.url, t.pool, () => now);
      return (await json(principal.get(`/messages?appointment=${a.id}`))).messages as {
        kind: string;
        subject: string;
        body: string;
      }[];
    };
    const margaux = (await write('Margaux Tisserand', 'fr')).id;
    const of = await letter(margaux, '10:00');
    const [told] = of.filter((m) => m.kind === 'confirmed');
    expect(told!.subject).toBe('Votre essayage le lundi 23 mars 2026');
    expect(told!.body).toMatch(/^Chère Margaux Tisserand, le lundi 23 mars 2026 à 10:00\.\nhttps:/);
    // What is not written in French is sent as the studio writes, with its dates.
    expect(of.find((m) => m.kind === 'day-before')?.body ?? 'Dear').toMatch(/Dear|^$/);
    const key = /answer#([\w-]+)/.exec(told!.body)![1]!;
    const page = await json(look(key));
    expect(page).toMatchObject({ language: 'fr', times: [{ day: 'lundi 23 mars 2026' }] });
    expect(page.words).toMatchObject({
      come: 'Oui, je viendrai',
      yours: 'Margaux Tisserand, votre essayage',
      held: '',
      cant: 'I can’t come',
    });
    // A refusal is said as the page is.
    await t.pool.query(`update appointment set status = 'arrived' where client_id = $1`, [margaux]);
    expect((await json(say(key, 'yes'), 422)).detail).toBe('Rien à répondre.');
    const [other] = (await letter((await write('Nils Haldorsen', 'nb')).id, '14:00')).filter(
      (m) => m.kind === 'confirmed',
    );
    expect(other!.subject).toBe('Your fitting on Mon 23 Mar 2026, 14:00');
    expect(
      (await principal.send('POST', '/clients', clientBody('No Tongue', { language: 'not a language' })))
        .status,
    ).toBe(422);
  });
});

describe('the client’s own page', () => {
  it('shows her times and nothing else', async () => {
    const { key } = await told([slot('2026-03-12', '10:00')], { bring: 'the shoes', note: 'house note' });
    const page = await json(look(key));
    expect(page).toEqual({
      studio: 'The studio',
      contact: [],
      client: `Asked ${n}`,
      kind: 'fitting',
      status: 'confirmed',
      answer: '',
      bring: 'the shoes',
      until: '',
      language: '',
      words: expect.objectContaining({ come: 'Yes, I’ll come', bring: 'Please bring: the shoes', held: '' }),
      times: [{ id: expect.any(Number), day: 'Thu 12 Mar 2026', from: '10:00', to: '10:45' }],
    });
    expect(JSON.stringify(page)).not.toMatch(/secret|house note|0555/);
  });
  it('takes yes once, however often it is pressed, and another time with her words', async () => {
    const { a, key } = await told([slot('2026-03-13', '10:00')]);
    const both = await Promise.all([say(key, 'yes'), say(key, 'yes')]);
    expect(both.map((r) => r.status)).toEqual([200, 200]);
    const { rows } = await t.pool.query(
      `select what from history where entity = 'appointment' and entity_id = $1 and what like 'the client%'`,
      [a.id],
    );
    expect(rows).toHaveLength(1);
    await json(say(key, 'another-time', { words: 'Tuesdays after four' }));
    expect(await json(principal.get(`/appointments/${a.id}`))).toMatchObject({
      status: 'confirmed',
      answer: 'another-time',
      answerWords: 'Tuesdays after four',
    });
  });
  it('lets her choose one of the times that are offered; the others are free at once', async () => {
    const { a, key } = await told([slot('2026-03-16', '10:00'), slot('2026-03-16', '14:00')], {
      heldUntil: '2026-03-12T12:00:00Z',
    });
    expect((await say(key, 'yes')).status).toBe(422);
    const page = await json(say(key, 'yes', { slotId: a.slots[1].id }));
    expect(page).toMatchObject({ status: 'confirmed', answer: 'yes', times: [{ from: '14:00' }] });
    await told([slot('2026-03-16', '10:00')]);
    // Another window that is still open says the first one: it is gone, and nothing is changed.
    expect((await say(key, 'yes', { slotId: a.slots[0].id })).status).toBe(200);
    expect((await json(look(key))).times).toMatchObject([{ from: '14:00' }]);
  });
  it('is closed to a guess, to another’s times, and after its day', async () => {
    const one = await told([slot('2026-03-17', '10:00')]);
    const two = await told([slot('2026-03-17', '14:00')], { heldUntil: '2026-03-12T12:00:00Z' });
    for (const key of ['', 'x', 'A'.repeat(43), one.key.slice(1)]) {
      expect((await look(key)).status).toBe(404);
      expect((await say(key, 'yes')).status).toBe(404);
    }
    expect((await say(two.key, 'yes', { slotId: one.a.slots[0].id })).status).toBe(422);
    expect((await say(two.key, 'yes', { slotId: two.a.slots[0].id, words: 'x'.repeat(501) })).status).toBe(
      422,
    );
    const before = now;
    now = new Date('2026-03-13T12:00:00Z');
    expect((await json(say(two.key, 'yes', { slotId: two.a.slots[0].id }), 422)).code).toBe('lapsed');
    now = new Date('2026-03-17T10:00:00Z');
    expect((await look(one.key)).status).toBe(404);
    now = before;
    await json(
      principal.send('POST', `/appointments/${one.a.id}/status`, {
        version: one.a.version,
        status: 'cancelled',
      }),
    );
    expect((await say(one.key, 'yes')).status).toBe(422);
  });
});
