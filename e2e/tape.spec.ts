import { stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';
import {
  accessible,
  call,
  expect,
  inDatabase,
  inTheBook,
  newSkirt,
  signIn,
  takeUpTape,
  test,
} from './help.ts';

const kept = async (orderId: number) =>
  (
    await inDatabase<{ n: number; ids: number }>(
      'select count(*)::int as n, count(distinct r.id)::int as ids from reading r join session s on s.id = r.session_id where s.order_id = $1',
      [orderId],
    )
  )[0]!.n;

test('the field shows at once what it understood, in both units, and refuses what cannot be with a sentence', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Tape One');
  await takeUpTape(page, orderId);
  const understood = page.locator('#understood');
  await page.locator('#reading').fill('34 3/8 in');
  await expect(understood).toContainText('34 3⁄8 in = 87.31 cm');
  await page.locator('#reading').fill('873 mm');
  await expect(understood).toContainText('873 mm ≈ 34 3⁄8 in');
  for (const [typed, says] of [
    ['34 3/0', 'divides by zero'],
    ['wide', 'not a unit'],
    ['-4', 'below zero'],
    ['0', 'must be over 0'],
    ['999999999', 'over ten metres'],
    ['34 in 2 cm', 'more than one unit'],
  ] as const) {
    await call(page, typed);
    await expect(page.getByRole('alert')).toContainText(says);
    await expect(page.locator('#reading')).toHaveValue(typed);
  }
  expect(await kept(orderId)).toBe(0);
});

test('a doubtful figure stands with a reason; an impossible one does not; two readings apart ask for a third', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Tape Two');
  await takeUpTape(page, orderId);
  await call(page, '27.5');
  await expect(page.getByRole('alert')).toContainText('27.5 inches would be usual');
  await expect(page.locator('#reason')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.locator('#reading')).toBeFocused();
  await call(page, '170');
  await page.keyboard.type('padded costume');
  await page.keyboard.press('Enter');
  await expect(page.getByText('“padded costume”')).toBeVisible();
  await page.getByRole('button', { name: 'Cross out' }).click();
  await page.keyboard.type('the costume was on');
  await page.keyboard.press('Enter');
  await expect(page.getByText('“padded costume”')).toHaveCount(0);
  await call(page, '70');
  await expect(page.getByText('Measure it again', { exact: false }).first()).toBeVisible();
  await call(page, '71.5');
  await expect(page.getByText('Measure a third time')).toBeVisible();
  await accessible(page, 'third reading');
  await call(page, '70.5');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('high hip');
  await page.getByRole('button', { name: /^hip:/ }).click();
  await call(page, '98');
  await call(page, '98');
  await page.getByRole('button', { name: /^front hip arc:/ }).click();
  await call(page, '99');
  await expect(page.getByRole('alert')).toContainText('cannot be as long as the whole');
});

test('a figure at a finished measurement is one more reading, and takes the place of another only where a hand says so', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Tape Correct');
  await takeUpTape(page, orderId);
  await call(page, '70');
  await call(page, '70.5');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('high hip');
  await page.getByRole('button', { name: /^waist: read$/ }).click();
  await page.getByRole('button', { name: 'Correct 70 cm' }).click();
  await expect(page.getByText('The next figure replaces 70 cm.')).toBeVisible();
  await expect(page.locator('#reading')).toBeFocused();
  await accessible(page, 'correcting');
  await call(page, '71');
  await expect.poll(() => kept(orderId)).toBe(3);
  await page.getByRole('button', { name: /^waist: read$/ }).click();
  await expect(page.locator('.readings li')).toHaveText([/^1\. 70\.5 cm/, /^2\. 71 cm/]);
  await call(page, '70.6');
  await expect.poll(() => kept(orderId)).toBe(4);
  await page.getByRole('button', { name: /^waist: / }).click();
  await expect(page.locator('.readings li')).toHaveCount(3);
});

test('keys on an empty field: unit, tape, part, skip, declined, back, again, and the list under ?', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Tape Three');
  await takeUpTape(page, orderId);
  const heading = page.getByRole('heading', { level: 1 });
  await page.keyboard.press('u');
  await expect(page.getByRole('button', { name: 'tape in inches' })).toBeVisible();
  await page.keyboard.press('t');
  await expect(page.getByRole('button', { name: 'held one finger' })).toBeVisible();
  await page.keyboard.press('w');
  await page.keyboard.press('w');
  await page.keyboard.type('7');
  await expect(page.locator('#understood')).toContainText('whole 28 in from a quarter');
  await expect(page.locator('#understood')).toContainText('once the tape’s 3⁄8 in is out');
  await page.keyboard.press('Backspace');
  await page.keyboard.press('d');
  await expect(heading).toContainText('high hip');
  await expect(page.getByRole('button', { name: 'waist: declined' })).toBeVisible();
  await page.keyboard.press('s');
  await expect(heading).toContainText('high-hip drop');
  await page.keyboard.press('Backspace');
  await expect(heading).toContainText('high hip');
  await page.keyboard.press('Enter');
  await expect(heading).toContainText('high-hip drop');
  await page.keyboard.press('r');
  await expect(heading).toContainText('high hip');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Help' })).toBeVisible();
  await accessible(page, 'keys');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('a hand that goes to another measurement while the last reading is being kept stays there', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Quick Hand');
  await takeUpTape(page, orderId);
  await call(page, '70');
  await page.locator('#reading').fill('70');
  // One task: the tick at the tape is pressed before the browser’s database has answered.
  await page.evaluate(() => {
    document
      .querySelector('#reading')!
      .dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    const ticks = [...document.querySelectorAll<HTMLButtonElement>('.ribbon button')];
    ticks.find((b) => b.ariaLabel?.startsWith('hip:'))!.click();
  });
  await inTheBook(orderId, 2);
  await expect(page.getByRole('button', { name: /^waist: read/ })).toBeVisible();
  await expect(page.locator('.ribbon li[aria-current="step"] button')).toHaveAttribute('aria-label', /^hip:/);
});

