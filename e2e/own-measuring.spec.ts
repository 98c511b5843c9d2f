import { accessible, call, expect, newSkirt, signIn, test } from './help.ts';

test('a client is measured by a list of the studio without an order, and an order uses that measuring whole', async ({
  page,
}) => {
  await signIn(page, 'Odile Marchetti');
  // The house makes a list of its own, in its own order.
  await page.goto('/how-we-measure');
  await page.getByRole('button', { name: 'Add list' }).click();
  await page.getByLabel('Name of the list').fill('Skirt three');
  for (const name of ['hip', 'waist', 'hip drop']) {
    await page.getByRole('combobox', { name: 'Add measurement' }).fill(name);
    await page.getByTitle(name, { exact: true }).click();
  }
  await page.getByRole('button', { name: 'Up waist' }).click();
  await accessible(page, 'a list');
  await page.getByRole('button', { name: 'Save list' }).click();
  await expect(page.getByText('Skirt three (3)')).toBeVisible();

  const { clientId, orderId } = await newSkirt(page, 'Measured Alone');
  await signIn(page, 'Bram Teller', `/clients/${clientId}`);
  await page.getByRole('link', { name: 'Measure without an order' }).click();
  await page.getByRole('button', { name: 'Skirt three (3)' }).click();
  await accessible(page, 'a list is chosen');
  await page.getByRole('button', { name: 'Start measuring' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('waist');
  // Each is taken before the next: the field is empty again.
  const taken = async (n: string) => {
    await call(page, n);
    await expect(page.locator('#reading')).toHaveValue('');
  };
  for (const n of ['70', '70']) await taken(n);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('hip');
  // A reload goes on where the hand was.
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('hip');
  for (const n of ['98', '98']) await taken(n);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('hip drop');
  await call(page, '20.5');
  // Past the last one the client's card is next.
  await expect(page).toHaveURL(new RegExp(`/clients/${clientId}$`));
  await expect(page.getByRole('heading', { name: 'Measured Alone' })).toBeVisible();

  await page.goto(`/orders/${orderId}/measure`);
  await page.getByRole('button', { name: /^Use the measuring of .* \(3 figures\)$/ }).click();
  // The tape goes on with what is missing; what was read then is there.
  await expect(page.getByRole('button', { name: 'Start measuring' })).toHaveCount(0);
  await expect(page.locator('#reading')).toBeVisible();
  await page.goto(`/orders/${orderId}/sheet`);
  await expect(page.getByRole('row', { name: /waist/ }).first()).toContainText('70');
  // A seamstress, who may not measure, is offered neither.
  await signIn(page, 'Wren Halloran', `/clients/${clientId}`);
  await expect(page.getByRole('heading', { name: 'Measured Alone' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Measure without an order' })).toHaveCount(0);
});

test('a client has a list of their own, made where they are measured, and is measured by it', async ({
  page,
}) => {
  const { clientId } = await (async () => {
    await signIn(page, 'Bram Teller');
    return newSkirt(page, 'Listed Alone');
  })();
  await page.goto(`/clients/${clientId}/measure`);
  const own = page.getByRole('region', { name: 'Lists of Listed Alone' });
  await own.getByRole('button', { name: 'Add list' }).click();
  await own.getByLabel('Name of the list').fill('Evening five');
  await own.getByRole('combobox', { name: 'Add measurement' }).fill('under bust');
  await page.getByTitle('under bust', { exact: true }).click();
  await accessible(page, 'a list of their own');
  await own.getByRole('button', { name: 'Save list' }).click();
  await page.getByRole('button', { name: 'Evening five (1)' }).click();
  await page.getByRole('button', { name: 'Start measuring' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('under bust');
});
