import type { AlterationWrite } from '@rocchetto/contract';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { csrfToken } from '../api/base.ts';

/** A change that was asked for on this device and has not reached the studio’s book yet. */
export interface WaitingAsk {
  /** also its key: sent twice it is made once */
  readonly id: string;
  readonly orderId: number;
  readonly body: AlterationWrite;
  /** order of asking */
  readonly seq: number;
  /** the server’s sentence when it would not take it */
  readonly refused: string;
}
/** What became of it at the first try. */
export type FirstTry =
  | { readonly is: 'kept' }
  | { readonly is: 'waits' }
  | { readonly is: 'refused'; readonly sentence: string };

interface Shape extends DBSchema {
  ask: { key: string; value: WaitingAsk };
}

/** Statuses after which it is tried again: signed out, slowed down, or a server that is away. */
const AGAIN = [401, 403, 408, 429];
const FIRST_WAIT = 1000;
const MOST_WAIT = 15_000;

/**
 * Changes asked for at the mirror: written to the browser’s own database first and then sent, again and again until the
 * server has said that they are kept. Like the outbox of readings, for what is pinned.
 */
export class AskOutbox {
  readonly #db: Promise<IDBPDatabase<Shape>>;
  readonly #listeners = new Set<() => void>();
  readonly #onSent: (orderId: number) => void;
  readonly #loaded: Promise<void>;
  #waiting: readonly WaitingAsk[] = [];
  #timer: ReturnType<typeof setTimeout> | undefined;
  #wait = FIRST_WAIT;
  #sending: Promise<unknown> = Promise.resolve();
  #seq = Date.now();

  constructor(onSent: (orderId: number) => void) {
    this.#onSent = onSent;
    // A browser that keeps nothing may throw at once; then what is asked is sent all the same.
    this.#db = Promise.resolve().then(() =>
      openDB<Shape>('rocchetto-asked', 1, {
        upgrade: (db) => void db.createObjectStore('ask', { keyPath: 'id' }),
      }),
    );
    window.addEventListener('online', () => this.#soon(0));
    this.#loaded = this.#load();
  }

  readonly subscribe = (listener: () => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
  readonly snapshot = () => this.#waiting;

  /** Kept on this device and sent; what the first try came to. */
  async keep(orderId: number, body: AlterationWrite): Promise<FirstTry> {
    await this.#loaded;
    const ask: WaitingAsk = { id: crypto.randomUUID(), orderId, body, seq: this.#seq++, refused: '' };
    await this.#put(ask);
    // What waits already goes first, so that the order of asking stays.
    if (this.#waiting.some((w) => w.refused === '' && w.seq < ask.seq)) {
      this.#soon(0);
      return { is: 'waits' };
    }
    const sent = await this.#inTurn(ask);
    // What the server will not take goes back to the hand that is still at it.
    if (sent.is === 'refused') await this.drop(ask.id);
    return sent;
  }

  /** Takes one off this device: it was taken up again, or is not wanted any more. */
  async drop(id: string) {
    this.#waiting = this.#waiting.filter((w) => w.id !== id);
    this.#tell();
    await (await this.#db).delete('ask', id).catch(() => undefined);
  }

  async #load() {
    try {
      const rows = await (await this.#db).getAll('ask');
      this.#waiting = rows.sort((a, b) => a.seq - b.seq);
      this.#tell();
      this.#soon(0);
    } catch {
      // Nothing can be kept here; nothing waits.
    }
  }
  async #put(ask: WaitingAsk) {
    this.#waiting = [...this.#waiting.filter((w) => w.id !== ask.id), ask].sort((a, b) => a.seq - b.seq);
    this.#tell();
    await this.#db.then((db) => db.put('ask', ask)).catch(() => undefined);
  }
  #tell() {
    for (const listener of this.#listeners) listener();
  }
  #soon(ms: number) {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#next(), ms);
  }

  async #next() {
    const ask = this.#waiting.find((w) => w.refused === '');
    if (!ask) return;
    const sent = await this.#inTurn(ask);
    if (sent.is === 'refused') await this.#put({ ...ask, refused: sent.sentence });
    this.#soon(sent.is === 'waits' ? this.#wait : 0);
  }

  /** One at a time, whoever asks. */
  #inTurn(ask: WaitingAsk): Promise<FirstTry> {
    const turn = this.#sending.then(() => this.#send(ask));
    this.#sending = turn;
    return turn;
  }

  async #send(ask: WaitingAsk): Promise<FirstTry> {
    if (!this.#waiting.some((w) => w.id === ask.id)) return { is: 'kept' };
    try {
      const answer = await fetch(`/api/orders/${ask.orderId}/alterations`, {
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          'x-csrf-token': csrfToken(),
          'idempotency-key': ask.id,
        },
        body: JSON.stringify(ask.body),
      });
      if (answer.ok) {
        this.#wait = FIRST_WAIT;
        await this.drop(ask.id);
        this.#onSent(ask.orderId);
        return { is: 'kept' };
      }
      if (answer.status >= 400 && answer.status < 500 && !AGAIN.includes(answer.status)) {
        const { detail = 'It was refused.' } = (await answer.json().catch(() => ({}))) as { detail?: string };
        return { is: 'refused', sentence: detail };
      }
    } catch {
      // The network is away: it stays waiting.
    }
    this.#wait = Math.min(this.#wait * 2, MOST_WAIT);
    this.#soon(this.#wait);
    return { is: 'waits' };
  }
}
