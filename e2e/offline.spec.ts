import type { Browser } from '@playwright/test';
import { stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';
import {
  accessible,
  byApi,
  call,
  expect,
  inDatabase,
  inTheBook,
  measured,
  newSkirt,
  signIn,
  takeUpTape,
  test,
} from './help.ts';

/** In the page: every address of the book's answers that this device keeps, or notes that it kept. */
const keptHere = async () => [
  ...(await (await caches.open('Done')).keys()).map((k) => k.url),
  ...(await new Promise<string[]>((found, not) => {
    const opening = indexedDB.open('workbox-expiration');
    // No table yet: nothing noted; opening must not make an empty one.
    opening.onupgradeneeded = () => opening.transaction?.abort();
    opening.onerror = () => found([]);
    opening.onsuccess = () => {
      const all = opening.result.transaction('cache-entries').objectStore('cache-entries').getAll();
      all.onerror = () => not(all.error);
      all.onsuccess = () => found(all.result.map((row: { url: string }) => row.url));
    };
  })),
];

/** A page of a server of its own, which can be killed and started again. */
async function ownServer(browser: Browser, databaseUrl: string) {
  const port = await freePort();
  let server = await startServer(databaseUrl, port);
  const context = await browser.newContext({
    baseURL: `http://127.0.0.1:${port}`,
    serviceWorkers: 'allow',
    viewport: { width: 1280, height: 800 },
  });
  return {
    page: await context.newPage(),
    kill: () => stopChild(server, 'SIGKILL', 15_000),
    start: async () => {
      server = await startServer(databaseUrl, port);
    },
    end: async () => {
      await context.close();
      await stopChild(server, 'SIGTERM', 15_000);
    },
  };
}

test.use({ serviceWorkers: 'allow' });

test('the program opens while its server is gone, goes on measuring, and sends it all once the server is back', async ({
  browser,
  studio,
}) => {
  const own = await ownServer(browser, studio.databaseUrl);
  const { page } = own;
  try {
    await signIn(page, 'Bram Teller', '/orders');
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    const { orderId } = await newSkirt(page, 'Server Gone');
    await takeUpTape(page, orderId);
    await call(page, '70');
    await inTheBook(orderId, 1);
    // Once more with the worker in charge, so that the book's answers are kept.
    await page.goto('/orders');
    await expect(page.locator('main a[href^="/orders/"]').nth(5)).toBeVisible();
    await page.goto(`/orders/${orderId}/measure`);
    await expect(page.getByText('1. 70 cm')).toBeVisible();

    await own.kill();
    await page.reload();
    await expect(page.getByText('Can’t reach the server')).toBeVisible();
    await expect(page.getByText('1. 70 cm')).toBeVisible();
    await accessible(page, 'offline');
    await call(page, '70.5');
    await call(page, '98');
    await expect(page.getByText('2 saved on this device, not sent yet')).toBeVisible();
    await page.goto('/orders');
    await expect(page.locator('main a[href^="/orders/"]').nth(5)).toBeVisible();
    await page.goto('/clients?q=ada');
    await expect(page.getByRole('alert')).toContainText('Can’t reach the');

    await own.start();
    await inTheBook(orderId, 3);
    await page.goto(`/orders/${orderId}/measure`);
    await expect(page.getByText('Everything is saved.')).toBeVisible();
    await expect(page.getByText('Can’t reach the server')).toHaveCount(0);

    // The next hand at this device finds nothing of what this one was told.
    await page.getByLabel(/Signed in: Bram Teller/).click();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page).toHaveURL(/sign-in/);
    expect(await page.evaluate(keptHere)).toEqual([]);
  } finally {
    await own.end();
  }
});

test('a job is ticked and done at the bench while the server is gone, a reload in between, and stands in the book after', async ({
  browser,
  studio,
}) => {
  const own = await ownServer(browser, studio.databaseUrl);
  const { page } = own;
  try {
    await signIn(page, 'Bram Teller', '/orders');
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    const { orderId } = await measured(page, 'Bench Gone');
    const { id } = await byApi(page, 'POST', `/orders/${orderId}/alterations`, {
      source: 'fitting',
      asked: { version: 2, kind: 'hem-straight', direction: 'up', amount: '2 cm' },
    });
    await byApi(page, 'POST', `/alterations/${id}/steps`, {
      version: 1,
      step: { step: 'agree', name: 'the client', price: null, neededOn: null },
    });
    await page.goto(`/orders/${orderId}/alterations/${id}`);
    const boxes = page.getByRole('list', { name: 'Pieces' }).getByRole('checkbox');
    await expect(boxes.first()).toBeVisible();
    await page.reload();
    await expect(boxes.first()).toBeVisible();
    const n = await boxes.count();

    await own.kill();
    await page.getByRole('button', { name: 'Start job' }).click();
    const waiting = page.getByRole('list', { name: 'Waiting to be sent' });
    await expect(waiting).toContainText('take up 2 cm. Now begun. saved here, not sent yet');
    for (let i = 0; i < n; i++) await boxes.nth(i).check();
    await page.reload();
    await expect(waiting.getByRole('listitem')).toHaveCount(n + 1);
    for (let i = 0; i < n; i++) await expect(boxes.nth(i)).toBeChecked();
    await page.getByRole('button', { name: 'Mark done' }).click();
    await expect(page.getByText(`${n + 2} entries waiting to be sent.`)).toBeVisible();
    await accessible(page, 'bench without the server');

    await own.start();
    await expect(waiting).toBeHidden();
    await expect(page.getByText(/entries waiting to be sent/)).toBeHidden();
    const steps = await inDatabase<{ step: string }>(
      'select step from alteration_step where alteration_id = $1 order by id',
      [id],
    );
    expect(steps.map((s) => s.step)).toEqual(['asked', 'agree', 'start', 'finish']);
    await page.reload();
    for (let i = 0; i < n; i++) await expect(boxes.nth(i)).toBeChecked();
  } finally {
    await own.end();
  }
});

test('what was still being asked for when a hand signs out is not kept on the device', async ({ page }) => {
  await signIn(page, 'Bram Teller', '/orders');
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  const { orderId } = await newSkirt(page, 'Still Asked');
  for (let round = 0; round < 3; round++) {
    if (round > 0) await signIn(page);
    await page.goto(`/orders/${orderId}`);
    await expect.poll(async () => (await page.evaluate(keptHere)).length).toBeGreaterThan(2);
    await page.getByLabel(/Signed in: Bram Teller/).click();
    const out = page.getByRole('button', { name: 'Sign out' });
    await out.waitFor();
    await page.evaluate((id) => {
      // Many questions on their way, and the hand leaves without waiting for one.
      for (let i = 0; i < 60; i++) void fetch(`/api/orders/${id}?n=${i}`).catch(() => undefined);
    }, orderId);
    await out.click();
    await expect(page).toHaveURL(/sign-in/);
    expect(await page.evaluate(keptHere)).toEqual([]);
  }
});
