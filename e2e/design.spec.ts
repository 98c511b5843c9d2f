import { accessible, byApi, expect, inDatabase, measured, newSkirt, signIn, test } from './help.ts';

// One pixel, the smallest PNG there is.
const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

test('the design stays in sight: a swatch, a question, and what is liked go from brief to fitting to the next brief', async ({
  page,
}) => {
  await signIn(page);
  const { orderId, clientId } = await measured(page, 'In Sight');
  await page.goto(`/orders/${orderId}/brief`);
  await page.getByLabel('Shows').selectOption('swatch');
  await page.getByLabel('Caption').fill('slate twill');
  await page
    .getByLabel('Add pictures')
    .setInputFiles({ name: 'swatch.png', mimeType: 'image/png', buffer: PIXEL });
  await expect(page.getByRole('img', { name: 'Swatch: slate twill' })).toBeVisible();
  await page.getByRole('button', { name: 'Add open question' }).click();
  await page.getByLabel('What is still to decide').fill('Slit or vent?');
  await page.getByLabel('Blocks', { exact: true }).selectOption('hand-over');
  await page.getByRole('button', { name: 'Save question' }).click();
  await expect(page.getByRole('region', { name: 'Open questions' })).toContainText(
    'Slit or vent? Blocks hand-over.',
  );

  await page.goto(`/orders/${orderId}/fitting`);
  await expect(page.getByText('Not decided yet: Slit or vent. Decide it first.')).toBeVisible();
  await page.getByText('The design: slate twill').click();
  await expect(page.getByRole('img', { name: 'Swatch: slate twill' })).toBeVisible();
  await page.getByRole('button', { name: 'Decide: Slit or vent?' }).click();
  await page.getByLabel('Decided: Slit or vent?').fill('The vent.');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Not decided yet: Slit or vent.')).toBeHidden();
  await page.getByLabel('What the client likes about the garment').fill('deep pockets');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'What In Sight likes' })).toContainText('deep pockets');

  const next = await byApi(page, 'POST', '/orders', { clientId, what: 'Coat' });
  await page.goto(`/orders/${next.id}/brief`);
  await page.getByRole('button', { name: 'Copy to note: deep pockets' }).click();
  await expect(page.getByLabel('Note', { exact: true })).toHaveValue('deep pockets');
  await accessible(page, 'design');
  await page.goto(`/clients/${clientId}`);
  await page.getByRole('button', { name: 'Remove: deep pockets' }).click();
  await expect(page.getByText('Nothing yet. Add what the client likes at a fitting.')).toBeVisible();
});

test('what earlier fittings taught is taken into the next sheet by a hand, with its reason', async ({
  page,
}) => {
  await signIn(page);
  const first = await measured(page, 'Taught Once');
  const { id } = await byApi(page, 'POST', `/orders/${first.orderId}/alterations`, {
    asked: { kind: 'side-seams', direction: 'out', amount: '2 cm' },
    source: 'fitting',
  });
  await inDatabase(`update alteration set status = 'checked' where id = $1`, [id]);
  const [{ number }] = (await inDatabase<{ number: string }>('select number from orders where id = $1', [
    first.orderId,
  ])) as [{ number: string }];
  const second = await measured(page, 'Taught Twice');
  await inDatabase('update orders set client_id = $2 where id = $1', [second.orderId, first.clientId]);
  await page.goto(`/orders/${second.orderId}/sheet`);
  const learnt = page.getByRole('region', { name: 'From earlier fittings' });
  await expect(learnt).toContainText(`hip + 2 cm, once (${number})`);
  await learnt.getByRole('button', { name: 'Apply to this sheet: hip' }).click();
  await expect(learnt.locator('li', { hasText: 'hip + 2 cm' }).first()).toContainText('set by hand here');
  await page.getByRole('row', { name: /hip/ }).last().click();
  await expect(page.getByText(`From the fittings of ${number}.`)).toBeVisible();
});

