import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let [fitter, principal, bench]: Caller[] = [];
beforeAll(async () => {
  t = await startTestApp(() => new Date('2026-03-20T12:00:00Z'));
  [fitter, principal, bench] = [await t.as('fitter'), await t.as('principal'), await t.as('seamstress')];
});
afterAll(() => t.close());

const READ = ['waist 70 cm', 'waist 70.4 cm', 'hip 98 cm', 'waist-to-hip 20 cm', 'bust 90 cm'];
/** A client who was measured on the ninth without an order, and has an order of a skirt since. */
async function measured() {
  const { clientId, orderId } = await skirtOrder(fitter!);
  const body = sessionBody(clientId, null, READ);
  await json(fitter!.send('POST', '/readings', body));
  return { clientId, orderId, sessionId: body.session.id };
}

describe('an earlier measuring is used whole for an order', () => {
  it('as it was read, marked as carried over, as old as it was; what is missing can be added to it', async () => {
    const { clientId, orderId, sessionId } = await measured();
    const made = await json(fitter!.send('POST', `/orders/${orderId}/measuring`, { sessionId }), 201);
    expect(made.readings).toBe(5);
    const session = await json(fitter!.get(`/sessions/${made.sessionId}`));
    expect(session.orderId).toBe(orderId);
    expect(session.readings.map((r: { source: string }) => r.source)).toEqual(Array(5).fill('carried over'));
    const file = await json(fitter!.get(`/orders/${orderId}/sheet.json?unit=cm`));
    expect(file.spec.session.date).toBe('2026-03-09');
    expect(file.printed.figures.find((f: { id: string }) => f.id === 'waist').body).toContain('70');
    const more = sessionBody(clientId, orderId, ['hem-front 62 cm']);
    await json(
      fitter!.send('POST', '/readings', { ...more, session: { ...more.session, id: made.sessionId } }),
    );
    expect((await json(fitter!.get(`/sessions/${made.sessionId}`))).readings).toHaveLength(6);
    // The measuring it came from is as it was.
    expect((await json(fitter!.get(`/sessions/${sessionId}`))).orderId).toBeNull();
  });
  it('once for one press; not another client’s, not over a cut cloth, not by who may not measure', async () => {
    const { orderId, sessionId } = await measured();
    const key = { 'idempotency-key': crypto.randomUUID() };
    const two = await Promise.all(
      [1, 2].map(() => fitter!.send('POST', `/orders/${orderId}/measuring`, { sessionId }, key)),
    );
    expect(new Set(await Promise.all(two.map(async (r) => (await r.json()).sessionId))).size).toBe(1);
    expect((await json(fitter!.get(`/orders/${orderId}`))).sessions).toHaveLength(1);
    const other = await measured();
    await json(fitter!.send('POST', `/orders/${other.orderId}/measuring`, { sessionId }), 404);
    await json(bench!.send('POST', `/orders/${orderId}/measuring`, { sessionId }), 403);
    await t.pool.query(`update orders set stage = 'cut' where id = $1`, [other.orderId]);
    const cut = fitter!.send('POST', `/orders/${other.orderId}/measuring`, { sessionId: other.sessionId });
    expect((await json(cut, 409)).code).toBe('already-cut');
  });
  it('what a client reported at home is still asked about, and a minor’s needs its guardian', async () => {
    const { clientId, orderId } = await skirtOrder(fitter!);
    const body = sessionBody(clientId, null, READ);
    const reported = body.readings.map((r) => ({ ...r, source: 'reported by client' }));
    await json(fitter!.send('POST', '/readings', { ...body, readings: reported }));
    const use = () => fitter!.send('POST', `/orders/${orderId}/measuring`, { sessionId: body.session.id });
    await json(use(), 201);
    const file = await json(fitter!.get(`/orders/${orderId}/sheet.json?unit=cm`));
    expect(file.spec.session.date).toBe('2026-03-09');
    expect(file.printed.checks.map((c: { code: string }) => c.code).join()).toContain('reported-hip-98');
    await t.pool.query('update client set minor = true where id = $1', [clientId]);
    expect((await json(use(), 422)).code).toBe('guardian');
    expect((await json(fitter!.get(`/orders/${orderId}`))).sessions).toHaveLength(1);
  });
  it('one in which nothing was read is refused', async () => {
    const { clientId, orderId } = await skirtOrder(fitter!);
    const body = sessionBody(clientId, null, READ.slice(0, 1));
    const [first] = body.readings;
    await json(
      fitter!.send('POST', '/readings', {
        ...body,
        readings: [{ ...first, state: 'declined', written: null }],
      }),
    );
    const refused = fitter!.send('POST', `/orders/${orderId}/measuring`, { sessionId: body.session.id });
    expect((await json(refused, 422)).detail).toContain('Nothing was read');
  });
});

