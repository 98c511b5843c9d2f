import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { startTestApp, type TestApp } from '../../app/testing.ts';
import { purge } from '../../db/purge.ts';
import { behind } from '../../http/address.ts';
import type { Ctx } from '../../http/context.ts';
import type { HttpError } from '../../http/problem.ts';
import { makeSetupLink } from '../../records/sign-ins.ts';
import { countTries } from '../../records/tries.ts';
import { hashPassphrase } from './passphrase.ts';

vi.mock('./passphrase.ts', { spy: true });

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
    expect(seen).toEqual([401, 401, 401, 401, 401, 429, 429]);
    expect((await signIn('Zoë Fenn', WORDS)).status).toBe(429);
    await t.pool.query('delete from sign_in_tries');
    expect((await signIn('Zoë Fenn', WORDS)).status).toBe(200);
  });
  it('counts before it verifies: of 60 guesses at once, the right one last, no more than five are looked at', async () => {
    await t.pool.query('delete from sign_in_tries');
    const guesses = Array.from({ length: 60 }, (_, i) =>
      signIn('Zoë Fenn', i === 59 ? WORDS : `wrong words ${i}`),
    );
    const seen = (await Promise.all(guesses)).map((r) => r.status);
    expect(seen.filter((s) => s !== 429).length).toBeLessThanOrEqual(5);
    await t.pool.query('delete from sign_in_tries');
  });
  it('keeps a name’s owner out for moments only when a neighbour guesses at it', async () => {
    const take = countTries(t.pool);
    const tries = async (address: string, n: number) => {
      const out: number[] = [];
      for (let i = 0; i < n; i++)
        out.push(
          await take('zoe fenn', address).then(
            () => 200,
            (e: HttpError) => e.problem.status,
          ),
        );
      return out;
    };
    expect((await tries('10.9.9.9', 60)).filter((s) => s === 200)).toHaveLength(5);
    expect(await tries('10.1.1.1', 1)).toEqual([200]);
    // From many addresses the name itself rests, and no longer than a quarter of a minute.
    for (let i = 0; i < 12; i++) await tries(`10.2.0.${i}`, 5);
    const refused = await take('zoe fenn', '10.1.1.2').catch((e: HttpError) => e.problem);
    const wait = /Wait (\d+) seconds/.exec((refused as { detail: string }).detail);
    expect(Number(wait![1])).toBeLessThanOrEqual(15);
    await t.pool.query('delete from sign_in_tries');
  });
  it('gives a right try back, so that a busy studio behind one address is not slowed', async () => {
    await t.pool.query('delete from sign_in_tries');
    for (let i = 0; i < 45; i++) await (await countTries(t.pool)('zoe fenn', '10.3.3.3'))();
    const { rows } = await t.pool.query('select max(points) as most from sign_in_tries');
    expect(rows[0].most).toBeLessThanOrEqual(1);
    await t.pool.query('delete from sign_in_tries');
  });
  it('believes a forwarded address only from a configured proxy', () => {
    const asked = (remote: string, forwarded: string, proto = 'http') =>
      ({
        env: {
          incoming: {
            socket: { remoteAddress: remote },
            connection: { remoteAddress: remote },
            headers: { 'x-forwarded-for': forwarded },
          },
        },
        req: { header: () => proto },
      }) as unknown as Ctx;
    const alone = behind('');
    expect(alone.addressOf(asked('10.0.0.9', '6.6.6.6'))).toBe('10.0.0.9');
    expect(alone.isSecure(asked('10.0.0.9', '6.6.6.6', 'https'))).toBe(false);
    const proxied = behind('10.0.0.9, 10.1.0.0/16');
    expect(proxied.addressOf(asked('10.0.0.9', '6.6.6.6'))).toBe('6.6.6.6');
    expect(proxied.addressOf(asked('10.0.0.9', '1.2.3.4, 6.6.6.6, 10.1.2.3'))).toBe('6.6.6.6');
    expect(proxied.isSecure(asked('10.0.0.9', '6.6.6.6', 'https'))).toBe(true);
    expect(proxied.addressOf(asked('10.2.0.9', '6.6.6.6'))).toBe('10.2.0.9');
  });
  it('purges what is past its time', async () => {
    await t.pool.query(
      `insert into sign_in_tries (key, points, expire) values ('old', 1, 1), ('new', 1, 9e15)`,
    );
    await t.pool.query(
      `insert into write_once (staff_id, key, path, status, at) select id, gen_random_uuid(), '/x', 200, now() - interval '8 days' from staff limit 1`,
    );
    await purge(t.pool);
    const left = await t.pool.query(`select key from sign_in_tries where key in ('old', 'new')`);
    expect(left.rows).toEqual([{ key: 'new' }]);
    expect((await t.pool.query(`select 1 from write_once where path = '/x'`)).rowCount).toBe(0);
    await t.pool.query('delete from sign_in_tries');
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
  it('that is not good costs no hashing', async () => {
    vi.mocked(hashPassphrase).mockClear();
    for (let i = 0; i < 20; i++)
      expect((await post('/setup', { token: `made up ${i}`, passphrase: WORDS })).status).toBe(410);
    expect(hashPassphrase).not.toHaveBeenCalled();
  });
  it('sets the passphrase once, and not when it is old', async () => {
    const { rows } = await t.pool.query(
      `insert into staff (name, name_key, role) values ('New Hand', 'new hand', 'desk') returning id`,
    );
    const token = await makeSetupLink(t.pool, rows[0].id);
    expect((await post('/setup', { token, passphrase: 'short' })).status).toBe(422);
    expect((await post('/setup', { token, passphrase: WORDS })).status).toBe(200);
    expect((await post('/setup', { token, passphrase: WORDS })).status).toBe(410);
    expect((await signIn('New Hand', WORDS)).status).toBe(200);
    const renamed = await makeSetupLink(t.pool, rows[0].id);
    const taken = await post('/setup', { token: renamed, passphrase: WORDS, name: 'zoe fenn' });
    expect([taken.status, ((await taken.json()) as { code: string }).code]).toEqual([422, 'name-taken']);
    expect((await post('/setup', { token: renamed, passphrase: WORDS, name: 'New Name' })).status).toBe(200);
    const late = await makeSetupLink(t.pool, rows[0].id);
    await t.pool.query(`update setup_link set expires_at = now() - interval '1 minute'`);
    expect((await post('/setup', { token: late, passphrase: WORDS })).status).toBe(410);
  });
});
