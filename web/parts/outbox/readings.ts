import type { ReadingsAnswer, ReadingWire, SessionWrite } from '@rocchetto/contract';
import { csrfToken } from '../../api/base.ts';
import { author, sendKept, type Whose, whose } from '../../offline/author.ts';
import { putNow } from '../../offline/put-now.ts';
import { Courier, type Errand } from './courier.ts';
import type { DeviceDb, KeptReading } from './device-book.ts';

/** What of this device waits to be sent, of one kind of writer. */
export const waitingOf = (kept: readonly KeptReading[], of: Whose): readonly KeptReading[] =>
  kept.filter((k) => !k.sent && whose(k.by) === of);

/**
 * The readings of this device. An accepted reading is written to the browser's own database first and then
 * sent; it is sent again until the server has said that it is kept. The server knows a repeat by its id.
 */
export class Readings {
  readonly #db: DeviceDb;
  readonly #listeners = new Set<() => void>();
  readonly #onSent: (session: SessionWrite) => void;
  readonly #loaded: Promise<void>;
  readonly #courier: Courier;
  #kept: readonly KeptReading[] = [];
  #sessions = new Map<string, SessionWrite>();
  #seq = Date.now();

  /** @param ready once what an earlier build kept is in the database */
  constructor(db: DeviceDb, ready: Promise<unknown>, onSent: (session: SessionWrite) => void) {
    this.#db = db;
    this.#onSent = onSent;
    this.#courier = new Courier(() => this.#errands());
    this.#loaded = ready.then(() => this.#load()).catch(() => undefined);
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
    await putNow(this.#db, 'session', { session, by });
    this.#tell();
  }

  /** A session that another device began: without it what is taken here would have nowhere to be sent. */
  async join(session: SessionWrite, by: number) {
    await this.#loaded;
    await this.begin(session, by);
    this.#courier.go();
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
    await putNow(this.#db, 'reading', { ...kept, id: reading.id });
    this.#kept = [...this.#kept, kept];
    this.#tell();
    this.#courier.go();
  }

  async #load() {
    const db = await this.#db;
    for (const { session } of await db.getAll('session')) this.#sessions.set(session.id, session);
    const week = Date.now() - 7 * 86_400_000;
    const rows = await db.getAll('reading');
    for (const row of rows)
      if (row.sent && Date.parse(row.reading.at) < week) await db.delete('reading', row.id);
    // What was taken while these were read is newer than they are.
    const since = new Set(this.#kept.map((k) => k.reading.id));
    const earlier = rows.filter((r) => !since.has(r.id) && (!r.sent || Date.parse(r.reading.at) >= week));
    this.#kept = [...earlier, ...this.#kept].sort((a, b) => a.seq - b.seq);
    this.#tell();
    this.#courier.go();
  }

  #tell() {
    for (const listener of this.#listeners) listener();
  }

  /** What may go now: of each session the first hundred that wait. */
  #errands(): readonly Errand[] {
    const waiting = this.#kept.filter((k) => !k.sent && !k.refused && whose(k.by) === 'mine');
    return [...new Set(waiting.map((k) => k.sessionId))].flatMap((id) => {
      const session = this.#sessions.get(id);
      const batch = waiting.filter((k) => k.sessionId === id).slice(0, 100);
      return session ? [{ name: id, run: () => this.#send(session, batch) }] : [];
    });
  }

  async #send(session: SessionWrite, batch: readonly KeptReading[]): Promise<boolean> {
    const sent = await sendKept('/api/readings', batch[0]!.by!, {
      headers: {
        'content-type': 'application/json',
        'x-csrf-token': csrfToken(),
        // A device whose clock is wrong is set right by this.
        'x-device-time': new Date().toISOString(),
      },
      body: JSON.stringify({ session, readings: batch.map((k) => k.reading) }),
    });
    // Signed out, slowed down or away: it stays waiting.
    if (sent.is === 'waits') return false;
    if (sent.is === 'refused')
      // A refusal of all will not mend itself.
      await this.#mark(new Map(batch.map((k) => [k.reading.id, { refused: sent.sentence }])));
    else {
      const said = (await sent.answer.json()) as ReadingsAnswer;
      await this.#settle(batch, said);
      // An answer that is silent about something sent is no answer for it: that waits and is sent again.
      if (said.kept.length + said.refused.length < batch.length) return false;
    }
    this.#onSent(session);
    return true;
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

  /** Whoever is signed in says that what an earlier build kept without a name is theirs. */
  async claim() {
    const by = author();
    if (by)
      await this.#mark(
        new Map(this.#kept.filter((k) => !k.by && !k.sent).map((k) => [k.reading.id, { by }])),
      );
    this.#courier.go();
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
