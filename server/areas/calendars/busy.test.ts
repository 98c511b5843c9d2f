import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

// 10 March 2026 is a Tuesday; the test studio's clock stands at noon of it, in UTC.
let t: TestApp;
let principal: Caller;
let fitter: Caller;
let [ada, clientId, room] = [0, 0, 0];
beforeAll(async () => {
  t = await startTestApp();
  [principal, fitter] = [await t.as('principal'), await t.as('fitter')];
  ada = (await json(fitter.get('/me'))).id;
  await json(
    principal.send('PUT', `/staff/${ada}/work`, {
      version: 1,
      skills: ['fitting'],
      initials: 'TF',
      mark: 1,
      hours: [],
    }),
  );
  room = (await json(principal.send('POST', '/rooms', { name: 'Bay', goodFor: ['fitting'] }), 201)).id;
  ({ clientId } = await skirtOrder(fitter));
});
afterAll(() => t.close());

const calendar = (...events: readonly (readonly string[])[]) =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//test',
    ...events.flatMap((lines, i) => ['BEGIN:VEVENT', `UID:${i}`, ...lines, 'END:VEVENT']),
    'END:VCALENDAR',
    '',
  ].join('\r\n');
const TUESDAYS = ['DTSTART:20260317T140000Z', 'DURATION:PT2H', 'RRULE:FREQ=WEEKLY;COUNT=4'];
const send = (text: string, more: object = {}, who = fitter) =>
  who.send('POST', '/busy', { staffId: ada, name: 'school runs', text, ...more });
const book = (day: string, time: string) =>
  fitter.send('POST', '/appointments', {
    kind: 'fitting',
    clientId,
    slots: [{ day, time, staff: [ada], roomId: room }],
  });
const kept = async (day: string) => (await json(fitter.get(`/diary?day=${day}`))).days[0].kept[ada] ?? [];

describe('busy times from a calendar file', () => {
  it('are kept free: the diary shows them and the database refuses what lies over them', async () => {
    expect(await json(send(calendar(TUESDAYS)), 201)).toMatchObject({
      entries: 1,
      times: 4,
      over: 0,
      notes: [],
      until: '2027-03-11',
    });
    expect(await kept('2026-03-17')).toEqual([
      { from: Date.parse('2026-03-17T14:00Z') / 60_000, to: Date.parse('2026-03-17T16:00Z') / 60_000 },
    ]);
    const refused = await json(book('2026-03-17', '15:00'), 409);
    expect(refused.code).toBe('taken');
    await json(book('2026-03-17', '16:00'), 201);
    const { times } = await json(fitter.get(`/diary/times?kind=fitting&from=2026-03-24&until=2026-03-24`));
    for (const { time, to } of times) expect(to <= '14:00' || time >= '16:00').toBe(true);
  });

  it('give way to what is booked, and say how many do', async () => {
    await json(book('2026-03-18', '10:00'), 201);
    const made = await json(
      send(calendar(['DTSTART:20260318T090000Z', 'DURATION:PT3H']), { name: 'dentist' }),
      201,
    );
    expect(made).toMatchObject({ times: 1, over: 1 });
    const minute = (time: string) => Date.parse(`2026-03-18T${time}Z`) / 60_000;
    // 45 minutes from 10:00 and 10 for changing stay the booking's.
    expect(await kept('2026-03-18')).toEqual([
      { from: minute('09:00'), to: minute('10:00') },
      { from: minute('10:55'), to: minute('12:00') },
    ]);
  });

  it('read in again stand for the earlier ones, and go when they are taken back', async () => {
    await json(send(calendar(['DTSTART:20260319T140000Z', 'DURATION:PT1H'])), 201);
    expect(await kept('2026-03-24')).toEqual([]);
    expect(await kept('2026-03-19')).toHaveLength(1);
    const mine = await json(fitter.get('/busy'));
    expect(mine.map((f: { name: string }) => f.name)).toEqual(['dentist', 'school runs']);
    await json(fitter.send('DELETE', `/busy/${mine[1].id}`));
    expect(await kept('2026-03-19')).toEqual([]);
    expect((await fitter.send('DELETE', `/busy/${mine[1].id}`)).status).toBe(404);
  });

  it('are one’s own: somebody else’s only the principal reads in, sees and takes back', async () => {
    const desk = await t.as('desk');
    expect((await send(calendar(TUESDAYS), {}, desk)).status).toBe(403);
    await json(send(calendar(TUESDAYS), { name: 'from the principal' }, principal), 201);
    expect(await json(desk.get('/busy'))).toEqual([]);
    const all = await json(principal.get('/busy'));
    const { id } = all.find((f: { name: string }) => f.name === 'from the principal');
    expect((await desk.send('DELETE', `/busy/${id}`)).status).toBe(403);
    await json(principal.send('DELETE', `/busy/${id}`));
  });

  it('give way to leave, and come to life around it', async () => {
    await json(send(calendar(['DTSTART:20260402T100000Z', 'DURATION:PT72H']), { name: 'fair' }), 201);
    await json(
      principal.send('POST', '/leave', { staffId: ada, firstDay: '2026-04-03', lastDay: '2026-04-03' }),
      201,
    );
    const minute = (at: string) => Date.parse(`2026-04-${at}Z`) / 60_000;
    expect(await kept('2026-04-02')).toEqual([{ from: minute('02T10:00'), to: minute('03T00:00') }]);
    expect(await kept('2026-04-03')).toEqual([]);
    expect(await kept('2026-04-04')).toEqual([{ from: minute('04T00:00'), to: minute('05T00:00') }]);
  });

  it('two booked and read in at once: both are kept or one is told, and nothing overlaps', async () => {
    const day = '2026-04-08';
    await Promise.all([
      send(calendar(['DTSTART:20260408T100000Z', 'DURATION:PT1H']), { name: 'race' }),
      ...['10:00', '10:30', '11:00'].map((time) => book(day, time)),
    ]);
    const { rows } = await t.pool.query(
      `select count(*)::int as n from occupied a join occupied b on a.id < b.id and a.staff_id = b.staff_id and a.during && b.during`,
    );
    expect(rows[0].n).toBe(0);
  });

  it.each([
    ['nothing', '', /file is empty/],
    ['a letter', 'Dear all,', /no calendar in this file/],
    ['half a file', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:2026', /not a calendar file/],
    [
      'a repeat every second',
      calendar(['DTSTART:20260310T000000Z', 'RRULE:FREQ=SECONDLY', 'DURATION:PT1S']),
      /more than|too long/,
    ],
    [
      'a day that never comes',
      calendar(['DTSTART:20260230T100000Z', 'DURATION:PT1H', 'RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30']),
      /nothing was taken|too long|cannot be followed/,
    ],
  ])('%s is refused with a sentence, and the server goes on', async (_, text, sentence) => {
    const res = await send(text, { name: 'strange' });
    const body = await res.json();
    if (res.status !== 201) {
      expect(res.status).toBe(422);
      expect([body.detail, ...(body.problems ?? [])].join(' ')).toMatch(sentence);
    } else expect(body.times).toBe(0);
    expect((await fitter.get('/health')).status).toBe(200);
  });
  it('of 20 MB is refused before it is looked at', async () => {
    const res = await send('x'.repeat(20 << 20));
    expect(res.status).toBe(413);
    expect((await res.json()).detail).toContain('over 2 MB');
  });
});
