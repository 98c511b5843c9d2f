import { accessible, byApi, expect, inDatabase, measured, signIn, test } from './help.ts';

test('a toile is laid flat and read by the keyboard alone; it stands beside body and sheet', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Toile Reader');
  await page.goto(`/orders/${orderId}`);
  await page.getByRole('link', { name: 'Measure a garment flat' }).press('Enter');
  await accessible(page, 'nothing yet');
  await page.getByRole('radio', { name: 'toile' }).check();
  await page.getByRole('radio', { name: 'skirt' }).check();
  await page.getByLabel('Description (optional)').fill('first toile');
  await page.keyboard.press('Enter');

  const field = (name: string) => page.getByLabel(`${name}, in centimetres`);
  await field('half waist').focus();
  await page.keyboard.type('36.5');
  await page.keyboard.press('Enter');
  await expect(field('half hip')).toBeFocused();
  await expect(page.getByRole('img', { name: 'Laid flat: where half hip is read' })).toBeVisible();
  await page.keyboard.type('broad');
  await page.keyboard.press('Enter');
  // What cannot be read stays in its field, with the sentence.
  await expect(page.getByRole('alert')).toContainText('broad');
  await expect(field('half hip')).toHaveValue('broad');
  await field('half hip').fill('53.5');
  await page.keyboard.press('Enter');
  const hip = page.getByRole('row', { name: /^half hip/ });
  await expect(hip).toContainText('53.5 cm whole 107');
  await expect(hip).toContainText('49');
  await expect(hip).toContainText('outside 0.5');
  await expect(field('half hip')).toHaveValue('');
  await accessible(page);
  const rows = await inDatabase<{ point: string; written: string }>(
    `select r.point, r.written from flat_reading r join flat_lay l on l.id = r.lay_id where l.order_id = $1 order by r.point desc`,
    [orderId],
  );
  expect(rows).toEqual([
    { point: 'half-waist', written: '36.5 cm' },
    { point: 'half-hip', written: '53.5 cm' },
  ]);
  await page.goto(`/orders/${orderId}/sheet`);
  const beside = page.getByRole('region', { name: 'Measured flat for comparison' });
  // The head, what was read of two points, and what to do about one of them.
  await expect(beside.getByRole('row')).toHaveCount(4);
  await expect(beside).toContainText(/Take [\d.]+ cm at each of the four side-seam edges/);
  await expect(beside).toContainText('outside 0.5');
});

test('a reading off the table waits in its field while the network is away', async ({ page, context }) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Table Away');
  await page.goto(`/orders/${orderId}/flat`);
  await page.getByRole('radio', { name: 'skirt' }).check();
  await page.getByRole('button', { name: 'Start measuring flat' }).click();
  const waist = page.getByLabel('half waist, in centimetres');
  await waist.fill('36');
  await context.setOffline(true);
  await waist.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Can’t reach the');
  await expect(waist).toHaveValue('36');
  await context.setOffline(false);
  await waist.press('Enter');
  await expect(page.getByRole('row', { name: /half waist/ })).toContainText('36 cm whole 72');
});

