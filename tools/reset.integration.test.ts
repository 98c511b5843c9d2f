import { json, startTestApp, type TestApp } from '@rocchetto/server/app/testing.ts';
import { hashPassphrase } from '@rocchetto/server/areas/account/passphrase.ts';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { reset } from './reset.ts';

let t: TestApp;
beforeAll(async () => {
  t = await startTestApp();
});
afterAll(() => t.close());
const post = (path: string, body: object) =>
  t.app.request(`/api${path}`, {
    method: 'POST',
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  });

it('a sole principal who forgot everything gets back in, and whoever is at work goes on', async () => {
  const [principal, fitter] = [await t.as('principal'), await t.as('fitter')];
  await t.pool.query('update staff set passphrase_hash = $1 where name = $2', [
    await hashPassphrase('the one before this'),
    'Test principal',
  ]);
  await t.pool.query(
    `insert into second_factor (staff_id, secret, on_at) select id, 'JBSWY3DPEHPK3PXP', now() from staff where name = 'Test principal'`,
  );
  for (let i = 0; i < 8; i++)
    await post('/sign-in', { name: 'Test principal', passphrase: `guess ${i} of many` });
  await expect(reset(t.url, 'Nobody At All')).rejects.toThrow(
    /Nobody called “Nobody At All” works here.*Test principal/,
  );
  const path = await reset(t.url, 'test PRINCIPAL');
  // Until the link is used both go on where they were.
  expect([(await principal.get('/me')).status, (await fitter.get('/me')).status]).toEqual([200, 200]);
  const token = path.replace('/setup#', '');
  await json(post('/setup', { token, passphrase: 'thimble lantern gull rope' }));
  expect([(await principal.get('/me')).status, (await fitter.get('/me')).status]).toEqual([401, 200]);
  expect(
    (await post('/sign-in', { name: 'Test principal', passphrase: 'thimble lantern gull rope' })).status,
  ).toBe(200);
  expect((await post('/setup', { token, passphrase: 'thimble lantern gull rope' })).status).toBe(410);
  const { rows } = await t.pool.query(
    `select what from security_event where what in ('reset', 'passphrase-set') order by id`,
  );
  expect(rows.map((r) => r.what)).toEqual(['reset', 'passphrase-set']);
});
