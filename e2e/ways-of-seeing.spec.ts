import { expect, signIn, test } from './help.ts';

/** Every place of the house, on an order or client that has something there. */
const PLACES = [
  '/today',
  '/orders',
  '/orders/new',
  '/orders/1',
  '/orders/3/brief',
  '/orders/13/measure',
  '/orders/1/sheet',
  '/orders/1/sheet?part=panels',
  '/orders/1/sheet?part=cutting',
  '/orders/1/sheet?part=checks',
  '/orders/2/fitting',
  '/orders/2/alterations/1',
  '/orders/15/flat',
  '/orders/7/pattern',
  '/brought-in',
  '/bench',
  '/diary',
  '/diary/weeks',
  '/diary/book?order=4',
  '/messages',
  '/clients',
  '/clients/1',
  '/clients/new',
  '/clients/12/measures',
  '/clients/12/measure',
  '/old-book',
  '/whose-tape',
  '/how-we-measure',
  '/account',
  '/house',
  '/house/rules',
  '/house/bench',
  '/house/security',
];

test('at 200 % every place fits its width; with less motion nothing moves', async ({ page }) => {
  // 1280 × 800 at 200 % is a window of 640 × 400 (WCAG 2.2, 1.4.4 and 1.4.10).
  await page.setViewportSize({ width: 640, height: 400 });
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await signIn(page, 'Odile Marchetti', '/orders');
  const wide: string[] = [];
  const moving: string[] = [];
  for (const place of PLACES) {
    await page.goto(place);
    await expect(page.locator('main h1, main article').first()).toBeVisible();
    await page.waitForLoadState('networkidle');
    const seen = await page.evaluate(() => {
      const over = [...document.querySelectorAll<HTMLElement>('main *')].filter(
        (el) =>
          el.getBoundingClientRect().right > innerWidth + 1 && !el.closest('.scroll, svg, .hidden, table'),
      );
      return {
        wide: document.documentElement.scrollWidth - innerWidth,
        over: over.slice(-1).map((el) => el.outerHTML.slice(0, 120)),
        moves: document
          .getAnimations()
          .filter((a) => a.playState === 'running' && Number(a.effect?.getComputedTiming().duration) > 1)
          .length,
      };
    });
    if (seen.wide > 1) wide.push(`${place}: ${seen.wide} px too wide ${seen.over.join()}`);
    if (seen.moves > 0) moving.push(place);
  }
  expect(wide).toEqual([]);
  expect(moving).toEqual([]);
});

test('in forced colours what is chosen, ticked or current still shows', async ({ page }) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await signIn(page, 'Odile Marchetti', '/orders');
  const look = (selector: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((el) => {
        const s = getComputedStyle(el);
        return [
          s.color,
          s.backgroundColor,
          s.borderBottomColor,
          s.borderBottomStyle,
          s.borderBottomWidth,
          s.fontWeight,
        ].join(' ');
      });
  expect(await look('.ask[aria-pressed=true]')).not.toBe(await look('.ask[aria-pressed=false]'));
  expect(await look('nav a[aria-current=page]')).not.toBe(await look('nav a:not([aria-current])'));
  await page.goto('/orders/2/fitting');
  await expect(page.locator('main h1, main h2').first()).toBeVisible();
  // Line drawings stay lines: none is filled away by the system's colours.
  const lines = await page.locator('main svg path').evaluateAll(
    (of) =>
      of.slice(0, 40).filter((p) => {
        const s = getComputedStyle(p);
        return s.stroke !== 'none' || s.fill !== 'none';
      }).length,
  );
  expect(lines).toBeGreaterThan(0);
});
