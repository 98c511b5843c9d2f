import { accessible, expect, inDatabase, newSkirt, signIn, takeUpTape, test } from './help.ts';

const kept = (orderId: number) =>
  inDatabase<{ measure: string; text: string; note: string; reason: string }>(
    `select r.measure, r.fact -> 'written' ->> 'text' as text, r.fact ->> 'note' as note, r.fact ->> 'reason' as reason
       from reading r join session s on s.id = r.session_id where s.order_id = $1 and r.state = 'read' order by r.seq`,
    [orderId],
  );

test('a digital tape reads into the session with the same questions; doubles, late ones and garbage take nothing', async ({
  page,
  context,
}) => {
  await signIn(page);
  const { orderId } = await newSkirt(page, 'Pressed Button');
  await takeUpTape(page, orderId);
  await page.getByRole('button', { name: 'Connect tape' }).click();
  await expect(page.getByText('Connected.')).toBeVisible();

  const tape = await context.newPage();
  await tape.goto('/tape-device');
  await accessible(tape);
  const press = async (mm: string) => {
    await tape.getByLabel('Millimetres on the tape').fill(mm);
    await tape.getByRole('button', { name: 'Send figure' }).click();
  };
  const wrong = (word: string) => tape.getByRole('button', { name: `send ${word}` }).click();

  await press('702');
  await expect(page.getByText('1. 702 mm')).toBeVisible();
  await wrong('The last one again');
  await wrong('garbage');
  await expect(
    page.getByText('The tape sent a line that cannot be read. Nothing was entered.'),
  ).toBeVisible();
  await wrong('A garbled line');
  await expect(page.getByText('So far 2 lines.')).toBeVisible();
  await expect.poll(() => kept(orderId)).toHaveLength(1);

  // The second reading of the waist; the tape goes on by itself.
  await press('704.5');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('high hip');
  await expect.poll(async () => (await kept(orderId)).length).toBe(2);

  // What a hand has begun is not written over.
  await page.locator('#reading').fill('9');
  await press('930');
  await expect(page.getByText('930 mm, 0 s ago')).toBeVisible();
  await expect(page.locator('#reading')).toHaveValue('9');
  await page.locator('#reading').fill('');
  await page.getByRole('button', { name: 'Enter here' }).click();
  await expect.poll(async () => (await kept(orderId)).length).toBe(3);

  // An unlikely one is asked, and stands with its reason; meanwhile another is only offered.
  await press('2000');
  await expect(page.locator('#reason')).toBeFocused();
  await press('905');
  await expect(page.getByText('905 mm, 0 s ago')).toBeVisible();
  await page.locator('#reason').fill('padded for the stage');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await kept(orderId)).length).toBe(4);
  await page.getByRole('button', { name: 'Discard' }).click();

  await wrong('One from two minutes ago');
  await expect(page.getByText('905 mm, 2 min ago')).toBeVisible();
  await wrong('Five at once');
  await expect.poll(async () => (await kept(orderId)).length).toBe(5);
  await expect(page.getByRole('button', { name: 'Enter here' })).toHaveCount(5);

  // Heard before a reload is known after it.
  await page.reload();
  await page.getByRole('button', { name: 'Connect tape' }).click();
  await expect(page.getByText('Connected.')).toBeVisible();
  await tape.evaluate(() => {
    const lines = [...document.querySelectorAll('code')].map((c) => c.textContent);
    const channel = new BroadcastChannel('rocchetto-tape');
    for (const line of lines) channel.postMessage(line);
  });
  await page.waitForTimeout(1500);
  const rows = await kept(orderId);
  expect(new Set(rows.map((r) => r.note)).size).toBe(rows.length);
  expect(rows.slice(0, 4)).toMatchObject([
    { measure: 'waist', text: '702', note: 'by practice-tape, no. 1', reason: '' },
    { measure: 'waist', text: '704.5', reason: '' },
    { measure: 'high-hip', text: '930' },
    { text: '2000', reason: 'padded for the stage' },
  ]);

  // One page of a browser holds the tape.
  const second = await context.newPage();
  await second.goto(`/orders/${orderId}/measure`);
  await second.getByRole('button', { name: 'Connect tape' }).click();
  await expect(second.getByText('Another page of this browser is using the tape.')).toBeVisible();
});
