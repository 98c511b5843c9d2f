import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { toSheetInput } from '@rocchetto/contract';
import { computeSheet } from '@rocchetto/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Caller, json, sessionBody, skirtOrder, startTestApp, type TestApp } from '../../app/testing.ts';

let t: TestApp;
let principal: Caller;
let fitter: Caller;
const RATES = {
  hour: { tailoring: 38, fitting: 48, measuring: 42, desk: 30 },
  notions: { zip: 7.5, thread: 3.2 },
  share: { work: 20, goods: 12 },
  deposit: 40,
  step: 5,
};
beforeAll(async () => {
  t = await startTestApp();
  [principal, fitter] = [await t.as('principal'), await t.as('fitter')];
});
afterAll(() => t.close());

const setRates = async (rates: object) => {
  const { version, bench } = await json(principal.get('/house/bench'));
  await json(principal.send('PUT', '/house/bench', { version, bench: { ...bench, rates } }));
};
const NONE = { hour: {}, notions: {}, share: { work: 0, goods: 0 }, deposit: 0, step: 0 };
/** A measured skirt, whose cloth costs 46 a metre. */
async function pricedSkirt() {
  const made = await skirtOrder(fitter);
  const read = ['waist 70 cm', 'hip 98 cm', 'waist-to-hip 20 cm'];
  await json(fitter.send('POST', '/readings', sessionBody(made.clientId, made.orderId, read)));
  const order = await json(fitter.get(`/orders/${made.orderId}`));
  const brief = { ...order.brief, cloth: { ...order.brief.cloth, width: '140 cm' } };
  await json(fitter.send('PUT', `/orders/${made.orderId}/brief`, { version: order.version, brief }));
  const url = `/orders/${made.orderId}/estimate`;
  const cloths = [{ name: 'cloth', price: 46, theirs: false }];
  await json(fitter.send('PUT', url, { version: 0, choices: { version: 1, cloths } }));
  return { ...made, url };
}
const keep = async (url: string, who = fitter) => {
  const { stamp } = await json(who.get(url));
  return (await json(who.send('POST', `${url}s`, { stamp }), 201)).id as number;
};
const sentenceOf = async (res: Promise<Response>, status: number) => {
  const body = await json(res, status);
  return `${body.code}: ${body.detail ?? body.title}`;
};

describe('what an order would cost', () => {
  it('is its plan’s hours, its sheet’s cloth and notions, priced; and it says what it lacks', async () => {
    await setRates(NONE);
    const { url, orderId } = await pricedSkirt();
    const bare = await json(fitter.get(url));
    expect(bare.estimate.leaves[0]).toMatch(/^No rate is set for fitting, measuring, desk and tailoring: /);
    await setRates(RATES);
    const { estimate, would } = await json(fitter.get(url));
    const plan = await json(fitter.get(`/orders/${orderId}/plan`));
    // What is still before it has the plan's own minutes: nothing is reckoned twice.
    for (const s of plan.steps)
      expect([s.id, estimate.lines.find((l: { id: string }) => l.id === `work-${s.id}`)?.minutes]).toEqual([
        s.id,
        s.minutes,
      ]);
    const { spec } = await json(fitter.get(`/orders/${orderId}/sheet`));
    const cloth = computeSheet(toSheetInput(spec)).notions.find((n) => n.name === 'cloth')!;
    const line = estimate.lines.find((l: { name: string }) => l.name === 'cloth');
    expect(`${cloth.length! / 100} m`).toBe(line.quantity);
    expect(line.amount).toBeCloseTo((46 * cloth.length!) / 100, 2);
    expect(estimate.asked % 5).toBe(0);
    const bySays = Object.fromEntries(would.map((w: { says: string; asked: number }) => [w.says, w.asked]));
    expect(bySays['With a toile']).toBeGreaterThan(estimate.asked);
    expect(bySays['With one visit only']).toBeLessThan(estimate.asked);
  });
  it('follows what the plan chooses and what the lay takes', async () => {
    await setRates(RATES);
    const { url, orderId } = await pricedSkirt();
    const before = await json(fitter.get(url));
    const { choices } = await json(fitter.get(`/orders/${orderId}/plan`));
    await json(
      fitter.send('PUT', `/orders/${orderId}/plan`, { version: 0, choices: { ...choices, toile: true } }),
    );
    const after = await json(fitter.get(url));
    expect(after.estimate.asked).toBe(
      before.would.find((w: { says: string }) => w.says === 'With a toile').asked,
    );
    expect(after.stamp).not.toBe(before.stamp);
  });
  it('a garment that was brought in has none, and says where its price stands', async () => {
    const { clientId } = await skirtOrder(fitter);
    const brought = { clientId, kind: 'jacket', what: 'Jacket', lined: true, label: '', condition: 'worn' };
    const { orderId: id } = await json(fitter.send('POST', '/brought-in', brought), 201);
    const view = await json(fitter.get(`/orders/${id}/estimate`));
    expect(view.none).toMatch(/^This garment was brought in/);
    expect(
      await sentenceOf(fitter.send('POST', `/orders/${id}/estimates`, { stamp: view.stamp }), 409),
    ).toMatch(/brought in/);
    expect((await fitter.get(`/orders/${id}/estimate.pdf`)).status).toBe(409);
  });
});

