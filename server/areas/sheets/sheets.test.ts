import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readKept } from '@rocchetto/contract';
import { bundlesOf, GARMENTS } from '@rocchetto/core';
import { asLines, randomBody, seeded } from '@rocchetto/core/garment/testing.ts';
import Papa from 'papaparse';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let fitter: Caller;
let id: number;
let clientId: number;
const READ = [
  'waist 70 cm',
  'waist 70.5 cm',
  'hip 96 cm',
  'hip 96 cm',
  'waist-to-hip 20 cm',
  'hem-front 62 cm',
  'hem-left 62 cm',
  'hem-right 62 cm',
  'hem-back 62 cm',
];
beforeAll(async () => {
  t = await startTestApp();
  fitter = await t.as('fitter');
});
afterAll(() => t.close());
beforeEach(async () => {
  ({ orderId: id, clientId } = await skirtOrder(fitter));
  await json(fitter.send('POST', '/readings', sessionBody(clientId, id, READ)));
});

const view = (revision?: number) =>
  json(fitter.get(`/orders/${id}/sheet${revision ? `?revision=${revision}` : ''}`));
const change = async (what: object, status = 200, version?: number) =>
  json(
    fitter.send('POST', `/orders/${id}/sheet/changes`, {
      version: version ?? (await view()).version,
      change: what,
    }),
    status,
  );
const agree = async (status = 200) =>
  json(
    fitter.send('POST', `/orders/${id}/sheet/agree`, {
      version: (await view()).version,
      name: 'Nell Arkwright',
    }),
    status,
  );
const cut = async (status = 200) =>
  json(fitter.send('POST', `/orders/${id}/sheet/cut`, { version: (await view()).version }), status);
const override = (value: string, figure = 'hip') => ({
  kind: 'override',
  id: randomUUID(),
  figure,
  target: 'wearing',
  value,
  reason: 'asked for it',
});

