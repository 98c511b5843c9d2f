import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strFromU8, unzipSync } from 'fflate';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  type Caller,
  clientBody,
  json,
  sessionBody,
  skirtOrder,
  startTestApp,
  type TestApp,
} from '../../app/testing.ts';
import type { Tx } from '../../db/pool.ts';
import { tokenHash } from '../../http/token.ts';
import { eraseClient, readClientData } from './sql.ts';
import { CLIENT_TABLES } from './tables.ts';

let t: TestApp;
let principal: Caller;
let made: Awaited<ReturnType<typeof skirtOrder>>;
const SECRET = {
  name: 'Wilhelmina Ferncliffe',
  phone: '0555 24 68 10',
  email: 'w@example.org',
  address: '7 Ropewalk',
  note: 'left-handed',
};
const EASED = 'her scar must not be pressed';
beforeAll(async () => {
  t = await startTestApp();
  principal = await t.as('principal');
  made = await skirtOrder(principal, SECRET);
  const body = sessionBody(made.clientId, made.orderId, [
    'waist 70 cm',
    'waist 70 cm',
    'hip 98 cm',
    'hip 98 cm',
    'waist-to-hip 20 cm',
    'hem-front 62 cm',
    'hem-back 62 cm',
    'hem-left 62 cm',
    'hem-right 62 cm',
  ]);
  Object.assign(body.readings[0]!, { note: 'held her breath' });
  await json(principal.send('POST', '/readings', body));
});
afterAll(() => t.close());

const bundle = async () =>
  unzipSync(new Uint8Array(await (await principal.get(`/clients/${made.clientId}/data.zip`)).arrayBuffer()));

async function agreeAndCut() {
  const path = `/orders/${made.orderId}/sheet`;
  for (;;) {
    const sheet = await json(principal.get(path));
    const res = await principal.send('POST', `${path}/agree`, { version: sheet.version, name: SECRET.name });
    if (res.ok) break;
    const { problems } = (await res.json()) as { problems: string[] };
    const computed = await json(principal.get(`${path}.json`));
    const open = computed.checks.find((k: { state: string }) => k.state === 'warned');
    if (!open) throw new Error(problems.join());
    await json(
      principal.send('POST', `${path}/changes`, {
        version: sheet.version,
        change: { kind: 'accept', code: open.code, reason: 'seen' },
      }),
    );
  }
  const { version } = await json(principal.get(path));
  await json(principal.send('POST', `${path}/cut`, { version }));
}

