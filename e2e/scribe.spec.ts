import { MEASURES } from '@rocchetto/core';
import { byApi, call, expect, inDatabase, inTheBook, newSkirt, signIn, takeUpTape, test } from './help.ts';

/** One invented client’s figures, cm, for all that a day dress asks. */
const HERS: Readonly<Record<string, number>> = {
  'high-bust': 88,
  bust: 92,
  waist: 74,
  'high-hip': 90,
  'waist-to-high-hip': 9.5,
  tummy: 88,
  'waist-to-tummy': 8,
  hip: 100,
  'waist-to-hip': 20.5,
  'bust-front': 48,
  'waist-front': 38,
  'tummy-front': 44,
  'hip-front': 50,
  'apex-span': 18.5,
  'across-front': 33.5,
  'across-back': 35.5,
  'across-shoulder': 38.5,
  shoulder: 12.5,
  'neck-width': 14,
  'shoulder-drop': 4.3,
  'neck-to-bust': 27.5,
  'bust-to-waist': 17,
  'neck-to-waist-front': 44.5,
  'neck-to-waist-back': 42,
  'nape-to-waist': 40.5,
  'armhole-depth': 21,
  'underarm-to-waist': 18.5,
  'neck-depth-front': 12,
  'neck-depth-back': 3,
  'garment-length': 106,
  'nape-to-hem': 102,
  'waist-to-knee': 59,
  'waist-to-floor': 105,
  armhole: 42,
  'hem-front': 62,
  'hem-left': 62,
  'hem-right': 62,
  'hem-back': 62,
};

test('a scribe types a whole dress by the keyboard alone while an answer of the server is lost on the way', async ({
  page,
}) => {
  await signIn(page);
  const client = await byApi(page, 'POST', '/clients', { name: 'Called Out' });
  const order = await byApi(page, 'POST', '/orders', { clientId: client.id, what: 'Day dress' });
  const brief = {
    parts: [{ part: 'darted-bodice' }, { part: 'straight-skirt', length: '62 cm' }],
  };
  await byApi(page, 'PUT', `/orders/${order.id}/brief`, { version: order.version, brief });
  await takeUpTape(page, order.id);

  // Once the server takes a batch and its answer is lost: the device sends it again.
  let lost = 0;
  await page.route('**/api/readings', async (route) => {
    if (lost++ !== 3) return route.continue();
    await route.fetch();
    await route.abort();
  });

  const called: string[] = [];
  const heading = page.getByRole('heading', { level: 1 });
  while (!page.url().includes('/sheet')) {
    const name = ((await heading.textContent()) ?? '').replace(' ★', '').trim();
    const measure = MEASURES.find((m) => m.name === name);
    expect(measure, `“${name}” is a measure`).toBeDefined();
    const figure = HERS[measure!.id];
    expect(figure, `${measure!.id} is asked`).toBeDefined();
    const times = measure!.twice ? 2 : 1;
    for (let i = 0; i < times; i++) {
      await page.keyboard.type(String(figure));
      await page.keyboard.press('Enter');
      called.push(measure!.id);
      // A fast hand does not wait; but it looks where it is before the next name is called.
      if (i + 1 < times) await expect(page.getByText(`1. ${figure} cm`)).toBeVisible();
    }
    await expect
      .poll(
        async () =>
          page.url().includes('/sheet') || ((await heading.textContent()) ?? '').replace(' ★', '') !== name,
      )
      .toBe(true);
  }
  expect(called.length).toBeGreaterThanOrEqual(25);
  await inTheBook(order.id, called.length);
  const rows = await inDatabase<{ measure: string; text: string }>(
    `select r.measure, r.fact -> 'written' ->> 'text' as text from reading r join session s on s.id = r.session_id
      where s.order_id = $1 order by r.seq`,
    [order.id],
  );
  expect(rows.map((r) => r.measure)).toEqual(called);
  expect(rows.map((r) => Number(r.text))).toEqual(called.map((id) => HERS[id]));
  expect(lost).toBeGreaterThan(4);
});

test('measurer and scribe on two devices see each reading arrive, and what one took while away joins the other’s', async ({
  page,
  browser,
  studio,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Two At The Tape');
  await takeUpTape(page, orderId);
  await call(page, '70');
  await inTheBook(orderId, 1);
  const away = await browser.newContext({ baseURL: studio.url, serviceWorkers: 'block' });
  const other = await away.newPage();
  await signIn(other, 'Ines Kovar', `/orders/${orderId}/measure`);
  await expect(other.getByText('1. 70 cm')).toBeVisible();
  await call(other, '70.5');
  // The waist is read twice now, by two hands: it arrives here without anybody asking.
  await expect(page.getByRole('button', { name: 'waist: read' })).toContainText('70.25');

  await away.setOffline(true);
  await call(other, '90');
  await expect(other.getByText('1 saved on this device, not sent yet')).toBeVisible();
  await page.getByRole('button', { name: /^hip:/ }).click();
  await call(page, '98');
  await inTheBook(orderId, 3);
  await away.setOffline(false);
  await inTheBook(orderId, 4);
  for (const screen of [page, other]) {
    await expect(screen.getByRole('button', { name: 'high hip: read' })).toContainText('90');
    await screen.getByRole('button', { name: /^hip:/ }).click();
    await expect(screen.getByText('1. 98 cm')).toBeVisible();
  }
  const [{ n }] = (await inDatabase<{ n: number }>(
    'select count(distinct session_id)::int as n from reading r join session s on s.id = r.session_id where s.order_id = $1',
    [orderId],
  )) as [{ n: number }];
  expect(n).toBe(1);
  await away.close();
});
