import type { ReadingsAnswer, ReadingWire, SessionWrite } from '@rocchetto/contract';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { csrfToken } from '../../api/base.ts';
import { type Author, author, onAuthor, sendKept, type Whose, whose } from '../../offline/author.ts';
import { putNow } from '../../offline/put-now.ts';

/** A reading on this device: kept before it is sent, and kept after, until it is a week old. */
export interface KeptReading {
  readonly reading: ReadingWire;
  readonly sessionId: string;
  /** order of taking on this device */
  readonly seq: number;
  readonly sent: boolean;
  /** the server's sentence when it would not take it */
  readonly refused: string;
  /** who wrote it: it goes under their sign-in only. Absent in what an earlier build kept */
  readonly by?: Author;
}

interface Shape extends DBSchema {
  session: { key: string; value: { session: SessionWrite; by: number } };
  reading: { key: string; value: KeptReading & { id: string }; indexes: { bySession: string } };
}

/** What of this device waits to be sent, of one kind of writer. */
export const waitingOf = (kept: readonly KeptReading[], of: Whose): readonly KeptReading[] =>
  kept.filter((k) => !k.sent && whose(k.by) === of);

/**
 * The readings of this device. An accepted reading is written to the browser's own database first and then
 * sent; it is sent again until the server has said that it is kept. The server knows a repeat by its id.
 */
export class Outbox {
  readonly #db: Promise<IDBPDatabase<Shape>>;
  readonly #listeners = new Set<() => void>();
  readonly #onSent: (session: SessionWrite) => void;
  readonly #loaded: Promise<void>;
  #kept: readonly KeptReading[] = [];
  #sessions = new Map<string, SessionWrite>();
  #timer: ReturnType<typeof setTimeout> | undefined;
  /** by session: how long the next try waits, and when it may be */
  readonly #waits = new Map<string, number>();
  readonly #notBefore = new Map<string, number>();
  #sending = false;
  #seq = Date.now();