describe('one client’s data', () => {
  it('comes out as JSON, CSV and PDF that tell the same, and the history says so', async () => {
    const files = await bundle();
    expect(Object.keys(files).sort()).toEqual(['client.json', 'client.pdf', 'orders.csv', 'readings.csv']);
    const all = JSON.parse(strFromU8(files['client.json']!));
    expect(all).toMatchObject({ format: 'rocchetto-client', version: 1, client: SECRET });
    expect(all.orders).toHaveLength(1);
    const readings = Papa.parse<Record<string, string>>(
      strFromU8(files['readings.csv']!).replace('\uFEFF', ''),
      { header: true, skipEmptyLines: true },
    ).data;
    expect(readings).toHaveLength(all.sessions[0].readings.length);
    expect(readings[0]).toMatchObject({ measure: 'waist', value: '70', unit: 'cm', note: 'held her breath' });
    const dir = mkdtempSync(join(tmpdir(), 'data-'));
    writeFileSync(join(dir, 'c.pdf'), files['client.pdf']!);
    const text = execFileSync('pdftotext', ['-enc', 'UTF-8', '-layout', join(dir, 'c.pdf'), '-'], {
      encoding: 'utf8',
    });
    rmSync(dir, { recursive: true });
    for (const word of [SECRET.name, SECRET.phone, SECRET.address, 'waist: 70 cm, 70 cm'])
      expect(text).toContain(word);
    const { rows } = await t.pool.query(
      `select what from history where entity = 'client' order by id desc limit 1`,
    );
    expect(rows[0].what).toBe('data downloaded');
  });

  it('is not erased under an order in work, nor on top of a version that has moved on', async () => {
    const erase = (version: number) =>
      principal.send('POST', `/clients/${made.clientId}/erase`, { version, reason: 'asked by letter' });
    expect((await json(erase(1), 409)).code).toBe('order-open');
    expect((await json(erase(7), 409)).code).toBe('changed-meanwhile');
    expect((await json(principal.get(`/clients/${made.clientId}`))).name).toBe(SECRET.name);
  });

  it('once erased is nowhere in the database; what must stay is said and stays', async () => {
    // Why this order has an ease of its own: written of her, and printed at every figure that it moves.
    const briefed = await json(principal.get(`/orders/${made.orderId}`));
    await json(
      principal.send('PUT', `/orders/${made.orderId}/brief`, {
        version: briefed.version,
        brief: { ...briefed.brief, own: { girths: '6 cm', why: `${EASED}.` } },
      }),
    );
    await agreeAndCut();
    // What an import told of her by name, a file of another book that was never taken, and a page of her own.
    await t.pool.query(
      `insert into import_file (name, bytes, encoding, mapping, rows, by, at, state, report) values
         ('old.csv', '', 'utf-8', '{"version":1,"columns":[],"leave":[]}', 1, 1, now(), 'taken', $1),
         ('open.csv', $2, 'utf-8', '{"version":1,"columns":[],"leave":[]}', 1, 1, now(), 'open', null)`,
      [
        JSON.stringify({
          version: 1,
          taken: 0,
          clients: 0,
          readings: 0,
          already: 0,
          left: [{ row: 2, says: `2 clients are called ${SECRET.name}: the phone tells which.` }],
          untold: 0,
          failed: '',
        }),
        Buffer.from(`Name,Tel\nWILHELMINA FERNCLIFFE,0555-246810\n`),
      ],
    );
    const answerKey = 'k'.repeat(43);
    const kept = await t.pool.query(
      `insert into appointment (kind, client_id, status, minutes, buffer, note, made_by)
       values ('fitting', $1, 'done', 45, 10, $2, 1) returning id`,
      [made.clientId, SECRET.note],
    );
    await t.pool.query(
      `insert into client_link (token_hash, appointment_id, expires_at) values ($1, $2, now() + interval '9 years')`,
      [tokenHash(answerKey), kept.rows[0].id],
    );
    // What it was to cost, with her name in each text that a hand can write.
    const words = { more: [{ name: SECRET.name, amount: 10 }], words: `${SECRET.note}.`, asked: 400 };
    const url = `/orders/${made.orderId}/estimate`;
    await json(principal.send('PUT', url, { version: 0, choices: { version: 1, ...words } }));
    for (const name of [SECRET.name, 'her mother']) {
      const { stamp } = await json(principal.get(url));
      const { id } = await json(principal.send('POST', `${url}s`, { stamp }), 201);
      await json(principal.send('POST', `/estimates/${id}/agree`, { name }));
      if (name !== SECRET.name)
        await json(principal.send('POST', `/estimates/${id}/withdraw`, { reason: SECRET.note }));
    }
    const before = await json(principal.get(`/orders/${made.orderId}/sheet`));
    // While its order is open nothing is erased; cancelled, its reason goes with the rest.
    const open = await json(principal.get(`/orders/${made.orderId}`));
    await json(
      principal.send('POST', `/orders/${made.orderId}/cancel`, {
        version: open.version,
        reason: SECRET.note,
      }),
    );
    const { code, version } = await json(principal.get(`/clients/${made.clientId}`));
    // Another client's kept answer, whose number begins with this one's, is not theirs.
    const others = `/api/clients/${made.clientId}7`;
    await t.pool.query(
      `insert into write_once (staff_id, key, path, status, body) select id, gen_random_uuid(), $1, 200, '{}' from staff limit 1`,
      [others],
    );
    const key = { 'idempotency-key': randomUUID() };
    const erase = () =>
      principal.send(
        'POST',
        `/clients/${made.clientId}/erase`,
        { version, reason: `asked by letter by ${SECRET.name}` },
        key,
      );
    const answer = await json(erase());
    expect(await json(erase())).toEqual(answer);
    expect((await t.pool.query('select 1 from write_once where path = $1', [others])).rowCount).toBe(1);
    expect(answer.erased).toMatchObject({ sessions: 1, readings: 9, orders: 1, sheetsKept: 1 });
    expect(answer.stays.join(' ')).toMatch(/1 order number.*1 agreed sheet/);
    const { rows: tables } = await t.pool.query<{ t: string }>(
      `select table_name as t from information_schema.tables where table_schema = 'public'`,
    );
    for (const { t: table } of tables) {
      const { rows } = await t.pool.query(`select x::text as line from ${table} x`);
      const text = rows.map((r) => r.line).join('\n');
      for (const secret of [
        ...Object.values(SECRET),
        'ferncliffe',
        'FERNCLIFFE',
        '0555246810',
        '0555-246810',
        'held her breath',
        EASED,
      ])
        expect(text.includes(secret), `${secret} in ${table}`).toBe(false);
    }
    const after = await json(principal.get(`/orders/${made.orderId}/sheet`));
    const figures = (s: { kept: { figures: { id: string; finished: number }[] } }) =>
      s.kept.figures.map((f) => [f.id, f.finished]);
    expect(figures(after)).toEqual(figures(before));
    // What was asked for the work is the studio's own, and is read as it was.
    const priced = await json(principal.get(url));
    expect(
      priced.kept.map((k: { state: string; estimate: { asked: number; lines: { name: string }[] } }) => [
        k.state,
        k.estimate.asked,
        k.estimate.lines.at(-1)!.name,
      ]),
    ).toEqual([
      ['withdrawn', 400, '—'],
      ['replaced', 400, '—'],
    ]);
    const { rows: files } = await t.pool.query('select name, report from import_file order by id');
    expect(files).toHaveLength(1);
    expect(files[0].report.left.map((l: { says: string }) => l.says)).toEqual([
      `A row of ${code}, who was erased.`,
    ]);
    // Erased is closed: nobody writes her anew, gives her an order, a session, an appointment, or opens her page.
    const closed = async (res: Promise<Response>) => expect([(await res).status]).toEqual([410]);
    const { version: v } = await json(principal.get(`/clients/${made.clientId}`));
    await closed(
      principal.send('PUT', `/clients/${made.clientId}`, { ...clientBody('Back Again'), version: v }),
    );
    await closed(principal.send('POST', '/orders', { clientId: made.clientId, what: 'Coat' }));
    const order = await json(principal.get(`/orders/${made.orderId}`));
    await closed(
      principal.send('PUT', `/orders/${made.orderId}`, {
        version: order.version,
        clientId: made.clientId,
        what: SECRET.name,
      }),
    );
    await closed(
      principal.send('POST', `/orders/${made.orderId}/money`, { is: 'price', amount: 1, words: 'x' }),
    );
    await closed(
      principal.send('PUT', url, { version: 0, choices: { version: 1, words: SECRET.name, asked: 1 } }),
    );
    await closed(principal.send('POST', `/orders/${made.orderId}/home-links`, { days: 3 }));
    expect(
      (await principal.send('POST', '/readings', sessionBody(made.clientId, null, ['waist 70 cm']))).status,
    ).toBe(422);
    expect(
      (await t.app.request('/api/answer/look', { method: 'POST', body: JSON.stringify({ key: answerKey }) }))
        .status,
    ).toBe(404);
    expect(after.spec.readings).toEqual([]);
    expect((await json(principal.get(`/clients/${made.clientId}`))).name).toBe(`Erased ${code}`);
    expect(await json(principal.get('/clients?q=ferncliffe'))).toEqual([]);
    expect(await json(principal.get('/clients'))).toEqual([]);
    expect(await json(principal.get(`/orders?view=all&q=${code}`))).toHaveLength(1);
    expect((await principal.get(`/orders/${made.orderId}/sheet.pdf`)).status).toBe(200);
    const { rows } = await t.pool.query(`select what, after from history where what = 'erased'`);
    expect(rows[0].after).toMatchObject({ reason: `asked by letter by ${code}`, readings: 9 });
  });

  it('and what is kept as it is stays so for everything else', async () => {
    await expect(t.pool.query(`update sheet set spec = '{}'`)).rejects.toThrow('kept as it is');
    await expect(t.pool.query('delete from history')).rejects.toThrow('only added');
  });
});

