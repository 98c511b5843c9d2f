import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';
import { READ_TWICE } from './sql.ts';

let t: TestApp;
let [principal, fitter, bench]: Caller[] = [];
const id = async (who: Caller) => (await json(who.get('/me'))).id as number;
beforeAll(async () => {
  t = await startTestApp();
  [principal, fitter, bench] = [await t.as('principal'), await t.as('fitter'), await t.as('seamstress')];
});
afterAll(() => t.close());

describe('accuracy of measuring', () => {
  it('pairs of one hand make its error; the principal sees all hands, another only their own', async () => {
    for (let i = 0; i < 5; i++) {
      const { clientId, orderId } = await skirtOrder(fitter!, { name: `Read Twice ${i}` });
      const body = sessionBody(clientId, orderId, [
        'waist 70 cm',
        'waist 70.4 cm',
        'hip 98 cm',
        'hip 101 cm',
        'waist-to-hip 20 cm',
      ]);
      await json(fitter!.send('POST', '/readings', body));
    }
    const all = await json(principal!.get('/tape'));
    expect(all.hands).toHaveLength(1);
    const [waist, hip] = all.hands[0].rows;
    expect(waist).toMatchObject({ measure: 'waist', pairs: 5, verdict: 'steady', allowed: 0.9 });
    expect(waist.tem).toBeCloseTo(0.4 / Math.SQRT2, 6);
    expect(hip).toMatchObject({ measure: 'hip', verdict: 'strays' });
    expect((await json(bench!.get('/tape'))).hands).toEqual([]);
  });

  it('leaves out what was replaced, what another hand read, and what was not taken here; a thousand sessions are read once each', async () => {
    const read = (m: string, text: string, more: object = {}) => ({
      version: 1,
      written: { value: `${Math.round(Number(text) * 10)}/10`, unit: 'cm', text },
      way: 'whole',
      tape: 'snug',
      source: 'taken here',
      replaces: null,
      reason: '',
      note: '',
      wroteBy: '',
      m,
      ...more,
    });
    const { clientId } = await skirtOrder(fitter!, { name: 'Many Sessions' });
    const add = async (session: string, by: string, facts: readonly ({ m: string } & object)[]) => {
      await t.pool.query(
        `insert into session (id, client_id, at, staff_id, measurer, details, unit) values ($1, $2, now(), 1, $3, '{}', 'cm') on conflict do nothing`,
        [session, clientId, by],
      );
      for (const { m, ...fact } of facts) {
        const { id = randomUUID(), ...rest } = fact as { id?: string };
        await t.pool.query(
          `insert into reading (id, session_id, measure, state, fact, read_by, staff_id, at) values ($1, $2, $3, 'read', $4, $5, 1, now())`,
          [id, session, m, JSON.stringify(rest), by],
        );
      }
    };
    const replaced = randomUUID();
    await add(randomUUID(), 'Tape Hand', [
      { ...read('knee', '37'), id: replaced },
      read('knee', '39', { replaces: replaced }),
      read('wrist', '16'),
      read('wrist', '16.4', { source: 'carried over' }),
      read('ankle', '22'),
      read('ankle', '22.2'),
    ] as never);
    const mixed = randomUUID();
    await add(mixed, 'Tape Hand', [read('calf', '36')]);
    await add(mixed, 'Other Hand', [read('calf', '37')]);
    const { hands } = await json(principal!.get('/tape'));
    const mine = hands.find((h: { name: string }) => h.name === 'Tape Hand');
    expect(mine.rows.map((r: { measure: string }) => r.measure)).toEqual(['ankle']);
    expect(mine.rows[0].tem).toBeCloseTo(0.2 / Math.SQRT2, 6);
    // By the plan: no step of it reads the readings more than once for each session.
    await t.pool.query(
      `insert into session (id, client_id, at, staff_id, measurer, details, unit) select gen_random_uuid(), $1, now() - make_interval(mins => i), 1, 'Plan', '{}', 'cm' from generate_series(1, 900) i`,
      [clientId],
    );
    await t.pool.query(
      `insert into reading (id, session_id, measure, state, fact, read_by, staff_id, at)
       select gen_random_uuid(), s.id, m, 'read', $1::jsonb, 'Plan', 1, now() from session s, unnest(array['bust','waist','hip','knee','calf','wrist','ankle','neck-base']) m, generate_series(1, 2)
        where s.measurer = 'Plan'`,
      [JSON.stringify(read('x', '70'))],
    );
    await t.pool.query('analyze session; analyze reading');
    const { rows } = await t.pool.query(`explain (analyze, timing off, format json) ${READ_TWICE}`);
    const steps: { 'Relation Name'?: string; 'Actual Rows': number; 'Actual Loops': number }[] = [];
    const walk = (p: { Plans?: never[] }) => {
      steps.push(p as never);
      for (const q of p.Plans ?? []) walk(q);
    };
    walk(rows[0]['QUERY PLAN'][0].Plan);
    const touched = steps.reduce((n, p) => n + p['Actual Rows'] * p['Actual Loops'], 0);
    // 800 sessions of 16 readings, a handful of steps; every reading against every other would be millions.
    expect(touched).toBeLessThan(800 * 16 * 12);
  });

  it('two hands at practice are kept by one of them, and told beside each other', async () => {
    const [me, other] = [await id(bench!), await id(fitter!)];
    const pairs = [{ measure: 'bust', reader: '96 cm', second: '37 1/2 in' }];
    await json(bench!.send('POST', '/tape/pairs', { readerId: me, secondId: other, pairs }), 201);
    const { between } = await json(bench!.get('/tape'));
    expect(between[0].rows[0]).toMatchObject({ measure: 'bust', pairs: 1, verdict: 'too few' });
    expect(between[0].rows[0].tem).toBeCloseTo(Math.abs(96 - 95.25) / Math.SQRT2, 6);
    const send = (body: object, status: number) => json(bench!.send('POST', '/tape/pairs', body), status);
    expect((await send({ readerId: me, secondId: me, pairs }, 422)).detail).toContain('two different people');
    await send({ readerId: other, secondId: await id(principal!), pairs }, 403);
    await send({ readerId: me, secondId: 99999, pairs }, 422);
    await send({ readerId: me, secondId: other, pairs: [{ ...pairs[0], measure: 'tail' }] }, 422);
  });
});

