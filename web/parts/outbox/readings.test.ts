import 'fake-indexeddb/auto';
import type { ReadingWire, SessionWrite } from '@rocchetto/contract';
import { USUAL_SCHOOLS } from '@rocchetto/core';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { setAuthor, whenStrange } from '../../offline/author.ts';
import { openQueue } from './queue.ts';
import { waitingOf } from './readings.ts';

const open = (reading: (session: SessionWrite) => void) =>
  openQueue({ reading, write: () => undefined }).readings;

const session: SessionWrite = {
  id: '11111111-1111-4111-8111-111111111111',
  clientId: 1,
  orderId: 7,
  at: new Date().toISOString(),
  measurer: 'Fitter',
  scribe: '',
  beneath: '',
  heel: null,
  posture: '',
  waistRule: '',
  schools: USUAL_SCHOOLS,
  seated: false,
  cords: [],
  consent: true,
  changed: '',
  hipRule: '',
  unit: 'cm',
  guardian: '',
};
let count = 0;
const reading = (text = '70'): ReadingWire => ({
  id: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
  measure: 'waist',
  state: 'read',
  written: { value: text, unit: 'cm', text },
  way: 'whole',
  tape: 'snug',
  source: 'taken here',
  replaces: null,
  reason: '',
  note: '',
  wroteBy: 'Fitter',
  at: new Date().toISOString(),
});

/** What the stand-in server was sent, and how it answers next. */
let sent: string[][];
let authors: string[];
let answer: (ids: string[]) => Promise<Response> | Response;
const keepAll = (ids: string[]) => Response.json({ kept: ids, refused: [] });
beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  globalThis.window = new EventTarget() as Window & typeof globalThis;
  setAuthor({ id: 1, name: 'Ilse Brandt' });
  sent = [];
  answer = keepAll;
  authors = [];
  vi.stubGlobal('fetch', async (_: string, init: { body: string; headers: Record<string, string> }) => {
    authors.push(init.headers['x-author']!);
    const ids = (JSON.parse(init.body) as { readings: { id: string }[] }).readings.map((r) => r.id);
    const res = await answer(ids);
    sent.push(ids);
    return res;
  });
});
afterEach(() => vi.unstubAllGlobals());

const until = (done: () => boolean) =>
  vi.waitFor(() => expect(done()).toBe(true), { timeout: 60_000, interval: 10 });

