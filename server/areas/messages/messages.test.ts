import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { type Caller, clientBody, json, startTestApp, type TestApp } from '../../app/testing.ts';
import { runDue } from './queue.ts';

// The test studio's clock stands at noon of 10 March 2026; the database's own runs on, so that what is due is due.
const NOW = new Date('2026-03-10T12:00:00Z');
let t: TestApp;
let principal: Caller;
let desk: Caller;
let [ada, room] = [0, 0];
beforeAll(async () => {
  t = await startTestApp(() => NOW);
  principal = await t.as('principal');
  desk = await t.as('desk');
  const house = await json(principal.get('/house'));
  await json(
    principal.send('PUT', '/house', {
      version: house.version,
      studio: 'Quay Street',
      timeZone: 'Europe/Rome',
      address: '3 Quay Street',
      phone: '01 23',
    }),
  );
  ada = (await json(principal.get('/me'))).id;
  const work = { skills: ['fitting'], initials: 'A', mark: 0, hours: [] };
  await json(principal.send('PUT', `/staff/${ada}/work`, { version: 1, ...work }));
  room = (await json(principal.send('POST', '/rooms', { name: 'Bay', goodFor: ['fitting'] }), 201)).id;
});
afterAll(() => t.close());

let n = 0;
const client = async (contact: object) =>
  (await json(desk.send('POST', '/clients', clientBody(`Told ${++n}`, contact)), 201)).id as number;
const slot = (day: string, time: string) => ({ day, time, staff: [ada], roomId: room });
const book = async (clientId: number, slots: object[], more: object = {}) =>
  json(desk.send('POST', '/appointments', { kind: 'fitting', clientId, slots, ...more }), 201);
const outbox = async (appointment: number, who = desk) =>
  (await json(who.get(`/messages?appointment=${appointment}`))).messages as {
    kind: string;
    dueAt: string;
    state: string;
    channel: string;
    sentTo: string;
    subject: string;
    body: string;
    tries: number;
    trouble: string;
  }[];
const states = async (id: number) => Object.fromEntries((await outbox(id)).map((m) => [m.kind, m.state]));
/** A task that failed waits a while before it is tried again; here it does not. */
const sooner = () =>
  t.pool.query(`update graphile_worker._private_jobs set run_at = now() - interval '1 minute'`);
const due = () => runDue(t.url, t.pool, () => NOW);
beforeEach(due);

