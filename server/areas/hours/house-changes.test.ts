import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, clientBody, json, startTestApp, type TestApp } from '../../app/testing.ts';

// 10 March 2026 is a Tuesday; the test studio's clock stands at noon of it, in UTC.
let t: TestApp;
let principal: Caller;
let [ada, other, room, clientId] = [0, 0, 0, 0];
beforeAll(async () => {
  t = await startTestApp();
  principal = await t.as('principal');
  ada = (await json(principal.send('POST', '/staff', { name: 'Ada Able', role: 'fitter' }), 201)).id;
  other = (await json(principal.send('POST', '/staff', { name: 'Bo Best', role: 'fitter' }), 201)).id;
  room = (await json(principal.send('POST', '/rooms', { name: 'Bay', goodFor: ['fitting'] }), 201)).id;
  clientId = (await json(principal.send('POST', '/clients', clientBody('Late Evening')), 201)).id;
});
afterAll(() => t.close());

const rules = async () => {
  const { version, rules: now } = await json(principal.get('/diary/house'));
  return { version, rules: now };
};
const change = async (more: object, status = 200) => {
  const { version, rules: now } = await rules();
  return json(principal.send('PUT', '/diary/rules', { version, rules: { ...now, ...more } }), status);
};
const KIND = { minutes: 20, buffer: 0, hands: [['fitting']], room: null, need: null };
const moved = async () =>
  (await json(principal.get('/diary/rules/changes'))).map((c: { by: string; moved: object[] }) => c.moved);

describe('what the diary goes by, changed', () => {
  it('is told place by place: hours, kinds of the house’s own, wordings', async () => {
    await change({ opening: [1, 2, 3, 4].map((weekday) => ({ weekday, from: '10:00', to: '19:00' })) });
    await change({ kinds: { 'shoe-trial': { ...KIND, name: 'Shoe trial' } } });
    await change({
      kinds: { 'shoe-trial': { ...KIND, name: 'Trying the shoes', minutes: 25, offered: false } },
    });
    await change({ words: { confirmed: { subject: 'You are expected', body: 'On {day}.' } } });
    const [words, renamed, made, hours] = await moved();
    expect(words).toEqual([{ name: 'text, confirmed', from: 'the usual text', to: 'You are expected' }]);
    expect(renamed).toEqual([
      { name: 'Shoe trial, name', from: 'Shoe trial', to: 'Trying the shoes' },
      { name: 'Shoe trial, minutes', from: '20', to: '25' },
      { name: 'Shoe trial, offered', from: 'yes', to: 'no' },
    ]);
    expect(made).toEqual([{ name: 'Shoe trial', from: '', to: 'a new type, 20 minutes' }]);
    expect(hours).toEqual([
      { name: 'open', from: 'Mon–Fri 09:00–18:00; Sat 09:00–13:00', to: 'Mon–Thu 10:00–19:00' },
    ]);
    await change({ opening: [], kinds: {}, words: {} });
  });

  it('tells who works when, rooms and days away as well', async () => {
    await json(
      principal.send('PUT', `/staff/${ada}/work`, {
        version: 1,
        skills: ['fitting', 'bridal'],
        initials: 'AA',
        mark: 1,
        hours: [{ weekday: 2, from: '09:00', to: '12:00' }],
      }),
    );
    await json(
      principal.send('POST', '/leave', { staffId: ada, firstDay: '2026-04-07', lastDay: '2026-04-08' }),
      201,
    );
    await json(
      principal.send('POST', '/closures', { name: 'Feast', firstDay: '2026-04-06', lastDay: '2026-04-06' }),
      201,
    );
    const [closed, leave, work] = await moved();
    expect(closed).toEqual([{ name: 'Feast', from: '', to: 'added 6 Apr 2026' }]);
    expect(leave).toEqual([{ name: 'Ada Able', from: '', to: 'leave added 7 Apr 2026 to 8 Apr 2026' }]);
    expect(work).toEqual([
      { name: 'Ada Able, skills', from: 'measuring, fitting', to: 'fitting, bridal' },
      { name: 'Ada Able, hours', from: 'opening hours', to: 'Tue 09:00–12:00' },
    ]);
    for (const role of ['seamstress', 'desk'] as const)
      expect((await (await t.as(role)).get('/diary/rules/changes')).status).toBe(200);
  });

  it('says which bookings ahead would lie outside other hours, and leaves them', async () => {
    await json(
      principal.send('POST', '/appointments', {
        kind: 'fitting',
        clientId,
        slots: [{ day: '2026-03-17', time: '11:00', staff: [ada], roomId: room }],
      }),
      201,
    );
    const { rules: now } = await rules();
    const would = (asked: object) => json(principal.send('POST', '/diary/would-stand', asked));
    const ask = (staffId: number | null, to: string) =>
      would({ staffId, hours: [{ weekday: 2, from: '09:00', to }] });
    const none = { count: 0, first: [] };
    const one = {
      count: 1,
      first: [{ id: expect.any(Number), clientName: 'Late Evening', when: 'Tue 17 Mar 2026 11:00' }],
    };
    expect(await ask(null, '18:00')).toEqual(none);
    expect(await ask(null, '11:30')).toEqual(one);
    expect(await ask(ada, '11:30')).toEqual(one);
    expect(await ask(ada, '12:00')).toEqual(none);
    expect(await ask(other, '11:30')).toEqual(none);
    expect(await would({ staffId: ada, hours: [] })).toEqual(none);
    expect(await would({ kind: 'fitting' })).toEqual(one);
    expect(await would({ kind: 'collection' })).toEqual(none);
    expect((await rules()).rules).toEqual(now);
    const desk = await t.as('desk');
    expect((await desk.send('POST', '/diary/would-stand', { kind: 'fitting' })).status).toBe(403);
    expect((await principal.send('POST', '/diary/would-stand', { staffId: ada })).status).toBe(422);
  });

  it('a kind the house named is called so wherever its appointments are told', async () => {
    await change({ kinds: { fitting: { ...KIND, room: ['fitting'], minutes: 45, name: 'Second mirror' } } });
    const { appointments } = await json(principal.get('/diary?day=2026-03-17'));
    expect(appointments[0].kindName).toBe('Second mirror');
    const ics = await (await principal.get(`/appointments/${appointments[0].id}/appointment.ics`)).text();
    expect(ics).toContain('Second mirror');
    await change({ kinds: {} });
    expect((await json(principal.get('/diary?day=2026-03-17'))).appointments[0].kindName).toBe('fitting');
  });
  it.each([
    ['without hands', { ...KIND, hands: [] }],
    ['with a hand of no skill', { ...KIND, hands: [[]] }],
    ['with five hands', { ...KIND, hands: Array.from({ length: 5 }, () => ['fitting']) }],
    ['with a blank name', { ...KIND, name: '  ' }],
    ['with a need nobody knows', { ...KIND, need: 'tea' }],
    ['of a minute', { ...KIND, minutes: 1 }],
  ])('a kind %s is refused', async (_, kind) => {
    await change({ kinds: { own: kind } }, 422);
  });
});
