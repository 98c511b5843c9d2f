import { accessible, expect, inTheBook, newSkirt, signIn, test } from './help.ts';

test('a client measures at home by the keyboard alone, loses nothing to a reload, and sends it once', async ({
  page,
  browser,
  studio,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Measures Herself');
  await signIn(page, 'Jonah Fell', `/orders/${orderId}`);
  await page.getByRole('button', { name: 'Create link for two weeks' }).click();
  const address = await page.getByLabel('Link for measuring at home').inputValue();
  expect(address).toContain(`${studio.url}/at-home#`);

  const hers = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await hers.goto(address);
  await expect(hers.getByText('Measures Herself, these are 11 measures')).toBeVisible();
  await accessible(hers);
  await hers.getByLabel('inches').check();
  await hers.getByLabel('Who holds the tape').fill('a neighbour');
  await hers.keyboard.press('Enter');
  const figure = hers.locator('#at-home-figure');
  await expect(figure).toBeFocused();
  await accessible(hers, 'a measure');
  await hers.keyboard.type('70');
  await hers.keyboard.press('Enter');
  // Centimetres where inches were chosen: it is asked, and does not go on.
  await expect(hers.getByText('70 in is unlikely for waist')).toBeVisible();
  await hers.keyboard.press('Control+a');
  await hers.keyboard.type('27 1/2');
  await hers.keyboard.press('Enter');
  await expect(hers.getByRole('heading', { name: 'Tummy' })).toBeVisible();
  await hers.reload();
  await hers.getByRole('button', { name: 'Start' }).press('Enter');
  await expect(figure).toHaveValue('27 1/2');
  for (const typed of ['27 1/2', '', '', '38 3/4', '8', '', '', '', '', '', '']) {
    await expect(figure).toBeFocused();
    await figure.fill(typed);
    await hers.keyboard.press('Enter');
  }
  await expect(hers.getByRole('heading', { name: 'Check before sending' })).toBeVisible();
  await accessible(hers, 'all');
  await hers.getByLabel('Has anything changed').fill('another bra');
  await hers.keyboard.press('Enter');
  await expect(hers.getByRole('status')).toContainText('Thank you');
  await inTheBook(orderId, 3);
  await hers.reload();
  await expect(hers.getByText('Thank you')).toBeVisible();
  await hers.goto(`${studio.url}/at-home#guessed`);
  await hers.reload();
  await expect(hers.getByRole('alert')).toContainText('This page is closed');
  await hers.context().close();

  await signIn(page, 'Bram Teller', `/orders/${orderId}`);
  await page.getByText('3 readings by the client, at home').click();
  await expect(page.getByText('38 3⁄4 in')).toBeVisible();
  await page.goto(`/orders/${orderId}/sheet?part=checks`);
  await expect(
    page.locator('form.notice').filter({ hasText: 'was measured at home by the client' }),
  ).toHaveCount(3);
});
