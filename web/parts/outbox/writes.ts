import { csrfToken } from '../../api/base.ts';
import { onTop, taken } from '../../api/own-steps.ts';
import { author, sendKept, whose } from '../../offline/author.ts';
import { putNow } from '../../offline/put-now.ts';
import { Courier } from './courier.ts';
import type { DeviceDb, DeviceWrite, KeptWrite } from './device-book.ts';

/** What the book says of a record that it has made or changed. */
export interface BookSays {
  readonly id?: number;
  readonly version?: number;
}
/** What became of it at the first try. */
export type FirstTry =
  | { readonly is: 'kept'; readonly says: BookSays }
  | {
      readonly is: 'waits' /** false where this browser keeps nothing: closed, it is lost */;
      readonly safe: boolean;
    }
  | { readonly is: 'refused'; readonly sentence: string };

/**
 * What is written at the mirror and the bench: into the browser’s own database first and then sent, in order, again and
 * again until the server has said that it is kept.
 */
export class Writes {
  readonly #db: DeviceDb;
  readonly #listeners = new Set<() => void>();
  readonly #onAnswered: (write: DeviceWrite) => void;
  readonly #loaded: Promise<void>;
  readonly #courier: Courier;
  /** who waits for what becomes of a first try */
  readonly #firstTries = new Map<string, (tried: FirstTry) => void>();
  #waiting: readonly KeptWrite[] = [];
  #seq = Date.now();

  /** @param ready once what an earlier build kept is in the database */
  constructor(db: DeviceDb, ready: Promise<unknown>, onAnswered: (write: DeviceWrite) => void) {
    this.#db = db;
    this.#onAnswered = onAnswered;
    this.#courier = new Courier(() => {
      const one = this.#waiting.find(this.#goes);
      return one ? [{ name: 'write', run: () => this.#send(one) }] : [];
    });
    this.#loaded = ready.then(() => this.#load()).catch(() => undefined);
  }

  readonly subscribe = (listener: () => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
  readonly snapshot = () => this.#waiting;

  /** Kept on this device and sent; what the first try came to. */
  async keep(write: DeviceWrite): Promise<FirstTry> {
    await this.#loaded;
    const by = author();
    const one: KeptWrite = {
      ...write,
      id: crypto.randomUUID(),
      seq: this.#seq++,
      refused: '',
      first: true,
      ...(by ? { by } : {}),
    };
    const tried = new Promise<FirstTry>((answer) => this.#firstTries.set(one.id, answer));
    const safe = await this.#put(one);
    // What waits already goes first, so that the order of writing stays.
    const behind =
      one.path === '' || !by || this.#waiting.some((w) => this.#goes(w) && w.seq < one.seq && !w.first);
    if (behind) this.#firstTries.get(one.id)?.({ is: 'waits', safe });
    this.#courier.go();
    const came = await tried;
    this.#firstTries.delete(one.id);
    if (came.is === 'waits') {
      const now = this.#waiting.find((w) => w.id === one.id);
      if (now) await this.#put({ ...now, first: false });
      return { is: 'waits', safe };
    }
    // What the server will not take goes back to the hand that is still at it.
    if (came.is === 'refused') await this.drop(one.id);
    return came;
  }

  /** Takes one off this device, and what follows it: it was taken up again, or is not wanted any more. */
  async drop(id: string) {
    const gone = this.#waiting.filter((w) => w.id === id || w.after === id).map((w) => w.id);
    this.#waiting = this.#waiting.filter((w) => !gone.includes(w.id));
    this.#tell();
    await this.#db
      .then(async (db) => {
        for (const one of gone) await db.delete('write', one);
      })
      .catch(() => undefined);
  }

  /** Whoever is signed in says that what an earlier build kept without a name is theirs. */
  async claim(orderId?: number) {
    const by = author();
    if (by)
      for (const w of this.#waiting.filter((x) => (orderId === undefined || x.orderId === orderId) && !x.by))
        await this.#put({ ...w, by });
    this.#courier.go();
  }

  async #load() {
    const rows = await (await this.#db).getAll('write');
    this.#waiting = rows.map((row) => ({ ...row, first: false })).sort((a, b) => a.seq - b.seq);
    this.#tell();
    this.#courier.go();
  }
  /** Whether this browser keeps it. */
  async #put(one: KeptWrite): Promise<boolean> {
    this.#waiting = [...this.#waiting.filter((w) => w.id !== one.id), one].sort((a, b) => a.seq - b.seq);
    this.#tell();
    return putNow(this.#db, 'write', one, one.is !== 'photo').then(
      () => true,
      () => false,
    );
  }
  /** What may be sent now: not refused, on its own feet, and of whoever is signed in. */
  #goes = (w: KeptWrite) => w.refused === '' && w.path !== '' && whose(w.by) === 'mine';

  #tell() {
    for (const listener of this.#listeners) listener();
  }

  async #send(one: KeptWrite): Promise<boolean> {
    const picture = one.body instanceof Blob ? one.body : null;
    const type = picture ? picture.type || 'application/octet-stream' : 'application/json';
    const step = one.onTop ? (one.body as { version: number }) : null;
    const version = step && onTop(one.path, step);
    // Sent again, by a page that has forgotten that step, it says the same.
    if (step && version !== step.version) await this.#put({ ...one, body: { ...step, version } });
    const sent = await sendKept(`/api${one.path}`, one.by!, {
      headers: { 'content-type': type, 'x-csrf-token': csrfToken(), 'idempotency-key': one.id },
      body: picture ?? JSON.stringify(step ? { ...step, version } : one.body),
    });
    const answered = this.#firstTries.get(one.id);
    if (sent.is === 'waits') {
      // Whatever was written since waits behind it.
      for (const told of this.#firstTries.values()) told({ is: 'waits', safe: true });
      return false;
    }
    if (sent.is === 'refused') {
      this.#onAnswered(one);
      if (answered) {
        // Out of the way at once: the hand that is still at it takes it back.
        this.#waiting = this.#waiting.map((w) => (w.id === one.id ? { ...w, refused: sent.sentence } : w));
        answered(sent);
      } else await this.#put({ ...one, refused: sent.sentence });
      return true;
    }
    const says = (await sent.answer.json().catch(() => ({}))) as BookSays;
    if (step && says.version !== undefined) taken(one.path, step, version!, says.version);
    await this.#follow(one, says);
    await this.drop(one.id);
    this.#onAnswered(one);
    answered?.({ is: 'kept', says });
    return true;
  }

  /** What follows a change now knows where it goes; kept before the change itself leaves the device. */
  async #follow(one: KeptWrite, { id, version }: BookSays) {
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
