import type { Browser, BrowserContext, Page } from '@playwright/test';
import { dayAfter } from '@rocchetto/core/dates/day-after.ts';
import { openPool } from '@rocchetto/server/db/pool.ts';
import { openSignIn } from '@rocchetto/server/records/sign-ins.ts';
import { buildWeb } from '../tools/build-web.ts';
import { launchChromium } from '../tools/chromium.ts';
import { type Cluster, stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';
import { ms } from './interleaved.ts';
import { percentile } from './percentile.ts';

const median = (samples: readonly number[]) => percentile(samples, 50);
const slow = async (page: Page, rate: number) =>
  (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate });

/** Collects the time between frames until it is asked for them. A text, so that nothing is added to it on its way. */
const WATCH = `window.frames_ = []; window.until_ = true; (() => {
  let last = performance.now();
  const next = (t) => { window.frames_.push(t - last); last = t; if (window.until_) requestAnimationFrame(next); };
  requestAnimationFrame(next);
})()`;

/** How the day and the weeks of a house with 40 staff feel on a slow machine. @param day one of `bench_diary` with bookings */
export async function diaryWebBench(cluster: Cluster, day: string, say: (line: string) => void) {
  await buildWeb();
  const pool = openPool(cluster.url('bench_diary'), () => undefined, { max: 2 });
  await pool.query(`update staff set role = 'principal' where name = 'Hand 1'`);
  await pool.query('update house set set_up_at = now(), first_steps_away_at = now()');
  const { rows } = await pool.query<{ id: number }>(`select id from staff where name = 'Hand 1'`);
  const cookie = await openSignIn(pool, rows[0]!.id);
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  const server = await startServer(cluster.url('bench_diary'), port, { LOG_LEVEL: 'silent' });
  const browser: Browser = await launchChromium();
  const opened = async (): Promise<{ context: BrowserContext; page: Page }> => {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addCookies([{ name: 'rocchetto', value: cookie, url: base }]);
    return { context, page: await context.newPage() };
  };
  try {
    for (const [what, path, ready] of [
      ['the day', `/diary?day=${day}`, 'g.loop'],
      ['the weeks ahead', `/diary/weeks?from=${day}`, '.weekspool svg[role=img]'],
    ] as const) {
      const took: number[] = [];
      for (let i = 0; i < 5; i++) {
        const { context, page } = await opened();
        await slow(page, 4);
        const start = performance.now();
        await page.goto(base + path, { waitUntil: 'commit' });
        await page.locator(ready).first().waitFor();
        took.push(performance.now() - start);
        await context.close();
      }
      say(
        `${what} of 40 staff, 4 × slow-down, empty cache: there after ${(median(took) / 1000).toFixed(1)} s (median of 5).`,
      );
    }
    const { page } = await opened();
    await page.goto(`${base}/diary?day=${day}`);
    const loop = page.locator('g.loop').first();
    await loop.waitFor();
    await page.waitForTimeout(1500);
    await slow(page, 4);
    const box = (await loop.boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 20, y);
    await page.waitForTimeout(300);
    await page.evaluate(WATCH);
    for (let i = 0; i < 180; i++) await page.mouse.move(x + 20 + i * 2, y + (i % 60));
    const frames = (await page.evaluate('window.until_ = false, window.frames_')) as number[];
    await page.mouse.up();
    await page.keyboard.press('Escape');
    const late = frames.filter((f) => f > 1000 / 30).length;
    say(
      `a loop drawn along the day of 40 staff, 4 × slow-down: ${(1000 / median(frames)).toFixed(0)} frames a second by the median of ${frames.length} (p95 ${ms(percentile(frames, 95))} ms between two, ${late} over 33 ms). Aim: 60.`,
    );
    // The measured week may be full: the first day that has room for these eight.
    const timesOn = async (from: string, until: string) =>
      (await (
        await page.request.get(`${base}/api/diary/times?kind=fitting&from=${from}&until=${until}`)
      ).json()) as { times: { day: string; time: string; staff: unknown; roomId: unknown }[] };
    const roomy = (await timesOn(day, dayAfter(day, 27))).times[0]?.day ?? day;
    const other = await opened();
    await other.page.goto(`${base}/diary?day=${roomy}`);
    await other.page.locator('.daythreads, g.loop').first().waitFor();
    await slow(page, 1);
    const { csrf } = await (await page.request.get(`${base}/api/me`)).json();
    const seen: number[] = [];
    for (let i = 0; i < 8; i++) {
      const name = `Seen ${i}`;
      const { rows: made } = await pool.query<{ id: number }>(
        `insert into client (code, name, search) values ($1, $2, lower($2)) returning id`,
        [`S-${i}`, name],
      );
      const { times } = await timesOn(roomy, roomy);
      if (times.length === 0) throw new Error(`No fitting can be booked on ${roomy}.`);
      const { time, staff, roomId } = times[0]!;
      const sent = performance.now();
      await page.request.post(`${base}/api/appointments`, {
        headers: { 'x-csrf-token': csrf },
        data: { kind: 'fitting', clientId: made[0]!.id, slots: [{ day: roomy, time, staff, roomId }] },
      });
      await other.page.getByText(name).first().waitFor({ state: 'attached' });
      seen.push(performance.now() - sent);
    }
    say(
      `a booking by one page, seen on another’s open day of 40 staff: median ${ms(median(seen))} ms after it was sent (p95 ${ms(percentile(seen, 95))}, of ${seen.length}). Aim: within a second.`,
    );
  } finally {
    await browser.close();
    await stopChild(server, 'SIGTERM', 5000);
    await pool.end();
  }
}
