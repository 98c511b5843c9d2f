import { accessible, byApi, expect, inDatabase, measured, signIn, test } from './help.ts';

test('at the mirror: a touch, a sign found by looking, what it would make, read back and agreed', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Mirror One');
  await page.goto(`/orders/${orderId}/fitting`);
  await page.getByRole('img', { name: /^The garment from the front/ }).click({ position: { x: 80, y: 90 } });
  await expect(page.getByText('Marked on the drawing, front.')).toBeVisible();
  await page.getByText('Start from a fitting sign').click();
  await page.getByLabel('Find a sign').fill('rides up');
  await accessible(page, 'signs');
  await page.getByRole('button', { name: /^cross strain at the hip/ }).click();
  await page.getByRole('button', { name: 'let out at the side seams' }).click();
  await expect(page.getByLabel('Alteration', { exact: true })).toHaveValue('side-seams');
  await page.getByLabel('How much').fill('2 cm');
  const made = page.getByRole('region', { name: 'What it would change' });
  await expect(made.locator('tr', { hasText: 'hip' }).last()).toContainText('cm');
  await expect(made).toContainText('side seam of the back, 0.5 cm on each of 2 edges');
  await page.getByRole('button', { name: 'take in', exact: true }).click();
  await page.getByLabel('How much').fill('200 cm');
  await expect(page.getByRole('alert')).toContainText('There is not so much cloth');
  await page.getByLabel('How much').fill('1');
  await expect(made).toContainText('side seam of the front, 1 cm off each of 2 edges');
  await expect(page.getByText('1 cm pinned: 1 cm at each of 4 edges, 4 cm all round.')).toBeVisible();
  await page.getByLabel('The client’s words').fill('it rides up when I sit');
  await page.reload();
  await expect(page.getByLabel('The client’s words')).toHaveValue('it rides up when I sit');
  await expect(page.getByLabel('How much')).toHaveValue('1');
  await page.getByRole('button', { name: 'Add change' }).click();
  const list = page
    .getByRole('listitem')
    .filter({ hasText: 'Side seams: take in 1 cm pinned at each seam.' });
  await expect(list).toContainText('it rides up when I sit');
  await expect(page.getByLabel('How much')).toHaveCount(0);
  await page.getByRole('button', { name: 'Agree 1' }).click();
  await expect(list).toContainText('agreed by Mirror One');
  await accessible(page);
  // The cloth is not cut: what was agreed stands at the sheet, and is drafted into it.
  await page.goto(`/orders/${orderId}/sheet`);
  const waits = page.getByRole('region', { name: 'Agreed at the fitting' });
  await expect(waits).toContainText('Side seams: take in 1 cm pinned at each seam. agreed by Mirror One');
  await accessible(page, 'agreed at the fitting');
  const hip = page.getByRole('row', { name: /^[A-Z] hip / }).first();
  const before = await hip.textContent();
  await page.getByRole('button', { name: /^Draft into revision 1/ }).click();
  await expect(waits).toContainText('drafted');
  await expect(hip).not.toHaveText(before!);
  await page.getByRole('button', { name: /^Reopen/ }).click();
  await expect(hip).toHaveText(before!);
});

test('the kinds are found by everyday words, and only those that the garment bears', async ({ page }) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Words One');
  await page.goto(`/orders/${orderId}/fitting`);
  const kinds = page.getByLabel('Alteration', { exact: true });
  await expect(kinds.locator('option', { hasText: 'sleeve length' })).toHaveCount(0);
  await page.getByText(/not possible on this garment/).click();
  await expect(page.getByText('sleeve length: This garment has no sleeve end.')).toBeVisible();
  await page.getByLabel('Find', { exact: true }).fill('gapes');
  await expect(kinds.locator('option', { hasText: 'waist' }).first()).toBeAttached();
  await expect(kinds.locator('option', { hasText: 'hem, straight' })).toHaveCount(0);
  await page.getByLabel('Find', { exact: true }).press('Enter');
  await expect(kinds).not.toHaveValue('');
  await accessible(page);
});