test('a figure typed right after going to another measurement, or after the last one, is the new one’s', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Quicker Hand');
  await takeUpTape(page, orderId);
  // No pause between the keys: the page has no task of its own in which to catch up.
  await page.evaluate(async () => {
    const field = () => document.querySelector<HTMLInputElement>('#reading')!;
    const put = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
    const called = async (figure: string) => {
      put.call(field(), figure);
      field().dispatchEvent(new Event('input', { bubbles: true }));
      await Promise.resolve();
      field().dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
      await Promise.resolve();
    };
    const ticks = [...document.querySelectorAll<HTMLButtonElement>('.ribbon button')];
    ticks.find((b) => b.ariaLabel?.startsWith('high hip:'))!.click();
    await Promise.resolve();
    // Read once, twice at need; then the tape goes on by itself.
    await called('90');
    await called('9.5');
  });
  await inTheBook(orderId, 2);
  const rows = await inDatabase<{ measure: string; text: string }>(
    `select r.measure, r.fact -> 'written' ->> 'text' as text from reading r join session s on s.id = r.session_id
      where s.order_id = $1 order by r.seq`,
    [orderId],
  );
  expect(rows).toEqual([
    { measure: 'high-hip', text: '90' },
    { measure: 'waist-to-high-hip', text: '9.5' },
  ]);
});

test('last time is told, and a figure that moved or was swapped is doubted', async ({ page }) => {
  await signIn(page);
  const { orderId, clientId } = await newSkirt(page, 'Tape Four');
  await takeUpTape(page, orderId);
  await call(page, '69.5');
  await call(page, '69.5');
  await expect.poll(() => kept(orderId)).toBe(2);
  await inDatabase(`update session set at = at - interval '60 days', order_id = null where client_id = $1`, [
    clientId,
  ]);
  await page.evaluate(
    () =>
      new Promise((done) => {
        const r = indexedDB.deleteDatabase('rocchetto-device');
        r.onsuccess = r.onerror = r.onblocked = () => done(null);
      }),
  );
  await takeUpTape(page, orderId);
  await expect(page.getByText('69.5 cm').first()).toBeVisible();
  await call(page, '96.5');
  await expect(page.getByRole('alert')).toContainText('Were two digits swapped (69.5)?');
  await page.keyboard.press('Escape');
  // What moved more than is usual, and yet can be, is told while it is typed and not asked about.
  await page.locator('#reading').fill('74');
  await expect(page.getByRole('status').filter({ hasText: 'Grew by 4.5 cm' })).toBeVisible();
});

test('a reading once taken survives a lost network, a reload and a closed tab, is visibly pending, and is sent once', async ({
  page,
  context,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Tape Five');
  await takeUpTape(page, orderId);
  await context.setOffline(true);
  await call(page, '70');
  await call(page, '70.5');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('high hip');
  await expect(page.getByText('2 saved on this device, not sent yet')).toBeVisible();
  await page.close();
  await context.setOffline(false);
  const again = await context.newPage();
  // Any page of the studio sends what waits.
  await again.goto('/orders');
  await expect.poll(() => kept(orderId)).toBe(2);
  await again.goto(`/orders/${orderId}/measure?at=waist`);
  await expect(again.getByText('1. 70 cm')).toBeVisible();
  await expect(again.getByText('2. 70.5 cm')).toBeVisible();
  await expect(again.getByText('Everything is saved.')).toBeVisible();
  expect(await kept(orderId)).toBe(2);
  await again.reload();
  await expect(again.getByText('2. 70.5 cm')).toBeVisible();
  await again.waitForTimeout(1500);
  expect(await kept(orderId)).toBe(2);
});

test('a server that is stopped and started again loses no reading', async ({ browser }) => {
  const port = await freePort();
  let server = await startServer(process.env.E2E_DATABASE_URL!, port);
  const page = await browser.newPage({ baseURL: `http://127.0.0.1:${port}` });
  try {
    await signIn(page);
    const { orderId } = await newSkirt(page, 'Tape Six');
    await takeUpTape(page, orderId);
    await call(page, '70');
    await expect.poll(() => kept(orderId)).toBe(1);
    await stopChild(server, 'SIGKILL', 1000);
    await call(page, '70.5');
    // Two where the server was gone before its answer to the first one came: that one is sent again, and kept once.
    await expect(page.getByText(/[12] saved on this device, not sent yet/)).toBeVisible();
    server = await startServer(process.env.E2E_DATABASE_URL!, port);
    await expect.poll(() => kept(orderId), { timeout: 30_000 }).toBe(2);
    await expect(page.getByText('Everything is saved.')).toBeVisible();
  } finally {
    await page.close();
    await stopChild(server, 'SIGTERM', 3000);
  }
});

test('works on a bench phone: nothing wider than 360 px, targets to touch', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 });
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Tape Seven');
  await takeUpTape(page, orderId);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
  for (const name of ['Save', 'Skip', 'Declined'])
    expect(
      (await page.getByRole('button', { name, exact: true }).boundingBox())!.height,
    ).toBeGreaterThanOrEqual(40);
  for (const path of [
    '/orders',
    '/clients',
    `/orders/${orderId}`,
    `/orders/${orderId}/brief`,
    `/orders/${orderId}/sheet`,
  ]) {
    await page.goto(path);
    await expect(page.locator('h1').first()).toBeVisible();
    await page.waitForTimeout(300);
    expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(360);
  }
});
