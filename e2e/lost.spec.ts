import { accessible, call, expect, inDatabase, newSkirt, signIn, takeUpTape, test } from './help.ts';

const away = 'Can’t reach the';

test('a new client written while the network is away stays on the page and is added once when it is back', async ({
  page,
  context,
}) => {
  await signIn(page, 'Jonah Fell', '/clients/new');
  await page.getByLabel('Name', { exact: true }).fill('Kept Through');
  await page.getByLabel('Note', { exact: true }).fill('rang twice');
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Add client' }).click();
  await expect(page.getByRole('alert')).toContainText(away);
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Kept Through');
  await expect(page.getByLabel('Note', { exact: true })).toHaveValue('rang twice');
  await context.setOffline(false);
  await page.getByRole('button', { name: 'Add client' }).click();
  await expect(page.getByRole('heading', { name: 'Kept Through' })).toBeVisible();
  expect(await inDatabase(`select id from client where name = 'Kept Through'`)).toHaveLength(1);
});

test('a card being changed keeps every field while the network is away', async ({ page, context }) => {
  await signIn(page, 'Jonah Fell', '/clients/30');
  await page.getByRole('button', { name: 'Edit client' }).click();
  await page.getByLabel('Phone').fill('0999 111 222');
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: away })).toBeVisible();
  await expect(page.getByLabel('Phone')).toHaveValue('0999 111 222');
  await context.setOffline(false);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('0999 111 222')).toBeVisible();
});

test('a brief written while the network is away stays as it was written', async ({ page, context }) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Brief Away');
  await page.goto(`/orders/${orderId}/brief`);
  await page.getByLabel('Lining', { exact: true }).fill('cupro, dove');
  await page.getByLabel('Note', { exact: true }).fill('wants pockets next time');
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Save brief' }).click();
  await expect(page.getByRole('alert')).toContainText(away);
  await expect(page.getByLabel('Lining', { exact: true })).toHaveValue('cupro, dove');
  await context.setOffline(false);
  await page.getByRole('button', { name: 'Save brief' }).click();
  await expect(page.getByRole('heading', { name: /Measuring/ })).toBeVisible();
  const [row] = await inDatabase<{ lining: string; note: string }>(
    `select brief->>'lining' as lining, brief->>'note' as note from orders where id = $1`,
    [orderId],
  );
  expect(row).toEqual({ lining: 'cupro, dove', note: 'wants pockets next time' });
});

test('a figure set by hand while the network is away stays in its fields', async ({ page, context }) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Hand Away');
  await takeUpTape(page, orderId);
  await call(page, '70');
  await call(page, '70');
  await page.goto(`/orders/${orderId}/sheet?f=waist`);
  // The tape was left a moment ago: the readings may still be on their way to the book.
  await expect(page.locator('tr:has([data-figure="waist"])')).toContainText('70 cm');
  await page.getByLabel('Figure set by hand').fill('3');
  await page.getByLabel('Reason', { exact: true }).fill('eats well');
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Set A by hand' }).click();
  await expect(page.getByRole('alert')).toContainText(away);
  await expect(page.getByLabel('Figure set by hand')).toHaveValue('3');
  await expect(page.getByLabel('Reason', { exact: true })).toHaveValue('eats well');
  await context.setOffline(false);
  await page.getByRole('button', { name: 'Set A by hand' }).click();
  await expect(page.locator('tr:has([data-figure="waist"])')).toContainText('73 cm');
  await expect(page.getByLabel('Figure set by hand')).toHaveValue('');
});

test('measuring goes on where it was after looking something up', async ({ page }) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Phone Rings');
  await takeUpTape(page, orderId);
  await call(page, '70');
  await call(page, '70');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('high hip');
  await page.goto('/clients');
  await page.goBack();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('high hip');
  await page.goto(`/orders/${orderId}/measure`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('high hip');
  await page.getByRole('button', { name: 'waist: read' }).click();
  await expect(page.getByText('1. 70 cm')).toBeVisible();
});

