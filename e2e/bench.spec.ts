import { accessible, byApi, expect, newSkirt, signIn, test } from './help.ts';

const later = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
/** The first Tuesday at least so many days from today. */
const tuesday = (days: number) => {
  let n = days;
  while (new Date(`${later(n)}T00:00:00Z`).getUTCDay() !== 2) n++;
  return later(n);
};

test('work is promised to an order, tells when a day has too much, and is ticked by the one who did it', async ({
  page,
}) => {
  await signIn(page, 'Bram Teller');
  const { orderId } = await newSkirt(page, 'Promised One');
  await page.goto(`/orders/${orderId}`);
  const promise = async (what: string, hours: string, gives?: string) => {
    await page.getByRole('button', { name: 'Schedule work' }).click();
    const form = page.getByRole('form', { name: 'Schedule work' });
    await form.getByLabel('Work').fill(what);
    await form.getByLabel('Who', { exact: true }).click();
    await page.getByTitle('Pia Ostrander').click();
    if (gives) {
      await form.getByLabel('Makes ready').click();
      await page.getByTitle(gives).click();
    }
    await form.getByLabel('Day').fill(tuesday(60));
    await form.getByLabel('Hours').fill(hours);
    await accessible(page, 'promising');
    await form.getByRole('button', { name: 'Schedule work' }).click();
    await expect(form).toBeHidden();
  };
  await promise('Toile cut and sewn', '6', 'the toile ready');
  await expect(page.getByText('makes ready the toile ready')).toBeVisible();
  await promise('Lace set by hand', '3.5');
  await expect(
    page.getByText(/^Pia Ostrander has 8 h on .*; 9\sh\s30 at the bench are 1\sh\s30 too much\.$/),
  ).toBeVisible();
  // The same sentence on the day, and the hours on her thread.
  await page.goto(`/diary?day=${tuesday(60)}`);
  await expect(page.getByText(/9\sh\s30 at the bench are 1\sh\s30 too much/)).toBeVisible();
  await expect(page.getByText('bench 9 h 30')).toBeVisible();
  // A toile fitting is found after it, where that is asked for.
  await page.goto(`/diary/book?order=${orderId}&kind=toile-fitting`);
  await page.getByLabel('Until').fill(later(75));
  await page.getByLabel('the toile ready by then').check();
  await expect(page.getByText(/^The toile ready: scheduled for/)).toBeVisible();
  const first = page.locator('.times .when').first();
  await expect(first).toBeVisible();
  await page.goto('/today');
  await page.getByRole('link', { name: 'Whole day' }).waitFor();
  await page.context().clearCookies();
  await signIn(page, 'Pia Ostrander', `/orders/${orderId}`);
  await expect(page.getByRole('button', { name: 'Schedule work' })).toBeHidden();
  const ticked = page.waitForResponse(/\/bench\/\d+\/done$/);
  await page.getByRole('checkbox', { name: /^Toile cut and sewn, .*: done$/ }).check();
  await ticked;
  await page.reload();
  await expect(page.getByRole('checkbox', { name: /^Toile cut and sewn, .*: done$/ })).toBeChecked();
});

test('work on a day on which its hand does not work stands in danger on the bench, also of a closed day', async ({
  page,
}) => {
  await signIn(page, 'Bram Teller', '/bench?of=all');
  const danger = page.locator('section').filter({ has: page.getByRole('heading', { name: 'At risk' }) });
  await expect(danger).toBeVisible();
  const { orderId } = await newSkirt(page, 'Sunday One');
  const { staff } = await page.request.get('/api/staff').then(async (r) => ({ staff: await r.json() }));
  const pia = staff.find((x: { name: string }) => x.name === 'Pia Ostrander').id;
  const sunday = [0, 1, 2, 3, 4, 5, 6].map(later).find((d) => new Date(`${d}T00:00:00Z`).getUTCDay() === 0)!;
  await byApi(page, 'POST', `/orders/${orderId}/bench`, {
    ...{ staffId: pia, what: 'Hem by hand', day: sunday, minutes: 60, makes: null },
  });
  await expect(
    danger.getByText(/^Pia Ostrander is not at work on .*, but 1\sh at the bench is scheduled\.$/),
  ).toBeVisible();
});