describe('from draft to cut', () => {
  it('a draft is agreed by name, a change opens the next revision with what moved, and a cut sheet stays', async () => {
    expect(await view()).toMatchObject({ revision: 1, status: 'draft', version: 0 });
    await change(override('6 cm'));
    expect(await agree()).toMatchObject({
      revision: 1,
      status: 'agreed',
      agreedName: 'Nell Arkwright',
      agreedBy: fitter.name,
    });
    expect((await agree(409)).code).toBe('already-agreed');

    const second = await change(override('7 cm'));
    expect(second).toMatchObject({ revision: 2, status: 'draft' });
    expect(
      second.since.find((m: { id: string; what: string }) => m.id === 'hip' && m.what === 'finished').by,
    ).toBeCloseTo(1, 9);
    expect((await view(1)).spec.overrides[0].value).toBe('6 cm');

    expect((await cut(409)).code).toBe('not-agreed');
    await agree();
    expect(await cut()).toMatchObject({ status: 'cut', cutBy: fitter.name });
    expect((await change(override('8 cm'), 409)).code).toBe('already-cut');
    const order = await json(fitter.get(`/orders/${id}`));
    expect(order).toMatchObject({ stage: 'cut' });
    expect(
      (
        await json(
          fitter.send('PUT', `/orders/${id}/brief`, {
            version: order.version,
            brief: { ...order.brief, note: 'after the cut' },
          }),
          409,
        )
      ).code,
    ).toBe('already-cut');
  });

  it('the database itself keeps an agreed sheet from change', async () => {
    await agree();
    await expect(t.pool.query(`update sheet set spec = '{}' where order_id = $1`, [id])).rejects.toThrow(
      'kept as it is',
    );
    await expect(t.pool.query(`update sheet set status = 'draft' where order_id = $1`, [id])).rejects.toThrow(
      'go back',
    );
  });

  it('shows an agreed sheet as it was agreed, though the program’s rules have changed since', async () => {
    await agree();
    // As if an older program with another rule had computed it: 123 cm at the hip.
    const was = (await view()).kept.printed.cm.figures.find((f: { id: string }) => f.id === 'hip').finished;
    await t.pool.query('alter table sheet disable trigger sheet_is_kept');
    await t.pool.query(
      `update sheet set kept = replace(jsonb_set(kept, '{figures}', (select jsonb_agg(case when f->>'id' = 'hip' then jsonb_set(f, '{finished}', '123') else f end) from jsonb_array_elements(kept->'figures') f))::text, $2, '"123 cm"')::jsonb where order_id = $1`,
      [id, `"${was}"`],
    );
    await t.pool.query('alter table sheet enable trigger sheet_is_kept');
    const file = await json(fitter.get(`/orders/${id}/sheet.json`));
    expect(file.printed.figures.find((f: { id: string }) => f.id === 'hip').finished).toBe('123 cm');
    expect(await (await fitter.get(`/orders/${id}/sheet.csv`)).text()).toContain('123 cm');
    expect((await view()).moved.find((m: { id: string }) => m.id === 'hip').before).toBe(123);
  });

  it('is not agreed over an open warning or an absent figure, and says which', async () => {
    await change(override('1 cm'));
    const refused = await agree(422);
    expect(refused.problems.join(' ')).toContain('room to sit');
    expect((await change({ kind: 'accept', code: 'no-such', reason: 'x' }, 422)).code).toBe(
      'no-such-warning',
    );
    await change({ kind: 'accept', code: 'floor-hip', reason: 'likes it snug' });
    await change(override('0.5 cm'));
    expect((await agree(422)).problems).toHaveLength(1);
    await change({ kind: 'accept', code: 'floor-hip', reason: 'still' });
    await agree();
  });

  it('sets nothing by hand that the draft cannot follow, and says why', async () => {
    const dart = (value: string) => ({
      kind: 'override',
      id: randomUUID(),
      figure: 'skirt.dart-front-length',
      target: 'finished',
      value,
      reason: 'tried',
    });
    const refused = await change(dart('19 cm'), 422);
    expect(refused).toMatchObject({ code: 'cannot-follow' });
    expect(refused.detail).toContain('is the most');
    expect((await change({ ...dart('3 cm'), figure: 'skirt.sleeve' }, 422)).code).toBe('no-such-figure');
    expect((await view()).spec.overrides).toEqual([]);
    await change(dart('8 cm'));
    expect((await view()).spec.overrides).toHaveLength(1);
  });

  it('keeps what it printed and drew, in both units, when it is agreed', async () => {
    await agree();
    const { rows } = await t.pool.query('select kept from sheet where order_id = $1', [id]);
    const kept = readKept(rows[0].kept)!;
    expect(rows[0].kept.version).toBe(2);
    for (const unit of ['cm', 'in'] as const) {
      const file = await json(fitter.get(`/orders/${id}/sheet.json?unit=${unit}`));
      expect(file.printed).toEqual(kept.printed[unit]);
    }
    expect(kept.drawn.cm.views).toHaveLength(2);
    expect(kept.drawn.in.panels!.callouts.length).toBeGreaterThan(10);
  });

  it('tells that readings have moved since it was agreed, and begins the next revision with them', async () => {
    await agree();
    await json(
      fitter.send('POST', '/readings', {
        ...sessionBody(
          clientId,
          id,
          READ.map((r) => r.replace('waist 70', 'waist 72')),
        ),
        session: { ...sessionBody(clientId, id, []).session, at: '2026-03-10T09:00:00Z' },
      }),
    );
    const now = await view();
    expect(now).toMatchObject({ revision: 1, status: 'agreed' });
    expect(now.moved.find((m: { id: string }) => m.id === 'waist').by).toBeCloseTo(2, 9);
    expect(await change({ kind: 'revise' })).toMatchObject({ revision: 2, status: 'draft' });
  });

  it('withdraws an override and changes the rounding', async () => {
    await change(override('9 cm'));
    const back = await change({ kind: 'withdraw', figure: 'hip', target: 'wearing' });
    expect(back.spec.overrides).toEqual([]);
    expect(
      (await change({ kind: 'house', house: { rounding: { unit: 'in', step: 0.125, mode: 'nearest' } } }))
        .spec.house.rounding.unit,
    ).toBe('in');
    expect(
      (await change({ kind: 'house', house: { rounding: { unit: 'in', step: 0.3, mode: 'nearest' } } }, 422))
        .detail,
    ).toContain('step');
  });
});