describe('what a client is told', () => {
  it('a confirmation at once and reminders at ten in the morning, whatever the clocks do in between', async () => {
    // The clocks go forward on 29 March 2026 in Rome.
    const id = await client({ email: 'nell@example.org', phone: '0555 1' });
    const a = await book(id, [slot('2026-03-30', '10:00')], { bring: 'the shoes' });
    const planned = Object.fromEntries((await outbox(a.id)).map((m) => [m.kind, m.dueAt]));
    expect(planned).toEqual({
      confirmed: '2026-03-10T12:00:00Z',
      'two-days': '2026-03-28T09:00:00Z',
      'day-before': '2026-03-29T08:00:00Z',
    });
    await due();
    const told = (await outbox(a.id)).find((m) => m.kind === 'confirmed')!;
    expect(told).toMatchObject({
      state: 'sent',
      channel: 'mail',
      sentTo: 'nell@example.org',
      subject: 'Your fitting on Mon 30 Mar 2026, 10:00',
    });
    expect(told.body.replace(/answer#[\w-]{43}/, 'answer#key')).toBe(
      `Dear Told ${n},\n\nYour fitting is on Mon 30 Mar 2026 at 10:00.\nRoom: Bay\nPlease bring: the shoes\nYour page: https://studio.example/answer#key\n\nQuay Street\n3 Quay Street\n01 23`,
    );
  });
  it('by text where there is no mail, and not at all without an address, which is said', async () => {
    const text = await book(await client({ phone: '0555 22' }), [slot('2026-03-12', '10:00')]);
    const none = await book(await client({}), [slot('2026-03-12', '14:00')]);
    await due();
    expect((await outbox(text.id))[0]).toMatchObject({ channel: 'text', sentTo: '0555 22', subject: '' });
    expect(new Set(Object.values(await states(none.id)))).toEqual(new Set(['no-address']));
  });
  it('no reminder that is past when the time is booked', async () => {
    const a = await book(await client({ phone: '1' }), [slot('2026-03-11', '15:00')]);
    expect((await outbox(a.id)).map((m) => m.kind)).toEqual(['confirmed']);
  });
  it('a move, and nothing any more of the time before', async () => {
    const a = await book(await client({ phone: '1' }), [slot('2026-03-16', '10:00')]);
    const moved = await json(
      desk.send('POST', `/appointments/${a.id}/move`, {
        version: a.version,
        slot: slot('2026-03-17', '11:00'),
        reason: '',
      }),
    );
    await due();
    const all = await outbox(a.id);
    expect(
      all
        .filter((m) => m.state === 'sent')
        .map((m) => m.kind)
        .sort(),
    ).toEqual(['day-before', 'moved', 'two-days']);
    expect(all.filter((m) => m.state === 'dropped')).toHaveLength(3);
    for (const m of all.filter((x) => x.state === 'sent')) expect(m.body).toContain('Tue 17 Mar 2026');
    const off = await json(
      desk.send('POST', `/appointments/${a.id}/status`, { version: moved.version, status: 'cancelled' }),
    );
    expect(off.status).toBe('cancelled');
    await due();
    expect((await outbox(a.id)).find((m) => m.kind === 'cancelled')!.body).toMatch(
      /is cancelled\.\n\nQuay Street\n3 Quay Street\n01 23$/,
    );
  });
  it('the times that are offered, and once one is chosen, that one', async () => {
    const a = await book(
      await client({ phone: '1' }),
      [slot('2026-03-18', '10:00'), slot('2026-03-18', '14:00')],
      {
        heldUntil: '2026-03-12T12:00:00Z',
      },
    );
    await due();
    const [asked] = await outbox(a.id);
    expect(asked!.body).toContain(
      'until Thu 12 Mar 2026, 13:00:\nWed 18 Mar 2026, 10:00\nWed 18 Mar 2026, 14:00',
    );
    await json(
      desk.send('POST', `/appointments/${a.id}/status`, {
        version: a.version,
        status: 'confirmed',
        slotId: a.slots[1].id,
      }),
    );
    await due();
    expect((await outbox(a.id)).find((m) => m.kind === 'confirmed')!.body).toContain('14:00');
  });
  it('in the house’s own words; a field that does not exist is refused with those that do', async () => {
    const house = await json(principal.get('/diary/house'));
    const put = (version: number, body: string) =>
      principal.send('PUT', '/diary/rules', {
        version,
        rules: { ...house.rules, words: { confirmed: { subject: 'See you', body } } },
      });
    const refused = await json(put(house.version, 'Call {phone}, {client}'), 422);
    expect(refused.detail).toMatch(/no field \{phone\}.*\{client\}/);
    await json(put(house.version, 'Till then, {client}.'));
    const a = await book(await client({ email: 'a@example.org' }), [slot('2026-03-19', '10:00')]);
    await due();
    expect((await outbox(a.id)).find((m) => m.kind === 'confirmed')).toMatchObject({
      subject: 'See you',
      body: `Till then, Told ${n}.`,
    });
    const now = await json(principal.get('/diary/house'));
    await json(
      principal.send('PUT', '/diary/rules', { version: now.version, rules: { ...now.rules, words: {} } }),
    );
  });
});

describe('each message goes exactly once', () => {
  const carried = async (ids: readonly number[]) =>
    (
      await t.pool.query<{ n: number }>(
        `select count(k.id)::int as n from message m left join carried k on k.message_id = m.id
          where m.appointment_id = any($1) and m.state <> 'dropped' group by m.id`,
        [ids],
      )
    ).rows.map((r) => r.n);
  const many = async (day: string) => {
    const id = await client({ phone: '0555 3' });
    const ids: number[] = [];
    for (let i = 0; i < 8; i++) ids.push((await book(id, [slot(day, `${9 + i}:00`.padStart(5, '0'))])).id);
    return ids;
  };
  it('with several at the queue at once', async () => {
    const ids = await many('2026-03-23');
    await Promise.all([due(), due(), due()]);
    const counts = await carried(ids);
    expect(counts).toHaveLength(24);
    expect(new Set(counts)).toEqual(new Set([1]));
  });
  it('while the carrier is out of order none goes and each says so; in order again each goes', async () => {
    // Nothing is made to fail in a house that works.
    expect((await principal.send('POST', '/messages/carrier', { fails: true })).status).toBe(422);
    await t.pool.query('update house set demo = true');
    await json(principal.send('POST', '/messages/carrier', { fails: true }));
    const ids = await many('2026-03-24');
    await due();
    const [waiting] = await outbox(ids[0]!);
    expect(waiting).toMatchObject({
      state: 'waiting',
      tries: 1,
      trouble: 'Sending failed (simulated).',
    });
    expect(new Set(await carried(ids))).toEqual(new Set([0]));
    expect((await desk.send('POST', '/messages/carrier', { fails: false })).status).toBe(403);
    await json(principal.send('POST', '/messages/carrier', { fails: false }));
    await sooner();
    await due();
    expect(new Set(await carried(ids))).toEqual(new Set([1]));
  });
  it('and a change that was rolled back tells nobody', async () => {
    const id = await client({ phone: '0555 4' });
    const before = (await t.pool.query('select count(*)::int as n from message')).rows[0].n;
    const taken = await desk.send('POST', '/appointments', {
      kind: 'fitting',
      clientId: id,
      slots: [slot('2026-03-24', '09:00')],
    });
    expect(taken.status).toBe(409);
    expect((await t.pool.query('select count(*)::int as n from message')).rows[0].n).toBe(before);
  });
});
