import { type Caller, clientBody, json, startTestApp, type TestApp } from '@rocchetto/server/app/testing.ts';
import { runDue } from '@rocchetto/server/areas/messages/queue.ts';
import { sendMail } from '@rocchetto/server/areas/messages/smtp.ts';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { type MailCatcher, startMailCatcher } from './mail-catcher.ts';
import { freePort } from './ports.ts';

const NOW = new Date('2026-03-10T12:00:00Z');
let t: TestApp;
let principal: Caller;
let [ada, room] = [0, 0];
const catchers: MailCatcher[] = [];
const catching = async (how: Parameters<typeof startMailCatcher>[0] = {}) => {
  const c = await startMailCatcher(how);
  catchers.push(c);
  return c;
};
beforeAll(async () => {
  t = await startTestApp(() => NOW);
  principal = await t.as('principal');
  const { version } = await json(principal.get('/house'));
  const studio = { studio: 'Quay Street', timeZone: 'Europe/Rome', address: '3 Quay Street' };
  await json(principal.send('PUT', '/house', { version, ...studio, email: 'workroom@example.org' }));
  ada = (await json(principal.get('/me'))).id;
  const work = { skills: ['fitting'], initials: 'A', mark: 0, hours: [] };
  await json(principal.send('PUT', `/staff/${ada}/work`, { version: 1, ...work }));
  room = (await json(principal.send('POST', '/rooms', { name: 'Bay', goodFor: ['fitting'] }), 201)).id;
});
afterEach(async () => {
  for (const c of catchers.splice(0)) await c.stop();
});
afterAll(() => t.close());

const mailTo = async (port: number, more: object = {}) => {
  const { version, hasPassword: _, ...now } = await json(principal.get('/house/mail'));
  return json(
    principal.send('PUT', '/house/mail', {
      ...now,
      on: true,
      host: '127.0.0.1',
      port,
      security: 'none',
      user: '',
      ...more,
      version,
    }),
  );
};
let n = 0;
const booked = async (contact: object) => {
  const client = await json(principal.send('POST', '/clients', clientBody(`Posted ${++n}`, contact)), 201);
  const slots = [{ day: '2026-03-12', time: `${8 + n}:00`.padStart(5, '0'), staff: [ada], roomId: room }];
  return (
    await json(principal.send('POST', '/appointments', { kind: 'fitting', clientId: client.id, slots }), 201)
  ).id as number;
};
const told = async (appointment: number, who = principal) =>
  (await json(who.get(`/messages?appointment=${appointment}`))).messages.find(
    (m: { kind: string }) => m.kind === 'confirmed',
  );
/** The letters that confirm a booking; reminders are due at once by the database's own clock. */
const confirmations = (c: MailCatcher) => c.caught.filter((l) => l.raw.includes('Your fitting is on'));
const due = () => runDue(t.url, t.pool, () => NOW);
const sooner = () =>
  t.pool.query(
    `update graphile_worker._private_jobs set run_at = now() - interval '1 minute' where attempts > 0`,
  );

