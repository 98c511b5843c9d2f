import { accessible, byApi, expect, measured, signIn, test } from './help.ts';

/** A day so many days from the studio's own today, yyyy-mm-dd. */
const ahead = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

test('a promise is looked at, its choices are made, and the plan is taken up in bench and diary', async ({
  page,
}) => {
  await signIn(page, 'Odile Marchetti');
  const { orderId, clientId } = await measured(page, 'Planned Out');
  const order = await (await page.request.get(`/api/orders/${orderId}`)).json();
  await byApi(page, 'PUT', `/orders/${orderId}`, {
    version: order.version,
    clientId: clientId ?? order.clientId,
    what: order.what,
    occasion: '',
    wornOn: ahead(120),
    dueOn: null,
    responsibleId: null,
  });
  await page.goto(`/orders/${orderId}`);
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await expect(page.getByText(/^Ready by .* days to spare\.$/)).toBeVisible();
  await expect(page.getByText('As usual for such a garment; nobody has chosen yet.')).toBeVisible();
  await accessible(page, 'plan, ready in time');
  // Why it takes so long.
  const cut = page.getByRole('row', { name: /\bcut\b/ }).first();
  await cut.locator('summary').click();
  await expect(cut.getByText(/pieces cut at 4 min/)).toBeVisible();
  // Cloth that is here needs no waiting for.
  await page.getByRole('combobox', { name: 'The cloth' }).click();
  await page.getByTitle('is here').click();
  await page.getByRole('button', { name: 'Save choices' }).click();
  await expect(page.getByRole('row', { name: /order the cloth/ })).toHaveCount(0);
  // A step of its own: with no reason it is refused and nothing typed is lost; with one it is in the list.
  await page.getByRole('button', { name: 'Add a step …' }).click();
  const form = page.getByRole('form', { name: 'Add a step' });
  await form.getByLabel('What is to be done').fill('sew on the braid');
  await form.getByRole('combobox', { name: 'Skill' }).click();
  await page.getByTitle('tailoring').click();
  await form.getByRole('button', { name: 'Add step' }).click();
  await expect(form.getByText('Enter why this step is not as usual.')).toBeVisible();
  await expect(form.getByLabel('What is to be done')).toHaveValue('sew on the braid');
  await accessible(page, 'plan, a step added');
  await form.getByLabel('Reason').fill('the client brings it');
  await form.getByRole('button', { name: 'Add step' }).click();
  await expect(page.getByRole('row', { name: /sew on the braid/ })).toBeVisible();
  // Struck, and brought back.
  await page.getByRole('button', { name: 'Edit wash and press the cloth' }).click();
  await page
    .getByRole('form', { name: /Edit wash/ })
    .getByLabel('Reason')
    .fill('dry-clean only');
  await page.getByRole('button', { name: 'Strike step' }).click();
  await expect(page.getByText('wash and press the cloth, struck: dry-clean only')).toBeVisible();
  await page.getByRole('button', { name: 'Bring back wash and press the cloth' }).click();
  await expect(page.getByRole('row', { name: /wash and press/ })).toBeVisible();
  // Taken up: work goes to the bench, the fitting into the diary.
  await page.getByLabel('Choose draft the pattern').check();
  await page.getByLabel('Choose fitting', { exact: true }).check();
  await page.getByRole('button', { name: 'Give 1 piece of work and book 1 appointment' }).click();
  await expect(page.getByRole('row', { name: /draft the pattern/ }).getByText(/assigned/)).toBeVisible();
  await expect(
    page
      .getByRole('row')
      .filter({ has: page.getByRole('rowheader', { name: /^\d+ fitting\b/ }) })
      .getByText(/booked/),
  ).toBeVisible();
  await page.goto(`/orders/${orderId}`);
  const tick = page.getByLabel(/draft the pattern, .*: done/);
  await page
    .getByLabel(/draft the pattern, .*: minutes it took/)
    .first()
    .fill('95');
  await tick.first().check();
  await expect
    .poll(async () =>
      (await (await page.request.get(`/api/orders/${orderId}`)).json()).bench.some(
        (b: { took: number }) => b.took === 95,
      ),
    )
    .toBe(true);
});

test('all promises stand in one list; what breaks is told and nothing is done', async ({ page }) => {
  await signIn(page, 'Ines Kovar', '/diary/weeks');
  await page.getByRole('link', { name: 'Promises', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: 'Hand-over' })).toBeVisible({ timeout: 20_000 });
  await accessible(page, 'promises');
  // Threads from hand to hand: where they meet is drawn and told.
  const hands = page.getByRole('region', { name: 'From hand to hand' });
  await expect(hands.getByRole('img', { name: /^Threads of / })).toBeVisible();
  await hands.getByText(/^(Where they meet|No two of them)/).click();
  await expect(hands.locator('.passing').first()).toBeVisible();
  await page.getByRole('combobox', { name: 'Who' }).click();
  await page.getByTitle('Wren Halloran').click();
  await page.getByRole('button', { name: 'Look what breaks' }).click();
  await expect(page.getByRole('heading', { name: /^Suppose: Wren Halloran is away from/ })).toBeVisible({
    timeout: 20_000,
  });
  await accessible(page, 'promises, one away');
  await page.getByRole('button', { name: 'Suppose nothing' }).click();
  await expect(page.getByRole('heading', { name: /^Suppose:/ })).toHaveCount(0, { timeout: 20_000 });
});

test('a seamstress sees the plan and is not led to change it', async ({ page }) => {
  await signIn(page, 'Wren Halloran', '/orders/1/plan');
  await expect(page.getByRole('heading', { name: 'Steps' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save choices' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^Edit/ })).toHaveCount(0);
  await expect(page.getByRole('button', { name: /take up/ })).toHaveCount(0);
  await page.setViewportSize({ width: 360, height: 700 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
});
