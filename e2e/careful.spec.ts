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

test('the brief refuses what cannot be, keeps what was written, and two people saving it lose nothing', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Brief One');
  await page.goto(`/orders/${orderId}/brief`);
  await page.getByLabel('Length wanted').fill('wide');
  await page.getByRole('button', { name: 'Save brief' }).click();
  await expect(page.getByText('“wide” is not a unit')).toBeVisible();
  await page.getByLabel('Length wanted').fill('5');
  await page.getByRole('button', { name: 'Save brief' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'between 20 and 200' })).toBeVisible();
  await expect(page.getByLabel('Length wanted')).toHaveValue('5');
  await page.getByLabel('Length wanted').fill('26 1/2 in');
  const order = await (await page.request.get(`/api/orders/${orderId}`)).json();
  await byApi(page, 'PUT', `/orders/${orderId}/brief`, {
    version: order.version,
    brief: { ...order.brief, lining: 'theirs' },
  });
  await page.getByRole('button', { name: 'Save brief' }).click();
  await expect(page.getByRole('alert')).toContainText('Nothing was overwritten');
  await expect(page.getByRole('alert')).toContainText('theirs');
  await expect(page.getByRole('alert')).toContainText('26 1/2 in');
  await page.getByRole('button', { name: 'Save mine' }).click();
  await expect(page.getByRole('heading', { name: /Measuring/ })).toBeVisible();
  const saved = await (await page.request.get(`/api/orders/${orderId}`)).json();
  expect(saved.brief.parts[0].length).toBe('26 1/2 in');
});

test('lengths of the brief without a unit take the one chosen on the page', async ({ page }) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Brief Two');
  await page.goto(`/orders/${orderId}/brief`);
  await page.getByRole('radio', { name: 'in', exact: true }).check();
  await page.getByLabel('Length wanted').fill('24 1/2');
  await page.getByLabel('Taper, per side edge').fill('½');
  await page.getByRole('button', { name: 'Save brief' }).click();
  await expect(page.getByRole('heading', { name: /Measuring/ })).toBeVisible();
  const { brief } = await (await page.request.get(`/api/orders/${orderId}`)).json();
  expect(brief.parts[0]).toMatchObject({ length: '24 1/2 in', taper: '½ in' });
});

test('an order has allowances and ease of its own, with one reason, and the sheet says so', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Brief Three');
  await page.goto(`/orders/${orderId}/brief`);
  await page.getByText('Allowances and ease of this order alone').click();
  await page.getByLabel('Allowance, straight hem').fill('2 cm');
  await page.getByLabel('Ease of every girth').fill('0 cm');
  await page.getByRole('button', { name: 'Save brief' }).click();
  await expect(page.getByText('write why, once for the whole garment')).toBeVisible();
  await expect(page.getByLabel('Ease of every girth')).toHaveValue('0 cm');
  await page.getByLabel('Why this ease').fill('she wants it as her last one');
  await accessible(page);
  await page.getByRole('button', { name: 'Save brief' }).click();
  await page.waitForURL(/\/(measure|sheet)$/);
  await page.goto(`/orders/${orderId}/brief`);
  // What is the order’s own stands open when the brief is opened again.
  await expect(page.getByLabel('Allowance, straight hem')).toHaveValue('2 cm');
  await page.goto(`/orders/${orderId}/sheet?part=cutting`);
  await expect(page.getByText('hem (this order’s own)')).toBeVisible();
  await page.goto(`/orders/${orderId}/sheet?part=checks`);
  await expect(
    page.getByText(/The ease is this order’s own, not its fit’s: she wants it as her last one/),
  ).toBeAttached();
});

