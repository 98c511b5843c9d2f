import type { Page } from '@playwright/test';
import { readLength } from '@rocchetto/core';
import { asLines, randomBody, seeded } from '@rocchetto/core/garment/testing.ts';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import { buildWeb } from '../tools/build-web.ts';
import { type Cluster, stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';
import { open } from './browser.ts';
import { percentile } from './percentile.ts';

const DRESS = [
  { part: 'darted-bodice', shaping: 'princess-shoulder' },
  { part: 'gored-skirt', gores: '6', length: '62 cm' },
  { part: 'sleeve' },
];

/** Types a figure into "How much": until what it would change is on the screen, ms. */
const UNTIL_SHOWN = (value: string) => `new Promise((done) => {
  const field = document.querySelector('#alter-amount');
  const seen = () => document.querySelector('section[aria-label="What it would change"]')?.textContent ?? '';
  const was = seen();
  const start = performance.now();
  const look = new MutationObserver(() => {
    if (seen() === was || seen() === '') return;
    look.disconnect();
    requestAnimationFrame(() => setTimeout(() => done(performance.now() - start)));
  });
  look.observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true });
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, '${value}');
  field.dispatchEvent(new Event('input', { bubbles: true }));
})`;

/** An amount written at a fitting until it is seen what it would change, at 4 × slow-down: the first and the others. */
export async function markBench(cluster: Cluster, say: (line: string) => void): Promise<void> {
  await buildWeb();
  await cluster.ensureDatabase('bench_mark', true);
  const url = cluster.url('bench_mark');
  await migrate(url);
  await seedDemo(url);
  const port = await freePort();
  const server = await startServer(url, port, { LOG_LEVEL: 'silent' });
  const base = `http://127.0.0.1:${port}`;
  const { browser, context, page } = await open(base, 'Odile Marchetti');
  try {
    const gown = await orderWith(page, base, 'boned-bodice');
    const trousers = await measuredOrder(page, base, [{ part: 'trousers' }]);
    const dress = await measuredOrder(page, base, DRESS);
    await page.close();
    for (const [what, id] of [
      ['a skirt', 2],
      ['trousers', trousers],
      ['a gown', gown],
      ['a princess dress with sleeves', dress],
    ] as const) {
      if (id === null) continue;
      const [first, rest]: [number[], number[]] = [[], []];
      for (let round = 0; round < 4; round++) {
        const at = await context.newPage();
        await at.goto(`${base}/orders/${id}/fitting`);
        await at.getByLabel('Alteration', { exact: true }).selectOption('side-seams');
        await at.locator('#alter-amount').waitFor();
        await (await context.newCDPSession(at)).send('Emulation.setCPUThrottlingRate', { rate: 4 });
        await at.waitForTimeout(2000);
        for (let i = 0; i < 8; i++) {
          const took = (await at.evaluate(UNTIL_SHOWN(`${(3 + i) / 10} cm`))) as number;
          (i === 0 ? first : rest).push(took);
          await at.waitForTimeout(500);
        }
        await at.close();
      }
      const ms = (s: number[], p: number) => percentile(s, p).toFixed(0);
      say(
        `mark to screen on ${what}, 4 × slow-down: median ${ms(rest, 50)} ms (p95 ${ms(rest, 95)}), the first after 2 s ${ms(first, 50)} (median of ${first.length}). Aim ≤ 100 ms, both.`,
      );
    }
  } finally {
    await browser.close();
    await stopChild(server, 'SIGTERM', 5000);
  }
}

/** The first of the demo's orders whose brief holds this; null where none does. */
async function orderWith(page: Page, base: string, word: string): Promise<number | null> {
  for (let id = 1; id <= 40; id++) {
    const res = await page.request.get(`${base}/api/orders/${id}`);
    if (res.ok() && JSON.stringify((await res.json()).brief ?? {}).includes(word)) return id;
  }
  return null;
}

/** An order of a garment of these parts, measured all over. */
async function measuredOrder(page: Page, base: string, parts: readonly object[]): Promise<number> {
  const { csrf } = await (await page.request.get(`${base}/api/me`)).json();
  const send = async (method: 'post' | 'put', path: string, data: object) => {
    const res = await page.request[method](`${base}/api${path}`, { data, headers: { 'x-csrf-token': csrf } });
    if (!res.ok()) throw new Error(await res.text());
    return res.json();
  };
  const order = await send('post', '/orders', { clientId: 1, what: 'Measured' });
  await send('put', `/orders/${order.id}/brief`, { version: order.version, brief: { parts } });
  const at = new Date().toISOString();
  const readings = asLines(randomBody(seeded(5))).map((line) => {
    const [measure, ...typed] = line.split(' ');
    const read = readLength(typed.join(' '), 'cm');
    if (!read.ok) throw new Error(read.sentence);
    return { id: crypto.randomUUID(), measure, state: 'read', written: read.written, at };
  });
  const session = { id: crypto.randomUUID(), clientId: 1, orderId: order.id, at };
  await send('post', '/readings', { session, readings });
  return order.id;
}
