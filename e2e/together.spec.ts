import { accessible, byApi, expect, inDatabase, measured, newSkirt, signIn, test } from './help.ts';

test('another hand’s save reaches an open page within moments, and is told to one who is typing without touching it', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page, 'Jonah Fell');
  const client = await byApi(page, 'POST', '/clients', { name: 'Seen By Both' });
  const context = await browser.newContext(baseURL ? { baseURL } : {});
  const theirs = await context.newPage();
  await signIn(theirs, 'Ines Kovar', `/clients/${client.id}`);
  await expect(theirs.getByRole('heading', { name: 'Seen By Both' })).toBeVisible();
  await byApi(page, 'PUT', `/clients/${client.id}`, {
    name: 'Seen By Both',
    note: 'likes pockets',
    version: 1,
  });
  await expect(theirs.getByText('likes pockets')).toBeVisible();

  await theirs.getByRole('button', { name: 'Edit client' }).click();
  await theirs.getByLabel('Note', { exact: true }).fill('half a sentence');
  await byApi(page, 'PUT', `/clients/${client.id}`, {
    name: 'Seen By Both',
    note: 'likes braces',
    version: 2,
  });
  await expect(theirs.getByText('Someone else saved this.')).toBeVisible();
  await expect(theirs.getByLabel('Note', { exact: true })).toHaveValue('half a sentence');
  await theirs.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(theirs.getByRole('alert')).toContainText('likes braces');
  await theirs.getByRole('button', { name: 'Use theirs' }).click();
  await expect(theirs.getByText('likes braces')).toBeVisible();

  await theirs.goto('/orders?view=all');
  await expect(theirs.getByRole('table')).toBeVisible();
  await byApi(page, 'POST', '/orders', { clientId: client.id, what: 'Cape of both', dueOn: '2026-01-02' });
  await expect(theirs.getByRole('cell', { name: 'Cape of both' })).toBeVisible();
  await context.close();
});

test('a brief being typed in stays when another hand saves the order', async ({ page }) => {
  await signIn(page);
  const { orderId, clientId } = await newSkirt(page, 'Brief Typed');
  await page.goto(`/orders/${orderId}/brief`);
  await page.getByLabel('Lining', { exact: true }).fill('half a wo');
  const order = await (await page.request.get(`/api/orders/${orderId}`)).json();
  await byApi(page, 'PUT', `/orders/${orderId}`, {
    clientId,
    what: 'Skirt, renamed',
    version: order.version,
  });
  await expect(page.getByText('Someone else saved this order.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Brief: Skirt, renamed' })).toBeVisible();
  await expect(page.getByLabel('Lining', { exact: true })).toHaveValue('half a wo');
  // The other hand writes the brief too: what differs is told in words, field by field, and no more.
  const brief = { parts: [{ part: 'straight-skirt', length: '62 cm' }], lining: 'cupro' };
  await byApi(page, 'PUT', `/orders/${orderId}/brief`, { version: order.version + 1, brief });
  await page.getByRole('button', { name: 'Save brief' }).click();
  const both = page.getByRole('alert');
  await expect(both.getByRole('row', { name: 'Lining cupro half a wo' })).toBeVisible();
  await expect(both.getByRole('row', { name: /straight skirt .*vent/ })).toBeVisible();
  await expect(both.getByRole('row')).toHaveCount(3);
  await accessible(page, 'both briefs');
  await both.getByRole('button', { name: 'Save mine' }).click();
  await expect(page.getByRole('heading', { name: /Measuring/ })).toBeVisible();
  const kept = await (await page.request.get(`/api/orders/${orderId}`)).json();
  expect(kept.brief.lining).toBe('half a wo');
});

test('an answer that is lost and a second press add one thing', async ({ page }) => {
  await signIn(page, 'Jonah Fell', '/clients/new');
  await page.getByLabel('Name', { exact: true }).fill('Pressed Twice');
  let lost = 0;
  await page.route('**/api/clients', async (route) => {
    if (route.request().method() !== 'POST' || lost > 0) return route.continue();
    lost++;
    await route.fetch();
    await route.abort();
  });
  await page.getByRole('button', { name: 'Add client' }).click();
  await expect(page.getByRole('alert')).toContainText('Can’t reach the');
  await page.getByRole('button', { name: 'Add client' }).click();
  await expect(page.getByRole('heading', { name: 'Pressed Twice' })).toBeVisible();
  expect(lost).toBe(1);
  expect(await inDatabase(`select id from client where name = 'Pressed Twice'`)).toHaveLength(1);
});