describe('letters through a mail server', () => {
  it('are recorded only until one is set up, and are handed to it then, with the studio’s name and address', async () => {
    const before = await booked({ email: 'early@example.org' });
    await due();
    expect(await told(before)).toMatchObject({ state: 'sent', mailed: false });
    const catcher = await catching();
    await mailTo(catcher.port);
    const id = await booked({ email: 'nell@example.org' });
    await due();
    expect(await told(id)).toMatchObject({ state: 'sent', mailed: true, sentTo: 'nell@example.org' });
    expect(confirmations(catcher)).toHaveLength(1);
    const { from, to, raw } = confirmations(catcher)[0]!;
    expect([from, to]).toEqual(['workroom@example.org', ['nell@example.org']]);
    expect(raw).toMatch(/^From: (")?Quay Street\1 <workroom@example\.org>/m);
    expect(raw).toContain('3 Quay Street');
    expect(raw).toMatch(/^Auto-Submitted: auto-generated/m);
    // A text to a phone goes through no mail server, and says so.
    const text = await booked({ phone: '0555 7' });
    await due();
    expect(await told(text)).toMatchObject({ state: 'sent', mailed: false, channel: 'text' });
    expect(confirmations(catcher)).toHaveLength(1);
  });
  it('wait while it can’t be reached, hangs or refuses the sign-in, say why, and go once with the same page', async () => {
    await mailTo(await freePort());
    const id = await booked({ email: 'later@example.org' });
    await due();
    const first = await told(id);
    expect(first).toMatchObject({ state: 'waiting', tries: 1, mailed: false });
    expect(first.trouble).toMatch(/^The mail server 127\.0\.0\.1:\d+ can’t be reached/);
    const closed = await catching({ account: { user: 'workroom', password: 'right' } });
    await mailTo(closed.port, { user: 'workroom', password: 'wrong' });
    await sooner();
    await due();
    expect(await told(id)).toMatchObject({ state: 'waiting', tries: 2 });
    expect((await told(id)).trouble).toMatch(/^The mail server refused the sign-in/);
    expect(closed.caught).toEqual([]);
    await mailTo(closed.port, { user: 'workroom', password: 'right' });
    await sooner();
    await due();
    const last = await told(id);
    expect(last).toMatchObject({ state: 'sent', mailed: true, trouble: '' });
    expect(confirmations(closed)).toHaveLength(1);
    const key = (body: string) => /answer#([\w-]{43})/.exec(body)?.[1];
    expect(key(last.body)).toBe(key(first.body));
    await due();
    expect(confirmations(closed)).toHaveLength(1);
  });
  it('to an address it refuses wait for a hand: mended and sent again they go', async () => {
    const refuse = (a: string) =>
      a === 'nobody@example.org' ? { code: 550, says: 'No such mailbox here' } : undefined;
    const catcher = await catching({ refuse });
    await mailTo(catcher.port);
    const id = await booked({ email: 'nobody@example.org' });
    await due();
    const m = await told(id);
    expect(m).toMatchObject({ state: 'refused', mailed: false });
    expect(m.trouble).toMatch(/refused the address: 550 No such mailbox here/);
    const desk = await t.as('seamstress');
    expect((await desk.send('POST', `/messages/${m.id}/again`)).status).toBe(403);
    const { clientId } = await json(principal.get(`/appointments/${id}`));
    const card = await json(principal.get(`/clients/${clientId}`));
    const { name, phone, address, note, minor, guardian, version } = card;
    await json(
      principal.send('PUT', `/clients/${clientId}`, {
        name,
        phone,
        address,
        note,
        minor,
        guardian,
        version,
        email: 'somebody@example.org',
      }),
    );
    expect((await principal.send('POST', `/messages/${m.id}/again`)).status).toBe(200);
    await due();
    expect(await told(id)).toMatchObject({ state: 'sent', mailed: true, sentTo: 'somebody@example.org' });
    expect(confirmations(catcher).map((c) => c.to)).toEqual([['somebody@example.org']]);
    // Pressed once more it is not sent twice.
    expect((await principal.send('POST', `/messages/${m.id}/again`)).status).toBe(409);
  });
  it('that were handed over are told as sent, whatever was changed while they went', async () => {
    let cancel = async () => {};
    const catcher = await catching({
      refuse: async () => {
        await cancel();
        return undefined;
      },
    });
    await mailTo(catcher.port);
    const id = await booked({ email: 'meanwhile@example.org' });
    const { version } = await json(principal.get(`/appointments/${id}`));
    cancel = async () => {
      cancel = async () => {};
      await principal.send('POST', `/appointments/${id}/status`, { version, status: 'cancelled' });
    };
    await due();
    expect(await json(principal.get(`/appointments/${id}`))).toMatchObject({ status: 'cancelled' });
    expect(await told(id)).toMatchObject({ state: 'sent', mailed: true });
    expect(confirmations(catcher)).toHaveLength(1);
  });
});

describe('the mail server', () => {
  it('is the owner’s; its password is kept when it is left out and told to nobody', async () => {
    const catcher = await catching({ account: { user: 'workroom', password: 'hush hush' } });
    await mailTo(catcher.port, { user: 'workroom', password: 'hush hush' });
    expect(await mailTo(catcher.port, { user: 'workroom' })).toMatchObject({ hasPassword: true });
    await json(principal.send('POST', '/house/mail/try', { to: 'me@example.org' }));
    expect(catcher.caught).toHaveLength(1);
    const read = JSON.stringify(await json(principal.get('/house/mail')));
    const { rows } = await t.pool.query(`select before, after from history where entity = 'mail-server'`);
    expect(read + JSON.stringify(rows)).not.toContain('hush');
    expect(rows.length).toBeGreaterThan(0);
    for (const role of ['fitter', 'seamstress', 'desk'] as const)
      expect((await (await t.as(role)).get('/house/mail')).status).toBe(403);
    expect(await mailTo(catcher.port)).toMatchObject({ hasPassword: false });
  });
  it('that makes no sense is refused with a sentence and nothing is changed', async () => {
    const was = await json(principal.get('/house/mail'));
    const { version, hasPassword: _, ...now } = was;
    const put = async (more: object) => {
      const r = await principal.send('PUT', '/house/mail', { ...now, version, ...more });
      return [r.status, (await r.json()).detail] as const;
    };
    expect(await put({ on: true, host: '' })).toEqual([422, expect.stringContaining('mail server’s name')]);
    expect(await put({ host: 'mail.example.org', security: 'none', user: 'a' })).toEqual([
      422,
      expect.stringContaining('Without encryption'),
    ]);
    expect(await put({ port: 70_000 })).toEqual([422, expect.stringContaining('1 to 65535')]);
    expect(await put({ host: 'two words' })).toEqual([422, expect.stringContaining('mail.example.org')]);
    expect(await json(principal.get('/house/mail'))).toEqual(was);
    const tried = await principal.send('POST', '/house/mail/try', { to: 'nowhere' });
    expect(tried.status).toBe(422);
    await mailTo(await freePort());
    const failed = await principal.send('POST', '/house/mail/try', { to: 'me@example.org' });
    expect([failed.status, (await failed.json()).detail]).toEqual([
      422,
      expect.stringMatching(/can’t be reached.*Nothing was sent/),
    ]);
  });
  it('that takes the connection and says nothing is given up on', async () => {
    const catcher = await catching({ mute: true });
    const server = { on: true, host: '127.0.0.1', port: catcher.port, security: 'none', user: '' } as const;
    const letter = { channel: 'mail', to: 'me@example.org', subject: 'x', body: 'x' } as const;
    await expect(
      sendMail({ server, secret: '', name: 'Q', from: 'q@example.org', wait: 300 }, letter, 'x'),
    ).rejects.toThrow(/doesn’t answer/);
  });
});
