import { accessible, expect, measured, newSkirt, signIn, test } from './help.ts';

test('pieces are laid, moved by hand and by keys, taken off and laid again, kept, printed; the sheet buys by them', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Laid Out');
  await page.goto(`/orders/${orderId}/sheet`);
  await page.getByRole('link', { name: 'Cloth', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Cloth', exact: true })).toBeVisible();
  await expect(page.getByText('Do not cut before the sheet is agreed')).toBeVisible();
  await accessible(page, 'cloth, nothing laid');
  // Selvedges wider than the cloth: said, and nothing is laid.
  const selvedge = page.getByLabel('Selvedge, each side');
  await selvedge.fill('80 cm');
  await selvedge.press('Enter');
  await expect(page.getByText('The selvedges are wider than the cloth')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Lay the pieces' })).toBeDisabled();
  await selvedge.fill('1 cm');
  await selvedge.press('Enter');
  const length = page.getByLabel('Length there is');
  await length.fill('3 m');
  await length.press('Enter');
  await page.getByRole('button', { name: 'Lay the pieces' }).click();
  await expect(page.getByRole('button', { name: 'Keep lay' })).toBeVisible({ timeout: 15_000 });
  await expect(
    page.getByText(/^It fits: the pieces take [\d.]+ cm, [\d.]+ cm of the cloth’s length are left over/),
  ).toBeVisible();
  await accessible(page, 'cloth, laid');
  // By keys: choose, drop to the cut end, along the cloth, off the cloth, and the rest laid again.
  const table = page.getByRole('application', { name: /^The cloth\./ });
  const said = page.locator('.lay-said');
  await table.focus();
  await page.keyboard.press('b');
  await expect(said).not.toBeEmpty();
  const name = (await said.textContent())!;
  await page.keyboard.press('Shift+ArrowRight');
  await expect(said).toHaveText(/from the cut end|goes no further/);
  const list = page.getByRole('table', { name: /Where each piece lies/ });
  const rows = await list.getByRole('row').count();
  await page.keyboard.press('Delete');
  await expect(said).toContainText('taken off the cloth');
  await expect(list.getByRole('row')).toHaveCount(rows - 1);
  await expect(page.getByText(/^Not on the cloth: .* of \d+ lie on the cloth/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep lay' })).toBeDisabled();
  // It outlives a reload; then the rest is laid round what lies.
  await page.reload();
  await expect(page.getByText(/^Not on the cloth/)).toBeVisible();
  await page.getByRole('button', { name: 'Lay the rest' }).click();
  await expect(list.getByRole('row')).toHaveCount(rows, { timeout: 15_000 });
  await expect(page.getByRole('button', { name: 'Keep lay' })).toBeEnabled({ timeout: 15_000 });
  // By hand: onto a neighbour it is hatched, with the reason, and goes back.
  const laid = table.locator('g.laid');
  const from = (await laid.filter({ hasText: 'front' }).first().boundingBox())!;
  const onto = (await laid.filter({ hasText: 'back' }).first().boundingBox())!;
  const middle = (b: typeof from) => [b.x + b.width / 2, b.y + b.height / 2] as const;
  await page.mouse.move(...middle(from));
  await page.mouse.down();
  await page.mouse.move(...middle(onto), { steps: 8 });
  await expect(table.locator('g.laid[data-bad]')).toHaveCount(1);
  await page.mouse.up();
  await expect(said).toContainText(/front: it lies over back: it went back to where it lay/);
  await expect(table.locator('g.laid[data-bad]')).toHaveCount(0);
  // To the free end of the cloth it goes; undone, it lies where it lay.
  const where = await laid.filter({ hasText: 'front' }).first().getAttribute('transform');
  const whole = (await table.locator('svg').boundingBox())!;
  await page.mouse.move(...middle(from));
  await page.mouse.down();
  await page.mouse.move(whole.x + whole.width - from.width * 0.7, from.y + from.height / 2, { steps: 8 });
  await page.mouse.up();
  const front = laid.filter({ hasText: 'front' }).first();
  await expect(front).not.toHaveAttribute('transform', where!);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(front).toHaveAttribute('transform', where!);
  expect(name).not.toBe('');
  // Kept, told on the sheet, on paper.
  await page.getByLabel('Name of this lay').fill('Table by the window');
  await page.getByRole('button', { name: 'Keep lay' }).click();
  await expect(page.getByText(/Kept: “Table by the window”, revision 1/)).toBeVisible();
  const paper = await page.request.get(
    (await page.getByRole('link', { name: /Print the kept lay/ }).getAttribute('href'))!,
  );
  expect([paper.status(), paper.headers()['content-type']]).toEqual([200, 'application/pdf']);
  await page.goto(`/orders/${orderId}/sheet?part=cutting`);
  await expect(page.getByText(/as laid, “Table by the window”/)).toBeVisible();
});

test('other ways are laid before they are offered, and one is taken', async ({ page }) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Other Ways');
  await page.goto(`/orders/${orderId}/cloth`);
  await page.getByRole('button', { name: 'Lay the pieces' }).click();
  await expect(page.getByRole('button', { name: 'Keep lay' })).toBeVisible({ timeout: 15_000 });
  await page.getByRole('button', { name: 'Look for other ways' }).click();
  const rung = page.getByRole('listitem').filter({ hasText: 'folded in half, selvedge to selvedge' });
  await expect(rung).toBeVisible({ timeout: 15_000 });
  await rung.getByRole('button', { name: 'Lay it so' }).click();
  await expect(page.getByText('on the fold').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep lay' })).toBeEnabled();
});

test('who may not change the sheet lays and looks, and is offered no keeping; without measurements it says what to do', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Only Looked');
  const { orderId: bare } = await newSkirt(page, 'Nothing To Lay');
  await page.goto(`/orders/${bare}/cloth`);
  await expect(page.getByText('Nothing can be drafted yet')).toBeVisible();
  await page.request.post('/api/sign-out', { data: {} });
  await signIn(page, 'Wren Halloran');
  await page.goto(`/orders/${orderId}/cloth`);
  await page.getByRole('button', { name: 'Lay the pieces' }).click();
  await expect(page.getByRole('table', { name: /Where each piece lies/ })).toBeVisible({ timeout: 15_000 });
  await expect(page.getByText('pieces take')).toBeVisible({ timeout: 15_000 });
  await expect(page.getByRole('button', { name: 'Keep lay' })).toHaveCount(0);
});
