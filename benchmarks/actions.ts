import type { Browser, Locator, Page } from '@playwright/test';
import type { OrderAlterations } from '@rocchetto/contract';
import { measure } from '@rocchetto/core';
import { inventFigures, seeded } from '@rocchetto/demo/figures.ts';
import { migrate } from '@rocchetto/server/db/migrate.ts';
import { openPool } from '@rocchetto/server/db/pool.ts';
import { makeSetupLink } from '@rocchetto/server/records/sign-ins.ts';
import { buildWeb } from '../tools/build-web.ts';
import { launchChromium } from '../tools/chromium.ts';
import { type Cluster, stopChild } from '../tools/cluster.ts';
import { freePort } from '../tools/ports.ts';
import { startServer } from '../tools/serve.ts';

/**
 * A hand at the screen, counted: a press is one action, and so is a field written, with the Enter that ends it. Going from
 * field to field, looking and scrolling are none.
 */
class Hand {
  count = 0;
  private readonly page: Page;
  constructor(page: Page) {
    this.page = page;
  }
  async press(at: Locator) {
    this.count++;
    await at.click();
  }
  async write(at: Locator, text: string, end: 'Enter' | '' = '') {
    this.count++;
    await at.fill(text);
    if (end) await this.page.keyboard.press(end);
  }
  async key(key: string) {
    this.count++;
    await this.page.keyboard.press(key);
  }
  /** Opens a list and types until the wanted line is first: two actions. */
  async find(at: Locator, text: string) {
    await this.press(at);
    this.count++;
    await this.page.keyboard.type(text);
    await this.page.keyboard.press('Enter');
  }
  /** Opens a list and takes a line of it: two actions. */
  async choose(at: Locator, line: string) {
    await this.press(at);
    await this.press(this.page.getByTitle(line, { exact: true }).last());
  }
  /** A line of the browser's own list: two actions. */
  async select(at: Locator, line: string) {
    this.count += 2;
    await at.selectOption({ label: line });
  }
  /** What is not counted with what it is held against: the figures of the tape. */
  async aside<T>(work: () => Promise<T>): Promise<T> {
    const before = this.count;
    const done = await work();
    this.count = before;
    return done;
  }
}

/** An invented body, by the names that the tape shows. */
const DRESS: Readonly<Record<string, string>> = Object.fromEntries(
  Object.entries(inventFigures(seeded(3)))
    .map(([id, cm]) => [measure(id).name, `${cm.toFixed(1)} cm`])
    .concat(['front', 'left side', 'right side', 'back'].map((s) => [`waist to hem, ${s}`, '62 cm'])),
);
const HEMS = Object.fromEntries(
  ['front', 'left side', 'right side', 'back'].map((s) => [`waist to hem, ${s}`, '24 1/2']),
);
const PASSPHRASE = 'copper thimble harbour nine';

/** The tape, from the first measurement until none is asked for: what is asked with its figure, else skipped. */
async function tape(page: Page, hand: Hand, figures: Readonly<Record<string, string>>) {
  const heading = page.getByRole('heading', { level: 1 });
  let [entries, skips] = [0, 0];
  for (let i = 0; i < 120; i++) {
    if (!(await page.locator('#reading').isVisible())) break;
    const name = ((await heading.textContent()) ?? '').replace(/[★\s]+$/, '').trim();
    const text = figures[name];
    entries++;
    if (text === undefined) {
      skips++;
      await hand.key('s');
    } else {
      await hand.write(page.locator('#reading'), text, 'Enter');
      if (await page.locator('#reason').isVisible()) {
        await page.keyboard.type('measured twice');
        await page.keyboard.press('Enter');
      }
    }
    // Kept, and gone on to the next, or to the sheet.
    await page
      .waitForFunction(
        () => !(document.querySelector<HTMLInputElement>('#reading')?.value ?? ''),
        undefined,
        { timeout: 3000 },
      )
      .catch(() => undefined);
    if (process.env.TRACE) process.stderr.write(`${name}: ${text ?? 'skipped'}\n`);
    await page.waitForTimeout(400);
  }
  return { entries, skips };
}