describe('a client with whom nothing is kept', () => {
  const add = async (name: string) =>
    (await json(principal.send('POST', '/clients', clientBody(name, { note: 'typed twice' })), 201)) as {
      id: number;
      code: string;
    };
  it('is deleted by who may write clients, and what the card said is nowhere any more', async () => {
    const { id, code } = await add('Doubled Kestrelby');
    expect((await (await t.as('seamstress')).send('DELETE', `/clients/${id}`)).status).toBe(403);
    const desk = await t.as('desk');
    await json(desk.send('DELETE', `/clients/${id}`));
    expect((await desk.get(`/clients/${id}`)).status).toBe(404);
    expect((await desk.send('DELETE', `/clients/${id}`)).status).toBe(404);
    expect(await json(desk.get('/clients?q=kestrelby'))).toEqual([]);
    const { rows } = await t.pool.query(
      `select what, before, after from history where entity = 'client' and entity_id = $1 order by id`,
      [String(id)],
    );
    expect(rows.at(-1)).toMatchObject({ what: 'deleted', after: { code } });
    expect(JSON.stringify(rows)).not.toMatch(/Kestrelby|typed twice/);
    const kept = await t.pool.query(`select from write_once where body::text like '%Kestrelby%'`);
    expect(kept.rowCount).toBe(0);
  });
  it('and stays as soon as one order, measuring or appointment is, whoever was first', async () => {
    const one = await add('Ordered Kestrelby');
    await json(principal.send('POST', '/orders', { clientId: one.id, what: 'Coat' }), 201);
    expect((await json(principal.send('DELETE', `/clients/${one.id}`), 409)).code).toBe('not-empty');
    const two = await add('Measured Kestrelby');
    await json(principal.send('POST', '/readings', sessionBody(two.id, null, ['waist 70 cm'])));
    expect((await json(principal.send('DELETE', `/clients/${two.id}`), 409)).code).toBe('not-empty');
    expect((await json(principal.get(`/clients/${two.id}`))).name).toBe('Measured Kestrelby');
    for (let round = 0; round < 4; round++) {
      const { id } = await add(`Raced Kestrelby ${round}`);
      const [order, gone] = await Promise.all([
        principal.send('POST', '/orders', { clientId: id, what: 'Coat' }),
        principal.send('DELETE', `/clients/${id}`),
      ]);
      expect([order.status === 201, gone.status === 200]).toEqual(
        order.status === 201 ? [true, false] : [false, true],
      );
      expect(order.status).toBeLessThan(500);
    }
  });
});

