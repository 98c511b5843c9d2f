import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { test as base, expect, type Page } from '@playwright/test';
import { readLength } from '@rocchetto/core/units/reading.ts';
import { DEMO_PASSPHRASE } from '@rocchetto/demo/people.ts';
import type axe from 'axe-core';
import pg from 'pg';
import { stopChild } from '../tools/cluster.ts';
import { asAdmin, databaseUrl, TEMPLATE } from '../tools/e2e-databases.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';

interface Studio {
  readonly url: string;
  readonly databaseUrl: string;
}

/**
 * Every worker has a studio of its own: a copy of the demo's database and a server on it. Every test fails on a
 * script error or on a breach of the page's content security policy.
 */
export const test = base.extend<{ quiet: undefined }, { studio: Studio }>({
  studio: [
    // biome-ignore lint/correctness/noEmptyPattern: the fixture's shape
    async ({}, use, { workerIndex }) => {
      const database = `e2e_${workerIndex}`;
      await asAdmin(
        `drop database if exists ${database} with (force)`,
        `create database ${database} template ${TEMPLATE}`,
      );
      const port = await freePort();
      const server = await startServer(databaseUrl(database), port, { CHECK_ANSWERS: '1' });
      process.env.E2E_DATABASE_URL = databaseUrl(database);
      await use({ url: `http://127.0.0.1:${port}`, databaseUrl: databaseUrl(database) });
      await stopChild(server, 'SIGTERM', 15_000);
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ studio }, use) => use(studio.url),
  quiet: [
    async ({ page }, use) => {
      const said: string[] = [];
      page.on('pageerror', (e) => said.push(e.message));
      page.on('console', (m) => {
        if (/Content Security Policy|Warning: /.test(m.text())) said.push(m.text());
      });
      // Every answer up to so many milliseconds late, each by its own: what a page does meanwhile must not depend on it.
      const late = Number(process.env.E2E_LATE ?? 0);
      if (late > 0) {
        await page.context().route('**/api/**', async (route) => {
          await new Promise((go) => setTimeout(go, Math.random() * late));
          await route.continue().catch(() => {});
        });
      }
      // So many times slower than this machine: between a key and the next one pages have not yet come to rest.
      const slow = Number(process.env.E2E_SLOW ?? 0);
      if (slow > 1)
        await (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', {
          rate: slow,
        });
      await use(undefined);
      expect(said).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/** Sign-ins of this worker's studio, by name: hashing a passphrase takes longer than most tests' own steps. */
const signedIn = new Map<string, string>();

/** Signed in as somebody, on the page that is named, if one is; the door itself has tests of its own. */
export async function signIn(page: Page, name = 'Bram Teller', to?: string) {
  const context = page.context();
  const known = signedIn.get(name);
  await context.clearCookies();
  if (known) await context.addCookies([JSON.parse(known)]);
  if (!known || (await page.request.get('/api/me')).status() !== 200) {
    await context.clearCookies();
    const res = await page.request.post('/api/sign-in', { data: { name, passphrase: DEMO_PASSPHRASE } });
    expect(res.ok(), await res.text()).toBe(true);
    const cookie = (await context.cookies()).find((c) => c.name === 'rocchetto')!;
    signedIn.set(name, JSON.stringify(cookie));
  }
  if (to === undefined) return;
  await page.goto(to);
  await expect(page.locator('.band')).toBeVisible();
}

/** Whether a kind of screen is still to be looked at in this run: the first of all workers to claim it looks. */
function claim(kind: string): boolean {
  const claimed = join(process.env.E2E_LOOKED_AT!, createHash('sha1').update(kind).digest('hex'));
  try {
    mkdirSync(claimed);
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
    throw error;
  }
}

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * No breach of WCAG 2.2 A or AA that axe can see. Each kind of screen is looked at once in a run: a kind is the
 * address without its numbers, and what is open on it when that is named.
 */
export async function accessible(page: Page, open = '') {
  const kind = `${new URL(page.url()).pathname.replace(/\d+/g, 'N')} ${open}`;
  if (!claim(kind)) return;
  await page.evaluate(AXE);
  // In the page and at once: its builder for this runner asks again in a second page, at three times the work.
  const breaches = await page.evaluate(async () => {
    const { violations } = await (globalThis as unknown as { axe: typeof axe }).axe.run({
      runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'],
      resultTypes: ['violations'],
    });
    return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`);
  });
  expect(breaches).toEqual([]);
}

/** A change made by another pair of hands: the API, with this page's own sign-in. */
export async function byApi(page: Page, method: 'POST' | 'PUT', path: string, data: object) {
  const { csrf } = await (await page.request.get('/api/me')).json();
  const res = await page.request.fetch(`/api${path}`, { method, data, headers: { 'x-csrf-token': csrf } });
  expect(res.ok(), await res.text()).toBe(true);
  return res.json();
}

/** A new client with an order whose brief is written; unmeasured. */
export async function newSkirt(page: Page, name: string, brief: object = {}) {
  const client = await byApi(page, 'POST', '/clients', { name });
  const order = await byApi(page, 'POST', '/orders', { clientId: client.id, what: 'Straight skirt' });
  const wire = {
    parts: [{ part: 'straight-skirt', length: '62 cm', hemOpening: { kind: 'vent', height: '18 cm' } }],
    ...brief,
  };
  await byApi(page, 'PUT', `/orders/${order.id}/brief`, { version: order.version, brief: wire });
  return { clientId: client.id as number, orderId: order.id as number };
}

/** A skirt that is measured, so that it has panels to alter. */
export async function measured(page: Page, name: string) {
  const made = await newSkirt(page, name);
  const at = new Date().toISOString();
  const readings = ['waist 70', 'waist 70', 'hip 98', 'hip 98', 'waist-to-hip 20.5'].map((line) => {
    const [measure, text] = line.split(' ');
    const read = readLength(text!, 'cm');
    if (!read.ok) throw new Error(read.sentence);
    return { id: crypto.randomUUID(), measure, state: 'read', written: read.written, at };
  });
  const session = { id: crypto.randomUUID(), clientId: made.clientId, orderId: made.orderId, at };
  await byApi(page, 'POST', '/readings', { session, readings });
  return made;
}

/** One answer of the test database. */
export async function inDatabase<T extends object>(sql: string, values: unknown[] = []): Promise<T[]> {
  const client = new pg.Client({ connectionString: process.env.E2E_DATABASE_URL });
  await client.connect();
  try {
    return (await client.query<T>(sql, values)).rows;
  } finally {
    await client.end();
  }
}

/** Types a reading into the big field and takes it. */
export async function call(page: Page, text: string) {
  await page.locator('#reading').fill(text);
  await page.keyboard.press('Enter');
}

/** Waits until so many readings of an order are in the studio's book: what the page says may still be of the one before. */
export const inTheBook = (orderId: number, readings: number) =>
  expect
    .poll(
      async () =>
        (
          await inDatabase<{ n: number }>(
            `select count(*)::int as n from reading r join session s on s.id = r.session_id where s.order_id = $1`,
            [orderId],
          )
        )[0]!.n,
    )
    .toBe(readings);

/** From the order’s measuring page to the big field. */
export async function takeUpTape(page: Page, orderId: number) {
  await page.goto(`/orders/${orderId}/measure`);
  await page.getByRole('button', { name: 'Start measuring' }).press('Enter');
  await expect(page.locator('#reading')).toBeFocused();
}