test('an order is changed with its dates checked, and its thread is pulled tight with the reason', async ({
  page,
}) => {
  await signIn(page, 'Jonah Fell');
  const client = await byApi(page, 'POST', '/clients', { name: 'Dated Order' });
  const order = await byApi(page, 'POST', '/orders', { clientId: client.id, what: 'Waistcoat' });
  await page.goto(`/orders/${order.id}`);
  await page.getByRole('button', { name: 'Edit order' }).click();
  const day = (n: number) => new Date(Date.now() + n * 86_400_000).toLocaleDateString('sv-SE');
  await page.getByLabel('Worn on').fill('31.2.');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('“31.2.” isn’t a date')).toBeVisible();
  await page.getByLabel('Worn on').fill(day(9));
  await page.getByLabel('Due date').fill(day(12));
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('That is after the day it is worn.')).toBeVisible();
  await page.getByLabel('Due date').fill(day(6));
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Due in 6 days: no brief yet.')).toBeVisible();
  await accessible(page);
  await page.goto('/orders');
  await page.getByRole('button', { name: 'At risk' }).click();
  await expect(page).toHaveURL(/view=danger/);
  const row = page.getByRole('row', { name: /Waistcoat.*Dated Order/ });
  await expect(row).toContainText('new');
  await page.getByLabel('Status').selectOption('cut');
  await expect(page.getByText('No orders match.')).toBeVisible();
  await page.goto('/orders?view=mine');
  await expect(page.getByRole('heading', { name: 'Orders' })).toBeVisible();
  await expect(row).toHaveCount(0);
  await page.keyboard.press('/');
  await page.keyboard.type(order.number);
  await page.getByText(`${order.number} · Waistcoat · Dated Order`).click();
  await expect(page.getByRole('heading', { name: 'Waistcoat' })).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('no such garment anywhere');
  await expect(page.getByText('No client, order or help page found.')).toBeVisible();
});

test('a minor is measured with the guardian named', async ({ page }) => {
  await signIn(page);
  const client = await byApi(page, 'POST', '/clients', {
    name: 'Young Dancer',
    minor: true,
    guardian: 'Aunt Dancer',
  });
  const order = await byApi(page, 'POST', '/orders', { clientId: client.id, what: 'Skirt' });
  await byApi(page, 'PUT', `/orders/${order.id}/brief`, {
    version: order.version,
    brief: { parts: [{ part: 'straight-skirt', length: '50 cm' }] },
  });
  await page.goto(`/orders/${order.id}`);
  await expect(page.getByText('Aunt Dancer is present at every measuring')).toBeVisible();
  await page.goto(`/orders/${order.id}/measure`);
  await page.getByLabel('Guardian present').fill('');
  await page.getByRole('button', { name: 'Start measuring' }).click();
  await expect(page.getByText('Enter the guardian who is present')).toBeVisible();
  await page.getByLabel('Guardian present').fill('Aunt Dancer');
  await page.getByRole('button', { name: 'Start measuring' }).click();
  await call(page, '58');
  await expect
    .poll(
      async () =>
        (
          await inDatabase<{ g: string }>(
            `select details->>'guardian' as g from session where order_id = $1`,
            [order.id],
          )
        )[0]?.g,
    )
    .toBe('Aunt Dancer');
});

test('who measured, who wrote, over what and in which shoes stay with the readings', async ({ page }) => {
  await signIn(page);
  const { orderId, clientId } = await newSkirt(page, 'Scribed One', { beneath: 'half slip', heel: '4 cm' });
  await page.goto(`/orders/${orderId}/measure`);
  await expect(page.getByLabel('Worn beneath')).toHaveValue('half slip');
  await page.getByText(/^More: who writes/).click();
  await page.getByLabel('Written down by (optional)').click();
  await page.getByTitle('Jonah Fell').click();
  await page.getByRole('button', { name: 'Start measuring' }).click();
  await expect(page.locator('#reading')).toBeFocused();
  await page.keyboard.press('t');
  await expect(page.getByRole('button', { name: 'held one finger' })).toBeVisible();
  await call(page, '70');
  await call(page, '70.5');
  await inTheBook(orderId, 2);
  await page.goto(`/clients/${clientId}`);
  await page.getByText('2 readings by Bram Teller').click();
  await expect(page.getByText('70 cm, 70.5 cm')).toBeVisible();
  await expect(page.getByText('one finger')).toBeVisible();
  await expect(page.getByText(/over half slip; heel 4 cm; written by Jonah Fell/)).toBeVisible();
  await accessible(page);
});

