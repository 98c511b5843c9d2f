import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import type { Browser, BrowserContextOptions, Page } from '@playwright/test';

import { buildWeb } from '../tools/build-web.ts';
import { type Cluster, root, stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';
import { open } from './browser.ts';
import { percentile } from './percentile.ts';

const kb = (bytes: number) => `${(bytes / 1024).toFixed(0)} KB`;
const secs = (ms: number) => `${(ms / 1000).toFixed(1)} s`;
const median = (samples: readonly number[]) => percentile(samples, 50);
/** A tablet on a slow line: 4 × slower than this machine, 1.6 Mbit/s, 150 ms there and back. */
const SLOW = { cpu: 4, bits: 1_600_000, latency: 150 };

async function slowed(page: Page, network: boolean) {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOW.cpu });
  if (network)
    await devtools.send('Network.emulateNetworkConditions', {
      offline: false,
      latency: SLOW.latency,
      downloadThroughput: SLOW.bits / 8,
      uploadThroughput: SLOW.bits / 8,
    });
}

interface Load {
  readonly bytes: number;
  readonly fast: number;
  readonly slow: number;
}

/** One address, empty cache: the JavaScript it brought, and the time until `ready` is there, on a fast and a slow line. */
async function load(
  browser: Browser,
  base: string,
  path: string,
  ready: string,
  size: ReadonlyMap<string, number>,
  state?: BrowserContextOptions['storageState'],
): Promise<Load> {
  const seen = new Set<string>();
  const once = async (slow: boolean) => {
    const context = await browser.newContext(state ? { storageState: state } : {});
    const page = await context.newPage();
    page.on('response', (r) => {
      const file = r.url().split('/').at(-1)!;
      if (size.has(file)) seen.add(file);
    });
    if (slow) await slowed(page, true);
    const start = performance.now();
    await page.goto(base + path, { waitUntil: 'commit' });
    await page.locator(ready).first().waitFor();
    const took = performance.now() - start;
    await context.close();
    return took;
  };
  const [fast, slow]: [number[], number[]] = [[], []];
  for (let i = 0; i < 5; i++) {
    fast.push(await once(false));
    slow.push(await once(true));
  }
  return { bytes: [...seen].reduce((a, f) => a + size.get(f)!, 0), fast: median(fast), slow: median(slow) };
}

/** From an input event to the frame after it is drawn, as the page itself sees it, ms. */
const toFrame = (page: Page, act: string) =>
  page.evaluate(
    (does) =>
      new Promise<number>((done) => {
        const start = performance.now();
        new Function(does)();
        requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - start)));
      }),
    act,
  );

/** Sends the form of the margin and answers the ms until the hip's row shows something else. A text, so that nothing is added to it on its way to the page. */
const UNTIL_ROW_MOVES = `new Promise((done) => {
  const text = () => document.querySelector('tr:has([data-figure="hip"])').textContent;
  const was = text();
  const start = performance.now();
  new MutationObserver((_, o) => {
    if (text() === was) return;
    o.disconnect();
    requestAnimationFrame(() => done(performance.now() - start));
  }).observe(document.querySelector('.points'), { subtree: true, childList: true, characterData: true, attributes: true });
  document.querySelector('.margin form.stack').requestSubmit();
})`;

/** The first of the demo's orders that is a gown; null where there is none. */
const gownOf = (signedIn: Page): Promise<number | null> =>
  signedIn.evaluate(async () => {
    // No function of its own in here: the loader adds something to those that the page does not know.
    // The demo's orders are the first, whatever else is in the book.
    for (let id = 1; id <= 40; id++) {
      const order = await fetch(`/api/orders/${id}`);
      if (order.ok && JSON.stringify((await order.json()).brief ?? {}).includes('boned-bodice')) return id;
    }
    return null;
  });

/** How long the sheet page of the demo's gown takes against the skirt's, turn about, everything but the order known. */
export async function sheetsCompared(
  browser: Browser,
  base: string,
  state: BrowserContextOptions['storageState'],
  signedIn: Page,
  say: (line: string) => void,
) {
  const gown = await gownOf(signedIn);
  if (!gown) return say('sheet page of a gown: the data has no gown.');
  const context = await browser.newContext({ ...(state ? { storageState: state } : {}) });
  const page = await context.newPage();
  await slowed(page, false);
  const took: Record<string, number[]> = { skirt: [], gown: [] };
  const shown = async (path: string) => {
    // From the orders page, as a hand would come: the program is there, the sheet is not.
    await page.goto(`${base}/orders`);
    await page.locator('.ledger a').first().waitFor();
    const start = performance.now();
    await page.evaluate((to) => {
      history.pushState({}, '', to);
      dispatchEvent(new PopStateEvent('popstate'));
    }, path);
    await page.locator('.points [data-figure]').first().waitFor();
    await page.locator('.points [data-figure]').last().waitFor();
    return performance.now() - start;
  };
  for (let i = 0; i < 9; i++)
    for (const [what, id] of [
      ['skirt', 2],
      ['gown', gown],
    ] as const) {
      const ms = await shown(`/orders/${id}/sheet`);
      if (i > 1) took[what]!.push(ms);
    }
  await context.close();
  const [skirt, dress] = [median(took.skirt!), median(took.gown!)];
  say(
    `sheet page of a gown: ${dress.toFixed(0)} ms from the orders page, the skirt's ${skirt.toFixed(0)} ms, 4 × slow-down; ratio ${(dress / skirt).toFixed(2)}. Aim: ≤ 1.5.`,
  );
}

