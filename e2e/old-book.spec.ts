import { accessible, expect, signIn, test } from './help.ts';

test('the old book is mapped, looked at row by row, taken, and told; its mapping and its progress survive a reload', async ({
  page,
}) => {
  await signIn(page, 'Odile Marchetti', '/clients');
  await page.getByRole('link', { name: 'Import clients' }).click();
  const rows = Array.from(
    { length: 300 },
    (_, i) => `Old Client ${i};${1 + (i % 28)}.4.2019;${86 + (i % 20)};30`,
  );
  rows[1] = 'Old Client 1;31.2.2019;wide;30';
  const text = `Wer;Tag;Oberweite;Taille\n${rows.join('\n')}\n`;
  const file = { name: 'old.csv', mimeType: 'text/csv', buffer: Buffer.from(text) };
  await page.getByLabel('CSV file').setInputFiles({ ...file, name: 'no.csv', buffer: Buffer.from('') });
  await expect(page.getByRole('alert')).toContainText('no.csv: This file has no rows');
  await page.getByLabel('CSV file').setInputFiles(file);
  await expect(page.getByText('Choose the column that contains the name.')).toBeVisible();
  await page.getByLabel('Wer contains').selectOption('name');
  await page.getByLabel('Tag contains').selectOption('date');
  await page.getByLabel('Oberweite contains').selectOption({ label: 'bust' });
  await page.getByLabel('Taille contains').selectOption({ label: 'waist' });
  await page.getByLabel('Unit of Taille').selectOption('in');
  const first = page.getByRole('region', { name: 'First rows' });
  await expect(first).toContainText('Old Client 0, 1 Apr 2019: bust 86 cm, waist 30 in');
  await expect(first).toContainText('“31.2.2019” isn’t a date.');
  await accessible(page, 'mapped');
  await page.getByRole('button', { name: 'Next rows' }).click();
  const kept = page.waitForResponse((r) => r.request().method() === 'PUT');
  await page.getByLabel('Import row 70, Old Client 68').uncheck();
  await expect(page.getByRole('button', { name: 'Import 299 rows' })).toBeVisible();
  await kept;
  await page.reload();
  await expect(page.getByLabel('Import row 70, Old Client 68')).not.toBeChecked();
  await page.getByLabel('Import row 70, Old Client 68').check();
  await page.getByRole('button', { name: 'Previous rows' }).click();
  await expect(first).toContainText('waist 30 in');
  const taking = page.waitForResponse(/\/take$/);
  await page.getByRole('button', { name: 'Import 300 rows' }).click();
  await taking;
  await page.reload();
  await expect(page.getByText('300 rows imported: 300 new clients')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Result' })).toContainText('“31.2.2019” isn’t a date.');
  await page.getByLabel('Another CSV file').setInputFiles(file);
  await expect(page.getByLabel('Taille contains')).toHaveValue('m waist');
  await page.getByRole('button', { name: 'Import 300 rows' }).click();
  await expect(page.getByText('300 were already there.')).toBeVisible();
});