describe('what a client measured over time', () => {
  it('is a line of each measure with what was worn and who read, and says what is too old for which order', async () => {
    const { clientId, orderId } = await skirtOrder(fitter!, { name: 'Over Time' });
    const at = (day: string, lines: string[], order: number | null) => {
      const body = sessionBody(clientId, order as number, lines);
      return fitter!.send('POST', '/readings', {
        ...body,
        session: { ...body.session, at: `${day}T10:00:00Z`, beneath: 'slip' },
      });
    };
    await json(at('2025-03-02', ['waist 70 cm', 'hip 98 cm'], null));
    await json(at('2025-11-20', ['waist 72 cm'], orderId));
    const view = await json(fitter!.get(`/clients/${clientId}/history`));
    expect(view.series.map((s: { measure: string }) => s.measure)).toEqual(['waist', 'hip']);
    expect(view.series[0].points.map((p: { cm: number; beneath: string }) => [p.cm, p.beneath])).toEqual([
      [70, 'slip'],
      [72, 'slip'],
    ]);
    expect(view.stale).toMatchObject([{ orderId }]);
    expect(view.stale[0].says).toContain('110 days old');
    await json(bench!.get(`/clients/${clientId}/history`), 403);
  });
});

describe('how we measure, on paper', () => {
  it('the card of a session tells both cups apart, each with what it is for', async () => {
    const { clientId, orderId } = await skirtOrder(fitter!, { name: 'Two Cups' });
    const body = sessionBody(clientId, orderId, ['bust 92 cm', 'high-bust 84.5 cm', 'underbust 76 cm']);
    await json(fitter!.send('POST', '/readings', body));
    const pdf = join(mkdtempSync(join(tmpdir(), 'card-')), 'card.pdf');
    const answer = await fitter!.get(`/sessions/${body.session.id}/card.pdf`);
    writeFileSync(pdf, Buffer.from(await answer.arrayBuffer()));
    const text = execFileSync('pdftotext', ['-layout', pdf, '-']).toString().replace(/\s+/g, ' ');
    expect(text).toContain('Sewing cup C: bust 92 cm less high bust 84.5 cm is 7.5 cm');
    expect(text).toContain('Bra size 75 C');
  });
  it('is a guide, a client’s page, an order’s list, and a card of a session', async () => {
    const { clientId, orderId } = await skirtOrder(fitter!, { name: 'On Paper' });
    const body = sessionBody(clientId, orderId, ['waist 70 cm', 'hip 38 1/2 in']);
    await json(fitter!.send('POST', '/readings', body));
    for (const path of [
      '/guide.pdf',
      '/guide.pdf?for=client',
      `/orders/${orderId}/measuring-list.pdf`,
      `/sessions/${body.session.id}/card.pdf`,
    ]) {
      const res = await fitter!.get(path);
      expect(res.status, path).toBe(200);
      expect(
        Buffer.from(await res.arrayBuffer())
          .subarray(0, 5)
          .toString(),
        path,
      ).toBe('%PDF-');
    }
    expect((await bench!.get(`/sessions/${body.session.id}/card.pdf`)).status).toBe(403);
    expect((await fitter!.get('/sessions/nothing/card.pdf')).status).toBe(404);
    const bare = await json(fitter!.send('POST', '/orders', { clientId, what: 'Coat' }), 201);
    expect((await json(fitter!.get(`/orders/${bare.id}/measuring-list.pdf`), 409)).code).toBe('no-brief');
  });
});