describe('the messages', () => {
  it('keeps first, sends after, marks what the server has, and says so', async () => {
    const onSent = vi.fn();
    const box = open(onSent);
    await box.begin(session, 1);
    const r = reading();
    await box.keep(session.id, r);
    expect(box.snapshot().map((k) => [k.reading.id, k.sent])).toEqual([[r.id, false]]);
    await until(() => box.snapshot()[0]!.sent);
    expect(sent).toEqual([[r.id]]);
    await until(() => onSent.mock.calls.length > 0);
  });

  it('sends what was taken in a session of another device, also what was kept before it was joined', async () => {
    const box = open(() => undefined);
    const early = reading();
    await box.keep(session.id, early);
    await box.join(session, 1);
    const late = reading();
    await box.keep(session.id, late);
    await until(() => box.snapshot().every((k) => k.sent));
    expect(sent.flat()).toEqual([early.id, late.id]);
  });

  it('goes on keeping while the network is away, and sends everything once, in order, when it is back', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    const box = open(() => undefined);
    await box.begin(session, 1);
    const all = [reading('70'), reading('71'), reading('72')];
    for (const r of all) await box.keep(session.id, r);
    await new Promise((r) => setTimeout(r, 60));
    expect(box.snapshot().every((k) => !k.sent)).toBe(true);
    answer = keepAll;
    window.dispatchEvent(new Event('online'));
    await until(() => box.snapshot().every((k) => k.sent));
    expect(sent.flat()).toEqual(all.map((r) => r.id));
  });

  it('a closed tab loses nothing: the next one finds readings and session, and sends them', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    const first = open(() => undefined);
    await first.begin(session, 1);
    const r = reading();
    await first.keep(session.id, r);
    answer = keepAll;
    sent = [];
    const second = open(() => undefined);
    await until(() => second.snapshot()[0]?.sent === true);
    expect(new Set(sent.flat())).toEqual(new Set([r.id]));
    expect(await second.newestFor(7)).toEqual(session);
    expect(await second.newestFor(8)).toBeUndefined();
  });

  it.each([401, 403, 408, 429, 500, 503])('an answer of %d leaves it waiting', async (status) => {
    answer = () => new Response('{}', { status });
    const box = open(() => undefined);
    await box.begin(session, 1);
    await box.keep(session.id, reading());
    await until(() => sent.length > 0);
    expect(box.snapshot()[0]).toMatchObject({ sent: false, refused: '' });
    answer = keepAll;
    window.dispatchEvent(new Event('online'));
    await until(() => box.snapshot()[0]!.sent);
  });

  it('a refusal that will not mend itself is kept and told, and does not hold up the others', async () => {
    answer = () => Response.json({ detail: 'The client is a minor.' }, { status: 422 });
    const box = open(() => undefined);
    await box.begin(session, 1);
    const bad = reading();
    await box.keep(session.id, bad);
    await until(() => box.snapshot()[0]!.refused !== '');
    expect(box.snapshot()[0]).toMatchObject({ sent: false, refused: 'The client is a minor.' });
    answer = keepAll;
    const good = reading('71');
    await box.keep(session.id, good);
    await until(() => box.snapshot()[1]!.sent);
    expect(sent.at(-1)).toEqual([good.id]);
  });

  it('each reading is answered for by itself: the refused one stays with its sentence, the others are kept', async () => {
    const [bad, good] = [reading('70'), reading('71')];
    answer = (ids) =>
      Response.json({
        kept: ids.filter((id) => id !== bad.id),
        refused: ids.includes(bad.id) ? [{ id: bad.id, sentence: 'In the book as 69 cm.' }] : [],
      });
    const box = open(() => undefined);
    await box.begin(session, 1);
    await Promise.all([box.keep(session.id, bad), box.keep(session.id, good)]);
    await until(() => box.snapshot().some((k) => k.sent) && box.snapshot().some((k) => k.refused !== ''));
    expect(box.snapshot().find((k) => k.reading.id === bad.id)).toMatchObject({
      sent: false,
      refused: 'In the book as 69 cm.',
    });
    await box.dismiss(bad.id);
    expect(box.snapshot().map((k) => k.reading.id)).toEqual([good.id]);
  });

  it('a session the server cannot take just now does not hold up another', async () => {
    const other: SessionWrite = { ...session, id: '22222222-2222-4222-8222-222222222222' };
    const stuck = reading('70');
    answer = (ids) => (ids.includes(stuck.id) ? new Response('{}', { status: 500 }) : keepAll(ids));
    const box = open(() => undefined);
    await box.begin(session, 1);
    await box.begin(other, 1);
    await box.keep(session.id, stuck);
    await until(() => sent.length > 0);
    const free = reading('71');
    await box.keep(other.id, free);
    await until(() => box.snapshot().find((k) => k.reading.id === free.id)!.sent);
    expect(box.snapshot().find((k) => k.reading.id === stuck.id)).toMatchObject({ sent: false, refused: '' });
    answer = keepAll;
    await until(() => box.snapshot().every((k) => k.sent));
  });

  it('does not keep what was sent for longer than a week, and what was not for ever', async () => {
    const old = { ...reading(), at: new Date(Date.now() - 8 * 86_400_000).toISOString() };
    const box = open(() => undefined);
    await box.begin(session, 1);
    await box.keep(session.id, old);
    await until(() => box.snapshot()[0]!.sent);
    answer = () => Promise.reject(new TypeError('away'));
    const waiting = { ...reading('71'), at: old.at };
    await box.keep(session.id, waiting);
    const later = open(() => undefined);
    await until(() => later.snapshot().length > 0);
    expect(later.snapshot().map((k) => k.reading.id)).toEqual([waiting.id]);
  });

  it('says so when the browser cannot keep anything', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('not in a private window', 'SecurityError');
      },
    });
    const box = open(() => undefined);
    await expect(box.keep(session.id, reading())).rejects.toThrow('private window');
    await expect(box.begin(session, 1)).rejects.toThrow('private window');
    expect(box.snapshot()).toEqual([]);
  });
});

