import { onAuthor } from '../../offline/author.ts';

/** Something that waits to be sent. */
export interface Errand {
  /** what a failure holds up: errands of other names take their turn meanwhile */
  readonly name: string;
  /** false where it is to be tried again later */
  readonly run: () => Promise<boolean>;
}

const FIRST_WAIT = 1000;
const MOST_WAIT = 15_000;

/**
 * Carries what waits on this device to the studio’s book: one at a time, the first that may go. Where it fails, what has
 * its name is tried again after 1 s, 2 s … 15 s, and at once when the network or the writer is back.
 */
export class Courier {
  readonly #offers: () => readonly Errand[];
  readonly #held = new Map<string, { readonly ms: number; readonly until: number }>();
  #timer: ReturnType<typeof setTimeout> | undefined;
  #going = false;

  /** @param offers what waits now, in the order in which it is to go */
  constructor(offers: () => readonly Errand[]) {
    this.#offers = offers;
    window.addEventListener('online', this.now);
    onAuthor(this.now);
  }

  /** Something has come to be sent. */
  readonly go = () => this.#in(0);
  /** Whatever was held up is tried now. */
  readonly now = () => {
    for (const [name, { ms }] of this.#held) this.#held.set(name, { ms, until: 0 });
    this.#in(0);
  };

  #in(ms: number) {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#run(), ms);
  }

  async #run() {
    if (this.#going) return;
    const offers = this.#offers();
    const until = (e: Errand) => this.#held.get(e.name)?.until ?? 0;
    const next = offers.find((e) => until(e) <= Date.now());
    if (!next) {
      if (offers.length > 0) this.#in(Math.max(50, Math.min(...offers.map(until)) - Date.now()));
      return;
    }
    this.#going = true;
    const done = await next.run().catch(() => false);
    this.#going = false;
    if (done) this.#held.delete(next.name);
    else {
      const before = this.#held.get(next.name)?.ms;
      const ms = before ? Math.min(before * 2, MOST_WAIT) : FIRST_WAIT;
      this.#held.set(next.name, { ms, until: Date.now() + ms });
    }
    this.#in(0);
  }
}
