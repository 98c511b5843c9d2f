import { readLength } from '@rocchetto/core/units/reading.ts';
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

test('a dress that ends under the bust is briefed, asks for that girth and not the waist, and its skirt hangs from there', async ({
  page,
}) => {
  await signIn(page, 'Bram Teller');
  const client = await byApi(page, 'POST', '/clients', { name: 'High Seam' });
  const order = await byApi(page, 'POST', '/orders', { clientId: client.id, what: 'Summer dress' });
  await page.goto(`/orders/${order.id}/brief`);
  await page.getByRole('combobox', { name: 'Garment' }).click();
  await page.getByText('dress with a seam under the bust, gathered skirt').last().click();
  await page.getByLabel('Length wanted').fill('60 cm');
  const steps = page.getByRole('region', { name: 'Adapting the block' });
  for (const [name, amount] of [
    ['pleat at centre front', '6 cm'],
    ['the pleat before, off the centre: one on either side', '3 cm'],
  ] as const) {
    await steps.getByRole('combobox', { name: 'Step' }).click();
    await page.getByTitle(`darted bodice: ${name}`, { exact: true }).click();
    await steps.locator('input[type=text], input:not([type])').last().fill(amount);
    await steps.getByRole('button', { name: 'Add step' }).click();
  }
  await expect(steps.getByRole('listitem')).toHaveText([
    /darted bodice: pleat of 6 cm at centre front/,
    /darted bodice: the pleat before, 3 cm from the centre on either side/,
  ]);
  const asked = page.getByText(/^bust; under bust; /);
  await expect(asked).toBeVisible();
  await expect(asked).not.toContainText('; waist;');
  await accessible(page, 'high seam');
  await page.getByRole('button', { name: 'Save brief' }).click();
  await expect(page).toHaveURL(/measure/);

  const at = new Date().toISOString();
  const lines =
    'bust 92, underbust 76, hip 98, waist-to-hip 20.5, neck-to-bust 27.5, neck-to-underbust 36, neck-to-waist-front 44.5, nape-to-waist 41, across-shoulder 39.5, apex-span 19';
  await byApi(page, 'POST', '/readings', {
    session: { id: crypto.randomUUID(), clientId: client.id, orderId: order.id, at },
    readings: lines.split(', ').map((line) => {
      const [measure, text] = line.split(' ');
      const read = readLength(text!, 'cm');
      if (!read.ok) throw new Error(read.sentence);
      return { id: crypto.randomUUID(), measure, state: 'read', written: read.written, at };
    }),
  });
  await page.goto(`/orders/${order.id}/sheet`);
  // The waist would lie at 44.5 + 0.6: the seam, read at 36, is 9.1 above it, marked 9; the skirt 60 and 9 long.
  const row = (name: string) => page.getByRole('row').filter({ hasText: name });
  await expect(row('seam under the bust, above the waist')).toContainText('9 cm');
  await expect(row('length from the seam under the bust, the longest')).toContainText('69 cm');
  await page.goto(`/orders/${order.id}/sheet?part=checks`);
  await page.getByText(/passed, none open/).click();
  await expect(
    page.getByText(/darted bodice and gathered skirt meet at the seam under the bust: 80 cm and 80 cm sewn/),
  ).toBeVisible();
});

test('a dress of three cloths is briefed: each says what is cut from it; the sheet and the cloth tell them apart', async ({
  page,
}) => {
  await signIn(page);
  const client = await byApi(page, 'POST', '/clients', { name: 'Three Cloths' });
  const order = await byApi(page, 'POST', '/orders', { clientId: client.id, what: 'Day dress' });
  const parts = [{ part: 'darted-bodice' }, { part: 'sleeve' }, { part: 'straight-skirt', length: '62 cm' }];
  await byApi(page, 'PUT', `/orders/${order.id}/brief`, { version: order.version, brief: { parts } });
  await page.goto(`/orders/${order.id}/brief`);
  const cutFrom = async (cloth: string, name: string, what: string) => {
    const own = page.getByRole('group', { name: `The ${cloth}` });
    await own.getByLabel('Name').fill(name);
    await own.getByLabel('Cut from it').click();
    await page.locator(`.ant-select-dropdown:not(.ant-select-dropdown-hidden) [title="${what}"]`).click();
    await page.keyboard.press('Escape');
    return own;
  };
  await page.getByRole('button', { name: 'Add second cloth' }).click();
  const lace = await cutFrom('second cloth', 'guipure lace', 'set-in sleeve');
  await lace.getByLabel('Width', { exact: true }).fill('90');
  await lace.getByLabel('sheer').check();
  await page.getByRole('button', { name: 'Add third cloth' }).click();
  await cutFrom('third cloth', 'velvet', 'set-in sleeve');
  await accessible(page, 'brief, three cloths');
  // The same part from two cloths: said, nothing saved, nothing lost.
  await page.getByRole('button', { name: 'Save brief' }).click();
  await expect(page.getByText('Cut from the second cloth already: set-in sleeve.')).toBeVisible();
  const velvet = page.getByRole('group', { name: 'The third cloth' });
  await velvet.getByLabel('Cut from it').press('Backspace');
  await cutFrom('third cloth', 'velvet', 'straight skirt');
  await page.getByRole('button', { name: 'Add fourth cloth' }).click();
  await expect(page.getByRole('button', { name: /^Add .* cloth$/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Remove fourth cloth' }).click();
  await page.getByRole('button', { name: 'Save brief' }).click();
  await page.waitForURL(/measure|sheet/);
  await page.goto(`/orders/${order.id}/sheet`);
  await expect(page.getByText('guipure lace, 90 cm wide, sheer; for set-in sleeve')).toBeVisible();
  await expect(page.getByText('velvet; for straight skirt')).toBeVisible();
  await page.goto(`/orders/${order.id}/brief`);
  await expect(lace.getByLabel('Width', { exact: true })).toHaveValue('90 cm');
  await page.getByRole('button', { name: 'Remove second cloth' }).click();
  await expect(page.getByRole('group', { name: 'The second cloth' }).getByLabel('Name')).toHaveValue(
    'velvet',
  );
});