describe('whose reading it is', () => {
  it('goes under its writer’s sign-in only: after an expired one, the next hand’s sends nothing of it', async () => {
    answer = () => Response.json({ code: 'signed-out' }, { status: 401 });
    const box = open(() => undefined);
    await box.begin(session, 1);
    const hers = reading();
    await box.keep(session.id, hers);
    await until(() => sent.length > 0);
    setAuthor({ id: 2, name: 'Bram Teller' });
    answer = keepAll;
    sent = [];
    authors = [];
    const his = reading();
    await box.keep(session.id, his);
    await until(() => box.snapshot().some((k) => k.reading.id === his.id && k.sent));
    expect(sent.flat()).toEqual([his.id]);
    expect(new Set(authors)).toEqual(new Set(['2']));
    expect(waitingOf(box.snapshot(), 'other').map((k) => [k.reading.id, k.by?.name])).toEqual([
      [hers.id, 'Ilse Brandt'],
    ]);
    setAuthor({ id: 1, name: 'Ilse Brandt' });
    await until(() => box.snapshot().every((k) => k.sent));
    expect(authors.at(-1)).toBe('1');
  });

  it('a page whose sign-in became another’s asks who is there, and what is refused of one holds up nothing of another', async () => {
    const strange = vi.fn();
    whenStrange(strange);
    answer = () => Response.json({ code: 'other-author', detail: 'x' }, { status: 409 });
    const box = open(() => undefined);
    await box.begin(session, 1);
    await box.keep(session.id, reading());
    await until(() => strange.mock.calls.length > 0);
    expect(box.snapshot()[0]).toMatchObject({ sent: false, refused: '' });
    // Not open to this role: her own refusal, told, and his go on.
    answer = () => Response.json({ code: 'not-yours', detail: 'Not open to the role.' }, { status: 403 });
    window.dispatchEvent(new Event('online'));
    await until(() => box.snapshot()[0]!.refused !== '');
    setAuthor({ id: 2, name: 'Bram Teller' });
    answer = keepAll;
    await box.keep(session.id, reading());
    await until(() => box.snapshot()[1]!.sent);
    expect(box.snapshot()[0]).toMatchObject({ refused: 'Not open to the role.', sent: false });
    whenStrange(() => undefined);
  });

  it('what was kept without a name waits until somebody says that it is theirs', async () => {
    setAuthor(null);
    const box = open(() => undefined);
    await box.begin(session, 1);
    await box.keep(session.id, reading());
    setAuthor({ id: 2, name: 'Bram Teller' });
    await new Promise((r) => setTimeout(r, 40));
    expect(sent).toEqual([]);
    expect(waitingOf(box.snapshot(), 'unknown')).toHaveLength(1);
    await box.claim();
    await until(() => box.snapshot()[0]!.sent);
    expect(authors).toEqual(['2']);
  });

  it('leaves the device with its writer once it is in the book; what waits stays, its client’s number with it', async () => {
    const box = open(() => undefined);
    await box.begin(session, 1);
    await box.keep(session.id, reading());
    await until(() => box.snapshot()[0]!.sent);
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    const other = { ...session, id: '22222222-2222-4222-8222-222222222222', clientId: 9 };
    await box.begin(other, 1);
    const waits = reading();
    await box.keep(other.id, waits);
    await box.leave();
    expect(box.snapshot().map((k) => k.reading.id)).toEqual([waits.id]);
    const again = open(() => undefined);
    await until(() => again.snapshot().length === 1);
    expect(await again.newestFor(7)).toMatchObject({ id: other.id });
    answer = keepAll;
    window.dispatchEvent(new Event('online'));
    await until(() => again.snapshot()[0]!.sent);
    await again.leave();
    expect(await again.newestFor(7)).toBeUndefined();
  });

  it('what an earlier build kept in a database of its own is taken over, session and all, and sent', async () => {
    const { openDB } = await import('idb');
    const db = await openDB('rocchetto', 1, {
      upgrade(d) {
        d.createObjectStore('session', { keyPath: 'session.id' });
        d.createObjectStore('reading', { keyPath: 'id' }).createIndex('bySession', 'sessionId');
      },
    });
    const r = reading();
    const by = { id: 1, name: 'Ilse Brandt' };
    await db.put('session', { session, by: 1 });
    await db.put('reading', {
      id: r.id,
      reading: r,
      sessionId: session.id,
      seq: 1,
      sent: false,
      refused: '',
      by,
    });
    // A tab of the earlier build is still open: it holds up nobody.
    const box = open(() => undefined);
    await until(() => box.snapshot().some((k) => k.sent));
    expect(sent.flat()).toEqual([r.id]);
    expect(await box.newestFor(7)).toMatchObject({ id: session.id });
    expect(await db.getAll('reading')).toEqual([]);
    db.close();
  });

  it('ten thousand on one device, half of them another’s: one’s own are sent, in hundreds, and none of the others', async () => {
    answer = () => Promise.reject(new TypeError('Failed to fetch'));
    const first = open(() => undefined);
    await first.begin(session, 1);
    // Laid in at once, as a device has them after a long day without a network.
    const db = await (await import('idb')).openDB('rocchetto-device', 1);
    const tx = db.transaction('reading', 'readwrite');
    for (let i = 0; i < 10_000; i++) {
      const r = reading();
      const by = i % 2 ? { id: 2, name: 'Bram Teller' } : { id: 1, name: 'Ilse Brandt' };
      void tx.store.put({
        id: r.id,
        reading: r,
        sessionId: session.id,
        seq: i,
        sent: false,
        refused: '',
        by,
      });
    }
    await tx.done;
    answer = keepAll;
    sent = [];
    const box = open(() => undefined);
    await until(() => box.snapshot().filter((k) => k.sent).length === 5000);
    await new Promise((r) => setTimeout(r, 100));
    expect(waitingOf(box.snapshot(), 'other')).toHaveLength(5000);
    expect(sent.every((ids) => ids.length <= 100)).toBe(true);
  }, 120_000);
});
