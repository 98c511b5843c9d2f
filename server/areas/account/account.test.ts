import { URL as Address } from 'node:url';
import { Secret, TOTP } from 'otpauth';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { type Caller, json, startTestApp, type TestApp } from '../../app/testing.ts';
import { makeSetupLink } from '../../records/sign-ins.ts';
import { hashPassphrase } from './passphrase.ts';

let t: TestApp;
let now = new Date('2026-03-10T12:00:00Z');
let principal: Caller;
const WORDS = 'thimble lantern gull rope';
beforeAll(async () => {
  t = await startTestApp(() => now);
  principal = await t.as('principal');
  const hash = await hashPassphrase(WORDS);
  for (const [name, role] of [
    ['Zoe Fenn', 'fitter'],
    ['Test principal', 'principal'],
  ])
    await t.pool.query(
      `insert into staff (name, name_key, role, passphrase_hash) values ($1, lower($1), $2, $3)
       on conflict (name_key) where active do update set passphrase_hash = excluded.passphrase_hash`,
      [name, role, hash],
    );
});
afterAll(() => t.close());
beforeEach(() => t.pool.query('delete from sign_in_tries'));

const post = (path: string, body: object, cookie = '', headers: Record<string, string> = {}) =>
  t.app.request(`/api${path}`, {
    method: 'POST',
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json', cookie, ...headers },
  });
const cookiesOf = (res: Response) =>
  res.headers
    .getSetCookie()
    .map((c) => c.split(';')[0]!)
    .join('; ');
/** A browser that signs in: its cookies, and how it asks. */
async function signedIn(more: object = {}, before = '') {
  const res = await post('/sign-in', { name: 'Zoe Fenn', passphrase: WORDS, ...more }, before);
  const cookie = cookiesOf(res);
  const me = () => t.app.request('/api/me', { headers: { cookie } });
  const { csrf = '' } = (await (await me()).json()) as { csrf?: string };
  const send = (path: string, body: object = {}, method = 'POST', headers: Record<string, string> = {}) =>
    t.app.request(`/api${path}`, {
      method,
      headers: { cookie, 'x-csrf-token': csrf, 'content-type': 'application/json', ...headers },
      ...(method === 'GET' ? {} : { body: JSON.stringify(body) }),
    });
  return { res, cookie, me, send };
}
const events = async (what: string) =>
  (
    await t.pool.query('select says ->> $2 as words, name from security_event where what = $1 order by id', [
      what,
      'words',
    ])
  ).rows as { words: string; name: string }[];

describe('a kept write goes under the sign-in of its writer only', () => {
  it('one that names another author is refused and changes nothing; without an author it goes as before', async () => {
    const { send } = await signedIn();
    const me = (await (await send('/me', {}, 'GET')).json()) as { id: number };
    const add = (author?: string) =>
      send('/clients', { name: 'Whose Hand' }, 'POST', author ? { 'x-author': author } : {});
    const refused = await add(String(me.id + 1));
    expect([refused.status, ((await refused.json()) as { code: string }).code]).toEqual([
      409,
      'other-author',
    ]);
    expect((await t.pool.query(`select 1 from client where name = 'Whose Hand'`)).rowCount).toBe(0);
    expect((await add(String(me.id))).status).toBe(201);
    expect((await add()).status).toBe(201);
    expect(await events('other-author')).toHaveLength(1);
  });
});

describe('a locked screen', () => {
  it('answers nothing until the passphrase, in every tab, and goes on where it was', async () => {
    const { send, me } = await signedIn();
    expect((await send('/lock')).status).toBe(200);
    const shut = await me();
    expect([shut.status, ((await shut.json()) as { detail: string }).detail]).toEqual([
      423,
      expect.stringContaining('Zoe Fenn'),
    ]);
    for (const path of ['/clients', '/orders', '/live', '/me/account'])
      expect((await send(path, {}, 'GET')).status, path).toBe(423);
    expect((await send('/clients', { name: 'Through The Lock' })).status).toBe(423);
    expect((await send('/unlock', { passphrase: 'not this one at all' })).status).toBe(401);
    // Without the page's token: after a reload there is none.
    expect((await send('/unlock', { passphrase: WORDS }, 'POST', { 'x-csrf-token': '' })).status).toBe(200);
    expect((await me()).status).toBe(200);
    expect(await events('unlock-failed')).toHaveLength(1);
  });
  it('signs out without the passphrase, and guesses at it are slowed down', async () => {
    const one = await signedIn();
    await one.send('/lock');
    const seen: number[] = [];
    for (let i = 0; i < 12; i++)
      seen.push((await one.send('/unlock', { passphrase: `guess number ${i}` })).status);
    expect(seen.filter((s) => s === 401)).toHaveLength(10);
    expect((await one.send('/unlock', { passphrase: WORDS })).status).toBe(429);
    expect((await one.send('/sign-out')).status).toBe(200);
    expect((await one.me()).status).toBe(401);
  });
});

