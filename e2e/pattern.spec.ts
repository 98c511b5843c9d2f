import { accessible, expect, inDatabase, measured, signIn, test } from './help.ts';

test('a chart is typed in, its sizes are held against the order, one is chosen and says what to change', async ({
  page,
}) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Pattern Wearer');
  await page.goto(`/orders/${orderId}`);
  await page.getByRole('link', { name: 'Choose a pattern size' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Which size for Pattern Wearer' })).toBeVisible();
  await accessible(page, 'the chart that ships');

  await page.getByRole('button', { name: 'Add size chart' }).click();
  await page.getByLabel('Name of the chart').fill('Skirt sizes by hand');
  await page.getByRole('radio', { name: 'the finished garment' }).check();
  await page.getByRole('button', { name: 'Remove bust' }).click();
  const fill = async (row: number, size: string, waist: string, hip: string) => {
    await page.getByLabel(`Size, row ${row}`, { exact: true }).fill(size);
    await page.getByLabel(`waist, row ${row}`, { exact: true }).fill(waist);
    await page.getByLabel(`hip, row ${row}`, { exact: true }).fill(hip);
  };
  await fill(1, '12', '72', '100');
  await fill(2, '14', '76', 'broad');
  await fill(3, '16', '80', '108');
  await accessible(page, 'the form');
  await page.getByRole('button', { name: 'Save chart' }).click();
  // What cannot be read is told and stays where it was typed.
  await expect(page.getByRole('alert')).toContainText('Size 14, hip');
  await page.getByLabel('hip, row 2', { exact: true }).fill('104');
  await page.getByRole('button', { name: 'Save chart' }).click();

  const best = page.getByRole('row', { name: /least work/ });
  await expect(best).toContainText('14');
  await expect(best).toContainText('ease');
  await best.getByRole('button', { name: 'Choose size 14' }).click();
  const card = page.getByRole('region', { name: 'Size 14', exact: true });
  await expect(card).toContainText('Waist: take');
  await accessible(page, 'chosen');
  const kept = await inDatabase<{ size: string }>(
    `select made ->> 'size' as size from order_size where order_id = $1`,
    [orderId],
  );
  expect(kept).toEqual([{ size: '14' }]);
  await card.getByRole('button', { name: 'Remove choice' }).click();
  await expect(card).toHaveCount(0);
});

test('a chart is filled from a CSV file with its sizes across', async ({ page }) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Pattern Buyer');
  await page.goto(`/orders/${orderId}/pattern?edit=new`);
  await page.getByLabel('Fill from file').setInputFiles({
    name: 'sizes.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(',S,M,L\nwaist,"26 - 27","28 - 29","30 1/2"\nhip,36,38,wide\n'),
  });
  await expect(page.getByLabel('Size, row 2', { exact: true })).toHaveValue('M');
  await expect(page.getByLabel('waist, row 1', { exact: true })).toHaveValue('26 – 27');
  await expect(page.getByRole('radio', { name: 'inches' })).toBeChecked();
  await expect(page.getByText('Size L, hip')).toBeVisible();
  // A column of the file is something else than was guessed: the table below is read anew.
  await page.getByText('Columns of the file').click();
  const column = page.getByRole('combobox', { name: 'What waist holds' });
  await column.fill('under bust');
  await page.keyboard.press('Enter');
  await expect(
    page
      .getByLabel('underbust, row 1', { exact: true })
      .or(page.getByLabel('under bust, row 1', { exact: true })),
  ).toHaveValue('26 – 27');
  await accessible(page, 'columns of the file');
  await page.getByLabel('hip, row 3', { exact: true }).fill('40');
  await page.getByLabel('Name of the chart').fill('Bought skirt');
  await page.getByRole('button', { name: 'Save chart' }).click();
  await expect(page.getByRole('heading', { name: 'Bought skirt' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Bought skirt', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
});

test('a chart’s own JSON file fills the form; one that is none says what is wrong', async ({ page }) => {
  await signIn(page);
  const { orderId } = await measured(page, 'Chart File');
  await page.goto(`/orders/${orderId}/pattern?edit=new`);
  const give = (text: string) =>
    page.getByLabel('Fill from file').setInputFiles({
      name: 'chart.json',
      mimeType: 'application/json',
      buffer: Buffer.from(text),
    });
  await give('{ "name": "x" ');
  await expect(page.getByRole('alert').first()).toBeVisible();
  await give(
    JSON.stringify({
      name: 'Skirt lengths',
      of: 'lengths',
      unit: 'in',
      sizes: [{ size: '10', at: { 'hem-front': '24' } }],
    }),
  );
  await expect(page.getByLabel('Name of the chart')).toHaveValue('Skirt lengths');
  await expect(page.getByRole('radio', { name: 'its lengths alone' })).toBeChecked();
  await expect(page.getByLabel('Size, row 1', { exact: true })).toHaveValue('10');
  await page.getByRole('button', { name: 'Save chart' }).click();
  await expect(
    page.getByText('A table of lengths').or(page.getByText('Nothing that this chart gives')),
  ).toBeVisible();
});
