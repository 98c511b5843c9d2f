import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, clientBody, json, sessionBody, startTestApp, type TestApp } from '../../app/testing.ts';
import { csvOf } from '../../http/csv.ts';

let t: TestApp;
let [principal, fitter]: Caller[] = [];
beforeAll(async () => {
  t = await startTestApp();
  [principal, fitter] = [await t.as('principal'), await t.as('fitter')];
  const add = async (name: string, sessions: string[][], more: object = {}) => {
    const { id } = await json(fitter!.send('POST', '/clients', clientBody(name, more)), 201);
    for (const [i, lines] of sessions.entries()) {
      const body = sessionBody(id, null, lines);
      body.session.at = `2026-0${i + 1}-09T10:00:00Z`;
      await json(fitter!.send('POST', '/readings', body));
    }
  };
  await add('Ada Brook', [['waist 27 3/8 in', 'bust 92 cm', 'bust 92.5 cm'], ['waist 71.5 cm']], {
    phone: '0123 4567',
  });
  await add('=HYPERLINK("x")', [], { note: 'two\nlines, "quoted"' });
  // More than a page of the export holds.
  await t.pool.query(
    `insert into client (code, name, search) select 'X' || n, 'Filler ' || n, 'filler ' || n from generate_series(1, 650) n`,
  );
});
afterAll(() => t.close());

const text = async (path: string) => {
  const res = await principal!.get(path);
  expect(res.status).toBe(200);
  return res.text();
};
interface Row {
  readonly name: string;
  readonly [column: string]: string;
}

describe('every client, given out', () => {
  it('as CSV: a row for each session, figures as they were written, the mean of two in centimetres', async () => {
    const csv = await text('/export/clients.csv');
    const { data, errors } = Papa.parse<Row>(csv, { header: true, skipEmptyLines: true });
    expect(errors.filter((e) => e.code !== 'TooFewFields')).toEqual([]);
    expect(data).toHaveLength(3 + 650);
    const ada = data.filter((r) => r.name === 'Ada Brook');
    expect(ada.map((r) => [r.date, r.waist, r.bust, r.phone])).toEqual([
      ['2026-01-09', '27 3⁄8 in', '92.25 cm', '0123 4567'],
      ['2026-02-09', '71.5 cm', '', '0123 4567'],
    ]);
    // A name that a table program would run as a formula is only a name there.
    expect(csv).toContain(`"'=HYPERLINK(""x"")"`);
    expect(data.find((r) => r.name.includes('HYPERLINK'))!.note).toBe('two\nlines, "quoted"');
    expect(new Set(data.map((r) => r.code)).size).toBe(2 + 650);
  });

  it('as CSV in which no cell is a formula, while numbers and phones keep their sign', () => {
    const cells = ['+1+cmd|x!A1', '-2+3+cmd', '@SUM(A1)', '=1', '\t=1', ' =1', '＝1', '+HYPERLINK("x")', '-'];
    const plain = ['+44 (0)20 7946-0018', '-1.25', '+3', '0123 4567', 'A-1', 'one = two', '−0.5 cm'];
    const [told, kept] = Papa.parse<string[]>(csvOf([cells, plain])).data;
    for (const [i, c] of told!.entries())
      expect([c, cells[i]], cells[i]).toEqual([c === '-' ? '-' : `'${cells[i]}`, cells[i]]);
    expect(kept).toEqual(plain);
  });

  it('as JSON: every reading as it was read', async () => {
    const all = JSON.parse(await text('/export/clients.json'));
    expect(all).toMatchObject({ format: 'rocchetto-clients', version: 1 });
    expect(all.clients).toHaveLength(652);
    const [first] = all.clients[0].sessions;
    expect(first.readings.map((r: { written: { text: string; unit: string } }) => r.written.text)).toEqual([
      '27 3⁄8',
      '92',
      '92.5',
    ]);
    expect(all.clients[0]).not.toHaveProperty('id');
  });

  it('is read back by the old book of another studio, figure for figure', async () => {
    const other = await startTestApp();
    try {
      const owner = await other.as('principal');
      const { csrf } = await json(owner.get('/me'));
      const view = await json(
        other.app.request('/api/imports?name=all.csv', {
          method: 'POST',
          headers: { cookie: owner.cookie, 'x-csrf-token': csrf, 'content-type': 'text/csv' },
          body: await text('/export/clients.csv'),
        }),
        201,
      );
      expect(view.says).toBe('');
      await json(owner.send('POST', `/imports/${view.id}/take`, {}));
      const done = async () => (await json(owner.get(`/imports/${view.id}`))).state;
      await expect.poll(done, { timeout: 30_000 }).toBe('taken');
      const { rows } = await other.pool.query(
        `select r.measure, r.fact -> 'written' ->> 'text' as text, r.fact -> 'written' ->> 'unit' as unit
           from reading r join session s on s.id = r.session_id join client c on c.id = s.client_id
          where c.name = 'Ada Brook' order by s.at, r.measure`,
      );
      expect(rows).toEqual([
        { measure: 'bust', text: '92.25', unit: 'cm' },
        { measure: 'waist', text: '27 3⁄8', unit: 'in' },
        { measure: 'waist', text: '71.5', unit: 'cm' },
      ]);
      expect((await other.pool.query('select count(*)::int as n from client')).rows[0].n).toBe(652);
    } finally {
      await other.close();
    }
  });

  it('is for the principal alone, and stands in the history', async () => {
    for (const path of ['/export/clients.csv', '/export/clients.json']) await json(fitter!.get(path), 403);
    const { rows } = await t.pool.query(
      `select count(*)::int as n from history where what like 'all clients downloaded%'`,
    );
    expect(rows[0].n).toBeGreaterThan(1);
  });
});
