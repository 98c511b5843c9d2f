import 'fake-indexeddb/auto';
import { type AlterationWrite, AskedWire } from '@rocchetto/contract';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AskOutbox } from './askOutbox.ts';

const ask = (amount: string): AlterationWrite => ({
  asked: AskedWire.parse({ kind: 'hem-straight', direction: 'up', amount }),
  source: 'fitting',
  appointmentId: null,
});
/** What the stand-in server was sent: key and amount; and how it answers next. */
let sent: { key: string; amount: string | null }[];
let answer: () => Response | Promise<Response>;
const kept = () => Response.json({ id: 1, version: 1 }, { status: 201 });
beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  globalThis.window = new EventTarget() as Window & typeof globalThis;
  sent = [];
  answer = kept;
  vi.stubGlobal('fetch', async (_: string, init: { body: string; headers: Record<string, string> }) => {
    const body = JSON.parse(init.body) as AlterationWrite;
    sent.push({ key: init.headers['idempotency-key']!, amount: body.asked.amount });
    return answer();
  });
});
afterEach(() => vi.unstubAllGlobals());
const until = (done: () => boolean) =>
  vi.waitFor(() => expect(done()).toBe(true), { timeout: 60_000, interval: 10 });

describe('what is asked at the mirror', () => {
  it('is sent at once and leaves the device when the book has it', async () => {
    const onSent = vi.fn();
    const box = new AskOutbox(onSent);
    expect(await box.keep(7, ask('2 cm'))).toEqual({ is: 'kept' });
    expect(onSent).toHaveBeenCalledWith(7);
    expect(box.snapshot()).toEqual([]);
  });

  it('waits while the network is away, survives a closed tab, and is sent under its one key, in order', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    const box = new AskOutbox(() => undefined);
    expect(await box.keep(7, ask('1 cm'))).toEqual({ is: 'waits' });
    expect(await box.keep(7, ask('2 cm'))).toEqual({ is: 'waits' });
    const keys = box.snapshot().map((w) => w.id);
    const again = new AskOutbox(() => undefined);
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
    const box = new AskOutbox(() => undefined);
    expect(await box.keep(7, ask('2 cm'))).toEqual({
      is: 'refused',
      sentence: 'There is not so much cloth.',
    });
    expect(box.snapshot()).toEqual([]);
  });

  it('stays with its sentence when it is refused later, and holds up nothing behind it', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    const box = new AskOutbox(() => undefined);
    await box.keep(7, ask('1 cm'));
    await box.keep(8, ask('2 cm'));
    let n = 0;
    answer = () => (n++ === 0 ? Response.json({ detail: 'Handed over.' }, { status: 409 }) : kept());
    window.dispatchEvent(new Event('online'));
    await until(() => box.snapshot().length === 1);
    expect(box.snapshot()).toMatchObject([{ orderId: 7, refused: 'Handed over.' }]);
    await box.drop(box.snapshot()[0]!.id);
    expect(box.snapshot()).toEqual([]);
  });

  it('a server that is away, or a sign-in that ended, is tried again', async () => {
    const box = new AskOutbox(() => undefined);
    for (const status of [503, 401, 429]) {
      answer = () => Response.json({}, { status });
      expect(await box.keep(7, ask('2 cm'))).toEqual({ is: 'waits' });
      answer = kept;
      window.dispatchEvent(new Event('online'));
      await until(() => box.snapshot().length === 0);
    }
  });
});
