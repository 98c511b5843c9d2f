import 'fake-indexeddb/auto';
import { type AlterationWrite, AskedWire } from '@rocchetto/contract';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { setAuthor } from '../../offline/author.ts';
import type { DeviceWrite } from './device-book.ts';
import { openQueue } from './queue.ts';

const open = (write: (write: DeviceWrite) => void) => openQueue({ reading: () => undefined, write }).writes;

const body = (amount: string): AlterationWrite => ({
  asked: AskedWire.parse({ kind: 'hem-straight', direction: 'up', amount }),
  source: 'fitting',
  appointmentId: null,
});
const ask = (amount: string, orderId = 7): DeviceWrite => ({
  orderId,
  is: 'ask',
  path: `/orders/${orderId}/alterations`,
  body: body(amount),
  says: '',
});
/** What the stand-in server was sent: key and amount; and how it answers next. */
let sent: { key: string; path: string; amount: string | null; body: object }[];
let answer: () => Response | Promise<Response>;
const kept = () => Response.json({ id: 1, version: 1 }, { status: 201 });
beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  globalThis.window = new EventTarget() as Window & typeof globalThis;
  setAuthor({ id: 1, name: 'Ilse Brandt' });
  sent = [];
  answer = kept;
  vi.stubGlobal(
    'fetch',
    async (path: string, init: { body: string | Blob; headers: Record<string, string> }) => {
      const body = (typeof init.body === 'string' ? JSON.parse(init.body) : init.body) as AlterationWrite;
      sent.push({ key: init.headers['idempotency-key']!, path, amount: body.asked?.amount ?? null, body });
      return answer();
    },
  );
});
afterEach(() => vi.unstubAllGlobals());
const until = (done: () => boolean) =>
  vi.waitFor(() => expect(done()).toBe(true), { timeout: 60_000, interval: 10 });

describe('what is asked at the mirror', () => {
  it('is sent at once and leaves the device when the book has it', async () => {
    const onSent = vi.fn();
    const box = open(onSent);
    expect(await box.keep(ask('2 cm'))).toMatchObject({ is: 'kept' });
    expect(onSent).toHaveBeenCalledWith(expect.objectContaining({ orderId: 7 }));
    expect(box.snapshot()).toEqual([]);
  });

  it('waits while the network is away, survives a closed tab, and is sent under its one key, in order', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    const box = open(() => undefined);
    expect(await box.keep(ask('1 cm'))).toEqual({ is: 'waits', safe: true });
    expect(await box.keep(ask('2 cm'))).toEqual({ is: 'waits', safe: true });
    const keys = box.snapshot().map((w) => w.id);
    const again = open(() => undefined);
    await until(() => again.snapshot().length === 2);
    answer = kept;
    sent = [];
    window.dispatchEvent(new Event('online'));
    await until(() => again.snapshot().length === 0);
    // The first tab is still open and sends the same under the same keys.
    expect([...new Set(sent.map((s) => s.amount))]).toEqual(['1 cm', '2 cm']);
    expect(new Set(sent.map((s) => s.key))).toEqual(new Set(keys));
  });

  it('goes back to the hand with the sentence when the server will not take it', async () => {
    answer = () => Response.json({ detail: 'There is not so much cloth.' }, { status: 422 });
    const box = open(() => undefined);
    expect(await box.keep(ask('2 cm'))).toEqual({
      is: 'refused',
      sentence: 'There is not so much cloth.',
    });
    expect(box.snapshot()).toEqual([]);
  });

  it('stays with its sentence when it is refused later, and holds up nothing behind it', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    const box = open(() => undefined);
    await box.keep(ask('1 cm'));
    await box.keep(ask('2 cm', 8));
    let n = 0;
    answer = () => (n++ === 0 ? Response.json({ detail: 'Handed over.' }, { status: 409 }) : kept());
    window.dispatchEvent(new Event('online'));
    await until(() => box.snapshot().length === 1);
    expect(box.snapshot()).toMatchObject([{ orderId: 7, refused: 'Handed over.' }]);
    await box.drop(box.snapshot()[0]!.id);
    expect(box.snapshot()).toEqual([]);
  });

  it('a server that is away, or a sign-in that ended, is tried again', async () => {
    const box = open(() => undefined);
    for (const status of [503, 401, 429]) {
      answer = () => Response.json({}, { status });
      expect(await box.keep(ask('2 cm'))).toEqual({ is: 'waits', safe: true });
      answer = kept;
      window.dispatchEvent(new Event('online'));
      await until(() => box.snapshot().length === 0);
    }
  });

  it('a step of a change that waits itself follows it, to where the change has come', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    const box = open(() => undefined);
    await box.keep(ask('1 cm'));
    const [asked] = box.snapshot();
    const step = { step: 'agree', name: 'the client', price: null, neededOn: null };
    const agree = { orderId: 7, is: 'step', path: '', body: { version: 0, step }, says: 'agreed' } as const;
    expect(await box.keep({ ...agree, after: asked!.id })).toEqual({ is: 'waits', safe: true });
    await box.keep({
      orderId: 7,
      is: 'pins',
      path: '/orders/7/pins',
      body: { way: 'out', pins: 3 },
      says: '',
    });
    const again = open(() => undefined);
    await until(() => again.snapshot().length === 3);
    sent = [];
    answer = () => Response.json({ id: 41, version: 1 }, { status: 201 });
    window.dispatchEvent(new Event('online'));
    await until(() => again.snapshot().length === 0 && box.snapshot().length === 0);
    expect([...new Set(sent.map((s) => s.path))]).toEqual([
      '/api/orders/7/alterations',
      '/api/alterations/41/steps',
      '/api/orders/7/pins',
    ]);
    expect(sent.find((s) => s.path.endsWith('/steps'))?.body).toEqual({ version: 1, step });
    expect(new Set(sent.map((s) => s.key)).size).toBe(3);
  });

  it('goes with the change that it follows when that is dropped', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    const box = open(() => undefined);
    await box.keep(ask('1 cm'));
    const [asked] = box.snapshot();
    await box.keep({ orderId: 7, is: 'step', path: '', body: {}, says: '', after: asked!.id });
    await box.drop(asked!.id);
    expect(box.snapshot()).toEqual([]);
  });

  it('what an earlier build kept on this device has no name: claimed, it is sent as the change it is', async () => {
    const { openDB } = await import('idb');
    const db = await openDB('rocchetto-asked', 1, {
      upgrade: (d) => void d.createObjectStore('ask', { keyPath: 'id' }),
    });
    await db.put('ask', { id: 'old', orderId: 9, body: body('3 cm'), seq: 1, refused: '' });
    db.close();
    const box = open(() => undefined);
    await until(() => box.snapshot().length === 1);
    expect(sent).toEqual([]);
    await box.claim(9);
    await until(() => sent.length === 1 && box.snapshot().length === 0);
    expect(sent[0]).toMatchObject({ key: 'old', path: '/api/orders/9/alterations', amount: '3 cm' });
  });
});

