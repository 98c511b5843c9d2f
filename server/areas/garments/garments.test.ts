import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { json, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
beforeAll(async () => {
  t = await startTestApp();
});
afterAll(() => t.close());

const dress = {
  name: 'Choir gown, long',
  parts: [
    { part: 'darted-bodice', neckline: 'v' },
    { part: 'circle-skirt', circle: '3/4', length: '104 cm' },
  ],
};

describe('garments the house saves', () => {
  it('are kept whole, listed for every hand, and a name is taken once', async () => {
    const [fitter, desk] = [await t.as('fitter'), await t.as('desk')];
    const saved = await json(fitter.send('POST', '/garments', dress), 201);
    expect(saved.parts[1]).toMatchObject({ circle: '3/4', length: '104 cm', band: '3 cm' });
    expect((await json(desk.get('/garments'))).map((g: { name: string }) => g.name)).toEqual([
      'Choir gown, long',
    ]);
    expect(
      (await json(fitter.send('POST', '/garments', { ...dress, name: ' choir gown,  LONG ' }), 422)).code,
    ).toBe('name-taken');
    const both = await Promise.all(
      [1, 2].map(() => fitter.send('POST', '/garments', { ...dress, name: 'Saved by two at once' })),
    );
    expect(both.map((r) => r.status).sort()).toEqual([201, 422]);
  });

  it('are refused with a sentence when they are no garment', async () => {
    const fitter = await t.as('fitter');
    const no = await json(
      fitter.send('POST', '/garments', {
        name: 'Two skirts',
        parts: [{ part: 'circle-skirt' }, { part: 'gathered-skirt' }],
      }),
      422,
    );
    expect(no.problems.join(' ')).toContain('Two parts join the same waist');
    expect(
      (await json(fitter.send('POST', '/garments', { name: 'Nothing', parts: [] }), 422)).problems.join(' '),
    ).toContain('at least one part');
    for (const role of ['desk', 'seamstress'] as const)
      expect((await (await t.as(role)).send('POST', '/garments', dress)).status).toBe(403);
  });

  it('come off the list by the principal alone, once, and their name is free again', async () => {
    const [fitter, principal] = [await t.as('fitter'), await t.as('principal')];
    const { id } = await json(fitter.send('POST', '/garments', { ...dress, name: 'Of one season' }), 201);
    expect((await fitter.send('DELETE', `/garments/${id}`)).status).toBe(403);
    await json(principal.send('DELETE', `/garments/${id}`));
    expect((await principal.send('DELETE', `/garments/${id}`)).status).toBe(404);
    await json(fitter.send('POST', '/garments', { ...dress, name: 'Of one season' }), 201);
    const { rows } = await t.pool.query(
      `select what from history where entity = 'garment' and entity_id = $1 order by id`,
      [String(id)],
    );
    expect(rows.map((r: { what: string }) => r.what)).toEqual(['saved', 'removed']);
  });
});
