import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, startTestApp, type TestApp } from '../../app/testing.ts';
import { purge } from '../../db/purge.ts';
import { guessEncoding, tableOf } from '../../records/imported-file.ts';

let t: TestApp;
let [principal, fitter]: Caller[] = [];
beforeAll(async () => {
  t = await startTestApp();
  [principal, fitter] = [await t.as('principal'), await t.as('fitter')];
});
afterAll(() => t.close());

const upload = async (bytes: Buffer | string, who = principal!) =>
  t.app.request('/api/imports?name=book.csv', {
    method: 'POST',
    headers: {
      cookie: who.cookie,
      'x-csrf-token': (await json(who.get('/me'))).csrf,
      'content-type': 'text/csv',
    },
    body: typeof bytes === 'string' ? bytes : new Uint8Array(bytes),
  });
const get = (id: number) => json(principal!.get(`/imports/${id}`));
const taken = async (id: number) => {
  await json(principal!.send('POST', `/imports/${id}/take`, {}));
  for (;;) {
    const view = await get(id);
    if (view.state !== 'taking') return view;
    await new Promise((r) => setTimeout(r, 40));
  }
};
const count = async (table: string) =>
  (await t.pool.query(`select count(*)::int as n from ${table}`)).rows[0].n as number;
const BOOK =
  'Name;Tel;Measured on;Bust;Waist (in);Colour\nAda Brook;0123 4567;3.5.2019;92,5;28 3/8;red\nCy Dell;;2019-06-01;wide;28;\n;;2019-06-01;90;27;\n';

