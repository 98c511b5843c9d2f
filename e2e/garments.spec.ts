import { accessible, expect, inDatabase, newSkirt, signIn, test } from './help.ts';

test('a second garment in one order: added, briefed, measured with the first, made over it', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Two Garments');
  await page.goto(`/orders/${orderId}`);
  await page.getByRole('button', { name: 'Add a garment to this order' }).click();
  await page.getByLabel('What else is made with it').fill('Jacket');
  await page.keyboard.press('Enter');

  // Its brief is written next; the cloth's own ways stand beside its width.
  await expect(page.getByRole('heading', { name: 'Brief: Jacket' })).toBeVisible();
  await page.getByRole('combobox', { name: 'Garment' }).click();
  await page.getByRole('combobox', { name: 'Garment' }).fill('jacket');
  await page.getByText('jacket, buttoned in front').last().click();
  await page.getByLabel('loosely woven, frays').check();
  await accessible(page, 'jacket');
  // Beneath it lies the skirt, which nobody has measured yet: it says so, and nothing is filled in.
  await page.getByRole('button', { name: /take its finished girths/ }).click();
  await expect(page.getByText(/has no finished girth yet/)).toBeVisible();
  await page.getByLabel('Finished bust of what is beneath').fill('93 cm');
  await page.getByRole('button', { name: 'Keep the brief' }).click();
  await expect(page).toHaveURL(/\/orders\/\d+\/measure$/);
  const [made] = await inDatabase<{
    id: number;
    brief: { cloth: { frays: boolean }; parts: { overBust: string }[] };
  }>('select id, brief from orders where with_id = $1', [orderId]);
  expect(made!.brief.cloth.frays).toBe(true);
  expect(made!.brief.parts[0]!.overBust).toBe('93 cm');

  // Both stand on either page, and the tape asks what either needs.
  await page.goto(`/orders/${made!.id}`);
  const garments = page.getByRole('region', { name: 'Garments of this order' });
  await expect(garments.getByRole('row')).toHaveCount(2);
  await accessible(page, 'two garments');
  await garments.getByRole('link').click();
  await expect(page).toHaveURL(new RegExp(`/orders/${orderId}$`));
  await page.goto(`/orders/${orderId}/measure`);
  await page.getByRole('button', { name: 'Take up the tape' }).click();
  // A skirt by itself never asks for the bust, which the tape comes to first.
  await expect(page.getByRole('heading', { name: /^bust/ })).toBeVisible();
});