/** From the link of an empty studio to the first agreed sheet of a skirt. */
async function firstSheet(page: Page, base: string, token: string): Promise<number> {
  const hand = new Hand(page);
  const button = (name: string | RegExp) => page.getByRole('button', { name });
  await page.goto(`${base}/setup#${token}`);
  await hand.write(page.getByLabel(/^Your name/), 'Ada Moor');
  await hand.write(page.getByLabel('Passphrase'), PASSPHRASE, 'Enter');
  await hand.write(page.getByLabel('Studio name'), 'Quay Street');
  await hand.write(page.getByLabel(/^Phone/), '0555 1');
  await hand.write(page.getByLabel(/^Address/), '3 Quay Street');
  await hand.choose(page.getByRole('combobox', { name: 'Unit' }), 'inches');
  await hand.press(button('Save and start'));
  await page.waitForURL('**/today');
  await hand.press(page.getByRole('link', { name: 'Clients' }).first());
  await hand.press(page.getByRole('link', { name: 'New client' }).first());
  await hand.write(page.getByLabel('Name', { exact: true }), 'Nell Hart');
  await hand.write(page.getByLabel('Phone'), '0555 2', 'Enter');
  await hand.press(page.getByRole('link', { name: 'New order' }).first());
  await hand.write(page.getByLabel('Garment or job'), 'Straight skirt', 'Enter');
  await page.getByRole('heading', { name: /^Brief/ }).waitFor();
  await hand.find(page.getByRole('combobox', { name: 'Garment' }), 'straight skirt');
  await hand.write(page.getByLabel('Length wanted'), '24 1/2');
  await hand.write(page.getByLabel('Lining', { exact: true }), 'cupro', 'Enter');
  await hand.press(button('Start measuring'));
  await hand.aside(() =>
    tape(page, hand, { waist: '28 3/8', hip: '38 3/4', 'hip drop': '8', 'waist to knee': '23', ...HEMS }),
  );
  await page.getByRole('article', { name: 'Specification sheet' }).waitFor();
  await hand.write(page.getByLabel('Agreed by'), 'Nell Hart');
  await hand.press(button('Agree revision 1'));
  await page.getByText('Revision 1, agreed.').waitFor();
  return hand.count;
}

/** The tape of a lined dress, only what it needs: its entries against its needed measures. */
async function dressTape(page: Page, base: string): Promise<string> {
  const hand = new Hand(page);
  const button = (name: string | RegExp) => page.getByRole('button', { name });
  await page.goto(`${base}/orders/new?client=1`);
  await page.getByLabel('Garment or job').fill('Lined day dress');
  await page.keyboard.press('Enter');
  await page.getByRole('heading', { name: /^Brief/ }).waitFor();
  if (process.env.TRACE) process.stderr.write('brief\n');
  await hand.find(page.getByRole('combobox', { name: 'Garment' }), 'day dress');
  await page.getByLabel('Lining', { exact: true }).fill('cupro');
  await page.keyboard.press('Enter');
  const choice = page.getByText(/^only what is needed/);
  const needed = Number(/\((\d+)\)/.exec((await choice.textContent())!)![1]);
  hand.count = 0;
  await hand.press(choice);
  await hand.press(button('Start measuring'));
  const { entries, skips } = await tape(page, hand, DRESS);
  return `${needed} needed, ${entries} entries (${skips} skipped), ${hand.count} actions with the start`;
}

/** Cut by the first owner; then three changes at the mirror, agreed. */
async function threeChanges(page: Page, base: string): Promise<number> {
  const hand = new Hand(page);
  await page.goto(`${base}/orders/1/sheet`);
  await page.getByRole('button', { name: 'Mark as cut …' }).first().click();
  await page.getByRole('button', { name: 'Mark as cut', exact: true }).click();
  await page.getByText('Revision 1, cut').first().waitFor();
  await page.goto(`${base}/orders/1/fitting`);
  const [kinds, much] = [page.getByLabel('Alteration', { exact: true }), page.getByLabel('How much')];
  const find = page.getByLabel('Find', { exact: true });
  for (const [said, kind, amount] of [
    ['waist', 'waist', '1/4'],
    ['side seams', 'side-seams', '1/8'],
    ['hem', 'hem-straight', '1/2'],
  ] as const) {
    await hand.write(find, said, 'Enter');
    if ((await kinds.inputValue()) !== kind) throw new Error(`“${said}” finds ${await kinds.inputValue()}`);
    await hand.write(much, amount, 'Enter');
    await much.waitFor({ state: 'detached' });
  }
  await hand.press(page.getByRole('button', { name: 'Agree all 3' }));
  await page
    .getByText(/agreed by Nell Hart/)
    .nth(2)
    .waitFor();
  return hand.count;
}

