import { DEMO_PASSPHRASE } from '@rocchetto/demo/people.ts';
import { Secret, TOTP } from 'otpauth';
import { stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';
import { accessible, call, expect, inTheBook, newSkirt, signIn, takeUpTape, test } from './help.ts';

/** Through the door, as a hand does: nothing of it is remembered for other tests. */
async function enter(page: import('@playwright/test').Page, name: string, passphrase = DEMO_PASSPHRASE) {
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Passphrase', { exact: true }).fill(passphrase);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

test('a screen locks in the middle of a brief and goes on where it was, also after a reload and in another tab', async ({
  page,
  context,
}) => {
  await page.goto('/sign-in');
  await enter(page, 'Ines Kovar');
  await expect(page.locator('.band')).toBeVisible();
  await page.goto('/clients/new');
  await page.getByLabel('Name').first().fill('Half Written');
  const other = await context.newPage();
  await other.goto('/orders');
  await expect(other.locator('.band')).toBeVisible();
  await page.locator('details.who summary').click();
  await page.getByRole('button', { name: 'Lock screen' }).click();
  await expect(page.getByRole('heading', { name: 'Screen locked' })).toBeVisible();
  await accessible(page, 'locked');
  await expect(other.getByRole('heading', { name: 'Screen locked' })).toBeVisible();
  // Nothing of what lies beneath is reached by keys.
  await page.keyboard.press('Shift+Tab');
  expect(await page.evaluate(() => document.activeElement?.closest('[inert]') === null)).toBe(true);
  expect((await page.request.get('/api/orders')).status()).toBe(423);
  await page.getByLabel('Passphrase of Ines Kovar').fill('not this one at all');
  await page.getByRole('button', { name: 'Unlock screen' }).click();
  await expect(page.getByRole('alert')).toContainText('Wrong passphrase');
  await page.getByLabel('Passphrase of Ines Kovar').fill(DEMO_PASSPHRASE);
  await page.getByRole('button', { name: 'Unlock screen' }).click();
  await expect(page.getByRole('heading', { name: 'Screen locked' })).toBeHidden();
  await expect(page.getByLabel('Name').first()).toHaveValue('Half Written');
  await expect(other.getByRole('heading', { name: 'Screen locked' })).toBeHidden();
  // The tab that was only told goes on as well.
  await other.getByRole('link', { name: 'Clients' }).click();
  await expect(other.getByRole('heading', { name: 'Clients' })).toBeVisible();
  await page.locator('details.who summary').click();
  await page.getByRole('button', { name: 'Lock screen' }).click();
  await page.reload();
  await expect(page.getByText('Ines Kovar is signed in.')).toBeVisible();
  await page.getByLabel('Passphrase of Ines Kovar').fill(DEMO_PASSPHRASE);
  await page.getByRole('button', { name: 'Unlock screen' }).click();
  await expect(page.locator('.band')).toBeVisible();
});

test('a screen that nobody touches locks by itself after the house’s minutes', async ({ page }) => {
  await page.clock.install();
  await page.goto('/sign-in');
  await enter(page, 'Ines Kovar');
  await expect(page.locator('.band')).toBeVisible();
  await page.clock.fastForward('14:30');
  await page.mouse.move(200, 300);
  await page.keyboard.press('Escape');
  await page.clock.fastForward('14:30');
  await expect(page.getByRole('heading', { name: 'Screen locked' })).toBeHidden();
  // Help that stands open goes with the page: nothing lies over the lock.
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Help' })).toBeVisible();
  await page.clock.fastForward('15:30');
  await expect(page.getByRole('heading', { name: 'Screen locked' })).toBeVisible();
});

test('what one hand took goes under nobody else’s name, and signing out without the server is signing out', async ({
  browser,
  studio,
}) => {
  const port = await freePort();
  let server = await startServer(studio.databaseUrl, port);
  const context = await browser.newContext({ baseURL: `http://127.0.0.1:${port}`, serviceWorkers: 'allow' });
  const page = await context.newPage();
  try {
    await page.goto('/sign-in');
    await enter(page, 'Bram Teller');
    await expect(page.locator('.band')).toBeVisible();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    const { orderId } = await newSkirt(page, 'Whose Hand');
    await takeUpTape(page, orderId);
    await call(page, '70');
    await inTheBook(orderId, 1);
    // It is in the book before its answer is here: killed in between, the page would rightly send it again.
    await expect(page.getByText(/to be sent\./)).toHaveCount(0);
    await stopChild(server, 'SIGKILL', 15_000);
    await call(page, '70.5');
    await expect(page.getByText('1 reading waiting to be sent.')).toBeVisible();
    const [before] = await context.cookies();
    await page.locator('details.who summary').click();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByText('You are signed out on this device.')).toBeVisible();
    // Nor by going back, nor by an address.
    await page.goto('/orders');
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
    server = await startServer(studio.databaseUrl, port);
    await expect(page.getByText('You are signed out on this device.')).toBeHidden({ timeout: 20_000 });
    const old = await fetch(`http://127.0.0.1:${port}/api/me`, {
      headers: { cookie: `${before!.name}=${before!.value}` },
    });
    expect(old.status).toBe(401);
    await enter(page, 'Ines Kovar');
    await expect(page.getByText('1 reading waiting for Bram Teller to sign in.')).toBeVisible();
    await page.waitForTimeout(600);
    await inTheBook(orderId, 1);
    await page.locator('details.who summary').click();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await enter(page, 'Bram Teller');
    await inTheBook(orderId, 2);
    await expect(page.locator('.band .pending')).toBeEmpty();
  } finally {
    await context.close();
    await stopChild(server, 'SIGTERM', 15_000);
  }
});

test('a second factor is set up, asked for at the door, and turned off', async ({ page }) => {
  await signIn(page, 'Tomas Lindqvist', '/account');
  await accessible(page);
  await page.getByRole('button', { name: 'Set up second factor' }).click();
  await expect(page.getByAltText('QR code of the key')).toBeVisible();
  const key = (await page.locator('section p.figures').textContent())!.replace(/\s/g, '');
  const code = (at = Date.now()) => new TOTP({ secret: Secret.fromBase32(key) }).generate({ timestamp: at });
  await page.getByLabel('Six digits from the app').fill(code());
  await page.getByRole('button', { name: 'Turn on second factor' }).click();
  // They come with the server's answer.
  await expect(page.locator('ol.codes li')).toHaveCount(10);
  const codes = await page.locator('ol.codes li').allTextContents();
  expect(codes).toHaveLength(10);
  await accessible(page, 'recovery codes');
  await page.getByRole('button', { name: 'I’ve written them down' }).click();
  await expect(page.getByText('10 recovery codes left.')).toBeVisible();
  await page.context().clearCookies();
  await page.goto('/sign-in');
  await enter(page, 'Tomas Lindqvist');
  await page.getByLabel('Six digits from your authenticator').fill(codes[0]!);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.locator('.band')).toBeVisible();
  await page.goto('/account');
  await expect(page.getByText('9 recovery codes left.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Passphrase', exact: true }).fill(DEMO_PASSPHRASE);
  await page.getByRole('button', { name: 'Turn off second factor' }).click();
  await expect(page.getByRole('button', { name: 'Set up second factor' })).toBeVisible();
});

test('the principal reads what happened at the doors, and says when screens lock', async ({ page }) => {
  await page.goto('/sign-in');
  await enter(page, 'Odile Marchetti', 'a guess at it');
  await expect(page.getByRole('alert')).toContainText('Wrong name or passphrase');
  await enter(page, 'Odile Marchetti');
  await expect(page.locator('.band')).toBeVisible();
  await page.goto('/house/security');
  await accessible(page);
  const table = page.getByRole('table');
  await expect(table).toContainText('Wrong name or passphrase');
  await page.getByLabel('Failed or refused only').check();
  await expect(table).not.toContainText('Signed in');
  const minutes = page.getByLabel('Lock a screen after');
  await minutes.fill('soon');
  await page.getByRole('button', { name: 'Save security settings' }).click();
  await expect(page.getByRole('alert')).toBeVisible();
  await minutes.fill('20');
  await page.getByRole('button', { name: 'Save security settings' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.reload();
  await expect(minutes).toHaveValue('20');
  await minutes.fill('15');
  await page.getByRole('button', { name: 'Save security settings' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
});