  constructor(onSent: (session: SessionWrite) => void) {
    this.#onSent = onSent;
    // A browser that keeps nothing may throw at once; then every keep() says so.
    this.#db = Promise.resolve().then(() =>
      openDB<Shape>('rocchetto', 1, {
        upgrade(db) {
          db.createObjectStore('session', { keyPath: 'session.id' });
          db.createObjectStore('reading', { keyPath: 'id' }).createIndex('bySession', 'sessionId');
        },
      }),
    );
    window.addEventListener('online', this.sendNow);
    onAuthor(this.sendNow);
    this.#loaded = this.#load().catch(() => undefined);
  }

  readonly subscribe = (listener: () => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
  readonly snapshot = () => this.#kept;
  /** The order a session of this device measures for; null for one that measures for none. */
  readonly orderOf = (sessionId: string): number | null => this.#sessions.get(sessionId)?.orderId ?? null;

  /** Begins a session on this device. It reaches the server with its first reading. */
  async begin(session: SessionWrite, by: number) {
    this.#sessions.set(session.id, session);
    await putNow(await this.#db, 'session', { session, by });
    this.#tell();
  }

  /** A session that another device began: without it what is taken here would have nowhere to be sent. */
  async join(session: SessionWrite, by: number) {
    await this.#loaded;
    await this.begin(session, by);
    this.#soon(0);
  }

  /** The newest session begun here for an order, or for a client without one, so that a reload goes on with it. */
  async newestFor(orderId: number | null, clientId?: number): Promise<SessionWrite | undefined> {
    await this.#loaded;
    const all = await (await this.#db).getAll('session');
    return all
      .map((s) => s.session)
      .filter((s) => s.orderId === orderId && (orderId !== null || s.clientId === clientId))
      .sort((a, b) => b.at.localeCompare(a.at))[0];
  }

  /** Resolves once the reading is safe on this device. @throws when the browser cannot keep it */
  async keep(sessionId: string, reading: ReadingWire) {
    const by = author();
    const kept: KeptReading = {
      reading,
      sessionId,
      seq: this.#seq++,
      sent: false,
      refused: '',
      ...(by ? { by } : {}),
    };
    await putNow(await this.#db, 'reading', { ...kept, id: reading.id });
    this.#kept = [...this.#kept, kept];
    this.#tell();
    this.#soon(0);
  }

  /** Sends what waits, now. */
  readonly sendNow = () => {
    this.#notBefore.clear();
    this.#soon(0);
  };

  async #load() {
    const db = await this.#db;
    for (const { session } of await db.getAll('session')) this.#sessions.set(session.id, session);
    const week = Date.now() - 7 * 86_400_000;
    const rows = await db.getAll('reading');
    for (const row of rows)
      if (row.sent && Date.parse(row.reading.at) < week) await db.delete('reading', row.id);
    this.#kept = rows
      .filter((r) => !r.sent || Date.parse(r.reading.at) >= week)
      .sort((a, b) => a.seq - b.seq);
    this.#tell();
    this.#soon(0);
  }

  #tell() {
    for (const listener of this.#listeners) listener();
  }

  #soon(ms: number) {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#send(), ms);
  }

  /** The session whose turn it is: one with readings that wait, whose last try is long enough ago. */
  #next(): { session: SessionWrite; batch: readonly KeptReading[] } | null {
    const waiting = this.#kept.filter((k) => !k.sent && !k.refused && whose(k.by) === 'mine');
    const now = Date.now();
    for (const id of new Set(waiting.map((k) => k.sessionId))) {
      const session = this.#sessions.get(id);
      if (!session || (this.#notBefore.get(id) ?? 0) > now) continue;
      return { session, batch: waiting.filter((k) => k.sessionId === id).slice(0, 100) };
    }
    return null;
  }

  async #send() {
    if (this.#sending) return;
    const next = this.#next();
    if (!next) return this.#later();
    const { session, batch } = next;
    this.#sending = true;
    try {
      const sent = await sendKept('/api/readings', batch[0]!.by!, {
        headers: {
          'content-type': 'application/json',
          'x-csrf-token': csrfToken(),
          // A device whose clock is wrong is set right by this.
          'x-device-time': new Date().toISOString(),
        },
        body: JSON.stringify({ session, readings: batch.map((k) => k.reading) }),
      });
      if (sent.is === 'kept') {
        const said = (await sent.answer.json()) as ReadingsAnswer;
        await this.#settle(batch, said);
        // An answer that is silent about something sent is no answer for it: that waits and is sent again.
        if (said.kept.length + said.refused.length < batch.length) throw new Error('not answered for');
      }
      // A refusal of all will not mend itself. Signed out, slowed down or away: it stays waiting.
      else if (sent.is === 'refused')
        await this.#mark(new Map(batch.map((k) => [k.reading.id, { refused: sent.sentence }])));
      else throw new Error('not now');
      this.#waits.delete(session.id);
      this.#notBefore.delete(session.id);
      this.#onSent(session);
    } catch {
      // Only this session waits longer; the others take their turn.
      const wait = Math.min((this.#waits.get(session.id) ?? 500) * 2, 15_000);
      this.#waits.set(session.id, wait);
      this.#notBefore.set(session.id, Date.now() + wait);
    }
    this.#sending = false;
    this.#soon(0);
  }

  /** Each reading is answered for by itself: what is kept, and what is not with its sentence. */
  #settle(batch: readonly KeptReading[], { kept, refused }: ReadingsAnswer) {
    const said = new Map(refused.map((r) => [r.id, r.sentence]));
    const there = new Set(kept);
    return this.#mark(
      new Map(
        batch.flatMap(({ reading: { id } }): [string, Partial<KeptReading>][] =>
          there.has(id) ? [[id, { sent: true }]] : said.has(id) ? [[id, { refused: said.get(id)! }]] : [],
        ),
      ),
    );
  }

  /** Comes back when the first of those that wait longer may be tried again. */
  #later() {
    const due = [...this.#notBefore.values()];
    if (due.length > 0) this.#soon(Math.max(50, Math.min(...due) - Date.now()));
  }

  /** Whoever is signed in says that what an earlier build kept without a name is theirs. */
  async claim() {
    const by = author();
    if (by)
      await this.#mark(
        new Map(this.#kept.filter((k) => !k.by && !k.sent).map((k) => [k.reading.id, { by }])),
      );
    this.#soon(0);
  }

  /** Somebody signs out: what has reached the book leaves this device; what waits stays for its writer. */
  async leave() {
    await this.#loaded;
    const db = await this.#db;
    const gone = this.#kept.filter((k) => k.sent);
    this.#kept = this.#kept.filter((k) => !k.sent);
    this.#tell();
    const needed = new Set(this.#kept.map((k) => k.sessionId));
    for (const k of gone) await db.delete('reading', k.reading.id);
    for (const { session } of await db.getAll('session'))
      if (!needed.has(session.id)) {
        this.#sessions.delete(session.id);
        await db.delete('session', session.id);
      }
  }

  /** Takes a refused reading off this device's list, once a hand has seen why. */
  async dismiss(id: string) {
    this.#kept = this.#kept.filter((k) => k.reading.id !== id);
    await (await this.#db).delete('reading', id);
    this.#tell();
  }

  async #mark(changes: ReadonlyMap<string, Partial<KeptReading>>) {
    this.#kept = this.#kept.map((k) => ({ ...k, ...changes.get(k.reading.id) }));
    const db = await this.#db;
    for (const k of this.#kept)
      if (changes.has(k.reading.id)) await db.put('reading', { ...k, id: k.reading.id });
    this.#tell();
  }
}
