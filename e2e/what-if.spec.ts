import { accessible, expect, inDatabase, measured, signIn, test } from './help.ts';

test('what is tried on a sheet is seen, has an address, and is not kept', async ({ page }) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Change Tried');
  await page.goto(`/orders/${orderId}/sheet`);
  await page.getByRole('link', { name: 'Try changes' }).click();
  await expect(page.getByText('Nothing is tried yet')).toBeVisible();
  await page.getByRole('combobox', { name: 'Add something to try' }).fill('reading: hip');
  await page.keyboard.press('Enter');
  const field = page.getByRole('textbox', { name: 'reading: hip', exact: true });
  await expect(field).toBeFocused();
  await page.keyboard.type('wide');
  await expect(page.getByText(/wide.* is not|can’t be read|“wide”/).first()).toBeVisible();
  await field.fill('104');
  const figures = page.locator('.outcome .moved');
  await expect(figures.getByRole('row', { name: /^hip, finished/ })).toContainText('+');
  await expect(page.getByRole('img', { name: /^front: before thin, after strong/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Ease of the garment' })).toContainText('as drafted now');
  await accessible(page, 'something tried');
  await expect(page).toHaveURL(/reading\.hip=104/);
  await page.reload();
  await expect(field).toHaveValue('104');
  await expect(figures.getByRole('row', { name: /^hip, finished/ })).toBeVisible();
  const kept = await inDatabase<{ n: number }>(
    `select count(*)::int as n from reading r join session s on s.id = r.session_id where s.order_id = $1 and r.fact -> 'written' ->> 'text' = '104'`,
    [orderId],
  );
  expect(kept).toEqual([{ n: 0 }]);
  // A reading is taken at the tape; a fit can be written into the brief.
  await expect(page.getByRole('button', { name: /into the brief$/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Remove reading: hip' }).click();
  await expect(figures).toHaveCount(0);
  await page.getByRole('combobox', { name: 'Add something to try' }).fill('fit');
  await page.keyboard.press('Enter');
  await page.getByRole('combobox', { name: 'fit', exact: true }).selectOption('loose');
  await accessible(page, 'something for the brief');
  await page.getByRole('button', { name: 'Write it into the brief' }).click();
  await expect(page.getByText('Written into the brief.')).toBeVisible();
  await expect(figures).toHaveCount(0);
  const brief = await inDatabase<{ fit: string }>(`select brief ->> 'fit' as fit from orders where id = $1`, [
    orderId,
  ]);
  expect(brief).toEqual([{ fit: 'loose' }]);
});

test('the ease lies around the body on the sheet, and prints alone', async ({ page }) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Ease Seen');
  await page.goto(`/orders/${orderId}/sheet`);
  await page.getByRole('button', { name: 'Ease', exact: true }).click();
  await expect(page).toHaveURL(/part=ease/);
  const ease = page.getByRole('region', { name: 'Ease of the garment' });
  await expect(ease.getByRole('img', { name: /From in front/ })).toBeVisible();
  await expect(ease).toContainText('room to sit');
  await accessible(page, 'ease');
  await page.emulateMedia({ media: 'print' });
  await expect(ease).toBeVisible();
  await expect(page.getByRole('button', { name: 'Print for the client' })).toBeHidden();
});

test('open orders are compared with a measuring on the client’s card', async ({ page }) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Twice Measured');
  const [{ client }] = (await inDatabase<{ client: number }>(
    'select client_id as client from orders where id = $1',
    [orderId],
  )) as [{ client: number }];
  await page.goto(`/clients/${client}`);
  await page
    .locator('details summary', { hasText: /reading/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Compare open orders with this measuring' }).click();
  await expect(page.getByText('Every open order is made from this measuring.')).toBeVisible();
});