test('the forgotten lining cannot be missed; done, sent back, done again, checked by another', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Bench One');
  const { id } = await byApi(page, 'POST', `/orders/${orderId}/alterations`, {
    asked: { kind: 'waist', direction: 'in', amount: '1 cm', as: 'pinned' },
    source: 'fitting',
  });
  await byApi(page, 'POST', `/alterations/${id}/steps`, {
    version: 1,
    step: { step: 'agree', name: 'Bench One' },
  });
  await signIn(page, 'Pia Ostrander', `/orders/${orderId}/alterations/${id}`);
  await page.getByRole('button', { name: 'Assign to me' }).click();
  await expect(page.getByText('Pia Ostrander.', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByText('you are working on it')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Mark done: \d+ pieces to tick first/ })).toBeDisabled();
  const boxes = page.getByRole('list', { name: 'Pieces' }).getByRole('checkbox');
  const n = await boxes.count();
  for (let i = 0; i < n - 1; i++) await boxes.nth(i).check();
  await expect(page.getByRole('button', { name: 'Mark done: 1 piece to tick first' })).toBeDisabled();
  await accessible(page);
  await page.getByRole('button', { name: /^Cross out:/ }).click();
  await page.getByLabel('Reason for crossing out this piece').fill('cut anew already');
  await page.getByRole('button', { name: 'Cross out', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Pieces' })).toContainText('crossed out: cut anew already');
  await page.getByRole('button', { name: 'Mark done', exact: true }).click();
  await expect(page.getByText('You did this work. Someone else must check it.')).toBeVisible();
  await signIn(page, 'Tomas Lindqvist', `/orders/${orderId}/alterations/${id}`);
  await page.getByLabel('Reason').fill('the left is lower');
  await page.getByRole('button', { name: 'Send back' }).click();
  await expect(page.getByText('sent back: the left is lower')).toBeVisible();
  for (let i = 0; i < n - 1; i++) await boxes.nth(i).check();
  await page.getByRole('button', { name: 'Mark done', exact: true }).click();
  await expect(page.getByText('You did this work. Someone else must check it.')).toBeVisible();
  await signIn(page, 'Bram Teller', `/orders/${orderId}/alterations/${id}`);
  await page.getByLabel('waist of the skirt is').fill('99');
  await page.getByRole('button', { name: 'Mark checked' }).click();
  await expect(page.getByRole('alert')).toContainText('is allowed. Send it back');
  const should = await page
    .locator('tr', { hasText: 'waist of the skirt' })
    .locator('td')
    .nth(1)
    .textContent();
  await page.getByLabel('waist of the skirt is').fill(should!);
  await page.getByRole('button', { name: 'Mark checked' }).click();
  await expect(page.getByText('Bram Teller: checked')).toBeVisible();
});