test('a file that is not a spec is refused with its sentence, and the order is as it was', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'File One');
  await page.goto(`/orders/${orderId}`);
  const choose = (name: string, text: string) =>
    page
      .locator('input[type=file]')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
  await choose('notes.txt', 'not json at all');
  await expect(page.getByRole('alert')).toContainText('notes.txt is not a JSON file. Nothing was changed.');
  await choose(
    'spec.json',
    '{"format":"rocchetto-spec","version":1,"garment":{"parts":[]},"readings":[{"measure":"waist","value":"70"}]}',
  );
  await expect(page.getByRole('alert')).toContainText('no unit');
  const order = await (await page.request.get(`/api/orders/${orderId}`)).json();
  expect(order.stage).toBe('brief');
});

test('a sheet without hip says so, keeps its place open, and takes the figure by hand', async ({ page }) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Open Hip');
  await takeUpTape(page, orderId);
  await call(page, '70');
  await call(page, '70');
  await page.getByRole('button', { name: /^hip:/ }).click();
  await page.locator('#reading').press('d');
  await expect(page.getByRole('button', { name: /^hip: declined/ })).toBeVisible();
  await inTheBook(orderId, 3);
  await page.goto(`/orders/${orderId}/sheet?f=hip`);
  await expect(page.locator('tr:has([data-figure="hip"])')).toContainText('missing');
  await expect(page.getByText('Declined by the client.', { exact: false }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^Agree/ })).toHaveCount(0);
  await accessible(page);
  await page.getByLabel('Figure set by hand').fill('104 cm');
  await page.getByRole('button', { name: /Set . by hand/ }).click();
  await expect(page.getByText('Enter a reason.')).toBeVisible();
  await page.getByLabel('Reason', { exact: true }).fill('from a skirt that fits');
  await page.getByRole('button', { name: /Set . by hand/ }).click();
  await expect(page.locator('tr:has([data-figure="hip"])')).toContainText('104 cm');
  await expect(page.getByRole('img', { name: /The garment drawn from the front/ })).toBeVisible();
  await page.getByRole('button', { name: 'Back to the rule' }).click();
  await expect(page.locator('tr:has([data-figure="hip"])')).toContainText('missing');
});

test('rounding is chosen on the sheet, in either unit, and told with its drift', async ({ page }) => {
  await signIn(page, 'Ines Kovar', '/orders/4/sheet?f=hip');
  // A sheet is rounded in the unit in which it is looked at, beside the studio’s.
  await page.getByRole('button', { name: 'Show inches' }).click();
  await page.getByLabel('Rounding of marked figures').selectOption({ label: 'in: exact' });
  await expect(page.getByText('Marked figures rounded once, exact.')).toBeVisible();
  await page.getByLabel('Rounding of marked figures').selectOption({ label: 'up to the next 1⁄2 in' });
  await expect(page.getByText('up to the next 1⁄2 in.', { exact: false })).toBeVisible();
  await expect(page.getByText(/Rounded, the pieces together differ by/)).toBeVisible();
});

test('leaving the staff ends the sign-in at once; signing in again brings back where one was', async ({
  page,
  browser,
}) => {
  await signIn(page, 'Odile Marchetti', '/house');
  await page.getByLabel('Name').fill('Brief Visitor');
  await page.getByRole('button', { name: 'Add staff', exact: true }).click();
  const link = await page.getByLabel('Sign-in link for Brief Visitor').inputValue();
  const context = await browser.newContext();
  const theirs = await context.newPage();
  await theirs.goto(link);
  await theirs.getByLabel('Passphrase').fill('four plain words here');
  await theirs.keyboard.press('Enter');
  await expect(theirs.getByRole('heading', { name: 'Orders' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove Brief Visitor from the staff' }).click();
  await page.getByRole('button', { name: 'Remove Brief Visitor', exact: true }).click();
  await expect(page.getByRole('cell', { name: 'Brief Visitor' })).toHaveCount(0);
  await theirs.goto('/clients/3');
  await expect(theirs).toHaveURL(/sign-in\?to=%2Fclients%2F3/);
  await theirs.getByLabel('Name').fill('Ines Kovar');
  await theirs.getByLabel('Passphrase').fill('chalk thread brass pins');
  await theirs.keyboard.press('Enter');
  await expect(theirs).toHaveURL(/clients\/3$/);
  await context.close();
});
