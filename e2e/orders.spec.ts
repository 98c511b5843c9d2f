import { accessible, byApi, expect, measured, newSkirt, signIn, test } from './help.ts';

const later = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

test('an order is cancelled with its reason and what is booked for it, is in no list of work, and is taken up again', async ({
  page,
}) => {
  await signIn(page, 'Odile Marchetti', '/orders');
  const { orderId, clientId } = await newSkirt(page, 'Called Off');
  const { times } = await (
    await page.request.get(`/api/diary/times?kind=consultation&from=${later(70)}`)
  ).json();
  const { day, time, staff, roomId } = times[0];
  const made = await byApi(page, 'POST', '/appointments', {
    kind: 'consultation',
    clientId,
    orderId,
    slots: [{ day, time, staff, roomId }],
  });
  await page.goto(`/orders/${orderId}`);
  await page.getByRole('button', { name: 'Cancel order …' }).click();
  const form = page.getByRole('form', { name: 'Cancel order' });
  await expect(form.getByLabel(/Cancel its appointments too: consultation/)).toBeChecked();
  await expect(form.getByRole('button', { name: 'Cancel order' })).toBeDisabled();
  await form.getByLabel('Reason for cancelling').fill('the concert is off');
  await accessible(page, 'cancelling');
  await form.getByRole('button', { name: 'Cancel order' }).click();
  await expect(page.getByText('This order is cancelled: the concert is off')).toBeVisible();
  const { status } = await (await page.request.get(`/api/appointments/${made.id}`)).json();
  expect(status).toBe('cancelled');
  await page.goto('/orders?view=all&stage=cancelled');
  await expect(page.getByRole('row', { name: /Called Off.*cancelled/ })).toBeVisible();
  await page.goto('/orders');
  await expect(page.getByRole('table')).toBeVisible();
  await expect(page.getByRole('row', { name: /Called Off/ })).toHaveCount(0);
  await page.goto(`/orders/${orderId}`);
  await page.getByRole('button', { name: 'Reopen order' }).click();
  await expect(page.getByText('This order is cancelled')).toHaveCount(0);
  await expect(page.getByText('brief done')).toBeVisible();
});

test('a sheet is read in parts that the keyboard walks and the address keeps', async ({ page }) => {
  await signIn(page);
  const { orderId } = await measured(page, 'In Parts');
  await page.goto(`/orders/${orderId}/sheet`);
  const parts = page.getByRole('navigation', { name: 'Parts of the sheet' });
  await expect(parts.getByRole('button', { name: 'Figures' })).toHaveAttribute('aria-current', 'page');
  await parts.getByRole('button', { name: 'Cutting' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Cut list' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Cut list' })).toBeVisible();
  await accessible(page, 'cutting');
  await parts.getByRole('button', { name: /^Checks/ }).click();
  await expect(page.getByRole('region', { name: 'Checks' })).toBeVisible();
});

test('a seamstress lands on her bench, and is not led to the tape', async ({ page }) => {
  await signIn(page, 'Wren Halloran', '/');
  await expect(page).toHaveURL(/\/bench$/);
  await page.goto('/orders/7');
  const thread = page.getByRole('navigation', { name: /^Progress of order/ });
  await expect(thread.getByRole('link', { name: /^sheet:/ })).toBeVisible();
  await expect(thread.getByRole('link', { name: /^measured:/ })).toHaveCount(0);
});