describe('an estimate that is kept', () => {
  it('stays word for word, says what moved since, and counts once it is agreed', async () => {
    await setRates(RATES);
    const { url, orderId } = await pricedSkirt();
    const first = await keep(url);
    const { estimate: then } = await json(fitter.get(url));
    await setRates({ ...RATES, hour: { ...RATES.hour, tailoring: 45 } });
    const moved = await json(fitter.get(url));
    expect(moved.kept[0].estimate).toEqual(then);
    expect(moved.since.at(-1)).toEqual({ name: 'price', before: then.asked, after: moved.estimate.asked });
    await json(fitter.send('POST', `/estimates/${first}/agree`, { name: 'Edda' }));
    const money = await json(fitter.get(`/orders/${orderId}/money`));
    expect([money.estimate, money.agreed, money.open]).toEqual([
      { revision: 1, price: then.asked },
      then.asked,
      then.asked,
    ]);
    // A later one that is agreed takes its place; withdrawn, nothing is agreed any more.
    const second = await keep(url);
    await json(fitter.send('POST', `/estimates/${second}/agree`, { name: 'Edda' }));
    const { kept } = await json(fitter.get(url));
    expect(kept.map((k: { state: string }) => k.state)).toEqual(['agreed', 'replaced']);
    expect(kept[0].moved.length).toBeGreaterThan(1);
    expect((await json(fitter.get(`/orders/${orderId}/money`))).agreed).toBe(moved.estimate.asked);
    await json(fitter.send('POST', `/estimates/${second}/withdraw`, { reason: 'They want no lining.' }));
    expect((await json(fitter.get(`/orders/${orderId}/money`))).estimate).toBeNull();
    for (const [step, body] of [
      ['agree', { name: 'Edda' }],
      ['withdraw', { reason: 'again' }],
    ] as const)
      expect(await sentenceOf(fitter.send('POST', `/estimates/${second}/${step}`, body), 409)).toMatch(
        /^not-open: Estimate 2 is /,
      );
  });
  it('is what was seen: one that moved meanwhile is not kept, two hands keep two revisions, agree one', async () => {
    await setRates(RATES);
    const { url } = await pricedSkirt();
    const { stamp, version, choices } = await json(fitter.get(url));
    const [a, b] = await Promise.all([
      fitter.send('POST', `${url}s`, { stamp }),
      principal.send('POST', `${url}s`, { stamp }),
    ]);
    expect([a.status, b.status]).toEqual([201, 201]);
    const ids = (await json(fitter.get(url))).kept.map((k: { id: number; revision: number }) => k.id);
    expect(ids).toHaveLength(2);
    const agreed = await Promise.all(
      ids.map((id: number, i: number) =>
        (i ? fitter : principal).send('POST', `/estimates/${id}/agree`, { name: 'Edda' }),
      ),
    );
    expect(agreed.map((r) => r.status)).toEqual([200, 200]);
    const states = (await json(fitter.get(url))).kept.map((k: { state: string }) => k.state).sort();
    expect(states).toEqual(['agreed', 'replaced']);
    // Two hands price at once: the second is shown what the first wrote.
    await json(fitter.send('PUT', url, { version, choices: { ...choices, asked: 500 } }));
    const clash = await json(
      principal.send('PUT', url, { version, choices: { ...choices, asked: 600 } }),
      409,
    );
    expect([clash.theirs.asked, clash.mine.asked]).toEqual([500, 600]);
    expect(await sentenceOf(fitter.send('POST', `${url}s`, { stamp }), 409)).toMatch(/^moved-meanwhile: /);
  });
  it('is refused without a price, of a cancelled order, of none, and by who may not', async () => {
    await setRates(NONE);
    const { orderId } = await skirtOrder(fitter);
    const url = `/orders/${orderId}/estimate`;
    const { stamp } = await json(fitter.get(url));
    expect(await sentenceOf(fitter.send('POST', `${url}s`, { stamp }), 422)).toMatch(/^no-price: /);
    for (const body of [
      { version: 0, choices: { version: 1, asked: -1 } },
      { version: 0, choices: { version: 1, asked: 1.234 } },
      { version: 0, choices: { version: 1, until: 'soon' } },
      { version: 0, choices: { version: 1, cloths: [{ name: 'gold', price: 1, theirs: false }] } },
      { version: 0, choices: { version: 2 } },
    ])
      expect((await fitter.send('PUT', url, body)).status).toBe(422);
    expect((await fitter.get('/orders/99999/estimate')).status).toBe(404);
    expect((await fitter.get(`${url}.pdf?revision=7`)).status).toBe(404);
    expect((await fitter.send('POST', '/estimates/99999/agree', { name: 'x' })).status).toBe(404);
    const seamstress = await t.as('seamstress');
    for (const res of [
      seamstress.get(url),
      seamstress.get(`${url}.pdf`),
      seamstress.send('PUT', url, { version: 0, choices: { version: 1 } }),
      seamstress.send('POST', `${url}s`, { stamp }),
      seamstress.send('POST', '/estimates/1/agree', { name: 'x' }),
      seamstress.send('POST', '/estimates/1/withdraw', { reason: 'x' }),
    ])
      expect((await res).status).toBe(403);
    await setRates(RATES);
    const { stamp: now } = await json(fitter.get(url));
    const { version } = await json(fitter.get(`/orders/${orderId}`));
    await json(fitter.send('POST', `/orders/${orderId}/cancel`, { version, reason: 'moved away' }));
    expect(await sentenceOf(fitter.send('POST', `${url}s`, { stamp: now }), 409)).toMatch(/^cancelled: /);
  });
});

