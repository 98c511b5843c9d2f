import { fileURLToPath } from 'node:url';
import type { Paper } from '@rocchetto/contract';
import { Piscina } from 'piscina';
import { HttpError } from '../http/problem.ts';
import type { Came } from './came.ts';
import { WorkQueue } from './queue.ts';

/** Kinds of heavy work, each with a queue of its own. */
const QUEUES = {
  paper: new WorkQueue('papers', { atOnce: 1, each: 60, all: 240 }),
  pictures: new WorkQueue('photographs', { atOnce: 1, each: 60, all: 240 }),
  book: new WorkQueue('files', { atOnce: 1, each: 6, all: 24 }),
  // Apart, so that how far it has come can be looked at meanwhile.
  taking: new WorkQueue('imports', { atOnce: 1, each: 3, all: 12 }),
  figures: new WorkQueue('questions', { atOnce: 1, each: 4, all: 40 }),
} as const;
export type WorkKind = keyof typeof QUEUES;

const BUILT = !import.meta.url.endsWith('.ts');
/** Threads that nobody needs end after this, ms. */
const IDLE = 60_000;

let pool: Piscina | undefined;
/** Made when the first heavy work comes. Its threads give way to the one that answers requests. */
const threads = (): Piscina => {
  if (pool) return pool;
  pool = new Piscina({
    filename: fileURLToPath(new URL(BUILT ? './worker.mjs' : '../app/from-source.mjs', import.meta.url)),
    minThreads: 0,
    maxThreads: 2,
    concurrentTasksPerWorker: 1,
    // Between two jobs a thread goes on with what it prepares, and does not sleep until the next.
    atomics: 'disabled',
    idleTimeout: IDLE,
    niceIncrement: 10,
    execArgv: BUILT ? ['--enable-source-maps'] : [],
    resourceLimits: { maxOldGenerationSizeMb: 1024 },
  });
  // A thread that dies fails the job in it, and nothing else.
  pool.on('error', () => undefined);
  return pool;
};

/** Ends the threads; what is in them is lost. */
export const endWork = async (): Promise<void> => {
  await pool?.destroy();
  pool = undefined;
};

interface For {
  readonly kind: WorkKind;
  readonly person: number;
  /** only the newest question of this person wants an answer */
  readonly latest?: boolean;
  /** on which paper it prints; A4 where nothing is said */
  readonly paper?: Paper;
}

/** What an area has done in threads, by name: each job answers with plain data. */
type Jobs = Readonly<Record<string, (...args: never[]) => Promise<unknown>>>;
type AnswerOf<F> = F extends (...args: never[]) => Promise<infer A> ? A : never;

/**
 * How an area does its heavy work: each job in a thread of its own, in turn with what others ask of the same kind. The
 * program registers every area's jobs (app/jobs.ts); what goes in and comes out is copied.
 * @throws HttpError with the job's own sentence, 429 when too much waits, 409 when a newer question came
 */
export const threadsFor =
  <J extends Jobs>() =>
  <K extends keyof J & string>(of: For, job: K, ...args: Parameters<J[K]>): Promise<AnswerOf<J[K]>> =>
    inTurn(of, async () => {
      const came = (await threads().run({ job, args, paper: of.paper ?? 'A4' })) as Came;
      if ('refused' in came) {
        const { status, code, detail, ...more } = came.refused;
        throw new HttpError(status, code, detail, more);
      }
      return bytesOf(came.answer) as AnswerOf<J[K]>;
    });

/** The same queue for work that a library already does beside the program's own thread. */
export const inTurn = <T>({ kind, person, latest }: For, work: () => Promise<T>): Promise<T> =>
  QUEUES[kind].run(person, work, latest);

/** Bytes that were copied from a thread are a plain array there; here they are a Buffer again. */
const bytesOf = (v: unknown): unknown =>
  v instanceof Uint8Array && !Buffer.isBuffer(v) ? Buffer.from(v.buffer, v.byteOffset, v.byteLength) : v;