test('the house words its own sign and prices its work; both are offered at the mirror', async ({ page }) => {
  await signIn(page, 'Odile Marchetti', '/house/bench');
  await page.getByRole('button', { name: 'Edit times and prices' }).click();
  await page.getByLabel('hem, flared: price').fill('-2');
  await page.getByRole('button', { name: 'Save times and prices' }).click();
  await expect(page.getByRole('alert')).toContainText('“-2” can’t be read as a price: it is below zero.');
  // What no price can be read from is never none.
  await page.getByLabel('hem, flared: price').fill('about 60');
  await page.getByRole('button', { name: 'Save times and prices' }).click();
  await expect(page.getByRole('alert')).toContainText('“about 60” can’t be read');
  await page.getByLabel('hem, flared: price').fill('62,50 €');
  await page.getByRole('button', { name: 'Save times and prices' }).click();
  await expect(page.getByRole('row', { name: /^hem, flared/ })).toContainText('62.50');
  await page.getByRole('button', { name: 'Add fitting sign' }).click();
  await page.getByLabel('What is seen').fill('the yoke ripples');
  await page.getByLabel('The cause 1').fill('the cloth was fed unevenly');
  await page.getByLabel('What to try, cause 1').fill('press, then look again');
  await page.getByLabel('Alteration, cause 1').selectOption('hem-flared');
  await accessible(page, 'sign');
  await page.getByRole('button', { name: 'Save sign' }).click();
  await expect(page.getByText('the yoke ripples', { exact: true })).toBeVisible();

  const { orderId } = await measured(page, 'House Words');
  await page.goto(`/orders/${orderId}/fitting`);
  await page.getByText('Start from a fitting sign').click();
  await page.getByRole('button', { name: 'all garments' }).click();
  await page.getByLabel('Find a sign').fill('yoke');
  await page.getByRole('button', { name: 'the yoke ripples' }).click();
  await page.getByRole('button', { name: 'press, then look again' }).click();
  await page.getByLabel('How much').fill('2 cm');
  await page.getByRole('button', { name: 'Add change' }).click();
  await expect(page.getByLabel(/^Price: Hem, flared/)).toHaveValue('62.50');
  await expect(page.getByText('In all € 62.50.')).toBeVisible();
  await page.getByLabel(/^Price: Hem, flared/).fill('about 25');
  await page.getByRole('button', { name: 'Agree 1' }).click();
  await expect(page.getByRole('alert')).toContainText('Nothing was agreed.');
  await page.getByLabel(/^Price: Hem, flared/).fill('€ 62.50');
  await page.getByRole('button', { name: 'Agree 1' }).click();
  await expect(page.getByText('agreed by House Words')).toBeVisible();
  await page.goto(`/orders/${orderId}`);
  const money = page.getByRole('region', { name: 'Money' });
  await money.getByLabel('Amount').fill('20');
  await money.getByLabel('For').fill('deposit');
  await money.getByRole('button', { name: 'Save' }).click();
  await expect(money.getByRole('row', { name: /^To pay/ })).toContainText('42.50');
  await accessible(page, 'money');
});

test('the care of the garment is told and worded, and where it hangs is kept', async ({ page }) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Takes Care');
  await page.goto(`/orders/${orderId}/fitting`);
  await expect(page.getByText('No cloth is named in the brief.').first()).toBeVisible();
  await page.getByRole('button', { name: 'Edit care text' }).click();
  await page.getByLabel('ironing').fill('Steam from the inside.');
  await page.getByRole('button', { name: 'Save care text' }).click();
  await expect(page.getByText('Steam from the inside.')).toBeVisible();
  await page.getByLabel('Hangs at').fill('rail B, 12');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Save place' })).toBeHidden();
  await page.reload();
  await expect(page.getByLabel('Hangs at')).toHaveValue('rail B, 12');
});

