import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startTestApp, type TestApp } from '../testing.ts';
import { hashPassphrase } from './passphrase.ts';
import { makeSetupLink } from './sql.ts';

let t: TestApp;
const WORDS = 'thimble lantern gull rope';
beforeAll(async () => {
  t = await startTestApp();
  await t.pool.query(
    `insert into staff (name, name_key, role, passphrase_hash) values ('Zoë Fenn', 'zoe fenn', 'fitter', $1)`,
    [await hashPassphrase(WORDS)],
  );
});
afterAll(() => t.close());

const post = (path: string, body: object, headers: Record<string, string> = {}) =>
  t.app.request(`/api${path}`, {
    method: 'POST',
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json', ...headers },
  });
const signIn = (name: string, passphrase: string) => post('/sign-in', { name, passphrase });
const cookieOf = (res: Response) => res.headers.get('set-cookie')!.split(';')[0]!;

describe('signing in', () => {
  it('takes name and passphrase, however the name is accented, and gives an HttpOnly SameSite cookie', async () => {
    const res = await signIn('zoe FENN', WORDS);
    expect(res.status).toBe(200);
    const cookie = res.headers.get('set-cookie')!;
    expect(cookie).toMatch(/HttpOnly/i);
    expect(cookie).toMatch(/SameSite=Lax/i);
    const me = await t.app.request('/api/me', { headers: { cookie: cookieOf(res) } });
    expect(await me.json()).toMatchObject({ name: 'Zoë Fenn', role: 'fitter' });
  });
  it('keeps neither passphrase nor token readable', async () => {
    const { rows } = await t.pool.query(
      'select passphrase_hash from staff where passphrase_hash is not null',
    );
    expect(rows[0].passphrase_hash).toMatch(/^\$argon2id\$/);
    const token = cookieOf(await signIn('Zoë Fenn', WORDS)).split('=')[1]!;
    const dump = await t.pool.query(`select encode(token_hash, 'escape') as h from sign_in`);
    expect(JSON.stringify(dump.rows)).not.toContain(token);
  });
  it('says the same for a wrong name and a wrong passphrase', async () => {
    const [a, b] = [await signIn('Nobody Here', WORDS), await signIn('Zoë Fenn', 'wrong words here')];
    expect([a.status, b.status]).toEqual([401, 401]);
    expect(await a.json()).toEqual(await b.json());
  });
  it('slows down after wrong tries, for every server process, and lets the right one in later', async () => {
    await t.pool.query('delete from sign_in_tries');
    const seen: number[] = [];
    for (let i = 0; i < 7; i++) seen.push((await signIn('Zoë Fenn', 'wrong words here')).status);
    expect(seen.slice(0, 5)).toEqual([401, 401, 401, 401, 401]);
    expect(seen[6]).toBe(429);
    expect((await signIn('Zoë Fenn', WORDS)).status).toBe(429);
    expect((await t.pool.query('select points from sign_in_tries')).rows[0].points).toBeGreaterThan(5);
    await t.pool.query('delete from sign_in_tries');
    expect((await signIn('Zoë Fenn', WORDS)).status).toBe(200);
  });
  it('ends with signing out, with time, and with leaving the staff', async () => {
    const still = async (cookie: string) => (await t.app.request('/api/me', { headers: { cookie } })).status;
    const out = cookieOf(await signIn('Zoë Fenn', WORDS));
    await post('/sign-out', {}, { cookie: out });
    expect(await still(out)).toBe(401);
    const idle = cookieOf(await signIn('Zoë Fenn', WORDS));
    await t.pool.query(`update sign_in set seen_at = now() - interval '13 hours'`);
    expect(await still(idle)).toBe(401);
    const old = cookieOf(await signIn('Zoë Fenn', WORDS));
    await t.pool.query(`update sign_in set expires_at = now() - interval '1 minute'`);
    expect(await still(old)).toBe(401);
  });
});

describe('changes from elsewhere', () => {
  it('are refused without the page’s token, from another origin, or from another site', async () => {
    const cookie = cookieOf(await signIn('Zoë Fenn', WORDS));
    const { csrf } = (await (await t.app.request('/api/me', { headers: { cookie } })).json()) as {
      csrf: string;
    };
    const add = (headers: Record<string, string>) => post('/clients', { name: 'X' }, { cookie, ...headers });
    expect((await add({})).status).toBe(403);
    expect((await add({ 'x-csrf-token': csrf, origin: 'https://elsewhere.example' })).status).toBe(403);
    expect((await add({ 'x-csrf-token': csrf, 'sec-fetch-site': 'cross-site' })).status).toBe(403);
    expect((await add({ 'x-csrf-token': csrf })).status).toBe(201);
  });
  it('and every answer carries a strict policy with a nonce of its own', async () => {
    const [a, b] = [await t.app.request('/api/health'), await t.app.request('/api/health')];
    const policy = a.headers.get('content-security-policy')!;
    expect(policy).toContain("default-src 'self'");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).not.toContain('unsafe');
    expect(policy).toMatch(/style-src 'self' 'nonce-[^']+'/);
    expect(b.headers.get('content-security-policy')).not.toBe(policy);
    expect(a.headers.get('x-content-type-options')).toBe('nosniff');
  });
});

describe('a setup link', () => {
  it('sets the passphrase once, and not when it is old', async () => {
    const { rows } = await t.pool.query(
      `insert into staff (name, name_key, role) values ('New Hand', 'new hand', 'desk') returning id`,
    );
    const token = await makeSetupLink(t.pool, rows[0].id);
    expect((await post('/setup', { token, passphrase: 'short' })).status).toBe(422);
    expect((await post('/setup', { token, passphrase: WORDS })).status).toBe(200);
    expect((await post('/setup', { token, passphrase: WORDS })).status).toBe(410);
    expect((await signIn('New Hand', WORDS)).status).toBe(200);
    const late = await makeSetupLink(t.pool, rows[0].id);
    await t.pool.query(`update setup_link set expires_at = now() - interval '1 minute'`);
    expect((await post('/setup', { token: late, passphrase: WORDS })).status).toBe(410);
  });
});
