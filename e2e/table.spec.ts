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

test('the net knows what to expect: one key says that it was inches, a half, or as last time', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Known By The Net');
  await takeUpTape(page, orderId);
  await page.goto(`/orders/${orderId}/measure?at=waist`);
  await call(page, '74');
  await call(page, '74');
  // A page that is left in the very moment keeps nothing: both are in the book first.
  await inTheBook(orderId, 2);
  await page.goto(`/orders/${orderId}/measure?at=hip`);
  await expect(page.getByText('is expected').first()).toBeVisible();
  await accessible(page, 'band');
  await call(page, '39');
  const asked = page.getByRole('alert');
  await expect(asked).toContainText('39 cm lies below it. Was it inches?');
  await accessible(page, 'asked');
  await page.keyboard.press('2');
  await expect(page.getByText('39 in').first()).toBeVisible();
  await call(page, '49.5');
  await expect(page.getByRole('alert')).toContainText('Was a half read?');
  await page.keyboard.press('3');
  await inTheBook(orderId, 4);
  const rows = await inDatabase<{ v: string; way: string }>(
    `select r.fact #>> '{written,text}' || ' ' || (r.fact #>> '{written,unit}') as v, r.fact ->> 'way' as way
       from reading r join session s on s.id = r.session_id where s.order_id = $1 and r.measure = 'hip' order by r.seq`,
    [orderId],
  );
  expect(rows).toEqual([
    { v: '39 in', way: 'whole' },
    { v: '49.5 cm', way: 'half' },
  ]);
});

test('last time is shown by a key and taken only by a hand; it stays marked as carried over', async ({
  page,
}) => {
  await signIn(page);
  const { orderId, clientId } = await measured(page, 'Same Again');
  const order = await byApi(page, 'POST', '/orders', { clientId, what: 'Second skirt' });
  const { brief } = await (await page.request.get(`/api/orders/${orderId}`)).json();
  await byApi(page, 'PUT', `/orders/${order.id}/brief`, { version: order.version, brief });
  await takeUpTape(page, order.id);
  await page.goto(`/orders/${order.id}/measure?at=waist-to-hip`);
  await expect(page.getByText('20.5 cm').first()).toBeVisible();
  await page.keyboard.press('=');
  await expect(page.locator('#reading')).toHaveValue('20.5 cm');
  await expect(page.getByText('as last time, not read')).toBeVisible();
  await page.keyboard.press('Enter');
  await inTheBook(order.id, 1);
  const rows = await inDatabase<{ source: string }>(
    `select r.fact ->> 'source' as source from reading r join session s on s.id = r.session_id where s.order_id = $1`,
    [order.id],
  );
  expect(rows).toEqual([{ source: 'carried over' }]);
});

test('a measurement besides is found by any name; both sides and a seated client have their own list and picture', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Sits And Is Measured');
  await page.goto(`/orders/${orderId}/measure`);
  await page.getByText(/^More: who writes/).click();
  await page.getByLabel('seated').check();
  await accessible(page, 'start');
  await page.getByRole('button', { name: 'Start measuring' }).click();
  const ribbon = page.getByRole('list', { name: 'Measurements of this session' });
  await expect(ribbon.getByRole('button', { name: /^hip, seated/ })).toBeVisible();
  await expect(ribbon.getByRole('button', { name: /^waist to floor/ })).toHaveCount(0);
  await ribbon.getByRole('button', { name: /^hip, seated/ }).click();
  await expect(page.getByRole('img', { name: /^Figure seated/ })).toBeVisible();
  await page.getByLabel('Find another measurement').fill('scye depth');
  await page.getByRole('button', { name: 'armhole depth', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'armhole depth' })).toBeVisible();
  await call(page, '21.5');
  await inTheBook(orderId, 1);
  await page.reload();
  await expect(ribbon.getByRole('button', { name: 'armhole depth: read' })).toBeVisible();
  // What nobody asked for is folded away, by region, and goes on the tape when it is pressed.
  const rest = page.getByText(/^The other \d+ measurements$/);
  const neck = page.getByRole('region', { name: 'neck and shoulder' });
  await expect(neck).toBeHidden();
  await rest.press('Enter');
  await expect(neck.getByRole('button', { name: 'armhole depth', exact: true })).toHaveCount(0);
  await neck.getByRole('button', { name: 'neck base', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'neck base' })).toBeVisible();
  await accessible(page, 'the rest');
});

test('the guide is found by any name, and drawn fuller, taller or seated', async ({ page }) => {
  await signIn(page, 'Wren Halloran', '/how-we-measure');
  await page.getByLabel('Find a measurement').fill('lap length');
  await page.getByRole('region', { name: 'found' }).getByRole('button').first().click();
  await expect(page.getByRole('region', { name: 'waist to knee over the lap' })).toContainText(
    'The tape bridges the bend.',
  );
  await expect(page.getByRole('img', { name: /^Figure seated/ }).first()).toBeVisible();
  await page.getByLabel('Find a measurement').fill('');
  await page.getByLabel('slighter or fuller').press('ArrowRight');
  await accessible(page);
});

test('two hands practise on one body, each blind to the other, and both see where they lie apart', async ({
  page,
}) => {
  await signIn(page, 'Wren Halloran', '/whose-tape');
  await page.getByRole('button', { name: 'Practise in pairs' }).click();
  await page.getByLabel('Second person').selectOption({ label: 'Ines Kovar' });
  await page.getByLabel('bust', { exact: true }).fill('96');
  await page.getByLabel('waist', { exact: true }).fill('seventy');
  await page.getByRole('button', { name: 'Next: second person' }).click();
  await expect(page.getByRole('alert')).toContainText('waist:');
  await page.getByLabel('waist', { exact: true }).fill('72');
  await accessible(page, 'practice');
  await page.getByRole('button', { name: 'Next: second person' }).click();
  await expect(page.getByLabel('bust', { exact: true })).toHaveValue('');
  await page.getByLabel('bust', { exact: true }).fill('98');
  await page.getByLabel('waist', { exact: true }).fill('72.5');
  await page.getByRole('button', { name: 'Show both' }).click();
  const both = page.getByRole('region', { name: 'Both results' });
  await expect(both.getByRole('row', { name: /^bust/ })).toContainText('Common mistake');
  await expect(both.getByRole('row', { name: /^waist/ })).toContainText('−0.5 cm');
  await both.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('region', { name: 'Wren Halloran beside Ines Kovar' })).toBeVisible();
  await accessible(page);
});

test('each measure over time has its line, its table and what is too old', async ({ page }) => {
  await signIn(page);
  const { clientId, orderId } = await measured(page, 'Over The Years');
  await inDatabase(`update session set at = at - interval '200 days' where order_id = $1`, [orderId]);
  await page.goto(`/clients/${clientId}`);
  await page.getByRole('link', { name: 'Measurements over time' }).click();
  await expect(page.getByText('200 days old')).toBeVisible();
  await page.getByRole('button', { name: /^hip drop/ }).click();
  await expect(page.getByRole('region', { name: 'hip drop' })).toContainText('20.5');
  await page.getByRole('button', { name: 'in', exact: true }).click();
  await expect(page.getByRole('region', { name: 'hip drop' })).toContainText('8 1⁄16');
  await accessible(page);
});
