import { randomUUID } from 'node:crypto';
import type { Stage } from '@rocchetto/core';
import { seeded } from '@rocchetto/core/garment/testing.ts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, clientBody, json, sessionBody, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let fitter: Caller;
beforeAll(async () => {
  t = await startTestApp();
  fitter = await t.as('fitter');
});
afterAll(() => t.close());

const READ = [
  'waist 70 cm',
  'waist 70.5 cm',
  'hip 96 cm',
  'hip 96 cm',
  'waist-to-hip 20 cm',
  ...['front', 'left', 'right', 'back'].map((at) => `hem-${at} 62 cm`),
];
const BRIEF = {
  parts: [{ part: 'straight-skirt', length: '62 cm', hemOpening: { kind: 'vent', height: '18 cm' } }],
};

/** An order's stage worked out from all that is in the book, apart from the column that is kept. */
const WORKED_OUT = `select o.stage, case
    when exists (select 1 from sheet s where s.order_id = o.id and s.status = 'cut') then 'cut'
    when (select s.status from sheet s where s.order_id = o.id order by s.revision desc limit 1) = 'agreed' then 'agreed'
    when exists (select 1 from sheet s where s.order_id = o.id) then 'sheet'
    when exists (select 1 from session m join reading r on r.session_id = m.id where m.order_id = o.id) then 'measured'
    when o.brief is not null then 'brief' else 'asked' end as worked from orders o where o.id = $1`;

type Step = 'brief' | 'measure' | 'ease' | 'agree' | 'cut';
const STEPS: readonly Step[] = ['brief', 'measure', 'ease', 'agree', 'cut'];

/** One step through the interface, wherever the order stands; a refusal is an answer too. */
async function take(step: Step, id: number, clientId: number): Promise<number> {
  const order = await json(fitter.get(`/orders/${id}`));
  const sheet = await fitter.get(`/orders/${id}/sheet`);
  const version = sheet.status === 200 ? (await sheet.json()).version : 0;
  const post = (path: string, body: object) => fitter.send('POST', path, body);
  switch (step) {
    case 'brief':
      return (await fitter.send('PUT', `/orders/${id}/brief`, { version: order.version, brief: BRIEF }))
        .status;
    case 'measure':
      return (await post('/readings', sessionBody(clientId, id, READ))).status;
    case 'ease':
      return (
        await post(`/orders/${id}/sheet/changes`, {
          version,
          change: {
            kind: 'override',
            id: randomUUID(),
            figure: 'hip',
            target: 'wearing',
            value: '6 cm',
            reason: 'roomier',
          },
        })
      ).status;
    case 'agree':
      return (await post(`/orders/${id}/sheet/agree`, { version, name: 'Nell' })).status;
    default:
      return (await post(`/orders/${id}/sheet/cut`, { version })).status;
  }
}

describe('the stage of an order', () => {
  it('is what its brief, readings and sheets say, after any steps in any order', async () => {
    const { id: clientId } = await json(fitter.send('POST', '/clients', clientBody('Any Order')), 201);
    const seen = new Set<Stage>();
    for (let seed = 1; seed <= 12; seed++) {
      const rnd = seeded(seed * 101);
      const { id } = await json(fitter.send('POST', '/orders', { clientId, what: `Skirt ${seed}` }), 201);
      seen.add((await json(fitter.get(`/orders/${id}`))).stage);
      for (let n = 0; n < 9; n++) {
        // Mostly the next one in order, now and then any.
        const step = rnd() < 0.65 ? STEPS[Math.min(n, 4)]! : STEPS[Math.floor(rnd() * 5)]!;
        const status = await take(step, id, clientId);
        expect(status, `seed ${seed}, ${step}`).toBeLessThan(500);
        const { rows } = await t.pool.query<{ stage: Stage; worked: Stage }>(WORKED_OUT, [id]);
        expect(rows[0]!.stage, `seed ${seed}, after ${step} (${status})`).toBe(rows[0]!.worked);
        seen.add(rows[0]!.stage);
      }
    }
    expect([...seen].sort()).toEqual(['agreed', 'asked', 'brief', 'cut', 'measured', 'sheet']);
  });

  it('never goes back once it is cut, whatever is sent', async () => {
    const { id: clientId } = await json(fitter.send('POST', '/clients', clientBody('Cut Once')), 201);
    const { id } = await json(fitter.send('POST', '/orders', { clientId, what: 'Skirt' }), 201);
    for (const step of ['brief', 'measure', 'agree', 'cut'] as const)
      expect(await take(step, id, clientId), step).toBe(200);
    for (const step of STEPS) await take(step, id, clientId);
    expect((await json(fitter.get(`/orders/${id}`))).stage).toBe('cut');
  });
});
