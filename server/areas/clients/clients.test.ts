import { randomUUID } from 'node:crypto';
import { foldPhone, foldText } from '@rocchetto/core';
import ICAL from 'ical.js';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, clientBody, json, startTestApp, type TestApp } from '../../app/testing.ts';

import { vcard } from './vcard.ts';

let t: TestApp;
let desk: Caller;
const add = (name: string, more: object = {}) =>
  json(desk.send('POST', '/clients', clientBody(name, more)), 201);
beforeAll(async () => {
  t = await startTestApp();
  desk = await t.as('desk');
  for (const [name, phone] of [
    ['Søren Aakjær-Holm', '0501 137 8919'],
    ['Margaret O’Dell', ''],
    ['Zoë Ferncliffe', '+44 20 7946 0001'],
    ['Anna Berg', ''],
    ['Anneliese Bergmann', ''],
  ] as const)
    await add(name, { phone });
});
afterAll(() => t.close());

const found = async (q: string) =>
  ((await json(desk.get(`/clients?q=${encodeURIComponent(q)}`))) as { name: string }[]).map((c) => c.name);

describe('codes and numbers', () => {
  it('go on past the width they are written in: the ten-thousandth card has a code of its own', async () => {
    const code = async (name: string) =>
      (await json(desk!.send('POST', '/clients', clientBody(name)), 201)).code as string;
    const { rows: was } = await t.pool.query(`select last_value as n, is_called as c from client_code`);
    await t.pool.query(`select setval('client_code', 999), setval('order_number', 99)`);
    expect(await code('One Thousand')).toBe('C-1000');
    await t.pool.query(`select setval('client_code', 9999)`);
    expect(await code('Ten Thousand')).toBe('C-10000');
    const client = await json(desk!.send('POST', '/clients', clientBody('Orders Much')), 201);
    const order = async () =>
      (
        (await json(desk!.send('POST', '/orders', { clientId: client.id, what: 'Coat' }), 201))
          .number as string
      ).slice(3);
    expect(await order()).toBe('100');
    await t.pool.query(`select setval('order_number', 999)`);
    expect(await order()).toBe('1000');
    await t.pool.query(`select setval('client_code', greatest(20000, $1::bigint), $2)`, [was[0].n, was[0].c]);
  });
});

describe('searching while typing', () => {
  it.each([
    ['soren', 'Søren Aakjær-Holm'],
    ['aakjaer', 'Søren Aakjær-Holm'],
    ['margret odell', 'Margaret O’Dell'],
    ['Ferncliff', 'Zoë Ferncliffe'],
    ['fernclfife', 'Zoë Ferncliffe'],
    ['zo', 'Zoë Ferncliffe'],
    ['1378919', 'Søren Aakjær-Holm'],
    ['7946 0001', 'Zoë Ferncliffe'],
    ['C-0004', 'Anna Berg'],
  ])('%s finds %s', async (q, name) => expect((await found(q))[0]).toBe(name));
  it('finds nobody for nonsense, and takes signs of the query language as text', async () => {
    expect(await found('xqzzqx')).toEqual([]);
    expect(await found('%%%')).toEqual([]);
    expect(await found("'; drop table client; --")).toEqual([]);
    expect((await found('anna')).length).toBeGreaterThan(0);
  });
  it('folds as it is told', () => {
    expect(foldText('  Ødegård,   ZOË ')).toBe('odegard, zoe');
    expect(foldPhone('+44 (0)20 7946')).toBe('440207946');
  });
  it('goes through the book in order, a page at a time', async () => {
    const all = await json(desk.get('/clients'));
    const rest = await json(
      desk.get(`/clients?afterName=${encodeURIComponent(all[1].name)}&afterId=${all[1].id}`),
    );
    expect(rest.map((c: { id: number }) => c.id)).toEqual(all.slice(2).map((c: { id: number }) => c.id));
  });
});

describe('names as they come', () => {
  it('keeps markup and query signs as text', async () => {
    const name = `<script>alert(1)</script>'; drop table client; --`;
    const { id } = await add(name);
    expect((await json(desk.get(`/clients/${id}`))).name).toBe(name);
    expect((await t.pool.query('select count(*)::int as n from client')).rows[0].n).toBeGreaterThan(5);
  });
  it.each([
    ['', 'Enter a name'],
    ['   ', 'Enter a name'],
    ['x'.repeat(10_000), '200 characters'],
  ])('refuses %.12j with a sentence', async (name, says) => {
    const problem = await json(desk.send('POST', '/clients', clientBody(name)), 422);
    expect(problem.detail).toContain(says);
  });
  it('refuses what is no address, no JSON, or 10 MB', async () => {
    expect(
      (await json(desk.send('POST', '/clients', clientBody('A B', { email: 'nowhere' })), 422)).detail,
    ).toContain('e-mail');
    expect((await json(desk.send('POST', '/clients', '{"name":'), 400)).code).toBe('not-json');
    const big = await json(
      desk.send('POST', '/clients', JSON.stringify(clientBody('x', { note: 'y'.repeat(10 * 1024 * 1024) }))),
      413,
    );
    expect(big.detail).toContain('2 MB');
  });
  it.each(['abc', '-1', '99999999', '1;select 1', '1e3'])('there is no client %s', async (id) =>
    expect((await desk.get(`/clients/${encodeURIComponent(id)}`)).status).toBe(404),
  );
});