test('today lists the bench’s own work with what is due first, and ticking it takes it off', async ({
  page,
}) => {
  await signIn(page, 'Tomas Lindqvist', '/today');
  const lining = page.getByRole('checkbox', { name: /^Set the lining/ });
  await expect(lining).toBeVisible();
  await accessible(page, 'bench');
  await lining.click();
  await expect(lining).toBeHidden();
});

test('days on which a client cannot come are noted on the card and no time is found there', async ({
  page,
}) => {
  await signIn(page, 'Jonah Fell');
  const client = await byApi(page, 'POST', '/clients', { name: 'On Tour' });
  await page.goto(`/clients/${client.id}`);
  const away = page.getByRole('form', { name: 'Days the client is unavailable' });
  await away.getByLabel('First day').fill(later(3));
  await away.getByLabel('Last day').fill(later(30));
  await away.getByLabel('Reason').fill('on tour');
  await away.getByRole('button', { name: 'Add days' }).click();
  const noted = page.getByText(/, on tour/);
  await expect(noted).toBeVisible();
  await accessible(page, 'away');
  await page.goto(`/diary/book?client=${client.id}&kind=collection`);
  await page.getByLabel('From', { exact: true }).fill(later(4));
  await expect(page.getByText(/, on tour/)).toBeVisible();
  const { times } = await (
    await page.request.get(`/api/diary/times?kind=collection&clientId=${client.id}&from=${later(4)}`)
  ).json();
  expect(times.length).toBeGreaterThan(0);
  expect(times.filter((t: { day: string }) => t.day <= later(30))).toEqual([]);
  await page.getByRole('button', { name: /^Remove the days from/ }).click();
  await expect(noted).toBeHidden();
});

test('busy times of a calendar file are kept free, seen on the day, and taken back', async ({ page }) => {
  await signIn(page, 'Ines Kovar');
  const day = tuesday(90);
  const file = (text: string, name = 'evenings.ics') => ({
    name,
    mimeType: 'text/calendar',
    buffer: Buffer.from(text),
  });
  await page.goto(`/diary?day=${day}`);
  await page.getByText('Busy elsewhere').click();
  const field = page.getByLabel('Calendar file');
  await field.setInputFiles(file('Dear all, I am away.'));
  await expect(page.getByRole('alert')).toContainText('no calendar in this file');
  await field.setInputFiles(
    file(
      [
        'BEGIN:VCALENDAR',
        'VERSION:2.0',
        'BEGIN:VEVENT',
        'UID:1',
        `DTSTART:${day.replaceAll('-', '')}T140000`,
        'DURATION:PT2H',
        'END:VEVENT',
        'END:VCALENDAR',
      ].join('\r\n'),
    ),
  );
  await expect(page.getByText(/^1 time is kept free until/)).toBeVisible();
  await accessible(page, 'busy');
  await expect(
    page.locator('svg title', { hasText: 'Ines Kovar is busy elsewhere, 14:00–16:00' }),
  ).toHaveCount(1);
  await page.getByRole('button', { name: 'Remove the busy times of evenings' }).click();
  await expect(page.locator('svg title', { hasText: 'Ines Kovar is busy elsewhere' })).toHaveCount(0);
});

test('who comes and what to bring are changed after the booking', async ({ page }) => {
  await signIn(page, 'Bram Teller');
  const { orderId, clientId } = await newSkirt(page, 'Noted One');
  const { times } = await (
    await page.request.get(`/api/diary/times?kind=measuring&from=${later(50)}&earliest=13:30`)
  ).json();
  const { day, time, staff, roomId } = times[0];
  await byApi(page, 'POST', '/appointments', {
    kind: 'measuring',
    clientId,
    orderId,
    slots: [{ day, time, staff, roomId }],
  });
  await page.goto(`/diary?day=${day}`);
  await page.locator('.daylist tr', { hasText: 'Noted One' }).getByRole('button').click();
  const margin = page.getByRole('region', { name: 'Appointment' });
  await margin.getByRole('button', { name: 'Add who comes and what to bring' }).click();
  await margin.getByLabel('Comes too').fill('a sister');
  await margin.getByLabel('To bring').fill('the court shoes');
  await margin.getByRole('button', { name: 'Save notes' }).click();
  await expect(margin).toContainText('the court shoes');
  await page.reload();
  await expect(margin).toContainText('a sister');
});