test('a reading the book will not take is told with its sentence, and the others are kept', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Refused One');
  await page.goto(`/orders/${orderId}/measure`);
  await page.getByRole('button', { name: 'Start measuring' }).click();
  await page.route('**/api/readings', async (route) => {
    const body = route.request().postDataJSON() as { readings: { written: { text: string } }[] };
    for (const r of body.readings) if (r.written.text === '71') r.written.text = 'wide';
    await route.continue({ postData: JSON.stringify(body) });
  });
  for (const text of ['71', '70']) {
    await page.locator('#reading').fill(text);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('alert')).toContainText('waist 71 cm');
  await expect
    .poll(
      async () =>
        (
          await inDatabase(
            'select 1 from reading r join session s on s.id = r.session_id where s.order_id = $1',
            [orderId],
          )
        ).length,
    )
    .toBe(1);
  await page.getByRole('button', { name: 'Discard' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('one client’s data is given out and erased by the principal, who is told what stays', async ({
  page,
}) => {
  await signIn(page, 'Odile Marchetti');
  const client = await byApi(page, 'POST', '/clients', { name: 'Wants To Go', phone: '0555 42' });
  await page.goto(`/clients/${client.id}`);
  const zip = await page.request.get(
    (await page.getByRole('link', { name: 'Download everything' }).getAttribute('href'))!,
  );
  expect(zip.headers()['content-type']).toContain('application/zip');
  await page.getByText('Erase client …').click();
  await page.getByLabel('Who asked for it').fill('herself, by letter');
  await page.getByRole('button', { name: 'Erase client', exact: true }).click();
  await page.getByRole('button', { name: 'Erase for good' }).click();
  await expect(page.getByText('What must be kept')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Erased C-' })).toBeVisible();
  expect(
    await inDatabase(`select 1 from client where name = 'Wants To Go' or phone = '0555 42'`),
  ).toHaveLength(0);
});

test('the studio’s day is the house’s, on every screen', async ({ page }) => {
  await signIn(page, 'Odile Marchetti', '/house');
  await page.getByRole('button', { name: 'Edit studio' }).click();
  await page.getByLabel('Time zone').click();
  await page.keyboard.type('Kiritimati');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.locator('dd', { hasText: 'Pacific/Kiritimati' })).toBeVisible();
  const { timeZone } = await (await page.request.get('/api/me')).json();
  expect(timeZone).toBe('Pacific/Kiritimati');
  await page.getByRole('button', { name: 'Edit studio' }).click();
  await page.getByLabel('Time zone').click();
  await page.keyboard.type('UTC');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.locator('dd', { hasText: 'UTC' })).toBeVisible();
});

test('a figure set by hand shows before the server has answered, and is taken back when it is refused', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/orders/1/sheet');
  const hip = page.locator('tr:has([data-figure="hip"])');
  await page.locator('[data-figure="hip"]').click();
  const before = (await hip.textContent())!;
  let answer: () => void = () => undefined;
  await page.route('**/sheet/changes', async (route) => {
    await new Promise<void>((done) => {
      answer = done;
    });
    await route.fulfill({ status: 503, json: { title: 'Busy', detail: 'Someone else is saving this' } });
  });
  await page.getByLabel('Figure set by hand').fill('9 in');
  await page.getByLabel('Reason', { exact: true }).fill('tried');
  await page.getByRole('button', { name: /Set . by hand/ }).click();
  await expect(hip).not.toHaveText(before);
  answer();
  await expect(page.getByText('Someone else is saving this')).toBeVisible();
  await expect(hip).toHaveText(before);
  // What was typed is still there for another try.
  await expect(page.getByLabel('Figure set by hand')).toHaveValue('9 in');
});

test('the next figure is written while the last is being saved: its answer empties nothing, and pressed twice it is set once', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Written On');
  const sent: string[] = [];
  let answer: () => void = () => undefined;
  await page.route('**/sheet/changes', async (route) => {
    sent.push(route.request().postDataJSON().change.value);
    await new Promise<void>((done) => {
      answer = done;
    });
    await route.continue();
  });
  await page.goto(`/orders/${orderId}/sheet?f=hip`);
  const hip = page.locator('tr:has([data-figure="hip"])');
  const [figure, reason] = [
    page.getByLabel('Figure set by hand'),
    page.getByLabel('Reason', { exact: true }),
  ];
  const set = page.getByRole('button', { name: /Set . by hand/ });
  await figure.fill('6');
  await reason.fill('first');
  await set.dblclick();
  await expect(hip).toContainText('104 cm');
  await figure.fill('7');
  await reason.fill('first');
  const saved = page.waitForResponse('**/sheet/changes');
  answer();
  expect((await saved).ok()).toBe(true);
  await expect(page.getByText('wearing ease 6 cm: first')).toBeVisible();
  await expect(figure).toHaveValue('7');
  await expect(reason).toHaveValue('first');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await set.click();
  await expect(hip).toContainText('105 cm');
  answer();
  await expect(page.getByText('wearing ease 7 cm: first')).toBeVisible();
  expect(sent).toEqual(['6 cm', '7 cm']);
});

test('on a phone what is told of a lost network and of another hand’s save stands one above the other', async ({
  page,
}) => {
  await page.setViewportSize({ width: 360, height: 740 });
  await signIn(page, 'Bram Teller');
  const client = await byApi(page, 'POST', '/clients', { name: 'Told Twice' });
  // As the device answers by itself while the book cannot be reached.
  await page.route(/\/api\/(?!live)/, async (route) => {
    const response = await route.fetch();
    const headers = { ...response.headers(), 'x-told-at': new Date().toUTCString() };
    await route.fulfill({ response, headers });
  });
  await page.goto(`/clients/${client.id}`);
  await page.getByRole('button', { name: 'Edit client' }).click();
  await page.getByLabel('Note', { exact: true }).fill('written here');
  await byApi(page, 'PUT', `/clients/${client.id}`, {
    name: 'Told Twice',
    note: 'written there',
    version: 1,
  });
  const saved = page.getByText(/^Someone else saved this/);
  const lost = page.getByText(/^Can’t reach the server/);
  await expect(saved).toBeVisible();
  const box = async (at: typeof saved) => (await at.boundingBox())!;
  const [above, below] = [await box(saved), await box(lost)];
  expect(above.y + above.height).toBeLessThanOrEqual(below.y + 1);
  expect(below.y + below.height).toBeLessThanOrEqual(741);
  await accessible(page, 'told twice');
});