test('work is given by keys alone: taken up, carried from day to day, what hinders is told, and undone', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Given By Keys');
  const { id } = await byApi(page, 'POST', `/orders/${orderId}/alterations`, {
    asked: { kind: 'hem-straight', direction: 'up', amount: '2 cm' },
    source: 'fitting',
  });
  const step = { step: 'agree', name: 'the client' };
  await byApi(page, 'POST', `/alterations/${id}/steps`, { version: 1, step });
  const [order] = await inDatabase<{ number: string }>('select number from orders where id = $1', [orderId]);
  await signIn(page, 'Odile Marchetti', '/bench?of=all');
  const week = page.getByRole('table', { name: 'Days ahead at the bench' });
  await expect(week).toContainText('free');
  await accessible(page, 'week');
  const grip = page.getByRole('button', { name: new RegExp(`^Assign ${order!.number}`) });
  await grip.focus();
  await page.keyboard.press('Enter');
  const told = page.locator('[aria-live]').filter({ hasText: /left|much|trained|assigned|picked|changed/i });
  await expect(told.first()).toContainText(/would be left|too much/);
  // From the list to a day, then up to a hand without the skill, then back down.
  await page.keyboard.press('ArrowUp');
  await expect(told.first()).toContainText(/would be left|too much/);
  await expect(async () => {
    await page.keyboard.press('ArrowUp');
    await expect(told.first()).toContainText('Bram Teller', { timeout: 400 });
  }).toPass();
  await expect(told.first()).toContainText('isn’t trained in tailoring');
  await page.keyboard.press('Escape');
  await expect(told.first()).toContainText('Nothing was changed');
  await page.keyboard.press('Enter');
  await expect(told.first()).toContainText(/would be left|too much/);
  const first = await told.first().textContent();
  await expect(async () => {
    await page.keyboard.press('ArrowRight');
    await expect(told.first()).not.toHaveText(first!, { timeout: 400 });
  }).toPass();
  // The bench answers late from here on: the page shows the version from before while the hand goes on.
  let late = () => {};
  const undone = new Promise<void>((go) => {
    late = go;
  });
  await page.route(/\/api\/bench(\?|$)/, async (route) => {
    await undone;
    await route.continue();
  });
  await page.keyboard.press('Enter');
  await expect(page.getByText(`${order!.number} was assigned to`)).toBeVisible();
  const given = () =>
    inDatabase<{ staff: string | null }>(
      'select (select name from staff s where s.id = a.staff_id) as staff from alteration a where id = $1',
      [id],
    );
  expect((await given())[0]!.staff).not.toBeNull();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(`${order!.number} was assigned to`)).toBeHidden();
  expect((await given())[0]!.staff).toBeNull();
  late();
});

test('what the client likes and what is left open are written without the network, and kept once', async ({
  page,
  context,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Likes Away');
  await page.goto(`/orders/${orderId}/fitting`);
  const like = page.getByRole('form', { name: 'Add a like' });
  await expect(like).toBeVisible();
  await page.getByRole('button', { name: 'Add open question' }).click();
  await context.setOffline(true);
  await like.getByRole('textbox').fill('a soft waistband');
  await like.getByRole('button', { name: 'Save' }).click();
  await expect(like.getByRole('textbox')).toHaveValue('');
  await page.getByLabel('What is still to decide').fill('Which buttons');
  await page.getByRole('button', { name: 'Save question' }).click();
  await expect(page.getByText('2 entries waiting to be sent.')).toBeVisible();
  // Each is told where it was written, once.
  for (const says of ['a soft waistband', 'Which buttons'])
    await expect(page.getByText(new RegExp(`${says}.* saved here, not sent yet`))).toHaveCount(1);
  await context.setOffline(false);
  await expect(page.getByText('2 entries waiting to be sent.')).toBeHidden();
  await expect(page.getByText('Which buttons')).toHaveCount(1);
  expect(await inDatabase('select words from client_like where order_id = $1', [orderId])).toEqual([
    { words: 'a soft waistband' },
  ]);
});
