import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DEMO_PASSPHRASE } from '@rocchetto/demo/people.ts';
import { seedDemo } from '@rocchetto/demo/seed.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import { buildWeb } from './build-web.ts';
import { launchChromium } from './chromium.ts';
import { root, startCluster, stopChild } from './cluster.ts';
import { freePort } from './ports.ts';
import { startServer } from './serve.ts';
import { runTool } from './stop-word.ts';

/** Pictures that only the help shows. */
const HELP = 'web/help';

/** Takes the pictures of docs/screenshots/ anew, from the demo data, at 1280 × 800: `npx tsx tools/screenshots.ts`. */
runTool(async () => {
  await buildWeb();
  const cluster = await startCluster('screens', true);
  await cluster.ensureDatabase('screens');
  const url = cluster.url('screens');
  await migrate(url);
  await seedDemo(url);
  const port = await freePort();
  const server = await startServer(url, port);
  const browser = await launchChromium();
  const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    baseURL: `http://127.0.0.1:${port}`,
    locale: 'en-GB',
  });
  const shot = async (name: string, path = '', into = 'docs/screenshots') => {
    if (path) await page.goto(path);
    await page.locator('h1').first().waitFor();
    await page.waitForTimeout(1200);
    await page.screenshot({ path: join(root, into, `${name}.png`) });
  };
  const signIn = async (name: string) => {
    await page.goto('/sign-in');
    await page.getByLabel('Name').fill(name);
    await page.getByLabel('Passphrase').fill(DEMO_PASSPHRASE);
    await page.keyboard.press('Enter');
    await page.waitForURL('**/orders');
  };
  try {
    await signIn('Bram Teller');
    await shot('orders');
    await shot('client', '/clients/1');
    await shot('order', '/orders/2', HELP);
    await shot('pattern', '/orders/7/pattern?chart=1');
    await shot('what-if', '/orders/7/what-if?ease.hip=5%20cm');
    await shot('flat', '/orders/15/flat', HELP);
    await shot('messages', '/messages', HELP);
    await shot('account', '/account', HELP);
    await shot('guide', '/how-we-measure?m=arm-length', HELP);
    await shot('brief', '/orders/3/brief');
    await page.goto('/orders/13/measure');
    await page.getByRole('button', { name: 'Start measuring' }).click();
    for (const text of ['78', '78.5', '92']) {
      await page.locator('#reading').fill(text);
      await page.keyboard.press('Enter');
      if (await page.locator('#reason').isVisible()) {
        await page.keyboard.type('measure again');
        await page.keyboard.press('Enter');
      }
      await page.waitForTimeout(300);
    }
    await page.goto('/orders/13/measure?at=hip');
    await page.locator('#reading').fill('35 1/4 in');
    await shot('measure');
    await shot('sheet', '/orders/1/sheet?f=hip');
    await page.goto('/orders/2/fitting');
    await page.getByLabel('Alteration', { exact: true }).selectOption('side-seams');
    await page.getByLabel('How much').fill('1 cm');
    await page.locator('label[for=alter-find]').evaluate((el) => el.scrollIntoView({ block: 'start' }));
    await shot('fitting');
    await shot('job', '/orders/2/alterations/1');
    await shot('bench', '/bench?of=all');
    const dir = mkdtempSync(join(tmpdir(), 'paper-'));
    writeFileSync(join(dir, 'sheet.pdf'), await (await page.request.get('/api/orders/1/sheet.pdf')).body());
    execFileSync('pdftoppm', [
      '-r',
      '90',
      '-png',
      '-singlefile',
      join(dir, 'sheet.pdf'),
      join(root, 'docs/screenshots/paper'),
    ]);
    rmSync(dir, { recursive: true, force: true });
    const { days, appointments } = await (
      await page.request.get(
        `/api/diary?days=8&day=${new Date(Date.now() + 86_400_000).toISOString().slice(0, 10)}`,
      )
    ).json();
    const busiest = days
      .map((d: { day: string }) => d.day)
      .sort(
        (x: string, y: string) =>
          appointments.filter((p: { slots: { day: string }[] }) => p.slots[0]!.day === y).length -
          appointments.filter((p: { slots: { day: string }[] }) => p.slots[0]!.day === x).length,
      )[0];
    await page.goto(`/diary?day=${busiest}`);
    await page.locator('.loop').nth(1).click();
    await shot('diary');
    await page.goto('/orders/19/paper-pattern');
    await page.locator('.board').waitFor();
    await shot('paper-pattern');
    await page.goto('/orders/19/cloth');
    await page.getByRole('button', { name: 'Lay the pieces' }).click();
    await page.getByRole('button', { name: 'Keep lay' }).waitFor();
    await page.locator('.cloth-table').scrollIntoViewIfNeeded();
    await shot('cloth');
    await page.goto('/diary/book?order=4&kind=bridal-fitting');
    await page.locator('.times button').first().click();
    await shot('book', '', HELP);
    await page.request.post('/api/sign-out', { data: {} });
    await signIn('Odile Marchetti');
    await shot('house', '/house');
    await shot('today', '/today');
    const ahead = (n: number) => new Date(Date.now() + n * 86_400_000).toISOString().slice(0, 10);
    await page.goto('/orders/18/plan');
    await page.locator('.plan-thread').waitFor();
    await shot('plan');
    await page.goto('/orders/15/estimate');
    await page.locator('.price-tape').waitFor();
    await shot('estimate');
    await page.goto(`/promises?staff=4&from=${ahead(1)}&until=${ahead(11)}`);
    await page.locator('.plan-breaks').waitFor();
    await shot('promises', '', HELP);
    await page.goto('/old-book');
    const rows = ['Ada Brook;3.5.2019;92,5;28 3/8', 'Cy Dell;4.5.2019;wide;27', 'Una Reed;31.2.2020;88;29'];
    const buffer = Buffer.from(`Name;Day;Bust;Waist (in)\n${rows.join('\n')}\n`);
    await page.getByLabel('CSV file').setInputFiles({ name: 'old-book.csv', mimeType: 'text/csv', buffer });
    await page.getByRole('region', { name: 'First rows' }).waitFor();
    await shot('old-book', '', HELP);
    await page.goto('/house/rules');
    await page.getByRole('button', { name: 'Edit rules' }).click();
    await page.getByLabel('wearing ease, hip, fitted').fill('6.5');
    await page.getByText(/^This changes/).waitFor();
    await shot('rules');
  } finally {
    await browser.close();
    await stopChild(server, 'SIGTERM', 3000);
    await cluster.discard();
  }
  return 0;
});
