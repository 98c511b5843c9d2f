import { HttpError } from '../http/problem.ts';
import { TEXTS } from './texts.ts';

/** Of one kind so many are worked on at a time, so many of one person wait, and so many of all. */
export interface Bounds {
  readonly atOnce: number;
  readonly each: number;
  readonly all: number;
}
interface Waiting {
  readonly begin: () => void;
  readonly drop: (why: HttpError) => void;
}

const full = (detail: string) => new HttpError(429, 'queue-full', detail);

/**
 * Heavy work of one kind, in turn: a queue for each person, served by rotation, so that whoever asks for fifty things
 * makes nobody else wait for more than the one in hand.
 */
export class WorkQueue {
  readonly #queues = new Map<number, Waiting[]>();
  #turn: number[] = [];
  #running = 0;

  constructor(
    readonly what: string,
    readonly bounds: Bounds,
  ) {}

  get waiting(): number {
    return [...this.#queues.values()].reduce((n, q) => n + q.length, 0);
  }

  /**
   * Does the work when it is its turn.
   * @param latest what this person still has waiting is dropped: only the newest question wants an answer
   * @throws HttpError 429 when too much waits already, 409 for what was dropped
   */
  async run<T>(person: number, work: () => Promise<T>, latest = false): Promise<T> {
    const mine = this.#queues.get(person) ?? [];
    if (latest)
      for (const old of mine.splice(0)) old.drop(new HttpError(409, 'superseded', TEXTS.superseded));
    if (mine.length >= this.bounds.each)
      throw full(
        `You already have ${mine.length} ${this.what} waiting. Wait for some of them, then try again.`,
      );
    if (this.waiting >= this.bounds.all)
      throw full(`Too many ${this.what} are waiting. Nothing is lost. Try again in a minute.`);
    await this.#turnOf(person, mine);
    try {
      return await work();
    } finally {
      this.#running--;
      this.#next();
    }
  }

  #turnOf(person: number, mine: Waiting[]): Promise<void> | undefined {
    if (this.#running < this.bounds.atOnce && this.waiting === 0) {
      this.#running++;
      return undefined;
    }
    return new Promise<void>((begin, drop) => {
      mine.push({ begin, drop });
      if (!this.#queues.has(person)) {
        this.#queues.set(person, mine);
        this.#turn.push(person);
      }
    });
  }

  #next(): void {
    while (this.#turn.length > 0) {
      if (this.#running >= this.bounds.atOnce) return;
      const person = this.#turn.shift()!;
      const queue = this.#queues.get(person)!;
      const one = queue.shift();
      if (queue.length > 0) this.#turn.push(person);
      else this.#queues.delete(person);
      if (!one) continue;
      // The place is taken before anybody else can ask for it.
      this.#running++;
      one.begin();
      return;
    }
  }
}