describe('the old book', () => {
  it('is guessed, looked at, taken once, told row by row; again it changes nothing', async () => {
    const view = await json(upload(BOOK), 201);
    expect(view).toMatchObject({ delimiter: ';', encoding: 'utf-8', rows: 3, state: 'open', says: '' });
    expect(view.columns.map((c: { is: string }) => c.is)).toEqual([
      'name',
      'phone',
      'date',
      'measure',
      'measure',
      'leave',
    ]);
    expect(view.preview[0].read).toMatchObject({ name: 'Ada Brook', date: '2019-05-03' });
    expect(view.preview[2].read.refused).toBe('The row has no name.');
    const before = [await count('client'), await count('session'), await count('reading')];
    const done = await taken(view.id);
    expect(done).toMatchObject({
      state: 'taken',
      done: 3,
      report: { taken: 2, clients: 2, readings: 3, already: 0 },
    });
    expect(done.report.left.map((l: { row: number }) => l.row)).toEqual([3, 4]);
    expect([await count('client'), await count('session'), await count('reading')]).toEqual([
      before[0]! + 2,
      before[1]! + 2,
      before[2]! + 3,
    ]);
    const [ada] = await json(principal!.get('/clients?q=ada%20brook'));
    const card = await json(principal!.get(`/clients/${ada.id}`));
    const session = await json(principal!.get(`/sessions/${card.sessions[0].id}`));
    expect(
      session.readings.map((r: { written: { text: string }; source: string }) => [r.written.text, r.source]),
    ).toEqual([
      ['92.5', 'carried over'],
      ['28 3⁄8', 'carried over'],
    ]);
    const again = await json(upload(BOOK), 201);
    expect((await taken(again.id)).report).toMatchObject({ taken: 0, clients: 0, readings: 0, already: 2 });
    expect(await count('client')).toBe(before[0]! + 2);
    // A later measuring of the same client joins the same card.
    const later = await json(upload('Name,Tel,Date,Bust\nAda Brook,01234567,2021-01-09,94\n'), 201);
    expect((await taken(later.id)).report).toMatchObject({ taken: 1, clients: 0, readings: 1 });
    expect(
      (await t.pool.query('select bytes from import_file where id = $1', [view.id])).rows[0].bytes,
    ).toHaveLength(0);
  });

  it('columns that a hand mapped are remembered by their header', async () => {
    const text = 'Who,When,Oberweite\nEm Frost,2020-02-02,96\n';
    const view = await json(upload(text), 201);
    expect(view.says).toContain('column that contains the name');
    expect((await json(principal!.send('POST', `/imports/${view.id}/take`, {}), 422)).detail).toContain(
      'column that contains the name',
    );
    const columns = [{ is: 'name' }, { is: 'date' }, { is: 'measure', id: 'bust', unit: 'cm', way: 'whole' }];
    const mapped = await json(principal!.send('PUT', `/imports/${view.id}`, { columns, encoding: 'utf-8' }));
    expect(mapped.preview[0].read.readings).toHaveLength(1);
    expect((await json(upload(text), 201)).columns).toEqual(columns);
  });

  it('an encoding is guessed and can be said; cells are those of papaparse', async () => {
    const old = Buffer.from('Name,Date\nZo\xeb D\xe9lacourt,2019-01-01\n', 'latin1');
    expect(guessEncoding(old)).toBe('windows-1252');
    expect((await json(upload(old), 201)).preview[0].read.name).toBe('Zoë Délacourt');
    const wide = Buffer.concat([
      Buffer.from([0xff, 0xfe]),
      Buffer.from('Name\tDate\nŽofie\t2019-01-01\n', 'utf16le'),
    ]);
    expect(guessEncoding(wide)).toBe('utf-16le');
    expect((await json(upload(wide), 201)).preview[0].read.name).toBe('Žofie');
    const tricky = 'Name,Note\r\n"Brook, Ada","said ""no""\nand left"\r\n';
    expect(tableOf(Buffer.from(tricky), 'utf-8').rows).toEqual(
      Papa.parse<string[]>(tricky, { skipEmptyLines: 'greedy' }).data.slice(1),
    );
  });

  it.each([
    ['nothing', '', 'no-rows'],
    ['a header alone', 'Name,Bust\n', 'no-rows'],
    [
      '1,000 columns',
      `${Array.from({ length: 1000 }, (_, i) => `c${i}`).join(',')}\n${'1,'.repeat(999)}1\n`,
      'many-columns',
    ],
    ['a picture', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13]), 'no-table'],
  ] as [string, string | Buffer, string][])('%s is refused with a sentence', async (_, bytes, code) => {
    expect((await json(upload(bytes), 422)).code).toBe(code);
  });
  it('over 20 MB is not taken; a fitter may not; two who take it at once take it once', async () => {
    expect((await json(upload(Buffer.alloc(21 * 1024 * 1024, 65)), 413)).detail).toContain('over 20 MB');
    expect((await upload(BOOK, fitter!)).status).toBe(403);
    const view = await json(upload('Name,Date,Bust\nGus Hale,2019-01-01,90\n'), 201);
    const answers = await Promise.all(
      [1, 2].map(() => principal!.send('POST', `/imports/${view.id}/take`, {})),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
    while ((await get(view.id)).state === 'taking') await new Promise((r) => setTimeout(r, 40));
    expect(await json(principal!.get('/clients?q=gus%20hale'))).toHaveLength(1);
  });

  it('one that was interrupted has taken nothing, says so, and can be taken again', async () => {
    const view = await json(upload('Name,Date,Bust\nIvo Kern,2019-01-01,90\n'), 201);
    await t.pool.query(
      `update import_file set state = 'taking', begun_at = now() - interval '5 minutes' where id = $1`,
      [view.id],
    );
    expect(await get(view.id)).toMatchObject({
      state: 'failed',
      report: { failed: expect.stringContaining('Nothing was imported') },
    });
    expect((await taken(view.id)).state).toBe('taken');
  });

  it('leaves the rows that a hand leaves, says so, and lets them tell nothing of anybody', async () => {
    const text =
      'Name,Phone,Date,Waist\nLeft Out,0555 777,2020-01-01,70\nLeft Out,,2020-02-01,71\nKept In,,2020-01-01,72\n';
    const view = await json(upload(text), 201);
    const set = (leave: number[], status = 200) =>
      json(
        principal!.send('PUT', `/imports/${view.id}`, { columns: view.columns, encoding: 'utf-8', leave }),
        status,
      );
    await set([1], 422);
    await set([2, 3]);
    expect((await set([2])).leave).toEqual([2]);
    const done = await taken(view.id);
    expect(done.report).toMatchObject({
      taken: 2,
      clients: 2,
      readings: 2,
      left: [{ row: 2, says: 'Skipped by hand.' }],
    });
    const { rows } = await t.pool.query(`select phone from client where name = 'Left Out'`);
    expect(rows).toEqual([{ phone: '' }]);
    // The mapping is remembered, the rows left are not: they were this file's.
    const again = await json(upload(text), 201);
    expect(again.leave).toEqual([]);
  });

  it('is looked at page by page, to its last row', async () => {
    const text = `Name\n${Array.from({ length: 130 }, (_, i) => `Page Turner ${i}`).join('\n')}\n`;
    const { id } = await json(upload(text), 201);
    const names = async (from: number) =>
      (await json(principal!.get(`/imports/${id}?from=${from}`))).preview.map(
        (p: { row: number; read: { name: string } }) => `${p.row} ${p.read.name}`,
      );
    expect((await names(60))[0]).toBe('62 Page Turner 60');
    expect(await names(120)).toHaveLength(10);
    expect((await names(120)).at(-1)).toBe('131 Page Turner 129');
    expect(await names(5000)).toEqual([]);
    await json(principal!.get(`/imports/${id}?from=-1`), 422);
  });

  it('one person told in several rows is one card, however far apart, with all that the rows say', async () => {
    const between = Array.from({ length: 450 }, (_, i) => `Filler ${i},,,2019-01-01,90`).join('\n');
    const view = await json(
      upload(
        `Name,Tel,Note,Date,Bust\nUna Reed,,likes long sleeves,2019-01-01,90\nUna Reed,0777 123,,2019-02-01,91\n${between}\nUna Reed,,left-handed,2019-03-01,92\n`,
      ),
      201,
    );
    expect(view.preview).toHaveLength(60);
    expect((await taken(view.id)).report).toMatchObject({ taken: 453, clients: 451, left: [], untold: 0 });
    const cards = await json(principal!.get('/clients?q=una%20reed'));
    expect(cards).toHaveLength(1);
    const card = await json(principal!.get(`/clients/${cards[0].id}`));
    expect(card.sessions).toHaveLength(3);
    expect([card.phone, card.note]).toEqual(['0777 123', 'likes long sleeves\nleft-handed']);
    // Brought again with one row more, her card stands: it is not written over, and the row says so.
    const more = await json(
      upload('Name,Tel,Note,Date,Bust\nUna Reed,0777123,moved away,2020-01-01,93\n'),
      201,
    );
    const { report } = await taken(more.id);
    expect(report).toMatchObject({ taken: 1, clients: 0 });
    expect(report.left).toEqual([
      {
        row: 2,
        says: 'Una Reed is already a client: the details stay as they are, and the measurements are added.',
      },
    ]);
    expect((await json(principal!.get(`/clients/${cards[0].id}`))).note).not.toContain('moved away');
  });

  it('what is left out beyond what is kept is counted', async () => {
    const rows = Array.from({ length: 2005 }, (_, i) => `,2019-01-01,${80 + (i % 20)}`).join('\n');
    const view = await json(upload(`Name,Date,Bust\n${rows}\n`), 201);
    const { report } = await taken(view.id);
    expect([report.left.length, report.untold]).toEqual([2000, 5]);
  });

  it('two of the same name are told apart by the phone, or the row is left out', async () => {
    for (const phone of ['0555 111 222', '0555 333 444'])
      await json(principal!.send('POST', '/clients', { name: 'Same Name', phone }), 201);
    const view = await json(
      upload('Name,Tel,Date,Bust\nSame Name,0555 333 444,2019-01-01,90\nSame Name,,2019-01-02,91\n'),
      201,
    );
    const { report } = await taken(view.id);
    expect(report).toMatchObject({ taken: 1, clients: 0 });
    expect(report.left).toEqual([
      {
        row: 3,
        says: '2 clients are called Same Name, and the phone does not say which. The row is left out.',
      },
    ]);
  });

  it('a file that nobody took goes after a week; one that was taken keeps its report and no bytes', async () => {
    const view = await json(upload('Name\nLeft Behind\n'), 201);
    await t.pool.query(`update import_file set at = now() - interval '8 days'`);
    await purge(t.pool);
    expect((await principal!.get(`/imports/${view.id}`)).status).toBe(404);
    const { rows } = await t.pool.query(`select distinct state, length(bytes) as n from import_file`);
    expect(rows).toEqual([{ state: 'taken', n: 0 }]);
  });
});
