import { createHash } from 'node:crypto';
import type { ImportView } from '@rocchetto/contract';
import { type Column, columnsSay, dayIn } from '@rocchetto/core';
import { Hono } from 'hono';
import { remember } from '../../db/history.ts';
import { type Db, inTransaction } from '../../db/pool.ts';
import { type Deps, type Env, idParam } from '../../http/context.ts';
import { once } from '../../http/once.ts';
import { HttpError, notFound } from '../../http/problem.ts';
import { on } from '../../http/route.ts';
import { readHouse } from '../../records/house.ts';
import {
  addImport,
  beginTaking,
  failImport,
  isUnderWay,
  mapImport,
  readImport,
  rememberedMapping,
  rememberMapping,
} from '../../records/imports.ts';
import { threadsFor } from '../../threads/pool.ts';
import type { ImportJobs } from './jobs.ts';
import { NOTHING } from './take.ts';
import { TEXTS } from './texts.ts';

const inThread = threadsFor<ImportJobs>();

const PREVIEW = 60;

/** The old book: a file of any layout is mapped once, looked at row by row, and taken whole or not at all. */
export function importRoutes(deps: Deps): Hono<Env> {
  const app = new Hono<Env>();
  const headerOf = (headers: readonly string[]) =>
    createHash('sha256').update(headers.join('\u0000')).digest();

  on(app, 'POST /imports', async (c, { query }) => {
    const bytes = Buffer.from(await c.req.arrayBuffer());
    const who = c.get('who').id;
    const {
      encoding,
      headers,
      rows,
      columns: guessed,
    } = await inThread({ kind: 'book', person: who }, 'bookLayout', bytes, null);
    const columns = (await rememberedMapping(deps.pool, headerOf(headers))) ?? guessed;
    const id = await inTransaction(deps.pool, (tx) =>
      addImport(tx, { name: query.name, bytes, encoding, columns, rows }, who, deps.now()),
    );
    return await viewOf(deps.pool, who, id, deps.now());
  });
  on(
    app,
    'GET /imports/:id',
    async (c, { query }) =>
      await viewOf(deps.pool, c.get('who').id, idParam(c, 'import'), deps.now(), query.from),
  );
  on(app, 'PUT /imports/:id', async (c, { body: { columns, encoding, leave } }) => {
    const id = idParam(c, 'import');
    const who = c.get('who').id;
    const file = await readImport(deps.pool, id);
    if (!file) throw notFound('import');
    // Read before anything is held: a long file keeps nobody waiting.
    const { headers, rows } = await inThread(
      { kind: 'book', person: who },
      'bookLayout',
      file.bytes,
      encoding,
    );
    await once(c, deps, async (tx) => {
      const read: Column[] = headers.map((_, i) => columns[i] ?? { is: 'leave' });
      if (!(await mapImport(tx, id, encoding, { columns: read, leave, rows })))
        throw new HttpError(409, 'taken', TEXTS.taken);
      await rememberMapping(tx, headerOf(headers), read, deps.now());
      return { body: {} };
    });
    return await viewOf(deps.pool, who, id, deps.now());
  });
  on(app, 'POST /imports/:id/take', async (c) => {
    const id = idParam(c, 'import');
    const file = await readImport(deps.pool, id);
    if (!file) throw notFound('import');
    const says = columnsSay(file.columns);
    if (says) throw new HttpError(422, 'columns', says);
    if (!(await beginTaking(deps.pool, id))) throw new HttpError(409, 'taken', TEXTS.taken);
    const who = c.get('who');
    const { timeZone, dateOrder } = await readHouse(deps.pool);
    // It goes on when the page is closed; how far it has come is asked for.
    void inThread(
      { kind: 'taking', person: who.id },
      'takeBook',
      deps.url,
      id,
      who.id,
      dayIn(timeZone, deps.now()),
      dateOrder,
    )
      .then(async (report) => {
        await remember(deps.pool, 'import', id, who.id, 'clients imported', undefined, {
          ...report,
          left: report.left.length,
        });
        deps.live.tell([['client', 0, 0]]);
      })
      .catch((error: unknown) => {
        deps.log.error({ err: String(error) }, 'import failed');
        return failImport(deps.pool, id, {
          ...NOTHING,
          failed: 'The import was interrupted. Nothing was imported. Import the file again.',
        }).catch(() => undefined);
      });
    return { id };
  });
  return app;
}

async function viewOf(db: Db, person: number, id: number, now: Date, from = 0): Promise<ImportView> {
  const file = await readImport(db, id);
  if (!file) throw notFound('import');
  let { state, report } = file;
  // A server that went away while it was taken has taken nothing: its transaction is gone, and with it the lock.
  if (state === 'taking' && !(await isUnderWay(db, id)) && (await readImport(db, id))?.state === 'taking') {
    report = {
      ...NOTHING,
      failed: 'The import was interrupted. Nothing was imported. Import the file again.',
    };
    await failImport(db, id, report);
    state = (await readImport(db, id))!.state;
  }
  const { timeZone, dateOrder } = await readHouse(db);
  const of = {
    encoding: file.encoding,
    columns: file.columns,
    today: dayIn(timeZone, now),
    dateOrder,
    from,
    count: PREVIEW,
  };
  const table =
    file.bytes.length === 0 ? null : await inThread({ kind: 'book', person }, 'bookRows', file.bytes, of);
  return {
    id,
    name: file.name,
    encoding: file.encoding,
    delimiter: table?.delimiter ?? '',
    headers: table?.headers ?? [],
    columns: file.columns,
    says: columnsSay(file.columns),
    rows: file.rows,
    leave: file.leave,
    state,
    done: file.done,
    report,
    preview: table?.preview ?? [],
  };
}