describe('standing lists of the house', () => {
  it('are made, ordered, changed by one at a time, printed, and taken away', async () => {
    const made = await json(
      principal!.send('POST', '/measuring-lists', {
        name: 'Inches chart',
        measures: ['waist', 'bust', 'hip'],
      }),
      201,
    );
    expect(made.measures).toEqual(['waist', 'bust', 'hip']);
    const change = (body: object, status = 200) =>
      json(principal!.send('PUT', `/measuring-lists/${made.id}`, body), status);
    await change({ version: made.version, name: 'Inches chart', measures: ['hip', 'waist'] });
    expect(
      (await change({ version: made.version, name: 'Inches chart', measures: ['bust'] }, 409)).code,
    ).toBe('stale');
    const lists = await json(fitter!.get('/measuring-lists'));
    expect(lists.map((l: { name: string }) => l.name)).toEqual([
      'basic eight',
      'Inches chart',
      'twelve points',
    ]);
    expect(lists[1].measures).toEqual(['hip', 'waist']);
    const pdf = join(mkdtempSync(join(tmpdir(), 'list-')), 'list.pdf');
    const answer = await bench!.get(`/measuring-lists/${made.id}/list.pdf`);
    writeFileSync(pdf, Buffer.from(await answer.arrayBuffer()));
    const text = execFileSync('pdftotext', ['-layout', pdf, '-']).toString();
    expect(text).toContain('To measure: Inches chart');
    expect(text.indexOf('hip')).toBeLessThan(
      text.indexOf('waist ★') < 0 ? text.lastIndexOf('waist') : text.indexOf('waist ★'),
    );
    await json(principal!.send('DELETE', `/measuring-lists/${made.id}`));
    await json(principal!.send('DELETE', `/measuring-lists/${made.id}`), 404);
  });
  it('hold no measure twice, none that there is not, no name twice; only who may set the studio up changes them', async () => {
    const add = (body: object, status: number, who = principal!) =>
      json(who.send('POST', '/measuring-lists', body), status);
    expect(JSON.stringify(await add({ name: 'Twice', measures: ['bust', 'waist', 'bust'] }, 422))).toContain(
      'on this list twice',
    );
    expect(JSON.stringify(await add({ name: 'None', measures: ['wingspan'] }, 422))).toContain(
      'no measurement',
    );
    expect((await add({ name: 'Basic Eight', measures: ['bust'] }, 422)).code).toBe('name-taken');
    await add({ name: 'Mine', measures: ['bust'] }, 403, fitter!);
  });
});

describe('a client’s own standing lists', () => {
  it('are theirs alone, by names of their own, and go with them', async () => {
    const { clientId } = await skirtOrder(fitter!, { name: 'Lena Listed' });
    const { clientId: other } = await skirtOrder(fitter!, { name: 'Otto Other' });
    const add = (id: number, name: string, status = 201) =>
      json(
        fitter!.send('POST', `/clients/${id}/measuring-lists`, { name, measures: ['bust', 'waist'] }),
        status,
      );
    const mine = await add(clientId, 'twelve points');
    expect((await add(clientId, 'Twelve Points', 422)).code).toBe('name-taken');
    // The same name is another client's, and the house's.
    const theirs = await add(other, 'twelve points');
    const of = async (id: number) =>
      (await json(fitter!.get(`/clients/${id}/measuring-lists`))).map((l: { id: number }) => l.id);
    expect([await of(clientId), await of(other)]).toEqual([[mine.id], [theirs.id]]);
    const house = await json(fitter!.get('/measuring-lists'));
    expect(house.map((l: { id: number }) => l.id)).not.toContain(mine.id);
    // The house's routes know nothing of it, and the other way round.
    await json(
      principal!.send('PUT', `/measuring-lists/${mine.id}`, { name: 'x', measures: ['bust'], version: 1 }),
      404,
    );
    await json(principal!.send('DELETE', `/client-lists/${house[0].id}`), 404);
    const change = (version: number, status = 200) =>
      json(
        fitter!.send('PUT', `/client-lists/${mine.id}`, { name: 'mine', measures: ['hip', 'bust'], version }),
        status,
      );
    expect(await change(1)).toMatchObject({ name: 'mine', measures: ['hip', 'bust'], version: 2 });
    expect((await change(1, 409)).code).toBe('stale');
    expect((await bench!.get(`/clients/${clientId}/measuring-lists`)).status).toBe(403);
    expect((await bench!.get(`/client-lists/${mine.id}/list.pdf`)).status).toBe(403);
    const pdf = await fitter!.get(`/client-lists/${mine.id}/list.pdf`);
    expect([pdf.status, pdf.headers.get('content-type')]).toEqual([200, 'application/pdf']);
    await json(fitter!.send('DELETE', `/client-lists/${mine.id}`));
    expect(await of(clientId)).toEqual([]);
  });
});
