import { accessible, byApi, expect, measured, signIn, test } from './help.ts';

test('an estimate is priced, kept, agreed and counted; what moves afterwards is told', async ({ page }) => {
  await signIn(page, 'Odile Marchetti');
  const { orderId } = await measured(page, 'Priced Out');
  await page.goto(`/orders/${orderId}`);
  await page.getByRole('link', { name: 'Estimate', exact: true }).click();
  const answer = page.getByRole('region', { name: 'Price' });
  await expect(answer.getByText(/for \d+ h( \d+)? of work/)).toBeVisible();
  await expect(page.getByText(/^How much cloth it takes is not known yet/)).toBeVisible();
  await accessible(page, 'estimate, without a price of the cloth');
  // Why a line costs what it does.
  const cut = page.getByRole('row').filter({ has: page.getByText('cut', { exact: true }) });
  await cut.locator('summary').focus();
  await page.keyboard.press('Enter');
  await expect(cut.getByText(/pieces cut at 4 min/)).toBeVisible();
  // What cannot be read is told, and nothing typed is lost.
  await page.getByRole('button', { name: 'Edit prices' }).click();
  const cloth = page.getByLabel('cloth: price a metre');
  await cloth.fill('dear');
  await page.getByRole('button', { name: 'Add line' }).click();
  await page.getByLabel('Line 1: what for').fill('a journey');
  await page.getByLabel('Line 1: amount').fill('25');
  await page.getByRole('button', { name: 'Save prices' }).first().click();
  await expect(page.getByText(/“dear” can’t be read as a price/)).toBeVisible();
  await expect(page.getByLabel('Line 1: what for')).toHaveValue('a journey');
  await cloth.fill('40');
  await page.getByLabel('cloth: how much').fill('1,5');
  await accessible(page, 'estimate, being priced');
  // Another hand prices it meanwhile: this one's text stays.
  await byApi(page, 'PUT', `/orders/${orderId}/estimate`, {
    version: 0,
    choices: { version: 1, words: 'Theirs.' },
  });
  await expect(page.getByText(/Someone else changed these prices/)).toBeVisible();
  await expect(cloth).toHaveValue('40');
  await page.getByRole('button', { name: 'Save prices' }).first().click();
  await expect(page.getByRole('row', { name: /a journey/ })).toBeVisible();
  await expect(page.getByRole('row').filter({ hasText: /^cloth.*1\.5 m/ })).toContainText('60.00');
  await expect(page.getByText(/^How much cloth it takes is not known yet/)).toHaveCount(0);
  const asked = (await answer.locator('strong').textContent())!;
  // Kept, printed, agreed: it counts among the order's money.
  await page.getByRole('button', { name: 'Keep estimate 1' }).click();
  const kept = page.getByRole('article', { name: 'Estimate 1' });
  await expect(kept.getByRole('heading')).toContainText(asked);
  const pdf = await page.request.get(
    (await kept.getByRole('link', { name: 'Print for the client' }).getAttribute('href'))!,
  );
  expect([pdf.status(), pdf.headers()['content-type']]).toEqual([200, 'application/pdf']);
  await kept.getByRole('button', { name: 'Note agreement' }).click();
  await kept.getByLabel('Who agreed').fill('the client');
  await page.keyboard.press('Enter');
  await expect(kept.getByText(/agreed by the client/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep estimate 2' })).toBeDisabled();
  await page.goto(`/orders/${orderId}`);
  const money = page.getByRole('region', { name: 'Money' });
  await expect(money.getByRole('row', { name: /estimate 1, agreed/ })).toContainText(asked);
  // With a toile it takes longer: the estimate says what moved since it was agreed.
  const plan = await (await page.request.get(`/api/orders/${orderId}/plan`)).json();
  await byApi(page, 'PUT', `/orders/${orderId}/plan`, {
    version: plan.version,
    choices: { ...plan.choices, toile: true },
  });
  await money.getByRole('link', { name: 'estimate 1' }).click();
  await expect(page.getByText('Since estimate 1 this moved:')).toBeVisible();
  await expect(page.getByText(/cut and sew the toile: none → /)).toBeVisible();
  await accessible(page, 'estimate, moved since it was agreed');
  await kept.getByRole('button', { name: 'Withdraw', exact: true }).click();
  await kept.getByLabel('Why it is withdrawn').fill('A toile is wanted.');
  await kept.getByRole('button', { name: 'Withdraw estimate' }).click();
  await expect(kept.getByText(/withdrawn: A toile is wanted\./)).toBeVisible();
});

test('the house’s rates are written on the page of its times, and a seamstress sees no price', async ({
  page,
}) => {
  await signIn(page, 'Odile Marchetti');
  await page.goto('/house/bench');
  await page.getByRole('button', { name: 'Edit rates' }).click();
  await page.getByLabel('beading: price').fill('4x');
  await page.getByRole('button', { name: 'Save rates' }).click();
  await expect(page.getByText(/“4x” can’t be read as a price/)).toBeVisible();
  await page.getByLabel('beading: price').fill('46');
  await page.getByRole('button', { name: 'Save rates' }).click();
  await expect(page.getByRole('row').filter({ hasText: 'beading' })).toContainText('46.00');
  await expect(page.getByText('an hour of beading: none → 46.00')).toBeVisible();
  await accessible(page, 'rates of estimates');
});
