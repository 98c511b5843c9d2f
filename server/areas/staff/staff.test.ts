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