test('the bench lists one’s own work and every hand’s; another’s step shows by itself; a phone has room', async ({
  page,
}) => {
  await signIn(page, 'Wren Halloran', '/bench');
  await expect(page.getByRole('region', { name: 'With you' })).toContainText('take in 1 cm pinned');
  await accessible(page);
  await page.getByRole('button', { name: 'Everyone' }).click();
  await expect(page.getByRole('region', { name: 'Tomas Lindqvist' })).toBeVisible();
  await page.setViewportSize({ width: 360, height: 740 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
});

test('the week is proposed with its reasons and given in part', async ({ page }) => {
  await signIn(page, 'Odile Marchetti', '/bench');
  await page.getByRole('button', { name: 'Suggest a week' }).click();
  const proposal = page.getByRole('region', { name: 'Suggested week' });
  const boxes = proposal.getByRole('checkbox');
  await expect(boxes.first()).toBeChecked();
  await expect(proposal).toContainText('free that day');
  await accessible(page, 'proposal');
  const n = await boxes.count();
  for (let i = 1; i < n; i++) await boxes.nth(i).uncheck();
  await proposal.getByRole('button', { name: n === 1 ? 'Assign all' : 'Assign these 1' }).click();
  await expect(proposal).toBeHidden();
});

test('pins are counted, and what stands in the way of handing over is said', async ({ page }) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Pins One');
  await page.goto(`/orders/${orderId}/fitting`);
  await expect(page.getByText('The cloth is not cut yet, so there is no garment.')).toBeVisible();
  await page.getByLabel('Pins and needles').fill('14');
  await page.getByRole('button', { name: 'Count in' }).click();
  await expect(page.getByText('14 pins counted in, 0 out.')).toBeVisible();
  await expect(
    page.getByText('14 of 14 pins are not counted out. Find them before hand-over.'),
  ).toBeVisible();
  await page.getByLabel('Pins and needles').fill('14');
  await page.getByRole('button', { name: 'Count out' }).click();
  await expect(page.getByText('14 pins counted in, 14 out.')).toBeVisible();
  await page.getByText('Measured against the sheet').click();
  await page.getByLabel('hip, measured').fill('140');
  await page.getByRole('button', { name: 'Save measurements' }).click();
  await expect(page.getByText('140 cm outside')).toBeVisible();
  await accessible(page, 'measured');
  await page.getByLabel('Reason to accept what is outside tolerance').fill('wanted so');
  await page.getByRole('button', { name: 'Accept as is' }).click();
  await expect(page.getByText('140 cm accepted by Bram Teller')).toBeVisible();
  const record = await page.request.get(`/api/orders/${orderId}/fitting-record.pdf`);
  expect(record.headers()['content-type']).toBe('application/pdf');
});

test('at the desk a garment is brought in, gets its ticket, and is found by it again', async ({ page }) => {
  await signIn(page, 'Jonah Fell', '/clients');
  const client = await byApi(page, 'POST', '/clients', { name: 'Ticket Holder' });
  await page.goto(`/brought-in?client=${client.id}`);
  await expect(page.getByRole('heading', { name: 'Garment brought in by Ticket Holder' })).toBeVisible();
  await page.getByLabel('Garment', { exact: true }).selectOption('jacket');
  await page.getByRole('button', { name: 'Create order' }).click();
  await expect(page.getByRole('alert')).toContainText('Enter the condition');
  await accessible(page);
  await page.getByLabel('Condition when brought in').fill('nothing found');
  await page.getByRole('button', { name: 'lined', exact: true }).click();
  await page.getByRole('button', { name: 'Create order' }).click();
  const ticket = page.getByRole('link', { name: /^[A-Z2-9]{3}-[A-Z2-9]{3}$/ });
  await expect(ticket).toBeVisible();
  const code = (await ticket.textContent())!;
  // One pixel, the smallest PNG there is.
  const png =
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
  const photos = page.getByLabel('Add photographs');
  await photos.setInputFiles({
    name: 'notes.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('no picture'),
  });
  await expect(page.getByRole('alert')).toContainText('notes.txt: This picture can’t be read');
  await page.getByLabel('Caption').fill('the right cuff');
  await photos.setInputFiles({ name: 'cuff.png', mimeType: 'image/png', buffer: Buffer.from(png, 'base64') });
  await expect(page.getByRole('img', { name: 'the right cuff' })).toBeVisible();
  await page.getByLabel('Alteration', { exact: true }).selectOption('sleeve-length');
  await page.getByLabel('How much').fill('2 cm');
  await page.getByRole('button', { name: 'Add change' }).click();
  await expect(page.getByRole('link', { name: /^Sleeve length: shorten 2/ })).toBeVisible();
  await page.goto('/brought-in');
  await page.getByLabel('Ticket code').fill('ZZZZZZ');
  await page.getByRole('button', { name: 'Find the garment' }).click();
  await expect(page.getByRole('alert')).toBeVisible();
  await page.getByLabel('Ticket code').fill(code.toLowerCase());
  await page.getByRole('button', { name: 'Find the garment' }).click();
  await expect(ticket).toHaveText(code);
});

test('what is asked while the network is away is kept on the device, and made once when it is back', async ({
  page,
  context,
}) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Away One');
  await page.goto(`/orders/${orderId}/fitting`);
  await page.getByLabel('Alteration', { exact: true }).selectOption('hem-straight');
  await page.getByLabel('How much').fill('2 cm');
  await expect(page.getByRole('region', { name: 'What it would change' })).toContainText('hem of the front');
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Add change' }).click();
  const waiting = page.getByRole('list', { name: 'Waiting to be sent' });
  await expect(waiting).toContainText('Hem, straight: take up 2 cm. saved here, not sent yet');
  await expect(page.getByLabel('How much')).toHaveCount(0);
  // What waits is read back and agreed here too, and pins are counted.
  await page.getByRole('button', { name: 'Agree 1' }).click();
  await expect(waiting).toContainText('Agreed by Away One: Hem, straight: take up 2 cm. saved here');
  await page.getByLabel('Pins and needles').fill('6');
  await page.getByRole('button', { name: 'Count in' }).click();
  await expect(waiting).toContainText('6 pins counted in.');
  const band = page.getByText('3 entries waiting to be sent.');
  await expect(band).toBeVisible();
  await context.setOffline(false);
  await expect(waiting).toBeHidden();
  await expect(band).toBeHidden();
  await expect(page.getByRole('link', { name: 'Hem, straight: take up 2 cm.' })).toHaveCount(1);
  await expect(page.getByText('agreed by Away One')).toBeVisible();
  await expect(page.getByText('6 pins counted in, 0 out.')).toBeVisible();
  const rows = await inDatabase('select status from alteration where order_id = $1', [orderId]);
  expect(rows).toEqual([{ status: 'agreed' }]);
});