describe('whatever hangs on a client', () => {
  /** The statements that one piece of work asks the database, as one text. */
  const asked = async (work: (db: Tx) => Promise<unknown>) => {
    const said: string[] = [];
    const client = await t.pool.connect();
    try {
      await client.query('begin');
      const db = new Proxy(client, {
        get: (of, key) =>
          key === 'query'
            ? (q: string | { text: string }, ...more: unknown[]) => {
                said.push(typeof q === 'string' ? q : q.text);
                return (of.query as (...a: unknown[]) => unknown)(q, ...more);
              }
            : Reflect.get(of, key),
      });
      const answer = await work(db as unknown as Tx);
      return { said: said.join('\n'), answer };
    } finally {
      await client.query('rollback');
      client.release();
    }
  };
  const names = (table: string, sql: string) => new RegExp(`\\b${table}\\b`).test(sql);

  it('is every table that the database knows of, each given out and erased, or it says why not', async () => {
    const { rows } = await t.pool.query<{ name: string }>(
      `with recursive hanging(t) as (
         select 'client'::regclass::oid
         union select k.conrelid from pg_constraint k join hanging h on k.confrelid = h.t where k.contype = 'f')
       select t::regclass::text as name from hanging order by 1`,
    );
    expect(Object.keys(CLIENT_TABLES).sort()).toEqual(rows.map((r) => r.name).sort());

    const other = await skirtOrder(principal, { ...SECRET, name: 'Another Hand', note: '' });
    await json(
      principal.send('POST', '/readings', sessionBody(other.clientId, other.orderId, ['waist 70 cm'])),
    );
    const out = await asked((db) => readClientData(db, other.clientId));
    const told = { ...(out.answer as Record<string, unknown>), photographs: [] };
    for (const [table, { told: how }] of Object.entries(CLIENT_TABLES))
      if ('as' in how) {
        expect(told, how.as).toHaveProperty(how.as);
        expect(names(table, out.said), `${table} is read`).toBe(true);
      }
    const client = await json(principal.get(`/clients/${other.clientId}`));
    const gone = await asked((tx) => eraseClient(tx, client));
    for (const [table, { erased }] of Object.entries(CLIENT_TABLES)) {
      if (erased === 'no words') continue;
      const verb = erased === 'rows' ? 'delete from' : '(?:update|delete from)';
      expect(new RegExp(`${verb} ${table}\\b`).test(gone.said), `${table} is erased`).toBe(true);
    }
  });
});