/** First load of the pages that have an aim: their JavaScript, and when they can be used. */
export async function firstLoads(
  browser: Browser,
  base: string,
  state: BrowserContextOptions['storageState'],
  say: (line: string) => void,
) {
  const assets = join(root, 'web/dist/assets');
  const size = new Map(
    readdirSync(assets)
      .filter((f) => f.endsWith('.js'))
      .map((f) => [f, gzipSync(readFileSync(join(assets, f))).length]),
  );
  for (const [what, path, ready, signedIn, aim] of [
    ['sign-in', '/sign-in', 'button[type=submit]', false, 'Aim: ≤ 130 KB, ≤ 3 s on the slow line.'],
    ['orders', '/orders', '.ledger a', true, 'Aim: ≤ 230 KB, ≤ 4 s on the slow line.'],
    ['sheet', '/orders/2/sheet', '.points .quarter', true, 'Aim: ≤ 260 KB.'],
  ] as const) {
    const { bytes, fast, slow } = await load(browser, base, path, ready, size, signedIn ? state : undefined);
    say(
      `first load of ${what}: JavaScript ${kb(bytes)} gzip; usable after ${secs(fast)}, at 4 × slow-down with 1.6 Mbit/s and 150 ms after ${secs(slow)} (empty cache, medians of 5). ${aim}`,
    );
  }
}

/** Types an ease into the page of what is tried: until the table of figures shows it. */
const UNTIL_TRIED = (value: string) => `new Promise((done) => {
  const field = document.getElementById('try-ease.hip');
  const was = document.querySelector('.outcome').textContent;
  const start = performance.now();
  new MutationObserver((_, o) => {
    if (document.querySelector('.outcome').textContent === was) return;
    o.disconnect();
    done(performance.now() - start);
  }).observe(document.querySelector('.outcome'), { subtree: true, childList: true, characterData: true });
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, '${value}');
  field.dispatchEvent(new Event('input', { bubbles: true }));
})`;
async function tried(page: Page, base: string, id: number, say: (line: string) => void) {
  for (const [how, aim] of [
    ['', 50],
    [', 4 × slow-down', 200],
  ] as const) {
    await page.goto(`${base}/orders/${id}/what-if?ease.hip=5%20cm`);
    await page.getByText(/would change/).waitFor();
    if (how) await slowed(page, false);
    await page.waitForTimeout(1500);
    const took: number[] = [];
    for (let i = 0; i < 12; i++) {
      took.push((await page.evaluate(UNTIL_TRIED(`${6 + i / 2} cm`))) as number);
      await page.waitForTimeout(700);
    }
    say(
      `what if, an ease tried on a gown${how}: median ${median(took).toFixed(0)} ms until its figures and panels are there (p95 ${percentile(took, 95).toFixed(0)} ms). Aim: ≤ ${aim} ms.`,
    );
  }
}

/** First load, time until each page can be used, and how quickly the sheet answers a hand. */
export async function webBench(cluster: Cluster, say: (line: string) => void) {
  await buildWeb();
  const port = await freePort();
  const server = await startServer(cluster.url('bench'), port, { LOG_LEVEL: 'silent' });
  const base = `http://127.0.0.1:${port}`;
  const { browser, context, page } = await open(base, 'Bram Teller');
  try {
    const state = await context.storageState();
    await firstLoads(browser, base, state, say);
    await sheetsCompared(browser, base, state, page, say);
    const trying = await context.newPage();
    await tried(trying, base, (await gownOf(page))!, say);
    await trying.close();
    await page.goto(`${base}/orders/4/sheet`);
    await page.locator('.points .quarter').first().waitFor();
    await page.waitForTimeout(3000);
    await slowed(page, false);
    const ids = ['hip', 'waist', 'high-hip', 'hem', 'waist', 'hip'];
    const chosen: number[] = [];
    for (let i = 0; i < 24; i++) {
      const id = ids[i % ids.length]!;
      const there = await page.locator(`[data-figure="${id}"]`).count();
      if (!there) continue;
      chosen.push(await toFrame(page, `document.querySelector('[data-figure="${id}"]').click()`));
      await page.waitForTimeout(700);
    }
    say(
      `sheet, a figure chosen, 4 × slow-down: median ${median(chosen).toFixed(0)} ms to the second frame after it (p95 ${percentile(chosen, 95).toFixed(0)} ms). Aim: ≤ 100 ms.`,
    );
    const eased: number[] = [];
    await page.locator('[data-figure="hip"]').click();
    for (let i = 0; i < 9; i++) {
      const value = 5 + i / 10;
      await page.getByLabel('Figure set by hand').fill(String(value));
      await page.getByLabel('Reason', { exact: true }).fill('bench');
      eased.push((await page.evaluate(UNTIL_ROW_MOVES)) as number);
      await page.waitForTimeout(900);
    }
    say(
      `sheet, an ease changed, 4 × slow-down, shown before its answer from the server: median ${median(eased).toFixed(0)} ms until the row shows it (p95 ${percentile(eased, 95).toFixed(0)} ms). Aim: ≤ 200 ms.`,
    );
  } finally {
    await browser.close();
    await stopChild(server, 'SIGTERM', 5000);
  }
}