describe('two people at once', () => {
  it('a stale version gives both back, and the change can be made on top', async () => {
    await change(override('6 cm'));
    const problem = await change(override('3 cm', 'waist'), 409, 0);
    expect(problem.theirs.spec.overrides[0]).toMatchObject({ figure: 'hip', value: '6 cm' });
    expect(problem.mine).toMatchObject({ figure: 'waist' });
    const both = await change(problem.mine, 200, problem.theirs.version);
    expect(both.spec.overrides.map((o: { figure: string }) => o.figure)).toEqual(['hip', 'waist']);
  });
  it('of several changes to one version exactly one is made', async () => {
    const answers = await Promise.all(
      [1, 2, 3, 4, 5].map((n) =>
        fitter.send('POST', `/orders/${id}/sheet/changes`, { version: 0, change: override(`${5 + n} cm`) }),
      ),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409, 409, 409]);
  });
  it('the same change sent twice is made once', async () => {
    const body = { version: 0, change: override('6 cm') };
    const key = { 'idempotency-key': randomUUID() };
    const answers = await Promise.all(
      [1, 2].map(() => fitter.send('POST', `/orders/${id}/sheet/changes`, body, key)),
    );
    expect(answers.map((a) => a.status)).toEqual([200, 200]);
    expect((await view()).version).toBe(1);
  });
});

