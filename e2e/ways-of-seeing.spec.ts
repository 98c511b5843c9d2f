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

/** Runs in the page, in forced colours: what is chosen looks like what is not, and lines that are drawn away. */
const unseenChoices = () => {
  const look = (el: Element) =>
    ['', '::before', '::after']
      .map((pseudo) => {
        const s = getComputedStyle(el, pseudo || null);
        const border = (['Top', 'Bottom', 'Left', 'Right'] as const).map(
          (side) => `${s[`border${side}Color`]} ${s[`border${side}Style`]} ${s[`border${side}Width`]}`,
        );
        return [
          s.color,
          s.backgroundColor,
          ...border,
          s.outline,
          s.fontWeight,
          s.textDecoration,
          s.content,
        ].join(' ');
      })
      .join('|');
  const CHOSEN = '[aria-pressed=true], [aria-selected=true], [aria-current]:not([aria-current=false])';
  const seen = (el: Element) => el.getBoundingClientRect().width > 0;
  const pairs = [...document.querySelectorAll(CHOSEN)].filter(seen).flatMap((el) => {
    // One of the same kind beside it that is not chosen.
    const group = el.closest('nav, ul, ol, fieldset, [role=tablist], .row') ?? el.parentElement!;
    const peer = [...group.querySelectorAll(el.tagName)].find(
      (x) => x !== el && seen(x) && !x.matches(CHOSEN) && x.classList[0] === el.classList[0],
    );
    return peer ? [[el, peer] as const] : [];
  });
  // Of a line of the list that is current, something in it may say so.
  const deep = (el: Element) => [el, ...el.querySelectorAll('*')].map(look).join();
  const gone = [...document.querySelectorAll('main svg :is(path, line, circle, rect)')].filter((p) => {
    const s = getComputedStyle(p);
    const back = getComputedStyle(document.body).backgroundColor;
    const unseen = (paint: string) => paint === 'none' || paint === back || paint === 'rgba(0, 0, 0, 0)';
    return (
      seen(p) &&
      unseen(s.stroke) &&
      unseen(s.fill) &&
      s.opacity !== '0' &&
      !p.closest('defs, clipPath, pattern') &&
      // Where a hand can press beside a line.
      p.getAttribute('fill') !== 'transparent'
    );
  });
  return {
    compared: pairs.length,
    alike: pairs.filter(([el, peer]) => deep(el) === deep(peer)).map(([el]) => el.outerHTML.slice(0, 140)),
    gone: gone.slice(0, 1).map((p) => `drawn away: ${p.outerHTML.slice(0, 140)}`),
  };
};

test('at 200 % every place fits its width, with less motion nothing moves, and in forced colours what is chosen or current shows', async ({
  page,
}) => {
  // 1280 × 800 at 200 % is a window of 640 × 400 (WCAG 2.2, 1.4.4 and 1.4.10).
  await page.setViewportSize({ width: 640, height: 400 });
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await signIn(page, 'Odile Marchetti', '/orders');
  const wide: string[] = [];
  const moving: string[] = [];
  const alike: string[] = [];
  let compared = 0;
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
    await page.emulateMedia({ reducedMotion: 'reduce', forcedColors: 'active' });
    const chosen = await page.evaluate(unseenChoices);
    await page.emulateMedia({ reducedMotion: 'reduce', forcedColors: null });
    compared += chosen.compared;
    for (const what of [...chosen.alike, ...chosen.gone]) alike.push(`${place}: ${what}`);
  }
  expect(wide).toEqual([]);
  expect(moving).toEqual([]);
  expect(compared).toBeGreaterThan(20);
  expect(alike).toEqual([]);
});
