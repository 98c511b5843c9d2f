import { accessible, byApi, expect, inDatabase, signIn, test } from './help.ts';

test('the principal reads every rule, sees what a change would move, and keeps it dated and named', async ({
  page,
}) => {
  await signIn(page, 'Odile Marchetti', '/house');
  await page.getByRole('link', { name: 'Studio rules' }).click();
  await expect(page.getByRole('heading', { name: 'Wearing ease' })).toBeVisible();
  await expect(page.getByRole('complementary')).toContainText('Odile Marchetti');
  await accessible(page);
  await page.getByRole('button', { name: 'Edit rules' }).click();
  const hip = page.getByLabel('wearing ease, hip, fitted');
  await hip.fill('seven');
  await expect(page.locator('.wrong-word')).toContainText('seven');
  await expect(page.getByRole('button', { name: /^Save/ })).toBeDisabled();
  // A length without a unit takes the house's; what it means stands beside it.
  await hip.fill('2 3/4 in');
  await expect(page.getByRole('heading', { name: 'What this would change' })).toBeVisible();
  await expect(page.getByText(/^This changes \d+ open orders?/)).toBeVisible();
  await accessible(page, 'changing');
  await page.getByLabel('allowances, straight hem').fill('5');
  await page.getByLabel('rounding, front and back').selectOption('pair');
  await page.getByRole('button', { name: 'Save 3 changes' }).click();
  await expect(page.getByRole('button', { name: 'Edit rules' })).toBeVisible();
  const changes = page.getByRole('complementary');
  await expect(changes).toContainText('wearing ease, hip, fitted: 5 cm → 2 3/4 in');
  await expect(changes).toContainText('allowances, straight hem: 4 cm → 5 cm');
  await expect(changes).toContainText(
    'rounding, front and back: each by itself → as a pair, to keep the girth',
  );
  const [{ hem }] = (await inDatabase<{ hem: string }>(
    `select rules -> 'allowances' ->> 'hem' as hem from house`,
  )) as [{ hem: string }];
  expect(hem).toBe('5 cm');
  // Back to what is usual: the house then goes by the table again.
  await page.getByRole('button', { name: 'Edit rules' }).click();
  for (const rule of ['wearing ease, hip, fitted', 'allowances, straight hem'])
    await page.getByLabel(rule).fill('');
  await page.getByLabel('rounding, front and back').selectOption('each');
  await page.getByRole('button', { name: 'Save 3 changes' }).click();
  await expect(changes).toContainText('allowances, straight hem: 5 cm → 4 cm');
});

test('rules that somebody else saves meanwhile are told, and what was written stays', async ({ page }) => {
  await signIn(page, 'Odile Marchetti', '/house/rules');
  await page.getByRole('button', { name: 'Edit rules' }).click();
  await page.getByLabel('age of measurements, as a rule (days)').fill('75');
  const { version, rules } = await (await page.request.get('/api/house/rules')).json();
  await byApi(page, 'PUT', '/house/rules', {
    version,
    rules: { ...rules, ages: { ...rules.ages, changed: 10 } },
  });
  await expect(page.getByText('Someone else just saved rules.')).toBeVisible();
  await expect(
    page.getByRole('listitem').filter({ hasText: 'after a reported change: 14 days → 10 days' }).first(),
  ).toBeVisible();
  await expect(page.getByLabel('age of measurements, as a rule (days)')).toHaveValue('75');
  await page.getByRole('button', { name: /^Save/ }).click();
  // Saved on top of theirs: neither is lost.
  await expect(page.getByRole('button', { name: 'Edit rules' })).toBeVisible();
  const now = await (await page.request.get('/api/house/rules')).json();
  expect(now.rules.ages).toMatchObject({ usual: 75, changed: 10 });
});