describe('the same figures everywhere', () => {
  it('PDF text (read back with pdftotext), CSV (papaparse) and JSON agree, in both units', async () => {
    await change({ kind: 'house', house: { rounding: { unit: 'in', step: 0.125, mode: 'nearest' } } });
    await change(override('2 1/4 in'));
    const dir = mkdtempSync(join(tmpdir(), 'sheet-'));
    try {
      for (const unit of ['in', 'cm'] as const) {
        const file = await json(fitter.get(`/orders/${id}/sheet.json?unit=${unit}`));
        const csv = (await (await fitter.get(`/orders/${id}/sheet.csv?unit=${unit}`)).text()).replace(
          /^\uFEFF/,
          '',
        );
        const pdf = await fitter.get(`/orders/${id}/sheet.pdf?unit=${unit}`);
        expect(pdf.headers.get('content-type')).toBe('application/pdf');
        writeFileSync(join(dir, 'sheet.pdf'), Buffer.from(await pdf.arrayBuffer()));
        execFileSync('pdftotext', [
          '-enc',
          'UTF-8',
          '-layout',
          join(dir, 'sheet.pdf'),
          join(dir, 'sheet.txt'),
        ]);
        const lines = readFileSync(join(dir, 'sheet.txt'), 'utf8')
          .replaceAll('\u00a0', ' ')
          .split('\n')
          .map((l) => l.replace(/\s+/g, ' '));
        const rows = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true }).data;
        expect(rows).toHaveLength(file.printed.figures.length);
        for (const [i, f] of (file.printed.figures as Record<string, string>[]).entries()) {
          expect(rows[i]).toMatchObject({
            letter: f.letter,
            figure: f.name,
            body: f.body,
            finished: f.finished,
            'front quarter': f.front,
            'back quarter': f.back,
          });
          const wanted = [
            f.name,
            f.body,
            f.finished,
            f.front ? `F ${f.front} B ${f.back}` : f.panels || f.marked,
            f.tolerance,
          ].filter(Boolean) as string[];
          const line = lines.find((l) => l.includes(` ${f.name}`) && wanted.every((w) => l.includes(w)));
          expect(line, `${wanted.join(' | ')} on paper in ${unit}`).toBeDefined();
        }
        const paper = lines.join(' ').replace(/\s+/g, ' ');
        const read = execFileSync('pdftotext', ['-enc', 'UTF-8', join(dir, 'sheet.pdf'), '-'], {
          encoding: 'utf8',
        });
        for (const c of file.printed.cautions as string[])
          expect(read.replace(/\s+/g, ' ')).toContain(c.slice(0, 40));
        for (const a of file.printed.allowances as { text: string }[]) expect(paper).toContain(a.text);
        expect(paper).toContain('page 1 of 2');
        expect(execFileSync('pdffonts', [join(dir, 'sheet.pdf')], { encoding: 'utf8' })).not.toMatch(
          / no +(yes|no) +(yes|no) +\d/,
        );
      }
    } finally {
      rmSync(dir, { recursive: true, force: true });
    }
  });
  it.each(['gown', 'gown-overskirt', 'coat', 'jacket', 'day-dress-sleeved'])(
    'a lined %s takes two pages, its panels on the second',
    async (garment) => {
      const { orderId, version, clientId: who } = await skirtOrder(fitter);
      const parts = GARMENTS.find((g) => g.id === garment)!.parts.map((p) => ({
        ...p,
        // Princess seams make the most pieces of a bodice.
        ...(p.part === 'darted-bodice' ? { shaping: 'princess-armhole' } : {}),
        ...(p.part === 'straight-skirt' ? { length: '60 cm' } : {}),
      }));
      await json(
        fitter.send('PUT', `/orders/${orderId}/brief`, {
          version,
          brief: {
            version: 2,
            fit: 'fitted',
            lining: 'pongé',
            cloth: { name: 'satin', width: '140 cm' },
            parts,
          },
        }),
      );
      const lines = asLines(randomBody(seeded(6))).filter((l) => !l.startsWith('waist-to-floor'));
      await json(fitter.send('POST', '/readings', sessionBody(who, orderId, lines)));
      for (const both of ['', '?both=1']) {
        const pdf = Buffer.from(
          await (await fitter.get(`/orders/${orderId}/sheet.pdf${both}`)).arrayBuffer(),
        ).toString('latin1');
        expect((pdf.match(/\/Type \/Page\b/g) ?? []).length).toBeLessThanOrEqual(both ? 3 : 2);
      }
      const file = await json(fitter.get(`/orders/${orderId}/sheet.json`));
      expect(file.printed.figures.filter((f: { mark: string }) => f.mark.includes('absent'))).toEqual([]);
    },
  );
  it('each bundle of pieces has its bench card on A5, which names its pieces and opens the order', async () => {
    const dir = mkdtempSync(join(tmpdir(), 'cards-'));
    try {
      const answer = await fitter.get(`/orders/${id}/bench-cards.pdf`);
      expect(answer.headers.get('content-type')).toBe('application/pdf');
      writeFileSync(join(dir, 'cards.pdf'), Buffer.from(await answer.arrayBuffer()));
      const file = await json(fitter.get(`/orders/${id}/sheet.json`));
      const bundles = bundlesOf(file.printed);
      const info = execFileSync('pdfinfo', [join(dir, 'cards.pdf')], { encoding: 'utf8' });
      expect(Number(/Pages: +(\d+)/.exec(info)![1])).toBe(bundles.length);
      expect(info).toMatch(/Page size: +419\.\d+ x 595/);
      const text = execFileSync('pdftotext', ['-enc', 'UTF-8', join(dir, 'cards.pdf'), '-'], {
        encoding: 'utf8',
      }).replace(/\s+/g, ' ');
      for (const [i, b] of bundles.entries()) {
        expect(text).toContain(`Bundle ${i + 1} of ${bundles.length}: ${b.part}, ${b.layer}`);
        for (const p of b.pieces) expect(text).toContain(p.piece);
      }
    } finally {
      rmSync(dir, { recursive: true, force: true });
    }
  });
  it('a toile has its own cut list, shorter than the garment’s', async () => {
    const dir = mkdtempSync(join(tmpdir(), 'toile-'));
    try {
      const answer = await fitter.get(`/orders/${id}/toile.pdf`);
      expect(answer.headers.get('content-type')).toBe('application/pdf');
      writeFileSync(join(dir, 'toile.pdf'), Buffer.from(await answer.arrayBuffer()));
      const text = execFileSync('pdftotext', ['-enc', 'UTF-8', '-layout', join(dir, 'toile.pdf'), '-'], {
        encoding: 'utf8',
      });
      expect(text).toContain('Seams 2.5 cm all round');
      expect(text).toMatch(/front\s+1, on the fold/);
      expect(text).not.toContain('waistband');
    } finally {
      rmSync(dir, { recursive: true, force: true });
    }
  });
  it('paper in both units is still at most two pages', async () => {
    const pdf = Buffer.from(
      await (await fitter.get(`/orders/${id}/sheet.pdf?both=1`)).arrayBuffer(),
    ).toString('latin1');
    expect((pdf.match(/\/Type \/Page\b/g) ?? []).length).toBeLessThanOrEqual(2);
  });
  it('asks for a unit it knows and a revision there is', async () => {
    expect((await fitter.get(`/orders/${id}/sheet.json?unit=ell`)).status).toBe(422);
    expect((await fitter.get(`/orders/${id}/sheet?revision=7`)).status).toBe(404);
    expect((await fitter.get(`/orders/${id}/sheet?revision=x`)).status).toBe(422);
    expect((await fitter.get('/orders/999999/sheet')).status).toBe(404);
  });
});