test('a figure taken in the very moment in which its page ends is kept', async ({ page, context }) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Door Slams');
  await takeUpTape(page, orderId);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('waist');
  await page.locator('#reading').fill('70');
  // Enter, and then the page does nothing more until it is closed: it has no later moment in which to finish anything.
  void page
    .evaluate(() => {
      const key = new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true });
      document.querySelector('#reading')!.dispatchEvent(key);
      const halt = (turns: number): void => {
        if (turns > 0) queueMicrotask(() => halt(turns - 1));
        else for (const end = Date.now() + 20_000; Date.now() < end; );
      };
      halt(50);
    })
    .catch(() => undefined);
  await new Promise((r) => setTimeout(r, 1500));
  await page.close();
  const next = await context.newPage();
  await next.goto(`/orders/${orderId}/measure`);
  await next.getByRole('button', { name: /^waist: / }).click();
  await expect(next.getByText('1. 70 cm')).toBeVisible();
});

test('a figure whose page is left while the device is busy is kept', async ({ page }) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Busy Device');
  await takeUpTape(page, orderId);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('waist');
  await page.locator('#reading').fill('70');
  const left = page.evaluate(async (next) => {
    const book = await new Promise<IDBDatabase>((opened, failed) => {
      const opening = indexedDB.open('rocchetto-device');
      opening.onsuccess = () => opened(opening.result);
      opening.onerror = failed;
    });
    // The figure stands in the queue behind these; the page is left before its turn has come.
    const before = book.transaction('reading', 'readwrite').objectStore('reading');
    for (let i = 0; i < 3000; i++) before.getAll();
    const key = new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true });
    document.querySelector('#reading')!.dispatchEvent(key);
    location.href = next;
  }, '/clients');
  // The page may be gone before it has answered; nothing else that it says is let pass.
  await left.catch((e: unknown) => {
    if (!/Execution context was destroyed/.test(String(e))) throw e;
  });
  await page.waitForURL('**/clients');
  await page.goto(`/orders/${orderId}/measure`);
  await page.getByRole('button', { name: /^waist: / }).click();
  await expect(page.getByText('1. 70 cm')).toBeVisible();
});

test('a signed-out hand is asked to sign in and comes back to the same reading; nothing that waited is lost', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Signed Out');
  await takeUpTape(page, orderId);
  await call(page, '70');
  const sent = () =>
    inDatabase('select r.id from reading r join session s on s.id = r.session_id where s.order_id = $1', [
      orderId,
    ]);
  await expect.poll(async () => (await sent()).length).toBe(1);
  await inDatabase('delete from sign_in');
  await call(page, '70.5');
  await expect(page.getByText('1 saved on this device, not sent yet')).toBeVisible();
  await page.reload();
  await expect(page).toHaveURL(/sign-in/);
  await page.getByLabel('Name').fill('Bram Teller');
  await page.getByLabel('Passphrase').fill('chalk thread brass pins');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Everything is saved.')).toBeVisible();
  await page.getByRole('button', { name: 'waist: read' }).click();
  await expect(page.getByText('2. 70.5 cm')).toBeVisible();
});

test('what the studio would not take later is told with its sentence wherever the hand is', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Refused Later');
  await takeUpTape(page, orderId);
  await page.route('**/api/readings', (route) => route.abort());
  await call(page, '70');
  await expect(page.getByText(/1 reading waiting to be sent/)).toBeVisible();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();
  // Back again, the studio has its reasons: nothing of it may go unsaid because the hand went elsewhere.
  const sentence = 'This client’s data was erased. Nothing was saved.';
  await page.route('**/api/readings', (route) => {
    const { readings } = route.request().postDataJSON() as { readings: { id: string }[] };
    const refused = readings.map(({ id }) => ({ id, sentence }));
    return route.fulfill({ json: { kept: [], refused } });
  });
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  const told = page.getByRole('alert').filter({ hasText: 'Not saved in the studio' });
  await expect(told).toContainText(`waist 70 cm: ${sentence}`);
  await accessible(page, 'refused later');
  await told.getByRole('link', { name: 'Open the tape' }).click();
  await expect(told).toHaveCount(0);
  await expect(page.getByRole('alert').filter({ hasText: sentence })).toBeVisible();
  await page.getByRole('button', { name: 'Discard' }).click();
  await expect(page.getByText(sentence)).toHaveCount(0);
});
