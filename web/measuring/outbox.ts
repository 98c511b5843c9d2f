import type { ReadingWire, SessionWrite } from '@rocchetto/contract';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { csrfToken } from '../api/api.ts';

/** A reading on this device: kept before it is sent, and kept after, until it is a week old. */
export interface KeptReading {
  readonly reading: ReadingWire;
  readonly sessionId: string;
  /** order of taking on this device */
  readonly seq: number;
  readonly sent: boolean;
  /** the server's sentence when it would not take it */
  readonly refused: string;
}

interface Shape extends DBSchema {
  session: { key: string; value: { session: SessionWrite; by: number } };
  reading: { key: string; value: KeptReading & { id: string }; indexes: { bySession: string } };
}

/**
 * The readings of this device. An accepted reading is written to the browser's own database first and then
 * sent; it is sent again until the server has said that it is kept. The server knows a repeat by its id.
 */
export class Outbox {
  readonly #db: Promise<IDBPDatabase<Shape>>;
  readonly #listeners = new Set<() => void>();
  readonly #onSent: () => void;
  readonly #loaded: Promise<void>;
  #kept: readonly KeptReading[] = [];
  #sessions = new Map<string, SessionWrite>();
  #timer: ReturnType<typeof setTimeout> | undefined;
  #wait = 1000;
  #sending = false;
  #seq = Date.now();

  constructor(onSent: () => void) {
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
    window.addEventListener('online', () => this.#soon(0));
    this.#loaded = this.#load().catch(() => undefined);
  }

  readonly subscribe = (listener: () => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
  readonly snapshot = () => this.#kept;

  /** Begins a session on this device. It reaches the server with its first reading. */
  async begin(session: SessionWrite, by: number) {
    this.#sessions.set(session.id, session);
    await (await this.#db).put('session', { session, by });
    this.#tell();
  }

  /** The newest session begun here for an order, so that a reload goes on with it. */
  async newestFor(orderId: number): Promise<SessionWrite | undefined> {
    await this.#loaded;
    const all = await (await this.#db).getAll('session');
    return all
      .map((s) => s.session)
      .filter((s) => s.orderId === orderId)
      .sort((a, b) => b.at.localeCompare(a.at))[0];
  }

  /** Resolves once the reading is safe on this device. @throws when the browser cannot keep it */
  async keep(sessionId: string, reading: ReadingWire) {
    const kept: KeptReading = { reading, sessionId, seq: this.#seq++, sent: false, refused: '' };
    await (await this.#db).put('reading', { ...kept, id: reading.id });
    this.#kept = [...this.#kept, kept];
    this.#tell();
    this.#soon(0);
  }

  /** Sends what waits, now. */
  readonly sendNow = () => this.#soon(0);

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

  async #send() {
    if (this.#sending) return;
    const waiting = this.#kept.filter((k) => !k.sent && !k.refused);
    const sessionId = waiting[0]?.sessionId;
    const session = sessionId ? this.#sessions.get(sessionId) : undefined;
    if (!sessionId || !session) return;
    this.#sending = true;
    const batch = waiting.filter((k) => k.sessionId === sessionId).slice(0, 100);
    try {
      const answer = await fetch('/api/readings', {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'x-csrf-token': csrfToken() },
        body: JSON.stringify({ session, readings: batch.map((k) => k.reading) }),
      });
      if (answer.ok) await this.#mark(batch, { sent: true });
      // Signed out, slowed down or away: it stays waiting. Any other refusal will not mend itself.
      else if (answer.status >= 400 && answer.status < 500 && ![401, 403, 408, 429].includes(answer.status))
        await this.#mark(batch, {
          refused:
            ((await answer.json().catch(() => ({}))) as { detail?: string }).detail ?? 'It was refused.',
        });
      else throw new Error(String(answer.status));
      this.#wait = 1000;
      this.#sending = false;
      this.#onSent();
      this.#soon(0);
    } catch {
      this.#sending = false;
      this.#wait = Math.min(this.#wait * 2, 15_000);
      this.#soon(this.#wait);
    }
  }

  async #mark(batch: readonly KeptReading[], change: Partial<KeptReading>) {
    const ids = new Set(batch.map((k) => k.reading.id));
    this.#kept = this.#kept.map((k) => (ids.has(k.reading.id) ? { ...k, ...change } : k));
    const db = await this.#db;
    for (const k of this.#kept)
      if (ids.has(k.reading.id)) await db.put('reading', { ...k, id: k.reading.id });
    this.#tell();
  }
}