describe('likely duplicates', () => {
  it('are pointed out by phone and by a nearly equal name, and never forbidden', async () => {
    const likely = async (name: string, phone: string) =>
      (
        (await json(
          desk.get(`/clients/likely?name=${encodeURIComponent(name)}&phone=${encodeURIComponent(phone)}`),
        )) as { name: string }[]
      ).map((c) => c.name);
    expect(await likely('Somebody Else', '0501-137-8919')).toEqual(['Søren Aakjær-Holm']);
    expect(await likely('Margret ODell', '')).toContain('Margaret O’Dell');
    expect(await likely('Quite Different', '')).toEqual([]);
    expect((await add('Margaret O’Dell')).id).toBeGreaterThan(0);
  });
});

describe('two people at once', () => {
  it('a stale version changes nothing and gives both texts back', async () => {
    const client = await add('Two Hands');
    const { id, version } = client;
    await json(
      desk.send('PUT', `/clients/${id}`, { ...clientBody('Two Hands', { note: 'first' }), version }),
    );
    const problem = await json(
      desk.send('PUT', `/clients/${id}`, { ...clientBody('Two Hands', { note: 'second' }), version }),
      409,
    );
    expect(problem.theirs).toMatchObject({ note: 'first', version: version + 1 });
    expect(problem.mine).toMatchObject({ note: 'second' });
    expect((await json(desk.get(`/clients/${id}`))).note).toBe('first');
  });
  it('of many saves of one version exactly one is made', async () => {
    const { id, version } = await add('Many Hands');
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        desk.send('PUT', `/clients/${id}`, { ...clientBody('Many Hands', { note: `n${i}` }), version }),
      ),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, ...Array(7).fill(409)]);
  });
  it('the same write sent twice, even at the same instant, is made once', async () => {
    const key = { 'idempotency-key': randomUUID() };
    const answers = await Promise.all(
      [1, 2, 3].map(() => desk.send('POST', '/clients', clientBody('Once Only'), key)),
    );
    const ids = await Promise.all(answers.map(async (a) => ((await a.json()) as { id: number }).id));
    expect(new Set(ids).size).toBe(1);
    expect(
      (await t.pool.query(`select count(*)::int as n from client where name = 'Once Only'`)).rows[0].n,
    ).toBe(1);
    expect((await desk.send('POST', '/orders', { clientId: ids[0], what: 'x' }, key)).status).toBe(422);
  });
  it('every change is in the history, which cannot be rewritten', async () => {
    const { rows } = await t.pool.query(
      `select what, before, after from history where entity = 'client' and before->>'name' = 'Two Hands'`,
    );
    expect(rows).toHaveLength(1);
    await expect(t.pool.query(`update history set what = 'nothing'`)).rejects.toThrow('only added');
  });
});

describe('the contact card', () => {
  it('is vCard 4 (RFC 6350) that an independent reader understands, with signs and long lines intact', async () => {
    const name = 'Ångström, "Ivy"; Lee';
    const address = `12 Very Long Lane, ${'Upper '.repeat(20)}Tidewell; back door`;
    const { id } = await add(name, { phone: '+44 20 7946 0002', email: 'ivy@example.org', address });
    const res = await desk.get(`/clients/${id}/card.vcf`);
    const text = await res.text();
    expect(res.headers.get('content-type')).toContain('text/vcard');
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(76);
    const card = new ICAL.Component(ICAL.parse(text.trim()) as never);
    expect(card.getFirstPropertyValue('version')).toBe('4.0');
    expect(card.getFirstPropertyValue('fn')).toBe(name);
    expect(card.getFirstPropertyValue('email')).toBe('ivy@example.org');
    expect(JSON.stringify(card.getFirstProperty('adr')!.getValues())).toContain('Tidewell; back door');
  });
});

describe('a card as vCard', () => {
  it('keeps a bare carriage return inside its value, so that a name cannot begin a line of its own', () => {
    const text = vcard({
      id: 1,
      code: 'C-0001',
      name: 'Ada\rTEL:0900',
      phone: '0555\r\nX:1',
      email: null,
      address: '1 Quay\rNOTE:made up',
      note: '',
      unit: null,
      language: '',
      minor: false,
      guardian: '',
      version: 1,
    });
    const lines = text.split(/\r\n|\r|\n/);
    expect(lines.filter((l) => /^(TEL:0900|X:1|NOTE:made)/.test(l))).toEqual([]);
    expect(lines.every((l) => l === '' || /^([A-Z-]+[;:]| )/.test(l))).toBe(true);
    expect(text).toContain('Ada\\nTEL:0900');
  });
});