describe('signing in from outside', () => {
  it('a known device comes in while others guess at its bearer’s name, also from its own address', async () => {
    const { cookie } = await signedIn();
    for (let i = 0; i < 40; i++)
      await post('/sign-in', { name: 'Zoe Fenn', passphrase: `guess number ${i}` });
    expect((await post('/sign-in', { name: 'Zoe Fenn', passphrase: WORDS })).status).toBe(429);
    const again = await signedIn({}, cookie);
    expect(again.res.status).toBe(200);
    // The cookie of one is no key for another's name.
    const other = await post(
      '/sign-in',
      { name: 'Test principal', passphrase: 'x'.repeat(12) },
      again.cookie,
    );
    expect(other.status).toBe(429);
    // And ten guesses on the device itself are its own.
    const device = again.cookie;
    const seen: number[] = [];
    for (let i = 0; i < 12; i++)
      seen.push(
        (await post('/sign-in', { name: 'Zoe Fenn', passphrase: `guess ${i} of it` }, device)).status,
      );
    expect(seen.filter((s) => s === 401)).toHaveLength(10);
    expect(await events('slowed-down')).not.toHaveLength(0);
  });
  it('ends whatever sign-in this device had before', async () => {
    const first = await signedIn();
    await signedIn({}, first.cookie);
    expect((await first.me()).status).toBe(401);
  });
});

describe('one’s own account', () => {
  it('lists where one is signed in, and ends one of them', async () => {
    await t.pool.query('delete from sign_in where staff_id in (select id from staff where name = $1)', [
      'Zoe Fenn',
    ]);
    const [a, b] = [await signedIn(), await signedIn()];
    const { signIns } = await json(a.send('/me/account', {}, 'GET'));
    expect(signIns.map((s: { isThis: boolean }) => s.isThis).sort()).toEqual([false, true]);
    const other = signIns.find((s: { isThis: boolean }) => !s.isThis);
    expect((await a.send(`/me/sign-ins/${other.id}`, {}, 'DELETE')).status).toBe(200);
    expect([(await a.me()).status, (await b.me()).status]).toEqual([200, 401]);
    // Somebody else's is not theirs to end.
    const mine = signIns.find((s: { isThis: boolean }) => s.isThis);
    expect((await principal.send('DELETE', `/me/sign-ins/${mine.id}`)).status).toBe(404);
  });
  it('changes the passphrase by the one before, refuses weak ones with what makes them weak, and ends the others', async () => {
    const [a, b] = [await signedIn(), await signedIn()];
    const to = (next: string, current = WORDS) => a.send('/me/passphrase', { current, next });
    expect((await to('four plain words here', 'not the one before')).status).toBe(401);
    for (const weak of [
      'passwordpassword',
      'aaaaaaaaaaaaaa',
      'Zoe Fenn Zoe Fenn',
      'the studio the studio',
      '123456789012',
    ])
      expect((await json(to(weak), 422)).code, weak).toBe('weak-passphrase');
    expect((await to('four plain words here')).status).toBe(200);
    expect([(await a.me()).status, (await b.me()).status]).toEqual([200, 401]);
    expect((await post('/sign-in', { name: 'Zoe Fenn', passphrase: WORDS })).status).toBe(401);
    expect((await a.send('/me/passphrase', { current: 'four plain words here', next: WORDS })).status).toBe(
      200,
    );
    expect(await events('passphrase-changed')).toHaveLength(2);
  });
  it('a link takes no weak passphrase, and is good once more after that', async () => {
    const { rows } = await t.pool.query(
      `insert into staff (name, name_key, role) values ('Weak Hand', 'weak hand', 'desk') returning id`,
    );
    const token = await makeSetupLink(t.pool, rows[0].id);
    expect((await json(post('/setup', { token, passphrase: 'weakhandweakhand' }), 422)).code).toBe(
      'weak-passphrase',
    );
    expect((await post('/setup', { token, passphrase: 'needle harbour oak nine' })).status).toBe(200);
  });
});

