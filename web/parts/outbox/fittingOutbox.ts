import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { csrfToken } from '../../api/base.ts';
import { type Author, author, onAuthor, sendKept, whose } from '../../offline/author.ts';
import { putNow } from '../../offline/put-now.ts';

/** What is written at a fitting: a change asked for, a step of one, pins counted, points measured, a photograph. */
export interface FittingWrite {
  readonly orderId: number;
  readonly is: 'ask' | 'step' | 'pins' | 'points' | 'photo';
  /** where it goes, below /api; '' for a step of a change that has not reached the book itself */
  readonly path: string;
  /** a photograph is its own bytes */
  readonly body: object;
  /** in words, lengths kept open */
  readonly says: string;
  /** the change on this device that it is a step of */
  readonly after?: string;
}
/** One that has not reached the studio’s book yet. */
export interface Waiting extends FittingWrite {
  /** also its key: sent twice it is made once */
  readonly id: string;
  /** order of writing */
  readonly seq: number;
  /** the server’s sentence when it would not take it */
  readonly refused: string;
  /** its first try is still under way: it does not wait yet */
  readonly first?: boolean;
  /** who wrote it: it goes under their sign-in only. Absent in what an earlier build kept */
  readonly by?: Author;
}
/** What became of it at the first try. */
export type FirstTry =
  | { readonly is: 'kept' }
  | {
      readonly is: 'waits' /** false where this browser keeps nothing: closed, it is lost */;
      readonly safe: boolean;
    }
  | { readonly is: 'refused'; readonly sentence: string };

interface Shape extends DBSchema {
  /** rows of an earlier build have no path: they are changes that were asked for */
  ask: { key: string; value: Waiting };
}
const forward = (row: Waiting): Waiting =>
  row.path === undefined ? { ...row, is: 'ask', path: `/orders/${row.orderId}/alterations`, says: '' } : row;

const FIRST_WAIT = 1000;
const MOST_WAIT = 15_000;

/**
 * What is written at the mirror: into the browser’s own database first and then sent, in order, again and again until
 * the server has said that it is kept. Like the outbox of readings, for what is pinned, agreed and counted.
 */
export class FittingOutbox {
  readonly #db: Promise<IDBPDatabase<Shape>>;
  readonly #listeners = new Set<() => void>();
  readonly #onAnswered: (orderId: number) => void;
  readonly #loaded: Promise<void>;
  #waiting: readonly Waiting[] = [];
  #timer: ReturnType<typeof setTimeout> | undefined;
  #wait = FIRST_WAIT;
  #sending: Promise<unknown> = Promise.resolve();
  #seq = Date.now();

