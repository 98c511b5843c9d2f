import { stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';
import { accessible, call, expect, inTheBook, newSkirt, signIn, takeUpTape, test } from './help.ts';

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

test.use({ serviceWorkers: 'allow' });

test('the program opens while its server is gone, goes on measuring, and sends it all once the server is back', async ({
  browser,
  studio,
}) => {
  const port = await freePort();
  let server = await startServer(studio.databaseUrl, port);
  const context = await browser.newContext({
    baseURL: `http://127.0.0.1:${port}`,
    serviceWorkers: 'allow',
    viewport: { width: 1280, height: 800 },
  });
  const page = await context.newPage();
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

    await stopChild(server, 'SIGKILL', 15_000);
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

    server = await startServer(studio.databaseUrl, port);
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
    await context.close();
    await stopChild(server, 'SIGTERM', 15_000);
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