describe('a second factor (RFC 6238)', () => {
  // Appendix B of RFC 6238 (from memory): the SHA-1 secret is the ASCII text 12345678901234567890, eight digits.
  it('is the published one: the worked examples of the standard', () => {
    const totp = new TOTP({ secret: Secret.fromLatin1('12345678901234567890'), digits: 8, period: 30 });
    for (const [seconds, code] of [
      [59, '94287082'],
      [1111111109, '07081804'],
      [1234567890, '89005924'],
      [20000000000, '65353130'],
    ] as const)
      expect(totp.generate({ timestamp: seconds * 1000 })).toBe(code);
  });

  it('is set up, asked for, used once a step, and got round by a recovery code once', async () => {
    const { send } = await signedIn();
    const { uri, secret } = await json(send('/me/second-factor'));
    expect(new Address(uri).protocol).toBe('otpauth:');
    const code = (at = now) =>
      new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: at.getTime() });
    expect((await json(send('/me/second-factor/confirm', { code: '000000' }), 422)).code).toBe('wrong-code');
    const { codes } = await json(send('/me/second-factor/confirm', { code: code() }));
    expect(codes).toHaveLength(10);
    const kept = await t.pool.query('select * from second_factor');
    expect(JSON.stringify(kept.rows)).not.toContain(codes[0]);
    const into = (more: object) => post('/sign-in', { name: 'Zoe Fenn', passphrase: WORDS, ...more });
    expect((await json(into({}), 401)).code).toBe('code-needed');
    // The code that turned it on was used.
    expect((await json(into({ code: code() }), 401)).code).toBe('wrong-code');
    now = new Date(now.getTime() + 30_000);
    expect((await into({ code: code() })).status).toBe(200);
    expect((await json(into({ code: code() }), 401)).code).toBe('wrong-code');
    expect((await into({ code: codes[0].toLowerCase() })).status).toBe(200);
    expect((await json(into({ code: codes[0] }), 401)).code).toBe('wrong-code');
    expect((await into({ code: '', passphrase: 'wrong words altogether' })).status).toBe(401);
    expect(((await json(send('/me/account', {}, 'GET'))) as { codesLeft: number }).codesLeft).toBe(9);
    expect((await send('/me/second-factor/off', { passphrase: WORDS })).status).toBe(200);
    expect((await into({})).status).toBe(200);
  });

  it('is asked of a role by the house: nothing else is open until it is there', async () => {
    const doors = (secondFactor: string[], idleMinutes = 15) =>
      principal.send('PUT', '/security/doors', { idleMinutes, secondFactor });
    expect((await doors(['fitter'], 5)).status).toBe(200);
    try {
      const { send, me } = await signedIn();
      expect(await (await me()).json()).toMatchObject({ factorOwed: true, idleMinutes: 5 });
      expect((await json(send('/clients', {}, 'GET'), 403)).code).toBe('factor-needed');
      const { secret } = await json(send('/me/second-factor'));
      const code = new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: now.getTime() });
      await json(send('/me/second-factor/confirm', { code }));
      expect((await send('/clients', {}, 'GET')).status).toBe(200);
      expect((await json(send('/me/second-factor/off', { passphrase: WORDS }), 409)).code).toBe(
        'factor-asked',
      );
    } finally {
      await doors([]);
      await t.pool.query('delete from second_factor');
    }
    const said = (await events('doors-changed')).map((e) => e.words);
    expect(said).toEqual([
      'screens lock after 5 minutes; second factor: fitter',
      'screens lock after 15 minutes; second factor: nobody',
    ]);
  });
});

describe('what happened at the doors', () => {
  it('is told to the principal alone, page by page, and never altered or emptied', async () => {
    const { events: all } = await json(principal.get('/security'));
    expect(all.map((e: { what: string }) => e.what)).toContain('sign-in-failed');
    expect((await (await signedIn()).send('/security', {}, 'GET')).status).toBe(403);
    await expect
      .poll(async () => (await events('refused')).map((e) => e.words))
      .toContain('GET /api/security');
    expect(JSON.stringify(all)).not.toMatch(/thimble|guess number/);
    for (const sql of [
      'delete from security_event',
      `update security_event set name = ''`,
      'truncate security_event',
      'truncate history',
      'truncate reading',
    ])
      await expect(t.pool.query(sql), sql).rejects.toThrow(/only added/);
  });
});