  constructor(onAnswered: (orderId: number) => void) {
    this.#onAnswered = onAnswered;
    // A browser that keeps nothing may throw at once; then what is asked is sent all the same.
    this.#db = Promise.resolve().then(() =>
      openDB<Shape>('rocchetto-asked', 1, {
        upgrade: (db) => void db.createObjectStore('ask', { keyPath: 'id' }),
      }),
    );
    window.addEventListener('online', () => this.#soon(0));
    onAuthor(() => this.#soon(0));
    this.#loaded = this.#load();
  }

  readonly subscribe = (listener: () => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
  readonly snapshot = () => this.#waiting;

  /** Kept on this device and sent; what the first try came to. */
  async keep(write: FittingWrite): Promise<FirstTry> {
    await this.#loaded;
    const by = author();
    const one: Waiting = {
      ...write,
      id: crypto.randomUUID(),
      seq: this.#seq++,
      refused: '',
      first: true,
      ...(by ? { by } : {}),
    };
    const safe = await this.#put(one);
    // What waits already goes first, so that the order of writing stays.
    if (one.path === '' || this.#waiting.some((w) => this.#goes(w) && w.seq < one.seq)) {
      await this.#put({ ...one, first: false });
      this.#soon(0);
      return { is: 'waits', safe };
    }
    const sent = await this.#inTurn(one, safe);
    if (sent.is === 'waits') await this.#put({ ...one, first: false });
    // What the server will not take goes back to the hand that is still at it.
    if (sent.is === 'refused') await this.drop(one.id);
    return sent;
  }

  /** Takes one off this device, and what follows it: it was taken up again, or is not wanted any more. */
  async drop(id: string) {
    const gone = this.#waiting.filter((w) => w.id === id || w.after === id).map((w) => w.id);
    this.#waiting = this.#waiting.filter((w) => !gone.includes(w.id));
    this.#tell();
    const db = await this.#db;
    for (const one of gone) await db.delete('ask', one).catch(() => undefined);
  }

  async #load() {
    try {
      const rows = await (await this.#db).getAll('ask');
      this.#waiting = rows.map((row) => ({ ...forward(row), first: false })).sort((a, b) => a.seq - b.seq);
      this.#tell();
      this.#soon(0);
    } catch {
      // Nothing can be kept here; nothing waits.
    }
  }
  /** Whether this browser keeps it. */
  async #put(one: Waiting): Promise<boolean> {
    this.#waiting = [...this.#waiting.filter((w) => w.id !== one.id), one].sort((a, b) => a.seq - b.seq);
    this.#tell();
    return this.#db
      .then((db) => putNow(db, 'ask', one))
      .then(
        () => true,
        () => false,
      );
  }
  /** What may be sent now: not refused, on its own feet, and of whoever is signed in. */
  #goes = (w: Waiting) => w.refused === '' && w.path !== '' && whose(w.by) === 'mine';

  /** Whoever is signed in says that what an earlier build kept without a name is theirs. */
  async claim(orderId?: number) {
    const by = author();
    if (by)
      for (const w of this.#waiting.filter((x) => (orderId === undefined || x.orderId === orderId) && !x.by))
        await this.#put({ ...w, by });
    this.#soon(0);
  }
  #tell() {
    for (const listener of this.#listeners) listener();
  }
  #soon(ms: number) {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#next(), ms);
  }

  async #next() {
    const one = this.#waiting.find(this.#goes);
    if (!one) return;
    const sent = await this.#inTurn(one);
    if (sent.is === 'refused') await this.#put({ ...one, refused: sent.sentence });
    this.#soon(sent.is === 'waits' ? this.#wait : 0);
  }

  /** One at a time, whoever asks. */
  #inTurn(one: Waiting, safe = true): Promise<FirstTry> {
    const turn = this.#sending.then(() => this.#send(one, safe));
    this.#sending = turn;
    return turn;
  }

  async #send(one: Waiting, safe: boolean): Promise<FirstTry> {
    if (!this.#waiting.some((w) => w.id === one.id)) return { is: 'kept' };
    const picture = one.body instanceof Blob ? one.body : null;
    const type = picture ? picture.type || 'application/octet-stream' : 'application/json';
    const sent = one.by
      ? await sendKept(`/api${one.path}`, one.by, {
          headers: { 'content-type': type, 'x-csrf-token': csrfToken(), 'idempotency-key': one.id },
          body: picture ?? JSON.stringify(one.body),
        })
      : ({ is: 'waits' } as const);
    if (sent.is === 'kept') {
      this.#wait = FIRST_WAIT;
      await this.#follow(
        one,
        (await sent.answer.json().catch(() => ({}))) as { id?: number; version?: number },
      );
      await this.drop(one.id);
      this.#onAnswered(one.orderId);
      return { is: 'kept' };
    }
    if (sent.is === 'refused') {
      this.#onAnswered(one.orderId);
      return sent;
    }
    this.#wait = Math.min(this.#wait * 2, MOST_WAIT);
    this.#soon(this.#wait);
    return { is: 'waits', safe };
  }

  /** What follows a change now knows where it goes; kept before the change itself leaves the device. */
  async #follow(one: Waiting, { id, version }: { id?: number; version?: number }) {
    for (const [i, w] of this.#waiting.filter((x) => x.after === one.id).entries()) {
      const { after: _, ...rest } = w;
      await this.#put({
        ...rest,
        path: `/alterations/${id}/steps`,
        body: { ...w.body, version: (version ?? 1) + i },
      });
    }
  }
}