test('a change is seen on panels, accepted for the piece and asked for; two pieces stand side by side', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Table Changes');
  const lay = async (words: string, hip: string) => {
    await page.goto(`/orders/${orderId}/flat?new=1`);
    await page.getByRole('radio', { name: 'pattern' }).check();
    await page.getByRole('radio', { name: 'skirt' }).check();
    await page.getByLabel('Description (optional)').fill(words);
    await page.keyboard.press('Enter');
    await page.getByLabel('half hip, in centimetres').fill(hip);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('row', { name: /^half hip/ })).toContainText('whole');
  };
  await lay('bought, 38', '53.5');
  await page.getByRole('button', { name: 'Show on panels of the half hip' }).click();
  await expect(page.getByRole('img', { name: /^front: before thin, after strong/ })).toBeVisible();
  await page.getByRole('button', { name: 'Accept change of the half hip' }).click();
  const card = page.getByRole('region', { name: 'Changes to make' });
  await expect(card).toContainText(/half hip: Take [\d.]+ cm at each of the four side-seam edges/);
  await accessible(page, 'accepted');
  await card.getByRole('button', { name: 'Ask for them as alterations' }).click();
  await expect(card.getByRole('status')).toContainText('Asked as alterations');
  const asked = await inDatabase<{ note: string }>(
    `select asked ->> 'note' as note from alteration where order_id = $1`,
    [orderId],
  );
  expect(asked[0]!.note).toMatch(/^pattern \(bought, 38\), half hip: Take/);
  await page.getByLabel('Tolerance on lengths, half of it on halves').fill('6');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('between');
  await page.getByLabel('Tolerance on lengths, half of it on halves').fill('5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('row', { name: /^half hip/ })).toContainText('2.5');
  await lay('bought, 40', '51');
  await page.getByRole('link', { name: 'Compare with the pattern, bought, 38' }).click();
  await expect(page.getByRole('region', { name: 'Two pieces side by side' })).toContainText('1 of 1 points');
  await accessible(page, 'side by side');
});

test('beside an order without a brief a change is held against the client’s body and shown on a draft of its kind', async ({
  page,
}) => {
  await signIn(page);
  const { clientId } = await measured(page, 'Piece Only');
  const order = await byApi(page, 'POST', '/orders', { clientId, what: 'Dress pattern' });
  const { id } = await byApi(page, 'POST', `/orders/${order.id}/flat`, { of: 'pattern', cut: 'set-in' });
  await page.goto(`/orders/${order.id}/flat?lay=${id}`);
  await expect(page.getByText('held against the client as last measured')).toBeVisible();
  const hip = page.getByLabel('half hip, in centimetres');
  await hip.fill('48');
  await hip.press('Enter');
  await expect(page.getByRole('row', { name: /^half hip/ })).toContainText('outside');
  await page.getByRole('button', { name: 'Show on panels of the half hip' }).press('Enter');
  await expect(page.getByText('On a draft of a dress in a middle size')).toBeVisible();
  await expect(
    page
      .getByRole('img', { name: /^skirt front: before thin, after strong/ })
      .or(page.getByRole('img', { name: /front: before thin, after strong/ }))
      .first(),
  ).toBeVisible();
  await accessible(page, 'on panels');
});

test('a piece that is named and not there is never another one', async ({ page }) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Two Pieces');
  const one = await byApi(page, 'POST', `/orders/${orderId}/flat`, { of: 'pattern', cut: 'skirt' });
  await page.goto(`/orders/${orderId}/flat?lay=999999`);
  await expect(page.getByText('This piece is not beside this order')).toBeVisible();
  await expect(page.getByLabel('half hip, in centimetres')).toHaveCount(0);
  // The list is asked for anew and comes late: until it has, no field of the first piece stands there to be written in.
  await page.goto(`/orders/${orderId}/flat?new=1`);
  await page.getByRole('radio', { name: 'skirt' }).check();
  const held: (() => void)[] = [];
  let over = false;
  await page.route(`**/api/orders/${orderId}/flat`, async (route) => {
    if (route.request().method() === 'GET' && !over) await new Promise<void>((go) => held.push(go));
    await route.continue();
  });
  await page.getByRole('button', { name: 'Start measuring flat' }).click();
  await expect.poll(() => held.length).toBeGreaterThan(0);
  await expect(page.getByLabel('half hip, in centimetres')).toHaveCount(0);
  over = true;
  for (const go of held) go();
  await page.getByLabel('half hip, in centimetres').fill('50');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('row', { name: /^half hip/ })).toContainText('50 cm whole 100');
  const rows = await inDatabase<{ lay: number }>(
    'select lay_id::int as lay from flat_reading r join flat_lay l on l.id = r.lay_id where l.order_id = $1',
    [orderId],
  );
  expect(rows.length).toBe(1);
  expect(rows[0]!.lay).not.toBe(one.id);
});
