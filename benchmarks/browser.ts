import { DEMO_PASSPHRASE } from '@rocchetto/demo/people.ts';
import { launchChromium } from '../tools/chromium.ts';

/** A browser in which this person of the demo has signed in. */
export async function open(base: string, name: string) {
  const browser = await launchChromium();
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto(`${base}/sign-in`);
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Passphrase').fill(DEMO_PASSPHRASE);
  await page.keyboard.press('Enter');
  await page.waitForURL('**/orders');
  return { browser, context, page };
}
