import type { Page } from '@playwright/test';
import { accessible, byApi, expect, newSkirt, signIn, test } from './help.ts';

/** The row of the day's list that holds this client. */
const row = (page: Page, client: string) => page.locator('.daylist tr', { hasText: client });

/** A fitting booked by the API at the first free time from a day on that nobody else in these tests uses. */
async function booked(page: Page, name: string, from: string) {
  const { orderId, clientId } = await newSkirt(page, name);
  const { times } = await (
    await page.request.get(`/api/diary/times?kind=fitting&earliest=10:00&latest=12:00&from=${from}`)
  ).json();
  const { day, time, staff, roomId } = times[0];
  const made = await byApi(page, 'POST', '/appointments', {
    kind: 'fitting',
    clientId,
    orderId,
    slots: [{ day, time, staff, roomId }],
  });
  return {
    id: made.id as number,
    orderId,
    clientId,
    day: day as string,
    time: time as string,
    staff,
    roomId,
  };
}
const later = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

test('a fitter books a fitting from its order; it lies on the day’s threads and on the order’s own', async ({
  page,
}) => {
  await signIn(page, 'Bram Teller');
  const { orderId } = await newSkirt(page, 'Booked One', { shoes: 'court shoe' });
  await page.goto(`/orders/${orderId}`);
  await page.getByRole('link', { name: 'Book a fitting' }).click();
  await expect(page.getByRole('heading', { name: 'Free times, best first' })).toBeVisible();
  await page.getByLabel('For a').selectOption('fitting');
  await page.getByLabel('From').fill('in 40 days');
  await page.getByRole('button', { name: 'Wed', exact: true }).click();
  await page.getByLabel('Finish by').selectOption('17:00');
  await accessible(page);
  const first = page.locator('.times button').first();
  await expect(first).toBeVisible();
  await first.click();
  await expect(page.getByLabel('To bring')).toHaveValue('court shoe');
  await page.getByLabel('Who comes too').fill('a sister');
  await page.getByRole('button', { name: 'Book appointment' }).click();
  await expect(page.getByRole('region', { name: 'Appointment' })).toContainText('a sister');
  await expect(row(page, 'Booked One')).toContainText('needs the basted garment ready');
  await accessible(page);
  await page.getByRole('button', { name: 'Mark ready' }).click();
  await expect(page.getByText('✓ the basted garment ready')).toBeVisible();
  await page.goto(`/orders/${orderId}`);
  await expect(page.getByRole('link', { name: /^fittings: / })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Appointments' })).toBeVisible();
});

test('by keyboard a loop moves along its thread, is told what hinders it, and keeps where it was with the reason', async ({
  page,
}) => {
  await signIn(page, 'Bram Teller');
  const a = await booked(page, 'Moved One', later(45));
  await page.goto(`/diary?day=${a.day}`);
  const loop = page.getByRole('button', { name: /Moved One, with/ }).first();
  await loop.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('ArrowRight');
  const moving = page.getByRole('form', { name: 'Move appointment' });
  await expect(moving).toBeVisible();
  await accessible(page, 'moving');
  // Far to the left nobody is at work.
  for (let i = 0; i < 30; i++) await page.keyboard.press('Shift+ArrowLeft');
  await expect(moving).toContainText('is not at work then');
  await expect(moving.getByRole('button', { name: 'Move appointment' })).toBeDisabled();
  await page.keyboard.press('Escape');
  await expect(moving).toBeHidden();
  await page.keyboard.press('Shift+ArrowRight');
  await moving.getByLabel('Reason for moving').fill('missed the ferry');
  await moving.getByRole('button', { name: 'Move appointment' }).click();
  await expect(page.getByText('missed the ferry')).toBeVisible();
  const now = await (await page.request.get(`/api/appointments/${a.id}`)).json();
  expect(now.slots.map((s: { state: string }) => s.state)).toEqual(['left', 'taken']);
  expect(now.slots[1].start - now.slots[0].start).toBe(15);
});

test('by pointer a loop is drawn onto another time; let go of, it asks before it moves', async ({ page }) => {
  await signIn(page, 'Bram Teller');
  const a = await booked(page, 'Drawn One', later(50));
  await page.goto(`/diary?day=${a.day}`);
  const loop = page.getByRole('button', { name: /Drawn One, with/ }).first();
  const box = (await loop.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 130, box.y + 22, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByRole('form', { name: 'Move appointment' })).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  expect((await (await page.request.get(`/api/appointments/${a.id}`)).json()).slots).toHaveLength(1);
});

test('a time that somebody else takes meanwhile is told, nothing is lost, and the nearest free one is offered', async ({
  page,
}) => {
  // A page that is not told at once meets the other booking when it sends its own.
  await page.route('**/api/live', (route) => route.abort());
  await signIn(page, 'Bram Teller');
  const { orderId } = await newSkirt(page, 'Second One');
  const other = await byApi(page, 'POST', '/clients', { name: 'First One' });
  await page.goto(`/diary/book?order=${orderId}&kind=fitting`);
  // A press on one of the times that were there before the wish goes with them.
  const found = page.waitForResponse((r) => /\/times\?.*from=/.test(r.url()));
  await page.getByLabel('From').fill('in 60 days');
  await page.keyboard.press('Tab');
  await found;
  const first = page.locator('.times button').first();
  await expect(page.locator('ul.times')).toHaveAttribute('aria-busy', 'false');
  await expect(first).toBeVisible();
  const asked = page.waitForRequest((r) => r.url().endsWith('/api/appointments'));
  await first.click();
  await page.getByLabel('Note', { exact: true }).fill('a note that must stay');
  // Another hand takes exactly what this page is about to send.
  await page.route('**/api/appointments', async (route) => {
    const { slots } = route.request().postDataJSON();
    await page.unroute('**/api/appointments');
    await byApi(page, 'POST', '/appointments', { kind: 'fitting', clientId: other.id, slots });
    await route.continue();
  });
  await page.getByRole('button', { name: 'Book appointment' }).click();
  await asked;
  await expect(page.getByRole('alert')).toContainText('took this time');
  await expect(page.getByLabel('Note', { exact: true })).toHaveValue('a note that must stay');
  await page.locator('form.stack p button').first().click();
  await page.getByRole('button', { name: 'Book appointment' }).click();
  await expect(page.getByRole('region', { name: 'Appointment' })).toBeVisible();
});

test('another hand’s booking appears on an open day by itself', async ({ page }) => {
  await signIn(page, 'Ines Kovar');
  const day = (await booked(page, 'Already There', later(70))).day;
  await page.goto(`/diary?day=${day}`);
  await expect(row(page, 'Already There')).toBeVisible();
  await booked(page, 'Comes By Itself', day);
  await expect(row(page, 'Comes By Itself')).toBeVisible();
});

test('today tells each role what waits for its hands; the bench books nothing', async ({ page }) => {
  await signIn(page, 'Wren Halloran', '/today');
  await expect(page.getByRole('heading', { name: 'To do now' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Book appointment' })).toHaveCount(0);
  await accessible(page);
  await page.goto('/diary/book');
  await expect(page.getByText('The owner, fitters and front desk book appointments.')).toBeVisible();
  await page.goto('/diary/weeks');
  await expect(page.getByRole('row', { name: /Bram Teller/ })).toBeVisible();
  await accessible(page);
  await page.setViewportSize({ width: 360, height: 740 });
  for (const path of ['/today', '/diary', '/diary/weeks']) {
    await page.goto(path);
    await page.locator('h1').waitFor();
    expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(360);
  }
});

test('the principal sets hours and leave; leave on booked days is refused with whom it would leave standing', async ({
  page,
}) => {
  await signIn(page, 'Odile Marchetti');
  const a = await booked(page, 'Stands In The Way', later(80));
  const { staff } = await (await page.request.get('/api/diary/house')).json();
  const name = staff.find((s: { id: number }) => s.id === a.staff[0]).name;
  await page.goto('/house');
  await page.getByRole('button', { name: 'Edit hours and skills of Wren Halloran' }).click();
  const form = page.getByRole('form', { name: 'Hours and skills of Wren Halloran' });
  await form.getByLabel('Fri').fill('9-25');
  await expect(form.getByText('“9-25” can’t be read. Friday’s hours are unchanged.')).toBeVisible();
  await expect(form.getByRole('button', { name: 'Save' })).toBeDisabled();
  await form.getByLabel('Fri').fill('9-13');
  await form.getByRole('checkbox', { name: 'beading' }).check();
  await accessible(page, 'work');
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('cell', { name: /Fri 09:00–13:00/ })).toBeVisible();
  await page.getByLabel('Leave for').click();
  await page.getByTitle(name, { exact: true }).click();
  await page.getByLabel('First day').fill(a.day);
  await page.getByLabel('Last day').fill(a.day);
  await page.getByRole('button', { name: 'Add leave' }).click();
  await expect(page.getByRole('alert')).toContainText('Stands In The Way');
});

test('what a client is told is written with the booking, read as it would be, and waits while the carrier is out of order', async ({
  page,
}) => {
  await signIn(page, 'Odile Marchetti');
  await page.goto('/messages');
  await page.getByRole('button', { name: 'Simulate failure' }).click();
  await expect(page.getByRole('alert')).toContainText('Simulated failure is on');
  const client = await byApi(page, 'POST', '/clients', { name: 'Told By Mail', email: 'told@example.org' });
  const { times } = await (
    await page.request.get(`/api/diary/times?kind=consultation&from=${later(90)}`)
  ).json();
  const { day, time, staff, roomId } = times[0];
  const made = await byApi(page, 'POST', '/appointments', {
    kind: 'consultation',
    clientId: client.id,
    slots: [{ day, time, staff, roomId }],
  });
  await page.goto(`/messages?appointment=${made.id}`);
  await expect(page.getByText(/tried 1 time: Sending failed/)).toBeVisible();
  await accessible(page);
  await page.getByRole('button', { name: 'End simulated failure' }).click();
  await expect(page.getByText('✓ recorded only')).toBeVisible();
  await page.getByRole('button', { name: 'confirmation' }).click();
  await expect(page.getByText('mail to told@example.org')).toBeVisible();
  await expect(page.getByText('Dear Told By Mail,')).toBeVisible();
  await page.goto('/house');
  await page.getByRole('button', { name: 'day before' }).click();
  await page.getByLabel('Text', { exact: true }).fill('Come, {client}, at {hour}.');
  await expect(page.getByText('Unknown field {hour}')).toBeVisible();
  await page.getByLabel('Text', { exact: true }).fill('Come, {client}, at {time}.');
  await expect(page.getByRole('region', { name: 'Preview' })).toContainText(/Come, .+, at \d\d:\d\d\./);
  await accessible(page, 'words');
  await page.getByRole('button', { name: 'Save text' }).click();
  await expect(page.getByRole('button', { name: 'Reset to the usual text' })).toBeVisible();
});

test('a calendar address is shown once, reads as iCalendar without a sign-in, and is closed when taken back', async ({
  page,
  request,
}) => {
  await signIn(page, 'Bram Teller');
  await page.goto('/diary');
  await page.getByText('Calendar feed').click();
  await page.getByRole('button', { name: 'Create address' }).click();
  const address = new URL((await page.locator('.notice code').textContent())!.trim());
  const calendar = await request.get(address.pathname + address.search);
  expect(calendar.headers()['content-type']).toContain('text/calendar');
  expect(await calendar.text()).toContain('BEGIN:VEVENT');
  await page.getByRole('button', { name: 'Remove the address of my own days' }).click();
  await expect(page.getByRole('button', { name: /^Remove the address/ })).toHaveCount(0);
  expect((await request.get(address.pathname + address.search)).status()).toBe(404);
});

test('a client answers on her own page behind the link she was sent, without a sign-in; the studio sees it', async ({
  page,
  browser,
  studio,
}) => {
  await signIn(page, 'Odile Marchetti');
  const client = await byApi(page, 'POST', '/clients', { name: 'Answers Herself', email: 'she@example.org' });
  const { times } = await (
    await page.request.get(`/api/diary/times?kind=consultation&from=${later(100)}`)
  ).json();
  const slots = times
    .slice(0, 2)
    .map(({ day, time, staff, roomId }: Record<string, unknown>) => ({ day, time, staff, roomId }));
  const heldUntil = new Date(Date.now() + 86_400_000).toISOString();
  const made = await byApi(page, 'POST', '/appointments', {
    kind: 'consultation',
    clientId: client.id,
    slots,
    heldUntil,
  });
  let body = '';
  await expect
    .poll(async () => {
      const { messages } = await (await page.request.get(`/api/messages?appointment=${made.id}`)).json();
      body = messages[0]?.body ?? '';
      return body;
    })
    .toContain('/answer#');
  const hers = await (await browser.newContext()).newPage();
  await hers.goto(`${studio.url}/answer#${/answer#([\w-]+)/.exec(body)![1]}`);
  await expect(hers.getByText('Which of these times suits you?')).toBeVisible();
  await accessible(hers);
  await hers.getByRole('button', { name: 'Choose this time' }).nth(1).click();
  await expect(hers.getByText('You said yes.')).toBeVisible();
  await hers.getByRole('button', { name: 'I can’t come' }).click();
  await hers.getByLabel('Which days or times would suit you? (optional)').fill('Any Tuesday');
  await hers.getByRole('button', { name: 'Ask for another time' }).click();
  await expect(hers.getByText('You asked for another time.')).toBeVisible();
  await page.goto(`/diary?day=${slots[1].day}&a=${made.id}`);
  await expect(page.getByText('asks for another time: “Any Tuesday”')).toBeVisible();
  await hers.goto('about:blank');
  await hers.goto(`${studio.url}/answer#guessed`);
  await expect(hers.getByRole('alert')).toContainText('This page is closed');
  await hers.context().close();
});

test('three fittings in one question, ten days apart, the last in the week before the day', async ({
  page,
}) => {
  await signIn(page, 'Bram Teller');
  const { orderId } = await newSkirt(page, 'Three Fittings');
  await page.goto(`/diary/book?order=${orderId}&kind=fitting`);
  await page.getByLabel('From').fill('in 110 days');
  await page.getByRole('button', { name: 'Book a series' }).click();
  await page.getByLabel('Last one by').fill('in 150 days');
  await accessible(page, 'series');
  await page.getByRole('button', { name: 'Book these 3 of fitting' }).click();
  await expect(page.getByText('is booked.')).toHaveCount(3);
  const order = await (await page.request.get(`/api/orders/${orderId}`)).json();
  const days = order.appointments.map((a: { day: string }) => Date.parse(a.day) / 86_400_000);
  expect(days).toHaveLength(3);
  expect(Math.min(days[1] - days[0], days[2] - days[1])).toBeGreaterThanOrEqual(10);
});

test('a client who comes late: the day says who waits and for how long', async ({ page }) => {
  await signIn(page, 'Bram Teller');
  const a = await booked(page, 'Comes Late', later(160));
  await page.goto(`/diary?day=${a.day}&a=${a.id}`);
  await page.getByLabel('Running late by').selectOption('60 minutes');
  await expect(page.getByText('No one else has to wait')).toBeVisible();
});