test('a fitter reads the rules and is offered no change', async ({ page }) => {
  await signIn(page, 'Bram Teller', '/house/rules');
  await expect(page.getByRole('heading', { name: 'Lead times' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Edit rules' })).toBeHidden();
});

test('kinds of appointment are changed and added by the house, each change dated; a new one can be booked', async ({
  page,
}) => {
  await signIn(page, 'Odile Marchetti', '/house');
  await page.getByRole('button', { name: 'Edit alteration fitting' }).click();
  const form = page.getByRole('form', { name: 'Edit alteration fitting' });
  await form.getByLabel('Minutes', { exact: true }).fill('35');
  await form.getByRole('button', { name: 'Save appointment type' }).click();
  await expect(form).toBeHidden();
  await expect(page.getByRole('row', { name: /^alteration fitting 35/ })).toBeVisible();
  await page.getByRole('button', { name: 'Add appointment type' }).click();
  const own = page.getByRole('form', { name: 'Add appointment type' });
  await expect(own.getByRole('button', { name: 'Save appointment type' })).toBeDisabled();
  await own.getByLabel('Name').fill('Shoe trial');
  await own.getByRole('checkbox', { name: 'No room needed' }).check();
  await accessible(page, 'a kind');
  await own.getByRole('button', { name: 'Save appointment type' }).click();
  await expect(page.getByRole('row', { name: /^Shoe trial 30 10 fitting none/ })).toBeVisible();
  await page.getByText('What was changed, and by whom').click();
  await expect(page.getByText('alteration fitting, minutes: 30 → 35')).toBeVisible();
  await expect(page.getByText('Shoe trial: a new type, 30 minutes')).toBeVisible();
  await page.goto('/diary/book?client=1&kind=shoe-trial');
  await expect(page.getByText('30 minutes and 10 for changing')).toBeVisible();
  await expect(page.locator('.times button').first()).toBeVisible();
  // No longer offered, it is gone from the list of kinds to book.
  await page.goto('/house');
  await page.getByRole('button', { name: 'Edit Shoe trial' }).click();
  await page.getByRole('checkbox', { name: /Offer when booking/ }).uncheck();
  await page.getByRole('button', { name: 'Save appointment type' }).click();
  await expect(page.getByText('(not offered)')).toBeVisible();
  await page.goto('/diary/book?client=1');
  await expect(page.getByLabel('For a')).toBeVisible();
  await expect(page.getByLabel('For a').locator('option', { hasText: 'Shoe trial' })).toHaveCount(0);
});

test('somebody who leaves has what is ahead handed over, one by one and all', async ({ page }) => {
  await signIn(page, 'Odile Marchetti', '/house');
  const { id: staffId } = await byApi(page, 'POST', '/staff', { name: 'Leaving Soon', role: 'seamstress' });
  const day = new Date(Date.now() + 30 * 86_400_000).toISOString().slice(0, 10);
  for (const what of ['First piece', 'Second piece', 'Third piece'])
    await byApi(page, 'POST', '/orders/9/bench', { staffId, day, minutes: 60, what });
  await page.reload();
  const takeOff = async () => {
    await page.getByRole('button', { name: 'Remove Leaving Soon from the staff' }).click();
    await page.getByRole('button', { name: 'Remove Leaving Soon', exact: true }).click();
  };
  await takeOff();
  const form = page.getByRole('form', { name: 'Reassign bookings' });
  await form.getByLabel('Reassign to').selectOption({ label: 'Wren Halloran' });
  await form.getByRole('button', { name: /^Reassign: First piece/ }).click();
  await expect(form).toContainText('1 reassigned.');
  await expect(form.getByText('First piece')).toBeHidden();
  await form.getByRole('button', { name: 'Reassign all 2' }).click();
  await expect(form).toContainText('2 reassigned.');
  await expect(form).toContainText('Nothing is left: Leaving Soon can be removed from the staff.');
  await takeOff();
  await expect(page.getByRole('cell', { name: 'Leaving Soon' })).toHaveCount(0);
});

test('a room is changed in name and use, and a look at other hours says what would stand outside', async ({
  page,
}) => {
  await signIn(page, 'Odile Marchetti', '/house');
  await page.getByRole('button', { name: 'Edit room Long room' }).click();
  const form = page.getByRole('form', { name: 'Edit room Long room' });
  await form.getByLabel('Room name').fill('Garden room');
  await form.getByRole('checkbox', { name: 'step-free' }).check();
  await form.getByRole('button', { name: 'Save room' }).click();
  await expect(page.getByText('fitting, bridal, step-free')).toBeVisible();
  await page.getByRole('button', { name: 'Edit hours', exact: true }).click();
  const hours = page.getByRole('form', { name: 'Opening hours' });
  for (const day of ['Mon', 'Tue', 'Wed', 'Thu', 'Fri']) await hours.getByLabel(day).fill('12-13');
  await expect(
    hours.getByText(/^\d+ future bookings would be outside these hours and stay as booked: /),
  ).toBeVisible();
  await hours.getByRole('button', { name: 'Cancel' }).click();
  await expect(hours).toBeHidden();
  await page.getByRole('button', { name: 'Edit hours and skills of Ines Kovar' }).click();
  const work = page.getByRole('form', { name: 'Hours and skills of Ines Kovar' });
  for (const day of ['Mon', 'Tue', 'Wed', 'Thu', 'Fri']) await work.getByLabel(day).fill('12-13');
  await expect(
    work.getByText(/^\d+ future bookings? would be outside these hours and stays? as booked: /),
  ).toBeVisible();
  await work.getByRole('button', { name: 'Cancel' }).click();
  await page.getByRole('button', { name: 'Edit fitting', exact: true }).click();
  await expect(
    page.getByText(/^\d+ future bookings? keeps? (its|their) minutes, people and room: /),
  ).toBeVisible();
});
