import { DEMO_PASSPHRASE } from '@rocchetto/demo/people.ts';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { startTestApp } from '@rocchetto/server/app/testing.ts';
import { expect, it } from 'vitest';
import { stopChild } from './cluster.ts';
import { freePort } from './ports.ts';
import { startServer } from './serve.ts';

/** One turn of the server’s own thread may hold the others up for so long, ms; before heavy work went elsewhere, seconds. */
const LONGEST = 1500;

// No aim of speed: that the server answers between the pieces of the work, which it did not while it did the work itself.
it('papers and a long book are made while the server goes on answering', async () => {
  const t = await startTestApp();
  const port = await freePort();
  await seedDemo(t.url);
  const server = await startServer(t.url, port);
  const at = (path: string, init: RequestInit = {}) => fetch(`http://127.0.0.1:${port}/api${path}`, init);
  try {
    const said = await at('/sign-in', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Odile Marchetti', passphrase: DEMO_PASSPHRASE }),
    });
    const cookie = said.headers.getSetCookie()[0]!.split(';')[0]!;
    const { csrf } = (await (await at('/me', { headers: { cookie } })).json()) as { csrf: string };
    const orders = (await (await at('/orders?view=all', { headers: { cookie } })).json()) as { id: number }[];
    const rows = Array.from(
      { length: 40_000 },
      (_, i) => `Client ${i},0555 ${i},2019-01-01,${80 + (i % 40)},70,${'x'.repeat(200)}`,
    );
    const book = `Name,Phone,Date,Bust,Waist,Note\n${rows.join('\n')}`;
    let over = false;
    const heavy = Promise.all([
      at('/imports?name=book.csv', {
        method: 'POST',
        headers: { cookie, 'x-csrf-token': csrf, 'content-type': 'text/csv' },
        body: book,
      }).then((r) => r.status),
      ...orders
        .slice(0, 12)
        .map(({ id }) => at(`/orders/${id}/sheet.pdf`, { headers: { cookie } }).then((r) => r.status)),
    ]).finally(() => {
      over = true;
    });
    const waits: number[] = [];
    while (!over) {
      const start = performance.now();
      expect((await at('/health')).status).toBe(200);
      waits.push(performance.now() - start);
      await new Promise((r) => setTimeout(r, 10));
    }
    const [imported, ...papers] = await heavy;
    expect(imported).toBe(201);
    expect(papers.filter((s) => s === 200).length).toBeGreaterThan(3);
    expect(waits.length).toBeGreaterThan(20);
    expect(waits.sort((a, b) => a - b)[Math.floor(waits.length * 0.95)]).toBeLessThan(LONGEST);
  } finally {
    await stopChild(server, 'SIGTERM', 5000);
    await t.close();
  }
}, 180_000);