describe('work at the bench without the network', () => {
  const step = (is: 'start' | 'finish'): DeviceWrite => ({
    orderId: 7,
    is: 'step',
    path: '/alterations/5/steps',
    body: { version: 3, step: { step: is } },
    says: is,
    onTop: true,
  });

  it('each step goes on top of what the one before it has made', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    const box = open(() => undefined);
    for (const one of [step('start'), step('finish')])
      expect(await box.keep(one)).toEqual({ is: 'waits', safe: true });
    sent = [];
    let version = 4;
    answer = () => Response.json({ id: 5, version: version++ });
    window.dispatchEvent(new Event('online'));
    await until(() => sent.length === 2);
    expect(sent.map((s) => (s.body as { version?: number }).version)).toEqual([3, 4]);
  });

  it('what is written while another is on its way waits for it, and says so when that one has to wait', async () => {
    let fail: (e: Error) => void = () => undefined;
    answer = () =>
      new Promise((_, no) => {
        fail = no;
      });
    const box = open(() => undefined);
    const first = box.keep(ask('1 cm'));
    await until(() => sent.length === 1);
    const second = box.keep(ask('2 cm'));
    fail(new TypeError('Failed to fetch'));
    for (const tried of await Promise.all([first, second]))
      expect(tried).toEqual({ is: 'waits', safe: true });
    expect(box.snapshot().map((w) => w.first)).toEqual([false, false]);
  });
});

describe('whose change it is', () => {
  it('waits for its writer; another’s go before it, and one that is refused holds up nobody', async () => {
    answer = () => Response.json({ code: 'signed-out' }, { status: 401 });
    const box = open(() => undefined);
    await box.keep(ask('1 cm'));
    setAuthor({ id: 2, name: 'Bram Teller' });
    answer = kept;
    sent = [];
    expect(await box.keep(ask('2 cm'))).toMatchObject({ is: 'kept' });
    expect(sent.map((s) => s.amount)).toEqual(['2 cm']);
    expect(box.snapshot().map((w) => w.by?.name)).toEqual(['Ilse Brandt']);
    setAuthor({ id: 1, name: 'Ilse Brandt' });
    answer = () => Response.json({ code: 'not-yours', detail: 'Not open to the role.' }, { status: 403 });
    await until(() => box.snapshot()[0]!.refused !== '');
    answer = kept;
    expect(await box.keep(ask('3 cm'))).toMatchObject({ is: 'kept' });
    expect(box.snapshot().map((w) => w.refused)).toEqual(['Not open to the role.']);
  });

  it('a photograph taken without a network is kept, bytes and all, and sent with what it shows', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    const box = open(() => undefined);
    const file = new Blob([new Uint8Array([0xff, 0xd8, 0xff, 1, 2, 3])], { type: 'image/jpeg' });
    const one: DeviceWrite = {
      orderId: 7,
      is: 'photo',
      path: '/orders/7/photos?words=hem',
      body: file,
      says: 'Photograph hem',
    };
    expect(await box.keep(one)).toEqual({ is: 'waits', safe: true });
    const again = open(() => undefined);
    await until(() => again.snapshot().length === 1);
    sent = [];
    answer = kept;
    window.dispatchEvent(new Event('online'));
    await until(() => again.snapshot().length === 0);
    expect(sent[0]!.path).toBe('/api/orders/7/photos?words=hem');
    expect(new Uint8Array(await (sent[0]!.body as Blob).arrayBuffer())).toEqual(
      new Uint8Array([0xff, 0xd8, 0xff, 1, 2, 3]),
    );
  });

  it('says so where the browser keeps nothing', async () => {
    globalThis.indexedDB = undefined as unknown as IDBFactory;
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    expect(await open(() => undefined).keep(ask('1 cm'))).toEqual({ is: 'waits', safe: false });
  });
});