describe('what was read, and how', () => {
  it('a session’s way of reading a neckline is reckoned with, and what no part uses is told on every copy', async () => {
    const order = await json(
      fitter.send('POST', '/orders', {
        clientId,
        what: 'Bodice',
        wornOn: '2026-05-01',
        dueOn: '2026-04-28',
      }),
      201,
    );
    const brief = { parts: [{ part: 'darted-bodice' }] };
    await json(fitter.send('PUT', `/orders/${order.id}/brief`, { version: order.version, brief }));
    const lines = [
      ...[
        'bust 92 cm',
        'waist 74 cm',
        'neck-to-bust 27 cm',
        'neck-to-waist-front 43 cm',
        'nape-to-waist 40 cm',
      ],
      ...['across-shoulder 39 cm', 'apex-span 19 cm', 'neck-depth-front 25 cm', 'thigh 58 cm'],
    ];
    const schools = { neckDepth: 'up from the waist' };
    await json(fitter.send('POST', '/readings', sessionBody(clientId, order.id, lines, { schools })));
    const file = await json(fitter.get(`/orders/${order.id}/sheet.json?unit=cm`));
    expect(file.spec.session.neckDepth).toBe('up from the waist');
    const depth = file.printed.figures.find((f: { id: string }) => f.id === 'bodice.neck-front');
    expect(depth.finished).toContain('18');
    expect(file.printed.unused.join()).toContain('thigh: No part of this garment is drafted by it.');
    const csv = await (await fitter.get(`/orders/${order.id}/sheet.csv?unit=cm`)).text();
    expect(csv).toContain('"read, not used"');
    const pdf = join(mkdtempSync(join(tmpdir(), 'unused-')), 'sheet.pdf');
    writeFileSync(pdf, Buffer.from(await (await fitter.get(`/orders/${order.id}/sheet.pdf`)).arrayBuffer()));
    const text = execFileSync('pdftotext', ['-enc', 'UTF-8', '-layout', pdf, '-'])
      .toString()
      .replace(/\s+/g, ' ');
    expect(text).toContain('Read, not used. thigh: No part of this garment');
    // Imported into another order it stays as it was read.
    const other = await skirtOrder(fitter);
    await json(
      fitter.send('POST', `/orders/${other.orderId}/import`, file, { 'idempotency-key': randomUUID() }),
    );
    const copy = await json(fitter.get(`/orders/${other.orderId}/sheet.json?unit=cm`));
    expect(copy.printed.figures).toEqual(file.printed.figures);
  });
});

describe('a file into an order', () => {
  it('lays brief, readings, house and overrides in, and the sheet comes out the same', async () => {
    await change(override('6 cm'));
    const file = await json(fitter.get(`/orders/${id}/sheet.json`));
    const other = await skirtOrder(fitter);
    const key = { 'idempotency-key': randomUUID() };
    for (const _ of [1, 2]) await json(fitter.send('POST', `/orders/${other.orderId}/import`, file, key));
    const copy = await json(fitter.get(`/orders/${other.orderId}/sheet.json`));
    expect(copy.printed.figures).toEqual(file.printed.figures.map((f: { why: string[] }) => ({ ...f })));
    expect(
      (await t.pool.query('select count(*)::int as n from session where order_id = $1', [other.orderId]))
        .rows[0].n,
    ).toBe(1);
  });
  it('refuses what is not a spec, and leaves the order as it was', async () => {
    const before = await json(fitter.get(`/orders/${id}`));
    expect(
      (await json(fitter.send('POST', `/orders/${id}/import`, { format: 'something' }), 422)).problems.length,
    ).toBeGreaterThan(0);
    expect(await json(fitter.get(`/orders/${id}`))).toEqual(before);
  });
  it('is not laid over a cut sheet', async () => {
    const file = await json(fitter.get(`/orders/${id}/sheet.json`));
    await agree();
    await cut();
    expect((await json(fitter.send('POST', `/orders/${id}/import`, file), 409)).code).toBe('already-cut');
  });
});

