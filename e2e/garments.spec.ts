import { accessible, byApi, expect, inDatabase, newSkirt, signIn, test } from './help.ts';

test('a second garment in one order: added, briefed, measured with the first, made over it', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Two Garments');
  await page.goto(`/orders/${orderId}`);
  await page.getByRole('button', { name: 'Add garment' }).click();
  await page.getByLabel('Further garment').fill('Jacket');
  await page.keyboard.press('Enter');

  // Its brief is written next; the cloth's own ways stand beside its width.
  await expect(page.getByRole('heading', { name: 'Brief: Jacket' })).toBeVisible();
  await page.getByRole('combobox', { name: 'Garment' }).click();
  await page.getByRole('combobox', { name: 'Garment' }).fill('jacket');
  await page.getByText('jacket, buttoned in front').last().click();
  await page.getByLabel('loosely woven, frays').check();
  await accessible(page, 'jacket');
  // Beneath it lies the skirt, which nobody has measured yet: it says so, and nothing is filled in.
  await page.getByRole('button', { name: /copy its finished girths/ }).click();
  await expect(page.getByText(/has no finished girths yet/)).toBeVisible();
  await page.getByLabel('Finished bust of what is beneath').fill('93 cm');
  await page.getByRole('button', { name: 'Save brief' }).click();
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
  await page.getByRole('button', { name: 'Start measuring' }).click();
  // A skirt by itself never asks for the high bust, which the tape comes to first.
  await expect(page.getByRole('heading', { name: /^high bust/ })).toBeVisible();
});

test('a block is adapted by steps, each taken back by itself, kept as the client’s own, and begun from', async ({
  page,
}) => {
  await signIn(page, 'Bram Teller');
  const client = await byApi(page, 'POST', '/clients', { name: 'Block Keeper' });
  const order = await byApi(page, 'POST', '/orders', { clientId: client.id, what: 'Bodice' });
  await byApi(page, 'PUT', `/orders/${order.id}/brief`, {
    version: order.version,
    brief: { parts: [{ part: 'darted-bodice' }] },
  });
  await page.goto(`/orders/${order.id}/brief`);
  const steps = page.getByRole('region', { name: 'Adapting the block' });
  const add = async (name: string, amount?: string) => {
    await steps.getByRole('combobox', { name: 'Step' }).click();
    await page.getByTitle(`darted bodice: ${name}`, { exact: true }).click();
    if (amount) await steps.getByLabel(/ by$/).fill(amount);
    else {
      await steps.getByRole('combobox', { name: 'Where to' }).click();
      await page.getByTitle('the dart moved to the armhole').click();
    }
    await steps.getByRole('button', { name: 'Add step' }).click();
  };
  await add('neckline deeper in front', '1 1/2 in');
  await add('armhole lowered', '1.5');
  await add('dart moved to');
  await expect(steps.getByRole('listitem')).toHaveText([
    /darted bodice: neckline deeper in front by 1 1\/2 in/,
    /darted bodice: armhole lowered by 1.5 cm/,
    /darted bodice: the dart moved to the armhole/,
  ]);
  await accessible(page, 'steps');
  // Its limits are said while it is typed; a step is changed in its place, and moved.
  await steps.getByRole('button', { name: 'Change step 2, armhole lowered' }).click();
  await steps.getByLabel(/ by$/).fill('40');
  await expect(steps.getByRole('alert')).toHaveText('It takes −2 cm to 8 cm.');
  await expect(steps.getByRole('button', { name: 'Save step' })).toBeDisabled();
  await steps.getByLabel(/ by$/).fill('2');
  await steps.getByRole('button', { name: 'Save step' }).click();
  await steps.getByRole('button', { name: 'Move earlier step 2, armhole lowered' }).click();
  await expect(steps.getByRole('listitem')).toHaveText([
    /darted bodice: armhole lowered by 2 cm/,
    /darted bodice: neckline deeper in front by 1 1\/2 in/,
    /darted bodice: the dart moved to the armhole/,
  ]);
  await steps.getByRole('button', { name: 'Move later step 1, armhole lowered' }).click();
  await steps.getByRole('button', { name: 'Remove step 2, armhole lowered' }).click();
  await expect(steps.getByRole('listitem')).toHaveCount(2);

  const own = page.getByRole('region', { name: 'Saved blocks of Block Keeper' });
  await own.getByLabel('Block name').fill('evening block');
  await page.keyboard.press('Enter');
  await expect(own.getByText('“evening block” is saved')).toBeVisible();
  await page.getByRole('button', { name: 'Save brief' }).click();
  await expect(page).toHaveURL(/measure/);

  // The next order of the same client starts from it.
  const next = await byApi(page, 'POST', '/orders', { clientId: client.id, what: 'Second bodice' });
  await page.goto(`/orders/${next.id}/brief`);
  await own.getByRole('button', { name: 'Start from evening block' }).click();
  await expect(steps.getByRole('listitem')).toHaveCount(2);
  await page.getByRole('button', { name: 'Save brief' }).click();
  await expect(page).toHaveURL(/measure/);
  const [kept] = await inDatabase<{ steps: object[] }>(
    `select brief -> 'steps' as steps from orders where id = $1`,
    [next.id],
  );
  expect(kept!.steps).toEqual([
    { step: 'neck-deeper', part: 0, amount: '1 1/2 in', to: '' },
    { step: 'dart-to', part: 0, amount: null, to: 'armhole' },
  ]);
});
