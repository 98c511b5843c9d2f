import { accessible, expect, measured, newSkirt, signIn, test } from './help.ts';

test('the pattern is looked at, measured, walked along a seam and printed, by keys too', async ({ page }) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Cut From');
  await page.goto(`/orders/${orderId}/sheet`);
  await page.getByRole('link', { name: 'Paper pattern' }).click();
  await expect(page.getByRole('heading', { name: 'Paper pattern' })).toBeVisible();
  const print = page.getByRole('link', { name: /^Print \d+ sheets? and a cover/ });
  await expect(print).toBeVisible();
  await expect(page.getByText('Do not cut from it before the sheet is agreed')).toBeVisible();
  await accessible(page, 'paper pattern');
  // Another paper takes another number of sheets, and the link goes with it.
  const before = await print.textContent();
  await page.getByRole('combobox', { name: 'Paper' }).selectOption('a3');
  await expect(print).not.toHaveText(before!);
  await expect(print).toHaveAttribute('href', /pattern\.pdf\?.*paper=a3/);
  const drawing = await page.request.get(
    (await page.getByRole('link', { name: 'Drawing (DXF)' }).getAttribute('href'))!,
  );
  expect([drawing.status(), (await drawing.text()).includes('AC1009')]).toEqual([200, true]);
  // One piece, nearer, and back.
  await page.getByRole('combobox', { name: 'Show' }).selectOption({ label: 'front' });
  await expect(page).toHaveURL(/piece=skirt\.front/);
  const table = page.getByRole('application', { name: /^Pieces: front\./ });
  const moved = table.locator('svg > g');
  await table.focus();
  await page.keyboard.press('+');
  await expect(moved).toHaveAttribute('transform', /scale\(1\.4/);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('0');
  await expect(moved).toHaveAttribute('transform', /scale\(1\)/);
  // Two places, five centimetres apart, by keys alone.
  await page.getByRole('button', { name: 'Measure between two places' }).click();
  await table.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Choose the second place')).toBeVisible();
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^[\d.]+ cm apart, in a straight line/)).toBeVisible();
  // A seam along its partner.
  await page
    .getByRole('combobox', { name: 'Walk a seam' })
    .selectOption({ label: 'the side seams of the skirt, front and back' });
  await expect(page.getByText('as long as each other')).toBeVisible();
  await accessible(page, 'a seam walked');
  await page.reload();
  await expect(page.getByText('as long as each other')).toBeVisible();
});

test('without measurements the pattern says what to do', async ({ page }) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Nothing Drafted');
  await page.goto(`/orders/${orderId}/paper-pattern`);
  await expect(page.getByText('Nothing can be drafted yet')).toBeVisible();
});