/** The garment with its pins in and its work checked, from the page of its fitting to the client's hands. */
async function handOver(page: Page, base: string): Promise<number> {
  const hand = new Hand(page);
  await page.goto(`${base}/orders/1/fitting`);
  const pins = page.getByLabel('Pins and needles');
  await pins.fill('12');
  await pins.press('Enter');
  await page.getByText('12 pins counted in, 0 out.').waitFor();
  const { csrf } = await (await page.request.get(`${base}/api/me`)).json();
  const api = async (path: string, data: object) => {
    const res = await page.request.post(`${base}/api${path}`, { data, headers: { 'x-csrf-token': csrf } });
    if (!res.ok()) throw new Error(await res.text());
  };
  const all = async () =>
    (await (await page.request.get(`${base}/api/orders/1/alterations`)).json()) as OrderAlterations;
  for (const { id, boxes } of (await all()).alterations) {
    for (const { id: box } of boxes) await api(`/alterations/${id}/boxes`, { box, to: 'done' });
    for (const step of [{ step: 'finish' }, { step: 'check', note: 'measured at the table' }]) {
      const { version } = (await all()).alterations.find((a) => a.id === id)!;
      await api(`/alterations/${id}/steps`, { version, step });
    }
  }
  await page.reload();
  const points = (await all()).points.filter((p) => p.required);
  await hand.write(pins, '12', 'Enter');
  await page.getByText('12 pins counted in, 12 out.').waitFor();
  for (const [i, p] of points.entries())
    await hand.write(
      page.getByLabel(`${p.name}, measured`),
      `${(p.target ?? 0).toFixed(1)} cm`,
      i === points.length - 1 ? 'Enter' : '',
    );
  await hand.press(page.getByRole('form', { name: 'Hand over' }).getByRole('checkbox'));
  await hand.press(page.getByRole('button', { name: 'Hand over' }));
  await page.getByText(/^Handed over on/).waitFor();
  return hand.count;
}

/** What docs/performance.md says of how many actions a hand needs. */
export async function actionsBench(cluster: Cluster, say: (line: string) => void): Promise<void> {
  await buildWeb();
  await cluster.ensureDatabase('actions', true);
  const url = cluster.url('actions');
  await migrate(url);
  const port = await freePort();
  const server = await startServer(url, port);
  const pool = openPool(url, () => undefined, { max: 1 });
  let browser: Browser | undefined;
  try {
    const { rows } = await pool.query<{ id: number }>(`select id from staff where role = 'principal'`);
    const token = await makeSetupLink(pool, rows[0]!.id);
    browser = await launchChromium();
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
    page.setDefaultTimeout(15_000);
    page.on('dialog', (d) => void d.accept());
    const base = `http://127.0.0.1:${port}`;
    say('An action is a press, or a field written with the Enter that ends it.');
    say(
      `set-up to the first agreed skirt sheet, without the tape's figures: ${await firstSheet(page, base, token)} (aim 60)`,
    );
    say(`a lined dress's tape: ${await dressTape(page, base)} (aim: needed + 3)`);
    // A sole dressmaker checks their own work.
    await pool.query('update house set own_check = true');
    say(`three changes at a fitting, read back and agreed: ${await threeChanges(page, base)} (aim 9)`);
    say(
      `hand-over, with the pins counted out and the girths measured: ${await handOver(page, base)} (aim 6)`,
    );
  } finally {
    if (process.env.SHOT) await browser?.contexts()[0]?.pages()[0]?.screenshot({ path: process.env.SHOT });
    await browser?.close();
    await pool.end();
    await stopChild(server, 'SIGTERM', 5000);
  }
}
