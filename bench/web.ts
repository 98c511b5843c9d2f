import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { DEMO_PASSPHRASE } from '@rocchetto/demo/seed.ts';
import { buildWeb } from '../tools/build-web.ts';
import { type Cluster, root, stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';
import { percentile } from './percentile.ts';

const kb = (bytes: number) => `${(bytes / 1024).toFixed(0)} KB`;

/** First-load JavaScript over the wire's compression, its biggest parts, and when the sign-in can be typed into. */
export async function webBench(cluster: Cluster, say: (line: string) => void) {
  buildWeb();
  const assets = join(root, 'web/dist/assets');
  const size = new Map(
    readdirSync(assets)
      .filter((f) => f.endsWith('.js'))
      .map((f) => [f, gzipSync(readFileSync(join(assets, f))).length]),
  );
  const port = await freePort();
  const server = await startServer(cluster.url('bench'), port);
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--disable-gpu',
      '--disable-background-networking',
      ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
    ],
  });
  try {
    const base = `http://127.0.0.1:${port}`;
    const loads = async (
      path: string,
      ready: string,
      state?: Awaited<ReturnType<Awaited<ReturnType<typeof browser.newContext>>['storageState']>>,
    ) => {
      const times: number[] = [];
      const seen = new Set<string>();
      for (let i = 0; i < 7; i++) {
        const context = await browser.newContext(state ? { storageState: state } : {});
        const page = await context.newPage();
        page.on('response', (r) => {
          const file = r.url().split('/').at(-1)!;
          if (size.has(file)) seen.add(file);
        });
        const start = performance.now();
        await page.goto(base + path, { waitUntil: 'commit' });
        await page.locator(ready).first().waitFor();
        times.push(performance.now() - start);
        await context.close();
      }
      return {
        median: percentile(times, 50),
        files: [...seen],
        bytes: [...seen].reduce((a, f) => a + size.get(f)!, 0),
      };
    };
    const door = await loads('/sign-in', 'button[type=submit]');
    const context = await browser.newContext();
    const page = await context.newPage();
    await page.goto(`${base}/sign-in`);
    await page.getByLabel('Name').fill('Bram Teller');
    await page.getByLabel('Passphrase').fill(DEMO_PASSPHRASE);
    await page.keyboard.press('Enter');
    await page.waitForURL('**/orders');
    const state = await context.storageState();
    const orders = await loads('/orders', '.ledger a', state);
    const sheet = await loads('/orders/2/sheet', '.points .quarter', state);
    const biggest = orders.files.sort((a, b) => size.get(b)! - size.get(a)!).slice(0, 4);
    say(
      `first load, JavaScript gzip: sign-in ${kb(door.bytes)}, orders ${kb(orders.bytes)}, sheet ${kb(sheet.bytes)}. Aim: under 350 KB.`,
    );
    say(
      `biggest parts: ${biggest.map((f) => `${f.replace(/-[\w-]{8}\.js$/, '')} ${kb(size.get(f)!)}`).join(', ')}.`,
    );
    say(
      `time until it can be used, empty cache, loopback, median of 7: sign-in ${door.median.toFixed(0)} ms, orders ${orders.median.toFixed(0)} ms, sheet ${sheet.median.toFixed(0)} ms.`,
    );
  } finally {
    await browser.close();
    await stopChild(server, 'SIGTERM', 3000);
  }
}
