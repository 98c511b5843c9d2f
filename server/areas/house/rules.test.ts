import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let principal: Caller;
let fitter: Caller;
const READ = [
  'waist 70 cm',
  'waist 70.5 cm',
  'hip 96 cm',
  'hip 96 cm',
  'waist-to-hip 20 cm',
  ...['front', 'left', 'right', 'back'].map((at) => `hem-${at} 62 cm`),
];
beforeAll(async () => {
  t = await startTestApp();
  [principal, fitter] = [await t.as('principal'), await t.as('fitter')];
});
afterAll(() => t.close());

const rulesNow = () => json(fitter.get('/house/rules'));
const change = async (rules: object, status = 200) =>
  json(principal.send('PUT', '/house/rules', { version: (await rulesNow()).version, rules }), status);
/** A skirt that is measured; agreed where asked for. */
async function measuredSkirt(agreed = false): Promise<number> {
  const { clientId, orderId } = await skirtOrder(fitter);
  await json(fitter.send('POST', '/readings', sessionBody(clientId, orderId, READ)));
  if (!agreed) return orderId;
  const { version } = await json(fitter.get(`/orders/${orderId}/sheet`));
  await json(fitter.send('POST', `/orders/${orderId}/sheet/agree`, { version, name: 'Nell Arkwright' }));
  return orderId;
}

describe('the house’s rules', () => {
  it('are changed by the principal alone, dated and named, place by place', async () => {
    for (const role of ['fitter', 'seamstress', 'desk'] as const) {
      const who = await t.as(role);
      expect((await who.send('PUT', '/house/rules', { version: 1, rules: {} })).status).toBe(403);
      expect((await who.send('POST', '/house/rules/would-move', { rules: {} })).status).toBe(403);
    }
    await change({ ease: { hip: { fitted: '6 cm' } }, leads: { measured: 20 } });
    await change({ ease: { hip: { fitted: '5.5 cm' } }, leads: { measured: 20 }, ages: { usual: 60 } });
    const { changes, rules } = await rulesNow();
    expect(rules.ease.hip.fitted).toBe('5.5 cm');
    expect(changes[0]).toMatchObject({
      by: 'Test principal',
      moved: [
        { name: 'wearing ease, hip, fitted', from: '6 cm', to: '5.5 cm' },
        { name: 'age of measurements, as a rule', from: '90 days', to: '60 days' },
      ],
    });
    expect(changes[1].moved.map((m: { to: string }) => m.to)).toEqual(['6 cm', '20 days']);
    await change({});
  });

  it('refuse what is no rule with a sentence, and keep what they were', async () => {
    const before = await rulesNow();
    for (const rules of [
      { ease: { hip: { fitted: 'wide' } } },
      { ease: { ankle: { fitted: '2 cm' } } },
      { darts: { front: { count: 2 } } },
      { ages: { usual: -1 } },
      { rounding: { unit: 'cm', step: 0.3, mode: 'nearest' } },
    ])
      expect(
        (await json(principal.send('PUT', '/house/rules', { version: before.version, rules }), 422)).problems
          .length,
      ).toBeGreaterThan(0);
    expect(await rulesNow()).toEqual(before);
  });

  it('give 409 with both texts to the second of two who save at once', async () => {
    const { version } = await rulesNow();
    const both = await Promise.all(
      ['7 cm', '8 cm'].map((fitted) =>
        principal.send('PUT', '/house/rules', { version, rules: { ease: { hip: { fitted } } } }),
      ),
    );
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
    await change({});
  });

  it('saved as they stand are no change: no line in the history, and no hand before another', async () => {
    await change({ ease: { hip: { fitted: '6 cm' } } });
    const before = await rulesNow();
    expect(await change(before.rules)).toEqual({ version: before.version });
    expect(await rulesNow()).toEqual(before);
    expect(await change({})).toEqual({ version: before.version + 1 });
    expect((await rulesNow()).changes).toHaveLength(before.changes.length + 1);
  });

  it('reach every sheet that is not agreed, and the dates in danger', async () => {
    const order = await measuredSkirt();
    const hip = async () =>
      (await json(fitter.get(`/orders/${order}/sheet.json`))).figures.find(
        (f: { id: string }) => f.id === 'hip',
      );
    const before = await hip();
    await change({ ease: { hip: { fitted: '9 cm' } } });
    expect((await hip()).finished - before.finished).toBeCloseTo(4, 6);
    const inDanger = async () =>
      (await json(fitter.get('/orders?view=danger'))).some((o: { id: number }) => o.id === order);
    expect(await inDanger()).toBe(false);
    await change({ leads: { measured: 60 } });
    expect(await inDanger()).toBe(true);
    expect((await json(fitter.get('/me'))).leads.measured).toBe(60);
    await change({});
  });

  it('tell what other rules would move, and move nothing by telling', async () => {
    const [draft, agreed] = [await measuredSkirt(), await measuredSkirt(true)];
    const ask = (rules: object) => json(principal.send('POST', '/house/rules/would-move', { rules }));
    const tag = async (id: number) => JSON.stringify(await json(fitter.get(`/orders/${id}/sheet`)));
    const was = [await tag(draft), await tag(agreed)];
    expect(await ask({})).toMatchObject({ next: null, orders: [] });
    const wider = await ask({ ease: { hip: { fitted: '6 cm' } } });
    const named = (id: number) => wider.orders.find((o: { id: number }) => o.id === id);
    expect(named(draft)).toMatchObject({ agreed: false });
    expect(named(agreed)).toMatchObject({ agreed: true });
    expect(named(draft).moves[0]).toBe('hip: 101.13 cm → 102.13 cm (+1 cm)');
    expect(wider.looked).toBe(wider.all);
    // Allowances move no figure, but what is cut.
    expect((await ask({ allowances: { hem: '6 cm' } })).orders[0].moves[0]).toContain('cut size');
    expect((await ask({ leads: { agreed: 90, measured: 90, sheet: 90 } })).danger[1]).toBeGreaterThan(0);
    expect([await tag(draft), await tag(agreed)]).toEqual(was);
  });
});