describe('orders', () => {
  it('say what is wrong with their dates, people and versions', async () => {
    const order = { clientId, what: 'Skirt', wornOn: '2026-05-01', dueOn: '2026-05-02' };
    expect((await json(fitter.send('POST', '/orders', order), 422)).code).toBe('due-after-worn');
    expect(
      (await json(fitter.send('POST', '/orders', { ...order, dueOn: null, clientId: 987_654 }), 422)).code,
    ).toBe('no-such-client');
    expect(
      (await json(fitter.send('POST', '/orders', { ...order, dueOn: null, responsibleId: 987_654 }), 422))
        .code,
    ).toBe('no-such-staff');
    expect(
      (await json(fitter.send('POST', '/orders', { ...order, dueOn: '2026-02-30' }), 422)).detail,
    ).toContain('dueOn');
    const { version } = await json(fitter.get(`/orders/${id}`));
    expect(
      (await json(fitter.send('PUT', `/orders/${id}`, { ...order, dueOn: null, version: version - 1 }), 409))
        .theirs.number,
    ).toMatch(/^\d\d-\d+$/);
    expect(
      (
        await json(
          fitter.send('PUT', `/orders/${id}/brief`, { version: version - 1, brief: { parts: [] } }),
          409,
        )
      ).mine.brief.parts,
    ).toEqual([]);
  });
  it('without a brief have no sheet yet, and say how to begin', async () => {
    const bare = await json(fitter.send('POST', '/orders', { clientId, what: 'Gown' }), 201);
    const problem = await json(fitter.get(`/orders/${bare.id}/sheet`), 409);
    expect(problem).toMatchObject({ code: 'no-brief', detail: expect.stringContaining('brief') });
  });
  it('are found by number, garment and client, and listed by due date', async () => {
    const number = (await json(fitter.get(`/orders/${id}`))).number as string;
    expect((await json(fitter.get(`/orders?q=${number}`)))[0].id).toBe(id);
    const list = (await json(fitter.get('/orders'))) as { dueOn: string | null; id: number }[];
    const keys = list.map((o) => `${o.dueOn ?? 'infinity'}${String(o.id).padStart(6, '0')}`);
    expect(keys).toEqual([...keys].sort());
    const rest = await json(fitter.get(`/orders?afterDue=${list[0]!.dueOn}&afterId=${list[0]!.id}`));
    expect(rest[0].id).toBe(list[1]!.id);
  });
});

describe('letters the paper cannot print', () => {
  it('are told with the sheet, before anybody prints it', async () => {
    const plain = await skirtOrder(fitter, { name: 'ليلى منصور' });
    expect((await json(fitter.get(`/orders/${plain.orderId}/sheet`))).unprintable).toEqual([]);
    const thread = await skirtOrder(fitter, { name: 'Ada 🧵' });
    expect((await json(fitter.get(`/orders/${thread.orderId}/sheet`))).unprintable).toEqual(['🧵']);
    expect((await fitter.get(`/orders/${thread.orderId}/sheet.pdf`)).status).toBe(200);
  });
});

describe('an unchanged sheet', () => {
  it('answers 304 to its tag, and another tag to whoever may read less, and once something moved', async () => {
    const { orderId, clientId } = await skirtOrder(fitter);
    const path = `/api/orders/${orderId}/sheet`;
    const get = (who: Caller, etag?: string) =>
      t.app.request(path, { headers: { cookie: who.cookie, ...(etag ? { 'if-none-match': etag } : {}) } });
    const first = await get(fitter);
    const etag = first.headers.get('etag')!;
    const again = await get(fitter, etag);
    expect([again.status, await again.text()]).toEqual([304, '']);
    expect(again.headers.get('cache-control')).toBe('no-store');
    expect((await get(await t.as('desk'), etag)).status).toBe(200);
    await json(fitter.send('POST', '/readings', sessionBody(clientId, orderId, ['waist 70 cm'])));
    const moved = await get(fitter, etag);
    expect(moved.status).toBe(200);
    expect(moved.headers.get('etag')).not.toBe(etag);
  });

  it('moves its tag when only the kept sheet is written anew', async () => {
    await agree();
    const get = (etag: string) =>
      t.app.request(`/api/orders/${id}/sheet`, { headers: { cookie: fitter.cookie, 'if-none-match': etag } });
    const etag = (await get('')).headers.get('etag')!;
    expect((await get(etag)).status).toBe(304);
    const tx = await t.pool.connect();
    await tx.query(
      `begin; set local rocchetto.erasing = 'on';
       update sheet set kept = jsonb_set(kept, '{printed,cm,head}', '[]') where order_id = ${id}; commit`,
    );
    tx.release();
    const moved = await get(etag);
    expect(moved.status).toBe(200);
    expect((await moved.json()) as object).toMatchObject({ kept: { printed: { cm: { head: [] } } } });
  });
});
