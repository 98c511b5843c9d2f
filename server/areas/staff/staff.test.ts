import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let principal: Caller;
beforeAll(async () => {
  t = await startTestApp();
  principal = await t.as('principal');
});
afterAll(() => t.close());
const add = (name: string, role = 'desk') => principal.send('POST', '/staff', { name, role });

describe('the staff', () => {
  it('a principal cannot leave themselves out, and someone who left is out at once', async () => {
    const { id } = await json(principal.get('/me'));
    expect((await principal.send('DELETE', `/staff/${id}`)).status).toBe(422);
    const made = await json(add('Short Stay'), 201);
    expect(made.path).toMatch(/^\/setup#/);
    expect((await add('short STAY')).status).toBe(422);
    expect((await principal.send('DELETE', `/staff/${made.id}`)).status).toBe(200);
    expect((await json(principal.get('/staff'))).some((s: { id: number }) => s.id === made.id)).toBe(false);
  });
  it('a name is free again when its bearer has left', async () => {
    const made = await json(add('Comes Again'), 201);
    await principal.send('DELETE', `/staff/${made.id}`);
    const again = await json(add('Comes Again'), 201);
    expect(again.id).not.toBe(made.id);
  });
  it('two principals who take each other off at the same moment leave one', async () => {
    for (let round = 0; round < 5; round++) {
      const { rows } = await t.pool.query<{ id: number }>(
        `select id from staff where role = 'principal' and active`,
      );
      const mine = rows[0]!.id;
      const { id: theirs } = await json(add(`Second ${round}`, 'principal'), 201);
      const other = await t.asStaff(theirs);
      const me = await t.asStaff(mine);
      const answers = await Promise.all([
        me.send('DELETE', `/staff/${theirs}`),
        other.send('DELETE', `/staff/${mine}`),
      ]);
      const left = await t.pool.query(`select id from staff where role = 'principal' and active`);
      expect(left.rowCount, answers.map((a) => a.status).join()).toBe(1);
      principal = await t.asStaff(left.rows[0].id);
    }
  });
});

describe('a sign-in link', () => {
  it('stands with its day until it is used, made anew or withdrawn, and only for who manages staff', async () => {
    const { id, path } = await json(
      principal.send('POST', '/staff', { name: 'Link Holder', role: 'desk' }),
      201,
    );
    const until = async (who: Caller) =>
      (await json(who.get('/staff'))).find((s: { id: number }) => s.id === id).linkUntil;
    const use = (at: string) =>
      t.app.request('/api/setup', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ token: at.split('#')[1], passphrase: 'copper thimble harbour nine' }),
      });
    expect(Date.parse(await until(principal)) - Date.now()).toBeGreaterThan(2.9 * 86_400_000);
    const fitter = await t.as('fitter');
    expect(await until(fitter)).toBeNull();
    expect((await fitter.send('DELETE', `/staff/${id}/link`)).status).toBe(403);
    expect((await principal.send('DELETE', `/staff/${id}/link`)).status).toBe(200);
    expect(await until(principal)).toBeNull();
    expect((await use(path)).status).toBe(410);
    expect((await principal.send('DELETE', `/staff/${id}/link`)).status).toBe(409);
    const anew = await json(principal.send('POST', `/staff/${id}/link`), 201);
    expect((await use(anew.path)).status).toBe(200);
    expect(await until(principal)).toBeNull();
  });
});

describe('name and role of staff', () => {
  it('are changed by the owner on top of what was seen; the only owner stays one', async () => {
    const { id } = await json(
      principal.send('POST', '/staff', { name: 'Nia Vane', role: 'seamstress' }),
      201,
    );
    const was = { name: 'Nia Vane', role: 'seamstress' };
    const put = (who: Caller, body: object, of = id) => who.send('PUT', `/staff/${of}`, body);
    await json(put(await t.as('fitter'), { name: 'Nia Vane', role: 'principal', was }), 403);
    await json(put(principal, { name: 'Nia Vane-Holt', role: 'fitter', was }));
    expect(await json(principal.get('/staff'))).toContainEqual({
      id,
      name: 'Nia Vane-Holt',
      role: 'fitter',
      ready: false,
      linkUntil: expect.any(String),
    });
    expect((await json(put(principal, { name: 'Other', role: 'desk', was }), 409)).theirs).toEqual({
      name: 'Nia Vane-Holt',
      role: 'fitter',
    });
    const me = await json(principal.get('/me'));
    const self = { name: me.name, role: 'principal' };
    expect((await json(put(principal, { ...self, role: 'desk', was: self }, me.id), 422)).detail).toContain(
      'only owner',
    );
    const taken = await json(
      put(principal, { name: 'nia vane-holt', role: 'principal', was: self }, me.id),
      422,
    );
    expect(taken.detail).toContain('already on the staff');
    await json(put(principal, { name: 'x', role: 'desk', was }, 99_999), 404);
  });
});

describe('one’s own unit', () => {
  it('is what one’s pages start with; the studio’s, and everybody else’s, stay as they are', async () => {
    const fitter = await t.as('fitter');
    const units = async (who: Caller) => {
      const { unit, ownUnit } = await json(who.get('/me'));
      return [unit, ownUnit];
    };
    expect(await units(fitter)).toEqual(['cm', null]);
    await json(fitter.send('PUT', '/me/unit', { unit: 'in' }));
    expect(await units(fitter)).toEqual(['in', 'in']);
    expect(await units(principal)).toEqual(['cm', null]);
    expect((await json(fitter.get('/house'))).unit).toBe('cm');
    expect((await fitter.send('PUT', '/me/unit', { unit: 'ells' })).status).toBe(422);
    await json(fitter.send('PUT', '/me/unit', { unit: null }));
    expect(await units(fitter)).toEqual(['cm', null]);
  });
});

describe('the house settings', () => {
  it('are changed by the principal on top of a version, and everyone’s day follows the zone', async () => {
    const house = await json(principal.get('/house'));
    const put = (version: number, timeZone: string) =>
      principal.send('PUT', '/house', { version, studio: 'Tidewell Gowns', timeZone });
    const changed = await json(put(house.version, 'Pacific/Auckland'));
    expect(changed).toEqual({
      ...house,
      studio: 'Tidewell Gowns',
      timeZone: 'Pacific/Auckland',
      version: house.version + 1,
    });
    expect((await put(house.version, 'UTC')).status).toBe(409);
    expect(await json(principal.get('/me'))).toMatchObject({ timeZone: 'Pacific/Auckland' });
    const { rows } = await t.pool.query(`select before from history where entity = 'house'`);
    expect(rows[0].before.timeZone).toBe('UTC');
  });
});