describe('on paper', () => {
  const textOf = async (path: string) => {
    const dir = mkdtempSync(join(tmpdir(), 'estimate-'));
    try {
      const res = await fitter.get(path);
      expect(res.status).toBe(200);
      writeFileSync(join(dir, 'e.pdf'), Buffer.from(await res.arrayBuffer()));
      const args = ['-enc', 'UTF-8', '-layout', join(dir, 'e.pdf'), '-'];
      return execFileSync('pdftotext', args, { encoding: 'utf8' });
    } finally {
      rmSync(dir, { recursive: true });
    }
  };
  it('prints also while nothing has a price', async () => {
    await setRates(NONE);
    const { orderId } = await skirtOrder(fitter);
    for (const detail of ['', '?detail=1'])
      expect(await textOf(`/orders/${orderId}/estimate.pdf${detail}`)).toContain('not known yet');
  });
  it('has the figures of the screen: parts for the client, every line for the studio', async () => {
    await setRates(RATES);
    const { url } = await pricedSkirt();
    await keep(url);
    const { estimate, kept } = await json(fitter.get(url));
    expect(kept[0].revision).toBe(1);
    const client = await textOf(`${url}.pdf?revision=1`);
    for (const s of estimate.sums) expect(client).toContain(s.amount.toFixed(2));
    for (const n of [estimate.asked, estimate.deposit, estimate.balance, estimate.moved.by])
      expect(client).toContain(n.toFixed(2));
    expect(client).not.toContain('an hour');
    expect(client).not.toMatch(/share on|studio’s share/i);
    const detail = await textOf(`${url}.pdf?detail=1`);
    expect(detail).toContain('not kept');
    for (const l of estimate.lines) {
      expect(detail).toContain(l.name);
      if (l.amount !== null) expect(detail).toContain(l.amount.toFixed(2));
    }
    // A price that a hand set: parts that add up to another sum are not the client's.
    const { version, choices } = await json(fitter.get(url));
    await json(fitter.send('PUT', url, { version, choices: { ...choices, asked: 777 } }));
    const own = await textOf(`${url}.pdf`);
    expect(own).toContain('777.00');
    for (const s of estimate.sums) expect(own).not.toContain(s.amount.toFixed(2));
  });
});
