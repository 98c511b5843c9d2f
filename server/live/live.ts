import { setMaxListeners } from 'node:events';
import type { Changed } from '@rocchetto/contract/live.ts';
import pg from 'pg';
import type { Logger } from 'pino';

const CHANNEL = 'rocchetto_changed';
/** Changes of one moment travel together. */
const GATHER = 40;
/** A PostgreSQL message holds 8000 bytes; past this many changes pages are told to look at everything again. */
const MOST = 200;

/** A listener gets what changed, or null when it should look at everything again. */
export type Listener = (changed: readonly Changed[] | null) => void;

/** Tells every page of every process what was changed: ids and versions only, by LISTEN and NOTIFY. */
export interface Live {
  /** to be called once a change is committed; never waits and never fails */
  readonly tell: (changed: readonly Changed[]) => void;
  readonly listen: (listener: Listener) => () => void;
  /** aborted when the process is about to end, so that streams end first */
  readonly ended: AbortSignal;
  readonly close: () => Promise<void>;
}

/** Where nobody listens: tests of one area, tools. */
export const NO_LIVE: Live = {
  tell: () => undefined,
  listen: () => () => undefined,
  ended: new AbortController().signal,
  close: async () => undefined,
};

/**
 * One connection that listens and tells. When it is lost it is opened again, and everyone is told to look again,
 * since what was said meanwhile is not known.
 */
export function openLive(databaseUrl: string, log: Logger): Live {
  const listeners = new Set<Listener>();
  let gathered = new Map<string, Changed>();
  let timer: NodeJS.Timeout | undefined;
  let client: pg.Client | undefined;
  const ending = new AbortController();
  // Every open page waits for it.
  setMaxListeners(0, ending.signal);
  let closed = false;
  let wait = 100;
  const say = (changed: readonly Changed[] | null) => {
    for (const listener of listeners) listener(changed);
  };

  const open = async () => {
    if (closed) return;
    const mine = new pg.Client({ connectionString: databaseUrl, connectionTimeoutMillis: 5000 });
    let lost = false;
    const again = (error?: Error) => {
      if (lost) return;
      lost = true;
      if (client === mine) client = undefined;
      mine.end().catch(() => undefined);
      if (closed) return;
      log.warn({ err: error?.message }, 'live connection lost');
      wait = Math.min(wait * 2, 3000);
      setTimeout(() => void open(), wait).unref();
    };
    mine.on('error', again);
    mine.on('end', () => again());
    mine.on('notification', (m) => say(m.payload ? (JSON.parse(m.payload) as Changed[] | null) : null));
    try {
      await mine.connect();
      await mine.query(`listen ${CHANNEL}`);
      client = mine;
      wait = 100;
      say(null);
      if (closed) await mine.end();
    } catch (error) {
      again(error as Error);
    }
  };
  // One question at a time on this connection: what comes meanwhile travels with the next.
  let asking = false;
  const flush = () => {
    timer = undefined;
    if (!client || asking) {
      timer = setTimeout(flush, client ? GATHER : 250).unref();
      return;
    }
    const all = [...gathered.values()];
    gathered = new Map();
    const payload = JSON.stringify(all.length > MOST ? null : all);
    asking = true;
    client
      .query('select pg_notify($1, $2)', [CHANNEL, payload])
      .catch(() => tell(all))
      .finally(() => {
        asking = false;
      });
  };
  const tell = (changed: readonly Changed[]) => {
    for (const one of changed) gathered.set(`${one[0]} ${one[1]}`, one);
    if (!closed) timer ??= setTimeout(flush, GATHER).unref();
  };
  void open();
  return {
    tell,
    ended: ending.signal,
    listen: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    close: async () => {
      closed = true;
      ending.abort();
      clearTimeout(timer);
      if (client && gathered.size > 0) flush();
      await client?.end().catch(() => undefined);
    },
  };
}
