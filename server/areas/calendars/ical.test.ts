import ICAL from 'ical.js';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, clientBody, json, startTestApp, type TestApp } from '../../app/testing.ts';

// RFC 5545 (from memory): lines end in CRLF and are folded at 75 octets (3.1), DTSTAMP, UID and SEQUENCE (3.8.7),
// a VTIMEZONE for each TZID used (3.6.5), STATUS:CANCELLED for what is off (3.8.1.11).
let t: TestApp;
let principal: Caller;
let [ada, room, clientId] = [0, 0, 0];
beforeAll(async () => {
  t = await startTestApp();
  principal = await t.as('principal');
  const house = await json(principal.get('/house'));
  await json(
    principal.send('PUT', '/house', {
      version: house.version,
      studio: 'Tidewell; Gowns, Ltd',
      timeZone: 'Europe/Rome',
    }),
  );
  ada = (await json(principal.get('/me'))).id;
  await json(
    principal.send('PUT', `/staff/${ada}/work`, {
      version: 1,
      skills: ['fitting'],
      initials: 'A',
      mark: 0,
      hours: [],
    }),
  );
  room = (await json(principal.send('POST', '/rooms', { name: 'Bay', goodFor: ['fitting'] }), 201)).id;
  clientId = (
    await json(
      principal.send(
        'POST',
        '/clients',
        clientBody('Ödegård, Zoë “the long name that must be folded over two lines”'),
      ),
      201,
    )
  ).id;
});
afterAll(() => t.close());

const book = (day: string, time: string) =>
  json(
    principal.send('POST', '/appointments', {
      kind: 'fitting',
      clientId,
      bring: 'shoes; gloves, fan\r\nATTENDEE:mailto:x@example.org',
      slots: [{ day, time, staff: [ada], roomId: room }],
    }),
    201,
  );
const feed = async (body: object = {}) => {
  const { id, path } = await json(principal.send('POST', '/feeds', body), 201);
  return { id: id as number, path: (path as string).replace('/api', '') };
};
/** Read as a stranger's calendar program does: without a sign-in. */
const read = (path: string, headers: Record<string, string> = {}) =>
  t.app.request(`/api${path}`, { headers });
const parsed = (text: string) => new ICAL.Component(ICAL.parse(text));
const eventsOf = (text: string) =>
  parsed(text)
    .getAllSubcomponents('vevent')
    .map((v) => new ICAL.Event(v));

describe('an appointment as iCalendar', () => {
  it('keeps the rules of RFC 5545 and the studio’s wall time over a change of clocks', async () => {
    const before = await book('2026-03-27', '10:00');
    const after = await book('2026-03-30', '10:00');
    for (const [a, utc] of [
      [before, '2026-03-27T09:00:00.000Z'],
      [after, '2026-03-30T08:00:00.000Z'],
    ] as const) {
      const res = await principal.get(`/appointments/${a.id}/appointment.ics`);
      expect(res.headers.get('content-type')).toContain('text/calendar');
      const text = await res.text();
      expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
      expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
      const calendar = parsed(text);
      const zone = new ICAL.Timezone(calendar.getFirstSubcomponent('vtimezone')!);
      expect(zone.tzid).toBe('Europe/Rome');
      const [event] = eventsOf(text);
      const start = event!.startDate;
      expect(calendar.getFirstSubcomponent('vevent')!.getFirstProperty('dtstart')!.getParameter('tzid')).toBe(
        'Europe/Rome',
      );
      // The instant by the zone's own rules as they stand in the file, against the platform's.
      expect(new Date(start.toUnixTime() * 1000).toISOString()).toBe(utc);
      expect(start.toString().slice(11, 16)).toBe('10:00');
      expect([event!.uid, event!.location]).toEqual([
        `appointment-${a.id}@rocchetto.invalid`,
        'Bay, Tidewell; Gowns, Ltd',
      ]);
      expect(event!.summary).toContain('Ödegård, Zoë');
      // What was written cannot begin a property of its own.
      expect(event!.attendees).toEqual([]);
      expect(event!.description).toContain('ATTENDEE');
    }
  });
});

describe('a private feed', () => {
  it('holds one’s times, moves them with a higher SEQUENCE, and takes off what was cancelled', async () => {
    const { path } = await feed();
    const a = await book('2026-04-01', '10:00');
    const one = eventsOf(await (await read(path)).text()).find((e) => e.uid.includes(`-${a.id}@`))!;
    const moved = await json(
      principal.send('POST', `/appointments/${a.id}/move`, {
        version: a.version,
        slot: { day: '2026-04-02', time: '15:00', staff: [ada], roomId: room },
        reason: '',
      }),
    );
    const two = eventsOf(await (await read(path)).text()).filter((e) => e.uid.includes(`-${a.id}@`));
    expect(two).toHaveLength(1);
    expect(two[0]!.startDate.toString()).toBe('2026-04-02T15:00:00');
    expect(two[0]!.sequence).toBeGreaterThan(one.sequence);
    await json(
      principal.send('POST', `/appointments/${a.id}/status`, { version: moved.version, status: 'cancelled' }),
    );
    const off = parsed(await (await read(path)).text())
      .getAllSubcomponents('vevent')
      .find((v) => String(v.getFirstPropertyValue('uid')).includes(`-${a.id}@`))!;
    expect(off.getFirstPropertyValue('status')).toBe('CANCELLED');
  });
  it('answers 304 while nothing changes, and names no client where it is a room’s', async () => {
    const { path } = await feed({ roomId: room });
    const res = await read(path);
    const text = await res.text();
    expect(text).toContain('SUMMARY:fitting');
    expect(text).not.toMatch(/Ödegård|Zoë|gloves/);
    const etag = res.headers.get('etag')!;
    expect((await read(path, { 'if-none-match': etag })).status).toBe(304);
    await book('2026-04-03', '10:00');
    expect((await read(path, { 'if-none-match': etag })).status).toBe(200);
  });
  it('is closed to a guess, after it was taken back, and when its maker has left', async () => {
    const { id, path } = await feed();
    expect((await read(path)).status).toBe(200);
    for (const guess of ['', 'x', 'A'.repeat(43), path.split('=')[1]!.slice(0, -1)])
      expect((await read(`/feed.ics?key=${guess}`)).status).toBe(404);
    const other = await t.as('desk');
    expect((await other.send('DELETE', `/feeds/${id}`)).status).toBe(404);
    expect((await json(principal.get('/feeds'))).map((f: { id: number }) => f.id)).toContain(id);
    await json(principal.send('DELETE', `/feeds/${id}`));
    expect((await read(path)).status).toBe(404);
    const made = await json(other.send('POST', '/feeds', {}), 201);
    const theirs = (made.path as string).replace('/api', '');
    expect((await read(theirs)).status).toBe(200);
    await t.pool.query('update staff set active = false where id = $1', [(await json(other.get('/me'))).id]);
    expect((await read(theirs)).status).toBe(404);
  });
});
