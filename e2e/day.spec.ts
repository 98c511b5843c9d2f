import { execFileSync } from 'node:child_process';
import type { Page } from '@playwright/test';
import { DEMO_PASSPHRASE } from '@rocchetto/demo/people.ts';
import { accessible, expect, test } from './help.ts';

/** Tab until the element has the focus: the way a hand without a mouse gets there. */
async function tabTo(page: Page, target: ReturnType<Page['locator']>, most = 60) {
  for (let i = 0; i < most; i++) {
    if (
      await target
        .evaluate((el) => el === document.activeElement || el.contains(document.activeElement))
        .catch(() => false)
    )
      return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`not reached by Tab: ${target}`);
}

test('a client is taken from sign-in to paper with the keyboard alone', async ({ page }) => {
  await page.goto('/');
  await expect(page).toHaveURL(/sign-in/);
  await accessible(page);
  await page.keyboard.type('Bram Teller');
  await page.keyboard.press('Tab');
  await page.keyboard.type(DEMO_PASSPHRASE);
  await page.keyboard.press('Enter');

  await expect(page.getByRole('heading', { name: 'Orders' })).toBeVisible();
  await accessible(page);
  await tabTo(page, page.getByRole('link', { name: 'Clients' }));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Clients' })).toBeVisible();
  await accessible(page);
  await tabTo(page, page.getByRole('link', { name: 'New client' }));
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByLabel('Name', { exact: true }));
  await page.keyboard.type('Wilhelmina Åstrand');
  await page.keyboard.press('Tab');
  await page.keyboard.type('0700 555 019');
  await accessible(page);
  await page.keyboard.press('Enter');

  await expect(page.getByRole('heading', { name: 'Wilhelmina Åstrand' })).toBeVisible();
  await accessible(page);
  await tabTo(page, page.getByRole('link', { name: 'New order' }));
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByLabel('Garment or job'));
  await page.keyboard.type('Straight skirt in wool');
  await accessible(page);
  await page.keyboard.press('Enter');

  await expect(page.getByRole('heading', { name: /Brief: Straight skirt in wool/ })).toBeVisible();
  await accessible(page);
  await tabTo(page, page.getByRole('combobox', { name: 'Garment' }));
  await page.keyboard.type('straight skirt');
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByLabel('Length wanted'));
  await page.keyboard.type('24 1/2 in');
  await tabTo(page, page.getByLabel('Lining', { exact: true }));
  await page.keyboard.type('cupro');
  await page.keyboard.press('Enter');

  await expect(page.getByRole('heading', { name: /Measuring Wilhelmina/ })).toBeVisible();
  await accessible(page);
  await tabTo(page, page.getByRole('button', { name: 'Start measuring' }));
  await page.keyboard.press('Enter');
  await expect(page.locator('#reading')).toBeFocused();
  await accessible(page);
  const heading = page.getByRole('heading', { level: 1 });
  for (const [name, ...typed] of [
    ['waist', '28 3/8 in', '28⅜ in'],
    ['high hip', 's'],
    ['high-hip drop', 's'],
    ['tummy', 'd'],
    ['tummy drop', 's'],
    ['hip', '98,5 cm', '98.5 cm'],
    ['hip drop', '203 mm'],
    ['front waist arc', 's'],
    ['front tummy arc', 's'],
    ['front hip arc', 's'],
    ['waist to knee', '58 cm'],
    ['waist to floor', '104 cm'],
    ['waist to hem, front', '62 cm'],
    ['waist to hem, left side', '62.5 cm'],
    ['waist to hem, right side', '62.5 cm'],
    ['waist to hem, back', '62 cm'],
  ] as const) {
    await expect(heading).toContainText(name);
    for (const text of typed) {
      await page.keyboard.type(text);
      if (text.length > 1) {
        await page.keyboard.press('Enter');
        // Taken: the field is empty again, or after the last one the sheet is there instead.
        await expect
          .poll(() => page.evaluate(() => document.querySelector<HTMLInputElement>('#reading')?.value ?? ''))
          .toBe('');
      }
    }
  }

  await expect(page.getByRole('article', { name: 'Specification sheet' })).toBeVisible();
  await expect(page.getByText('Everything is saved')).toHaveCount(0);
  await accessible(page);
  const hip = page.locator('tr:has([data-figure="hip"])');
  await expect(hip).toContainText('103.63 cm');
  await expect(hip).toContainText('26 cm');

  await tabTo(page, page.locator('[data-figure="waist"]'), 120);
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('heading', { name: /^Why B, hip/ })).toBeVisible();
  await expect(page.getByLabel('Why', { exact: true })).toContainText('+5 cm wearing ease');
  await tabTo(page, page.getByLabel('Figure set by hand'));
  await page.keyboard.type('3');
  await page.keyboard.press('Tab');
  await page.keyboard.type('likes it snug');
  await page.keyboard.press('Enter');
  await expect(hip).toContainText('by hand');
  await expect(
    page.getByText(/ease 3.37 cm as marked, the floor in a woven is 4 cm \(room to sit\)/).first(),
  ).toBeVisible();
  await accessible(page);
  await tabTo(page, page.getByRole('button', { name: /^Checks/ }), 140);
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByLabel(/Reason to accept/).first(), 140);
  await page.keyboard.type('knowingly, said so twice');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/Accepted by Bram Teller/)).toBeVisible();
  await tabTo(page, page.getByLabel('Agreed by'), 140);
  await page.keyboard.type('Wilhelmina Åstrand');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Revision 1, agreed.')).toBeVisible();
  await accessible(page);

  const paper = await page.request.get(
    (await page.getByRole('link', { name: 'Print (PDF)' }).getAttribute('href'))!,
  );
  const text = execFileSync('pdftotext', ['-enc', 'UTF-8', '-layout', '-', '-'], {
    input: await paper.body(),
    encoding: 'utf8',
  });
  expect(text).toContain('Wilhelmina Åstrand');
  expect(text).toContain('F 25.5 cm');
  expect(text).toContain('page 1 of 2');
});
